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
    const judged = ramp.uplifts.filter((one) => one.what === 'oil' && isDealtWith(one, facts));
    const last = (of: readonly (number | null)[]) =>
      of.reduce<number>((latest, at) => Math.max(latest, at ?? latest), Number.NEGATIVE_INFINITY);
    const [reading, moment] = [
      last(judged.map(({ timeInService }) => timeInService)),
      last(judged.map(({ happenedAt }) => happenedAt)),
    ];
    // By either: a reading that was typed too low hides nothing that was put in since.
    const use = oilPerHour(
      ramp.uplifts.filter(
        ({ timeInService, happenedAt }) =>
          timeInService !== null && (timeInService > reading || happenedAt > moment),
      ),
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
