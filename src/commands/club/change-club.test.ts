import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { clubChangeSchema, type ClubChange, type ClubEntryInput } from '@/contracts/club/founding';
import { problemsOf } from '@/contracts/kernel/problem';
import { civilDate } from '@/core/time/civil-date';
import { endOfDay, zone } from '@/core/time/zone';
import { inClub } from '@/db/kernel/club-transaction';
import { readClub } from '@/db/club/clubs';
import { readHistory } from '@/db/kernel/ledger';
import { clubPage, clubTrial } from '@/queries/club/club';
import { line } from '@/queries/aircraft/line';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { addAircraft } from '../aircraft/add-aircraft';
import { changeClub } from './change-club';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const admin = () => club.actor('administrator');
const page = () => inClub(club.ports.db, club.clubId, (tx) => clubPage(tx, club.clubId));
const rows = async () =>
  (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows;
const row = async () => (await rows()).find(({ registration }) => registration === 'N02TB');
/** What stands now, with some of it changed. */
async function changed(
  change: Partial<ClubEntryInput>,
  more: { readonly seen?: number; readonly password?: string; readonly changeId?: string } = {},
): Promise<ClubChange> {
  const { club: stands, changes } = await page();
  return clubChangeSchema.parse({
    changeId: randomUUID(),
    seen: changes,
    club: { ...stands, ...change },
    why: 'Corrected',
    password: PASSWORD,
    ...more,
  });
}
const policyWith = async (change: Readonly<Record<string, string | number>>) => ({
  policy: { ...(await page()).club.policy, ...change },
});

describe('the club’s field and rules', () => {
  it('are as they were founded until somebody changes them, and every aircraft is decided again then', async () => {
    expect(await page()).toMatchObject({
      changes: 0,
      story: [],
      club: { name: 'Test club', latitude: club.place.latitude },
    });
    const before = await row();
    good(await changeClub(club.ports, admin(), await changed(await policyWith({ documentCheckDays: 1 }))));
    const after = await row();
    expect([before?.verdict, after?.verdict, (after?.revision ?? 0) - (before?.revision ?? 0)]).toEqual([
      'Released',
      'Grounded',
      1,
    ]);
    expect(await page()).toMatchObject({
      changes: 1,
      story: [{ number: 1, words: expect.stringContaining('The administrator: Corrected') as string }],
    });
    // What was founded is still on record; the aircraft's own history says why its answer changed.
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 1)))[0],
    ).toMatchObject({ act: 'change-club', record: { number: 1, why: 'Corrected' } });
  });
  it('may be eased again, and the last word counts', async () => {
    for (const days of [1, 3660, 2, 365])
      good(
        await changeClub(club.ports, admin(), await changed(await policyWith({ documentCheckDays: days }))),
      );
    expect([(await row())?.verdict, (await page()).changes, (await page()).club.policy]).toMatchObject([
      'Released',
      4,
      { documentCheckDays: 365 },
    ]);
  });
  it('move the midnight to which dates hold', async () => {
    const [here, there] = [
      endOfDay(civilDate('2026-11-24'), club.place.zone),
      endOfDay(civilDate('2026-11-24'), zone('America/St_Johns')),
    ];
    const before = (await row())?.holdsUntil ?? null;
    good(await changeClub(club.ports, admin(), await changed({ zone: 'America/St_Johns' })));
    expect([before !== null, (await row())?.holdsUntil]).toEqual([true, (before ?? 0) + there - here]);
  });
  it('are the administrator’s to change, with their password', async () => {
    const entry = await changed({ field: 'Other field' });
    for (const role of [
      'dispatcher',
      'mechanic',
      'instructor',
      'safety-officer',
      'renter',
      'student',
    ] as const)
      expect(bad(await changeClub(club.ports, club.actor(role), entry)).code).toBe('not-entitled');
    expect(bad(await changeClub(club.ports, admin(), { ...entry, password: 'wrong' }))).toMatchObject({
      code: 'invalid',
      problems: [{ path: 'password' }],
    });
    expect((await page()).changes).toBe(0);
  });
  it('say what acts take; what is not said takes what is usual', async () => {
    const estimates = [{ act: 'complete-annual' as const, minutes: 60, cost: 12.5 }];
    good(await changeClub(club.ports, admin(), await changed({ estimates })));
    expect((await page()).club.estimates).toEqual(estimates);
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => readClub(tx, club.clubId))).packs.estimates,
    ).toEqual([{ act: 'complete-annual', minutes: 60, cents: 1250 }]);
    expect(bad(await changeClub(club.ports, admin(), await changed({})))).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('Nothing is different') as string,
    });
    good(await changeClub(club.ports, admin(), await changed({ estimates: [] })));
    expect((await page()).club.estimates).toEqual([]);
  });
  it('sent twice change once; what changes nothing is refused', async () => {
    const entry = await changed({ field: 'Other field' });
    expect([
      good(await changeClub(club.ports, admin(), entry)),
      good(await changeClub(club.ports, admin(), entry)),
    ]).toEqual([{ changes: 1 }, { changes: 1 }]);
    expect(bad(await changeClub(club.ports, admin(), await changed({})))).toMatchObject({
      message: 'Nothing is different from what is on record.',
    });
    expect((await page()).changes).toBe(1);
    // What was made stricter after the answer got lost is not taken for what was received.
    const stricter = {
      ...entry,
      ...(await changed({ ...(await policyWith({ documentCheckDays: 1 })) })),
      changeId: entry.changeId,
    };
    expect(bad(await changeClub(club.ports, admin(), stricter))).toMatchObject({
      code: 'conflict',
      revision: 1,
    });
    expect((await row())?.verdict).toBe('Released');
  });
  it('changed by many at once are changed by one; the others are told who and why', async () => {
    for (let round = 0; round < 10; round += 1) {
      const entries = await Promise.all(
        Array.from({ length: 4 }, (_, n) => changed({ field: `Field ${round} ${n}` })),
      );
      const outcomes = await Promise.all(entries.map((entry) => changeClub(club.ports, admin(), entry)));
      expect(outcomes.filter(({ ok }) => ok)).toHaveLength(1);
      for (const outcome of outcomes)
        if (!outcome.ok)
          expect(outcome.refusal).toMatchObject({
            code: 'conflict',
            revision: round + 1,
            message: expect.stringContaining(
              'The administrator changed the club while you were writing: Corrected',
            ) as string,
          });
    }
  });
  it('do not follow one club into another', async () => {
    const other = await testClub();
    good(await changeClub(club.ports, admin(), await changed({ field: 'Other field' })));
    expect((await inClub(other.ports.db, other.clubId, (tx) => readClub(tx, other.clubId))).place.name).toBe(
      other.place.name,
    );
    await expect(inClub(other.ports.db, other.clubId, (tx) => readClub(tx, club.clubId))).rejects.toThrow();
  });
});

