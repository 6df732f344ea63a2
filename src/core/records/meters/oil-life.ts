import { hoursFromSeconds, type Hours } from '../../quantities/hours';
import type { Doing } from '../maintenance/interval';
import type { FuelStretch } from '../maintenance/maintenance-item';
import type { Standing } from './meter-reading';

/** Where the oil stands: the engine time at which its life is used up, and the time that went into it by grade of fuel. */
export interface OilLife {
  readonly dueAt: Hours;
  readonly leaded: Hours;
  readonly unleaded: Hours;
  /** Engine time that no stretch covers: it counts as leaded. */
  readonly unsaid: Hours;
}

/**
 * The oil's life as a sum of damage: an hour on leaded fuel takes 1/`leaded` of it, an hour on unleaded 1/`unleaded`. What is not
 * said burns as leaded, the time to come as well, since nobody knows what will be taken on. Null without the reading at the
 * change, or where the engine's meter is not known. Common practice, no source.
 * @param life seconds of engine time that each grade alone allows
 */
export function burntLife(
  last: Pick<Doing, 'readings'>,
  life: { readonly leaded: number; readonly unleaded: number },
  stretches: readonly FuelStretch[],
  engine: Standing,
): OilLife | null {
  const changedAt = last.readings.find(({ meter }) => meter === 'engine')?.value;
  if (changedAt === undefined || engine.state !== 'known') return null;
  const now = Math.max(engine.value, changedAt);
  // Each second since the change has one grade: of overlapping stretches the worse one counts.
  const edges = [
    ...new Set([
      changedAt,
      now,
      ...stretches.flatMap(({ fromReading, toReading }) => [fromReading, toReading]),
    ]),
  ]
    .filter((at) => at >= changedAt && at <= now)
    .sort((a, b) => a - b);
  const spent = { leaded: 0, unleaded: 0, unsaid: 0 };
  for (const [index, start] of edges.entries()) {
    const end = edges[index + 1];
    if (end === undefined) break;
    const grades = stretches
      .filter(({ fromReading, toReading }) => fromReading <= start && toReading >= end)
      .map(({ grade }) => grade);
    const grade =
      grades.length === 0 || grades.includes(null)
        ? 'unsaid'
        : grades.includes('leaded')
          ? 'leaded'
          : 'unleaded';
    spent[grade] += end - start;
  }
  // In products, so that no fraction is rounded before the end: spent/leaded + spent/unleaded <= 1.
  const left = life.leaded - spent.leaded - spent.unsaid - (spent.unleaded * life.leaded) / life.unleaded;
  return {
    dueAt: hoursFromSeconds(Math.max(0, Math.floor(now + left))),
    leaded: hoursFromSeconds(spent.leaded),
    unleaded: hoursFromSeconds(spent.unleaded),
    unsaid: hoursFromSeconds(spent.unsaid),
  };
}
