import type { Carried } from '@/core/counter/carried';
import type { Deferral } from '@/core/records/findings/discrepancy';
import type { AircraftFacts } from '@/core/records/facts';
import type { Compliance } from '@/core/records/maintenance/ad';
import type { ItemDone } from '@/core/records/maintenance/maintenance-item';
import type { Signature } from '@/core/records/club/certificate';
import { COUNTERS, type Counter } from '@/core/records/meters/meters';
import { parseDecimalHours } from '@/core/quantities/hours';
import type { UnloggedStretch } from '@/core/records/meters/unlogged';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** Kinds of records that are kept whole, with what each holds: the record as the core knows it. */
export const OTHER_KINDS = [
  'stated',
  'equipment',
  'item',
  'ad',
  'deferral',
  'elt',
  'vor-check',
  'database',
  'fuel-stretch',
  'work',
  'permit',
  'release',
  'daily-inspection',
  'flight-out',
  'dispatch-restriction',
  'club-document',
  'tow-rope',
  'rigging',
  'measurement',
  'sample',
  'uplift',
  'estimate',
  'done',
  'compliance',
  'list-cleared',
  'known-mark',
  'unlogged',
  'attribution',
] as const;
export type OtherKind = (typeof OTHER_KINDS)[number];

type Of<L> = L extends readonly (infer R)[] ? R : never;
type Ramp = NonNullable<AircraftFacts['ramp']>;

/** What the records of each kind hold. `stated` says that a list is complete, so that what it does not name is none. */
export interface OtherBodies {
  readonly stated: { readonly what: 'items' | 'ads' | 'ramp' };
  readonly equipment: Of<AircraftFacts['equipment']>;
  readonly item: Of<NonNullable<AircraftFacts['items']>>;
  readonly ad: Of<NonNullable<AircraftFacts['ads']>>;
  readonly deferral: { readonly discrepancy: string; readonly deferral: Deferral };
  readonly elt: Of<AircraftFacts['elts']>;
  readonly 'vor-check': Of<AircraftFacts['vorChecks']>;
  readonly database: Of<AircraftFacts['databases']>;
  readonly 'fuel-stretch': Of<AircraftFacts['fuelStretches']>;
  readonly work: Of<AircraftFacts['work']>;
  readonly permit: Of<AircraftFacts['permits']>;
  readonly release: Of<AircraftFacts['releases']>;
  /** With what was carried over; null where the aircraft had not flown, absent where it came from elsewhere. */
  readonly 'daily-inspection': Of<AircraftFacts['dailyInspections']> & { readonly carried?: Carried | null };
  readonly 'flight-out': Of<AircraftFacts['flightsOut']>;
  readonly 'dispatch-restriction': Of<AircraftFacts['dispatchRestrictions']>;
  readonly 'club-document': Of<AircraftFacts['clubDocuments']>;
  readonly 'tow-rope': Of<AircraftFacts['towRopes']>;
  readonly rigging: Of<AircraftFacts['riggings']>;
  readonly measurement: Of<Ramp['measurements']>;
  readonly sample: Of<Ramp['samples']>;
  readonly uplift: Of<Ramp['uplifts']>;
  readonly estimate: Of<AircraftFacts['estimates']>;
  /** What was done of an item, and under an AD, after these were brought in. */
  readonly done: { readonly item: string; readonly done: ItemDone; readonly description: string };
  readonly compliance: { readonly ad: string; readonly done: Compliance; readonly description: string };
  /** Every item of an inspection's list was cleared, and the aircraft approved. */
  readonly 'list-cleared': {
    readonly inspection: string;
    readonly recordedAt: Instant;
    readonly on: CivilDate;
    readonly by: Signature;
    readonly description: string;
  };
  readonly 'known-mark': KnownMark;
  readonly unlogged: UnloggedRecord;
  readonly attribution: AttributionRecord;
}

