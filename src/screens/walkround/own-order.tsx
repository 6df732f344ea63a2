'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import List from '@mui/material/List';
import ListItem from '@mui/material/ListItem';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useState, type ReactNode } from 'react';
import type { Method } from '@/core/walkround/method';
import type { OrderFault } from '@/core/walkround/order-rules';
import { metresOf } from '@/core/walkround/walking';
import type { WalkedStep } from '@/queries/walkround/school-method';
import { blocksOf, faultsOf, moved, putRight, stepsOf, stopOf, type Block } from './own-order-blocks';

/** The shortest order of the same stops that breaks no rule, by their numbers; null while it is looked for, or where there is none. */
function useShortest(blocks: readonly Block[], laps: Method['laps']): readonly number[] | null {
  const [found, setFound] = useState<{
    readonly of: readonly Block[];
    readonly order: readonly number[] | null;
  } | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/shortest-walk.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<readonly number[] | null>) => {
      setFound({ of: blocks, order: data });
    });
    worker.postMessage({ stops: blocks.map(stopOf), laps });
    return () => {
      worker.terminate();
    };
  }, [blocks, laps]);
  return found?.of === blocks ? found.order : null;
}

/** One thing that can be dragged by its handle, or lifted with the space bar and moved with the arrows. */
function Sortable({
  id,
  name,
  isFault,
  children,
}: {
  readonly id: string;
  readonly name: string;
  readonly isFault: boolean;
  readonly children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({
    id,
  });
  return (
    <ListItem
      ref={setNodeRef}
      disablePadding
      sx={{
        transform: CSS.Translate.toString(transform),
        transition,
        borderBottom: '1px solid var(--rule)',
        bgcolor: isFault ? 'var(--grounded-tint)' : 'var(--card)',
        alignItems: 'flex-start',
        '& > .MuiButton-root': { mt: 0.25 },
      }}
    >
      <Button
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Move ${name}`}
        size="small"
        sx={{ minWidth: 40, minHeight: 40, cursor: 'grab', touchAction: 'none', letterSpacing: 2 }}
      >
        ⠿
      </Button>
      <Box sx={{ flex: 1, minWidth: 0, py: 1 }}>{children}</Box>
    </ListItem>
  );
}

/** A list that is put in order by hand or by keyboard. */
function Sorted<T>({
  items,
  idOf,
  nameOf,
  isFault,
  onMove,
  children,
}: {
  readonly items: readonly T[];
  readonly idOf: (item: T) => string;
  readonly nameOf: (item: T) => string;
  readonly isFault: (item: T) => boolean;
  readonly onMove: (from: number, to: number) => void;
  readonly children: (item: T) => ReactNode;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = items.map(idOf);
  const placed = (id: string | number) =>
    `${items.flatMap((item) => (idOf(item) === id ? [nameOf(item)] : [])).join('')}, place ${ids.indexOf(String(id)) + 1} of ${ids.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Lifted ${placed(active.id)}.`,
    // Over itself it has not moved yet: that it was lifted is still to be heard.
    onDragOver: ({ active, over }) =>
      over === null || over.id === active.id ? undefined : `Now at the place of ${placed(over.id)}.`,
    onDragEnd: ({ over }) => (over === null ? 'Put back.' : `Put down at the place of ${placed(over.id)}.`),
    onDragCancel: () => 'Put back.',
  };
  const end = ({ active, over }: DragEndEvent) => {
    if (over !== null && active.id !== over.id)
      onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={end}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable:
            'Press space to lift it, the arrows to move it, space again to put it down, escape to put it back.',
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <List disablePadding>
          {items.map((item) => (
            <Sortable key={idOf(item)} id={idOf(item)} name={nameOf(item)} isFault={isFault(item)}>
              {children(item)}
            </Sortable>
          ))}
        </List>
      </SortableContext>
    </DndContext>
  );
}

const MOST_RULES = 4;

/** Each rule that is broken, once: with the first step that comes too early, and how many others do. */
function rulesBroken(faults: readonly OrderFault[]) {
  const firsts = new Set(faults.map(({ first }) => first));
  return [...firsts].flatMap((first) => {
    const own = faults.filter((fault) => fault.first === first);
    return own.slice(0, 1).map((fault) => ({ ...fault, others: own.length - 1 }));
  });
}

/** A school arranges its own order: stops by dragging or by keyboard, and the steps of each. What no order may break is said at once. */
export function OwnOrder({
  walked,
  laps,
  mayChange,
  onOrder,
}: {
  readonly walked: readonly WalkedStep[];
  readonly laps: Method['laps'];
  readonly mayChange: boolean;
  /** With null where the order breaks a rule: then it cannot be saved. */
  readonly onOrder: (order: readonly string[] | null) => void;
}) {
  const [blocks, setBlocks] = useState(() => blocksOf(walked));
  const [open, setOpen] = useState<string | null>(null);
  const shortest = useShortest(blocks, laps);
  const faults = faultsOf(blocks, laps);
  const broken = rulesBroken(faults);
  const titleOf = (code: string) => walked.find(({ slot }) => slot.startsWith(code))?.title ?? code;
  const change = (next: readonly Block[]) => {
    setBlocks(next);
    onOrder(faultsOf(next, laps).length === 0 ? stepsOf(next).map(({ slot }) => slot) : null);
  };
  const isEarly = (step: WalkedStep) => faults.some(({ early }) => step.slot.startsWith(early));
  const metres = metresOf(blocks);
  const least = shortest === null ? null : metresOf(shortest.flatMap((at) => blocks.slice(at, at + 1)));
  return (
    <Box component="section" aria-label="Own order">
      <Typography role="status">
        {`On foot ${metres} m round an aircraft of 10 m span`}
        {least === null ? '.' : `; the shortest that breaks no rule is ${least} m.`}
      </Typography>
      {mayChange && shortest !== null && least !== null && least < metres ? (
        <Button
          onClick={() => {
            change(blocksOf(stepsOf(shortest.flatMap((at) => blocks.slice(at, at + 1)))));
          }}
        >
          Take the shortest
        </Button>
      ) : null}
      {faults.length === 0 ? null : (
        <Alert
          severity="error"
          sx={{ my: 1 }}
          action={
            <Button
              color="inherit"
              size="small"
              onClick={() => {
                change(putRight(blocks, laps));
              }}
            >
              Put it right
            </Button>
          }
        >
          {broken.slice(0, MOST_RULES).map(({ first, early, why, others }) => (
            <div key={first}>
              “{titleOf(first)}” comes before “{titleOf(early)}”{others === 0 ? '' : ` and ${others} more`}:{' '}
              {why}.
            </div>
          ))}
          {broken.length > MOST_RULES ? `And ${broken.length - MOST_RULES} more rules.` : null}
        </Alert>
      )}
      <Box sx={{ border: '1px solid var(--rule)', borderRadius: '6px', mt: 1, maxWidth: 640 }}>
        <Sorted
          items={blocks}
          idOf={({ id }) => id}
          nameOf={({ place }) => place}
          isFault={({ steps }) => steps.some(isEarly)}
          onMove={(from, to) => {
            if (mayChange) change(moved(blocks, from, to));
          }}
        >
          {(block) => (
            <>
              <Stack direction="row" sx={{ alignItems: 'center', pr: 1 }}>
                <Box sx={{ flex: 1 }}>
                  <b>{block.place.charAt(0).toUpperCase() + block.place.slice(1)}</b>{' '}
                  <span className="small">
                    {block.steps.length} {block.steps.length === 1 ? 'step' : 'steps'}
                  </span>
                </Box>
                <Button
                  size="small"
                  aria-expanded={open === block.id}
                  onClick={() => {
                    setOpen(open === block.id ? null : block.id);
                  }}
                >
                  {open === block.id ? 'Close' : 'Steps'}
                </Button>
              </Stack>
              {open !== block.id ? null : (
                <Sorted
                  items={block.steps}
                  idOf={({ slot }) => slot}
                  nameOf={({ title }) => title}
                  isFault={isEarly}
                  onMove={(from, to) => {
                    if (mayChange)
                      change(
                        blocks.map((one) =>
                          one.id === block.id ? { ...one, steps: moved(one.steps, from, to) } : one,
                        ),
                      );
                  }}
                >
                  {({ title }) => title}
                </Sorted>
              )}
            </>
          )}
        </Sorted>
      </Box>
    </Box>
  );
}
