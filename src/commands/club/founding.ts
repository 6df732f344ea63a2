import { packsOf, type Founding } from '@/contracts/club/founding';
import type { Plain } from '@/core/decision/canonical';
import {
  anyAccount,
  clubWithoutAccounts,
  forgetFoundingCodes,
  foundingCodeKnown,
  insertAccount,
  keepFoundingCode,
} from '@/db/club/accounts';
import { STRANGERS } from '@/db/kernel/club-share';
import { inClub } from '@/db/kernel/club-transaction';
import { readClub } from '@/db/club/clubs';
import { insertClub, insertMembers } from '@/db/club/club-rows';
import { appendToLedger } from '@/db/kernel/ledger';
import { Refused, refused, runCommand, type Outcome, type Ports, type Refusal } from '../kernel/command';

/** A club's id that no club has, for transactions that belong to none yet. */
const NO_CLUB = '00000000-0000-0000-0000-000000000000';

const codeHash = (sha256: Ports['sha256'], code: string): Uint8Array =>
  sha256(Buffer.from(`founding/${code.replaceAll(/[^0-9a-z]/gi, '').toLowerCase()}`, 'utf8'));

const NOT_THE_CODE: Refusal = {
  code: 'invalid',
  message:
    'This is not the code. It was printed when the server started, such as 3f9a2-07c1e-b44d0-9a8e1; starting it again prints another.',
  problems: [{ path: 'code', message: 'is not the code' }],
};

/** The one-time code of an installation in which nobody has an account, to be shown to the person who started it; null where somebody has one. */
export async function foundingCode(
  ports: Pick<Ports, 'db' | 'now' | 'newId' | 'sha256'>,
): Promise<string | null> {
  return inClub(ports.db, NO_CLUB, async (tx) => {
    if (await anyAccount(tx)) return null;
    const letters = `${ports.newId()}${ports.newId()}`.replaceAll('-', '').slice(0, 20);
    const code = (letters.match(/.{5}/g) ?? []).join('-');
    await keepFoundingCode(tx, codeHash(ports.sha256, code), ports.now());
    return code;
  });
}

/** Whether the installation waits for its first account, and the club that an archive brought in already. */
export async function foundingState(
  ports: Pick<Ports, 'db'>,
): Promise<{ readonly open: boolean; readonly club: string | null }> {
  const open = await inClub(ports.db, NO_CLUB, async (tx) => !(await anyAccount(tx)), STRANGERS);
  const waiting = open ? await inClub(ports.db, NO_CLUB, clubWithoutAccounts, STRANGERS) : null;
  // The club may have taken another name since it was founded.
  return {
    open,
    club:
      waiting == null
        ? null
        : (await inClub(ports.db, waiting.clubId, (tx) => readClub(tx, waiting.clubId))).name,
  };
}

/**
 * Makes the first account and, with it, the club; or takes charge of the club that an archive brought in. Once, by the code that was
 * printed when the server started. There is no actor yet: the installation itself does it.
 */
export async function found(ports: Ports, entry: Founding): Promise<Outcome<{ readonly clubId: string }>> {
  const at = ports.now();
  const personId = ports.newId();
  const code = codeHash(ports.sha256, entry.code);
  // Somebody without the code makes nobody hash anything.
  if (!(await inClub(ports.db, NO_CLUB, (tx) => foundingCodeKnown(tx, code), STRANGERS)))
    return refused(NOT_THE_CODE);
  const hash = await ports.hashPassword(entry.password);
  const actor = { personId: 'installation', name: 'the installation' };
  const waiting = await inClub(ports.db, NO_CLUB, clubWithoutAccounts, STRANGERS);
  const clubId = waiting?.clubId ?? ports.newId();
  return runCommand(() =>
    inClub(ports.db, clubId, async (tx) => {
      if (await anyAccount(tx))
        throw new Refused({
          code: 'invalid',
          message: 'Somebody has an account here already. Sign in, or ask the administrator for a link.',
          problems: [],
        });
      if (!(await foundingCodeKnown(tx, code))) throw new Refused(NOT_THE_CODE);
      const member = { personId, name: entry.name, roles: ['administrator'], certificates: [] };
      if (waiting === null) {
        if (entry.club === null)
          throw new Refused({
            code: 'invalid',
            message: 'Describe the club: its name, its field and its rules.',
            problems: [{ path: 'club', message: 'is missing' }],
          });
        const { name, field, latitude, longitude, zone } = entry.club;
        const club = {
          clubId,
          name,
          place: { name: field, latitude, longitude, zone },
          packs: packsOf(entry.club, null),
        };
        await insertClub(tx, club, at);
        await insertMembers(tx, clubId, [member], at);
        await appendToLedger(
          tx,
          {
            clubId,
            aircraftId: null,
            revision: null,
            act: 'found-club',
            actor,
            recordedAt: at,
            record: { ...club, members: [member] } as unknown as Plain,
          },
          ports.sha256,
        );
      } else {
        await insertMembers(tx, clubId, [member], at);
        await appendToLedger(
          tx,
          {
            clubId,
            aircraftId: null,
            revision: null,
            act: 'take-charge',
            actor,
            recordedAt: at,
            record: { personId, name: entry.name, roles: member.roles },
          },
          ports.sha256,
        );
      }
      await insertAccount(tx, { personId, name: entry.name, email: entry.email, hash, clubId });
      await forgetFoundingCodes(tx);
      return { clubId };
    }),
  );
}
