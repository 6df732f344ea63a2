import { ALL_USES, overlaps, usesInAny, type UseSet } from '../envelope/use-set';
import { isWithoutEngine } from '../records/aircraft/aircraft';
import { lastReturn, latestAll, type KnownFacts } from '../records/facts';
import type { PlannedFlight } from '../records/flights/planned-flight';
import {
  areGapsOfAircraft,
  QUANTITIES,
  type MeasureLimit,
  type Measurement,
} from '../records/walkround/measurement';
import { civilDateAt, endOfDay } from '../time/zone';
import { isOutside } from '../walkround/judge';
import {
  ANYBODY,
  constraint,
  from,
  remedy,
  MECHANICS,
  PILOT_OR_MECHANIC,
  RECORD_KEEPER,
  type Act,
  type Constraint,
  type Entitled,
} from './parts/constraint';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'approved-documents' } as const;

function remedyOf(
  { quantity, remedy, max }: MeasureLimit,
  value: number | null,
): { readonly act: Act; readonly by: Entitled } {
  if (remedy === 'mechanic') return { act: 'service-measured-item', by: MECHANICS };
  if (quantity === 'oil')
    return {
      act: value !== null && max !== null && value > max ? 'remove-oil' : 'add-oil',
      by: PILOT_OR_MECHANIC,
    };
  if (quantity === 'fuel-dip') return { act: 'add-fuel', by: ANYBODY };
  return { act: 'service-measured-item', by: PILOT_OR_MECHANIC };
}

/** The difference between the drops of the two ignitions, as a measurement of the moment at which both were known. */
function dropDifference(measurements: readonly Measurement[]): readonly Measurement[] {
  const of = (which: string) =>
    latestAll(measurements.filter((one) => one.quantity === 'ignition-drop' && one.which === which));
  return of('left').flatMap((left) =>
    of('right').map((right): Measurement => ({
      id: left.happenedAt > right.happenedAt ? left.id : right.id,
      happenedAt: left.happenedAt > right.happenedAt ? left.happenedAt : right.happenedAt,
      recordedAt: left.recordedAt > right.recordedAt ? left.recordedAt : right.recordedAt,
      quantity: 'ignition-difference',
      which: null,
      value: Math.abs(left.value - right.value),
    })),
  );
}

/**
 * What a limit is held against: for one that names which, that one; for one that names none, each of several
 * that has no limit of its own, by its newest figure. A figure of before that names none counts until one
 * that names it is newer.
 */
function newestOfEach(facts: KnownFacts, limit: MeasureLimit): readonly Measurement[] {
  const measurements = facts.ramp?.measurements.filter(({ quantity }) => quantity === limit.quantity) ?? [];
  const of = (which: string | null) => latestAll(measurements.filter((one) => one.which === which));
  // Fuel and oil are one amount: what is in one tank says nothing of it.
  if (limit.which !== null || QUANTITIES[limit.quantity] === 'pL') return of(limit.which);
  const own = facts.aircraft.particulars.measured
    .filter(({ quantity }) => quantity === limit.quantity)
    .map(({ which }) => which);
  const named = [...new Set(measurements.map(({ which }) => which))].filter(
    (which) => which !== null && !own.includes(which),
  );
  const unnamed = of(null);
  const before = unnamed[0]?.happenedAt ?? Number.NEGATIVE_INFINITY;
  const each = named.flatMap(of).filter(({ happenedAt }) => happenedAt >= before);
  return each.some(({ happenedAt }) => happenedAt > before) ? each : [...each, ...unnamed];
}

/**
 * The latest measurement of a thing; of several of one moment, or of several things under one limit, one that
 * is outside, otherwise the oldest. Oil that was added since is added to what was seen where that takes it
 * over the maximum: nobody looked again, and too much is no better than too little.
 */
function latest(facts: KnownFacts, limit: MeasureLimit): Measurement | null {
  if (facts.ramp === null) return null;
  const all = [
    ...newestOfEach(facts, limit),
    ...(limit.quantity === 'ignition-difference' ? dropDifference(facts.ramp.measurements) : []),
  ].sort((a, b) => a.happenedAt - b.happenedAt);
  const newest = latestAll(all);
  // The difference is that of the newest drops, or as somebody read it since.
  const held = limit.quantity === 'ignition-difference' ? newest : all;
  const measured = held.find(({ value }) => isOutside(value, limit)) ?? held[0] ?? null;
  if (measured === null || limit.quantity !== 'oil' || limit.max === null) return measured;
  const added = facts.ramp.uplifts
    .filter(({ what, happenedAt }) => what === 'oil' && happenedAt >= measured.happenedAt)
    .reduce((sum, one) => sum + one.added, 0);
  return added > 0 && measured.value + added > limit.max
    ? { ...measured, value: measured.value + added }
    : measured;
}

/** Oil is looked at before every flight, no matter who wrote down its limits. */
const isForEveryFlight = ({ everyFlight, quantity }: MeasureLimit): boolean =>
  everyFlight || quantity === 'oil';
