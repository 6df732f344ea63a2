import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import {
  changeReleaseSchema,
  issueReleaseSchema,
  type IssuedRelease,
  type ReleaseChange,
} from '@/contracts/releases/maintenance-release';
import { hours } from '@/core/quantities/hours';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds, instantFromMilliseconds } from '@/core/time/instant';
import { insertFlown } from '@/db/flights/insert-flights';
import { inClub } from '@/db/kernel/club-transaction';
import { appendToLedger, readHistory } from '@/db/kernel/ledger';
import { describeHistory } from '@/explain/history';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import release from '../../../examples/cases/clean-release.json';
import { vouch } from '../documents/vouch';
import { changeRelease, issueRelease } from './maintenance-release';
import { signDailyInspection } from './sign-daily-inspection';

const change = {
  asOf: release.asOf,
  place: release.place,
  packs: release.packs,
  aircraft: release.aircraft,
  documents: release.documents,
  releases: release.releases,
  dailyInspections: release.dailyInspections,
  equipment: release.equipment,
};
let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub(change);
});

type Role = Parameters<typeof club.actor>[0];
const view = async (role: Role = 'mechanic') => {
  const found = await inClub(club.ports.db, club.clubId, (tx) =>
    folder(tx, club.actor(role), 'VH-TB0X1', club.ports.now()),
  );
  if (found?.release == null) throw new Error('no release view');
  return { ...found.release, revision: found.revision };
};
const verdict = async () =>
  (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0]
    ?.verdict;
const at = (text: string) => {
  club.ports.at = instantFromMilliseconds(Date.parse(text));
};
const own = (role: Role) => ({ by: 'own-certificate' as const, certificateId: club.certificateOf(role) });
const copied = {
  by: 'copied-from-logbook' as const,
  name: 'Owen Hart',
  kind: 'licensed-engineer' as const,
  number: 'L-77',
  validFrom: civilDate('2010-01-01'),
  validUntil: 'no-expiry' as const,
};
const issue = async (given: Partial<IssuedRelease> = {}, role: Role = 'mechanic') =>
  issueRelease(club.ports, club.actor(role), {
    entryId: randomUUID(),
    aircraftId: club.aircraftId,
    seenRevision: (await view()).revision,
    registrationShown: 'VH-TB0X1',
    issuedOn: civilDate('2026-11-24'),
    issuedAt: hours('4150.3'),
    expiresOn: civilDate('2027-11-24'),
    expiresAt: hours('4250.3'),
    aboard: true,
    required: [],
    signer: own('mechanic'),
    password: PASSWORD,
    ...given,
  });
const to = async (given: ReleaseChange['change'], role: Role = 'mechanic') => {
  const { revision, release: now } = await view();
  return changeRelease(club.ports, club.actor(role), {
    entryId: randomUUID(),
    aircraftId: club.aircraftId,
    seenRevision: revision,
    releaseId: now?.id ?? '',
    change: given,
  });
};
const sign = async (role: Role, entryId: string = randomUUID(), password = PASSWORD) =>
  signDailyInspection(club.ports, club.actor(role), {
    entryId,
    aircraftId: club.aircraftId,
    seenRevision: (await view()).revision,
    certificateId: club.certificateOf(role),
    password,
  });
const told = async () => {
  const [first] = await inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 1));
  return first === undefined ? '' : describeHistory(first.act, first.record);
};

