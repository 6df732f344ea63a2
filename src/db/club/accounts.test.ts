import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { beforeAll, describe, expect, it } from 'vitest';
import { foundClub } from '@/commands/club/found-club';
import { changeRoles } from '@/commands/club/members';
import { cleanCase } from '@/testing/clean-case';
import { good, testClub } from '@/testing/database';
import type { Role } from '@/contracts/club/roles';
import { asPerson } from '../kernel/club-transaction';
import { chooseClub, whoHas } from './accounts';

let club: Awaited<ReturnType<typeof testClub>>;
beforeAll(async () => {
  club = await testClub();
});

/** A session of somebody, as the authentication library writes one. */
async function session(personId: string, lasts = '1 hour'): Promise<{ token: string; id: string }> {
  const [token, id] = [randomUUID(), randomUUID()];
  const { db } = club.ports;
  await sql`insert into auth."user" (id, name, email, "emailVerified", "updatedAt") values (${personId}, 'Somebody', ${`${personId}@club.example`}, true, now()) on conflict (id) do update set "updatedAt" = now()`.execute(
    db,
  );
  await sql`insert into auth.session (id, "expiresAt", token, "updatedAt", "userId") values (${id}, now() + ${lasts}::interval, ${token}, now(), ${personId})`.execute(
    db,
  );
  return { token, id };
}

describe('who has a session', () => {
  it('a person with the clubs that they belong to, in one question', async () => {
    const { personId } = club.actor('mechanic');
    const { token, id } = await session(personId);
    expect(await whoHas(club.ports.db, token)).toEqual({
      personId,
      email: `${personId}@club.example`,
      sessionId: id,
      memberships: [
        { clubId: club.clubId, personId, name: expect.any(String) as string, roles: ['mechanic'] },
      ],
      chosenClubId: null,
    });
  });
  it('nobody has one that ended, was never there, or was taken away', async () => {
    const { personId } = club.actor('dispatcher');
    const ended = await session(personId, '-1 second');
    const lasting = await session(personId);
    const ask = (token: string) => whoHas(club.ports.db, token);
    expect([await ask(ended.token), await ask(randomUUID()), await ask('')]).toEqual([null, null, null]);
    expect((await ask(lasting.token))?.personId).toBe(personId);
    await sql`delete from auth.session where id = ${lasting.id}`.execute(club.ports.db);
    expect(await ask(lasting.token)).toBeNull();
  });
  it('a change of roles counts at once, and without a role somebody belongs to the club no longer', async () => {
    const administrator = club.actor('administrator');
    const { personId } = club.actor('instructor');
    const { token } = await session(personId);
    const roles = async () =>
      (await whoHas(club.ports.db, token))?.memberships.map((membership) => membership.roles);
    const change = async (to: readonly Role[]) =>
      good(
        await changeRoles(club.ports, administrator, {
          changeId: randomUUID(),
          personId,
          name: 'The instructor',
          roles: [...to],
        }),
      );
    await change(['renter']);
    expect(await roles()).toEqual([['renter']]);
    await change([]);
    expect(await roles()).toEqual([]);
  });
  it('in two clubs: each by the day of joining, the chosen one named, and nothing of a third', async () => {
    const { personId } = club.actor('student');
    const { token, id } = await session(personId);
    const { facts, packs } = cleanCase();
    const secondId = randomUUID();
    good(
      await foundClub(club.ports, {
        clubId: secondId,
        name: 'Second club',
        place: facts.place,
        packs,
        members: [{ personId, name: 'In the second', roles: ['renter'], certificates: [] }],
      }),
    );
    await testClub();
    await asPerson(club.ports.db, personId, (tx) => chooseClub(tx, id, secondId));
    const found = await whoHas(club.ports.db, token);
    expect(found?.chosenClubId).toBe(secondId);
    expect(found?.memberships.map(({ clubId, name }) => [clubId, name]).toSorted()).toEqual(
      [
        [club.clubId, 'The student'],
        [secondId, 'In the second'],
      ].toSorted(),
    );
  });
  it('leaves no trace of the person on the connection', async () => {
    const { personId } = club.actor('mechanic');
    const { token } = await session(personId);
    await club.ports.db.connection().execute(async (one) => {
      await whoHas(one as never, token);
      const { rows } = await sql<{
        person: string | null;
      }>`select nullif(current_setting('groval.person', true), '') as person`.execute(one);
      expect(rows[0]?.person).toBeNull();
    });
  });
});
