import { setImmediate as others } from 'node:timers/promises';
import { ARCHIVE_TABLES, type ArchiveRow, type ArchiveTableName } from '@/contracts/exchange/club-archive';
import {
  mapped,
  rowSchemas,
  type ImportList,
  type ImportSummary,
  type Mapping,
  type RowOf,
} from '@/contracts/exchange/csv-lists';
import { isText } from '@/contracts/kernel/plain-text';
import { problemsOf } from '@/contracts/kernel/problem';
import { canonicalJson, type Plain } from '@/core/decision/canonical';
import { decimalHours, hoursFromSeconds } from '@/core/quantities/hours';
import { UNKNOWN_PARTICULARS } from '@/core/records/aircraft/aircraft';
import { isHourMeter } from '@/core/records/meters/meters';
import type { Instant } from '@/core/time/instant';
import { raiseRevision } from '@/db/aircraft/aircraft-facts';
import { existingKeys, lockFleet, readFleet, type NaturalKey } from '@/db/kernel/bulk';
import { prepareArchived } from '@/db/exchange/club-archive';
import { currentBatch, inClub } from '@/db/kernel/club-transaction';
import { readClub, type Club } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { MetersBeside } from './import-meters';
import { recordMeterStanding } from '../meters/meter-standing';
import { refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

/** A row of a file, under the file's own headers. */
export interface FileRow {
  readonly line: number;
  readonly cells: Readonly<Record<string, unknown>>;
}

/** What is to be brought in. Without `commit` nothing is written: it is told what would happen. */
export interface ImportRequest {
  readonly list: ImportList;
  readonly mapping: Mapping;
  readonly commit: boolean;
  readonly fileName: string;
}

const AT_ONCE = 2000;
const SAMPLE = 200;
const MOST_REJECTIONS = 5000;

/** The tables into which rows go, in an order in which each row stands after those that it refers to. */
const WRITTEN = [
  'aircraft',
  'signature',
  'document_sighting',
  'inspection',
  'flight',
  'flight_return',
  'meter_reading',
] as const satisfies readonly ArchiveTableName[];
/** Lists that say what a meter shows. */
const MOVES_METERS: readonly ImportList[] = ['inspections', 'meters', 'flights'];
type Rows = Partial<Record<ArchiveTableName, ArchiveRow[]>>;
interface Made {
  readonly registration: string;
  readonly key: Readonly<Record<string, unknown>>;
  readonly keyText: string;
  readonly tables: Rows;
  /** What it is, for the few rows that are shown. */ readonly words: () => string;
  readonly plain: Plain;
}
/** A row that is in order by itself, and has yet to be compared with what is there. */
interface Waiting {
  readonly line: number;
  readonly made: Made;
}
interface Making {
  readonly actor: Actor;
  /** ISO 8601. */ readonly recordedAt: string;
  readonly newId: () => string;
  readonly aircraftId: string;
}

const KEYS: Readonly<Record<ImportList, NaturalKey>> = {
  fleet: { table: 'aircraft', columns: { registration: 'text' } },
  documents: {
    table: 'document_sighting',
    columns: { aircraft_id: 'uuid', kind: 'text', happened_at: 'timestamptz' },
  },
  inspections: { table: 'inspection', columns: { aircraft_id: 'uuid', kind: 'text', completed_on: 'date' } },
  meters: {
    table: 'meter_reading',
    columns: { aircraft_id: 'uuid', meter: 'text', happened_at: 'timestamptz', value_s: 'integer' },
  },
  flights: { table: 'flight', columns: { aircraft_id: 'uuid', happened_at: 'timestamptz' } },
};

const iso = (moment: Instant): string => new Date(moment).toISOString();
/** A natural key as one text, the same for a row of a file and for one of the database. */
const keyTextOf = ({ columns }: NaturalKey, key: Readonly<Record<string, unknown>>): string =>
  JSON.stringify(Object.keys(columns).map((name) => key[name] ?? null));
const hoursText = (value: number): string => decimalHours(hoursFromSeconds(value), 2, 'down');

/** How a row of each list becomes records. */
const MAKERS: {
  readonly [L in ImportList]: (
    row: RowOf<L>,
    making: Making,
  ) => Omit<Made, 'registration' | 'plain' | 'keyText'>;
} = {
  fleet: (row, { aircraftId, recordedAt }) => ({
    key: { registration: row.registration },
    words: () => row.type,
    tables: {
      aircraft: [
        {
          aircraft_id: aircraftId,
          registration: row.registration,
          type_name: row.type,
          category: row.category,
          first_flown_on: row.first_flown,
          approved_for: null,
          features: null,
          revision: 1,
          happened_at: recordedAt,
          recorded_at: recordedAt,
          particulars: { ...UNKNOWN_PARTICULARS, serialNumber: row.serial_number, seats: row.seats },
        },
      ],
    },
  }),
  documents: (row, { actor, recordedAt, newId, aircraftId }) => ({
    key: { aircraft_id: aircraftId, kind: row.kind, happened_at: iso(row.seen_at) },
    words: () => `${row.kind}, ${row.aboard ? 'aboard' : 'missing'}`,
    tables: {
      document_sighting: [
        {
          sighting_id: newId(),
          aircraft_id: aircraftId,
          kind: row.kind,
          kept_where: row.kept_where,
          aboard: row.aboard,
          legible: row.legible,
          displayed: row.displayed,
          registration_shown: row.registration_shown,
          issued_on: row.issued,
          printed_expiry: row.expires,
          ended_on: null,
          ended_because: null,
          form: row.form,
          tank_fitted: row.tank_fitted,
          happened_at: iso(row.seen_at),
          recorded_at: recordedAt,
          recorded_by: actor.personId,
          revision: row.revision,
          serial_shown: row.serial_shown,
          placards: row.placards,
          dated_on: row.dated,
          number: row.number,
          awaits_vouch: false,
          temporary: row.kind === 'registration-certificate' ? row.temporary : null,
        },
      ],
    },
  }),
  inspections: (row, { actor, recordedAt, newId, aircraftId }) => {
    const signature = row.signed_by === null ? null : newId();
    return {
      key: { aircraft_id: aircraftId, kind: row.kind, completed_on: row.completed },
      words: () => `${row.kind} of ${row.completed}`,
      tables: {
        signature:
          signature === null
            ? []
            : [
                {
                  signature_id: signature,
                  person_id: null,
                  name: row.signed_by,
                  certificate_kind: row.certificate_kind,
                  certificate_number: row.certificate_number,
                  valid_from: row.valid_from,
                  valid_until: row.valid_until === 'no-expiry' ? null : row.valid_until,
                  no_expiry: row.valid_until === 'no-expiry',
                  happened_at: recordedAt,
                  recorded_at: recordedAt,
                },
              ],
        inspection: [
          {
            inspection_id: newId(),
            aircraft_id: aircraftId,
            awaits_vouch: signature !== null && row.outcome === 'approved',
            kind: row.kind,
            completed_on: row.completed,
            time_in_service_s: row.time_in_service,
            time_in_service_entered: row.time_in_service === null ? null : hoursText(row.time_in_service),
            outcome: row.outcome,
            excess: row.excess,
            signature_id: signature,
            cleared_on: null,
            cleared_signature_id: null,
            recorded_at: recordedAt,
            recorded_by: actor.personId,
            tested_to_feet: row.tested_to_feet,
            description: row.description,
          },
        ],
      },
    };
  },
  meters: (row, { actor, recordedAt, newId, aircraftId }) => ({
    key: { aircraft_id: aircraftId, meter: row.meter, happened_at: iso(row.read_at), value_s: row.value },
    words: () => `${row.meter} ${row.entered}`,
    tables: {
      meter_reading: [
        {
          reading_id: newId(),
          aircraft_id: aircraftId,
          meter: row.meter,
          value_s: row.value,
          entered: row.entered,
          entered_unit: isHourMeter(row.meter) ? 'h' : 'count',
          happened_at: iso(row.read_at),
          recorded_at: recordedAt,
          recorded_by: actor.personId,
          dial_id: null,
          flight_id: null,
        },
      ],
    },
  }),
  flights: (row, { actor, recordedAt, newId, aircraftId }) => {
    const flightId = newId();
    const [left, back] = [iso(row.left_at), iso(row.back_at)];
    const meters = [
      {
        meter: 'time-in-service',
        name: 'Time in service',
        out: row.time_in_service_out,
        in: row.time_in_service_in,
      },
      { meter: 'block', name: 'Block meter', out: row.block_out, in: row.block_in },
    ];
    const shown = (end: 'out' | 'in') =>
      meters.flatMap(({ meter, name, ...ends }) => {
        const value = ends[end];
        return value === null
          ? []
          : [{ dial: meter, name, shown: hoursText(value), values: [{ meter, value }] }];
      });
    const block = row.block_out === null || row.block_in === null ? null : row.block_in - row.block_out;
    return {
      key: { aircraft_id: aircraftId, happened_at: left },
      words: () => `${row.person}, ${left.slice(0, 16).replace('T', ' ')} UTC`,
      tables: {
        flight: [
          {
            flight_id: flightId,
            aircraft_id: aircraftId,
            person_name: row.person,
            purpose: row.purpose,
            crew: null,
            readings: shown('out'),
            fuel_aboard: row.fuel_aboard,
            oil_aboard: null,
            remarks: null,
            happened_at: left,
            recorded_at: recordedAt,
            recorded_by: actor.personId,
          },
        ],
        flight_return: [
          {
            flight_id: flightId,
            aircraft_id: aircraftId,
            readings: shown('in'),
            landings: row.landings,
            tow_launches: row.tow_launches,
            billed_s: block,
            billed_from: block === null ? null : 'Block meter',
            fuel_added: row.fuel_added,
            oil_added: row.oil_added,
            remarks: row.remarks ?? 'not said',
            happened_at: back,
            recorded_at: recordedAt,
            recorded_by: actor.personId,
          },
        ],
        meter_reading: meters.flatMap(({ meter, in: value }) =>
          value === null
            ? []
            : [
                {
                  reading_id: newId(),
                  aircraft_id: aircraftId,
                  meter,
                  value_s: value,
                  entered: hoursText(value),
                  entered_unit: 'h',
                  happened_at: back,
                  recorded_at: recordedAt,
                  recorded_by: actor.personId,
                  dial_id: null,
                  flight_id: flightId,
                },
              ],
        ),
      },
    };
  },
};

/** What was brought in for one aircraft: how many rows, and a digest that every one of them went into. */
class Tally {
  private readonly of = new Map<string, { added: number; digest: Uint8Array }>();

  constructor(private readonly sha256: Ports['sha256']) {}

  add(registration: string, row: Plain): void {
    const known = this.of.get(registration) ?? { added: 0, digest: new Uint8Array() };
    this.of.set(registration, {
      added: known.added + 1,
      digest: this.sha256(Buffer.concat([known.digest, Buffer.from(canonicalJson(row), 'utf8')])),
    });
  }

  get all(): readonly (readonly [string, { readonly added: number; readonly digest: Uint8Array }])[] {
    return [...this.of].sort(([a], [b]) => (a < b ? -1 : 1));
  }
}

/** Reads, judges and writes one file inside of a transaction. */
class RowImport {
  private readonly seen = new Set<string>();
  private readonly tally: Tally;
  private readonly recordedText: string;
  private readonly schema: ReturnType<typeof rowSchemas>[ImportList];
  private readonly beside: MetersBeside;
  private readonly sample: ImportSummary['sample'][number][] = [];
  private readonly rejections: ImportSummary['rejections'][number][] = [];
  private readonly counts = { rows: 0, added: 0, there: 0, rejected: 0 };
  private readonly waiting: Waiting[] = [];
  private readonly fresh = new Map<string, string>();
  /** Aircraft whose records were looked up, and the keys of all that they have. */
  private readonly learnt = new Set<string>();
  private readonly there = new Set<string>();
  private readonly last = new Map<string, { readonly at: string; readonly flightId: string }>();

  constructor(
    private readonly ports: Ports,
    private readonly actor: Actor,
    private readonly tx: ClubTransaction,
    private readonly request: ImportRequest,
    club: Club,
    private readonly fleet: Awaited<ReturnType<typeof lockFleet>>,
    private readonly recordedAt: Instant,
    private readonly batch: string,
  ) {
    this.tally = new Tally(ports.sha256);
    this.recordedText = iso(recordedAt);
    this.schema = rowSchemas(club.place.zone)[request.list];
    this.beside = new MetersBeside(ports, actor, tx, club, recordedAt);
  }

  private note(line: number, outcome: ImportSummary['sample'][number]['outcome'], words: () => string): void {
    if (this.sample.length < SAMPLE) this.sample.push({ line, outcome, words: words() });
  }

  private reject(line: number, why: string, cells: Readonly<Record<string, string>>): void {
    this.counts.rejected += 1;
    if (this.rejections.length < MOST_REJECTIONS) this.rejections.push({ line, why, cells });
    this.note(line, 'rejected', () => why);
  }

  /** Judges one row; those that may be new wait to be compared with the database together. */
  take({ line, cells }: FileRow): void {
    this.counts.rows += 1;
    const { list, mapping } = this.request;
    const own = mapped(cells, mapping);
    if (!Object.values(own).every(isText)) {
      this.reject(line, 'a cell has a character in it that is none', {});
      return;
    }
    const checked = this.schema.safeParse(own);
    if (!checked.success) {
      this.reject(
        line,
        problemsOf(checked.error)
          .map(({ path, message }) => `${path}: ${message}`)
          .join('; '),
        own,
      );
      return;
    }
    const row = checked.data as RowOf<ImportList>;
    // Nothing can have happened after it was written down.
    const late = Object.entries(row).find(
      ([name, value]) => /_at$/.test(name) && typeof value === 'number' && value > this.recordedAt,
    );
    if (late !== undefined) {
      this.reject(line, `${late[0]}: lies in the future`, own);
      return;
    }
    const known = this.fleet.get(row.registration)?.aircraftId;
    if (list !== 'fleet' && known === undefined) {
      this.reject(
        line,
        `registration: the club has no aircraft ${row.registration}. Bring in the fleet first.`,
        own,
      );
      return;
    }
    const aircraftId = known ?? this.fresh.get(row.registration) ?? this.ports.newId();
    if (known === undefined) this.fresh.set(row.registration, aircraftId);
    // The list and the row come from the same reader; TypeScript cannot follow that pairing.
    const maker = MAKERS[list] as (
      given: RowOf<ImportList>,
      making: Making,
    ) => Omit<Made, 'registration' | 'plain' | 'keyText'>;
    const kept = maker(row, {
      actor: this.actor,
      recordedAt: this.recordedText,
      newId: this.ports.newId,
      aircraftId,
    });
    const keyText = keyTextOf(KEYS[list], kept.key);
    const made: Made = { registration: row.registration, plain: row as unknown as Plain, keyText, ...kept };
    if (this.seen.has(keyText)) {
      this.reject(line, 'the same as an earlier row of this file', own);
      return;
    }
    this.seen.add(keyText);
    this.waiting.push({ line, made });
  }

  get full(): boolean {
    return this.waiting.length >= AT_ONCE;
  }

  /** Reads once what an aircraft has already. */
  private async learn({ registration, key, keyText }: Made): Promise<void> {
    const aircraftId = key['aircraft_id'];
    if (this.learnt.has(registration)) return;
    this.learnt.add(registration);
    if (typeof aircraftId !== 'string') {
      if (this.fleet.has(registration)) this.there.add(keyText);
      return;
    }
    const natural = KEYS[this.request.list];
    if (this.request.commit && MOVES_METERS.includes(this.request.list)) await this.beside.learn(aircraftId);
    for (const one of await existingKeys(this.tx, natural, aircraftId))
      this.there.add(keyTextOf(natural, one));
  }

  /** Compares the rows that wait with what is there, and returns how the new ones are written where that was asked for. */
  async ready(): Promise<() => Promise<void>> {
    const page = this.waiting.splice(0);
    for (const { made } of page) await this.learn(made);
    const fresh: Made[] = [];
    for (const { line, made } of page) {
      if (this.there.has(made.keyText)) {
        this.counts.there += 1;
        this.note(line, 'there', () => `${made.registration}: ${made.words()}`);
        continue;
      }
      this.counts.added += 1;
      this.tally.add(made.registration, made.plain);
      this.note(line, 'new', () => `${made.registration}: ${made.words()}`);
      fresh.push(made);
      if (this.request.list === 'flights')
        this.beside.see(String(made.key['aircraft_id']), made.plain as unknown as RowOf<'flights'>);
      this.noteReturn(made);
    }
    if (!this.request.commit || this.counts.rejected > 0) return () => Promise.resolve();
    const writes = WRITTEN.flatMap((name) => {
      const rows = fresh.flatMap(({ tables }) =>
        (tables[name] ?? []).map((row) => ({ ...row, batch: this.batch })),
      );
      return rows.length === 0 ? [] : [prepareArchived(this.actor.clubId, name, ARCHIVE_TABLES[name], rows)];
    });
    return async () => {
      for (const write of writes) await write(this.tx);
    };
  }

  /** Remembers the flight that came back last, of each aircraft. */
  private noteReturn({ registration, tables }: Made): void {
    const back = tables.flight_return?.[0];
    const at = typeof back?.['happened_at'] === 'string' ? back['happened_at'] : '';
    const known = this.last.get(registration);
    if (back !== undefined && (known === undefined || at > known.at))
      this.last.set(registration, { at, flightId: String(back['flight_id']) });
  }

  /** Ends an import that was asked for: revisions, meters, one ledger entry an aircraft. */
  async finish(): Promise<void> {
    for (const [registration, { added, digest }] of this.tally.all) {
      const known = this.fleet.get(registration);
      const aircraftId = known?.aircraftId ?? this.fresh.get(registration) ?? '';
      const revision = known === undefined ? 1 : await raiseRevision(this.tx, aircraftId);
      const last = this.last.get(registration);
      await this.beside.finish(aircraftId);
      await recordMeterStanding(this.tx, this.actor.clubId, aircraftId, revision, this.recordedAt, {
        out: [],
        back: last === undefined ? [] : [last.flightId],
      });
      await appendToLedger(
        this.tx,
        {
          clubId: this.actor.clubId,
          aircraftId,
          revision,
          act: 'import-rows',
          actor: this.actor,
          recordedAt: this.recordedAt,
          record: {
            list: this.request.list,
            file: this.request.fileName,
            rows: added,
            digest: Buffer.from(digest).toString('hex'),
          },
        },
        this.ports.sha256,
      );
      await notifyChange(this.tx, { club: this.actor.clubId, aircraft: aircraftId, revision });
    }
  }

  get rejected(): number {
    return this.counts.rejected;
  }

  summary(committed: boolean): ImportSummary {
    return {
      ...this.counts,
      byAircraft: this.tally.all.map(([registration, { added }]) => ({ registration, added })),
      sample: this.sample,
      rejections: this.rejections,
      committed,
    };
  }
}

/** Thrown to leave the transaction with what was found out. */
class Told extends Error {
  constructor(readonly summary: ImportSummary) {
    super('told');
  }
}
/** The person who asked for it has stopped it. */
export class Stopped extends Error {
  constructor() {
    super('the import was stopped; nothing was written');
  }
}

/**
 * Brings the rows of a file in: all of them or none. What is there already stays as it is, so that the same file twice changes nothing.
 * Without `commit` it tells row by row what would happen. Rows are read as they come and never all held at once.
 * @param pages the rows, some at a time: between two pages others have their turn, so a page is a few milliseconds of work
 * @param progress hears how many rows were read so far; @param stopped says whether somebody has cancelled it
 */
export async function importRows(
  ports: Ports,
  actor: Actor,
  request: ImportRequest,
  pages: AsyncIterable<readonly FileRow[]>,
  progress: (rows: number) => void,
  stopped: () => boolean,
): Promise<Outcome<ImportSummary>> {
  const denied = denial(actor, 'import-rows');
  if (denied !== null) return refused(denied);
  const recordedAt = ports.now();
  try {
    return await runCommand(
      () =>
        inClub(ports.db, actor.clubId, async (tx) => {
          const fleet = await (request.commit ? lockFleet(tx) : readFleet(tx));
          const work = new RowImport(
            ports,
            actor,
            tx,
            request,
            await readClub(tx, actor.clubId),
            fleet,
            recordedAt,
            await currentBatch(tx),
          );
          let read = 0;
          let writing: Promise<void> = Promise.resolve();
          for await (const some of pages) {
            for (const row of some) work.take(row);
            read += some.length;
            // A file that is there already would otherwise be read without a pause: the database, and everybody else whom this process serves, would wait.
            await others();
            if (!work.full) continue;
            if (stopped()) throw new Stopped();
            // The database writes one page while the next is read and made ready.
            // Where the one failed, the other may have failed for that alone: the first word counts.
            const write = await work.ready().catch(async (error: unknown) => {
              await writing;
              throw error;
            });
            await writing;
            writing = write();
            writing.catch(() => undefined);
            progress(read);
          }
          if (stopped()) throw new Stopped();
          const write = await work.ready().catch(async (error: unknown) => {
            await writing;
            throw error;
          });
          await writing;
          await write();
          progress(read);
          // Nothing is written unless all of it is in order; leaving the transaction undoes what was.
          if (!request.commit || work.rejected > 0) throw new Told(work.summary(false));
          await work.finish();
          return work.summary(true);
        }),
      1,
    );
  } catch (error) {
    if (error instanceof Told) return { ok: true, value: error.summary };
    if (error instanceof Stopped)
      return refused({
        code: 'invalid',
        message: 'The import was cancelled. Nothing was written.',
        problems: [],
      });
    throw error;
  }
}
