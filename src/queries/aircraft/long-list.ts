import type { ListWanted, Wanted } from '@/contracts/aircraft/list-wanted';
import type { ColumnOf, LongList } from '@/contracts/aircraft/long-lists';
import { compareTexts } from '@/core/order';
import type { ZoneId } from '@/core/time/zone';
import { findByRegistration } from '@/db/aircraft/aircraft-documents';
import { type StrikeRow, readStrikes, strikeOf } from '@/db/aircraft/strikes';
import { readClub } from '@/db/club/clubs';
import { flightsPage } from '@/db/flights/flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import type { PageOf } from '@/db/kernel/pages';
import { type LogbookEntry, logbookOf } from '@/db/maintenance/logbook';
import { readDials } from '@/db/meters/dials';
import { readingsPage } from '@/db/meters/readings';
import { momentText } from '@/explain/formats';
import { PURPOSE_NAMES } from '@/explain/names';
import { keptFacts } from '../kernel/kept-facts';
import { flightLine, readingLine, workLine } from './folder-lines';

/** A line: its id, and a text for each column. */
export type LongListRow = { readonly id: string } & Readonly<Record<string, string>>;

/** A page of one of an aircraft's long lists. */
export interface LongListPage {
  readonly registration: string;
  readonly total: number;
  readonly rows: readonly LongListRow[];
}
type Row<L extends LongList> = { readonly id: string } & Readonly<Record<ColumnOf<L>, string>>;

/** More than an aircraft collects in its life. */
const EVERY = 100_000;

async function flights(
  tx: ClubTransaction,
  aircraftId: string,
  zone: ZoneId,
  wanted: Wanted<'flights'>,
): Promise<PageOf<Row<'flights'>>> {
  const { rows, total } = await flightsPage(tx, aircraftId, zone, PURPOSE_NAMES, wanted);
  return {
    total,
    rows: rows.map((flight) => {
      const { id, left, person, figures, landings, billed, report, out } = flightLine(flight, zone);
      const { purpose } = flight;
      return {
        id,
        left,
        back: out || flight.returned === null ? 'out' : momentText(flight.returned.at, zone),
        person,
        purpose:
          purpose !== null && purpose in PURPOSE_NAMES
            ? PURPOSE_NAMES[purpose as keyof typeof PURPOSE_NAMES]
            : (purpose ?? ''),
        figures,
        landings: landings === null ? '' : String(landings),
        billed,
        report: report ?? '',
      };
    }),
  };
}

const struckOut = (strikes: ReadonlyMap<string, StrikeRow>, id: string, zone: ZoneId): string => {
  const strike = strikes.get(id);
  return strike === undefined
    ? ''
    : `by ${strike.byName}, ${momentText(strike.recordedAt, zone)}: ${strike.why}`;
};
const strikesById = async (tx: ClubTransaction, aircraftId: string) =>
  new Map((await readStrikes(tx, aircraftId)).map((row) => strikeOf(row)).map((one) => [one.record, one]));

async function readings(
  tx: ClubTransaction,
  aircraftId: string,
  zone: ZoneId,
  wanted: Wanted<'readings'>,
  names: boolean,
): Promise<PageOf<Row<'readings'>>> {
  const { rows, total } = await readingsPage(tx, aircraftId, zone, wanted);
  const dials = new Map((await readDials(tx, aircraftId)).map(({ id, name }) => [id, name]));
  const strikes = await strikesById(tx, aircraftId);
  return {
    total,
    rows: rows.map((reading) => {
      const { id, when, name, shown, stands } = readingLine(reading, dials, zone);
      return {
        id,
        when,
        meter: name,
        shown,
        stands,
        whose: names ? (reading.whose ?? '') : '',
        struck: struckOut(strikes, id, zone),
      };
    }),
  };
}

/** Work is entered a few dozen times a year: sorted and searched by what stands in its lines. */
async function work(
  tx: ClubTransaction,
  aircraftId: string,
  zone: ZoneId,
  { page, size, sort, order, search }: Wanted<'work'>,
  lineOf: (entry: LogbookEntry) => ReturnType<typeof workLine>,
): Promise<PageOf<Row<'work'>>> {
  const strikes = await strikesById(tx, aircraftId);
  const lines = (await logbookOf(tx, aircraftId, EVERY)).map((entry) => {
    const { id, on, title, reading, description, outcome, signed } = lineOf(entry);
    return {
      sortKeys: { on: entry.on, reading: entry.reading },
      row: { id, on, title, reading, description, outcome, signed, struck: struckOut(strikes, id, zone) },
    };
  });
  const found = lines.filter(
    ({ row }) => search === null || row[search.column].toLowerCase().includes(search.text.toLowerCase()),
  );
  const direction = order === 'asc' ? 1 : -1;
  const sorted = found.toSorted((a, b) => {
    if (sort === 'reading') {
      const [left, right] = [a.sortKeys.reading, b.sortKeys.reading];
      // Entries without a reading come last either way.
      if (left === null || right === null) return Number(left === null) - Number(right === null);
      return direction * (left - right);
    }
    return (
      direction
      * (sort === 'on' ? compareTexts(a.sortKeys.on, b.sortKeys.on) : compareTexts(a.row[sort], b.row[sort]))
    );
  });
  return { total: found.length, rows: sorted.slice(page * size, (page + 1) * size).map(({ row }) => row) };
}

/**
 * A page of one of an aircraft's long lists, whole as it is on record: the aircraft's own page shows the newest lines alone.
 * @param sees whether the reader may see the numbers of certificates, and lists of who flew: without these there is no list of flights
 * @returns null when the club has no such aircraft
 */
export async function longList(
  tx: ClubTransaction,
  clubId: string,
  registration: string,
  asked: ListWanted,
  sees: { readonly numbers: boolean; readonly names: boolean },
): Promise<LongListPage | null> {
  const found = await findByRegistration(tx, registration);
  if (found === undefined) return null;
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const aircraftId = found.aircraft_id;
  switch (asked.list) {
    case 'flights':
      return { registration, ...(await flights(tx, aircraftId, zone, asked.wanted)) };
    case 'readings':
      return { registration, ...(await readings(tx, aircraftId, zone, asked.wanted, sees.names)) };
    case 'work': {
      const [stored] = await keptFacts(tx, club, aircraftId);
      if (stored === undefined) return null;
      return {
        registration,
        ...(await work(tx, aircraftId, zone, asked.wanted, (entry) =>
          workLine(entry, stored.facts, sees.numbers),
        )),
      };
    }
  }
}
