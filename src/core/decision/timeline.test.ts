import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import type { Json } from '@/contracts/kernel/merge-patch';
import { coreFlight } from '@/testing/core-flight';
import { seatRail } from '@/testing/lesson';
import { RICH } from '@/testing/rich-case';
import { sameUses } from '../envelope/use-set';
import { hours } from '../quantities/hours';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { addSeconds, instant, instantText, type Instant } from '../time/instant';
import { metersAt } from './ahead';
import { decidePrepared } from './decide';
import { answerFlight } from './planned-flight';
import { flownAfter, inOrder, NOTHING_FLOWN } from './flown';
import { prepare } from './prepare';
import { timeline } from './timeline';

const DAY = 86_400;
const flight = coreFlight;

describe('the timeline', () => {
  const { facts, packs, asOf } = cleanCase(RICH);
  const prepared = prepare(facts, packs, asOf);
  const until = addSeconds(asOf, 400 * DAY);

  it('agrees with pointwise decisions at random moments, and a second either side of each change', () => {
    const plans = fc.array(
      fc.record({
        day: fc.integer({ min: 0, max: 390 }),
        hour: fc.integer({ min: 0, max: 20 }),
        lasts: fc.integer({ min: 1800, max: 9000 }),
        share: fc.integer({ min: 20, max: 100 }),
        landings: fc.integer({ min: 1, max: 8 }),
      }),
      { maxLength: 120 },
    );
    fc.assert(
      fc.property(
        plans,
        fc.array(fc.integer({ min: 0, max: 400 * DAY }), { minLength: 12, maxLength: 12 }),
        (planned, moments) => {
          const flights = planned.map(({ day, hour, lasts, share, landings }, at) =>
            flight(
              `f${at}`,
              addSeconds(asOf, day * DAY + hour * 3600),
              lasts,
              Math.floor((lasts * share) / 100),
              { landings },
            ),
          );
          const { changes } = timeline(prepared, flights, asOf, until);
          const asked = [
            asOf,
            ...moments.map((seconds) => addSeconds(asOf, seconds)),
            ...changes.flatMap(({ at }) => [at, (at - 1) as Instant]),
          ].filter((at) => at >= asOf && at <= until);
          for (const at of asked) {
            const pointwise = decidePrepared(prepared, null, at, metersAt(prepared, flights, at));
            const latest = changes.filter((change) => change.at <= at).at(-1);
            const ours = latest ?? {
              verdict: decidePrepared(prepared, null, asOf).verdict,
              open: decidePrepared(prepared, null, asOf).open,
            };
            expect([instantText(at), ours.verdict, sameUses(ours.open, pointwise.open)]).toEqual([
              instantText(at),
              pointwise.verdict,
              true,
            ]);
          }
          for (const [index, change] of changes.entries()) {
            const before = index === 0 ? decidePrepared(prepared, null, asOf) : changes[index - 1];
            expect(before?.verdict !== change.verdict || !sameUses(change.open, before.open)).toBe(true);
            const inForce = (at: Instant) =>
              decidePrepared(prepared, null, at, metersAt(prepared, flights, at)).constraints.map(
                ({ id }) => id,
              );
            const [then, now] = [inForce((change.at - 1) as Instant), inForce(change.at)];
            expect([change.began, change.ended]).toEqual([
              now.filter((id) => !then.includes(id)).toSorted(),
              then.filter((id) => !now.includes(id)).toSorted(),
            ]);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('says of each flight what a decision at its start says', () => {
    const flights = Array.from({ length: 60 }, (_, at) =>
      flight(`f${at}`, addSeconds(asOf, (at + 1) * 3 * DAY), 7200, 5400),
    );
    const { flights: answers } = timeline(prepared, flights, asOf, until);
    let flown = NOTHING_FLOWN;
    for (const one of inOrder(flights)) {
      const meters = metersAt(prepared, flights, one.starts);
      const decision = decidePrepared(prepared, null, one.starts, meters);
      const whole = answerFlight(prepared, decision, one);
      const ours = answers.find((answer) => answer.flight === one.id);
      expect([one.id, [...(ours?.closedBy ?? [])].sort()]).toEqual([one.id, [...whole.closedBy].sort()]);
      expect([...(ours?.exceedances ?? [])].map(({ constraint, by }) => [constraint.id, by]).sort()).toEqual(
        whole.exceedances.map(({ constraint, by }) => [constraint.id, by]).sort(),
      );
      flown = flownAfter(flown, one);
    }
    expect(answers.some(({ exceedances }) => exceedances.length > 0)).toBe(true);
  });

  it('says so too of flights around every boundary: before it, across it, from it on', () => {
    const boundaries = [
      ...new Set(
        prepared.constraints.flatMap(({ constraint: { begins, notBefore, ends } }) => [
          ...(begins.kind === 'instant' ? [begins.at] : []),
          ...(notBefore === null ? [] : [notBefore]),
          ...(ends === null ? [] : [ends]),
        ]),
      ),
    ].filter((at) => at > addSeconds(asOf, DAY) && at < addSeconds(until, -DAY));
    expect(boundaries.length).toBeGreaterThan(3);
    const near = fc.record({
      boundary: fc.constantFrom(...boundaries),
      // Half an hour each, so that flights end and start exactly there as well.
      half: fc.integer({ min: -5, max: 1 }),
      lasts: fc.integer({ min: 1, max: 5 }),
      share: fc.integer({ min: 20, max: 100 }),
      landings: fc.integer({ min: 1, max: 60 }),
    });
    // Enough hours on the way that readings are reached before and after their days.
    const way = fc.integer({ min: 0, max: 60 });
    fc.assert(
      fc.property(fc.array(near, { minLength: 1, maxLength: 8 }), way, (plans, many) => {
        const flights = [
          ...Array.from({ length: many }, (_, at) =>
            flight(`w${at}`, addSeconds(asOf, (at + 1) * 2 * DAY), 7200, 5400),
          ),
          ...plans.map(({ boundary, half, lasts, share, landings }, at) =>
            flight(
              `f${at}`,
              addSeconds(boundary, half * 1800),
              lasts * 1800,
              Math.floor(lasts * 18 * share),
              { landings },
            ),
          ),
        ];
        const { flights: answers } = timeline(prepared, flights, asOf, until);
        for (const one of flights) {
          const meters = metersAt(prepared, flights, one.starts);
          const whole = answerFlight(prepared, decidePrepared(prepared, null, one.starts, meters), one);
          const ours = answers.find((answer) => answer.flight === one.id);
          const said = (list: readonly { constraint: { id: string }; by: number; currency: string }[]) =>
            list.map(({ constraint, by, currency }) => `${constraint.id} ${currency} ${by}`).toSorted();
          expect([one.id, (ours?.closedBy ?? []).toSorted(), said(ours?.exceedances ?? [])]).toEqual([
            one.id,
            whole.closedBy.toSorted(),
            said(whole.exceedances),
          ]);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('names the flight that trips a limit, the limit, and by how much', () => {
    const base = cleanCase({ meterReadings: { today: { value: 4206 } } });
    const at = (hour: number) => addSeconds(base.asOf, hour * 3600);
    const { changes, flights } = timeline(
      prepare(base.facts, base.packs, base.asOf),
      [flight('b', at(5), 7200, 5400), flight('a', at(1), 7200, 5400)],
      base.asOf,
      at(48),
    );
    expect(
      flights.map(({ flight: id, exceedances }) => [
        id,
        exceedances.map(({ constraint, by }) => [constraint.id, by]),
      ]),
    ).toEqual(
      [
        ['a', []],
        ['b', [['hundred-hour-inspection/due', hours('0.3')]]],
      ].map(([id, exceedances]) => [id, exceedances]),
    );
    expect(changes.map(({ flight: id, verdict, at: moment }) => [id, verdict, moment])).toEqual([
      ['b', 'Grounded', addSeconds(at(5), 7200)],
    ]);
    expect(changes[0]?.began).toContain('hundred-hour-inspection/due');
  });
  it('changes exactly at local midnight, over the time change too', () => {
    const base = cleanCase({ clubDocuments: { insurance: { validUntil: '2026-11-30' } } });
    const { changes } = timeline(
      prepare(base.facts, base.packs, base.asOf),
      [],
      base.asOf,
      instant('2027-03-20T00:00:00Z'),
    );
    expect(changes.map(({ at }) => instantText(at))).toEqual(['2026-12-01T04:00:00Z']);
  });
  it('a flight that ends exactly at a limit leaves nothing, and is no exceeded', () => {
    const base = cleanCase({ meterReadings: { today: { value: 4207.2 } } });
    const { changes, flights } = timeline(
      prepare(base.facts, base.packs, base.asOf),
      [flight('a', addSeconds(base.asOf, 3600), 7200, 5400)],
      base.asOf,
      addSeconds(base.asOf, DAY),
    );
    expect([flights[0]?.exceedances, changes[0]?.verdict]).toEqual([[], 'Grounded']);
  });
  describe('at its edges', () => {
    const closed = (until: string, change: Json = {}): Json => ({
      wind: {
        happenedAt: '2026-11-24T10:00:00Z',
        recordedAt: '2026-11-24T10:01:00Z',
        by: 'M',
        why: 'wind',
        until,
        ...(change as object),
      },
    });
    const run = (change: Json, to: string, flights: readonly PlannedFlight[] = []) => {
      const base = cleanCase(change);
      return timeline(prepare(base.facts, base.packs, base.asOf), flights, base.asOf, instant(to));
    };
    const moments = (change: Json, to: string) =>
      run(change, to).changes.map(({ at, ended, began }) => [instantText(at), ended, began]);
    it('a change at the very end is in it, one a millisecond later is not', () => {
      expect([
        moments({ dispatchRestrictions: closed('2026-11-25T12:00:00Z') }, '2026-11-25T12:00:00Z'),
        moments({ dispatchRestrictions: closed('2026-11-25T12:00:00.001Z') }, '2026-11-25T12:00:00Z'),
      ]).toEqual([[['2026-11-25T12:00:00Z', ['dispatch-restrictions/wind'], []]], []]);
    });
    it('what ends as it starts is no change', () => {
      expect(
        moments({ dispatchRestrictions: closed('2026-11-24T13:00:00Z') }, '2026-11-26T12:00:00Z'),
      ).toEqual([]);
    });
    it('what changes nothing is no change: one of two closures of the same uses', () => {
      const one = (until: string) => (closed(until) as { readonly wind: Json }).wind;
      const two = { a: one('2026-11-25T12:00:00Z'), b: one('2026-11-26T12:00:00Z') };
      expect(moments({ dispatchRestrictions: two }, '2026-11-30T12:00:00Z').map(([at]) => at)).toEqual([
        '2026-11-26T12:00:00Z',
      ]);
    });
    it('a number that it is held to changes the verdict, though every use stays open', () => {
      const held = run(
        {
          dispatchRestrictions: closed('2026-11-25T12:00:00Z', {
            cap: { quantity: 'persons', bound: 'at-most', value: 2 },
          }),
        },
        '2026-11-30T12:00:00Z',
      );
      expect(held.changes.map(({ verdict, ended }) => [verdict, ended])).toEqual([
        ['Released', ['dispatch-restrictions/wind']],
      ]);
    });
    const at = (text: string) => instant(text);
    it('answers for flights that start within it, and counts those that are under way', () => {
      const base = { meterReadings: { today: { value: 4206 } } };
      const flights = [
        flight('under-way', at('2026-11-24T12:00:00Z'), 7200, 5400),
        flight('first', at('2026-11-24T13:00:00Z'), 7200, 3600),
        flight('last', at('2026-11-25T12:00:00Z'), 7200, 3600),
        flight('after', addSeconds(at('2026-11-25T12:00:00Z'), 1), 7200, 3600),
        flight('over', at('2026-11-24T10:00:00Z'), 10_800, 10_800),
      ];
      const { flights: answers, meters } = run(base, '2026-11-25T12:00:00Z', flights);
      expect([answers.map(({ flight: id }) => id), meters['time-in-service']]).toEqual([
        ['first', 'last'],
        hours('4208.5'),
      ]);
    });
    it('of two that leave at one moment the id settles who is first', () => {
      const { flights: answers } = run({}, '2026-11-26T12:00:00Z', [
        flight('b', at('2026-11-24T14:00:00Z'), 3600, 3600),
        flight('a', at('2026-11-24T14:00:00Z'), 3600, 3600),
      ]);
      expect(answers.map(({ flight: id }) => id)).toEqual(['a', 'b']);
    });
    it('one that lands as the next leaves counts for it', () => {
      const { flights: answers } = run(
        { meterReadings: { today: { value: 4207.2 } } },
        '2026-11-26T12:00:00Z',
        [
          flight('a', at('2026-11-24T14:00:00Z'), 7200, 5400),
          flight('b', at('2026-11-24T16:00:00Z'), 3600, 3600),
        ],
      );
      expect(
        answers.map(({ exceedances, closedBy }) => [
          exceedances.length,
          closedBy.includes('hundred-hour-inspection/due'),
        ]),
      ).toEqual([
        [0, false],
        [0, true],
      ]);
    });
    it('a flight crosses a moment by as much as it is over, and may end exactly at it', () => {
      const over = (ends: number) =>
        run({}, '2027-04-02T00:00:00Z', [flight('x', at('2027-04-01T01:00:00Z'), ends, 1800)]).flights[0];
      expect([
        over(7200)?.exceedances,
        over(7201)?.exceedances.map(({ currency, by }) => [currency, by]),
        over(7200)?.closedBy,
      ]).toEqual([[], [['time', 1000]], []]);
    });
    it('past its reading it flies on until the day is over, and not past both', () => {
      const answers = (then: number) =>
        run({ ads: { rail: seatRail(then) } }, '2026-12-01T12:00:00Z', [
          flight('a', at('2026-12-01T02:00:00Z'), 7200, 5400),
          flight('b', at('2026-12-01T02:00:00.001Z'), 7200, 5400),
          flight('c', at('2026-12-01T04:00:00Z'), 7200, 5400),
        ]).flights.map(({ exceedances, closedBy }) => [
          exceedances.map(({ currency, by }) => `${currency} ${by}`),
          closedBy,
        ]);
      expect([answers(4120.3), answers(4121)]).toEqual([
        [
          [[], []],
          [['time 1'], []],
          [[], ['ads/rail.date']],
        ],
        [
          [[], []],
          [[`hours ${hours('0.8')}`], []],
          // The first has landed, and has flown past the reading: the day was over at that moment.
          [[], ['ads/rail.time-in-service']],
        ],
      ]);
    });
    it('a number that is above its own restricts nothing', () => {
      const held = run(
        {
          aircraft: { seats: 4 },
          dispatchRestrictions: closed('2026-11-25T12:00:00Z', {
            cap: { quantity: 'persons', bound: 'at-most', value: 4 },
          }),
        },
        '2026-11-30T12:00:00Z',
      );
      expect(held.changes).toEqual([]);
    });
    it('a flight that was never approved is told so', () => {
      expect(
        run({}, '2026-11-26T12:00:00Z', [
          flight('x', at('2026-11-24T14:00:00Z'), 3600, 3600, { rules: 'ifr' }),
          flight('y', at('2026-11-24T15:00:00Z'), 3600, 3600),
        ]).flights.map(({ notApproved }) => notApproved),
      ).toEqual([true, false]);
    });
    it('a closure that ends before the flight does not close it', () => {
      const by = (until: string) =>
        run({ dispatchRestrictions: closed(until) }, '2026-11-26T12:00:00Z', [
          flight('x', at('2026-11-24T14:00:00Z'), 3600, 3600),
        ]).flights[0]?.closedBy;
      expect([by('2026-11-24T14:00:00Z'), by('2026-11-24T14:00:01Z')]).toEqual([
        [],
        ['dispatch-restrictions/wind'],
      ]);
    });
    it('a permit spares the ferry flight while it is in force and its hours last', () => {
      const change = (hoursLeft: number): Json => ({
        discrepancies: {
          c: { happenedAt: '2026-11-24T09:00:00Z', recordedAt: '2026-11-24T09:05:00Z', what: 'Crack' },
        },
        permits: {
          p: {
            recordedAt: '2026-11-24T12:00:00Z',
            number: 'P',
            registrationShown: 'N02TB',
            validFrom: '2026-11-24',
            validUntil: '2026-11-25',
            aboard: true,
            untilTimeInService: hoursLeft,
            safeForFlight: {
              on: '2026-11-24',
              by: {
                name: 'T',
                certificate: {
                  kind: 'mechanic-airframe-powerplant',
                  number: 'A',
                  validFrom: '2000-01-01',
                  validUntil: 'no-expiry',
                },
              },
            },
          },
        },
      });
      const ferry = (id: string, start: string) =>
        flight(id, at(start), 3600, 3600, {
          purpose: 'positioning-to-maintenance',
          crew: 'rated-pilot',
          passengers: false,
        });
      const flights = [
        ferry('today', '2026-11-24T14:00:00Z'),
        flight('lesson', at('2026-11-24T14:00:00Z'), 60, 60),
        ferry('later', '2026-11-25T14:00:00Z'),
        ferry('over', '2026-11-26T14:00:00Z'),
      ];
      const closing = (left: number) =>
        run(change(left), '2026-11-28T12:00:00Z', flights).flights.map(({ flight: id, closedBy }) => [
          id,
          closedBy.length,
        ]);
      expect(closing(4200)).toEqual([
        ['lesson', 1],
        ['today', 0],
        ['later', 0],
        ['over', 1],
      ]);
      // An hour and a minute are flown before the later one. It may end exactly at the permit's hours, and not past them.
      expect(closing(4152.32)).toEqual([
        ['lesson', 1],
        ['today', 0],
        ['later', 0],
        ['over', 1],
      ]);
      expect(closing(4152.31)).toEqual([
        ['lesson', 1],
        ['today', 0],
        ['later', 1],
        ['over', 1],
      ]);
      // Nor may it end after the permit does: local midnight lies at 04:00 UTC.
      const late = (seconds: number) =>
        run(change(4200), '2026-11-28T12:00:00Z', [
          flight('x', at('2026-11-26T03:00:00Z'), seconds, 60, {
            purpose: 'positioning-to-maintenance',
            crew: 'rated-pilot',
            passengers: false,
          }),
        ]).flights[0]?.closedBy.length;
      expect([late(3600), late(3601)]).toEqual([0, 1]);
    });
  });
  it('refuses a start before the facts were known', () => {
    expect(() => timeline(prepared, [], addSeconds(asOf, -1), until)).toThrow('before');
  });
});
