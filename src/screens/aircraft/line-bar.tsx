'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { compareTexts } from '@/core/order';
import type { Line } from '@/queries/aircraft/line';
import Link from '../kit/link';
import { countsOf, EVERYTHING, SHOWN, type LineView, type Shown } from './line-view';

// The menu comes when somebody reaches for it: it would be a tenth of what the Line loads.
const TypeMenu = lazy(() => import('./type-menu'));

const NAMES: Readonly<Record<Shown, string>> = {
  all: 'All',
  needs: 'Needs somebody',
  Grounded: 'Grounded',
  Restricted: 'Restricted',
  Released: 'Released',
  out: 'Out',
};

interface Props {
  readonly line: Line;
  readonly now: number;
  readonly view: LineView;
  /** Whether no aircraft is like that. */
  readonly isEmpty: boolean;
  readonly onChoose: (view: LineView) => void;
  /** Moves the Line to another moment; null where it is moved already. */
  readonly onMove: (() => void) | null;
}

/** One of several buttons that stay down. */
function Choice({
  isChosen,
  onChoose,
  children,
}: {
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly children: ReactNode;
}) {
  return (
    <Button
      size="small"
      variant="outlined"
      aria-pressed={isChosen}
      onClick={onChoose}
      sx={{
        minHeight: 32,
        py: 0,
        borderColor: isChosen ? 'var(--sea)' : 'var(--rule)',
        borderBottomWidth: 3,
        bgcolor: isChosen ? 'var(--sea-tint)' : 'var(--card)',
        color: 'var(--ink)',
      }}
    >
      {children}
    </Button>
  );
}

/** Chooses which aircraft the Line shows, and in which order; how many each choice shows stands beside it. */
export function LineBar({ line, now, view, isEmpty, onChoose, onMove }: Props) {
  const counts = countsOf(line, view.type, now);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const types = [...new Set(line.rows.map(({ typeName }) => typeName))].toSorted(compareTexts);
  return (
    <Stack
      component="section"
      aria-label="What the Line shows"
      direction="row"
      spacing={1.5}
      sx={{ px: { xs: 1.5, md: 2.5 }, pt: 0.75, flexWrap: 'wrap', rowGap: 1, alignItems: 'center' }}
    >
      <Stack role="group" aria-label="Which aircraft" direction="row" sx={{ flexWrap: 'wrap', gap: 0.5 }}>
        {SHOWN.map((show) => (
          <Choice
            key={show}
            isChosen={view.show === show}
            onChoose={() => {
              onChoose({ ...view, show: view.show === show ? 'all' : show });
            }}
          >
            {NAMES[show]}&nbsp;<span className="mono">{counts[show]}</span>
          </Choice>
        ))}
      </Stack>
      {types.length < 2 ? null : (
        <Button
          size="small"
          aria-haspopup="menu"
          aria-expanded={anchor !== null}
          onClick={(event) => {
            setAnchor(event.currentTarget);
          }}
          sx={{ minHeight: 32 }}
        >
          {view.type ?? 'Every type'} ▾
        </Button>
      )}
      {anchor === null ? null : (
        <Suspense>
          <TypeMenu
            anchor={anchor}
            types={types}
            chosen={view.type}
            onChoose={(type) => {
              setAnchor(null);
              onChoose({ ...view, type });
            }}
            onClose={() => {
              setAnchor(null);
            }}
          />
        </Suspense>
      )}
      <Choice
        isChosen={view.order === 'need'}
        onChoose={() => {
          onChoose({ ...view, order: view.order === 'need' ? 'registration' : 'need' });
        }}
      >
        Most urgent first
      </Choice>
      {view.show === 'all' && view.type === null ? null : (
        <Button
          size="small"
          onClick={() => {
            onChoose({ ...EVERYTHING, order: view.order });
          }}
        >
          Show all {line.rows.length}
        </Button>
      )}
      {isEmpty ? <span role="status">None of the {line.rows.length} aircraft is like that.</span> : null}
      <Box sx={{ flex: 1 }} />
      {onMove === null ? null : (
        <Button
          size="small"
          onClick={onMove}
          sx={{ minHeight: 32, display: { xs: 'none', md: 'inline-flex' } }}
        >
          Another moment
        </Button>
      )}
      <Button size="small" component={Link} href="/wall" sx={{ display: { xs: 'none', md: 'inline-flex' } }}>
        Wall view
      </Button>
    </Stack>
  );
}
