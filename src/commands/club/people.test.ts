import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { clubChangeSchema } from '@/contracts/club/founding';
import { admitSchema } from '@/contracts/club/people';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { accountsOf } from '@/db/club/accounts';
import { asPerson, inClub } from '@/db/kernel/club-transaction';
import { membershipsOf } from '@/db/club/clubs';
import { clubPage } from '@/queries/club/club';
import { people } from '@/queries/club/people';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { NO_EFFECTS } from '@/testing/work';
import { newNick } from '@/testing/entries';
import { clearList } from '../maintenance/clear-list';
import { changeClub } from './change-club';
import { acceptLink, lookAtLink, takeUpLink } from './take-up-link';
import { admit, makeLinkFor, revokeLink } from './links';
import { changeRoles, endCertificate, enterCertificate } from './members';
import { returnToService } from '../findings/return-to-service';
import { reportFinding } from '../findings/report-finding';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const admin = () => club.actor('administrator');
const listed = async (personId: string) =>
  (await inClub(club.ports.db, club.clubId, (tx) => people(tx, admin(), club.ports.now()))).people.find(
    (one) => one.personId === personId,
  );
const secretOf = (path: string) => ({ club: club.clubId, secret: path.split('.').at(-1) ?? '' });
const roles = (personId: string) =>
  asPerson(club.ports.db, personId, async (tx) => (await membershipsOf(tx, personId))[0]?.roles ?? []);

async function admitted(change: Partial<{ name: string; email: string }> = {}) {
  const email = change.email ?? `${randomUUID()}@example.org`;
  const { path, personId } = good(
    await admit(club.ports, admin(), {
      admissionId: randomUUID(),
      name: 'Bo Tarn',
      email,
      roles: ['mechanic'],
      ...change,
    }),
  );
  if (personId === null) throw new Error('has an account already');
  return { personId, path, email, ...secretOf(path) };
}

