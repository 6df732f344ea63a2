import type { Instant } from '../time/instant';
import type { Place } from '../time/sun';
import type { Aircraft } from './aircraft';
import type { Authority } from './certificate';
import type { Directive } from './directive';
import type { Discrepancy } from './discrepancy';
import type { AircraftDocument } from './document';
import type { EquipmentList } from './equipment';
import type { Inspection } from './inspection';
import type { Database, Locator, ReceiverCheck } from './locator';
import type { FuelStretch, MaintenanceItem } from './maintenance-item';
import type { Ramp } from './measurement';
import { standingsOf, type MeterReading, type Standings } from './meter-reading';
import type { ClubPaper, Estimate, FlightOut, Tightening, TowRope } from './movement';
import type { DailyInspection, FlightPermit, MaintenanceRelease, WorkEntry } from './work-entry';

/** Records of many kinds, each a list. */
interface Lists {
  readonly documents: readonly AircraftDocument[];
  readonly inspections: readonly Inspection[];
  readonly readings: readonly MeterReading[];
  readonly discrepancies: readonly Discrepancy[];
  readonly equipment: readonly EquipmentList[];
  readonly locators: readonly Locator[];
  readonly receiverChecks: readonly ReceiverCheck[];
  readonly databases: readonly Database[];
  readonly fuelStretches: readonly FuelStretch[];
  readonly work: readonly WorkEntry[];
  readonly permits: readonly FlightPermit[];
  readonly releases: readonly MaintenanceRelease[];
  readonly dailyInspections: readonly DailyInspection[];
  readonly flightsOut: readonly FlightOut[];
  readonly tightenings: readonly Tightening[];
  readonly clubPapers: readonly ClubPaper[];
  readonly towRopes: readonly TowRope[];
}

/** Everything on record about one aircraft that a decision may rest on. */
export interface AircraftFacts extends Lists {
  readonly place: Place;
  readonly aircraft: Aircraft;
  /** Null is not known: nobody has said which there are. An empty list states that there are none. */
  readonly items: readonly MaintenanceItem[] | null;
  readonly directives: readonly Directive[] | null;
  readonly ramp: Ramp | null;
  /** What acts take. They choose between ways out, and never decide. */
  readonly estimates: readonly Estimate[];
}

interface Recorded { readonly recordedAt: Instant }

function listsOf(facts: AircraftFacts): readonly (readonly Recorded[])[] {
  const { ramp } = facts;
  return [
    facts.documents, facts.inspections, facts.readings, facts.discrepancies, facts.equipment, facts.locators, facts.receiverChecks, facts.databases, facts.fuelStretches, facts.work,
    facts.permits, facts.releases, facts.dailyInspections, facts.flightsOut, facts.tightenings, facts.clubPapers, facts.towRopes, facts.items ?? [], facts.directives ?? [],
    ...(ramp === null ? [] : [ramp.measurements, ramp.samples, ramp.uplifts]),
  ];
}

/**
 * The moment at which to decide about the present: `now`, or that of the latest entry where a clock that wrote it was ahead.
 * Otherwise a finding written by a machine two seconds ahead, or before this machine's clock was set back, would not be seen.
 */
export function presentFor(facts: AircraftFacts, now: Instant): Instant {
  let latest = now;
  const see = (part: Recorded | null) => { if (part !== null && part.recordedAt > latest) latest = part.recordedAt; };
  for (const list of listsOf(facts)) for (const record of list) see(record);
  for (const { rectification, deferral } of facts.discrepancies) { see(rectification); see(deferral); }
  for (const { done } of facts.items ?? []) done.forEach(see);
  for (const { done } of facts.directives ?? []) done.forEach(see);
  for (const { checkFlight, independentInspection } of facts.work) { see(checkFlight); see(independentInspection); }
  for (const { required } of facts.releases) for (const { certified } of required) see(certified);
  for (const { returned } of facts.flightsOut) see(returned);
  for (const { lifted } of facts.tightenings) see(lifted);
  return latest;
}

/** The facts as they were known at a moment, with what several rules ask of them. Only knownAt() makes them. */
export interface KnownFacts extends AircraftFacts {
  /** Whose certificates count. */
  readonly authority: Authority;
  readonly meters: Standings;
  /** The equipment list that counts: the latest. */
  readonly equipmentList: EquipmentList | null;
}

