import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import { addSeconds } from '@/core/time/instant';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { Club } from '@/db/club/clubs';
import { preparedFor, rulesOf } from './prepared';

describe('what a list keeps prepared', () => {
  const { facts, packs, asOf } = cleanCase();
  const club: Club = { clubId: 'c', name: 'Club', place: facts.place, packs, changes: 0 };
  const stored = (revision: number, change: Partial<StoredAircraft> = {}): StoredAircraft => ({
    aircraftId: 'a',
    typeName: 'Quorin 160',
    revision,
    features: null,
    addedAt: asOf,
    facts,
    ...change,
  });
  const ask = (one: StoredAircraft, of: Club = club, now = asOf) => preparedFor(one, of, rulesOf(of), now);

  it('is the same while nothing changed, and made again from other facts, whatever their revision', () => {
    const first = ask(stored(1));
    expect(ask(stored(1), club, addSeconds(asOf, 60)).prepared).toBe(first.prepared);
    const grounded = cleanCase({
      discrepancies: {
        d: { happenedAt: '2026-11-24T12:00:00Z', recordedAt: '2026-11-24T12:00:00Z', what: 'Crack' },
      },
    }).facts;
    // Also of the same revision: a restored database may come to it with other records.
    const next = ask(stored(1, { facts: grounded }));
    expect(next.prepared).not.toBe(first.prepared);
    expect(
      next.prepared.constraints.some(({ constraint }) => constraint.reason.code === 'discrepancy-open'),
    ).toBe(true);
  });
  it('is made again when the club’s rules change, or the facts are others, though they say the same', () => {
    const first = ask(stored(7));
    expect(ask(stored(7), { ...club, packs: { ...packs, club: null } }).prepared).not.toBe(first.prepared);
    const copied = ask(stored(7, { aircraftId: 'b', facts: { ...facts } }));
    expect(copied.prepared).not.toBe(ask(stored(7)).prepared);
  });
  it('a clock that was set back does not take it back before what it knows', () => {
    const { prepared } = ask(stored(9));
    expect(ask(stored(9), club, addSeconds(asOf, -3600)).present).toBe(prepared.knownAt);
    expect(ask(stored(9), club, addSeconds(asOf, 3600)).present).toBe(addSeconds(asOf, 3600));
  });
});
