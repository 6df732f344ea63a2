import {
  ARCHIVE_TABLES,
  ARCHIVE_TABLE_NAMES,
  clubArchiveSchema,
  type ClubArchive,
} from '@/contracts/exchange/club-archive';
import { problemsOf } from '@/contracts/kernel/problem';
import { LEDGER_ACTS } from '@/core/records/ledger-act';
import { archived } from '@/db/exchange/club-archive';
import { insertMany } from '@/db/kernel/bulk';
import { accountsOf } from '@/db/club/accounts';
import { inClub } from '@/db/kernel/club-transaction';
import { readHeads } from '@/db/kernel/ledger';
import { Refused, refused, runCommand, type Outcome, type Ports } from '../kernel/command';

/** What the database says of a row that cannot be right: a key twice, a reference to nothing, a check, a chain that does not continue, rows that the ledger does not count. */
const BROKEN = ['23505', '23503', '23514', '23502', '40001', 'GV001'];
/** So many problems of a file are told. */
const MOST_PROBLEMS = 20;

/**
 * Brings a whole club from its archive into an installation that does not have it: all of it or nothing. Its ledger is taken as it stands,
 * and the database looks at every link of it. There is no actor: the installation itself does it.
 */
export async function importClub(
  ports: Pick<Ports, 'db'>,
  given: unknown,
): Promise<Outcome<{ readonly clubId: string; readonly rows: number }>> {
  const checked = clubArchiveSchema.safeParse(given);
  if (!checked.success) {
    const problems = problemsOf(checked.error).slice(0, MOST_PROBLEMS);
    return refused({
      code: 'invalid',
      message: `This is no archive of a club that this version can read: ${problems
        .slice(0, 3)
        .map(({ path, message }) => `${path}: ${message}`)
        .join('; ')}. Export it again from the installation that has the club.`,
      problems,
    });
  }
  const archive = checked.data as unknown as ClubArchive;
  try {
    return await runCommand(
      () =>
        inClub(ports.db, archive.clubId, async (tx) => {
          if ((await tx.selectFrom('club').select('club_id').executeTakeFirst()) !== undefined)
            throw new Refused({
              code: 'invalid',
              message:
                'This installation has that club already. An archive is brought into an empty one; nothing was changed.',
              problems: [],
            });
          if (archive.tables.club.length !== 1)
            throw new Refused({
              code: 'invalid',
              message: 'The archive holds no club, or several.',
              problems: [{ path: 'tables.club', message: 'expected exactly one row' }],
            });
          // The person who has an account here joins a club by accepting it themselves: a file makes nobody a member.
          const [account] = await accountsOf(
            tx,
            archive.tables.membership.map((row) => String(row['person_id'])),
          );
          if (account !== undefined)
            throw new Refused({
              code: 'invalid',
              message: `Somebody of this club has an account here already (${account[1]}). A club whose people have accounts is brought back by a backup, not by an archive; nothing was changed.`,
              problems: [{ path: 'tables.membership', message: 'names somebody who has an account here' }],
            });
          const unknown = archive.tables.ledger.find(
            (row) => !LEDGER_ACTS.some((known) => known === row['act']),
          );
          if (unknown !== undefined)
            throw new Refused({
              code: 'invalid',
              message: `The ledger of the archive tells of something that this version does not know (${String(unknown['act'])}). Update this installation first; nothing was changed.`,
              problems: [{ path: 'tables.ledger', message: 'holds an act that is not known here' }],
            });
          // A change of the rules that is lost would bring back rules that no longer hold.
          const told = archive.tables.ledger.filter(
            (row) => row['chain'] === 'club' && row['act'] === 'change-club',
          ).length;
          if (told !== archive.tables.club_change.length)
            throw new Refused({
              code: 'invalid',
              message: `The ledger tells of ${told} changes of the club’s field or rules, and the archive holds ${archive.tables.club_change.length}. Export it again; if somebody changed the file by hand, use the one before.`,
              problems: [{ path: 'tables.club_change', message: `expected ${told} rows` }],
            });
          let rows = 0;
          for (const name of ARCHIVE_TABLE_NAMES) {
            // A dial stands after the one whose place it took, and the ledger in the order of its chains.
            const own =
              name === 'dial'
                ? [...archive.tables.dial].sort((a, b) =>
                    String(a['happened_at']) < String(b['happened_at']) ? -1 : 1,
                  )
                : archive.tables[name];
            await insertMany(tx, archived(archive.clubId, name, ARCHIVE_TABLES[name], own));
            rows += own.length;
          }
          const heads = await readHeads(tx);
          const cut = heads.find(
            ({ chain, seq, hash }) =>
              !archive.heads.some((head) => head.chain === chain && head.seq === seq && head.hash === hash),
          );
          if (cut !== undefined || heads.length !== archive.heads.length)
            throw new Refused({
              code: 'invalid',
              message: `The ledger of the archive does not end where the archive says (${cut?.chain ?? 'a chain is missing'}): its end was cut off. Export it again; if somebody changed the file by hand, use the one before.`,
              problems: [{ path: 'heads', message: 'differ from the ledger' }],
            });
          return { clubId: archive.clubId, rows };
        }),
      1,
    );
  } catch (error) {
    // The database itself looks at keys, references and every link of the ledger.
    const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
    if (!BROKEN.includes(code)) throw error;
    return refused({
      code: 'invalid',
      message: `The archive contradicts itself, so nothing was brought in: ${error instanceof Error ? error.message : code}. Export it again; if somebody changed the file by hand, use the one before.`,
      problems: [],
    });
  }
}
