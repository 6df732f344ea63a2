// A case's records of the wider kinds as the database takes them, for tests and benches.
import type { AircraftFacts } from '../../src/core/records/facts';
import type { OtherRecord } from '../../src/db/aircraft/other-kinds';

/** Every record of the facts that is kept whole, each under a new id. */
export function othersOf(facts: AircraftFacts, newId: () => string): readonly OtherRecord[] {
  const dated = <K extends OtherRecord['kind'], R extends { readonly recordedAt: number }>(
    kind: K,
    records: readonly R[],
  ) =>
    records.map((body) => ({
      id: newId(),
      kind,
      happenedAt: 'happenedAt' in body ? body.happenedAt : body.recordedAt,
      recordedAt: body.recordedAt,
      body,
    }));
  const first = facts.documents[0];
  const stated = (what: 'items' | 'ads') => ({
    id: newId(),
    kind: 'stated',
    happenedAt: first?.happenedAt,
    recordedAt: first?.recordedAt,
    body: { what },
  });
  return [
    ...(facts.items === null ? [] : [stated('items'), ...dated('item', facts.items)]),
    ...(facts.ads === null ? [] : [stated('ads'), ...dated('ad', facts.ads)]),
    ...dated('equipment', facts.equipment),
    ...dated('elt', facts.elts),
    ...dated('vor-check', facts.vorChecks),
    ...dated('database', facts.databases),
    ...dated('fuel-stretch', facts.fuelStretches),
    ...dated('work', facts.work),
    ...dated('permit', facts.permits),
    ...dated('release', facts.releases),
    ...dated('daily-inspection', facts.dailyInspections),
    ...dated('flight-out', facts.flightsOut),
    ...dated('dispatch-restriction', facts.dispatchRestrictions),
    ...dated('club-document', facts.clubDocuments),
    ...dated('tow-rope', facts.towRopes),
    ...dated('rigging', facts.riggings),
  ] as unknown as readonly OtherRecord[];
}