describe('a change that is only tried', () => {
  it('tells what then happens, and writes nothing', async () => {
    good(
      await addAircraft(club.ports, club.actor('dispatcher'), {
        aircraftId: randomUUID(),
        registration: 'N09TB',
        typeName: 'Luvane D',
        category: null,
        firstFlownOn: null,
        serialNumber: null,
      }),
    );
    for (const change of [
      await policyWith({ documentCheckDays: 1 }),
      await policyWith({
        fireExtinguisher: 'no-flight-without',
        monoxideDetector: 'no-flight-without',
        insurance: 'required',
        readingDays: 1,
      }),
      { policy: null },
      { authority: { id: 'au-maintenance-release' as const }, policy: null },
      { latitude: 70 },
    ]) {
      const entry = await changed(change);
      const before = new Map((await rows()).map((one) => [one.registration, one]));
      const trial = await inClub(club.ports.db, club.clubId, (tx) =>
        clubTrial(tx, club.clubId, entry.club, club.ports.now()),
      );
      expect([trial.aircraft, (await rows()).map(({ revision }) => revision)]).toEqual([
        2,
        [...before.values()].map(({ revision }) => revision),
      ]);
      good(await changeClub(club.ports, admin(), entry));
      for (const after of await rows()) {
        const told = trial.rows.find(({ registration }) => registration === after.registration);
        const old = before.get(after.registration)?.reasons.map(({ headline }) => headline) ?? [];
        const fresh = after.reasons.map(({ headline }) => headline);
        expect([
          after.registration,
          told?.after ?? before.get(after.registration)?.verdict,
          told?.comes ?? [],
          told?.goes ?? [],
        ]).toEqual([
          after.registration,
          after.verdict,
          [...new Set(fresh.filter((one) => !old.includes(one)))],
          [...new Set(old.filter((one) => !fresh.includes(one)))],
        ]);
      }
    }
  });
});

describe('the form of a club', () => {
  it.each([
    ['west without its sign', { longitude: 64.02 }, 'club.longitude', 'west is negative'],
    [
      'a zone of elsewhere',
      { zone: 'Australia/Sydney' },
      'club.longitude',
      'check the longitude and the zone',
    ],
    ['no degrees', { latitude: 91 }, 'club.latitude', 'expected a latitude'],
    ['an offset for a zone', { zone: '-04:00' }, 'club.zone', 'expected an IANA time zone name'],
    ['a policy looser than the law', { policy: { reserveDay: 20 } }, 'club.policy.reserveDay', ''],
    ['no name', { name: ' ' }, 'club.name', 'expected some text'],
  ])('refuses %s', async (_, change, path, words) => {
    const checked = clubChangeSchema.safeParse({
      changeId: randomUUID(),
      seen: 0,
      why: 'x',
      password: 'x',
      club: { ...(await page()).club, ...change },
    });
    expect(checked.success ? [] : problemsOf(checked.error)).toMatchObject([
      { path, message: expect.stringContaining(words) as string },
    ]);
  });
});
