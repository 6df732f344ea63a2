'use client';

import Box from '@mui/material/Box';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import { useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { TriageList, TriageRow } from '@/queries/findings/triage';
import { useCommand } from '../data/command';
import { useLive } from '../data/live';
import { useTriage } from '../data/queries';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';
import { openWays, TriageDetail, WAYS, type Way } from './triage-detail';

/** The list beside the finding that is looked at. Arrow keys go up and down; figures decide. */
function Desk({ list }: { readonly list: TriageList }) {
  const { rows, mayDecide } = list;
  // Which one is looked at, by its id: others come and go above it while somebody reads, and what is decided must be what was read.
  const [at, setAt] = useState<{ readonly id: string | null; readonly place: number }>({
    id: null,
    place: 0,
  });
  const [open, setOpen] = useState<Way | null>(null);
  // The one that is being sent. Its line may be gone before its answer is here: the next one is decided about meanwhile,
  // and no key is lost.
  const [sending, setSending] = useState<string | null>(null);
  const { post, trouble } = useCommand();
  const here = useRef<HTMLUListElement>(null);
  const found = rows.findIndex(({ id }) => id === at.id);
  // The list gets shorter by what was decided: what came after it takes its place.
  const chosen = found === -1 ? Math.min(at.place, rows.length - 1) : found;
  const row = rows[chosen];
  if (row !== undefined && (row.id !== at.id || chosen !== at.place)) setAt({ id: row.id, place: chosen });
  const go = (to: number) => {
    const next = Math.max(0, Math.min(rows.length - 1, to));
    setAt({ id: rows[next]?.id ?? null, place: next });
    setOpen(null);
    here.current?.querySelectorAll<HTMLElement>('[role="option"]')[next]?.focus();
  };
  const decide = async (of: TriageRow, decision: 'stays' | 'grounds', sameAs?: string) => {
    setSending(of.id);
    const base = { triageId: crypto.randomUUID(), discrepancyId: of.id, aircraftId: of.aircraftId, note: '' };
    const done = await post(
      'POST /api/triage',
      sameAs === undefined
        ? { ...base, decision }
        : { ...base, decision: 'same-as', sameAs, seenRevision: of.revision },
      () => undefined,
    );
    setSending((one) => (one === of.id ? null : one));
    if (done) setOpen(null);
  };
  const take = (way: Way) => {
    if (row === undefined || sending === row.id) return;
    if (way === 'watch' || way === 'same-as') setOpen(way);
    else void decide(row, way);
  };
  useHotkeys(
    ['up', 'down', 'home', 'end'],
    (_, { keys }) => {
      const [key = ''] = keys ?? [];
      go(chosen + ({ down: 1, up: -1, home: -rows.length, end: rows.length }[key] ?? 0));
    },
    // A line of the list counts as a field there: once it has the focus, keys would do nothing.
    { preventDefault: true, enabled: open === null, enableOnFormTags: ['option'] },
  );
  useHotkeys(
    WAYS.map(({ key }) => key),
    ({ key }) => {
      const way = row === undefined ? undefined : openWays(row).find((one) => one.key === key)?.way;
      if (way !== undefined) take(way);
    },
    { useKey: true, enabled: mayDecide && open === null, enableOnFormTags: ['option'] },
  );
  if (row === undefined) return <p>Nothing waits. What is found next appears here.</p>;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 2fr) minmax(0, 3fr)' },
        columnGap: 4,
      }}
    >
      <div>
        <List
          ref={here}
          role="listbox"
          aria-label="Findings that wait"
          disablePadding
          sx={{ maxHeight: { md: 'calc(100vh - 190px)' }, overflow: 'auto' }}
        >
          {rows.map((one, index) => (
            <ListItemButton
              key={one.id}
              role="option"
              aria-selected={index === chosen}
              selected={index === chosen}
              tabIndex={index === chosen ? 0 : -1}
              divider
              disableGutters
              sx={{ px: 1, display: 'block' }}
              onClick={() => {
                go(index);
              }}
            >
              <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
                <b className="mono">{one.registration}</b>
                <Box
                  component="span"
                  sx={{ flex: 1, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
                >
                  {one.what}
                </Box>
              </Box>
              <div className="small">{one.holdsUp === '' ? 'no flight planned' : `flies ${one.holdsUp}`}</div>
            </ListItemButton>
          ))}
        </List>
        {mayDecide ? (
          <p className="small">
            Arrow keys go through the list; {WAYS.map(({ key }) => key).join(', ')} decide.
          </p>
        ) : null}
      </div>
      <TriageDetail
        row={row}
        today={list.today}
        mayDecide={mayDecide}
        open={open}
        trouble={trouble}
        busy={sending === row.id}
        onWay={take}
        onSameAs={(id) => {
          void decide(row, 'stays', id);
        }}
        onClose={() => {
          setOpen(null);
        }}
      />
    </Box>
  );
}

/** The findings about which nobody has decided yet, by what they hold up. */
export function TriageScreen() {
  const query = useTriage();
  const deadSince = useLive();
  const { data: list } = query;
  return (
    <DeskPage at={list} deadSince={deadSince}>
      <h1>New findings{list === undefined || list.total === 0 ? '' : ` (${list.total})`}</h1>
      {list === undefined ? <Coming query={query} /> : <Desk list={list} />}
    </DeskPage>
  );
}
