import type { Instant } from '../time/instant';
import type { Place } from '../time/sun';
import { withBoxes, type BoxReading } from './meters/box-reading';
import { UNKNOWN_PARTICULARS, type Aircraft, type Description } from './aircraft/aircraft';
import { authorityFor, signatureKnownAt, type Authority, type Signature } from './club/certificate';
import type { AirworthinessDirective } from './maintenance/ad';
import type { Discrepancy } from './findings/discrepancy';
import type { AircraftDocument } from './documents/document';
import { strictestList, type EquipmentList } from './aircraft/equipment';
import { countingList, type MinimumEquipmentList } from './aircraft/minimum-list';
import type { Inspection } from './maintenance/inspection';
import type { Database, Elt, VorCheck } from './aircraft/elt';
import type { FuelStretch, MaintenanceItem } from './maintenance/maintenance-item';
import type { FuelSample, Ramp, Uplift } from './walkround/measurement';
import { standingsOf, type MeterReading, type Standings } from './meters/meter-reading';
import type { ClubDocument, Estimate, FlightOut, DispatchRestriction, TowRope } from './flights/movement';
import type { Strike } from './strike';
import type { Rigging } from './aircraft/rigging';
import { unreadFlights, withUnread } from './meters/unread';
import { withUnlogged, type UnloggedStretch } from './meters/unlogged';
import type { DailyInspection, FlightPermit, MaintenanceRelease, WorkEntry } from './maintenance/work-entry';
import { triaged, withMerged } from './findings/triage';
import { approvedWork } from './maintenance/work-entry';
import { afterExchanges } from './aircraft/exchange';

/** Records of many kinds, each a list. */
interface Lists {
  readonly documents: readonly AircraftDocument[];
  readonly inspections: readonly Inspection[];
  readonly readings: readonly MeterReading[];
  readonly discrepancies: readonly Discrepancy[];
  readonly equipment: readonly EquipmentList[];
  readonly minimumLists: readonly MinimumEquipmentList[];
  readonly elts: readonly Elt[];
  readonly vorChecks: readonly VorCheck[];
  readonly databases: readonly Database[];
  readonly fuelStretches: readonly FuelStretch[];
  readonly work: readonly WorkEntry[];
  readonly permits: readonly FlightPermit[];
  readonly releases: readonly MaintenanceRelease[];
  readonly dailyInspections: readonly DailyInspection[];
  readonly flightsOut: readonly FlightOut[];
  readonly dispatchRestrictions: readonly DispatchRestriction[];
  readonly clubDocuments: readonly ClubDocument[];
  readonly towRopes: readonly TowRope[];
  readonly riggings: readonly Rigging[];
  readonly strikes: readonly Strike[];
  /**
   * What the aircraft was said to be, in the order in which it was written down; none where that never changed, and then it is what it
   * is.
   */
  readonly descriptions: readonly Description[];
  readonly boxReadings: readonly BoxReading[];
  readonly unlogged: readonly UnloggedStretch[];
}

/** Everything on record about one aircraft that a decision may rest on. */
export interface AircraftFacts extends Lists {
  readonly place: Place;
  readonly aircraft: Aircraft;
  /** Null is not known: nobody has said which there are. An empty list states that there are none. */
  readonly items: readonly MaintenanceItem[] | null;
  readonly ads: readonly AirworthinessDirective[] | null;
  readonly ramp: Ramp | null;
  /** What acts take. They choose between remedies, and never decide. */
  readonly estimates: readonly Estimate[];
  /** Why records of it cannot be read: then nothing is decided from the others. Absent states that all can. */
  readonly unreadable?: string;
}

interface Recorded {
  readonly recordedAt: Instant;
}

function listsOf(facts: AircraftFacts): readonly (readonly Recorded[])[] {
  const { ramp } = facts;
  return [
    facts.documents,
    facts.inspections,
    facts.readings,
    facts.discrepancies,
    facts.equipment,
    facts.minimumLists,
    facts.elts,
    facts.vorChecks,
    facts.databases,
    facts.fuelStretches,
    facts.work,
    facts.permits,
    facts.releases,
    facts.dailyInspections,
    facts.flightsOut,
    facts.dispatchRestrictions,
    facts.clubDocuments,
    facts.towRopes,
    facts.riggings,
    facts.strikes,
    facts.descriptions,
    facts.boxReadings,
    facts.unlogged,
    facts.items ?? [],
    facts.ads ?? [],
    ...(ramp === null ? [] : [ramp.measurements, ramp.samples, ramp.uplifts, ramp.announced ?? []]),
    ramp?.walkround == null ? [] : [ramp.walkround],
  ];
}