const closedBy = ({ uses }: MeasureLimit): UseSet => (uses === null ? ALL_USES : usesInAny(uses));
/** Two limits on one thing (visual and instrument flight) are told apart by their figures. */
const keyOf = ({ quantity, which, min, max }: MeasureLimit): string =>
  `${quantity}.${which ?? ''}.${min ?? ''}.${max ?? ''}`;

const OIL_LIMITS_UNKNOWN = constraint({
  key: 'oil-limits',
  certainty: 'unknown',
  source,
  reason: { code: 'particular-unknown', what: 'oil-limits' },
  closes: ALL_USES,
  remedies: [remedy('record-particulars', RECORD_KEEPER, 'oil-limits')],
});

const notMeasured = (limit: MeasureLimit, closes: UseSet): Constraint =>
  constraint({
    key: keyOf(limit),
    certainty: 'unknown',
    source,
    reason: { code: 'not-measured', quantity: limit.quantity, which: limit.which },
    closes,
    remedies: [remedy('measure', ANYBODY, `${limit.quantity} ${limit.which ?? ''}`.trim())],
    condition: true,
  });

/** What a flight waits for, where what is missing is no gap of the aircraft itself: measured neither since the last flight nor on its day. */
function gapsForFlight(facts: KnownFacts, { starts }: PlannedFlight, needs: UseSet): readonly Constraint[] {
  const {
    ramp,
    aircraft,
    place: { zone },
  } = facts;
  if (ramp?.gaps !== 'for-flights') return [];
  const limits = aircraft.particulars.measured;
  const flown = lastReturn(facts);
  return [
    ...(isWithoutEngine(aircraft) || limits.some(({ quantity }) => quantity === 'oil')
      ? []
      : [OIL_LIMITS_UNKNOWN]),
    ...limits.filter(isForEveryFlight).flatMap((limit) => {
      const measured = latest(facts, limit);
      const isFresh =
        measured !== null
        && (flown === null || flown <= measured.happenedAt)
        && civilDateAt(measured.happenedAt, zone) >= civilDateAt(starts, zone);
      return isFresh || !overlaps(closedBy(limit), needs) ? [] : [notMeasured(limit, closedBy(limit))];
    }),
  ];
}

/** What was measured on the ramp against the aircraft's own limits: oil, fuel, tyres, struts, volts, belt, ignition drops. */
export const measuredLimits = rule({
  id: 'measured-limits',
  title: 'What was measured on the ramp',
  source,
  explanation:
    'Each thing that is measured before flight has its limits in the aircraft’s handbook, for all flights or only for some: oil for instrument flight may be higher. Below or above them is a step before flight where topping up or servicing helps, and a job for a mechanic where it does not. Once the walk-round is part of the question, what has to be measured before each flight and was not counts as outside; so does the oil of an engine whose limits nobody has put on record.',
  judge: (facts) => {
    const { ramp, aircraft } = facts;
    if (ramp === null) return NOT_ASKED;
    const missing: string[] = [];
    const constraints: Constraint[] = [];
    const { particulars } = aircraft;
    const asked = areGapsOfAircraft(ramp);
    if (
      asked
      && !isWithoutEngine(aircraft)
      && !particulars.measured.some(({ quantity }) => quantity === 'oil')
    ) {
      // Every engine has oil: where nobody wrote down how much it needs, looking at it says nothing.
      missing.push('aircraft.measured (oil)');
      constraints.push(OIL_LIMITS_UNKNOWN);
    }
    for (const limit of aircraft.particulars.measured) {
      const { quantity, which, min, max, remedy: helps } = limit;
      const everyFlight = isForEveryFlight(limit);
      const closes = closedBy(limit);
      const measured = latest(facts, limit);
      const key = keyOf(limit);
      // Measured before the last flight, it says nothing about the next one.
      const flown = lastReturn(facts);
      if (measured === null || (everyFlight && flown !== null && flown > measured.happenedAt)) {
        if (!everyFlight || !asked) continue;
        missing.push(`ramp.measurements (${quantity})`);
        constraints.push(notMeasured(limit, closes));
      } else if (isOutside(measured.value, limit)) {
        const { act, by } = remedyOf(limit, measured.value);
        constraints.push(
          constraint({
            key,
            certainty: 'failed',
            source,
            reason: {
              code: 'measured-outside',
              quantity,
              which,
              value: measured.value,
              min,
              max,
              remedy: helps,
            },
            records: [measured.id],
            closes,
            remedies: [remedy(act, by, `${quantity} ${which ?? ''}`.trim())],
            condition: helps !== 'mechanic',
            permitMayCover: helps === 'mechanic',
          }),
        );
      } else if (everyFlight && asked) {
        // It holds for the day on which it was measured.
        constraints.push(
          constraint({
            key: `${key}.day`,
            certainty: 'unknown',
            source,
            reason: { code: 'not-measured', quantity, which },
            records: [measured.id],
            closes,
            begins: from(endOfDay(civilDateAt(measured.happenedAt, facts.place.zone), facts.place.zone)),
            remedies: [remedy('measure', ANYBODY, `${quantity} ${which ?? ''}`.trim())],
            condition: true,
            atStart: true,
          }),
        );
      }
    }
    return result(constraints, missing);
  },
  judgeFlight: (facts, _, flight, needs) => gapsForFlight(facts, flight, needs),
});
