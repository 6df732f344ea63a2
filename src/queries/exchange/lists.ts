import { IMPORT_LISTS, type ImportList } from '@/contracts/exchange/csv-lists';
import { may } from '@/contracts/kernel/permissions';
import type { Instant } from '@/core/time/instant';
import { listAircraft } from '@/db/aircraft/aircraft-documents';
import type { ClubTransaction } from '@/db/kernel/connection';
import {
  documentRows,
  findingRows,
  fleetRows,
  flightRows,
  inspectionRows,
  meterRows,
  planRows,
  type Row,
} from '@/db/exchange/lists';
import { folder } from '../aircraft/folder';

/** Lists that can be written but not brought in. */
const OWN_LISTS = {
  due: [
    'registration',
    'what',
    'interval',
    'last_done',
    'next_due',
    'left',
    'days_left',
    'hours_left',
    'signed_by',
  ],
  findings: [
    'registration',
    'found_at',
    'found_by',
    'where',
    'what',
    'classification',
    'closed_on',
    'closed_by',
    'work',
  ],
  plan: ['registration', 'person', 'starts', 'ends', 'purpose', 'rules', 'state'],
} as const;

/** Every list that can be written, with its columns. */
export const LISTS: Readonly<Record<ImportList | keyof typeof OWN_LISTS, readonly string[]>> = {
  ...OWN_LISTS,
  ...(Object.fromEntries(
    Object.entries(IMPORT_LISTS).map(([name, columns]) => [name, columns.map((column) => column.name)]),
  ) as unknown as Readonly<Record<ImportList, readonly string[]>>),
};
export type ListName = keyof typeof LISTS;
/** Lists that say who flew or will fly. */
export const NAMES_WHO_FLEW: readonly ListName[] = ['flights', 'plan'];

/** What is due on every aircraft, for the list and the calendar. */
async function* dueRows(
  tx: ClubTransaction,
  reader: {
    readonly clubId: string;
    readonly personId: string;
    readonly name: string;
    readonly roles: readonly string[];
  },
  now: Instant,
): AsyncGenerator<readonly Row[]> {
  for (const { registration } of await listAircraft(tx)) {
    const own = await folder(tx, reader, registration, now);
    if (own !== null)
      yield own.due.map((row) => ({
        registration,
        what: row.name,
        interval: row.interval,
        last_done: row.last,
        next_due: row.next,
        left: row.left,
        days_left: row.daysLeft,
        hours_left: row.hoursLeft,
        signed_by: row.signs,
      }));
  }
}

/** Rows of inspections for readers who may not see the numbers of certificates. */
async function* withoutCertificates(pages: AsyncGenerator<readonly Row[]>): AsyncGenerator<readonly Row[]> {
  for await (const rows of pages) yield rows.map((row) => ({ ...row, certificate_number: null }));
}

/** The rows of a list, a page at a time, under the names of its columns. */
export function listRows(
  tx: ClubTransaction,
  list: ListName,
  reader: Parameters<typeof dueRows>[1],
  now: Instant,
): AsyncGenerator<readonly Row[]> {
  switch (list) {
    case 'fleet':
      return fleetRows(tx);
    case 'documents':
      return documentRows(tx);
    case 'inspections':
      return may(reader.roles, 'see-certificates')
        ? inspectionRows(tx)
        : withoutCertificates(inspectionRows(tx));
    case 'meters':
      return meterRows(tx);
    case 'flights':
      return flightRows(tx);
    case 'findings':
      return findingRows(tx);
    case 'plan':
      return planRows(tx);
    case 'due':
      return dueRows(tx, reader, now);
    default: {
      const missing: never = list;
      throw new RangeError(`no such list: ${String(missing)}`);
    }
  }
}
