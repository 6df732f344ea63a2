import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import type { Json } from '@/contracts/merge-patch';
import { sameUses } from '../envelope/use-set';
import { hours, hoursFromSeconds } from '../quantities/hours';
import { METER_NAMES, type Meter, type MeterValues } from '../records/meters';
import { adds, UNSAID, type PlannedFlight } from '../records/planned-flight';
import { addSeconds, instant, instantText, type Instant } from '../time/instant';
import { decidePrepared } from './decide';
import { answerFlight, flownAfter, inOrder, NOTHING_FLOWN } from './planned-flight';
import { prepare, type Prepared } from './prepare';
import { timeline } from './timeline';

const DAY = 86_400;
const flight = (id: string, starts: Instant, seconds: number, airborne: number, change: Partial<PlannedFlight> = {}): PlannedFlight => ({
  id, starts, ends: addSeconds(starts, seconds), airborne: hoursFromSeconds(airborne), purpose: 'instruction-school-aircraft', crew: 'dual', rules: 'vfr', range: 'local', light: null, transponderAirspace: false, broadcastAirspace: false,
  beyondGlideOverWater: false, passengers: false, ...UNSAID, landings: 2, ...change,
});

/** The meters at a moment, every flight flown that has ended by then. */
function metersAt(prepared: Prepared, flights: readonly PlannedFlight[], from: Instant, at: Instant): MeterValues {
  const values: { -readonly [M in Meter]: number | null } = { ...prepared.meters };
  for (const one of flights) if (one.ends > from && one.ends <= at) for (const meter of METER_NAMES) { const value = values[meter]; values[meter] = value === null ? null : value + adds(one)[meter]; }
  return values;
}

const RICH: Json = {
  aircraft: { registration: 'N02TB' },
  meterReadings: { landings: { meter: 'landings', happenedAt: '2026-11-23T21:10:00Z', recordedAt: '2026-11-23T21:12:00Z', value: 11_900 }, engine: { meter: 'engine', happenedAt: '2026-11-23T21:10:00Z', recordedAt: '2026-11-23T21:12:00Z', value: 1054 } },
  items: {
    gear: { recordedAt: '2020-01-01T00:00:00Z', name: 'Gear bolt', kind: 'life-limit', interval: { counts: [{ meter: 'landings', every: 12_000 }] }, done: { a: { recordedAt: '2020-01-01T20:00:00Z', completedOn: '2020-01-01', readings: { counts: { landings: 0 } }, signedBy: { name: 'W', certificate: { kind: 'repair-station', number: 'R', validFrom: '2000-01-01', validUntil: 'no-expiry' } } } } },
    service: { recordedAt: '2020-01-01T00:00:00Z', name: 'Service', kind: 'service', interval: { months: 4, hours: [{ meter: 'engine', every: 50 }] }, overrun: { meter: 'engine', by: 5 }, uses: [{ range: ['abroad', 'cross-country'] }], done: { a: { recordedAt: '2026-10-02T20:00:00Z', completedOn: '2026-10-02', readings: { hours: { engine: 1040 } }, signedBy: { name: 'W', certificate: { kind: 'repair-station', number: 'R', validFrom: '2000-01-01', validUntil: 'no-expiry' } } } } },
  },
  tightenings: { wind: { happenedAt: '2026-11-24T10:00:00Z', recordedAt: '2026-11-24T10:01:00Z', by: 'M', why: 'wind', uses: [{ crew: ['student-solo'] }], until: '2026-12-03T12:00:00Z' }, two: { happenedAt: '2026-11-24T10:00:00Z', recordedAt: '2026-11-24T10:01:00Z', by: 'M', why: 'soft grass', cap: { quantity: 'persons', bound: 'at-most', value: 3 }, until: '2026-12-05T12:00:00Z' } },
  permits: { p: { recordedAt: '2026-11-24T10:00:00Z', number: 'P', registrationShown: 'N02TB', validFrom: '2027-03-20', validUntil: '2027-04-20', aboard: true, untilTimeInService: 4300, safeForFlight: { on: '2026-11-24', by: { name: 'T', certificate: { kind: 'mechanic-airframe-powerplant', number: 'A', validFrom: '2000-01-01', validUntil: 'no-expiry' } } } } },
};