describe('a link to join', () => {
  it('makes the account once, under the name and address that the administrator entered', async () => {
    const { personId, email, secret } = await admitted();
    expect(await listed(personId)).toMatchObject({ access: 'invited', roles: ['mechanic'] });
    expect(good(await lookAtLink(club.ports, club.clubId, secret))).toEqual({
      name: 'Bo Tarn',
      kind: 'join',
      email,
      club: 'Test club',
    });
    // A club that was renamed since shows its new name.
    const { club: stands, changes } = await inClub(club.ports.db, club.clubId, (tx) =>
      clubPage(tx, club.clubId),
    );
    good(
      await changeClub(
        club.ports,
        admin(),
        clubChangeSchema.parse({
          changeId: randomUUID(),
          seen: changes,
          club: { ...stands, name: 'Renamed club' },
          why: 'A new name',
          password: PASSWORD,
        }),
      ),
    );
    expect(good(await lookAtLink(club.ports, club.clubId, secret)).club).toBe('Renamed club');
    expect(
      good(await takeUpLink(club.ports, { club: club.clubId, secret, password: 'long-enough-1' })),
    ).toEqual({ email });
    expect(await listed(personId)).toMatchObject({ access: 'account', link: null });
    expect(
      bad(await takeUpLink(club.ports, { club: club.clubId, secret, password: 'long-enough-2' })),
    ).toMatchObject({ code: 'not-found' });
  });
  it('taken up by two at once, makes one account', async () => {
    const { personId, secret } = await admitted();
    const outcomes = await Promise.all(
      Array.from({ length: 6 }, (_, at) =>
        takeUpLink(club.ports, { club: club.clubId, secret, password: `long-enough-${at}` }).catch(
          () => null,
        ),
      ),
    );
    expect(outcomes.filter((one) => one?.ok)).toHaveLength(1);
    expect((await inClub(club.ports.db, club.clubId, (tx) => accountsOf(tx, [personId]))).size).toBe(1);
  });
  it.each([
    [
      'revoked',
      async (secret: string) => {
        const id =
          (
            await inClub(club.ports.db, club.clubId, (tx) => people(tx, admin(), club.ports.now()))
          ).people.find(({ link }) => link !== null)?.link?.id ?? '';
        good(await revokeLink(club.ports, admin(), id));
        return secret;
      },
    ],
    [
      'a week old',
      (secret: string) => {
        club.ports.at = addSeconds(club.ports.at, 7 * 86_400 + 1);
        return Promise.resolve(secret);
      },
    ],
    ['another one', () => Promise.resolve('0'.repeat(64))],
  ])('does nothing when it is %s', async (_, change) => {
    const { secret } = await admitted();
    const now = await change(secret);
    expect([
      bad(await lookAtLink(club.ports, club.clubId, now)).code,
      bad(await takeUpLink(club.ports, { club: club.clubId, secret: now, password: 'long-enough-1' })).code,
    ]).toEqual(['not-found', 'not-found']);
  });
  it('does nothing in another club, and only the newest of several works', async () => {
    const other = await testClub();
    const { personId, secret } = await admitted();
    expect(
      bad(await takeUpLink(club.ports, { club: other.clubId, secret, password: 'long-enough-1' })).code,
    ).toBe('not-found');
    const { path } = good(await makeLinkFor(club.ports, admin(), { personId, email: null }));
    expect(
      bad(await takeUpLink(club.ports, { club: club.clubId, secret, password: 'long-enough-1' })).code,
    ).toBe('not-found');
    good(await takeUpLink(club.ports, { ...secretOf(path), password: 'long-enough-1' }));
  });
  it('for somebody who came with an archive needs an address', async () => {
    const { personId } = club.actor('renter');
    expect(bad(await makeLinkFor(club.ports, admin(), { personId, email: null }))).toMatchObject({
      problems: [{ path: 'email' }],
    });
    const { path } = good(
      await makeLinkFor(club.ports, admin(), { personId, email: `${personId}@example.org` }),
    );
    good(await takeUpLink(club.ports, { ...secretOf(path), password: 'long-enough-1' }));
    expect(await listed(personId)).toMatchObject({ access: 'account' });
  });
});

