import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { boxReadingsSchema, type BoxReadings } from '@/contracts/meters/meter-box';
import { hours } from '@/core/quantities/hours';
import { addSeconds, type Instant } from '@/core/time/instant';
import { wallClock } from '@/core/time/zone';
import { inClub } from '@/db/kernel/club-transaction';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { dispatchFlight } from '@/queries/flights/dispatch';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { NOTHING_TO_REPORT } from '@/testing/entries';
import { checkIn } from '../flights/check-in';
import { releaseAndLeave } from '@/testing/flight-release';
import { strikeEntry } from '../maintenance/corrections';
import { addDial } from './dials';
import { fitBox, removeBox, takeBoxReadings } from './meter-boxes';

let club: Awaited<ReturnType<typeof testClub>>;

const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const row = async () => (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
const left = async () => (await row())?.secondsLeft ?? 0;
const now = async () => {
  const found = await inTx((tx) => folder(tx, club.actor('mechanic'), 'N02TB', club.ports.now()));
  if (found === null) throw new Error('not there');
  return found;
};
const fit = async (boxId: string = randomUUID(), shows = '0.0') => ({
  boxId,
  secret:
    good(
      await fitBox(club.ports, club.actor('mechanic'), {
        boxId,
        aircraftId: club.aircraftId,
        seenRevision: (await now()).revision,
        name: 'Box',
        shows,
      }),
    ).key.split('.')[1] ?? '',
});
const at = (by: number): Instant => addSeconds(club.ports.now(), by);
const send = (
  secret: string,
  ...readings: readonly (readonly [sequence: number, total: number, ago?: number])[]
) =>
  takeBoxReadings(club.ports, club.clubId, secret, {
    readings: readings.map(([sequence, totalSeconds, ago]) => ({
      sequence,
      totalSeconds,
      at: at(-(ago ?? 0)),
    })),
  });
beforeEach(async () => {
  club = await testClub();
});

describe('a meter recorder', () => {
  it('brings a limit nearer at once, and takes none away', async () => {
    const before = await left();
    const { secret } = await fit();
    expect(await left()).toBe(before);
    expect(good(await send(secret, [1, 1800]))).toEqual({ taken: [1], repeated: [], refused: [] });
    expect(await left()).toBe(before - 1800);
    // A lower count later: it was reset. What it had counted stands, and the folder says so.
    good(await send(secret, [2, 60]));
    expect(await left()).toBe(before - 1800);
    expect((await now()).boxes).toMatchObject([
      { ahead: '0.5 h', words: expect.stringContaining('it was reset') as string },
    ]);
  });
  it('alone makes no meter known', async () => {
    const other = await testClub({ meterReadings: null });
    const revision =
      (
        await inClub(other.ports.db, other.clubId, (tx) =>
          folder(tx, other.actor('mechanic'), 'N02TB', other.ports.now()),
        )
      )?.revision ?? 0;
    expect(
      bad(
        await fitBox(other.ports, other.actor('mechanic'), {
          boxId: randomUUID(),
          aircraftId: other.aircraftId,
          seenRevision: revision,
          name: 'Box',
          shows: '0',
        }),
      ),
    ).toMatchObject({ problems: [{ path: 'shows' }] });
  });
  it('is told what was taken, what it had sent before, and what contradicts that', async () => {
    const before = await left();
    const { secret } = await fit();
    good(await send(secret, [1, 600], [2, 1200]));
    expect(good(await send(secret, [2, 1200], [2, 1200], [1, 601], [3, 1300]))).toEqual({
      taken: [3],
      repeated: [2],
      refused: [{ sequence: 1, because: 'was taken as 600 s' }],
    });
    expect(await left()).toBe(before - 1300);
    // Nothing new: nothing is written, and nobody's view grows stale.
    const { revision } = await now();
    good(await send(secret, [3, 1300]));
    expect((await now()).revision).toBe(revision);
  });
  it('in any order, any of them late or twice, ends at the same', async () => {
    const before = await left();
    await fc.assert(
      fc.asyncProperty(
        fc.shuffledSubarray([1, 2, 3, 4, 5, 6], { minLength: 6 }),
        fc.array(fc.integer({ min: 1, max: 6 }), { maxLength: 6 }),
        fc.integer({ min: 1, max: 4 }),
        async (order, again, size) => {
          const { secret, boxId } = await fit();
          const all = [...order, ...again];
          for (let from = 0; from < all.length; from += size)
            good(
              await send(
                secret,
                ...all
                  .slice(from, from + size)
                  .map((sequence) => [sequence, sequence * 300, 600 - sequence] as const),
              ),
            );
          const rows = await inTx((tx) =>
            tx
              .selectFrom('box_reading')
              .select(['sequence', 'total_s'])
              .where('box_id', '=', boxId)
              .orderBy('sequence')
              .execute(),
          );
          expect(rows.map(({ sequence, total_s: total }) => [sequence, total])).toEqual(
            [1, 2, 3, 4, 5, 6].map((sequence) => [sequence, sequence * 300]),
          );
          // Every box of this test counts from the same zero: all of them say the same.
          expect(await left()).toBe(before - 1800);
        },
      ),
      { numRuns: 12 },
    );
  });
  it('sent by two at once, each reading stands once', async () => {
    const { secret, boxId } = await fit();
    const outcomes = await Promise.all(Array.from({ length: 8 }, () => send(secret, [1, 300], [2, 600])));
    expect(
      outcomes
        .map(good)
        .flatMap(({ taken }) => taken)
        .sort(),
    ).toEqual([1, 2]);
    expect(
      await inTx((tx) =>
        tx.selectFrom('box_reading').select('sequence').where('box_id', '=', boxId).execute(),
      ),
    ).toHaveLength(2);
  });
  it('whose clock runs ahead gets the time at which it came in', async () => {
    const { secret } = await fit();
    good(await send(secret, [1, 600, -86_400]));
    expect((await row())?.verdict).toBe('Released');
    const [stored] = await inTx((tx) => tx.selectFrom('box_reading').select('happened_at').execute());
    expect(stored?.happened_at.getTime()).toBe(club.ports.now());
  });
  it('with another key, another club’s, or taken out, sends nothing', async () => {
    const { secret, boxId } = await fit();
    const other = await testClub();
    expect([
      bad(await send('0'.repeat(64), [1, 1])).code,
      bad(
        await takeBoxReadings(club.ports, other.clubId, secret, {
          readings: [{ sequence: 1, totalSeconds: 1, at: at(0) }],
        }),
      ).code,
    ]).toEqual(['not-entitled', 'not-entitled']);
    good(await send(secret, [1, 1800]));
    const counted = await left();
    good(
      await removeBox(club.ports, club.actor('mechanic'), {
        boxId,
        aircraftId: club.aircraftId,
        seenRevision: (await now()).revision,
        why: 'sold',
      }),
    );
    expect(bad(await send(secret, [2, 3600])).code).toBe('not-entitled');
    // What it counted stays; only a mechanic whose certificate says so takes it away.
    expect(await left()).toBe(counted);
    const strike = async (role: 'dispatcher' | 'mechanic') =>
      strikeEntry(club.ports, club.actor(role), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: (await now()).revision,
        kind: 'box',
        recordId: boxId,
        why: 'counted on the ground',
        password: PASSWORD,
      });
    expect(bad(await strike('dispatcher')).code).toBe('not-entitled');
    club.ports.at = at(60);
    good(await strike('mechanic'));
    expect(await left()).toBe(counted + 1800);
  });
  it.each(['renter', 'student', 'instructor', 'administrator'] as const)(
    'is not the %s’s to fit or take out',
    async (role) => {
      expect([
        bad(
          await fitBox(club.ports, club.actor(role), {
            boxId: randomUUID(),
            aircraftId: club.aircraftId,
            seenRevision: 1,
            name: 'x',
            shows: '0',
          }),
        ).code,
        bad(
          await removeBox(club.ports, club.actor(role), {
            boxId: randomUUID(),
            aircraftId: club.aircraftId,
            seenRevision: 1,
            why: 'x',
          }),
        ).code,
      ]).toEqual(['not-entitled', 'not-entitled']);
    },
  );
});

