import { z } from 'zod';
import { idSchema } from './scalars';

/** Kinds of columns. A question mark lets null in. */
type Kind = 'id' | 'text' | 'texts' | 'int' | 'number' | 'bool' | 'date' | 'time' | 'json' | 'bytes';
type Column = Kind | `${Kind}?`;

/** A table of the archive: what it holds, the columns that order it, and its columns without the club, which is the same everywhere. */
export interface ArchiveTable { readonly about: string; readonly key: readonly string[]; readonly columns: Readonly<Record<string, Column>> }

/** Every table of a club, in an order in which each row stands after those that it refers to. A test compares it with the database. */
export const ARCHIVE_TABLES = {
  club: {
    about: 'the club itself, its field and its rule packs', key: ['club_id'],
    columns: { name: 'text', field_name: 'text', latitude: 'number', longitude: 'number', time_zone: 'text', packs: 'json', happened_at: 'time', recorded_at: 'time', batch: 'id' },
  },
  membership: {
    about: 'who belongs to it, with roles', key: ['person_id'],
    columns: { person_id: 'text', display_name: 'text', roles: 'texts', happened_at: 'time', recorded_at: 'time', batch: 'id' },
  },
  certificate: {
    about: 'by which certificates people sign', key: ['certificate_id'],
    columns: { certificate_id: 'id', person_id: 'text', kind: 'text', number: 'text', valid_from: 'date', valid_until: 'date?', no_expiry: 'bool', happened_at: 'time', recorded_at: 'time', batch: 'id' },
  },
  aircraft: {
    about: 'the aircraft, as built and approved; the revision counts their changes', key: ['aircraft_id'],
    columns: { aircraft_id: 'id', registration: 'text', type_name: 'text', category: 'text?', first_flown_on: 'date?', approved_for: 'json?', features: 'texts?', revision: 'int', happened_at: 'time', recorded_at: 'time', particulars: 'json?', batch: 'id' },
  },
  signature: {
    about: 'signatures with the certificate as it was on record then', key: ['signature_id'],
    columns: { signature_id: 'id', person_id: 'text?', name: 'text', certificate_kind: 'text', certificate_number: 'text', valid_from: 'date', valid_until: 'date?', no_expiry: 'bool', happened_at: 'time', recorded_at: 'time', batch: 'id' },
  },
  document_sighting: {
    about: 'what somebody saw of a document', key: ['sighting_id'],
    columns: { sighting_id: 'id', aircraft_id: 'id', kind: 'text', kept_where: 'text?', aboard: 'bool?', legible: 'bool?', displayed: 'bool?', registration_shown: 'text?', issued_on: 'date?', printed_expiry: 'date?', ended_on: 'date?', ended_because: 'text?', form: 'text?', tank_fitted: 'bool?', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', revision: 'text?', serial_shown: 'text?', placards: 'bool?', dated_on: 'date?', number: 'text?', awaits_vouch: 'bool', batch: 'id', temporary: 'bool?' },
  },
  inspection: {
    about: 'inspection entries', key: ['inspection_id'],
    columns: { inspection_id: 'id', aircraft_id: 'id', kind: 'text', completed_on: 'date', time_in_service_s: 'int?', time_in_service_entered: 'text?', outcome: 'text?', excess: 'text?', signature_id: 'id?', cleared_on: 'date?', cleared_signature_id: 'id?', recorded_at: 'time', recorded_by: 'text', tested_to_feet: 'int?', description: 'text?', awaits_vouch: 'bool', batch: 'id' },
  },
  dial: {
    about: 'meters as they hang in the panel', key: ['dial_id'],
    columns: { dial_id: 'id', aircraft_id: 'id', name: 'text', unit: 'text', counts: 'json', bills: 'bool', wraps_at: 'int?', replaces: 'id?', why: 'text?', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  meter_reading: {
    about: 'what meters stood at: seconds or counts', key: ['reading_id'],
    columns: { reading_id: 'id', aircraft_id: 'id', meter: 'text', value_s: 'int', entered: 'text', entered_unit: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', dial_id: 'id?', flight_id: 'id?', batch: 'id' },
  },
  meter_standing: {
    about: 'whether the meter records of an aircraft agreed, by revision', key: ['aircraft_id', 'revision'],
    columns: { aircraft_id: 'id', revision: 'int', agrees: 'bool', happened_at: 'time', recorded_at: 'time', open_flights: 'texts?', last_return: 'id?' },
  },
  discrepancy: {
    about: 'findings', key: ['discrepancy_id'],
    columns: { discrepancy_id: 'id', aircraft_id: 'id', station: 'text', side: 'text?', step: 'text?', as_listed: 'bool', what: 'text', looks: 'text?', found_by: 'text', found_by_name: 'text', classification: 'text', closes_uses: 'texts', happened_at: 'time', recorded_at: 'time', equipment: 'text?', known_mark: 'text?', watch: 'json?', batch: 'id', equipment_kinds: 'texts?' },
  },
  rectification: {
    about: 'what closed a finding', key: ['rectification_id'],
    columns: { rectification_id: 'id', discrepancy_id: 'id', work: 'text', description: 'text', completed_on: 'date', signature_id: 'id', closes: 'bool', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  photo: {
    about: 'photos of findings', key: ['photo_id'],
    columns: { photo_id: 'id', discrepancy_id: 'id', width: 'int', height: 'int', bytes: 'bytes', sha256: 'bytes', happened_at: 'time', recorded_at: 'time', batch: 'id' },
  },
  planned_flight: {
    about: 'flights that were planned', key: ['flight_id'],
    columns: { flight_id: 'id', aircraft_id: 'id', person_name: 'text', starts: 'time', ends: 'time', airborne_s: 'int?', purpose: 'text?', crew: 'text?', rules: 'text?', range: 'text?', transponder_airspace: 'bool?', broadcast_airspace: 'bool?', beyond_glide: 'bool?', passengers: 'bool?', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', more: 'json?', replaces: 'id?', person_id: 'text?', batch: 'id' },
  },
  planned_flight_end: {
    about: 'planned flights that were moved or cancelled', key: ['flight_id'],
    columns: { flight_id: 'id', aircraft_id: 'id', because: 'text', why: 'text?', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  flight: {
    about: 'flights that left', key: ['flight_id'],
    columns: { flight_id: 'id', aircraft_id: 'id', person_name: 'text', purpose: 'text?', crew: 'text?', readings: 'json', fuel_aboard: 'text?', oil_aboard: 'text?', remarks: 'text?', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  flight_return: {
    about: 'their returns', key: ['flight_id'],
    columns: { flight_id: 'id', aircraft_id: 'id', readings: 'json', landings: 'int?', tow_launches: 'int?', billed_s: 'int?', billed_from: 'text?', fuel_added: 'text?', oil_added: 'text?', remarks: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  strike: {
    about: 'entries that were struck out', key: ['strike_id'],
    columns: { strike_id: 'id', aircraft_id: 'id', record_id: 'id', record_kind: 'text', why: 'text', replaced_by: 'id?', recorded_by_name: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  aircraft_record: {
    about: 'records of the wider kinds, whole, as the core knows them', key: ['record_id'],
    columns: { record_id: 'id', aircraft_id: 'id', kind: 'text', body: 'json', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', awaits_vouch: 'bool', batch: 'id' },
  },
  calendar_feed: {
    about: 'secret addresses of the calendar, by a hash of each secret', key: ['feed_id'],
    columns: { feed_id: 'id', name: 'text', secret_hash: 'bytes', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  membership_change: {
    about: 'roles that people were given later; the last counts, and none ends the membership', key: ['change_id'],
    columns: { change_id: 'id', person_id: 'text', display_name: 'text', roles: 'texts', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  club_change: {
    about: 'what the club said of its field and rules later; the one with the highest number counts', key: ['number'],
    columns: { number: 'int', change_id: 'id', name: 'text', field_name: 'text', latitude: 'number', longitude: 'number', time_zone: 'text', packs: 'json', why: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', recorded_by_name: 'text', batch: 'id' },
  },
  invitation: {
    about: 'links by which people choose a password, by a hash of each secret', key: ['invitation_id'],
    columns: { invitation_id: 'id', person_id: 'text?', kind: 'text', email: 'text?', secret_hash: 'bytes', valid_until: 'time', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', recorded_by_name: 'text', display_name: 'text?', roles: 'texts?', batch: 'id' },
  },
  invitation_end: {
    about: 'links that were used or revoked', key: ['invitation_id'],
    columns: { invitation_id: 'id', because: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  certificate_end: {
    about: 'certificates by which nobody signs here any more', key: ['certificate_id'],
    columns: { certificate_id: 'id', why: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  aircraft_description: {
    about: 'what an aircraft was said to be after it was entered; the last counts', key: ['description_id'],
    columns: { description_id: 'id', aircraft_id: 'id', category: 'text?', first_flown_on: 'date?', approved_for: 'json?', particulars: 'json', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  meter_box: {
    about: 'boxes that ride along and count by themselves, by a hash of each key', key: ['box_id'],
    columns: { box_id: 'id', aircraft_id: 'id', name: 'text', key_hash: 'bytes', offset_s: 'int', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  meter_box_end: {
    about: 'boxes that were taken out', key: ['box_id'],
    columns: { box_id: 'id', why: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  box_reading: {
    about: 'what boxes sent, under their own numbers: seconds', key: ['box_id', 'sequence'],
    columns: { box_id: 'id', sequence: 'int', aircraft_id: 'id', total_s: 'int', value_s: 'int', happened_at: 'time', recorded_at: 'time', batch: 'id' },
  },
  calendar_feed_end: {
    about: 'addresses that were revoked', key: ['feed_id'],
    columns: { feed_id: 'id', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  vouch: {
    about: 'who vouched for a copy, or for what a member saw of a document: from then on it counts', key: ['vouch_id'],
    columns: { vouch_id: 'id', aircraft_id: 'id', record_id: 'id', record_kind: 'text', note: 'text?', recorded_by_name: 'text', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  record_photo: {
    about: 'photos of what was copied or seen', key: ['photo_id'],
    columns: { photo_id: 'id', aircraft_id: 'id', record_id: 'id', width: 'int', height: 'int', bytes: 'bytes', sha256: 'bytes', happened_at: 'time', recorded_at: 'time', recorded_by: 'text', batch: 'id' },
  },
  ledger: {
    about: 'the hash-chained ledger: hash = SHA-256 of the hash before and the body', key: ['chain', 'seq'],
    columns: { chain: 'text', seq: 'int', aircraft_id: 'id?', revision: 'int?', act: 'text', actor: 'text', actor_name: 'text', recorded_at: 'time', body: 'text', previous: 'bytes', hash: 'bytes', batch: 'id' },
  },
} as const satisfies Readonly<Record<string, ArchiveTable>>;

export type ArchiveTableName = keyof typeof ARCHIVE_TABLES;
export const ARCHIVE_TABLE_NAMES = Object.keys(ARCHIVE_TABLES) as readonly ArchiveTableName[];

/** One row: what a column of each kind holds in JSON. */
export type ArchiveRow = Readonly<Record<string, unknown>>;

const KINDS: Readonly<Record<Kind, z.ZodType>> = {
  id: idSchema(), text: z.string(), texts: z.array(z.string()), int: z.int(), number: z.number(), bool: z.boolean(), date: z.iso.date(), time: z.iso.datetime(), json: z.json(), bytes: z.base64(),
};

const columnSchema = (column: Column): z.ZodType => (column.endsWith('?') ? KINDS[column.slice(0, -1) as Kind].nullable() : KINDS[column as Kind]);
const tableSchema = ({ about, columns }: ArchiveTable) => z.array(z.strictObject(Object.fromEntries(Object.entries(columns).map(([name, column]) => [name, columnSchema(column)])))).describe(about);

/** Version of the archive's format; a reader refuses one that it does not know. */
export const ARCHIVE_VERSION = 5;

/** A whole club in one file: every record with both of its times, struck out ones included, and the ledger as it stands. Accounts and passwords are not in it. */
export const clubArchiveSchema = z.strictObject({
  format: z.literal('groval-club').describe('names this format'), version: z.literal(ARCHIVE_VERSION), exportedAt: z.iso.datetime(), engine: z.string().describe('version of the engine that decided when it was written'), clubId: idSchema(),
  heads: z.array(z.strictObject({ chain: z.string(), seq: z.int(), hash: z.base64() })).describe('the newest entry of every chain of the ledger: a file whose chains end elsewhere was cut'),
  tables: z.strictObject(Object.fromEntries(ARCHIVE_TABLE_NAMES.map((name) => [name, tableSchema(ARCHIVE_TABLES[name])]))),
}).describe('A whole club: its tables as they are kept, in an order in which each row stands after those that it refers to. Times are ISO 8601 in UTC, hours whole seconds, pictures base64.');

/** A checked archive. */
export interface ClubArchive { readonly format: 'groval-club'; readonly version: number; readonly exportedAt: string; readonly engine: string; readonly clubId: string; readonly heads: readonly { readonly chain: string; readonly seq: number; readonly hash: string }[]; readonly tables: Readonly<Record<ArchiveTableName, readonly ArchiveRow[]>> }
