'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { MonthBars } from '@/charts/month-bars';
import { may } from '@/contracts/kernel/permissions';
import type { Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Paged } from '../kit/paged';
import { Section } from '../kit/section';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** The last flights with their figures, and what was flown month by month. */
export function Flights({ folder, roles }: { readonly folder: Folder; readonly roles: readonly string[] }) {
  return (
    <Section
      id="flights-flown"
      title="Flights"
      act={
        <Button component={Link} href={`/sheet/${folder.registration}`} size="small" variant="outlined">
          Print
        </Button>
      }
    >
      {folder.months.length === 0 ? null : (
        <MonthBars
          title="Hours flown"
          width={640}
          height={120}
          bars={folder.months.map(({ month, hours }) => ({
            name: MONTHS[Number(month.slice(5)) - 1] ?? month,
            value: hours,
            label: hours.toFixed(0),
          }))}
        />
      )}
      {folder.oil.steps.length === 0 ? null : (
        <>
          <Box component="h3" sx={{ m: '12px 0 0', fontSize: 17 }}>
            Oil use, US quarts an hour
          </Box>
          <MonthBars
            title="Oil use from one top-up to the next, US quarts an hour"
            width={640}
            height={110}
            bars={folder.oil.steps.map(({ at, use }) => ({ name: at, value: use, label: use.toFixed(2) }))}
          />
          <Box component="p" className="small" sx={{ m: '2px 0 8px' }}>
            {folder.oil.trend === null
              ? 'Too few top-ups to say where it goes.'
              : `All of them together: ${folder.oil.trend}. Each bar is what was added, over the hours since the one before.`}
          </Box>
        </>
      )}
      {folder.flights.length === 0 ? <p>No flight is on record.</p> : null}
      <Paged items={folder.flights} size={10} what="the flights">
        {(flights) => (
          <PlainList>
            {flights.map((flight) => (
              <ListLine key={flight.id}>
                <span className="mono small">{flight.left}</span> <b>{flight.person}</b>
                {flight.out ? <b> – out</b> : null}{' '}
                <span className="small">
                  {[
                    flight.landings === null
                      ? ''
                      : `${flight.landings} ${flight.landings === 1 ? 'landing' : 'landings'}`,
                    flight.billed === '' ? '' : `billing time ${flight.billed}`,
                  ]
                    .filter((text) => text !== '')
                    .join(' · ')}
                </span>
                <div className="small mono">{flight.figures}</div>
                {flight.report === null ? null : <div>{flight.report}</div>}
              </ListLine>
            ))}
          </PlainList>
        )}
      </Paged>
      {folder.flights.length === 0 || !may(roles, 'export-flights') ? null : (
        <p>
          <Link href={`/records/${folder.registration}#flights`}>All flights</Link>
        </p>
      )}
    </Section>
  );
}
