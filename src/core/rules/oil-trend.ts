import { ALL_USES } from '../envelope/use-set';
import { oilPerHour } from '../records/meters/oil-trend';
import { volume, type Volume, type VolumeUnit } from '../quantities/volume';
import { constraint, remedy, MECHANICS } from './parts/constraint';
import { isDealtWith } from './parts/dealt-with';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'club-policy' } as const;

/** A club's limit on oil use, in thousandths of a US quart an hour, from the loosest it may choose to none at all below. */
const UNIT: VolumeUnit = 'US qt';

/** Oil use per hour as a robust slope over the last uplifts, against a limit. */
export const oilTrend = rule({
  id: 'oil-trend',
  title: 'Oil consumption',
  source,
  explanation:
    'Oil added over hours in service gives what the engine uses; the middle of all slopes between uplifts is not moved by one odd entry. Above the club’s limit a mechanic looks before the next flight.',
  judge: (facts, { oilUseLimit }: { readonly oilUseLimit: number }) => {
    const { ramp } = facts;
    if (ramp === null) return NOT_ASKED;
    // After a mechanic has looked, what the engine uses is watched from there on: what was put in before speaks no more.
    const judged = ramp.uplifts.flatMap((one) =>
      one.what === 'oil' && one.timeInService !== null && isDealtWith(one, facts) ? [one.timeInService] : [],
    );
    const from = judged.reduce((latest, at) => Math.max(latest, at), Number.NEGATIVE_INFINITY);
    const use = oilPerHour(
      ramp.uplifts.filter(({ timeInService }) => timeInService !== null && timeInService > from),
    );
    if (use === null) return result([]);
    const limit = volume((oilUseLimit / 1000).toFixed(3), UNIT);
    if (use.perHour <= limit) return result([]);
    return result([
      constraint({
        key: 'use',
        certainty: 'failed',
        source,
        reason: { code: 'oil-use-high', perHour: use.perHour as Volume, limit },
        records: use.records,
        closes: ALL_USES,
        remedies: [remedy('have-trend-looked-at', MECHANICS, 'oil')],
        permitMayCover: true,
      }),
    ]);
  },
});