describe('the daily inspection', () => {
  // Midnight at the field, in summer time: 13:00 in UTC.
  it('holds to local midnight at the field, is signed once a day, and opens the next day', async () => {
    expect(await verdict()).toBe('Released');
    at('2026-11-24T12:59:59Z');
    expect(await verdict()).toBe('Released');
    at('2026-11-24T13:00:00Z');
    expect(await verdict()).toBe('Grounded');
    expect((await view()).daily.signedToday).toBeNull();
    const entryId = randomUUID();
    good(await sign('renter', entryId));
    expect(await verdict()).toBe('Released');
    expect((await view()).daily.signedToday).toBe('The renter, pilot, P-1');
    expect(await told()).toBe('signed the daily inspection of 25 Nov 2026');
    // The same entry again after a lost answer is no second one; another is refused with who signed.
    good(await sign('renter', entryId));
    expect(bad(await sign('instructor')).message).toContain('was signed today by The renter already');
  });
  it('is signed by a pilot, an instructor or a licensed engineer, each with their own password, and by nobody else', async () => {
    at('2026-11-24T20:00:00Z');
    expect(bad(await sign('student'))).toMatchObject({
      code: 'invalid',
      problems: [{ path: 'certificateId' }],
    });
    expect(bad(await sign('renter', randomUUID(), 'wrong'))).toMatchObject({
      problems: [{ path: 'password' }],
    });
    expect(
      bad(
        await signDailyInspection(club.ports, club.actor('dispatcher'), {
          entryId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: (await view()).revision,
          certificateId: club.certificateOf('renter'),
          password: PASSWORD,
        }),
      ).code,
    ).toBe('not-entitled');
    expect(await verdict()).toBe('Grounded');
    good(await sign('mechanic'));
    expect(await verdict()).toBe('Released');
  });
  it('signed by ten at once stands once, and the others are told', async () => {
    at('2026-11-24T20:00:00Z');
    const outcomes = await Promise.all(
      Array.from({ length: 10 }, (_n, turn) => sign(turn % 2 === 0 ? 'renter' : 'instructor')),
    );
    expect(outcomes.filter(({ ok }) => ok)).toHaveLength(1);
    expect(
      outcomes
        .filter(({ ok }) => !ok)
        .map(bad)
        .every(({ code }) => code === 'conflict' || code === 'invalid'),
    ).toBe(true);
  });
  it('carries over what was flown on the last day, and what is not known is never guessed', async () => {
    const flown = (
      hour: number,
      service: readonly [number, number],
      landings: number | null,
      oilAdded: string | null,
    ) => {
      const leftAt = addSeconds(instantFromMilliseconds(Date.parse('2026-11-22T22:00:00Z')), hour * 3600);
      const dial = randomUUID();
      const reading = (value: number) => [
        { dial, name: 'Air switch', shown: '', values: [{ meter: 'time-in-service' as const, value }] },
      ];
      return {
        id: randomUUID(),
        aircraftId: club.aircraftId,
        personName: 'R. Venn',
        purpose: null,
        crew: null,
        readings: reading(service[0]),
        fuelAboard: null,
        oilAboard: null,
        remarks: null,
        leftAt,
        recordedAt: leftAt,
        returned: {
          readings: reading(service[1]),
          landings,
          towLaunches: null,
          billed: null,
          billedFrom: null,
          fuelAdded: null,
          oilAdded,
          report: { kind: 'nothing-to-report' as const },
          at: addSeconds(leftAt, 5400),
          recordedAt: addSeconds(leftAt, 5400),
        },
      };
    };
    const bring = (...flights: ReturnType<typeof flown>[]) =>
      inClub(club.ports.db, club.clubId, async (tx) => {
        await insertFlown(tx, club.clubId, club.aircraftId, 'x', flights);
        await appendToLedger(
          tx,
          {
            clubId: club.clubId,
            aircraftId: null,
            revision: null,
            act: 'load-records',
            actor: { personId: 'x', name: 'X' },
            recordedAt: club.ports.now(),
            record: {},
          },
          club.ports.sha256,
        );
      });
    expect((await view()).daily.carried).toBeNull();
    // By hand: 1.5 h + 0.8 h = 2.3 h, 3 + 1 landings, on 23 November at the field.
    await bring(flown(0, [0, 5400], 3, '1 US qt'), flown(3, [5400, 8280], 1, null));
    expect((await view()).daily.carried).toBe(
      '23 Nov 2026: 2 flights · 2.3 h · 4 landings · oil added 1 US qt · in service 4150.3 h',
    );
    at('2026-11-24T20:00:00Z');
    good(await sign('renter'));
    at('2026-11-25T20:00:00Z');
    expect((await view()).daily.before[0]).toContain(
      '25 Nov 2026: The renter, pilot, P-1. Carried over from 23 Nov 2026: 2 flights · 2.3 h',
    );
    await bring(flown(27, [8280, 9000], null, null));
    expect((await view()).daily.carried).toBe(
      '24 Nov 2026: 1 flight · 0.2 h · landings not known · no oil added · in service 4150.3 h',
    );
  });
});

