'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TrendChart } from '@/charts/trend-chart';
import type { PassedDefect } from '@/queries/walkround/passed-checks';
import type { AircraftTrends } from '@/queries/walkround/trends';
import { useTrends } from '../data/queries';
import Link from '../kit/link';
import { Section } from '../kit/section';
import { Coming } from '../shell/coming';

type Series = AircraftTrends['trends'][number];

/** So many of the newest figures stand beside the drawing. */
const LISTED = 6;

function Figures({ series }: { readonly series: Series }) {
  return (
    <Table size="small" aria-label={`${series.name}: the last figures`}>
      <TableHead>
        <TableRow>
          <TableCell>When</TableCell>
          <TableCell align="right">{series.unit}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {series.points
          .slice(-LISTED)
          .toReversed()
          .map(({ x, y, when }) => (
            <TableRow key={x}>
              <TableCell>{when}</TableCell>
              <TableCell align="right" className="figure">
                {Number(y.toPrecision(4))}
              </TableCell>
            </TableRow>
          ))}
      </TableBody>
    </Table>
  );
}

function SeriesShown({ series }: { readonly series: Series }) {
  return (
    <Box component="article" aria-label={series.name} sx={{ mb: 4 }}>
      <Box component="h3" sx={{ m: 0 }}>
        {series.name}
      </Box>
      <Box component="p" sx={{ m: '2px 0 8px', fontWeight: series.isNear ? 700 : 400 }}>
        {series.says}
      </Box>
      <Box
        sx={{
          display: 'grid',
          gap: 3,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
          alignItems: 'start',
        }}
      >
        <TrendChart
          points={series.points}
          through={series.line}
          min={series.min}
          max={series.max}
          width={560}
          height={170}
          title={`${series.name}, ${series.points.length} figures. ${series.says}`}
        />
        <Figures series={series} />
      </Box>
    </Box>
  );
}

function Passed({ defect }: { readonly defect: PassedDefect }) {
  return (
    <Box component="article" sx={{ mb: 3 }}>
      <b>{defect.what}</b>{' '}
      <span className="small">
        {defect.where}, found {defect.found}
        {defect.absent === null ? '' : `; surely absent on ${defect.absent}`}
      </span>
      <Table size="small" aria-label={`Walk-rounds that passed it: ${defect.what}`}>
        <TableHead>
          <TableRow>
            <TableCell>Who looked</TableCell>
            <TableCell>When</TableCell>
            <TableCell align="right">Time at the step</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {defect.checks.map(({ by, when, seconds, isTooFast }) => (
            <TableRow key={`${by}/${when}`}>
              <TableCell>{by}</TableCell>
              <TableCell>{when}</TableCell>
              <TableCell align="right">
                <span className="figure">{seconds} s</span>
                {isTooFast ? ', faster than it can be done' : ''}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

/** What an aircraft's walk-rounds have taught: where its figures go, where water comes in, which of them passed what was found later. */
export function Trends({ registration }: { readonly registration: string }) {
  const query = useTrends(registration);
  const { data } = query;
  if (data === undefined) return <Coming query={query} what="trends" />;
  return (
    <>
      <Section id="trends" title="Figures over the last year">
        {data.trends.length === 0 ? (
          <p>Nothing was measured twice yet. The walk-round measures; its figures come here by themselves.</p>
        ) : (
          data.trends.map((series) => <SeriesShown key={series.name} series={series} />)
        )}
      </Section>
      <Section id="water" title="Water in the cups">
        {data.water.length === 0 ? (
          <p>No cup is on record by its drain.</p>
        ) : (
          <ul>
            {data.water.map(({ words, isOften }) => (
              <li key={words}>{isOften ? <b>{words} Often: look for where it comes in.</b> : words}</li>
            ))}
          </ul>
        )}
      </Section>
      <p>
        What comes again and again on one aircraft: <Link href="/chronic">chronic defects</Link>.
      </p>
      {data.passed === null ? null : (
        <Section id="passed-checks" title="Passed before it was found">
          <p>
            Walk-rounds that answered “fine” at the step of something that was found later. It may not have
            been there yet. This is to learn from: show the place, and how to look at it.
          </p>
          {data.passed.length === 0 ? (
            <p>No walk-round of the last year passed a step at which something was found later.</p>
          ) : (
            data.passed.map((defect) => <Passed key={defect.findingId} defect={defect} />)
          )}
        </Section>
      )}
    </>
  );
}
