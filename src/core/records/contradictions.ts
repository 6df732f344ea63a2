import type { CivilDate } from '../time/civil-date';
import type { Instant } from '../time/instant';
import { civilDateAt, type ZoneId } from '../time/zone';
import type { KnownFacts } from './facts';
import { isAheadOfItself, type RecordBase } from './record';

/** How a record contradicts itself: two of its own times cannot both be right. */
export type Contradiction =
  | 'ahead-of-itself'
  | 'returned-before-it-left'
  | 'returned-after-recorded'
  | 'removed-after-recorded'
  | 'dated-after-seen'
  | 'done-after-recorded'
  | 'cleared-before-done'
  | 'done-before-found'
  | 'ends-before-it-begins';

/** A record that cannot be right, by its id and what kind of record it is. */
export interface Contradicting {
  readonly id: string;
  readonly kind: string;
  readonly how: Contradiction;
}

/** Whether the one day lies before the other; false where one of them is not known. */
function isBefore(day: CivilDate | null, other: CivilDate | null): boolean {
  return day !== null && other !== null && day < other;
}

/** The days of a record: whether something is said to have been done on a later day than it was written down. */
function doneLater(on: CivilDate | null, recordedAt: Instant, zone: ZoneId): boolean {
  return isBefore(civilDateAt(recordedAt, zone), on);
}

/** Every record of every kind whose own times contradict each other. Documents seen ahead of their record, and readings, have rules of their own that close what rests on them. */
export function contradictions(facts: KnownFacts): readonly Contradicting[] {
  const { zone } = facts.place;
  const found: Contradicting[] = [];
  const tell = (is: boolean, id: string, kind: string, how: Contradiction) => {
    if (is) found.push({ id, kind, how });
  };
  const ahead = (kind: string, records: readonly RecordBase[]) => {
    for (const one of records) tell(isAheadOfItself(one), one.id, kind, 'ahead-of-itself');
  };
  const later = (kind: string, id: string, on: CivilDate | null, recordedAt: Instant) => {
    tell(doneLater(on, recordedAt, zone), id, kind, 'done-after-recorded');
  };

  ahead('discrepancy', facts.discrepancies);
  ahead('equipment list', facts.equipment);
  ahead('elt', facts.elts);
  ahead('VOR check', facts.vorChecks);
  ahead('database', facts.databases);
  ahead('flight', facts.flightsOut);
  ahead('club document', facts.clubDocuments);
  ahead('tow rope', facts.towRopes);
  ahead('rigging', facts.riggings);
  ahead('dispatch restriction', facts.dispatchRestrictions);
  if (facts.ramp !== null) {
    ahead('measurement', facts.ramp.measurements);
    ahead('fuel sample', facts.ramp.samples);
    ahead('uplift', facts.ramp.uplifts);
    for (const { id, happenedAt, cleared } of [...facts.ramp.samples, ...facts.ramp.uplifts]) {
      if (cleared == null) continue;
      later('fuel', id, cleared.on, cleared.recordedAt);
      tell(
        cleared.recordedAt < happenedAt || cleared.on < civilDateAt(happenedAt, zone),
        id,
        'fuel',
        'done-before-found',
      );
    }
  }
  for (const { id, happenedAt, returned } of facts.flightsOut) {
    if (returned === null) continue;
    tell(returned.at < happenedAt, id, 'flight', 'returned-before-it-left');
    tell(returned.at > returned.recordedAt, id, 'flight', 'returned-after-recorded');
  }
  for (const { id, happenedAt, until, withdrawn } of facts.dispatchRestrictions) {
    tell(
      withdrawn !== null && withdrawn.recordedAt < happenedAt,
      id,
      'dispatch restriction',
      'ends-before-it-begins',
    );
    tell(until !== null && until < happenedAt, id, 'dispatch restriction', 'ends-before-it-begins');
  }
  for (const { id, effectiveOn, lastDay } of facts.databases)
    tell(isBefore(lastDay, effectiveOn), id, 'database', 'ends-before-it-begins');
  for (const one of facts.elts)
    tell(doneLater(one.removedOn, one.recordedAt, zone), one.id, 'elt', 'removed-after-recorded');
  for (const one of facts.documents) {
    const seenOn = civilDateAt(one.happenedAt, zone);
    if (one.kind === 'weight-and-balance')
      tell(isBefore(seenOn, one.datedOn), one.id, 'document', 'dated-after-seen');
  }
  for (const one of facts.inspections) {
    later('inspection', one.id, one.completedOn, one.recordedAt);
    if (one.listCleared === null) continue;
    tell(one.listCleared.on < one.completedOn, one.id, 'inspection', 'cleared-before-done');
    later('inspection', one.id, one.listCleared.on, one.listCleared.recordedAt ?? one.recordedAt);
  }
  for (const { done } of [...(facts.items ?? []), ...(facts.ads ?? [])])
    for (const one of done) later('entry', one.id, one.completedOn, one.recordedAt);
  for (const { id, happenedAt, rectification, deferral } of facts.discrepancies) {
    const foundOn = civilDateAt(happenedAt, zone);
    // Nobody writes down what was done about a thing before the thing is found.
    const early = (on: CivilDate | null, recordedAt: Instant) =>
      recordedAt < happenedAt || isBefore(on, foundOn);
    if (rectification !== null) {
      later('repair entry', id, rectification.completedOn, rectification.recordedAt);
      tell(
        early(rectification.completedOn, rectification.recordedAt),
        id,
        'repair entry',
        'done-before-found',
      );
    }
    if (deferral !== null) {
      later('deferral', id, deferral.deferredOn, deferral.recordedAt);
      tell(early(deferral.deferredOn, deferral.recordedAt), id, 'deferral', 'done-before-found');
    }
  }
  for (const one of facts.work) {
    later('work entry', one.id, one.completedOn, one.recordedAt);
    for (const part of [one.checkFlight, one.independentInspection]) {
      if (part === null) continue;
      later('work entry', one.id, part.on, part.recordedAt);
      tell(isBefore(part.on, one.completedOn), one.id, 'work entry', 'cleared-before-done');
    }
  }
  for (const one of facts.permits) {
    tell(isBefore(one.validUntil, one.validFrom), one.id, 'permit', 'ends-before-it-begins');
    if (one.safeForFlight !== null) later('permit', one.id, one.safeForFlight.on, one.recordedAt);
  }
  for (const one of facts.releases) {
    later('maintenance release', one.id, one.issuedOn, one.recordedAt);
    tell(isBefore(one.expiresOn, one.issuedOn), one.id, 'maintenance release', 'ends-before-it-begins');
    for (const { certified } of one.required) {
      if (certified === null) continue;
      later('maintenance release', one.id, certified.on, certified.recordedAt);
      // What it lists as still to be done when it is issued was not done before.
      tell(isBefore(certified.on, one.issuedOn), one.id, 'maintenance release', 'cleared-before-done');
    }
  }
  for (const one of facts.dailyInspections) later('daily inspection', one.id, one.on, one.recordedAt);
  for (const one of facts.fuelStretches)
    tell(one.toReading < one.fromReading, one.id, 'stretch of fuel', 'ends-before-it-begins');
  return found;
}