/** Shows every moment at which something about an aircraft was written down. */
function eachRecorded(facts: AircraftFacts, see: (part: Recorded | null) => void): void {
  for (const list of listsOf(facts)) for (const record of list) see(record);
  for (const { rectification, deferral, triage } of facts.discrepancies) {
    see(rectification);
    see(deferral);
    triage?.forEach(see);
  }
  for (const { listCleared } of facts.inspections)
    if (listCleared?.recordedAt !== undefined) see({ recordedAt: listCleared.recordedAt });
  const seeVouched = ({ signedBy }: { readonly signedBy: Signature | null }) => {
    const vouched = signedBy?.vouched;
    if (vouched !== undefined && vouched !== 'nobody') see(vouched);
  };
  facts.inspections.forEach(seeVouched);
  for (const { done } of [...(facts.items ?? []), ...(facts.ads ?? [])])
    for (const one of done) {
      see(one);
      seeVouched(one);
    }
  for (const { checkFlight, independentInspection, approvals } of facts.work) {
    see(checkFlight);
    see(independentInspection);
    approvals?.forEach(see);
  }
  for (const { required } of facts.releases) for (const { certified } of required) see(certified);
  for (const { returned } of facts.flightsOut) see(returned);
  for (const { withdrawn } of facts.dispatchRestrictions) see(withdrawn);
  for (const { said } of facts.unlogged) see(said);
  for (const { cleared } of [...(facts.ramp?.samples ?? []), ...(facts.ramp?.uplifts ?? [])])
    see(cleared ?? null);
}

/**
 * The moment at which to decide about the present: `now`, or that of the latest entry where a clock that wrote it was ahead.
 * Otherwise a finding written by a machine two seconds ahead, or before this machine's clock was set back, would not be seen.
 */
export function presentFor(facts: AircraftFacts, now: Instant): Instant {
  let latest = now;
  eachRecorded(facts, (part) => {
    if (part !== null && part.recordedAt > latest) latest = part.recordedAt;
  });
  return latest;
}

/** The moments after `from` and up to `to` at which what is known of an aircraft changed, in their order, each once. */
export function recordedMoments(facts: AircraftFacts, from: Instant, to: Instant): readonly Instant[] {
  const moments = new Set<Instant>();
  eachRecorded(facts, (part) => {
    if (part !== null && part.recordedAt > from && part.recordedAt <= to) moments.add(part.recordedAt);
  });
  return [...moments].sort((a, b) => a - b);
}

/** The facts as they were known at a moment, with what several rules ask of them. Only knownAt() makes them. */
export interface KnownFacts extends AircraftFacts {
  /** Whose certificates count. */
  readonly authority: Authority;
  /**
   * What the meters stand at, with what boxes counted beside them, and as many landings as may have been made while nobody wrote them
   * down.
   */
  readonly meters: Standings;
  /** The same without either: what flights and readings account for. The chain at the dispatch page goes by it. */
  readonly accounted: Standings;
  /** Flights that came back since the time in service was last read: they count with their planned time. */
  readonly unread: readonly FlightOut[];
  /** The equipment list that counts: the latest; of several of one moment what the strictest says of each kind. */
  readonly equipmentList: EquipmentList | null;
  /** The approved minimum equipment list that counts: the latest; null where none is on record. */
  readonly minimumList: MinimumEquipmentList | null;
}

interface Dated extends Recorded {
  readonly id?: string;
}

/** What counts at a moment: recorded by then, and not struck out by then. */
class Counting {
  private readonly struck: ReadonlySet<string> | null;

  constructor(
    private readonly moment: Instant,
    strikes: readonly Strike[],
  ) {
    const now = strikes.filter(({ recordedAt }) => recordedAt <= moment);
    this.struck = now.length === 0 ? null : new Set(now.map(({ record }) => record));
  }

  /** False for an entry that came later or was struck out. */
  counts({ recordedAt, id }: Dated): boolean {
    return recordedAt <= this.moment && (this.struck === null || id === undefined || !this.struck.has(id));
  }

  /** The records that count: the same list where all do. */
  of<T extends Dated>(records: readonly T[]): readonly T[] {
    for (const record of records) if (!this.counts(record)) return records.filter((one) => this.counts(one));
    return records;
  }