describe('somebody who has an account', () => {
  /** A person with an account that another club made, and what somebody signed in by it is. */
  async function fromAnotherClub() {
    const other = await testClub();
    const email = `${randomUUID()}@example.org`;
    const { path, personId } = good(
      await admit(other.ports, other.actor('administrator'), {
        admissionId: randomUUID(),
        name: 'Ola Fen',
        email,
        roles: ['renter'],
      }),
    );
    good(
      await takeUpLink(other.ports, {
        club: other.clubId,
        secret: path.split('.').at(-1) ?? '',
        password: 'long-enough-1',
      }),
    );
    if (personId === null) throw new Error('no new person');
    return { other, email, personId, person: { personId, email } };
  }
  const clubsOf = (personId: string) =>
    asPerson(club.ports.db, personId, async (tx) =>
      (await membershipsOf(tx, personId)).map(({ clubId }) => clubId),
    );
  const offer = async (email: string) =>
    good(
      await admit(club.ports, admin(), {
        admissionId: randomUUID(),
        name: 'Ola Fen',
        email,
        roles: ['mechanic'],
      }),
    );

  it('is no member before they have accepted it themselves, signed in by that address; the club that they are in stays theirs', async () => {
    const { other, email, personId, person } = await fromAnotherClub();
    const { path, personId: made } = await offer(email);
    expect(made).toBeNull();
    expect(await clubsOf(personId)).toEqual([other.clubId]);
    const shown = await inClub(club.ports.db, club.clubId, (tx) => people(tx, admin(), club.ports.now()));
    expect([shown.people.some((one) => one.personId === personId), shown.offers]).toMatchObject([
      false,
      [{ name: 'Ola Fen', roles: ['mechanic'] }],
    ]);
    // Nobody chooses a password by it, and nobody else accepts it.
    expect(
      bad(await takeUpLink(club.ports, { ...secretOf(path), password: 'taken-over-1' })).message,
    ).toContain('Sign in and accept');
    expect(
      bad(
        await acceptLink(
          club.ports,
          { personId: admin().personId, email: 'somebody-else@example.org' },
          secretOf(path),
        ),
      ).code,
    ).toBe('not-entitled');
    good(await acceptLink(club.ports, person, secretOf(path)));
    expect((await clubsOf(personId)).toSorted()).toEqual([other.clubId, club.clubId].toSorted());
    expect(await listed(personId)).toMatchObject({ roles: ['mechanic'], access: 'account', mayReset: false });
    expect(bad(await acceptLink(club.ports, person, secretOf(path))).code).toBe('not-found');
  });
  it.each([
    [
      'the club that they joined second',
      (_: Awaited<ReturnType<typeof testClub>>) => [club, admin()] as const,
    ],
    [
      'the club that made the account, once they are in another as well',
      (other: Awaited<ReturnType<typeof testClub>>) => [other, other.actor('administrator')] as const,
    ],
  ])('gets no link for a new password from %s', async (_, by) => {
    const { other, email, personId, person } = await fromAnotherClub();
    good(await acceptLink(club.ports, person, secretOf((await offer(email)).path)));
    const [where, who] = by(other);
    expect(bad(await makeLinkFor(where.ports, who, { personId, email: null }))).toMatchObject({
      code: 'not-entitled',
    });
    expect(bad(await makeLinkFor(where.ports, who, { personId, email: 'mine@example.org' }))).toMatchObject({
      code: 'not-entitled',
    });
  });
  it('a link that was made before they joined another club is worth nothing afterwards', async () => {
    const { other, email, personId, person } = await fromAnotherClub();
    const { path } = good(
      await makeLinkFor(other.ports, other.actor('administrator'), { personId, email: null }),
    );
    good(await acceptLink(club.ports, person, secretOf((await offer(email)).path)));
    expect(
      bad(
        await takeUpLink(other.ports, {
          club: other.clubId,
          secret: path.split('.').at(-1) ?? '',
          password: 'taken-over-1',
        }),
      ).code,
    ).toBe('not-found');
  });
  it('is not shown by the address of an account that another club made', async () => {
    const { email, personId, person } = await fromAnotherClub();
    good(await acceptLink(club.ports, person, secretOf((await offer(email)).path)));
    expect(await listed(personId)).toMatchObject({ email: null });
  });
  it('and belongs to the club already is told apart', async () => {
    const { email } = await (async () => {
      const one = await admitted();
      good(
        await takeUpLink(club.ports, { club: club.clubId, secret: one.secret, password: 'long-enough-1' }),
      );
      return one;
    })();
    expect(
      bad(
        await admit(club.ports, admin(), { admissionId: randomUUID(), name: 'X', email, roles: ['renter'] }),
      ),
    ).toMatchObject({ problems: [{ path: 'email' }] });
  });
  it('an id that a client chooses makes nobody a member: the schema takes none', () => {
    expect(
      admitSchema.safeParse({
        admissionId: randomUUID(),
        personId: randomUUID(),
        name: 'X',
        email: 'x@example.org',
        roles: ['renter'],
      }).success,
    ).toBe(false);
  });
});

describe('what is sent again', () => {
  it('of roles and certificates is taken as received only where it is identical', async () => {
    const { personId } = await admitted();
    const change = { changeId: randomUUID(), personId, name: 'Bo Tarn', roles: ['renter' as const] };
    good(await changeRoles(club.ports, admin(), change));
    expect(bad(await changeRoles(club.ports, admin(), { ...change, roles: ['mechanic'] })).code).toBe(
      'invalid',
    );
    const certificate = {
      certificateId: randomUUID(),
      personId,
      kind: 'pilot' as const,
      number: 'P-77',
      validFrom: civilDate('2020-01-01'),
      validUntil: 'no-expiry' as const,
    };
    good(await enterCertificate(club.ports, admin(), certificate));
    good(await enterCertificate(club.ports, admin(), certificate));
    expect(bad(await enterCertificate(club.ports, admin(), { ...certificate, number: 'P-78' })).code).toBe(
      'invalid',
    );
  });
});

