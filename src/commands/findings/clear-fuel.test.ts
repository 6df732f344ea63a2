import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { hours } from '@/core/quantities/hours';
import { volume } from '@/core/quantities/volume';
import { instant } from '@/core/time/instant';
import { insertOthers } from '@/db/aircraft/other-records';
import type { PlanStep } from '@/core/walkround/plan-step';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { changeAircraft } from '../kernel/change-aircraft';
import { clearFuel } from './clear-fuel';

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { inTx, later, begin, planOf, answerOf, send, stored } = walking(() => club);
type Role = Parameters<TestClub['actor']>[0];
const page = async (role: Role = 'mechanic') => {
  const actor = club.actor(role);
  return inTx((tx) => aircraftPage(tx, actor, 'N02TB', club.ports.now()));
};
const suspect = async () => (await page())?.suspectFuel ?? [];
const clear = async (change: object = {}, role: Role = 'mechanic') =>
  clearFuel(club.ports, club.actor(role), {
    clearanceId: randomUUID(),
    aircraftId: club.aircraftId,
    seenRevision: (await stored()).revision,
    records: [...new Set((await suspect()).flatMap(({ records }) => records))],
    on: '2026-11-24',
    description: 'Drained and flushed; seal of the left cap replaced.',
    certificateId: club.certificateOf('mechanic'),
    password: PASSWORD,
    ...change,
  } as Parameters<typeof clearFuel>[2]);

/** Cups of the left drain, one after another. */
async function cups(results: readonly ('water' | 'clean')[]): Promise<void> {
  const id = randomUUID();
  good(await begin(id));
  const left = (await planOf(id)).find(
    ({ asks }: PlanStep) => asks.kind === 'sample' && asks.drain === 'left',
  );
  if (left === undefined) throw new Error('no left drain');
  for (const result of results) {
    later(60);
    const answer = result === 'clean' ? 'fine' : 'found';
    good(await send(id, [answerOf(left, { answer, measured: { kind: 'sample', result } })]));
  }
}

describe('suspect fuel', () => {
  it('of three wet cups keeps the aircraft until a mechanic has signed, and the drain is sampled again', async () => {
    await cups(['water', 'water']);
    expect(await suspect()).toEqual([]);
    await cups(['water']);
    expect(await suspect()).toMatchObject([
      { records: [expect.any(String), expect.any(String), expect.any(String)] },
    ]);
    expect((await page())?.verdict).toBe('Grounded');
    // Draining until it is clean does not cure it.
    await cups(['clean']);
    expect((await page())?.verdict).toBe('Grounded');
    good(await clear());
    expect(await suspect()).toEqual([]);
    expect((await page())?.verdict).toBe('Released');
    // What comes after it is counted from nought.
    await cups(['water', 'water', 'clean']);
    expect(await suspect()).toEqual([]);
    await cups(['water', 'clean']);
    expect(await suspect()).toHaveLength(1);
  });

  it('that was cleared while the last cup was wet still waits for a clean one', async () => {
    await cups(['water', 'water', 'water']);
    good(await clear());
    expect((await page())?.verdict).toBe('Grounded');
    await cups(['clean']);
    expect((await page())?.verdict).toBe('Released');
  });

  it.each<[string, object, Role, string]>([
    ['by a renter', {}, 'renter', 'Only a mechanic signs'],
    ['by the desk', {}, 'dispatcher', 'Only a mechanic signs'],
    ['with a wrong password', { password: 'wrong' }, 'mechanic', 'password'],
    ['before it was found', { on: '2026-11-23' }, 'mechanic', 'cannot be signed'],
    ['in the future', { on: '2026-11-25' }, 'mechanic', 'cannot be signed'],
    ['of a cup that is not there', { records: [randomUUID()] }, 'mechanic', 'dealt with already'],
  ])('is not cleared %s', async (_, change, role, message) => {
    await cups(['water', 'water', 'water']);
    expect(bad(await clear(change, role)).message).toContain(message);
    expect(await suspect()).toHaveLength(1);
  });

  it('is cleared once: the same cups are not signed for twice', async () => {
    await cups(['water', 'water', 'water']);
    const records = (await suspect()).flatMap((one) => one.records);
    good(await clear());
    expect(bad(await clear({ records })).message).toContain('dealt with already');
  });
});

describe('oil consumption', () => {
  it('above the club’s limit is looked at by a mechanic, and watched from there on', async () => {
    const { clubId, aircraftId } = club;
    const quarts = [17, 18, 19, 20].map((day, at) => {
      const happenedAt = instant(`2026-11-${day}T12:00:00Z`);
      const base = { id: randomUUID(), happenedAt, recordedAt: happenedAt };
      return {
        ...base,
        kind: 'uplift' as const,
        body: {
          ...base,
          what: 'oil' as const,
          added: volume('1', 'US qt'),
          grade: null,
          timeInService: hours(String(4101 + at)),
        },
      };
    });
    const desk = club.actor('dispatcher');
    good(
      await changeAircraft(club.ports, desk, aircraftId, 'load-records', null, async ({ tx }) => {
        await insertOthers(tx, clubId, aircraftId, desk.personId, quarts);
        return { value: {}, ledger: {} };
      }),
    );
    const high = (await suspect()).filter(({ what }) => what === 'oil');
    expect(high).toMatchObject([{ records: { length: 4 } }]);
    const records = high.flatMap((one) => one.records);
    expect(bad(await clear({ records, on: '2026-11-19' })).message).toContain('dated before');
    good(await clear({ records, description: 'Compression and leaks looked at: in limits.' }));
    expect((await suspect()).filter(({ what }) => what === 'oil')).toEqual([]);
  });
});