  /** The same with something inside of each record that may not count. */
  inside<T extends Dated>(records: readonly T[], change: (record: T) => T): readonly T[] {
    const some = this.of(records);
    const mapped = some.map(change);
    return mapped.every((one, at) => one === some[at]) ? some : mapped;
  }

  /** A part of a record: null where it does not count. */
  part<T extends Dated>(part: T | null): T | null {
    return part === null || this.counts(part) ? part : null;
  }
}

/** The aircraft as it was described by `moment`; before the first description nothing of it is known but its registration. */
function describedAt(
  { aircraft, descriptions }: Pick<AircraftFacts, 'aircraft' | 'descriptions'>,
  moment: Instant,
): Aircraft {
  if (descriptions.length === 0) return aircraft;
  // They stand in the order in which they were written down: the last that was by then counts, whatever the clocks and ids say.
  const latest = descriptions.filter(({ recordedAt }) => recordedAt <= moment).at(-1);
  return latest === undefined
    ? {
        registration: aircraft.registration,
        category: null,
        firstFlownOn: null,
        approvedFor: null,
        particulars: UNKNOWN_PARTICULARS,
      }
    : {
        registration: aircraft.registration,
        category: latest.category,
        firstFlownOn: latest.firstFlownOn,
        approvedFor: latest.approvedFor,
        particulars: latest.particulars,
      };
}

/**
 * The facts as they were known at `moment`: later entries are left out, also a repair of a discrepancy that was already there; and so are
 * entries that had been struck out by then.
 */