/** A stretch on a dial that no flight accounts for: from what it showed to what it shows, with the flight before it and the one at whose start it was seen. */
export interface UnloggedRecord {
  readonly id: string;
  readonly seenAt: Instant;
  readonly dial: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly length: string;
  /** The same in seconds, of a meter of hours; absent in old records, as is what no meter showed. */
  readonly seconds?: number | null;
  readonly unseen?: readonly Counter[];
  /** Readings that were written because of it, of meters that nothing shows. */
  readonly readings?: readonly string[];
  readonly lastFlight: string | null;
  readonly lastBy: string | null;
  readonly seenBy: string;
}

/** Who flew unlogged time, and with how many landings and launches; null where that is not known. */
export interface AttributionRecord {
  readonly unlogged: string;
  readonly to: string;
  readonly note: string | null;
  readonly landings?: number | null;
  readonly towLaunches?: number | null;
  readonly recordedAt?: Instant;
  /** Readings that count them. */
  readonly readings?: readonly string[];
}

/** A lasting mark that was accepted: where it is, what it looks like, and how far it may grow. */
export interface KnownMark {
  readonly id: string;
  readonly what: string;
  readonly station: string;
  readonly side: 'left' | 'right' | null;
  /** Where on the drawing, in thousandths of its width and height. */
  readonly x: number;
  readonly y: number;
  readonly acceptedBy: string;
  readonly acceptedOn: CivilDate;
}

/** One such record, to be written. */
export type OtherRecord = {
  [K in OtherKind]: {
    readonly id: string;
    readonly kind: K;
    readonly happenedAt: Instant;
    readonly recordedAt: Instant;
    readonly body: OtherBodies[K];
  };
}[OtherKind];

/** Writes such records. @param awaitsVouch true for copies: they count once somebody vouches for them */
export async function insertOthers(
  tx: ClubTransaction,
  clubId: string,
  aircraftId: string,
  recordedBy: string,
  records: readonly OtherRecord[],
  awaitsVouch = false,
): Promise<void> {
  if (records.length === 0) return;
  await tx
    .insertInto('aircraft_record')
    .values(
      records.map(({ id, kind, happenedAt, recordedAt, body }) => ({
        club_id: clubId,
        record_id: id,
        aircraft_id: aircraftId,
        kind,
        body: JSON.stringify(body),
        happened_at: new Date(happenedAt),
        recorded_at: new Date(recordedAt),
        recorded_by: recordedBy,
        awaits_vouch: awaitsVouch,
      })),
    )
    .execute();
}

/** The raw rows. */
export async function readOthers(tx: ClubTransaction, aircraftId: string | null) {
  return (
    tx
      .selectFrom('aircraft_record as r')
      .leftJoin('vouch as v', (join) =>
        join.onRef('v.club_id', '=', 'r.club_id').onRef('v.record_id', '=', 'r.record_id'),
      )
      .select([
        'r.aircraft_id',
        'r.record_id',
        'r.kind',
        'r.body',
        'r.recorded_at',
        'r.awaits_vouch',
        'v.recorded_at as vouched_at',
      ])
      // A copied release would take the place of the one that holds: it is not there before somebody vouches for it.
      .where((where) =>
        where.or([
          where('r.awaits_vouch', '=', false),
          where('r.kind', '<>', 'release'),
          where('v.vouch_id', 'is not', null),
        ]),
      )
      .$if(aircraftId !== null, (query) => query.where('r.aircraft_id', '=', aircraftId))
      .execute()
  );
}

/** A signature that was copied from paper, with who vouched for the copy. */
export function copiedSignature(signature: Signature | null, vouchedAt: Date | null): Signature | null {
  return signature === null
    ? null
    : { ...signature, vouched: vouchedAt === null ? 'nobody' : { recordedAt: storedInstant(vouchedAt) } };
}

/** What a copy says, with who vouched for it. Only kinds that can be copied from paper wait. */
function copyOf(kind: string, body: unknown, vouchedAt: Date | null): unknown {
  switch (kind) {
    case 'done':
    case 'compliance': {
      const copied = body as OtherBodies['done'];
      return {
        ...copied,
        done: { ...copied.done, signedBy: copiedSignature(copied.done.signedBy, vouchedAt) },
      };
    }
    case 'release':
      return vouchedAt === null
        ? body
        : { ...(body as OtherBodies['release']), recordedAt: storedInstant(vouchedAt) };
    default:
      throw new Error(`records of kind ${kind} never wait for anybody to vouch for them`);
  }
}

