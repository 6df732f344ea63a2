// What the tests of import rows are made of. For tests only.
import { guessMapping, type ImportList } from '@/contracts/exchange/csv-lists';
import { inClub } from '@/db/kernel/club-transaction';
import { line } from '@/queries/aircraft/line';
import { listRows, type LISTS } from '@/queries/exchange/lists';
import { testClub } from '@/testing/database';
import { importRows } from '@/commands/exchange/import-rows';
import { type FileRow, type ImportRequest } from '@/commands/exchange/row-import';

export let club: Awaited<ReturnType<typeof testClub>>;
export async function* from(
  rows: readonly Readonly<Record<string, unknown>>[],
): AsyncGenerator<readonly FileRow[]> {
  for (const [at, cells] of rows.entries()) {
    await Promise.resolve();
    yield [{ line: at + 2, cells }];
  }
}
export const bring = (
  list: ImportList,
  rows: readonly Readonly<Record<string, unknown>>[],
  change: Partial<ImportRequest> = {},
  stopped = () => false,
  role: 'dispatcher' | 'mechanic' = 'dispatcher',
) =>
  importRows(
    club.ports,
    club.actor(role),
    {
      list,
      mapping: guessMapping(list, Object.keys(rows[0] ?? {})),
      commit: true,
      fileName: `${list}.csv`,
      ...change,
    },
    from(rows),
    () => undefined,
    stopped,
  );
export const row = async () =>
  (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
export const written = (list: keyof typeof LISTS) =>
  inClub(club.ports.db, club.clubId, async (tx) => {
    const all = [];
    for await (const rows of listRows(tx, list, club.actor('dispatcher'), club.ports.now()))
      all.push(...rows);
    return all;
  });
export const flight = (change: Readonly<Record<string, string>> = {}) => ({
  registration: 'N02TB',
  person: 'R. Dane',
  left_at: '2026-11-24T11:00:00Z',
  back_at: '2026-11-24T12:30:00Z',
  time_in_service_out: '4150.3',
  time_in_service_in: '4151.5',
  landings: '2',
  remarks: 'Nothing to report',
  ...change,
});
/** What each test begins with. */
export async function freshClub(): Promise<void> {
  club = await testClub();
}
