import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { checkChain, type LedgerRow } from '../../../tools/database/check-chain';
import type { ClubTransaction } from './connection';
import { inClub } from './club-transaction';
import { appendToLedger } from './ledger';
import { goneAgain, superuser, twoClubs, ours, theirs, tables } from '@/testing/two-clubs';

/** The transaction's own, as its rows name it. */
async function batchOf(tx: ClubTransaction): Promise<string | undefined> {
  const { rows } = await sql<{ batch: string }>`select groval.current_batch()::text as batch`.execute(tx);
  return rows[0]?.batch;
}

beforeAll(twoClubs);
afterAll(goneAgain);

describe('the ledger', () => {
  const chainRows = async (clubId: string, chain: string) =>
    (
      await superuser.query<LedgerRow>(
        'select l.chain, l.seq, l.revision, l.act, l.actor, l.actor_name, l.recorded_at, l.batch, l.body, l.previous, l.hash, a.revision as aircraft_revision from groval.ledger l left join groval.aircraft a on a.club_id = l.club_id and a.aircraft_id = l.aircraft_id where l.club_id = $1 and l.chain = $2 order by l.seq',
        [clubId, chain],
      )
    ).rows;
  const entry = (what: string) => ({
    clubId: ours.clubId,
    aircraftId: null,
    revision: null,
    act: 'load-records' as const,
    actor: { personId: 'x', name: 'X' },
    recordedAt: ours.ports.now(),
    record: { what },
  });

  it('is whole, and stays one chain when many append at once', async () => {
    await Promise.all(
      Array.from({ length: 20 }, (_, at) =>
        inClub(ours.ports.db, ours.clubId, (tx) =>
          appendToLedger(tx, entry(`at-once-${at}`), ours.ports.sha256),
        ),
      ),
    );
    const rows = await chainRows(ours.clubId, 'club');
    expect(rows.length).toBeGreaterThanOrEqual(21);
    expect(checkChain(rows, null)).toEqual([]);
    expect(checkChain(await chainRows(ours.clubId, `aircraft:${ours.aircraftId}`), null)).toEqual([]);
  });

  it('takes no entry that does not continue it, that does not hash to its content, or that shows something else than it says', async () => {
    const attempt = (change: object, says: object = {}) =>
      inClub(ours.ports.db, ours.clubId, async (tx) => {
        const {
          rows: [head],
        } = await sql<{
          seq: number;
          hash: Buffer;
        }>`select seq, hash from guard.head where club_id = ${ours.clubId}::uuid and chain = 'club'`.execute(
          tx,
        );
        if (head === undefined) throw new Error('there is no chain');
        const at = new Date(ours.ports.now());
        const seq = head.seq + 1;
        const body = JSON.stringify({
          chain: 'club',
          seq,
          act: 'x',
          actor: 'x',
          actorName: 'X',
          revision: null,
          recordedAt: at.toISOString(),
          batch: await batchOf(tx),
          ...says,
        });
        await tx
          .insertInto('ledger')
          .values({
            club_id: ours.clubId,
            chain: 'club',
            seq,
            act: 'x',
            actor: 'x',
            actor_name: 'X',
            recorded_at: at,
            body,
            previous: head.hash,
            hash: Buffer.from(ours.ports.sha256(Buffer.concat([head.hash, Buffer.from(body)]))),
            ...change,
          })
          .execute();
      });
    await expect(attempt({ seq: 2 })).rejects.toThrow('does not continue its chain');
    await expect(attempt({ previous: Buffer.from('x') })).rejects.toThrow('does not continue its chain');
    await expect(attempt({ hash: Buffer.alloc(32) })).rejects.toThrow('does not hash to its content');
    for (const change of [
      { act: 'y' },
      { actor: 'y' },
      { actor_name: 'Y' },
      { recorded_at: new Date(0) },
      { batch: randomUUID() },
    ])
      await expect(attempt(change)).rejects.toThrow('something else in its columns');
    // Capital letters in an id would begin a second chain of one aircraft.
    await expect(
      attempt({
        chain: `aircraft:${ours.aircraftId.toUpperCase()}`,
        aircraft_id: ours.aircraftId,
        seq: 1,
        previous: Buffer.alloc(0),
      }),
    ).rejects.toThrow();
    await expect(attempt({}, { rows: { flight: '1:1:1:1:1' } })).rejects.toThrow(
      'no entry of the ledger counts',
    );
    await expect(attempt({})).resolves.toBeUndefined();
  });

  it('no row of a record is written without an entry that counts it, whatever the application does', async () => {
    for (const { name } of await tables()) {
      // What people were told is no record about an aircraft.
      if (['ledger', 'meter_standing', 'club'].includes(name) || /^(notice|push_)/u.test(name)) continue;
      // The first row of the table once more, with fresh ids wherever an id of its own is asked for.
      const {
        rows: [row],
      } = await superuser.query<Record<string, unknown>>(
        `select * from groval.${name} where club_id = $1 limit 1`,
        [ours.clubId],
      );
      if (row === undefined) continue;
      const { rows: keys } = await superuser.query<{ name: string; type: string }>(
        `select a.attname as name, format_type(a.atttypid, null) as type from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any(i.indkey) where i.indrelid = 'groval.${name}'::regclass and i.indisunique and a.attname <> 'club_id'`,
      );
      const other = Object.fromEntries(
        keys.map((key) => [
          key.name,
          key.type === 'uuid' ? randomUUID() : key.type === 'integer' ? 99_999 : `x-${randomUUID()}`,
        ]),
      );
      const values = Object.fromEntries(
        Object.entries({ ...row, ...other })
          // The batch is the transaction's; what begins with in_ the database works out itself.
          .filter(([column]) => column !== 'batch' && !column.startsWith('in_'))
          .map(([column, value]) => [
            column,
            typeof value === 'object'
            && value !== null
            && !(value instanceof Date)
            && !Buffer.isBuffer(value)
            && !(Array.isArray(value) && ['roles', 'features', 'closes_uses'].includes(column))
              ? JSON.stringify(value)
              : value,
          ]),
      );
      const written = inClub(ours.ports.db, ours.clubId, (tx) =>
        tx
          .insertInto(name as 'flight')
          .values(values as never)
          .execute(),
      );
      await expect(written, name).rejects.toThrow(/no entry of the ledger counts|violates foreign key/);
    }
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) =>
        sql`insert into guard.head (club_id, chain, seq, hash) values (${ours.clubId}::uuid, 'x', 1, '')`.execute(
          tx,
        ),
      ),
    ).rejects.toThrow('permission denied');
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) => sql`delete from guard.head`.execute(tx)),
    ).rejects.toThrow('permission denied');
    await expect(
      inClub(ours.ports.db, ours.clubId, (tx) => sql`delete from guard.pending`.execute(tx)),
    ).rejects.toThrow('permission denied');
  });

  it('its check finds an entry that was changed, one that was removed, and an end that was cut off', async () => {
    const rows = await chainRows(ours.clubId, 'club');
    const [first, second, ...rest] = rows;
    if (first === undefined || second === undefined) throw new Error('too few entries');
    expect(
      checkChain(
        [first, { ...second, body: second.body.replace('"record"', '"Record"') }, ...rest],
        null,
      ).join(),
    ).toContain('does not hash to its content');
    expect(checkChain([first, ...rest], null).join()).toContain('something was removed');
    const aircraft = await chainRows(theirs.clubId, `aircraft:${theirs.aircraftId}`);
    expect(
      checkChain(
        aircraft.map((row) => ({ ...row, aircraft_revision: 2 })),
        null,
      ).join(),
    ).toContain('a change has no entry');
  });
});
