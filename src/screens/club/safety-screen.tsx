'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { MonthBars } from '@/charts/month-bars';
import { ShareBars } from '@/charts/share-bars';
import { MOST_AIRCRAFT, SAFETY_DAYS } from '@/contracts/club/safety';
import type { SafetyPage, SafetyRow, Waited } from '@/queries/club/safety';
import { setHash, useHash } from '../data/address';
import { ask } from '../data/fetching';
import { useLive } from '../data/live';
import { FigureWithTable } from '../kit/figure-with-table';
import Link from '../kit/link';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';

const NAMES: Readonly<Record<number, string>> = { 30: '30 days', 90: '90 days', 365: 'a year' };
const ENDS = {
  void: 'void: something new came up',
  withdrawn: 'withdrawn',
  replaced: 'replaced by another',
  cancelled: 'its flight was moved or cancelled',
  back: 'its flight came back',
} as const;
/** So many aircraft are decided without being asked for. */
const AT_ONCE = 40;
/** So many causes are drawn. */
const MOST_CAUSES = 12;

const one = (value: number): number => Math.round(value * 10) / 10;
const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
const whole = ({ hours }: SafetyRow): number => sum(Object.values(hours));
const percent = (part: number, of: number): number => (of === 0 ? 0 : one((100 * part) / of));

function Available({ rows, file }: { readonly rows: readonly SafetyRow[]; readonly file: string }) {
  return (
    <FigureWithTable
      title="Availability by aircraft"
      method="Share of the time, nights included, in which each verdict stood. Every verdict is the one that was known then, decided again by the club’s rules of today at each entry and each date; what the walk-round of a day asks is left out. Plain: released; tinted: restricted; striped: grounded."
      columns={['Aircraft', 'Released %', 'Restricted %', 'Grounded %', 'Hours']}
      lines={rows.map((row) => [
        row.registration,
        percent(row.hours.Released, whole(row)),
        percent(row.hours.Restricted, whole(row)),
        percent(row.hours.Grounded, whole(row)),
        Math.round(whole(row)),
      ])}
      file={`${file}-availability`}
    >
      <ShareBars
        title="Share of the time released, restricted and grounded, by aircraft"
        width={620}
        names={72}
        most={100}
        unit="% of the time"
        bars={rows.map((row) => ({
          name: row.registration,
          label: `${percent(row.hours.Released, whole(row))} %`,
          parts: [
            { value: percent(row.hours.Released, whole(row)), fill: 'var(--plan)' },
            { value: percent(row.hours.Restricted, whole(row)), fill: 'var(--restricted-tint)' },
            { value: percent(row.hours.Grounded, whole(row)), fill: 'var(--grounded)', isStriped: true },
          ],
        }))}
      />
    </FigureWithTable>
  );
}

function Lost({ rows, file }: { readonly rows: readonly SafetyRow[]; readonly file: string }) {
  const byRule = new Map<string, { title: string; hours: number; aircraft: string[] }>();
  for (const { registration, causes } of rows)
    for (const { rule, title, hours } of causes) {
      const known = byRule.get(rule) ?? { title, hours: 0, aircraft: [] };
      byRule.set(rule, {
        title,
        hours: known.hours + hours,
        aircraft: [...known.aircraft, registration],
      });
    }
  const causes = [...byRule.values()].toSorted((a, b) => b.hours - a.hours).slice(0, MOST_CAUSES);
  if (causes.length === 0) return <p>Nothing kept an aircraft from being released in this time.</p>;
  return (
    <FigureWithTable
      title="Hours lost by cause"
      method="Hours of the clock in which a rule kept an aircraft from being released. Where two did so at once, the time counts under both: the sum is more than the time lost."
      columns={['Cause', 'Hours', 'Aircraft']}
      lines={causes.map(({ title, hours, aircraft }) => [title, Math.round(hours), aircraft.join(' ')])}
      file={`${file}-causes`}
    >
      <ShareBars
        title="Hours lost, by cause"
        width={620}
        names={250}
        most={causes[0]?.hours ?? 1}
        unit="hours"
        bars={causes.map(({ title, hours }) => ({
          name: title.length > 38 ? `${title.slice(0, 37)}…` : title,
          label: `${Math.round(hours)} h`,
          parts: [{ value: hours, fill: 'var(--plan)' }],
        }))}
      />
    </FigureWithTable>
  );
}

const waitedText = (waited: Waited | null): string =>
  waited === null ? '–' : `${one(waited.median)} (${one(waited.ninth)}), ${waited.count}`;

function Findings({ page, file }: { readonly page: SafetyPage; readonly file: string }) {
  return (
    <>
      <FigureWithTable
        title="Findings, and how long they waited"
        method="By the month in which they were reported. Hours from the report to the first decision of somebody entitled, and to the return to service: half took no longer than the first figure, nine of ten no longer than the one in brackets; then how many. What is still open has no time yet and is not in it."
        columns={['Month', 'Reported', 'To the first decision, h', 'To the return, h']}
        lines={page.months.map(({ month, reported, toDecision, toReturn }) => [
          month,
          reported,
          waitedText(toDecision),
          waitedText(toReturn),
        ])}
        file={`${file}-findings`}
      >
        <MonthBars
          title="Findings reported by month"
          width={620}
          height={170}
          bars={page.months.map(({ month, reported }) => ({
            name: month.slice(2),
            value: reported,
            label: String(reported),
          }))}
        />
      </FigureWithTable>
      <p>
        {page.open} of them {page.open === 1 ? 'is' : 'are'} open; about {page.undecided} nobody has decided.{' '}
        <Link href="/triage">New findings</Link>. What comes again and again:{' '}
        <Link href="/chronic">Chronic defects</Link>.
      </p>
    </>
  );
}

