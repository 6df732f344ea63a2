import { ARCHIVE_TABLES, ARCHIVE_TABLE_NAMES, ARCHIVE_VERSION } from '@/contracts/exchange/club-archive';
import { ENGINE_VERSION } from '@/core/decision/decide';
import { instantText, type Instant } from '@/core/time/instant';
import { archivedRows } from '@/db/exchange/club-archive';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readHeads } from '@/db/kernel/ledger';

/** A whole club as pieces of one JSON text: no more than a page of rows is held at once. */
export async function* clubArchive(
  tx: ClubTransaction,
  clubId: string,
  now: Instant,
): AsyncGenerator<string> {
  yield `{"format":"groval-club","version":${ARCHIVE_VERSION},"exportedAt":${JSON.stringify(new Date(now).toISOString())},"engine":${JSON.stringify(ENGINE_VERSION)},"clubId":${JSON.stringify(clubId)},"heads":${JSON.stringify(await readHeads(tx))},"tables":{`;
  for (const [at, name] of ARCHIVE_TABLE_NAMES.entries()) {
    yield `${at === 0 ? '' : ','}\n${JSON.stringify(name)}:[`;
    let first = true;
    for await (const rows of archivedRows(tx, name, ARCHIVE_TABLES[name])) {
      yield `${first ? '\n' : ',\n'}${rows.map((row) => JSON.stringify(row)).join(',\n')}`;
      first = false;
    }
    yield ']';
  }
  yield '}}\n';
}

/** A file name that says what it is and when it was made. */
export function archiveName(club: string, now: Instant): string {
  return `${
    club
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '') || 'club'
  }-${instantText(now).slice(0, 10)}.groval.json`;
}
