import { ALL_USES } from '../envelope/use-set';
import { constraint, lift, MECHANICS } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.409(d)' } as const;

/** A progressive programme stands in for annual and 100-hour inspections only with its segments on record; each is judged among the items. */
export const progressiveProgramme = rule({
  id: 'progressive-programme',
  title: 'Progressive inspection programme',
  source,
  explanation: 'An aircraft on an approved progressive programme has no annual and no 100-hour inspection: the programme’s segments, each with its own interval, stand in for them. Without segments on record it has no inspection at all, and does not fly.',
  judge: ({ aircraft, items }) => {
    if (aircraft.particulars.programme !== 'progressive') return result([]);
    const segments = (items ?? []).filter(({ signedAs, interval, uses }) => signedAs === 'progressive-segment' && uses === null && (interval.months !== null || interval.monthsToTheDay !== null || interval.days !== null || interval.meters.length > 0));
    if (segments.length > 0) return result([]);
    return result([constraint({ key: 'segments', certainty: 'unknown', source, reason: { code: 'programme-segments-unknown' }, closes: ALL_USES, lifts: [lift('record-items', MECHANICS)], permitMayCover: true })], ['items (progressive-segment)']);
  },
});