describe('a release', () => {
  it('is issued by a licensed engineer, or copied from paper, and then counts once somebody vouches for it', async () => {
    good(
      await issue({
        expiresOn: civilDate('2026-11-24'),
        required: [{ id: 'work-1', what: 'Look at the hose', by: null, at: hours('4200') }],
      }),
    );
    expect(await told()).toBe('signed a maintenance release that expires 24 Nov 2026');
    expect(await view()).toMatchObject({
      release: {
        issued: '24 Nov 2026 at 4150.3 h',
        expires: '24 Nov 2026 or at 4250.3 h, whichever comes first',
        signed: 'The mechanic, licensed aircraft maintenance engineer, L-1',
        required: [{ what: 'Look at the hose', due: 'at 4200.0 h', done: null }],
      },
    });
    expect(await verdict()).toBe('Released');
    // To the day and not to the month's end.
    at('2026-11-24T13:00:00Z');
    good(await sign('renter'));
    expect(await verdict()).toBe('Grounded');
    at('2026-11-24T14:00:00Z');
    const { entryId } = good(
      await issue({ issuedOn: civilDate('2026-11-25'), signer: copied }, 'dispatcher'),
    );
    // A copy by itself opens nothing: somebody who did not make it compares it with the document.
    expect(await verdict()).toBe('Grounded');
    const vouching = async (by: Role) =>
      vouch(club.ports, club.actor(by), {
        aircraftId: club.aircraftId,
        seenRevision: (await view()).revision,
        records: [{ vouchId: randomUUID(), recordId: entryId }],
        note: 'Compared with the document',
        password: PASSWORD,
      });
    expect(bad(await vouching('dispatcher')).code).toBe('not-entitled');
    good(await vouching('administrator'));
    expect(await verdict()).toBe('Released');
  });
  it.each<readonly [string, Partial<IssuedRelease>, Role, string]>([
    [
      'a pilot’s certificate',
      { signer: { by: 'own-certificate', certificateId: '' } },
      'mechanic',
      'not-entitled',
    ],
    ['a day to come', { issuedOn: civilDate('2026-11-25') }, 'mechanic', 'invalid'],
    ['a renter', {}, 'renter', 'not-entitled'],
    ['a dispatcher who signs', {}, 'dispatcher', 'not-entitled'],
    ['a copied pilot', { signer: { ...copied, kind: 'pilot' } }, 'dispatcher', 'invalid'],
    [
      'a copied certificate that was not valid then',
      { signer: { ...copied, validUntil: civilDate('2026-11-01') } },
      'dispatcher',
      'invalid',
    ],
    ['a wrong password', { password: 'x' }, 'mechanic', 'invalid'],
  ])('refuses %s', async (_name, given, role, code) => {
    const signer = given.signer?.by === 'own-certificate' ? own('renter') : given.signer;
    expect(bad(await issue({ ...given, ...(signer === undefined ? {} : { signer }) }, role)).code).toBe(code);
  });
  it('of another registration closes, and one issued before the one in force changes nothing', async () => {
    good(
      await issue(
        {
          issuedOn: civilDate('2026-02-01'),
          issuedAt: hours('4000'),
          expiresOn: civilDate('2026-08-01'),
          expiresAt: hours('4100'),
          signer: copied,
        },
        'dispatcher',
      ),
    );
    expect(await verdict()).toBe('Released');
    good(await issue({ registrationShown: 'VH-TB0X2' }));
    expect(await verdict()).toBe('Grounded');
  });
  it('suspended closes at once, and comes into force again only by a signature that counts', async () => {
    good(await to({ to: 'suspended', why: 'Fuel smell in the cabin' }, 'dispatcher'));
    expect(await told()).toBe('suspended the maintenance release: Fuel smell in the cabin');
    expect([await verdict(), (await view()).release?.standing]).toEqual(['Grounded', 'suspended']);
    const back = {
      to: 'in-force' as const,
      why: 'Hose replaced',
      signer: own('mechanic'),
      password: PASSWORD,
    };
    expect(bad(await to(back, 'dispatcher')).code).toBe('not-entitled');
    expect(bad(await to({ ...back, signer: own('instructor') }, 'mechanic')).code).toBe('not-entitled');
    expect(bad(await to({ ...back, signer: { ...copied, kind: 'pilot' } }, 'dispatcher')).code).toBe(
      'invalid',
    );
    club.ports.at = addSeconds(club.ports.at, 60);
    good(await to(back));
    expect(await verdict()).toBe('Released');
    expect(bad(await to(back)).code).toBe('invalid');
  });
  it('suspended by a clock that was set back is suspended anyway', async () => {
    good(await issue());
    club.ports.at = addSeconds(club.ports.at, -3600);
    good(await to({ to: 'suspended', why: 'Fuel smell in the cabin' }, 'dispatcher'));
    expect([await verdict(), (await view()).release?.standing]).toEqual(['Grounded', 'suspended']);
  });
  it('cancelled stays cancelled', async () => {
    good(await to({ to: 'cancelled', why: 'Another one is issued' }));
    expect(await verdict()).toBe('Grounded');
    club.ports.at = addSeconds(club.ports.at, 60);
    expect(
      bad(await to({ to: 'in-force', why: 'x', signer: own('mechanic'), password: PASSWORD })).code,
    ).toBe('invalid');
    expect(bad(await to({ to: 'suspended', why: 'x' })).code).toBe('invalid');
  });
  it('not aboard closes; anybody of the club may say so and confirm that it is still there, and somebody entitled says that it is back', async () => {
    good(await to({ to: 'seen', aboard: true, registrationShown: null }, 'renter'));
    expect(await verdict()).toBe('Released');
    club.ports.at = addSeconds(club.ports.at, 60);
    good(await to({ to: 'seen', aboard: false, registrationShown: null }, 'student'));
    expect(await verdict()).toBe('Grounded');
    club.ports.at = addSeconds(club.ports.at, 60);
    expect(bad(await to({ to: 'seen', aboard: true, registrationShown: null }, 'renter')).code).toBe(
      'not-entitled',
    );
    good(await to({ to: 'seen', aboard: true, registrationShown: null }, 'dispatcher'));
    expect(await verdict()).toBe('Released');
  });
  it('work put on its list closes when it is due, and opens when somebody entitled signs that it was done', async () => {
    good(await to({ to: 'required', what: 'Tighten the exhaust clamp', by: null, at: null }, 'instructor'));
    expect(await verdict()).toBe('Grounded');
    const open =
      (await view()).release?.required.find(({ what }) => what === 'Tighten the exhaust clamp')?.id ?? '';
    club.ports.at = addSeconds(club.ports.at, 60);
    expect(
      bad(
        await to(
          {
            to: 'done',
            required: open,
            on: civilDate('2026-11-24'),
            signer: own('mechanic'),
            password: PASSWORD,
          },
          'renter',
        ),
      ).code,
    ).toBe('not-entitled');
    expect(
      bad(
        await to({
          to: 'done',
          required: open,
          on: civilDate('2026-11-25'),
          signer: own('mechanic'),
          password: PASSWORD,
        }),
      ).code,
    ).toBe('invalid');
    good(
      await to({
        to: 'done',
        required: open,
        on: civilDate('2026-11-24'),
        signer: own('mechanic'),
        password: PASSWORD,
      }),
    );
    expect(await told()).toBe('signed work on the maintenance release as done: Tighten the exhaust clamp');
    expect(await verdict()).toBe('Released');
    expect(
      bad(
        await to({
          to: 'done',
          required: open,
          on: civilDate('2026-11-24'),
          signer: own('mechanic'),
          password: PASSWORD,
        }),
      ).code,
    ).toBe('invalid');
  });
  it('is changed only by the person who saw the one that counts', async () => {
    const { release: old, revision } = await view();
    good(await issue());
    expect(
      bad(
        await changeRelease(club.ports, club.actor('mechanic'), {
          entryId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: revision,
          releaseId: old?.id ?? '',
          change: { to: 'suspended', why: 'x' },
        }),
      ).code,
    ).toBe('conflict');
    expect(
      bad(
        await changeRelease(club.ports, club.actor('mechanic'), {
          entryId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: revision + 1,
          releaseId: old?.id ?? '',
          change: { to: 'suspended', why: 'x' },
        }),
      ),
    ).toMatchObject({ problems: [{ path: 'releaseId' }] });
  });
  it('means nothing where the rules know none', async () => {
    const us = await testClub();
    expect(
      bad(
        await issueRelease(us.ports, us.actor('mechanic'), {
          entryId: randomUUID(),
          aircraftId: us.aircraftId,
          seenRevision: 1,
          registrationShown: 'N02TB',
          issuedOn: civilDate('2026-11-24'),
          issuedAt: hours('1'),
          expiresOn: civilDate('2027-11-24'),
          expiresAt: hours('2'),
          aboard: true,
          required: [],
          signer: { by: 'own-certificate', certificateId: us.certificateOf('mechanic') },
          password: PASSWORD,
        }),
      ).code,
    ).toBe('invalid');
    expect(
      (
        await inClub(us.ports.db, us.clubId, (tx) =>
          folder(tx, us.actor('mechanic'), 'N02TB', us.ports.now()),
        )
      )?.release,
    ).toBeNull();
  });
});

