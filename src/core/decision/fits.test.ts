import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import { coreFlight } from '@/testing/core-flight';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { addSeconds, instantText } from '../time/instant';
import { decideAtStart, fitsFor } from './fits';
import { prepare } from './prepare';

const { facts, packs, asOf } = cleanCase({});
const prepared = prepare(facts, packs, asOf);
const HOUR = 3600;
const flight = (id: string, startsIn: number, lasts: number, airborne: number) =>
  coreFlight(id, addSeconds(asOf, startsIn), lasts, airborne, {
    purpose: 'private-rental',
    crew: 'rated-pilot',
  });
/** The flight that cannot go, moved or cut in every way by brute force: what fits. */
function everyFit(others: readonly PlannedFlight[], asked: PlannedFlight, from: PreparedOf = prepared) {
  const goes = (one: PlannedFlight) =>
    one.starts >= asOf
    && others.every(({ starts, ends }) => ends <= one.starts || starts >= one.ends)
    && decideAtStart(from, others, one).flight?.answer === 'yes';
  const moved = Array.from({ length: 2 * 288 + 1 }, (_, at) => (at - 288) * 300)
    .filter((by) => by !== 0)
    .map((by) => ({ ...asked, starts: addSeconds(asked.starts, by), ends: addSeconds(asked.ends, by) }))
    .filter(goes);
  const before = moved.filter(({ starts }) => starts < asked.starts);
  const after = moved.filter(({ starts }) => starts > asked.starts);
  return { earlier: before.at(-1)?.starts ?? null, later: after[0]?.starts ?? null };
}
type PreparedOf = typeof prepared;

describe('another time for a flight', () => {
  it('is the nearest that fits on either side, whatever stands in the way: compared with every start of two days', () => {
    const plan = fc.record({
      in: fc.integer({ min: 0, max: 40 }),
      lasts: fc.integer({ min: 1, max: 5 }),
      others: fc.array(fc.integer({ min: 0, max: 60 }), { maxLength: 5 }),
    });
    const dark = prepare(
      cleanCase({
        dispatchRestrictions: {
          night: {
            happenedAt: '2026-11-24T12:00:00Z',
            recordedAt: '2026-11-24T12:00:00Z',
            by: 'desk',
            why: 'no lights on the field',
            uses: [{ light: ['night', 'dusk'] }],
          },
        },
      }).facts,
      packs,
      asOf,
    );
    fc.assert(
      fc.property(plan, fc.boolean(), ({ in: hoursIn, lasts, others: taken }, restricted) => {
        const from = restricted ? dark : prepared;
        const others = taken.map((at, n) => flight(`o${n}`, at * HOUR, HOUR, 1800));
        const asked = flight('asked', hoursIn * HOUR + 300, lasts * HOUR, lasts * 1800);
        const fits = fitsFor(from, others, asked, asOf);
        const start = (kind: string) => fits.find((one) => one.kind === kind)?.flight.starts ?? null;
        const all = everyFit(others, asked, from);
        expect(
          [start('earlier'), start('later')].map((at) => (at === null ? null : instantText(at))),
        ).toEqual([all.earlier, all.later].map((at) => (at === null ? null : instantText(at))));
      }),
      { numRuns: 40 },
    );
  });

  it('is a shorter flight where hours run out, to exactly the hours that are left and no longer', () => {
    const left = decideAtStart(prepared, [], flight('now', HOUR, HOUR, 1800)).firstLimit.hours;
    if (left?.currency !== 'hours') throw new Error('the clean case has a limit in hours ahead');
    // Flights before it leave it one hour.
    const before = flight('before', HOUR, left.left - HOUR, left.left - HOUR);
    const asked = flight('asked', 2 * HOUR + left.left, 2 * HOUR, 1.5 * HOUR);
    const shorter = fitsFor(prepared, [before], asked, asOf).find(({ kind }) => kind === 'shorter');
    expect(shorter?.flight.airborne).toBe(HOUR);
    expect(shorter?.flight.starts).toBe(asked.starts);
    expect(shorter?.flight.ends).toBe(addSeconds(asked.ends, -HOUR / 2));
  });

  it('is none that would take the hours of another flight', () => {
    const left = decideAtStart(prepared, [], flight('now', HOUR, HOUR, 1800)).firstLimit.hours;
    if (left?.currency !== 'hours') throw new Error('the clean case has a limit in hours ahead');
    // It takes all that is left, in the air all the time: before it nobody may fly.
    const other = flight('other', 4 * HOUR, left.left, left.left);
    const asked = flight('asked', 4 * HOUR + left.left, HOUR, 1800);
    expect(fitsFor(prepared, [other], asked, asOf)).toEqual([]);
    // Alone it could go at any time before.
    expect(decideAtStart(prepared, [other], flight('asked', HOUR, HOUR, 1800)).flight?.answer).toBe('yes');
  });

  it('is none where the aircraft is grounded, and none before now', () => {
    const grounded = prepare(
      cleanCase({
        discrepancies: {
          d: { happenedAt: '2026-11-24T12:00:00Z', recordedAt: '2026-11-24T12:00:00Z', what: 'Crack' },
        },
      }).facts,
      packs,
      asOf,
    );
    expect(fitsFor(grounded, [], flight('asked', HOUR, HOUR, 1800), asOf)).toEqual([]);
    // Taken until it would end: only later.
    const busy = [flight('busy', 0, 2 * HOUR, HOUR)];
    expect(fitsFor(prepared, busy, flight('asked', HOUR, HOUR, 1800), asOf).map(({ kind }) => kind)).toEqual([
      'later',
    ]);
  });
});
