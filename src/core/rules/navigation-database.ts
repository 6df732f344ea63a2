import type { UseSet } from '../envelope/use-set';
import type { KnownFacts } from '../records/facts';
import type { Database } from '../records/aircraft/elt';
import { addDays, type CivilDate } from '../time/civil-date';
import { endOfDay, startOfDay } from '../time/zone';
import { constraint, from, remedy, PILOT_OR_MECHANIC, RECORDED, type RuleResult } from './parts/constraint';
import { judgeReliance } from './parts/ifr-reliance';
import { rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
/** An aeronautical information cycle. */
const CYCLE_DAYS = 28;
const update = remedy('update-database', PILOT_OR_MECHANIC);

/** From when and to which day a database is current: no longer than a cycle, whatever last day somebody read off it. */
function cycleOf({
  id,
  effectiveOn,
  lastDay,
}: Database): readonly { readonly id: string; readonly first: CivilDate | null; readonly last: CivilDate }[] {
  const ends = [
    ...(lastDay === null ? [] : [lastDay]),
    ...(effectiveOn === null ? [] : [addDays(effectiveOn, CYCLE_DAYS - 1)]),
  ].sort();
  return ends[0] === undefined ? [] : [{ id, first: effectiveOn, last: ends[0] }];
}

function currency({ databases, place }: KnownFacts, closes: UseSet): RuleResult {
  const [newest, before] = databases
    .filter(({ content }) => content === 'navigation')
    .flatMap(cycleOf)
    .sort((a, b) =>
      a.last < b.last ? 1 : a.last > b.last ? -1 : (a.first ?? '') < (b.first ?? '') ? 1 : -1,
    );
  if (newest === undefined)
    return {
      constraints: [
        constraint({
          key: 'navigation',
          certainty: 'unknown',
          source,
          reason: { code: 'database-unknown' },
          closes,
          remedies: [update],
        }),
      ],
      missing: ['databases (navigation)'],
    };
  const made = { certainty: 'failed', source, closes, remedies: [update] } as const;
  const constraints = [
    constraint({
      ...made,
      key: 'navigation',
      reason: { code: 'database-expires', lastDay: newest.last },
      records: [newest.id],
      begins: from(endOfDay(newest.last, place.zone)),
    }),
  ];
  const { first } = newest;
  // The next cycle is often loaded some days before it takes effect; until then the one before it has to be current.
  const gapFrom = before === undefined ? RECORDED : from(endOfDay(before.last, place.zone));
  if (first !== null && (before === undefined || addDays(before.last, 1) < first)) {
    constraints.push(
      constraint({
        ...made,
        key: 'not-yet',
        reason: { code: 'database-not-yet', effectiveOn: first },
        records: [newest.id, ...(before === undefined ? [] : [before.id])],
        begins: gapFrom,
        ends: startOfDay(first, place.zone),
      }),
    );
  }
  return { constraints, missing: [] };
}

/** The navigation database, in its 28-day cycle, for instrument flight that relies on it. Acknowledging it on the screen does not make it current. */
export const navigationDatabase = rule({
  id: 'navigation-database',
  title: 'Navigation database',
  source,
  explanation:
    'Instrument flight that relies on the navigation database needs one whose 28-day cycle has begun and not run out. An expired one stays good for visual flight; obstacle and terrain data have their own dates and restrict nothing.',
  ...judgeReliance({ only: 'satellite-only', says: 'reliesOnDatabase', source, find: currency }),
});