describe('a link for a new password', () => {
  it('sets it, once, within a day, and is on record', async () => {
    const { personId, secret } = await admitted();
    good(await takeUpLink(club.ports, { club: club.clubId, secret, password: 'long-enough-1' }));
    const { path } = good(await makeLinkFor(club.ports, admin(), { personId, email: null }));
    expect(good(await lookAtLink(club.ports, club.clubId, secretOf(path).secret)).kind).toBe('new-password');
    expect((await listed(personId))?.link?.words).toContain(
      'link for a new password, made by The administrator',
    );
    good(await takeUpLink(club.ports, { ...secretOf(path), password: 'long-enough-2' }));
    const acts = await inClub(club.ports.db, club.clubId, (tx) =>
      tx.selectFrom('ledger').select('act').where('chain', '=', 'club').orderBy('seq').execute(),
    );
    expect(acts.map(({ act }) => act).slice(1)).toEqual([
      'admit-person',
      'join',
      'make-link',
      'new-password',
    ]);
    const late = good(await makeLinkFor(club.ports, admin(), { personId, email: null }));
    club.ports.at = addSeconds(club.ports.at, 86_401);
    expect(
      bad(await takeUpLink(club.ports, { ...secretOf(late.path), password: 'long-enough-3' })).code,
    ).toBe('not-found');
  });
});

describe('roles', () => {
  it('are those of the last word, though several fall on one moment or the clock is set back', async () => {
    const personId = club.actor('renter').personId;
    for (let round = 0; round < 12; round += 1) {
      const last = round % 2 === 0 ? ['renter' as const] : ['mechanic' as const];
      if (round % 4 === 3) club.ports.at = addSeconds(club.ports.at, -3600);
      good(
        await changeRoles(club.ports, admin(), {
          changeId: randomUUID(),
          personId,
          name: 'The renter',
          roles: last,
        }),
      );
      expect([await roles(personId), (await listed(personId))?.roles]).toEqual([last, last]);
    }
  });
  it('change from now on; without any the membership ends, and nobody gets in by a link', async () => {
    const { personId, secret } = await admitted();
    const change = { changeId: randomUUID(), personId, name: 'Bo Tarn', roles: ['renter' as const] };
    good(await changeRoles(club.ports, admin(), change));
    good(await changeRoles(club.ports, admin(), change));
    expect(await roles(personId)).toEqual(['renter']);
    club.ports.at = addSeconds(club.ports.at, 1);
    good(await changeRoles(club.ports, admin(), { ...change, changeId: randomUUID(), roles: [] }));
    expect(await roles(personId)).toEqual([]);
    expect(
      bad(await takeUpLink(club.ports, { club: club.clubId, secret, password: 'long-enough-1' })).code,
    ).toBe('not-found');
    expect(bad(await makeLinkFor(club.ports, admin(), { personId, email: null })).code).toBe('invalid');
  });
  it('there is always an administrator, also when two of them end each other at once', async () => {
    const [first, second] = [admin(), club.actor('dispatcher')];
    expect(
      bad(
        await changeRoles(club.ports, first, {
          changeId: randomUUID(),
          personId: first.personId,
          name: first.name,
          roles: ['renter'],
        }),
      ),
    ).toMatchObject({ problems: [{ path: 'roles' }] });
    good(
      await changeRoles(club.ports, first, {
        changeId: randomUUID(),
        personId: second.personId,
        name: second.name,
        roles: ['administrator'],
      }),
    );
    club.ports.at = addSeconds(club.ports.at, 1);
    const both = { ...second, roles: ['administrator'] };
    await Promise.all([
      changeRoles(club.ports, first, {
        changeId: randomUUID(),
        personId: second.personId,
        name: second.name,
        roles: [],
      }),
      changeRoles(club.ports, both, {
        changeId: randomUUID(),
        personId: first.personId,
        name: first.name,
        roles: [],
      }),
    ]);
    expect([await roles(first.personId), await roles(second.personId)].flat()).toEqual(['administrator']);
  });
  it.each(['dispatcher', 'mechanic', 'safety-officer', 'instructor', 'renter', 'student'] as const)(
    'are not for the %s to change',
    async (role) => {
      const actor = club.actor(role);
      expect([
        bad(
          await admit(club.ports, actor, {
            admissionId: randomUUID(),
            name: 'X',
            email: 'x@example.org',
            roles: ['renter'],
          }),
        ).code,
        bad(await makeLinkFor(club.ports, actor, { personId: admin().personId, email: null })).code,
        bad(
          await changeRoles(club.ports, actor, {
            changeId: randomUUID(),
            personId: actor.personId,
            name: 'X',
            roles: ['administrator'],
          }),
        ).code,
        bad(
          await enterCertificate(club.ports, actor, {
            certificateId: randomUUID(),
            personId: actor.personId,
            kind: 'inspection-authorisation',
            number: '1',
            validFrom: '2020-01-01' as never,
            validUntil: 'no-expiry',
          }),
        ).code,
        bad(await endCertificate(club.ports, actor, { certificateId: randomUUID(), why: 'x' })).code,
        bad(await revokeLink(club.ports, actor, randomUUID())).code,
      ]).toEqual(Array(6).fill('not-entitled'));
      expect(
        (await inClub(club.ports.db, club.clubId, (tx) => people(tx, actor, club.ports.now()))).people.every(
          ({ email, link }) => email === null && link === null,
        ),
      ).toBe(true);
    },
  );
});