export function knownAt(facts: AircraftFacts, moment: Instant, authority: Authority): KnownFacts {
  const aircraft = describedAt(facts, moment);
  const counting = new Counting(moment, facts.strikes);
  // A finding and what somebody closed are never struck out: a repair closes the one, and lifting it the other.
  const recorded = new Counting(moment, []);
  // A copy counts since somebody vouched for it; until then it is read and does not count.
  const signed = <T extends { readonly signedBy: Signature | null }>(one: T): T => {
    const signedBy = signatureKnownAt(one.signedBy, moment);
    return signedBy === one.signedBy ? one : { ...one, signedBy };
  };
  const allSigned = <T extends { readonly signedBy: Signature | null }>(
    records: readonly T[],
  ): readonly T[] => {
    const known = records.map(signed);
    return known.every((one, at) => one === records[at]) ? records : known;
  };
  const inspections = counting.inside(facts.inspections, (one) =>
    signed(
      one.listCleared?.recordedAt !== undefined && one.listCleared.recordedAt > moment
        ? { ...one, listCleared: null }
        : one,
    ),
  );
  const readings = counting.of(facts.readings);
  const equipment = counting.of(facts.equipment);
  const minimumLists = counting.of(facts.minimumLists);
  const { ramp } = facts;
  const clearedBy = <T extends FuelSample | Uplift>(one: T): T =>
    one.cleared == null || counting.counts(one.cleared) ? one : { ...one, cleared: null };
  // A box that was struck out takes with it all that it sent.
  const boxReadings = recorded
    .of(facts.boxReadings)
    .filter(({ box }) => counting.counts({ id: box, recordedAt: moment }));
  const items =
    facts.items === null
      ? null
      : counting.inside(facts.items, (item) => {
          const done = allSigned(counting.of(item.done));
          return done === item.done ? item : { ...item, done };
        });
  const ads =
    facts.ads === null
      ? null
      : counting.inside(facts.ads, (one) => {
          const done = allSigned(counting.of(one.done));
          return done === one.done ? one : { ...one, done };
        });
  const seenRamp =
    ramp === null
      ? null
      : {
          measurements: counting.of(ramp.measurements),
          samples: counting.inside(ramp.samples, clearedBy),
          uplifts: counting.inside(ramp.uplifts, clearedBy),
          ...(ramp.gaps === undefined ? {} : { gaps: ramp.gaps }),
          ...(ramp.walkround === undefined ? {} : { walkround: counting.part(ramp.walkround) }),
          ...(ramp.announced === undefined ? {} : { announced: counting.of(ramp.announced) }),
        };
  const flightsOut = counting.inside(facts.flightsOut, (one) =>
    counting.part(one.returned) === one.returned ? one : { ...one, returned: null },
  );
  const unlogged = counting.inside(facts.unlogged, (one) =>
    counting.part(one.said) === one.said ? one : { ...one, said: null },
  );
  const accounted = standingsOf({ readings, inspections, items, ads, ramp: seenRamp }, facts.place.zone);
  const unread = unreadFlights(flightsOut, accounted);
  const work = counting.inside(facts.work, (one) => {
    const checkFlight = counting.part(one.checkFlight);
    const independentInspection = counting.part(one.independentInspection);
    if (one.approvals !== undefined)
      return approvedWork(
        { ...one, checkFlight, independentInspection, approvals: counting.of(one.approvals) },
        facts.place.zone,
      );
    return checkFlight === one.checkFlight && independentInspection === one.independentInspection
      ? one
      : { ...one, checkFlight, independentInspection };
  });
  const units = afterExchanges(
    {
      work,
      inspections,
      equipment,
      elts: counting.of(facts.elts),
      vorChecks: counting.of(facts.vorChecks),
      databases: counting.of(facts.databases),
    },
    facts.place.zone,
    authorityFor(authority, aircraft),
  );
  return {
    authority: authorityFor(authority, aircraft),
    place: facts.place,
    boxReadings,
    unlogged,
    accounted,
    aircraft,
    descriptions: facts.descriptions,
    estimates: facts.estimates,
    ...(facts.unreadable === undefined ? {} : { unreadable: facts.unreadable }),
    strikes: facts.strikes,
    inspections: units.inspections,
    readings,
    equipment: units.equipment,
    minimumLists,
    documents: counting.of(facts.documents),
    elts: units.elts,
    vorChecks: units.vorChecks,
    databases: units.databases,
    fuelStretches: counting.of(facts.fuelStretches),
    permits: counting.of(facts.permits),
    dailyInspections: counting.of(facts.dailyInspections),
    clubDocuments: counting.of(facts.clubDocuments),
    towRopes: counting.of(facts.towRopes),
    riggings: counting.of(facts.riggings),
    discrepancies: withMerged(
      recorded.inside(facts.discrepancies, (one) => {
        const rectification = counting.part(one.rectification);
        const deferral = counting.part(one.deferral);
        if (one.triage !== undefined)
          return triaged(
            { ...one, rectification, deferral, triage: recorded.of(one.triage) },
            facts.place.zone,
            authorityFor(authority, aircraft),
          );
        return rectification === one.rectification && deferral === one.deferral
          ? one
          : { ...one, rectification, deferral };
      }),
      facts.place.zone,
      authorityFor(authority, aircraft),
    ),
    items,
    ads,
    work: units.work,
    releases: counting.inside(facts.releases, (one) =>
      one.required.some(({ certified }) => counting.part(certified) !== certified)
        ? {
            ...one,
            required: one.required.map((entry) => ({ ...entry, certified: counting.part(entry.certified) })),
          }
        : one,
    ),
    flightsOut,
    unread,
    dispatchRestrictions: recorded.inside(facts.dispatchRestrictions, (one) =>
      counting.part(one.withdrawn) === one.withdrawn ? one : { ...one, withdrawn: null },
    ),
    ramp: seenRamp,
    meters: withUnlogged(withBoxes(withUnread(accounted, unread), boxReadings), unlogged),
    equipmentList: strictestList(latestAll(units.equipment)),
    minimumList: countingList(latestAll(minimumLists)),
  };
}

/**
 * The records of the latest moment at which anything happened: where several are of one moment, the stricter holds, and no id or order
 * decides.
 */
export function latestAll<T extends { readonly happenedAt: Instant }>(records: readonly T[]): readonly T[] {
  let latest = Number.NEGATIVE_INFINITY;
  for (const { happenedAt } of records) if (happenedAt > latest) latest = happenedAt;
  return records.filter(({ happenedAt }) => happenedAt === latest);
}

/** The last moment at which the aircraft came back from a flight; null where none is on record. */
export function lastReturn({ flightsOut }: Pick<AircraftFacts, 'flightsOut'>): Instant | null {
  let last: Instant | null = null;
  for (const { returned } of flightsOut)
    if (returned !== null && (last === null || returned.at > last)) last = returned.at;
  return last;
}

/** The latest of some records: by when it happened, then when it was recorded, then id. */
export function latestOf<
  T extends { readonly id: string; readonly happenedAt: Instant; readonly recordedAt: Instant },
>(records: readonly T[]): T | null {
  let latest: T | null = null;
  for (const record of records) {
    if (
      latest === null
      || record.happenedAt > latest.happenedAt
      || (record.happenedAt === latest.happenedAt
        && (record.recordedAt > latest.recordedAt
          || (record.recordedAt === latest.recordedAt && record.id > latest.id)))
    )
      latest = record;
  }
  return latest;
}