/** The records known by `moment`: the same list where all are. */
function known<T extends Recorded>(records: readonly T[], moment: Instant): readonly T[] {
  for (const { recordedAt } of records) if (recordedAt > moment) return records.filter((record) => record.recordedAt <= moment);
  return records;
}

/** The same with something inside of each record that may have been recorded later. */
function knownInside<T extends Recorded>(records: readonly T[], moment: Instant, inside: (record: T) => T): readonly T[] {
  const some = known(records, moment);
  const mapped = some.map(inside);
  return mapped.every((one, at) => one === some[at]) ? some : mapped;
}

const later = (part: Recorded | null, moment: Instant): boolean => part !== null && part.recordedAt > moment;

/** The facts as they were known at `moment`: later entries are left out, also a repair of a discrepancy that was already there. */
export function knownAt(facts: AircraftFacts, moment: Instant, authority: Authority): KnownFacts {
  const inspections = known(facts.inspections, moment);
  const readings = known(facts.readings, moment);
  const equipment = known(facts.equipment, moment);
  const { ramp } = facts;
  const items = facts.items === null ? null : knownInside(facts.items, moment, (item) => { const done = known(item.done, moment); return done === item.done ? item : { ...item, done }; });
  const directives = facts.directives === null ? null : knownInside(facts.directives, moment, (one) => { const done = known(one.done, moment); return done === one.done ? one : { ...one, done }; });
  const seenRamp = ramp === null ? null : { measurements: known(ramp.measurements, moment), samples: known(ramp.samples, moment), uplifts: known(ramp.uplifts, moment) };
  return {
    authority, place: facts.place, aircraft: facts.aircraft, estimates: facts.estimates, inspections, readings, equipment,
    documents: known(facts.documents, moment), locators: known(facts.locators, moment), receiverChecks: known(facts.receiverChecks, moment), databases: known(facts.databases, moment),
    fuelStretches: known(facts.fuelStretches, moment), permits: known(facts.permits, moment), dailyInspections: known(facts.dailyInspections, moment),
    clubPapers: known(facts.clubPapers, moment), towRopes: known(facts.towRopes, moment),
    discrepancies: knownInside(facts.discrepancies, moment, (one) => (later(one.rectification, moment) || later(one.deferral, moment)
      ? { ...one, rectification: later(one.rectification, moment) ? null : one.rectification, deferral: later(one.deferral, moment) ? null : one.deferral } : one)),
    items, directives,
    work: knownInside(facts.work, moment, (one) => (later(one.checkFlight, moment) || later(one.independentInspection, moment)
      ? { ...one, checkFlight: later(one.checkFlight, moment) ? null : one.checkFlight, independentInspection: later(one.independentInspection, moment) ? null : one.independentInspection } : one)),
    releases: knownInside(facts.releases, moment, (one) => (one.required.some(({ certified }) => later(certified, moment))
      ? { ...one, required: one.required.map((entry) => (later(entry.certified, moment) ? { ...entry, certified: null } : entry)) } : one)),
    flightsOut: knownInside(facts.flightsOut, moment, (one) => (later(one.returned, moment) ? { ...one, returned: null } : one)),
    tightenings: knownInside(facts.tightenings, moment, (one) => (later(one.lifted, moment) ? { ...one, lifted: null } : one)),
    ramp: seenRamp,
    meters: standingsOf({ readings, inspections, items, directives, ramp: seenRamp }, facts.place.zone), equipmentList: latestOf(equipment),
  };
}

/** The last moment at which the aircraft came back from a flight; null where none is on record. */
export function lastReturn({ flightsOut }: Pick<AircraftFacts, 'flightsOut'>): Instant | null {
  let last: Instant | null = null;
  for (const { returned } of flightsOut) if (returned !== null && (last === null || returned.at > last)) last = returned.at;
  return last;
}

/** The latest of some records: by when it happened, then when it was recorded, then id. */
export function latestOf<T extends { readonly id: string; readonly happenedAt: Instant; readonly recordedAt: Instant }>(records: readonly T[]): T | null {
  let latest: T | null = null;
  for (const record of records) {
    if (latest === null || record.happenedAt > latest.happenedAt || (record.happenedAt === latest.happenedAt && (record.recordedAt > latest.recordedAt || (record.recordedAt === latest.recordedAt && record.id > latest.id)))) latest = record;
  }
  return latest;
}
