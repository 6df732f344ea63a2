import { ALL_USES } from '../envelope/use-set';
import type { Interval } from '../records/maintenance/interval';
import { constraint, remedy, MECHANICS } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.409(d)' } as const;
/** The whole aircraft within each 12 calendar months. Source: 14 CFR 91.409(d) (from memory). */
const MONTHS = 12;
const DAYS = 365;

/** A progressive programme stands in for annual and 100-hour inspections only with its segments on record; each is judged among the items. */
export const progressiveProgramme = rule({
  id: 'progressive-programme',
  title: 'Progressive inspection programme',
  source,
  explanation:
    'An aircraft on an approved progressive programme has no annual and no 100-hour inspection: the programme’s segments, each with its own interval, stand in for them. Its segments together inspect the whole aircraft within each 12 calendar months: one by hours alone, or of a longer time, is no such programme. Without segments on record it has no inspection at all, and does not fly.',
  judge: ({ aircraft, items }) => {
    if (aircraft.particulars.programme !== 'progressive') return result([]);
    const segments = (items ?? []).filter(
      ({ signedAs, uses }) => signedAs === 'progressive-segment' && uses === null,
    );
    const made = {
      certainty: 'unknown',
      source,
      closes: ALL_USES,
      remedies: [remedy('record-items', MECHANICS)],
      permitMayCover: true,
    } as const;
    if (segments.length === 0)
      return result(
        [constraint({ ...made, key: 'segments', reason: { code: 'programme-segments-unknown' } })],
        ['items (progressive-segment)'],
      );
    // A segment that may stay away longer than a year leaves a part of the aircraft uninspected for longer than that.
    return result(
      segments
        .filter(({ interval }) => !isWithinAYear(interval))
        .map(({ id, name }) =>
          constraint({
            ...made,
            remedies: [remedy('record-items', MECHANICS, id)],
            key: `segment.${id}`,
            certainty: 'failed',
            reason: { code: 'programme-not-complete', name },
            records: [id],
          }),
        ),
    );
  },
});

/** True where an interval ends within 12 calendar months, whatever its meters say. */
function isWithinAYear({ months, monthsToTheDay, days }: Interval): boolean {
  return (
    (months !== null && months <= MONTHS)
    || (monthsToTheDay !== null && monthsToTheDay <= MONTHS)
    || (days !== null && days <= DAYS)
  );
}
