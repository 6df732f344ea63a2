import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  ARCHIVE_TABLES,
  ARCHIVE_TABLE_NAMES,
  clubArchiveSchema,
  type ClubArchive,
} from '@/contracts/exchange/club-archive';
import { addSeconds } from '@/core/time/instant';
import { insertAccount } from '@/db/club/accounts';
import { inClub } from '@/db/kernel/club-transaction';
import type { Database } from '@/db/kernel/connection';
import { clubArchive } from '@/queries/exchange/club-archive';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { emptyDatabase } from '@/testing/empty-database';
import { checkChain, type LedgerRow } from '../../../tools/database/check-chain';
import { addPhoto } from '../findings/add-photo';
import { addDial, exchangeDial } from '../meters/dials';
import { importClub } from './import-club';
import { recordEntry } from '../maintenance/record-entry';
import { reportFinding } from '../findings/report-finding';
import { strikeEntry } from '../maintenance/corrections';
import { changeClub } from '../club/change-club';
import { clubChangeSchema } from '@/contracts/club/founding';
import { clubPage } from '@/queries/club/club';
import { civilDate } from '@/core/time/civil-date';
import { hours } from '@/core/quantities/hours';

let empty: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ db: empty, close } = await emptyDatabase('groval_import_test'));
});
afterAll(async () => {
  await close();
});

/** A club with something of every kind that decides. */
async function busyClub() {
  const club = await testClub();
  const [block, finding, entry] = [randomUUID(), randomUUID(), randomUUID()];
  good(
    await addDial(club.ports, club.actor('mechanic'), {
      dialId: block,
      aircraftId: club.aircraftId,
      seenRevision: 1,
      name: 'Block “meter”; main',
      unit: 'h',
      bills: true,
      counts: [{ meter: 'time-in-service', standsAt: '4150.3' }],
      shows: '0150.3',
      wrapsAt: '1000',
    }),
  );
  good(
    await exchangeDial(club.ports, club.actor('mechanic'), {
      dialId: randomUUID(),
      replaces: block,
      aircraftId: club.aircraftId,
      seenRevision: 2,
      name: 'Block meter',
      lastShown: '150.3',
      firstShown: '0',
      wrapsAt: null,
      why: 'Stopped',
    }),
  );
  good(
    await reportFinding(club.ports, club.actor('student'), {
      findingId: finding,
      aircraftId: club.aircraftId,
      station: 'power-on',
      side: null,
      step: 'K062',
      asListed: true,
      what: 'Navigation lights: lamp or lens failed',
      looks: 'not-right',
      foundAt: club.ports.now(),
    }),
  );
  good(
    await addPhoto(club.ports, club.actor('student'), {
      photoId: randomUUID(),
      of: finding,
      bytes: Buffer.from([0, 255, 1, 254, 34, 92]),
    }),
  );
  good(
    await recordEntry(club.ports, club.actor('mechanic'), {
      entryId: entry,
      aircraftId: club.aircraftId,
      seenRevision: 5,
      draft: {
        of: 'inspection',
        kind: 'hundred-hour',
        completedOn: civilDate('2026-11-24'),
        timeInService: hours('4150.3'),
        outcome: 'approved',
        excess: null,
        testedToFeet: null,
      },
      description: 'Zeile\nmit „Zeichen“ und \\ und "',
      signer: { by: 'own-certificate', certificateId: club.certificateOf('mechanic') },
      aboveMeter: false,
      password: PASSWORD,
    }),
  );
  club.ports.at = addSeconds(club.ports.at, 60);
  good(
    await strikeEntry(club.ports, club.actor('mechanic'), {
      strikeId: randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: 6,
      kind: 'inspection',
      recordId: entry,
      why: 'Other aircraft',
      password: PASSWORD,
    }),
  );
  const { club: stands } = await inClub(club.ports.db, club.clubId, (tx) => clubPage(tx, club.clubId));
  good(
    await changeClub(
      club.ports,
      club.actor('administrator'),
      clubChangeSchema.parse({
        changeId: randomUUID(),
        seen: 0,
        club: {
          ...stands,
          name: 'Renamed',
          zone: 'America/St_Johns',
          policy: { ...stands.policy, documentCheckDays: 1 },
        },
        why: 'Moved',
        password: PASSWORD,
      }),
    ),
  );
  return club;
}