describe('a flight with a box aboard', () => {
  it('is measured from meter to meter: what the box counted beside is told, and makes no gap', async () => {
    const dial = randomUUID();
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: dial,
        aircraftId: club.aircraftId,
        seenRevision: (await now()).revision,
        name: 'Block',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: '4150.3' }],
        shows: '4150.3',
        wrapsAt: null,
      }),
    );
    const { secret } = await fit();
    const plan = async () => {
      const id = randomUUID();
      const starts = at(600);
      await plannedFlight(club, { airborne: hours('1.0') }, { flightId: id, starts });
      return id;
    };
    const seen = (flightId: string) =>
      inTx((tx) => dispatchFlight(tx, club.clubId, flightId, club.ports.now()));
    const out = async (flightId: string, shown: string) =>
      releaseAndLeave(club.ports, club.actor('dispatcher'), {
        flightId,
        aircraftId: club.aircraftId,
        seenRevision: (await now()).revision,
        readings: [{ dial, shown }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      });
    const back = (flightId: string, shown: string) => {
      const { date, hour, minute } = wallClock(club.ports.now(), club.place.zone);
      return checkIn(club.ports, club.actor('dispatcher'), {
        flightId,
        aircraftId: club.aircraftId,
        at: { date, clock: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` },
        readings: [{ dial, shown }],
        accepted: [],
        ...NOTHING_TO_REPORT,
      });
    };
    const first = await plan();
    good(await out(first, '4150.3'));
    club.ports.at = at(4000);
    // In the air it counts a little more than the meter will show.
    good(await send(secret, [1, 3700]));
    good(await back(first, '4151.3'));
    const second = await plan();
    expect((await seen(second))?.dials.map(({ lastText }) => lastText)).toEqual(['4151.3 h']);
    expect((await seen(second))?.box).toBeNull();
    good(await out(second, '4151.3'));
    club.ports.at = at(1000);
    good(await back(second, '4151.5'));
    // Somebody flies and writes nothing down.
    good(await send(secret, [2, 3600 + 720 + 1800]));
    const third = await plan();
    expect((await seen(third))?.box).toContain('counted 0.5 h more than the flights and readings on record');
    expect((await now()).unlogged).toEqual([]);
  });
});

describe('what a box may send', () => {
  const send = (change: object) =>
    boxReadingsSchema.safeParse({
      readings: [{ sequence: 1, at: '2026-11-24T10:00:00Z', totalSeconds: 60, ...change }],
    } as unknown as BoxReadings);
  it.each([
    ['number 0', { sequence: 0 }, 'sequence'],
    ['part of a second', { totalSeconds: 1.5 }, 'totalSeconds'],
    ['less than nothing', { totalSeconds: -1 }, 'totalSeconds'],
    ['no time zone', { at: '2026-11-24T10:00:00' }, 'at'],
    ['a field that is not known', { fuel: 3 }, ''],
  ])('refuses %s', (_, change, path) => {
    expect(send(change).error?.issues[0]?.path.slice(2).join('.')).toBe(path);
  });
  it('takes a first reading of nothing', () => {
    expect(send({ totalSeconds: 0 }).success).toBe(true);
  });
});
