import { describe, expect, it } from 'vitest';
import { foundingSchema, type Founding, type FoundingInput } from '@/contracts/club/founding';
import type { ClubArchive } from '@/contracts/exchange/club-archive';
import { clubWithoutAccounts, findAccount } from '@/db/club/accounts';
import { asPerson, inClub } from '@/db/kernel/club-transaction';
import { membershipsOf, readClub } from '@/db/club/clubs';
import { clubArchive } from '@/queries/exchange/club-archive';
import { line } from '@/queries/aircraft/line';
import { bad, good, testClub, testPorts } from '@/testing/database';
import { emptyDatabase } from '@/testing/empty-database';
import { found, foundingCode, foundingState } from './founding';
import { importClub } from '../exchange/import-club';
import { makeLinkFor } from './links';
import { takeUpLink } from './take-up-link';

const entry = (code: string, change: Partial<FoundingInput> = {}): Founding =>
  foundingSchema.parse({
    code,
    name: 'Ada Quill',
    email: 'Ada@Example.org',
    password: 'long-enough-1',
    club: {
      name: 'Gull Point Flyers',
      field: 'Gull Point',
      latitude: 44.53,
      longitude: -64.02,
      zone: 'America/Halifax',
      authority: {
        id: 'us-part91',
        parameters: { trainingUnder: 'part-61', lessons: 'lessons-are-for-hire' },
      },
      policy: { documentCheckDays: 30 },
    },
    ...change,
  });

async function empty<T>(name: string, work: (ports: ReturnType<typeof testPorts>) => Promise<T>): Promise<T> {
  const { db, close } = await emptyDatabase(name);
  try {
    return await work({ ...testPorts((await testClub()).ports.now()), db });
  } finally {
    await close();
  }
}

describe('an installation in which nobody has an account', () => {
  it('is founded by the code that was printed, once, however it is typed', async () => {
    await empty('groval_founding_test', async (ports) => {
      expect(await foundingState(ports)).toEqual({ open: true, club: null });
      const [code, another] = [await foundingCode(ports), await foundingCode(ports)];
      expect(code).toMatch(/^([0-9a-f]{5}-){3}[0-9a-f]{5}$/);
      expect(another).not.toBe(code);
      expect(bad(await found(ports, entry('00000-00000-00000-00000')))).toMatchObject({
        problems: [{ path: 'code' }],
      });
      expect(bad(await found(ports, entry(code ?? '', { club: null })))).toMatchObject({
        problems: [{ path: 'club' }],
      });
      expect(await foundingState(ports)).toEqual({ open: true, club: null });
      // Two at once, each with a right code: one club.
      const outcomes = await Promise.all([
        found(ports, entry((code ?? '').toUpperCase().replaceAll('-', ' '))),
        found(ports, entry(another ?? '')),
      ]);
      expect(outcomes.filter(({ ok }) => ok)).toHaveLength(1);
      const [clubId = ''] = outcomes.flatMap((one) => (one.ok ? [one.value.clubId] : []));
      expect(await foundingState(ports)).toEqual({ open: false, club: null });
      expect(await foundingCode(ports)).toBeNull();
      const account = await inClub(ports.db, clubId, (tx) => findAccount(tx, { email: 'ada@example.org' }));
      expect(
        await asPerson(ports.db, account?.personId ?? '', (tx) => membershipsOf(tx, account?.personId ?? '')),
      ).toMatchObject([{ clubId, name: 'Ada Quill', roles: ['administrator'] }]);
      expect(await inClub(ports.db, clubId, (tx) => readClub(tx, clubId))).toMatchObject({
        name: 'Gull Point Flyers',
        place: { name: 'Gull Point', zone: 'America/Halifax' },
        packs: {
          authority: { parameters: { trainingUnder: 'part-61', lessons: 'lessons-are-for-hire' } },
          club: { parameters: { documentCheckDays: 30, insurance: 'required' } },
        },
      });
      expect((await inClub(ports.db, clubId, (tx) => line(tx, clubId, ports.now(), true))).rows).toEqual([]);
    });
  });
  it('whose club came with its archive is taken charge of, and its people get links', async () => {
    const club = await testClub();
    let text = '';
    await inClub(club.ports.db, club.clubId, async (tx) => {
      for await (const part of clubArchive(tx, club.clubId, club.ports.now())) text += part;
    });
    const archive = JSON.parse(text) as ClubArchive;
    await empty('groval_charge_test', async (ports) => {
      good(await importClub(ports, archive));
      expect(await foundingState(ports)).toEqual({ open: true, club: 'Test club' });
      const code = (await foundingCode(ports)) ?? '';
      expect(good(await found(ports, entry(code, { club: null })))).toEqual({ clubId: club.clubId });
      // Now that somebody has an account, nobody learns from outside which clubs there are.
      expect(await inClub(ports.db, club.clubId, clubWithoutAccounts)).toBeNull();
      const renter = club.actor('renter');
      const admin = { personId: 'x', name: 'Ada Quill', clubId: club.clubId, roles: ['administrator'] };
      const { path } = good(
        await makeLinkFor(ports, admin, { personId: renter.personId, email: 'renter@example.org' }),
      );
      expect(
        good(
          await takeUpLink(ports, {
            club: club.clubId,
            secret: path.split('.').at(-1) ?? '',
            password: 'long-enough-1',
          }),
        ),
      ).toEqual({ email: 'renter@example.org' });
    });
  });
  it.each([
    [
      'a looser policy than the authority’s',
      { club: { policy: { reserveDay: 10 } } },
      'club.policy.reserveDay',
    ],
    ['no time zone', { club: { zone: 'Tern/Bay' } }, 'club.zone'],
    ['a latitude beyond the pole', { club: { latitude: 91 } }, 'club.latitude'],
    ['a short password', { password: 'short' }, 'password'],
    ['no address', { email: 'nobody' }, 'email'],
    ['an authority without rules', { club: { authority: { id: 'other' } } }, 'club.authority.id'],
  ])(
    'refuses %s, and says where',
    (
      _,
      { club, ...change }: { readonly club?: object; readonly password?: string; readonly email?: string },
      path,
    ) => {
      const base = entry('x');
      const checked = foundingSchema.safeParse({ ...base, ...change, club: { ...base.club, ...club } });
      expect(checked.error?.issues.map((issue) => issue.path.join('.'))).toEqual([path]);
    },
  );
});
