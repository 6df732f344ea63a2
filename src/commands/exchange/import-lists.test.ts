import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { IMPORT_LISTS, type ImportList } from '@/contracts/exchange/csv-lists';
import { inClub } from '@/db/kernel/club-transaction';
import { line } from '@/queries/aircraft/line';
import { LISTS } from '@/queries/exchange/lists';
import { waitingOfAircraft } from '@/db/documents/vouching';
import { bad, good, PASSWORD } from '@/testing/database';
import { vouch } from '../documents/vouch';
import { bring, written, row, club, freshClub } from '@/testing/import-rows';

type Role = Parameters<typeof club.actor>[0];
beforeEach(freshClub);

describe('bringing in the other lists', () => {
  it('an aircraft that is new is closed until what matters about it is known', async () => {
    expect(
      good(
        await bring('fleet', [
          {
            registration: 'N09TB',
            type: 'Luvane D',
            category: 'glider',
            first_flown: '1993-08-01',
            serial_number: '0042',
            seats: '2',
          },
        ]),
      ),
    ).toMatchObject({ added: 1, committed: true });
    const fresh = (
      await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))
    ).rows.find(({ registration }) => registration === 'N09TB');
    expect(fresh).toMatchObject({ verdict: 'Grounded', revision: 1 });
    expect(fresh?.reasons.length).toBeGreaterThan(3);
    expect(
      (await written('fleet')).map(({ registration, serial_number: serial }) => [registration, serial]),
    ).toEqual([
      ['N02TB', 'TB-0217'],
      ['N09TB', '0042'],
    ]);
  });
  it('a document that was missing closes, an inspection counts with its signature and not without', async () => {
    good(
      await bring('documents', [
        { registration: 'N02TB', kind: 'weight-and-balance', seen_at: '2026-11-24T12:00:00Z', aboard: 'no' },
      ]),
    );
    expect((await row())?.verdict).toBe('Grounded');
    good(
      await bring('documents', [
        {
          registration: 'N02TB',
          kind: 'weight-and-balance',
          seen_at: '2026-11-24T12:30:00Z',
          aboard: 'yes',
          legible: 'yes',
          dated: '2022-06-09',
        },
      ]),
    );
    expect((await row())?.verdict).toBe('Released');
    const left = (await row())?.secondsLeft ?? 0;
    const inspection = {
      registration: 'N02TB',
      kind: 'hundred-hour',
      completed: '2026-11-24',
      time_in_service: '4150.3',
      outcome: 'approved',
      description: 'Inspected',
    };
    good(await bring('inspections', [inspection]));
    expect((await row())?.secondsLeft).toBe(left);
    good(
      await bring('inspections', [
        {
          ...inspection,
          completed: '2026-11-23',
          signed_by: 'T. Brandl',
          certificate_kind: 'mechanic-airframe-powerplant',
          certificate_number: '0042',
          valid_from: '2015-06-01',
          valid_until: 'no-expiry',
        },
      ]),
    );
    // A signed entry among them is a copy: it counts once somebody has compared it with the document.
    expect((await row())?.secondsLeft).toBe(left);
    const copies = [
      ...(await inClub(club.ports.db, club.clubId, (tx) => waitingOfAircraft(tx, club.aircraftId))).values(),
    ];
    expect(copies.map(({ kind, vouched }) => [kind, vouched])).toEqual([['hundred-hour', null]]);
    const revision = (
      await inClub(club.ports.db, club.clubId, (tx) =>
        tx.selectFrom('aircraft').select('revision').executeTakeFirstOrThrow(),
      )
    ).revision;
    const entry = (by: Role) =>
      vouch(club.ports, club.actor(by), {
        aircraftId: club.aircraftId,
        seenRevision: revision,
        records: copies.map(({ recordId }) => ({ vouchId: randomUUID(), recordId })),
        note: null,
        password: PASSWORD,
      });
    expect(bad(await entry('dispatcher')).code).toBe('not-entitled');
    good(await entry('mechanic'));
    expect((await row())?.secondsLeft).toBe(360_000);
  });
  it('a reading of a counter is a whole number', async () => {
    expect(
      good(
        await bring(
          'meters',
          [{ registration: 'N02TB', meter: 'landings', read_at: '2026-11-24T12:00:00Z', value: '12.5' }],
          { commit: false },
        ),
      ),
    ).toMatchObject({ rejected: 1 });
    expect(
      good(
        await bring('meters', [
          { registration: 'N02TB', meter: 'landings', read_at: '2026-11-24T12:00:00Z', value: '1290' },
        ]),
      ),
    ).toMatchObject({ added: 1 });
  });
  it('every list that comes in can go out with the same columns', () => {
    for (const [list, columns] of Object.entries(IMPORT_LISTS))
      expect([list, LISTS[list as ImportList]]).toEqual([list, columns.map(({ name }) => name)]);
  });
  it('what is due and what was found go out too', async () => {
    expect((await written('due')).find(({ what }) => what === '100-hour')).toMatchObject({
      registration: 'N02TB',
      next_due: '4208.7 h',
      hours_left: 58.4,
    });
    expect(await written('findings')).toEqual([]);
    expect(await written('plan')).toEqual([]);
  });
});