describe('what a form may send', () => {
  const base = {
    entryId: randomUUID(),
    aircraftId: randomUUID(),
    seenRevision: 1,
    password: 'x',
    signer: { by: 'own-certificate', certificateId: randomUUID() },
  };
  const given = {
    ...base,
    registrationShown: 'VH-TB0X1',
    issuedOn: '2026-11-24',
    issuedAt: 100,
    expiresOn: '2027-11-24',
    expiresAt: 200,
    aboard: true,
    required: [],
  };
  it.each([
    ['expires before it was issued', { expiresOn: '2026-11-23' }, 'expiresOn'],
    ['expires at fewer hours', { expiresAt: 99 }, 'expiresAt'],
    ['no word on whether it is aboard', { aboard: undefined }, 'aboard'],
    ['hours with a third decimal', { issuedAt: 1.234 }, 'issuedAt'],
  ])('refuses %s', (_name, wrong, path) => {
    expect(issueReleaseSchema.safeParse({ ...given, ...wrong }).error?.issues[0]?.path.join('.')).toBe(path);
  });
  it('takes one that expires on the day and at the hours of its issue', () => {
    expect(issueReleaseSchema.safeParse({ ...given, expiresOn: '2026-11-24', expiresAt: 100 }).success).toBe(
      true,
    );
  });
  it('opens nothing without a signature', () => {
    for (const to of ['done', 'in-force'])
      expect(
        changeReleaseSchema.safeParse({
          ...base,
          releaseId: randomUUID(),
          change: { to, why: 'x', required: 'a', on: '2026-11-24' },
        }).success,
      ).toBe(false);
  });
});