type OtherRows = Awaited<ReturnType<typeof readOthers>>;

/** What such records add to an aircraft's facts. */
export type OtherFacts = Omit<
  AircraftFacts,
  | 'place'
  | 'aircraft'
  | 'documents'
  | 'inspections'
  | 'readings'
  | 'discrepancies'
  | 'strikes'
  | 'descriptions'
  | 'boxReadings'
> & {
  readonly deferrals: ReadonlyMap<string, Deferral>;
  readonly cleared: ReadonlyMap<string, OtherBodies['list-cleared']>;
};

/** Without any such record: nothing is known of them. */
export const NO_OTHERS: OtherFacts = {
  equipment: [],
  elts: [],
  vorChecks: [],
  databases: [],
  fuelStretches: [],
  work: [],
  permits: [],
  releases: [],
  dailyInspections: [],
  flightsOut: [],
  dispatchRestrictions: [],
  clubDocuments: [],
  towRopes: [],
  riggings: [],
  items: null,
  ads: null,
  ramp: null,
  estimates: [],
  unlogged: [],
  deferrals: new Map(),
  cleared: new Map(),
};

/** Items or ADs with what was done of them since they were brought in. */
function withDone<D, T extends { readonly id: string; readonly done: readonly D[] }>(
  records: readonly T[],
  later: readonly { readonly of: string; readonly done: D }[],
): readonly T[] {
  if (later.length === 0) return records;
  return records.map((record) => {
    const own = later.filter((one) => one.of === record.id).map(({ done }) => done);
    return own.length === 0 ? record : { ...record, done: [...record.done, ...own] };
  });
}

/** Unlogged time as the core looks at it. Of an old record what is not in it is read from its words, and taken strictly. */
function stretchOf(
  row: { readonly record_id: string; readonly recorded_at: Date },
  body: UnloggedRecord,
  attributions: readonly AttributionRecord[],
): UnloggedStretch {
  const hours = /^([\d.]+) h$/.exec(body.length)?.[1];
  const said = attributions.find(({ unlogged, landings }) => unlogged === body.id && landings != null);
  return {
    id: row.record_id,
    happenedAt: body.seenAt,
    recordedAt: storedInstant(row.recorded_at),
    seconds:
      body.seconds === undefined
        ? hours === undefined
          ? null
          : (parseDecimalHours(hours) ?? null)
        : body.seconds,
    unseen: body.unseen ?? COUNTERS,
    said: said?.recordedAt === undefined ? null : { recordedAt: said.recordedAt },
  };
}

/** Rows of one aircraft as the core's own records. The database holds what a checked record wrote, and takes nothing else in. */
function othersOf(rows: OtherRows): OtherFacts {
  const of = <K extends OtherKind>(kind: K): OtherBodies[K][] =>
    rows
      .filter((row) => row.kind === kind)
      .map(({ body, record_id: id, awaits_vouch: copied, vouched_at: vouchedAt }) => {
        if (typeof body !== 'object' || body === null)
          throw new Error(`the stored record ${id} cannot be read`);
        return (copied ? copyOf(kind, body, vouchedAt) : body) as unknown as OtherBodies[K];
      });
  const stated = new Set(of('stated').map(({ what }) => what));
  return {
    equipment: of('equipment'),
    elts: of('elt'),
    vorChecks: of('vor-check'),
    databases: of('database'),
    fuelStretches: of('fuel-stretch'),
    work: of('work'),
    permits: of('permit'),
    releases: of('release'),
    dailyInspections: of('daily-inspection'),
    flightsOut: of('flight-out'),
    dispatchRestrictions: of('dispatch-restriction'),
    clubDocuments: of('club-document'),
    towRopes: of('tow-rope'),
    riggings: of('rigging'),
    estimates: of('estimate'),
    unlogged: rows
      .filter(({ kind }) => kind === 'unlogged')
      .map((row) => stretchOf(row, row.body as unknown as UnloggedRecord, of('attribution'))),
    items: stated.has('items')
      ? withDone(
          of('item'),
          of('done').map(({ item, done }) => ({ of: item, done })),
        )
      : null,
    ads: stated.has('ads')
      ? withDone(
          of('ad'),
          of('compliance').map(({ ad, done }) => ({ of: ad, done })),
        )
      : null,
    ramp: stated.has('ramp')
      ? { measurements: of('measurement'), samples: of('sample'), uplifts: of('uplift') }
      : null,
    deferrals: new Map(of('deferral').map(({ discrepancy, deferral }) => [discrepancy, deferral])),
    cleared: new Map(of('list-cleared').map((one) => [one.inspection, one])),
  };
}

