import type { Line } from '@/queries/line';

/** A sentence that needs somebody now. */
export interface Need { readonly id: string; readonly registration: string; readonly tone: 'grounded' | 'restricted'; readonly headline: string; readonly detail: string }

/** At most three, most urgent first: flights of today that cannot go as planned (soonest first), then aircraft on the ground with no flight. */
export function needsNow(line: Line, most = 3): readonly Need[] {
  const flights = line.rows.flatMap((row) => row.flights.filter(({ answer }) => answer === 'no' || answer === 'yes-after').map((flight) => ({ row, flight })))
    .sort((a, b) => a.flight.starts - b.flight.starts);
  const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: line.zone });
  const needs = flights.map(({ row, flight }): Need => {
    const other = line.rows.find((candidate) => candidate.aircraftId !== row.aircraftId && candidate.verdict === 'Released' && candidate.typeName === row.typeName
      && candidate.flights.every(({ starts, ends }) => ends <= flight.starts || starts >= flight.ends));
    return {
      id: flight.id, registration: row.registration, tone: flight.answer === 'no' ? 'grounded' : 'restricted',
      headline: `${time.format(flight.starts)} ${flight.name} in ${row.registration} ${flight.answer === 'no' ? 'cannot go' : 'needs a step first'}`,
      detail: `${flight.words}${other === undefined ? '' : ` ${other.registration} is free then.`}`,
    };
  });
  return needs.slice(0, most);
}
