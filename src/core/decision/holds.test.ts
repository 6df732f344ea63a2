import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import { RICH } from '@/testing/rich-case';
import { hours } from '../quantities/hours';
import type { MeterValues } from '../records/meters/meters';
import { addSeconds, instant, type Instant } from '../time/instant';
import { decidePrepared, reliefsAt } from './decide';
import { prepare } from './prepare';

const DAY = 86_400;
const { facts, packs, asOf } = cleanCase(RICH);
const prepared = prepare(facts, packs, asOf);

/** Everything of a decision that time alone can change. */
const stands = (at: Instant, meters: MeterValues = prepared.meters) => {
  const { verdict, constraints, limits, reliefs, caps, notices, rules } = decidePrepared(
    prepared,
    null,
    at,
    meters,
  );
  return {
    verdict,
    constraints: constraints.map(({ id }) => id),
    limits: limits.map(({ constraint, currency }) => `${constraint.id} ${currency}`).toSorted(),
    reliefs: reliefs.map(({ permit, covers }) => `${permit} ${covers.join()}`),
    caps,
    notices: notices.map(({ id }) => id),
    answers: rules.map(({ id, answer }) => `${id} ${answer}`),
  };
};

describe('how long an answer holds', () => {
  // The meters may stand anywhere: past one of two limits of which the later counts, and before it.
  const moment = fc.record({
    after: fc.integer({ min: 0, max: 420 * DAY }),
    flown: fc.integer({ min: 0, max: 200 }),
    share: fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true }),
  });
  it('nothing changes before that moment, and something does at it (property)', () => {
    let ended = 0;
    fc.assert(
      fc.property(moment, ({ after, flown, share }) => {
        const at = addSeconds(asOf, after);
        const service = prepared.meters['time-in-service'];
        const meters: MeterValues = {
          ...prepared.meters,
          'time-in-service': service === null ? null : ((service + flown * 3600) as typeof service),
        };
        const { holdsUntil } = decidePrepared(prepared, null, at, meters);
        const now = stands(at, meters);
        if (holdsUntil === null) {
          expect(stands(addSeconds(at, 4000 * DAY), meters)).toEqual(now);
          return;
        }
        ended += 1;
        expect(holdsUntil > at).toBe(true);
        expect(stands((at + Math.floor((holdsUntil - at) * share)) as Instant, meters)).toEqual(now);
        expect(stands((holdsUntil - 1) as Instant, meters)).toEqual(now);
        // A permit whose hours are used up is looked at again on its days as well: too early is no harm.
        if (!prepared.reliefs.some(({ from, until }) => from === holdsUntil || until === holdsUntil))
          expect(stands(holdsUntil, meters)).not.toEqual(now);
      }),
      { numRuns: 200 },
    );
    expect(ended).toBeGreaterThan(20);
  });
});

describe('a permit that begins, ends, and lasts for so many hours', () => {
  const relief = {
    id: 'p',
    uses: prepared.full,
    from: instant('2026-11-24T00:00:00Z'),
    until: instant('2026-11-26T00:00:00Z'),
  };
  const inForce = (at: string, untilTimeInService: number | null, service: number | null) =>
    reliefsAt({ ...prepared, reliefs: [{ ...relief, untilTimeInService } as never] }, instant(at), {
      ...prepared.meters,
      'time-in-service': service as never,
    }).length === 1;
  it.each<[about: string, at: string, until: number | null, service: number | null, holds: boolean]>([
    ['a millisecond before it begins', '2026-11-23T23:59:59.999Z', null, 1, false],
    ['as it begins', '2026-11-24T00:00:00Z', null, 1, true],
    ['a millisecond before it ends', '2026-11-25T23:59:59.999Z', null, 1, true],
    ['as it ends', '2026-11-26T00:00:00Z', null, 1, false],
    ['with a second left', '2026-11-25T00:00:00Z', hours('10'), hours('10') - 1, true],
    ['with its hours used up', '2026-11-25T00:00:00Z', hours('10'), hours('10'), false],
    ['by hours that nobody knows', '2026-11-25T00:00:00Z', hours('10'), null, false],
    ['by days alone, whatever the hours are', '2026-11-25T00:00:00Z', null, null, true],
  ])('%s', (_, at, until, service, holds) => {
    expect(inForce(at, until, service)).toBe(holds);
  });
});
