'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useQuery } from '@tanstack/react-query';
import type { OtherTime, Ways } from '@/queries/flights/ways';
import { ask } from '../data/fetching';
import { PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Coming } from '../shell/coming';

/** Where the flight is moved on the Flights page, with what was chosen filled in: nothing is changed before somebody saves it. */
const moving = (flightId: string, day: string, to: Readonly<Record<string, string>>): string =>
  `/flights#${new URLSearchParams({ day, flight: flightId, ...to }).toString()}`;

const toTime = ({ date, starts, ends, airborne }: OtherTime) => ({
  on: date,
  at: starts,
  until: ends,
  air: airborne,
});

function Found({ ways, flightId, day }: { ways: Ways; flightId: string; day: string }) {
  const { acts, others, times } = ways;
  if (acts.length + others.length + times.length === 0)
    return (
      <p>
        No act, no other aircraft and no other time within a day would let it go as it is planned. Change what
        the flight asks for, or its day.
      </p>
    );
  return (
    <Stack spacing={1.5} sx={{ fontSize: 14 }}>
      {others.length === 0 ? null : (
        <section aria-label="Another aircraft">
          <b>Another aircraft</b>
          <PlainList>
            {others.map(({ aircraftId, registration, typeName, why }) => (
              <li key={aircraftId}>
                <Link href={moving(flightId, day, { to: aircraftId })} className="figure">
                  {registration}
                </Link>{' '}
                {typeName}: {why}
              </li>
            ))}
          </PlainList>
        </section>
      )}
      {times.length === 0 ? null : (
        <section aria-label="Another time">
          <b>Another time in this aircraft</b>
          <PlainList>
            {times.map((time) => (
              <li key={time.kind}>
                <Link href={moving(flightId, day, toTime(time))}>{time.words}</Link>
              </li>
            ))}
          </PlainList>
        </section>
      )}
      {acts.length === 0 ? null : (
        <section aria-label="Acts">
          <b>{acts.length === 1 ? 'What opens it' : 'What opens it, the least first'}</b>
          <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
            {acts.map((act) => (
              <li key={act}>{act}</li>
            ))}
          </Box>
        </section>
      )}
    </Stack>
  );
}

/** What would let a planned flight go: another aircraft, another time, or acts. @param day of the flight, as the Flights page has it */
export function WaysOut({ flightId, day }: { readonly flightId: string; readonly day: string }) {
  const { data, error, refetch } = useQuery({
    queryKey: ['plan', 'ways', flightId],
    queryFn: () => ask('GET /api/flights/[flight]/ways', { params: { flight: flightId } }),
    retry: 1,
  });
  if (data === undefined) return <Coming query={{ error, refetch }} what="what would let it go" />;
  return data.answer === 'yes' ? (
    <p>It can go as it is planned now.</p>
  ) : (
    <Found ways={data} flightId={flightId} day={day} />
  );
}
