'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Handover } from '@/queries/flights/handover';
import { ask } from '../data/fetching';
import { useLive } from '../data/live';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';

/** How far back somebody looks, in hours. */
const SPANS = [
  [4, 'the last 4 hours'],
  [12, 'the last 12 hours'],
  [24, 'the last day'],
  [72, 'the last 3 days'],
  [14 * 24, 'the last 14 days'],
] as const;

const aircraftPage = (registration: string) => `/aircraft/${registration}`;

function Loops({ handover: { loops, undecided } }: { readonly handover: Handover }) {
  const open = loops.filter(({ lines }) => lines.length > 0);
  return (
    <section aria-label="Open">
      <h2>Open</h2>
      {open.length === 0 ? <p>Nothing is open: no aircraft is out, and nothing is begun.</p> : null}
      {open.map(({ title, lines }) => (
        <Box key={title} component="section" aria-label={title} sx={{ mb: 1.5, breakInside: 'avoid' }}>
          <h3>{title}</h3>
          <PlainList>
            {lines.map(({ key, registration, words }) => (
              <li key={key}>
                <Link href={aircraftPage(registration)} className="figure">
                  {registration}
                </Link>{' '}
                {words}
              </li>
            ))}
          </PlainList>
          {title.startsWith('Findings') && undecided > lines.length ? (
            <p className="small">and {undecided - lines.length} more.</p>
          ) : null}
        </Box>
      ))}
    </section>
  );
}

/**
 * What the next on duty takes over: what is open, which aircraft are not released and why, and what was recorded
 * since. On paper it is a sheet.
 */
export function HandoverScreen() {
  const [span, setSpan] = useState(12);
  const deadSince = useLive();
  const { data, error, refetch } = useQuery({
    queryKey: ['handover', span],
    queryFn: () =>
      ask('GET /api/handover', {
        search: { since: new Date(Date.now() - span * 3_600_000).toISOString() },
      }),
    placeholderData: keepPreviousData,
  });
  if (data === undefined)
    return (
      <DeskPage>
        <Coming query={{ error, refetch }} />
      </DeskPage>
    );
  return (
    <DeskPage at={data} deadSince={deadSince} widest={1000}>
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center', justifyContent: 'space-between' }}>
        <h1>Handover</h1>
        <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', displayPrint: 'none' }}>
          <TextField
            select
            size="small"
            label="What changed in"
            value={span}
            onChange={(event) => {
              setSpan(Number(event.target.value));
            }}
          >
            {SPANS.map(([hours, words]) => (
              <MenuItem key={hours} value={hours}>
                {words}
              </MenuItem>
            ))}
          </TextField>
          <Button
            variant="outlined"
            onClick={() => {
              window.print();
            }}
          >
            Print
          </Button>
        </Stack>
      </Stack>
      <Loops handover={data} />
      <section aria-label="Not released">
        <h2>Not released</h2>
        {data.notReleased.length === 0 ? <p>Every aircraft is released.</p> : null}
        <PlainList>
          {data.notReleased.map(({ registration, verdict, why }) => (
            <li key={registration}>
              <b>{verdict}</b>{' '}
              <Link href={aircraftPage(registration)} className="figure">
                {registration}
              </Link>{' '}
              {why.join(' ')}
            </li>
          ))}
        </PlainList>
      </section>
      <section aria-label="Changed">
        <h2>Changed since {data.sinceText}</h2>
        {data.changes.length === 0 ? <p>Nothing was recorded.</p> : null}
        <PlainList component="ol">
          {data.changes.map(({ key, when, registration, words }) => (
            <ListLine key={key}>
              <span className="mono small">{when}</span> <span className="figure">{registration}</span>{' '}
              {words}
            </ListLine>
          ))}
        </PlainList>
        {data.isCut ? (
          <p className="small">There is more: choose a shorter time, or look at an aircraft’s history.</p>
        ) : null}
      </section>
      <Box component="p" sx={{ display: 'none', displayPrint: 'block', mt: 4 }}>
        Handed over by ____________________ to ____________________ at __________
      </Box>
    </DeskPage>
  );
}
