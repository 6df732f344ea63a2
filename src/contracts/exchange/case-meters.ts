// Meters as they hang in the panel, and what they showed, as readings on the airframe's, engine's and propeller's own basis. Decides nothing.
import { z } from 'zod';
import { hoursFromSeconds, type Hours } from '../../core/quantities/hours';
import { countsAfterExchange, valuesAt } from '../../core/records/meters/dial';
import type { MeterReading } from '../../core/records/meters/meter-reading';
import { HOUR_METERS, type HourMeter } from '../../core/records/meters/meters';
import type { Instant } from '../../core/time/instant';
import { happenedAt, idKey, recordedAt } from './case-parts';
import { hoursSchema } from '../kernel/scalars';

/** A meter in the panel: a first one with what the meters that it counts towards stood at, or one that took another's place. */
export const panelMeter = z
  .strictObject({
    happenedAt,
    recordedAt,
    shown: hoursSchema.describe('what it showed then, h'),
    stands: z
      .partialRecord(z.enum(HOUR_METERS), hoursSchema)
      .optional()
      .describe('for a first one: the meters that it counts towards, and what each stood at then, h'),
    replaces: idKey.optional().describe('for one that took another’s place: the id of that one'),
    lastShown: hoursSchema.optional().describe('what the old one showed when it was taken out, h'),
  })
  .describe('a meter as it hangs in the panel');

export const panelReading = z
  .strictObject({
    happenedAt,
    recordedAt,
    on: idKey.describe('id of the meter in the panel'),
    shown: hoursSchema.describe('what it showed, h'),
  })
  .describe('what a meter in the panel showed');

/** Meters and readings of a panel by their ids. */
export interface Panel {
  readonly panelMeters?: Readonly<Record<string, z.output<typeof panelMeter>>> | undefined;
  readonly panelReadings?: Readonly<Record<string, z.output<typeof panelReading>>> | undefined;
}

interface Counting {
  readonly counts: readonly { readonly meter: HourMeter; readonly offset: number }[];
  readonly recordedAt: Instant;
}
type Problem = { readonly path: readonly string[]; readonly message: string };

const later = (a: Instant, b: Instant): Instant => (a > b ? a : b);

/** What a meter counts towards, followed back through those whose place it took; a problem where that leads nowhere. */
function countingOf(
  id: string,
  meters: NonNullable<Panel['panelMeters']>,
  seen: readonly string[] = [],
): Counting | Problem {
  const path = ['panelMeters', id];
  const meter = meters[id];
  if (meter === undefined || seen.includes(id))
    return { path, message: meter === undefined ? 'names no meter of the panel' : 'takes its own place' };
  const { shown, stands, replaces, lastShown } = meter;
  if (stands !== undefined && replaces === undefined && lastShown === undefined) {
    return {
      recordedAt: meter.recordedAt,
      counts: (Object.entries(stands) as [HourMeter, Hours][]).map(([of, at]) => ({
        meter: of,
        offset: at - shown,
      })),
    };
  }
  if (replaces === undefined || lastShown === undefined || stands !== undefined)
    return {
      path,
      message:
        'expected either what the meters stood at, or which meter it replaces and what that one last showed',
    };
  const before = countingOf(replaces, meters, [...seen, id]);
  if ('message' in before) return before;
  return {
    recordedAt: later(before.recordedAt, meter.recordedAt),
    counts: countsAfterExchange(before, lastShown, shown) as Counting['counts'],
  };
}

/** What cannot be in a panel: a meter without a beginning, a reading on a meter that is not there, or one below zero. */
export function panelProblems({ panelMeters = {}, panelReadings = {} }: Panel): readonly Problem[] {
  const meters = Object.entries(panelMeters).flatMap(([id, { shown }]): readonly Problem[] => {
    const counting = countingOf(id, panelMeters);
    if ('message' in counting) return [counting];
    return valuesAt(counting, shown) === null
      ? [{ path: ['panelMeters', id, 'shown'], message: 'would take a meter below zero' }]
      : [];
  });
  const readings = Object.entries(panelReadings).flatMap(([id, { on, shown }]): readonly Problem[] => {
    if (panelMeters[on] === undefined)
      return [{ path: ['panelReadings', id, 'on'], message: `the case has no panel meter '${on}'` }];
    const counting = countingOf(on, panelMeters);
    return 'counts' in counting && valuesAt(counting, shown) === null
      ? [{ path: ['panelReadings', id, 'shown'], message: 'would take a meter below zero' }]
      : [];
  });
  return [...meters, ...readings];
}

/** Every reading that a panel gives: what each meter showed when it was put in, and whenever it was read. */
export function readingsOfPanel({ panelMeters = {}, panelReadings = {} }: Panel): readonly MeterReading[] {
  const seen = [
    ...Object.entries(panelMeters).map(([id, one]) => ({ id, on: id, ...one })),
    ...Object.entries(panelReadings).map(([id, one]) => ({ id, ...one })),
  ];
  return seen.flatMap(({ id, on, shown, happenedAt: at, recordedAt: written }): readonly MeterReading[] => {
    const counting = countingOf(on, panelMeters);
    if ('message' in counting) return [];
    return (valuesAt(counting, shown) ?? []).map(({ meter, value }): MeterReading => ({
      // What a reading says rests on the meter's own record too.
      id: `${id}.${meter}`,
      meter: meter as HourMeter,
      value: hoursFromSeconds(value),
      happenedAt: at,
      recordedAt: later(written, counting.recordedAt),
    }));
  });
}

/** The readings that a struck entry of a panel leaves without ground: its own, and those of a meter that stands on it. */
export function readingsStruckWith(panel: Panel, record: string): readonly string[] {
  const { panelMeters = {} } = panel;
  const rests = (id: string, seen: readonly string[] = []): boolean =>
    id === record
    || (!seen.includes(id)
      && panelMeters[id]?.replaces !== undefined
      && rests(panelMeters[id].replaces, [...seen, id]));
  const on = {
    ...Object.fromEntries(Object.keys(panelMeters).map((id) => [id, id])),
    ...Object.fromEntries(Object.entries(panel.panelReadings ?? {}).map(([id, one]) => [id, one.on])),
  };
  return readingsOfPanel(panel)
    .map(({ id }) => id)
    .filter((id) => {
      const own = id.slice(0, id.lastIndexOf('.'));
      return own === record || rests(on[own] ?? own);
    });
}