/** Rows of many aircraft, by aircraft. */
export function othersByAircraft(rows: OtherRows): ReadonlyMap<string, OtherFacts> {
  const groups = new Map<string, OtherRows>();
  for (const row of rows) {
    const group = groups.get(row.aircraft_id);
    if (group === undefined) groups.set(row.aircraft_id, [row]);
    else group.push(row);
  }
  return new Map([...groups].map(([aircraftId, own]) => [aircraftId, othersOf(own)]));
}

/** An aircraft's records of one kind, oldest first. */
export async function othersOfKind<K extends OtherKind>(
  tx: ClubTransaction,
  aircraftId: string,
  kind: K,
): Promise<readonly OtherBodies[K][]> {
  const rows = await tx
    .selectFrom('aircraft_record')
    .select('body')
    .where('aircraft_id', '=', aircraftId)
    .where('kind', '=', kind)
    .orderBy('recorded_at')
    .orderBy('record_id')
    .execute();
  return rows.map(({ body }) => body as unknown as OtherBodies[K]);
}

/** Whether somebody has recorded an inspection or a completion under this id already. */
export async function entryExists(tx: ClubTransaction, id: string, personId: string): Promise<boolean> {
  const [inspection, other] = [
    await tx
      .selectFrom('inspection')
      .select('inspection_id')
      .where('inspection_id', '=', id)
      .where('recorded_by', '=', personId)
      .executeTakeFirst(),
    await tx
      .selectFrom('aircraft_record')
      .select('record_id')
      .where('record_id', '=', id)
      .where('recorded_by', '=', personId)
      .executeTakeFirst(),
  ];
  return inspection !== undefined || other !== undefined;
}

/** Where one such record belongs. */
export async function findOther(
  tx: ClubTransaction,
  recordId: string,
): Promise<{ readonly aircraftId: string; readonly kind: string; readonly recordedBy: string } | undefined> {
  const row = await tx
    .selectFrom('aircraft_record')
    .select(['aircraft_id', 'kind', 'recorded_by'])
    .where('record_id', '=', recordId)
    .executeTakeFirst();
  return row === undefined
    ? undefined
    : { aircraftId: row.aircraft_id, kind: row.kind, recordedBy: row.recorded_by };
}

/** Whether a version of the maintenance release was written after this one. */
export async function newerReleaseThan(
  tx: ClubTransaction,
  aircraftId: string,
  recordId: string,
): Promise<boolean> {
  const newer = await tx
    .selectFrom('aircraft_record as r')
    .innerJoin('aircraft_record as of', (join) =>
      join.onRef('of.club_id', '=', 'r.club_id').onRef('of.aircraft_id', '=', 'r.aircraft_id'),
    )
    .select('r.record_id')
    .where('r.aircraft_id', '=', aircraftId)
    .where('r.kind', '=', 'release')
    .where('of.record_id', '=', recordId)
    .whereRef('r.record_id', '<>', 'of.record_id')
    .whereRef('r.recorded_at', '>=', 'of.recorded_at')
    .executeTakeFirst();
  return newer !== undefined;
}
