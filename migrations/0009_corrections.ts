import type { Kysely } from 'kysely';
import { countedView, keepByClub, oneOf, runIn, WRITTEN } from './kit';

export { down } from './kit';

/** Kinds of entries that are struck out, by the table that each stands in. */
const STRUCK = {
  meter_reading: ['reading'],
  document_sighting: ['document-check'],
  inspection: ['inspection'],
  aircraft_record: ['list-cleared', 'known-mark', 'item', 'ad', 'uplift', 'unlogged'],
  meter_box: ['box'],
};
/** These may stand inside an item or an AD that was brought in whole, where no key of the database reaches. */
const WITHIN = ['done', 'compliance'];
const KEY = {
  meter_reading: 'reading_id',
  document_sighting: 'sighting_id',
  inspection: 'inspection_id',
  aircraft_record: 'record_id',
  meter_box: 'box_id',
};
const list = (words: readonly string[]): string => words.map((word) => `'${word}'`).join(',');

/** The record that a row is about, in a column for each table that it may stand in, so that the database holds it there. */
const aboutOne = (kinds: Readonly<Record<string, readonly string[]>>): string =>
  Object.entries(kinds)
    .map(
      ([table, words]) =>
        `in_${table} uuid generated always as (case when record_kind in (${list(words)}) then record_id end) stored, foreign key (club_id, in_${table}) references ${table}`,
    )
    .join(', ');

const WAITING = {
  inspection: ['inspection'],
  document_sighting: ['document_sighting'],
  aircraft_record: ['aircraft_record'],
};

/** What takes an entry out of the count and leaves it readable, and what has one count that waited. */
const TABLES = `
create table strike (
  club_id uuid not null, strike_id uuid not null, aircraft_id uuid not null,
  record_id uuid not null, record_kind text not null ${oneOf('record_kind', [...Object.values(STRUCK).flat(), ...WITHIN])},
  why text not null, replaced_by uuid, recorded_by_name text not null, ${WRITTEN},
  ${aboutOne(STRUCK)},
  primary key (club_id, strike_id), unique (club_id, record_id), foreign key (club_id, aircraft_id) references aircraft
);
create index strike_aircraft on strike (club_id, aircraft_id);

-- What somebody says of a record that waits: a copy from paper, or what a member saw of a document. From then on it counts.
create table vouch (
  club_id uuid not null, vouch_id uuid not null, aircraft_id uuid not null,
  record_id uuid not null, record_kind text not null ${oneOf('record_kind', Object.keys(WAITING))}, note text,
  recorded_by_name text not null, ${WRITTEN},
  ${aboutOne(WAITING)},
  primary key (club_id, vouch_id), unique (club_id, record_id), foreign key (club_id, aircraft_id) references aircraft
);
create index vouch_aircraft on vouch (club_id, aircraft_id);
`;

/** The first version: there are no older programs. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await keepByClub(run, { strike: [], vouch: [] });
  for (const table of ['meter_reading', 'document_sighting', 'inspection'] as const)
    await run(countedView(`counted_${table}`, table, KEY[table]));
}
