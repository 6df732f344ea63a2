import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Restrict } from '@/contracts/flights/dispatch-restriction';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { inClub } from '@/db/kernel/club-transaction';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { bad, good, testClub } from '@/testing/database';
import { restrict, withdrawRestriction } from './dispatch-restriction';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});
type Role = Parameters<typeof club.actor>[0];
const page = async () => {
  const shown = await inClub(club.ports.db, club.clubId, (tx) =>
    aircraftPage(tx, club.actor('dispatcher'), 'N02TB', club.ports.now()),
  );
  if (shown === null) throw new Error('no page');
  return shown;
};
const entryOf = (change: Partial<Restrict> = {}): Restrict => ({
  restrictionId: randomUUID(),
  aircraftId: club.aircraftId,
  why: 'Hard landing seen from the desk',
  closes: [],
  until: null,
  ...change,
});
const close = (entry: Restrict, role: Role = 'dispatcher') => restrict(club.ports, club.actor(role), entry);
const withdraw = (restrictionId: string, role: Role = 'dispatcher', withdrawalId: string = randomUUID()) =>
  withdrawRestriction(club.ports, club.actor(role), {
    withdrawalId,
    aircraftId: club.aircraftId,
    restrictionId,
    why: 'Looked at, nothing found',
  });

describe('a restriction by people on duty', () => {
  it('closes at once, no matter which of them says it, and is withdrawn by a dispatcher with why', async () => {
    const before = (await page()).verdict;
    const entry = entryOf();
    good(await close(entry, 'safety-officer'));
    const shown = await page();
    expect(shown.verdict).toBe('Grounded');
    expect(shown.restrictions.map(({ why, by }) => [why, by])).toEqual([
      ['Hard landing seen from the desk', 'The safety-officer'],
    ]);
    expect(bad(await withdraw(entry.restrictionId, 'safety-officer')).code).toBe('not-entitled');
    expect(bad(await withdraw(entry.restrictionId, 'mechanic')).code).toBe('not-entitled');
    good(await withdraw(entry.restrictionId));
    const after = await page();
    expect([after.verdict, after.restrictions]).toEqual([before, []]);
  });
  it('is said by nobody else, and sent twice is there once', async () => {
    expect(bad(await close(entryOf(), 'renter')).code).toBe('not-entitled');
    expect(bad(await close(entryOf(), 'student')).code).toBe('not-entitled');
    const entry = entryOf();
    const { revision } = good(await close(entry));
    expect(good(await close(entry)).revision).toBe(revision);
    expect((await page()).restrictions).toHaveLength(1);
  });
  it('of some uses leaves the others', async () => {
    good(await close(entryOf({ closes: ['night'] })));
    const shown = await page();
    expect(shown.restrictions[0]?.closes).toMatch(/night/u);
    expect(shown.verdict).not.toBe('Grounded');
  });
  it('ends with its last day at the field, and not before', async () => {
    expect(bad(await close(entryOf({ until: civilDate('2026-11-23') }))).message).toContain('over already');
    good(await close(entryOf({ until: civilDate('2026-11-24') })));
    expect((await page()).verdict).toBe('Grounded');
    club.ports.at = addSeconds(club.ports.at, 86_400);
    const shown = await page();
    expect(shown.restrictions).toEqual([]);
    expect(shown.verdict).not.toBe('Grounded');
  });
  it('is withdrawn once, and never one that is not there', async () => {
    const entry = entryOf();
    good(await close(entry));
    const id = randomUUID();
    good(await withdraw(entry.restrictionId, 'dispatcher', id));
    good(await withdraw(entry.restrictionId, 'dispatcher', id));
    expect(bad(await withdraw(entry.restrictionId)).message).toContain('withdrawn already');
    expect(bad(await withdraw(randomUUID())).code).toBe('not-found');
  });
  it('opens nothing that the records close', async () => {
    club = await testClub({ inspections: null });
    const before = (await page()).verdict;
    const entry = entryOf({ closes: ['night'] });
    good(await close(entry));
    good(await withdraw(entry.restrictionId));
    expect((await page()).verdict).toBe(before);
    expect(before).toBe('Grounded');
  });
});
