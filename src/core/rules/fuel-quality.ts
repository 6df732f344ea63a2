import { ALL_USES } from '../envelope/use-set';
import { latestOf } from '../records/facts';
import { ANYBODY, constraint, lift, MECHANICS } from './parts/constraint';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;

/** The latest fuel sample was clean, or there was none in the question. */
export const fuelQuality = rule({
  id: 'fuel-quality',
  title: 'Clean fuel',
  source,
  explanation: 'Water, dirt, or a wrong colour or smell in a fuel sample keeps the aircraft on the ground until a new sample from a clean vessel shows clean fuel.',
  judge: ({ ramp }) => {
    if (ramp === null) return NOT_ASKED;
    const last = latestOf(ramp.samples);
    if (last === null || last.result === 'clean') return result([]);
    return result([constraint({ key: 'clean', certainty: last.result === null ? 'unknown' : 'failed', source, reason: { code: 'sample-not-clean', result: last.result }, records: [last.id], closes: ALL_USES, lifts: [lift('sample-fuel', ANYBODY), lift('repair-and-return-to-service', MECHANICS, 'fuel')], condition: true })]);
  },
});
