import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { STRUCK_KINDS } from '@/contracts/maintenance/corrections';
import { CERTIFICATE_KINDS } from '@/core/records/club/certificate';
import { DOCUMENT_KINDS } from '@/core/records/documents/document';
import { CLASSIFICATIONS } from '@/core/records/findings/discrepancy';
import { INSPECTION_KINDS } from '@/core/records/maintenance/inspection';
import { METER_NAMES } from '@/core/records/meters/meters';
import { given, testClub } from '@/testing/database';
import { OTHER_KINDS } from '../aircraft/other-kinds';
import { insertReadings } from '../aircraft/folder-rows';
import { insertStrikeOnce } from '../aircraft/strikes';
import { insertVouchOnce, WAITING_TABLES } from '../documents/vouching';
import { READING_BASES } from '@/core/metering/changes';
import { keepStanding, readStandings } from '../meters/standings';
import { inClub } from './club-transaction';
import { appendToLedger } from './ledger';

let superuser: Client;
let club: Awaited<ReturnType<typeof testClub>>;
beforeAll(async () => {
  superuser = new Client({ connectionString: given('GROVAL_TEST_SUPERUSER_URL') });
  await superuser.connect();
  club = await testClub();
});
afterAll(async () => {
  await superuser.end();
});

const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);

describe('what the tables let in is what the program knows', () => {
  it.each<[column: string, words: readonly string[]]>([
    ['certificate.kind', CERTIFICATE_KINDS],
    ['document_sighting.kind', DOCUMENT_KINDS],
    ['inspection.kind', INSPECTION_KINDS],
    ['discrepancy.classification', CLASSIFICATIONS],
    ['aircraft_record.kind', OTHER_KINDS],
    ['meter_reading.meter', METER_NAMES],
    ['meter_reading.basis', READING_BASES],
    ['vouch.record_kind', WAITING_TABLES],
    // The last two are struck out with what they belong to, never by themselves.
    ['strike.record_kind', [...STRUCK_KINDS, 'uplift', 'unlogged']],
  ])('%s', async (column, words) => {
    const [table, name] = column.split('.');
    const { rows } = await superuser.query<{ text: string }>(
      `select pg_get_constraintdef(c.oid) as text from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = any(c.conkey)
       where c.contype = 'c' and c.conrelid = $1::regclass and a.attname = $2 and array_length(c.conkey, 1) = 1`,
      [`groval.${table ?? ''}`, name],
    );
    const known = rows.flatMap(({ text }) => [...text.matchAll(/'([^']+)'::text/g)].map((match) => match[1]));
    expect(known.toSorted()).toEqual([...words].toSorted());
  });
});

describe('views without what was struck out', () => {
  it('show what the reader may see, not what their owner may', async () => {
    const { rows } = await superuser.query<{ name: string; options: string[] | null }>(
      `select c.relname as name, c.reloptions as options from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'groval' and c.relkind = 'v' order by 1`,
    );
    expect(rows.map(({ name }) => name)).toEqual([
      'counted_document_sighting',
      'counted_inspection',
      'counted_meter_reading',
    ]);
    for (const { options } of rows) expect(options).toEqual(['security_invoker=true']);
    const other = await testClub();
    for (const { name } of rows) {
      const clubs = async (of: string) =>
        inClub(club.ports.db, of, async (tx) =>
          (
            await sql<{
              club: string;
            }>`select distinct club_id::text as club from ${sql.table(name)}`.execute(tx)
          ).rows.map((row) => row.club),
        );
      expect([name, await clubs(club.clubId), await clubs(other.clubId)]).toEqual([
        name,
        [club.clubId],
        [other.clubId],
      ]);
      expect((await sql`select 1 from ${sql.table(name)}`.execute(club.ports.db)).rows).toEqual([]);
    }
  });
});

describe('a row that is about another', () => {
  const reading = (more: { readonly dialId?: string; readonly flightId?: string }) =>
    inTx((tx) =>
      insertReadings(tx, club.clubId, club.aircraftId, 'x', [
        {
          id: randomUUID(),
          meter: 'block',
          value: 3600 as never,
          happenedAt: club.ports.at,
          recordedAt: club.ports.at,
          entered: '1.0',
          ...more,
        },
      ]),
    );
  const struck = (kind: string) =>
    inTx((tx) =>
      insertStrikeOnce(
        tx,
        club.clubId,
        club.aircraftId,
        { personId: 'x', name: 'X' },
        {
          id: randomUUID(),
          recordedAt: club.ports.at,
          record: randomUUID(),
          kind,
          why: 'Slip',
          replacedBy: null,
        },
      ),
    );
  it('is refused where that is not there: a reading’s meter and flight', async () => {
    await expect(reading({ dialId: randomUUID() })).rejects.toThrow('foreign key');
    await expect(reading({ flightId: randomUUID() })).rejects.toThrow('foreign key');
  });
  it.each([
    'reading',
    'document-check',
    'inspection',
    'known-mark',
    'item',
    'ad',
    'list-cleared',
    'box',
    'uplift',
    'unlogged',
  ])('is refused where that is not there: a struck out %s', async (kind) => {
    await expect(struck(kind)).rejects.toThrow('foreign key');
  });
  it('is refused where nobody knows the kind', async () => {
    await expect(struck('flight')).rejects.toThrow('strike_record_kind_check');
  });
  it.each(WAITING_TABLES)('is refused where that is not there: what is vouched for in %s', async (table) => {
    await expect(
      inTx((tx) =>
        insertVouchOnce(tx, club.clubId, {
          vouchId: randomUUID(),
          aircraftId: club.aircraftId,
          recordId: randomUUID(),
          table,
          note: null,
          at: club.ports.at,
          by: { personId: 'x', name: 'X' },
        }),
      ),
    ).rejects.toThrow('foreign key');
  });
});

describe('the same request', () => {
  const append = (request: string, aircraftId: string | null = null) =>
    inTx((tx) =>
      appendToLedger(
        tx,
        {
          clubId: club.clubId,
          aircraftId,
          revision: null,
          act: 'load-records',
          actor: { personId: 'x', name: 'X' },
          recordedAt: club.ports.at,
          record: {},
          request,
        },
        club.ports.sha256,
      ),
    );
  it('is written once, also where nobody looked whether it is there', async () => {
    const request = randomUUID();
    await append(request);
    await expect(append(request)).rejects.toThrow('ledger_request');
    await append(randomUUID());
  });
});

describe('what is said of an aircraft’s meters', () => {
  it('is one row for each aircraft, however often it changes', async () => {
    const before = await inTx((tx) => readStandings(tx, club.aircraftId));
    for (const revision of [7, 8, 9])
      await inTx((tx) =>
        keepStanding(
          tx,
          club.clubId,
          revision,
          { aircraftId: club.aircraftId, agrees: revision === 9, openFlights: [], lastReturn: null },
          club.ports.at,
        ),
      );
    expect(await inTx((tx) => readStandings(tx, club.aircraftId))).toEqual([
      { ...before[0], agrees: true, openFlights: [], lastReturn: null },
    ]);
    const { rows } = await superuser.query(
      'select revision from groval.meter_standing where club_id = $1 and aircraft_id = $2',
      [club.clubId, club.aircraftId],
    );
    expect(rows).toEqual([{ revision: 9 }]);
  });
});