describe('certificates', () => {
  it('one that was entered signs, and one that ended signs nothing more', async () => {
    const certificateId = randomUUID();
    const mechanic = club.actor('mechanic');
    const found = async () => {
      const findingId = randomUUID();
      good(
        await reportFinding(club.ports, club.actor('student'), { ...newNick(club), findingId, what: 'Nick' }),
      );
      return findingId;
    };
    const repair = async (discrepancyId: string) =>
      returnToService(club.ports, mechanic, {
        rectificationId: randomUUID(),
        discrepancyId,
        seenRevision: (
          await inClub(club.ports.db, club.clubId, (tx) =>
            tx.selectFrom('aircraft').select('revision').executeTakeFirstOrThrow(),
          )
        ).revision,
        work: 'repaired',
        effects: NO_EFFECTS,
        workId: randomUUID(),
        description: 'Blended.',
        completedOn: '2026-11-24' as never,
        certificateId,
        password: PASSWORD,
      });
    expect(bad(await repair(await found())).code).toBe('not-entitled');
    good(
      await enterCertificate(club.ports, admin(), {
        certificateId,
        personId: mechanic.personId,
        kind: 'repair-station',
        number: 'RS-9',
        validFrom: '2020-01-01' as never,
        validUntil: 'no-expiry',
      }),
    );
    good(await repair(await found()));
    good(await endCertificate(club.ports, admin(), { certificateId, why: 'handed back' }));
    expect(bad(await repair(await found())).code).toBe('not-entitled');
    expect(
      (await listed(mechanic.personId))?.certificates.filter(({ ended }) => ended !== null),
    ).toMatchObject([{ id: certificateId, ended: 'handed back', holds: false }]);
    expect(bad(await endCertificate(club.ports, admin(), { certificateId, why: 'again' })).code).toBe(
      'not-found',
    );
    expect(
      bad(
        await clearList(club.ports, mechanic, {
          clearanceId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: 1,
          inspection: randomUUID(),
          on: '2026-11-24' as never,
          description: 'x',
          certificateId,
          password: PASSWORD,
        }),
      ).code,
    ).toBe('conflict');
  });
});