describe('the timeline', () => {
  const { facts, packs, asOf } = cleanCase(RICH);
  const prepared = prepare(facts, packs, asOf);
  const until = addSeconds(asOf, 400 * DAY);

  it('agrees with pointwise decisions at random moments, and a second either side of each change', () => {
    const plans = fc.array(fc.record({ day: fc.integer({ min: 0, max: 390 }), hour: fc.integer({ min: 0, max: 20 }), lasts: fc.integer({ min: 1800, max: 9000 }), share: fc.integer({ min: 20, max: 100 }), landings: fc.integer({ min: 1, max: 8 }) }), { maxLength: 120 });
    fc.assert(fc.property(plans, fc.array(fc.integer({ min: 0, max: 400 * DAY }), { minLength: 12, maxLength: 12 }), (planned, moments) => {
      const flights = planned.map(({ day, hour, lasts, share, landings }, at) => flight(`f${at}`, addSeconds(asOf, day * DAY + hour * 3600), lasts, Math.floor((lasts * share) / 100), { landings }));
      const { changes } = timeline(prepared, flights, asOf, until);
      const asked = [asOf, ...moments.map((seconds) => addSeconds(asOf, seconds)), ...changes.flatMap(({ at }) => [at, (at - 1) as Instant])].filter((at) => at >= asOf && at <= until);
      for (const at of asked) {
        const pointwise = decidePrepared(prepared, null, at, metersAt(prepared, flights, asOf, at));
        const latest = changes.filter((change) => change.at <= at).at(-1);
        const ours = latest ?? { verdict: decidePrepared(prepared, null, asOf).verdict, open: decidePrepared(prepared, null, asOf).open };
        expect([instantText(at), ours.verdict, sameUses(ours.open, pointwise.open)]).toEqual([instantText(at), pointwise.verdict, true]);
      }
      for (const [index, change] of changes.entries()) {
        const before = index === 0 ? decidePrepared(prepared, null, asOf) : changes[index - 1];
        expect(before?.verdict !== change.verdict || !sameUses(change.open, before.open)).toBe(true);
      }
    }), { numRuns: 40 });
  });

  it('says of each flight what a decision at its start says', () => {
    const flights = Array.from({ length: 60 }, (_, at) => flight(`f${at}`, addSeconds(asOf, (at + 1) * 3 * DAY), 7200, 5400));
    const { flights: answers } = timeline(prepared, flights, asOf, until);
    let flown = NOTHING_FLOWN;
    for (const one of inOrder(flights)) {
      const meters = metersAt(prepared, flights, asOf, one.starts);
      const decision = decidePrepared(prepared, null, one.starts, meters);
      const whole = answerFlight(prepared, decision, one);
      const ours = answers.find((answer) => answer.flight === one.id);
      expect([one.id, [...(ours?.closedBy ?? [])].sort()]).toEqual([one.id, [...whole.closedBy].sort()]);
      expect([...(ours?.outruns ?? [])].map(({ constraint, by }) => [constraint.id, by]).sort()).toEqual(whole.outruns.map(({ constraint, by }) => [constraint.id, by]).sort());
      flown = flownAfter(flown, one);
    }
    expect(answers.some(({ outruns }) => outruns.length > 0)).toBe(true);
  });

  it('names the flight that trips a limit, the limit, and by how much', () => {
    const base = cleanCase({ meterReadings: { today: { value: 4206 } } });
    const at = (hour: number) => addSeconds(base.asOf, hour * 3600);
    const { changes, flights } = timeline(prepare(base.facts, base.packs, base.asOf), [flight('b', at(5), 7200, 5400), flight('a', at(1), 7200, 5400)], base.asOf, at(48));
    expect(flights.map(({ flight: id, outruns }) => [id, outruns.map(({ constraint, by }) => [constraint.id, by])])).toEqual([['a', []], ['b', [['hundred-hour-inspection/due', hours('0.3')]]]].map(([id, outruns]) => [id, outruns]));
    expect(changes.map(({ flight: id, verdict, at: moment }) => [id, verdict, moment])).toEqual([['b', 'Grounded', addSeconds(at(5), 7200)]]);
    expect(changes[0]?.began).toContain('hundred-hour-inspection/due');
  });
  it('changes exactly at local midnight, over the time change too', () => {
    const base = cleanCase({ clubPapers: { insurance: { validUntil: '2026-11-30' } } });
    const { changes } = timeline(prepare(base.facts, base.packs, base.asOf), [], base.asOf, instant('2027-03-20T00:00:00Z'));
    expect(changes.map(({ at }) => instantText(at))).toEqual(['2026-12-01T04:00:00Z']);
  });
  it('a flight that ends exactly at a limit leaves nothing, and is no outrun', () => {
    const base = cleanCase({ meterReadings: { today: { value: 4207.2 } } });
    const { changes, flights } = timeline(prepare(base.facts, base.packs, base.asOf), [flight('a', addSeconds(base.asOf, 3600), 7200, 5400)], base.asOf, addSeconds(base.asOf, DAY));
    expect([flights[0]?.outruns, changes[0]?.verdict]).toEqual([[], 'Grounded']);
  });
  it('refuses a start before the facts were known', () => { expect(() => timeline(prepared, [], addSeconds(asOf, -1), until)).toThrow('before'); });
});