async function archiveOf(
  db: Database,
  clubId: string,
  now: Parameters<typeof clubArchive>[2],
): Promise<ClubArchive> {
  return inClub(db, clubId, async (tx) => {
    let text = '';
    for await (const piece of clubArchive(tx, clubId, now)) text += piece;
    return JSON.parse(text) as ClubArchive;
  });
}

describe('a whole club in one file', () => {
  it('names every table and column that the database has, but what people were told', async () => {
    const { rows } = await sql<{
      table_name: string;
      column_name: string;
      is_nullable: string;
    }>`select table_name, column_name, is_nullable from information_schema.columns where table_schema = 'groval' and column_name <> 'club_id' and table_name not in ('notice', 'notice_read', 'notice_setting', 'notice_mail', 'notice_mail_try', 'notice_mail_end', 'notice_look', 'push_device', 'push_device_end', 'notice_push_try', 'notice_push_end') and is_generated = 'NEVER' and not exists (select from information_schema.views v where v.table_schema = 'groval' and v.table_name = columns.table_name) order by 1, ordinal_position`.execute(
      empty,
    );
    const said = ARCHIVE_TABLE_NAMES.flatMap((name) =>
      Object.entries(ARCHIVE_TABLES[name].columns).map(
        ([column, kind]: [string, string]) => `${name}.${column}${kind.endsWith('?') ? '?' : ''}`,
      ),
    );
    expect([...said].sort()).toEqual(
      rows.map((row) => `${row.table_name}.${row.column_name}${row.is_nullable === 'YES' ? '?' : ''}`).sort(),
    );
  });

  it('comes into an empty installation with identical decisions, and the same file comes out again', async () => {
    const club = await busyClub();
    const now = club.ports.now();
    const archive = await archiveOf(club.ports.db, club.clubId, now);
    expect(clubArchiveSchema.safeParse(archive).success).toBe(true);
    expect(good(await importClub({ db: empty }, archive)).rows).toBe(
      Object.values(archive.tables).reduce((sum, rows) => sum + rows.length, 0),
    );
    const answers = (db: Database) =>
      inClub(
        db,
        club.clubId,
        async (tx) =>
          JSON.parse(
            JSON.stringify([
              await line(tx, club.clubId, now, true),
              await aircraftPage(tx, club.actor('mechanic'), 'N02TB', now),
              await folder(tx, club.actor('mechanic'), 'N02TB', now),
            ]),
          ) as unknown,
      );
    expect(await answers(empty)).toEqual(await answers(club.ports.db));
    expect(await archiveOf(empty, club.clubId, now)).toEqual(archive);
    const ledger = await inClub(empty, club.clubId, (tx) =>
      tx.selectFrom('ledger').selectAll().orderBy('chain').orderBy('seq').execute(),
    );
    expect(ledger.length).toBeGreaterThan(5);
    for (const chain of new Set(ledger.map((row) => row.chain)))
      expect(
        checkChain(
          ledger
            .filter((row) => row.chain === chain)
            .map((row) => ({
              ...row,
              aircraft_revision: chain === 'club' ? null : 8,
            })) as unknown as readonly LedgerRow[],
          null,
        ),
      ).toEqual([]);
    // A second time nothing is changed.
    expect(bad(await importClub({ db: empty }, archive))).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('has that club already') as string,
    });
  });

  it('a file that was changed by hand is refused whole: the ledger no longer hashes to what it says', async () => {
    const club = await testClub();
    const archive = await archiveOf(club.ports.db, club.clubId, club.ports.now());
    const ledger = archive.tables.ledger.map((row) =>
      row['chain'] === 'club' ? { ...row, body: String(row['body']).replace('Test club', 'Best club') } : row,
    );
    expect(
      bad(await importClub({ db: empty }, { ...archive, tables: { ...archive.tables, ledger } })),
    ).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('does not hash to its content') as string,
    });
    expect(await inClub(empty, club.clubId, (tx) => tx.selectFrom('club').selectAll().execute())).toEqual([]);
  });

  it.each([
    ['something else', { format: 'other' }],
    ['a later version', { format: 'groval-club', version: 2 }],
    ['nothing', null],
  ])('%s is refused with what is wrong', async (_, file) => {
    expect(bad(await importClub({ db: empty }, file))).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('This is no archive of a club') as string,
    });
  });
  it('an archive that lost rows, or whose end was cut off, does not come in', async () => {
    const club = await busyClub();
    const changed = await archiveOf(club.ports.db, club.clubId, club.ports.now());
    expect(
      bad(await importClub({ db: empty }, { ...changed, tables: { ...changed.tables, club_change: [] } })),
    ).toMatchObject({
      message: expect.stringContaining(
        'tells of 1 changes of the club’s field or rules, and the archive holds 0',
      ) as string,
    });
    const others = Object.entries(changed.tables).filter(
      ([name, rows]) =>
        rows.length > 0 && !['club', 'ledger', 'meter_standing', 'club_change'].includes(name),
    );
    expect(others.length).toBeGreaterThan(8);
    for (const [name, rows] of others)
      expect([
        name,
        bad(
          await importClub(
            { db: empty },
            { ...changed, tables: { ...changed.tables, [name]: rows.slice(0, -1) } },
          ),
        ).code,
      ]).toEqual([name, 'invalid']);
    const readings = changed.tables.meter_reading.map((row, at) =>
      at === 0 ? { ...row, value_s: Number(row['value_s']) + 36 } : row,
    );
    expect(
      bad(
        await importClub(
          { db: empty },
          { ...changed, tables: { ...changed.tables, meter_reading: readings } },
        ),
      ).message,
    ).toContain('no entry of the ledger counts');
    const last = changed.tables.ledger.filter((row) => row['chain'] === 'club').length;
    const cut = changed.tables.ledger.filter((row) => row['chain'] !== 'club' || Number(row['seq']) < last);
    expect(
      bad(await importClub({ db: empty }, { ...changed, tables: { ...changed.tables, ledger: cut } })).code,
    ).toBe('invalid');
    expect(
      bad(await importClub({ db: empty }, { ...changed, heads: changed.heads.slice(1) })).message,
    ).toContain('its end was cut off');
  });
  it('makes nobody a member who has an account here', async () => {
    const club = await busyClub();
    const archive = await archiveOf(club.ports.db, club.clubId, club.ports.now());
    const { personId } = club.actor('renter');
    await inClub(empty, randomUUID(), (tx) =>
      insertAccount(tx, {
        personId,
        name: 'The renter',
        email: `${randomUUID()}@example.org`,
        hash: 'x',
        clubId: randomUUID(),
      }),
    );
    expect(bad(await importClub({ db: empty }, archive)).message).toContain('has an account here already');
  });
  it('a row too few or a column too many is named', async () => {
    const club = await testClub();
    const archive = await archiveOf(club.ports.db, club.clubId, club.ports.now());
    const refusal = bad(
      await importClub(
        { db: empty },
        {
          ...archive,
          tables: {
            ...archive.tables,
            aircraft: archive.tables.aircraft.map((row) => ({ ...row, colour: 'red' })),
          },
        },
      ),
    );
    expect(refusal).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('tables.aircraft.0') as string,
    });
    expect(
      bad(await importClub({ db: empty }, { ...archive, tables: { ...archive.tables, club: [] } })),
    ).toMatchObject({ problems: [{ path: 'tables.club' }] });
  });
  it('of a newer version that tells of what is not known here is refused before anything is written', async () => {
    const club = await testClub();
    const archive = await archiveOf(club.ports.db, club.clubId, club.ports.now());
    const ledger = archive.tables.ledger.map((row, at) => (at === 0 ? { ...row, act: 'paint-it-red' } : row));
    expect(
      bad(await importClub({ db: empty }, { ...archive, tables: { ...archive.tables, ledger } })).message,
    ).toContain('(paint-it-red). Update this installation first');
  });
});
