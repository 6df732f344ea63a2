import { byId, compareTexts } from '../order';
import { ALL_USES } from '../envelope/use-set';
import { signatureFaults } from '../records/club/certificate';
import type { KnownFacts } from '../records/facts';
import type { CivilDate } from '../time/civil-date';
import { civilDateAt, endOfDay } from '../time/zone';
import { constraint, from, remedy, RECORDED, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: 'CAR 1988 Schedule 5 part 1' } as const;
const sign = remedy('sign-daily-inspection', {
  kind: 'certificate',
  anyOf: ['pilot', 'flight-instructor', 'licensed-engineer'],
});

/** The last day on which a daily inspection that counts was certified; one certified for a later day than it was entered does not. */
function lastCertified({
  dailyInspections,
  place,
  authority,
}: KnownFacts): { readonly id: string; readonly on: CivilDate } | null {
  return (
    dailyInspections
      .filter(
        ({ on, recordedAt, signedBy }) =>
          signatureFaults(signedBy, 'daily-inspection', on, authority).length === 0
          && on <= civilDateAt(recordedAt, place.zone),
      )
      .sort((a, b) => compareTexts(b.on, a.on) || byId(a, b))[0] ?? null
  );
}

/** The daily inspection, certified before the first flight of each day by an entitled person; yesterday's does not count today. */
export const dailyInspection = rule({
  id: 'daily-inspection',
  title: 'Daily inspection',
  source,
  explanation:
    'Before the first flight of each day a pilot or licensed engineer inspects the aircraft and certifies it on the maintenance release. It holds to local midnight; unsigned, no flight of that day may go.',
  judge: (facts) => {
    const last = lastCertified(facts);
    const made = (given: Partial<Constraint>) =>
      constraint({
        key: 'day',
        certainty: 'failed',
        source,
        reason: { code: 'daily-inspection-due', lastOn: last?.on ?? null },
        records: last === null ? [] : [last.id],
        closes: ALL_USES,
        remedies: [sign],
        condition: true,
        atStart: true,
        begins: RECORDED,
        ...given,
      });
    if (last === null) return result([made({ certainty: 'unknown' })], ['dailyInspections']);
    return result([made({ begins: from(endOfDay(last.on, facts.place.zone)) })]);
  },
});
