import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import { civilDateAt, type ZoneId } from '../../time/zone';
import type { Authority } from '../club/certificate';
import { inspectionFaults, type Inspection, type InspectionKind } from '../maintenance/inspection';
import type { WorkEntry } from '../maintenance/work-entry';
import type { Database, Elt, VorCheck } from './elt';
import type { EquipmentKind, EquipmentList } from './equipment';

/** Whose exchange opens the static system. Source: 14 CFR 91.411(a)(2) (from memory). */
const ON_STATIC: readonly EquipmentKind[] = [
  'altimeter',
  'sensitive-altimeter',
  'airspeed-indicator',
  'alternate-static',
];
/** Whose exchange could let the reported altitude disagree. Source: 14 CFR 91.411(a)(3) and 91.413(b) (from memory). */
const REPORTS_ALTITUDE: readonly EquipmentKind[] = ['transponder', 'ads-b-out'];

/** What exchanging such equipment always touches, beside what somebody says of it. */
export function touchedByExchange(exchanged: readonly EquipmentKind[]): {
  readonly staticOpened: boolean;
  readonly altitudeReportingTouched: boolean;
} {
  return {
    staticOpened: exchanged.some((kind) => ON_STATIC.includes(kind)),
    altitudeReportingTouched: exchanged.some((kind) => REPORTS_ALTITUDE.includes(kind)),
  };
}

/** Which tests are of a unit and not of the aircraft: a new unit has not had them. */
const TESTS_OF: Partial<Record<EquipmentKind, readonly InspectionKind[]>> = {
  altimeter: ['altimeter-static'],
  'sensitive-altimeter': ['altimeter-static'],
  transponder: ['transponder'],
  elt: ['elt'],
};

/** What may speak of a unit that was exchanged since. */
interface OfUnits {
  readonly work: readonly WorkEntry[];
  readonly inspections: readonly Inspection[];
  readonly elts: readonly Elt[];
  readonly vorChecks: readonly VorCheck[];
  readonly databases: readonly Database[];
  readonly equipment: readonly EquipmentList[];
}

interface Exchange {
  readonly on: CivilDate;
  readonly recordedAt: Instant;
}

/**
 * The records without what speaks of a unit that was exchanged since: its test, its check, its battery, its database and the last day on
 * its label say nothing of the unit that is fitted now, which has none until somebody enters them. What was found wrong stays. A record of
 * the day of the exchange counts where it was made after its entry; a test or inspection of that day counts, since the new unit is tested
 * when it is fitted. Common practice; source of the tests that it asks for again: 14 CFR 91.171, 91.207, 91.411, 91.413 (from memory).
 */
export function afterExchanges(facts: OfUnits, at: ZoneId, authority: Authority): OfUnits {
  const exchanges = new Map<EquipmentKind, Exchange[]>();
  for (const { exchanged = [], completedOn, recordedAt } of facts.work)
    for (const kind of exchanged)
      exchanges.set(kind, [
        ...(exchanges.get(kind) ?? []),
        { on: completedOn ?? civilDateAt(recordedAt, at), recordedAt },
      ]);
  if (exchanges.size === 0) return facts;
  const of = (...kinds: readonly EquipmentKind[]) => kinds.flatMap((kind) => exchanges.get(kind) ?? []);
  const isSince = (moment: Instant, all: readonly Exchange[]) =>
    all.every(({ on, recordedAt }) => moment >= recordedAt || civilDateAt(moment, at) > on);
  const since = <R extends { readonly happenedAt: Instant }>(
    records: readonly R[],
    all: readonly Exchange[],
  ) => records.filter(({ happenedAt }) => isSince(happenedAt, all));
  const isOldTest = ({ kind, completedOn }: Inspection) =>
    Object.entries(TESTS_OF).some(
      ([unit, tests]) => tests.includes(kind) && of(unit as EquipmentKind).some(({ on }) => completedOn < on),
    );
  return {
    ...facts,
    work: facts.work.map((one) => {
      const touched = touchedByExchange(one.exchanged ?? []);
      return {
        ...one,
        staticOpened: touched.staticOpened || one.staticOpened,
        altitudeReportingTouched: touched.altitudeReportingTouched || one.altitudeReportingTouched,
      };
    }),
    inspections: facts.inspections.filter(
      (one) => !isOldTest(one) || inspectionFaults(one, at, authority).length > 0,
    ),
    elts: since(facts.elts, of('elt')),
    vorChecks: since(facts.vorChecks, of('vor-receiver')),
    databases: since(facts.databases, of('satellite-navigator', 'ifr-navigation')),
    equipment: facts.equipment.map((list) => ({
      ...list,
      items: list.items.map((item) =>
        item.expiresOn === 'no-expiry' || isSince(list.happenedAt, of(item.kind))
          ? item
          : { ...item, expiresOn: null },
      ),
    })),
  };
}
