import type { Line, LineFlight, LineRow } from '@/queries/aircraft/line';

/** A sentence that needs somebody now. */
export interface Need {
  readonly id: string;
  readonly registration: string;
  readonly tone: 'grounded' | 'restricted';
  readonly headline: string;
  readonly why: string;
  readonly way: string;
}

/** True when an aircraft of the same type stands free, with every use open and hours enough for its own flights and this one. */
function mayTakeIt(candidate: LineRow, row: LineRow, flight: LineFlight): boolean {
  if (
    candidate.aircraftId === row.aircraftId
    || candidate.verdict !== 'Released'
    || candidate.typeName !== row.typeName
  )
    return false;
  if (candidate.holdsUntil !== null && flight.ends > candidate.holdsUntil) return false;
  const planned = candidate.flights.filter(({ answer }) => answer !== 'past');
  const seconds = planned.reduce((sum, { airborneSeconds }) => sum + airborneSeconds, flight.airborneSeconds);
  return (
    (candidate.secondsLeft === null || seconds <= candidate.secondsLeft)
    && candidate.flights.every(({ starts, ends }) => ends <= flight.starts || starts >= flight.ends)
  );
}

/** At most three: flights of today that cannot go as planned, soonest first, each with its nearest remedy. */
export function needsNow(line: Line, most = 3): readonly Need[] {
  const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: line.zone });
  return line.rows
    .flatMap((row) =>
      row.flights
        .filter(({ answer }) => answer === 'no' || answer === 'yes-after')
        .map((flight) => ({ row, flight })),
    )
    .sort((a, b) => a.flight.starts - b.flight.starts)
    .slice(0, most)
    .map(({ row, flight }) => {
      const other = line.rows.find((candidate) => mayTakeIt(candidate, row, flight));
      const remedy = row.reasons[0]?.remedies[0];
      return {
        id: flight.id,
        registration: row.registration,
        tone: flight.answer === 'no' ? ('grounded' as const) : ('restricted' as const),
        headline: `${time.format(flight.starts)} ${flight.name} in ${row.registration} ${flight.answer === 'no' ? 'cannot go' : 'needs a step first'}`,
        why: flight.words,
        way:
          other !== undefined
            ? `${other.registration} stands free then`
            : flight.answer === 'no' && remedy !== undefined
              ? remedy.act
              : '',
      };
    });
}

/** What stands against an aircraft, in short: what closes uses comes first; what is only watched or noted still has to be seen. */
export const against = (row: LineRow): readonly string[] => [
  ...new Set([
    ...row.reasons.map(({ headline }) => headline.replace(/\.$/, '')),
    ...row.openItems.filter((item) => row.reasons.every(({ headline }) => !headline.includes(item))),
  ]),
];
