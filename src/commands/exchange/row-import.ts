import { compareTexts } from '@/core/order';
import { ARCHIVE_TABLES } from '@/contracts/exchange/club-archive';
import { type ImportList, type ImportSummary, type Mapping, mapped } from '@/contracts/exchange/csv-lists';
import { type RowOf, rowSchemas } from '@/contracts/exchange/csv-rows';
import { isText } from '@/contracts/kernel/plain-text';
import { problemsOf } from '@/contracts/kernel/problem';
import { type Plain, canonicalJson } from '@/core/decision/canonical';
import type { Instant } from '@/core/time/instant';
import {} from '@/db/aircraft/aircraft-facts';
import { existingKeys, prepareRows, type lockFleet } from '@/db/kernel/bulk';
import { type TableShape, archived } from '@/db/exchange/club-archive';
import type { Club } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { MetersBeside } from './import-meters';
import { recordMeterStanding, type Moved } from '../meters/meter-standing';
import type { Actor, Ports } from '../kernel/command';
import { KEYS, MAKERS, type Made, type Making, WRITTEN, iso, keyTextOf } from './row-makers';
import { nextRevision } from '../kernel/next-revision';

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
/** A table as rows are written here: to which transaction they belong the database knows by itself. */
function withoutBatch({ key, columns }: TableShape): TableShape {
  return {
    key,
    columns: Object.fromEntries(Object.entries(columns).filter(([column]) => column !== 'batch')),
  };
}

/** Lists that say what a meter shows. */
const MOVES_METERS: readonly ImportList[] = ['inspections', 'meters', 'flights'];
/** A row that is in order by itself, and has yet to be compared with what is there. */
interface Waiting {
  readonly line: number;
  readonly made: Made;
}

/** So many rows of an aircraft go into its digest together. */
const DIGESTED_AT_ONCE = 100;

/** What was brought in for one aircraft: how many rows, the digest of those digested, and the rows that wait for it. */
interface BroughtIn {
  added: number;
  digest: Uint8Array;
  waiting: string[];
}

/** What was brought in, aircraft by aircraft, with a digest that every row went into: of the digest before and the next hundred rows, a line each. */
class Tally {
  private readonly of = new Map<string, BroughtIn>();

  constructor(private readonly sha256: Ports['sha256']) {}

  add(registration: string, row: Plain): void {
    const known = this.of.get(registration) ?? { added: 0, digest: new Uint8Array(), waiting: [] };
    this.of.set(registration, known);
    known.added += 1;
    known.waiting.push(canonicalJson(row));
    if (known.waiting.length >= DIGESTED_AT_ONCE) this.digest(known);
  }

  private digest(of: BroughtIn): void {
    const lines = of.waiting.splice(0).join('\n');
    of.digest = this.sha256(Buffer.concat([of.digest, Buffer.from(lines, 'utf8')]));
  }

  get all(): readonly (readonly [string, { readonly added: number; readonly digest: Uint8Array }])[] {
    for (const one of this.of.values()) if (one.waiting.length > 0) this.digest(one);
    return [...this.of].sort(([a], [b]) => compareTexts(a, b));
  }
}

/** Reads, judges and writes one file inside of a transaction. */
export class RowImport {
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
        `registration: the club has no aircraft ${row.registration}. Import the fleet first.`,
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
    return this.writing(fresh);
  }

  private writing(fresh: readonly Made[]): () => Promise<void> {
    const write = prepareRows(
      WRITTEN.map((name) =>
        archived(
          this.actor.clubId,
          name,
          withoutBatch(ARCHIVE_TABLES[name]),
          fresh.flatMap(({ tables }) => tables[name] ?? []),
        ),
      ),
    );
    return () => write(this.tx);
  }

  /** Remembers the flight that came back last, of each aircraft. */
  private noteReturn({ registration, tables }: Made): void {
    const back = tables.flight_return?.[0];
    const at = typeof back?.['happened_at'] === 'string' ? back['happened_at'] : '';
    const known = this.last.get(registration);
    if (back !== undefined && (known === undefined || at > known.at))
      this.last.set(registration, { at, flightId: String(back['flight_id']) });
  }

  /** An aircraft that is new has no release that could end. */
  private async firstRevision(aircraftId: string, moved: Moved) {
    await recordMeterStanding(this.tx, this.actor.clubId, aircraftId, 1, this.recordedAt, moved);
    return { revision: 1, withEnded: (record: Plain) => record };
  }

  /** Ends an import that was asked for: revisions, meters, one ledger entry an aircraft. */
  async finish(): Promise<void> {
    for (const [registration, { added, digest }] of this.tally.all) {
      const known = this.fleet.get(registration);
      const aircraftId = known?.aircraftId ?? this.fresh.get(registration) ?? '';
      const last = this.last.get(registration);
      await this.beside.finish(aircraftId);
      const moved = { out: [], back: last === undefined ? [] : [last.flightId] };
      const { revision, withEnded } =
        known === undefined
          ? await this.firstRevision(aircraftId, moved)
          : await nextRevision(this.tx, this.actor, aircraftId, this.recordedAt, moved);
      await appendToLedger(
        this.tx,
        {
          clubId: this.actor.clubId,
          aircraftId,
          revision,
          act: 'import-rows',
          actor: this.actor,
          recordedAt: this.recordedAt,
          record: withEnded({
            list: this.request.list,
            file: this.request.fileName,
            rows: added,
            digest: Buffer.from(digest).toString('hex'),
          }),
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
