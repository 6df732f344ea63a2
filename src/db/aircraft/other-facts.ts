import type { Deferral, Triage } from '@/core/records/findings/discrepancy';
import type { AircraftFacts } from '@/core/records/facts';
import type { WorkApproval } from '@/core/records/maintenance/work-entry';
import type { Announced, FuelCleared, Ramp } from '@/core/records/walkround/measurement';
import { stretchOf } from '@/core/records/meters/unlogged';
import { storedInstant } from '../kernel/checked-values';
import type { OtherBodies, OtherKind } from './other-kinds';
import { storedBody } from './other-bodies';
import { copyOf, type readOthers } from './other-records';

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
  readonly triages: ReadonlyMap<string, readonly Triage[]>;
  readonly cleared: ReadonlyMap<string, OtherBodies['list-cleared']>;
  /** What was put in, also while the ramp is no part of the question. */
  readonly uplifts: Ramp['uplifts'];
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
  minimumLists: [],
  riggings: [],
  items: null,
  ads: null,
  ramp: null,
  estimates: [],
  unlogged: [],
  deferrals: new Map(),
  triages: new Map(),
  cleared: new Map(),
  uplifts: [],
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

/** Cups and fuellings with what a mechanic did about them later. */
function withCleared<T extends { readonly id: string; readonly cleared?: FuelCleared | null }>(
  records: readonly T[],
  clearances: readonly OtherBodies['fuel-cleared'][],
): readonly T[] {
  if (clearances.length === 0) return records;
  return records.map((record) => {
    const cleared = clearances.find(({ records: of }) => of.includes(record.id));
    return cleared === undefined || record.cleared != null
      ? record
      : { ...record, cleared: { recordedAt: cleared.recordedAt, on: cleared.on, by: cleared.by } };
  });
}

/**
 * What was found on the ramp. Where nobody stated that it is all of it, it speaks for what was found, and
 * what is missing is no gap: the walk-round that was begun since the last flight makes it one.
 */
function rampOf(
  isStated: boolean,
  found: Pick<Ramp, 'measurements' | 'samples' | 'uplifts'>,
  announced: readonly Announced[],
): Ramp | null {
  if (isStated) return found;
  return found.measurements.length + found.samples.length + found.uplifts.length + announced.length === 0
    ? null
    : { ...found, gaps: 'none', ...(announced.length === 0 ? {} : { announced }) };
}

/** Decisions by the finding that they are about. */
function groupedBy(records: readonly OtherBodies['triage'][]): ReadonlyMap<string, readonly Triage[]> {
  const groups = new Map<string, Triage[]>();
  for (const { discrepancy, triage } of records)
    groups.set(discrepancy, [...(groups.get(discrepancy) ?? []), triage]);
  return groups;
}

/**
 * Work with what was entered about it since. Of several flights or inspections the last counts: a further one is only taken where the one
 * before does not.
 */
function workOf(
  work: readonly OtherBodies['work'][],
  approvals: readonly OtherBodies['work-approval'][],
  checkFlights: readonly OtherBodies['check-flight'][],
  inspections: readonly OtherBodies['independent-inspection'][],
): AircraftFacts['work'] {
  return work.map(({ details: _, ...entry }) => {
    const of = <T extends { readonly work: string; readonly recordedAt: number }>(records: readonly T[]) =>
      records.filter((one) => one.work === entry.id).sort((a, b) => a.recordedAt - b.recordedAt);
    const own = of(approvals).map(({ work: __, details: ___, ...approval }): WorkApproval => approval);
    const flown = of(checkFlights)
      .filter(({ asItShould }) => asItShould)
      .at(-1);
    const inspected = of(inspections).at(-1);
    return {
      ...entry,
      ...(own.length === 0 ? {} : { approvals: [...(entry.approvals ?? []), ...own] }),
      ...(flown === undefined
        ? {}
        : {
            checkFlight: { recordedAt: flown.recordedAt, on: flown.on, pilot: flown.pilot, logged: true },
          }),
      ...(inspected === undefined
        ? {}
        : {
            independentInspection: { recordedAt: inspected.recordedAt, on: inspected.on, by: inspected.by },
          }),
    };
  });
}

/** Rows of one aircraft as the core's own records. The database holds what a checked record wrote, and takes nothing else in. */
function othersOf(rows: OtherRows): OtherFacts {
  const of = <K extends OtherKind>(kind: K): OtherBodies[K][] =>
    rows
      .filter((row) => row.kind === kind)
      .map(({ body, record_id: id, awaits_vouch: copied, vouched_at: vouchedAt }) => {
        const held = storedBody(kind, body, id);
        return copied ? copyOf(kind, held, vouchedAt) : held;
      });
  const stated = new Set(of('stated').map(({ what }) => what));
  return {
    equipment: of('equipment'),
    elts: of('elt'),
    vorChecks: of('vor-check'),
    databases: of('database'),
    fuelStretches: of('fuel-stretch'),
    work: workOf(of('work'), of('work-approval'), of('check-flight'), of('independent-inspection')),
    permits: of('permit'),
    releases: of('release'),
    dailyInspections: of('daily-inspection'),
    flightsOut: of('flight-out'),
    dispatchRestrictions: of('dispatch-restriction').map((one) => {
      const [first] = of('restriction-withdrawn')
        .filter(({ restriction }) => restriction === one.id)
        .sort((a, b) => a.recordedAt - b.recordedAt);
      return one.withdrawn !== null || first === undefined
        ? one
        : { ...one, withdrawn: { recordedAt: first.recordedAt } };
    }),
    clubDocuments: of('club-document'),
    towRopes: of('tow-rope'),
    minimumLists: of('minimum-equipment-list'),
    riggings: of('rigging'),
    estimates: of('estimate'),
    unlogged: rows
      .filter(({ kind }) => kind === 'unlogged')
      .map((row) =>
        stretchOf(
          storedBody('unlogged', row.body, row.record_id),
          storedInstant(row.recorded_at),
          of('attribution'),
        ),
      ),
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
    ramp: rampOf(
      stated.has('ramp'),
      {
        measurements: of('measurement'),
        samples: withCleared(of('sample'), of('fuel-cleared')),
        uplifts: withCleared(of('uplift'), of('fuel-cleared')),
      },
      of('announced').filter(({ id }) => !of('announced-done').some(({ announced }) => announced === id)),
    ),
    // The newest counts: it takes the place of one that was not lawful.
    deferrals: new Map(
      of('deferral')
        .toSorted((a, b) => a.deferral.recordedAt - b.deferral.recordedAt)
        .map(({ discrepancy, deferral }) => [discrepancy, deferral]),
    ),
    triages: groupedBy(of('triage')),
    uplifts: withCleared(of('uplift'), of('fuel-cleared')),
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
