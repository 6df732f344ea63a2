'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { RateChart } from '@/charts/rate-chart';
import type { ChronicRow } from '@/queries/findings/chronic';
import { useLive } from '../data/live';
import { useChronic } from '../data/queries';
import Link from '../kit/link';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';

/** So many of the newest times stand in the table. */
const LISTED = 6;

function Times({ row }: { readonly row: ChronicRow }) {
  const older = row.times.length - LISTED;
  return (
    <>
      <Table size="small" aria-label={`Each time: ${row.part} of ${row.registration}`}>
        <TableHead>
          <TableRow>
            <TableCell>Found</TableCell>
            <TableCell>What</TableCell>
            <TableCell>Returned to service</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {row.times.slice(0, LISTED).map(({ id, when, what, returned }) => (
            <TableRow key={id}>
              <TableCell>{when}</TableCell>
              <TableCell>{what}</TableCell>
              <TableCell>{returned ?? '–'}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {older > 0 ? <p className="small">and {older} before, in its history.</p> : null}
    </>
  );
}

function Rates({
  row: { here, others, registration, part },
  most,
}: {
  readonly row: ChronicRow;
  readonly most: number;
}) {
  if (here === null) return null;
  return (
    <RateChart
      bars={[
        { name: registration, ...here },
        ...(others === null ? [] : [{ name: 'the others', ...others }]),
      ]}
      most={most}
      width={420}
      unit="times in 100 h in service"
      title={`${part}: times in 100 h of ${registration} and of the others, with intervals`}
    />
  );
}

function Chronic({ row, most }: { readonly row: ChronicRow; readonly most: number }) {
  const [why = '', ...more] = row.says;
  return (
    <Box
      component="article"
      aria-label={`${row.part} of ${row.registration}`}
      sx={{ py: 2.5, borderTop: '1px solid var(--rule)' }}
    >
      <Box component="h2" sx={{ m: 0, fontSize: 19 }}>
        <Link href={`/aircraft/${row.registration}#open-items`} className="mono">
          {row.registration}
        </Link>{' '}
        {row.part}
      </Box>
      <p>
        <b>{why}</b> {more.join(' ')}
      </p>
      <Box
        sx={{
          display: 'grid',
          gap: 4,
          alignItems: 'start',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
        }}
      >
        <div>
          <Times row={row} />
        </div>
        <Rates row={row} most={most} />
      </Box>
    </Box>
  );
}

/** What comes again and again on one aircraft, the surest first, with how often and how sure that is. */
export function ChronicScreen() {
  const query = useChronic();
  const deadSince = useLive();
  const { data: list } = query;
  // One scale for all pictures: a long bar below a short one is a wider interval, not another scale.
  const most = Math.max(...(list?.rows ?? []).map(({ here }) => (here === null ? 0 : here.rate * 2)), 1);
  return (
    <DeskPage at={list} deadSince={deadSince}>
      <h1>Chronic defects</h1>
      {list === undefined ? (
        <Coming query={query} />
      ) : (
        <>
          <p className="small">
            Times in 100 hours in service, each with its interval of 95 %.{' '}
            <Link href="/triage">New findings</Link> <Link href="/safety">Safety</Link>
          </p>
          {list.rows.length === 0 ? (
            <p>Nothing came again and again in the last 12 months.</p>
          ) : (
            list.rows.map((row) => <Chronic key={row.id} row={row} most={most} />)
          )}
          <Box component="section" aria-label="Method" sx={{ mt: 3, maxWidth: 760 }}>
            <p className="small">{list.method}</p>
          </Box>
        </>
      )}
    </DeskPage>
  );
}