function Releases({ page, file }: { readonly page: SafetyPage; readonly file: string }) {
  const { signed, withRestrictions, ended } = page.releases;
  if (signed === 0) return <p>No release was signed in this time.</p>;
  const lines = [
    ['signed', signed],
    ['with restrictions', withRestrictions],
    ...ended.map(({ why, count }) => [ENDS[why], count] as const),
  ] as const;
  return (
    <FigureWithTable
      title="Releases"
      method="Releases signed in this time, those with something to read back, and how they ended."
      columns={['Releases', 'Count']}
      lines={lines}
      file={`${file}-releases`}
    >
      <ShareBars
        title="Releases signed, with restrictions, and by their end"
        width={620}
        names={210}
        most={signed}
        unit="releases"
        bars={lines.map(([name, count]) => ({
          name,
          label: String(count),
          parts: [{ value: count, fill: 'var(--plan)' }],
        }))}
      />
    </FigureWithTable>
  );
}

function Missed({ rows }: { readonly rows: readonly SafetyRow[] }) {
  const missed = rows.flatMap(({ registration, missed: own }) =>
    own.map((finding) => ({ registration, ...finding })),
  );
  return (
    <Box
      component="section"
      aria-label="Passed before it was found"
      sx={{ py: 2.5, borderTop: '1px solid var(--rule)' }}
    >
      <Box component="h2" sx={{ m: 0 }}>
        Passed before it was found
      </Box>
      <p className="small">
        Findings whose step walk-rounds had passed while the defect may have been there. It is for teaching: a
        defect is not always to be seen, and it may have come since.
      </p>
      {missed.length === 0 ? (
        <p>No finding of this time was passed by a walk-round before.</p>
      ) : (
        <Table aria-label="Passed before it was found">
          <TableHead>
            <TableRow>
              {['Aircraft', 'Finding', 'Found', 'Passed', 'By'].map((name) => (
                <TableCell key={name}>{name}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {missed.map(({ findingId, registration, what, found, passes, by }) => (
              <TableRow key={findingId}>
                <TableCell className="figure">{registration}</TableCell>
                <TableCell>{what}</TableCell>
                <TableCell>{found}</TableCell>
                <TableCell className="mono">{passes === 1 ? 'once' : `${passes} times`}</TableCell>
                <TableCell>{by === null ? 'for those who teach' : by.join(', ')}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}

/** What keeps aircraft from flying, what was missed, how long findings wait, and what releases came to: for those who answer for it. */
export function SafetyScreen() {
  const asked = Number(new URLSearchParams(useHash()).get('days'));
  const days = SAFETY_DAYS.find((known) => known === asked) ?? 90;
  const deadSince = useLive();
  const query = useQuery({
    queryKey: ['safety', days],
    queryFn: () => ask('GET /api/safety', { search: { days: String(days) } }),
    retry: 1,
  });
  const fleet = useInfiniteQuery({
    queryKey: ['safety', days, 'fleet'],
    queryFn: ({ pageParam }) =>
      ask('GET /api/safety/fleet', { search: { days: String(days), from: String(pageParam) } }),
    initialPageParam: 0,
    getNextPageParam: ({ from, total }) => (from + MOST_AIRCRAFT < total ? from + MOST_AIRCRAFT : undefined),
    retry: 1,
    staleTime: 10 * 60_000,
  });
  const { data: page } = query;
  const [wanted, setWanted] = useState(AT_ONCE);
  const { hasNextPage, isFetching, isError, fetchNextPage } = fleet;
  const count = (fleet.data?.pages.length ?? 0) * MOST_AIRCRAFT;
  // A few come at a time, and are shown as they come: who has seen enough goes away.
  useEffect(() => {
    if (hasNextPage && !isFetching && !isError && count < wanted) void fetchNextPage();
  }, [hasNextPage, isFetching, isError, fetchNextPage, count, wanted]);
  const rows = fleet.data?.pages.flatMap((part) => part.rows) ?? [];
  const file = `groval-${days}-days`;
  return (
    <DeskPage at={page} deadSince={deadSince}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap' }}>
        <Box component="h1" sx={{ m: 0, flex: 1 }}>
          Safety
        </Box>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="How far back"
          value={days}
          onChange={(_, chosen: number | null) => {
            if (chosen !== null) setHash(`days=${chosen}`, 'new');
          }}
        >
          {SAFETY_DAYS.map((known) => (
            <ToggleButton key={known} value={known} sx={{ textTransform: 'none' }}>
              {NAMES[known]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
      {page === undefined ? (
        <Coming query={query} />
      ) : (
        <>
          {fleet.data === undefined ? (
            <Coming query={fleet} what="the verdicts of every aircraft in this time, decided one by one" />
          ) : (
            <>
              <Available rows={rows} file={file} />
              {hasNextPage ? (
                <Box role="status" sx={{ py: 1 }}>
                  {rows.length} of {fleet.data.pages[0]?.total ?? 0} aircraft{' '}
                  {count < wanted ? (
                    'are decided; the others are on the way.'
                  ) : (
                    <Button
                      onClick={() => {
                        setWanted(wanted + AT_ONCE);
                      }}
                    >
                      The next {AT_ONCE}
                    </Button>
                  )}
                </Box>
              ) : null}
              <Lost rows={rows} file={file} />
              <Missed rows={rows} />
            </>
          )}
          <Findings page={page} file={file} />
          <Releases page={page} file={file} />
        </>
      )}
    </DeskPage>
  );
}
