import type { Instant } from '../time/instant';
import type { Place } from '../time/sun';
import type { Aircraft } from './aircraft';
import type { Discrepancy } from './discrepancy';
import type { AircraftDocument } from './document';
import type { Inspection } from './inspection';
import { timeInService, type MeterReading, type TimeInService } from './meter-reading';

/** Everything on record about one aircraft that a decision may rest on. */
export interface AircraftFacts {
  readonly place: Place;
  readonly aircraft: Aircraft;
  readonly documents: readonly AircraftDocument[];
  readonly inspections: readonly Inspection[];
  readonly readings: readonly MeterReading[];
  readonly discrepancies: readonly Discrepancy[];
}

/**
 * The moment at which to decide about the present: `now`, or that of the latest entry where a clock that wrote it was ahead.
 * Otherwise a finding written by a machine two seconds ahead, or before this machine's clock was set back, would not be seen.
 */
export function presentFor({ documents, inspections, readings, discrepancies }: AircraftFacts, now: Instant): Instant {
  let latest = now;
  for (const records of [documents, inspections, readings, discrepancies]) for (const { recordedAt } of records) if (recordedAt > latest) latest = recordedAt;
  for (const { rectification } of discrepancies) if (rectification !== null && rectification.recordedAt > latest) latest = rectification.recordedAt;
  return latest;
}

/** The facts as they were known at a moment, with what several rules ask of them. Only knownAt() makes them. */
export interface KnownFacts extends AircraftFacts {
  readonly meter: TimeInService;
}

/** The facts as they were known at `moment`: later entries are left out, also a repair of a discrepancy that was already there. */
export function knownAt(facts: AircraftFacts, moment: Instant): KnownFacts {
  const recorded = (record: { readonly recordedAt: Instant }) => record.recordedAt <= moment;
  const inspections = facts.inspections.filter(recorded);
  const readings = facts.readings.filter(recorded);
  return {
    place: facts.place, aircraft: facts.aircraft, inspections, readings, meter: timeInService(readings, inspections, facts.place.zone),
    documents: facts.documents.filter(recorded),
    discrepancies: facts.discrepancies.filter(recorded).map((discrepancy) =>
      discrepancy.rectification === null || recorded(discrepancy.rectification) ? discrepancy : { ...discrepancy, rectification: null }),
  };
}
