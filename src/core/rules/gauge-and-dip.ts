import { ALL_USES } from '../envelope/use-set';
import type { Volume } from '../quantities/volume';
import { volume } from '../quantities/volume';
import { latestAll } from '../records/facts';
import type { Instant } from '../time/instant';
import { ANYBODY, constraint, remedy, MECHANICS, type Constraint } from './parts/constraint';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
/** How far a gauge may be from the dip: the display rounds, and a tank a hair below full is a gallon. Common practice, no source. */
export const GAUGE_TOLERANCE: Volume = volume('1', 'US gal');

/** True for a moment after the earlier of two and before the later. */
const isBetween = (at: Instant, one: Instant, other: Instant): boolean =>
  at > Math.min(one, other) && at < Math.max(one, other);

/** The gauge remembered in the cockpit, compared with the dip of the same tank. */
export const gaugeAndDip = rule({
  id: 'gauge-and-dip',
  title: 'Gauge against dip',
  source,
  explanation:
    'No practitioner trusts a gauge on its own. Where a tank’s gauge and its dip differ by more than the tolerance, one of them is wrong, and nobody flies until it is known which.',
  judge: (facts) => {
    const { ramp, aircraft } = facts;
    if (ramp === null) return NOT_ASKED;
    const changes = [
      ...ramp.uplifts.filter(({ what }) => what === 'fuel').map(({ happenedAt }) => happenedAt),
      ...facts.flightsOut.flatMap(({ returned }) => (returned === null ? [] : [returned.at])),
    ];
    const tanks = aircraft.particulars.fuel?.tanks ?? [];
    return result(
      tanks.flatMap(({ id: tank }): readonly Constraint[] => {
        const of = (quantity: 'fuel-gauge' | 'fuel-dip') =>
          latestAll(ramp.measurements.filter((one) => one.quantity === quantity && one.which === tank));
        const [apart] = of('fuel-gauge')
          .flatMap((gauge) => of('fuel-dip').map((dip) => ({ gauge, dip })))
          // Fuelled or flown between the two, they say nothing of each other.
          .filter(({ gauge, dip }) => !changes.some((at) => isBetween(at, gauge.happenedAt, dip.happenedAt)))
          .sort((a, b) => Math.abs(b.gauge.value - b.dip.value) - Math.abs(a.gauge.value - a.dip.value));
        if (apart === undefined || Math.abs(apart.gauge.value - apart.dip.value) <= GAUGE_TOLERANCE)
          return [];
        const { gauge, dip } = apart;
        return [
          constraint({
            key: tank,
            certainty: 'failed',
            source,
            reason: {
              code: 'gauge-differs',
              tank,
              gauge: gauge.value as Volume,
              dip: dip.value as Volume,
              tolerance: GAUGE_TOLERANCE,
            },
            records: [gauge.id, dip.id],
            closes: ALL_USES,
            remedies: [
              remedy('measure', ANYBODY, `fuel ${tank}`),
              remedy('repair-and-return-to-service', MECHANICS, `gauge ${tank}`),
            ],
            condition: true,
          }),
        ];
      }),
    );
  },
});
