'use client';

import Box from '@mui/material/Box';
import Card from '@mui/material/Card';
import CardActionArea from '@mui/material/CardActionArea';
import Stack from '@mui/material/Stack';
import type { Line, LineRow } from '@/queries/aircraft/line';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { clock } from '../data/clock';
import { Hidden } from '../kit/layout';
import Link from '../kit/link';
import { against } from './needs';

/** The flight that is asked about next, with its answer. */
function NextFlight({ row, zone }: { readonly row: LineRow; readonly zone: string }) {
  const [flight] = row.flights.filter(({ answer }) => answer !== 'past');
  if (flight === undefined) return null;
  return (
    <Box sx={{ fontSize: 15 }}>
      <span className="mono">{clock(flight.starts, zone)}</span> {flight.name}
      {flight.words === '' ? null : <b>: {flight.words}</b>}
    </Box>
  );
}

/** The Line on a phone: a card for each aircraft, which opens its page. */
export function LineCards({ line }: { readonly line: Line }) {
  return (
    <Box component="main" sx={{ p: 1.5 }}>
      <Hidden component="h1">The Line</Hidden>
      <Stack component="ul" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {line.rows.map((row) => {
          const [reason] = against(row);
          const [limit] = row.next;
          return (
            <Card key={row.aircraftId} component="li" variant="outlined">
              <CardActionArea component={Link} href={`/aircraft/${row.registration}`} sx={{ p: 1.5 }}>
                <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
                  <GateMark verdict={row.verdict} size={34} />
                  <Box sx={{ flex: 1, minWidth: 0 }}>
                    <b>{row.verdict}</b>{' '}
                    <Box component="span" className="figure" sx={{ fontSize: 18 }}>
                      {row.registration}
                    </Box>
                    <div className="small">{row.typeName}</div>
                  </Box>
                  <WindowMark window={row.window} text={row.windowText} />
                </Stack>
                {row.out === null ? null : <b>{row.out}</b>}
                {reason === undefined ? null : <Box sx={{ fontSize: 15, mt: 0.5 }}>{reason}</Box>}
                {limit === undefined || row.verdict === 'Grounded' ? null : (
                  <Box sx={{ fontSize: 15, mt: 0.5 }}>
                    <span className="figure">{limit.figure}</span> <span className="small">{limit.of}</span>
                  </Box>
                )}
                <NextFlight row={row} zone={line.zone} />
                {row.measured === null ? null : <div className="small">{row.measured}</div>}
              </CardActionArea>
            </Card>
          );
        })}
      </Stack>
    </Box>
  );
}
