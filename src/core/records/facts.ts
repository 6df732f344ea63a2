import type { Instant } from '../time/instant';
import type { Place } from '../time/sun';
import type { Aircraft } from './aircraft';
import type { Discrepancy } from './discrepancy';
import type { AircraftDocument } from './document';
import type { Inspection } from './inspection';
import type { MeterReading } from './meter-reading';

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

/** The facts as they were known at `moment`: later entries are left out, also a repair of a discrepancy that was already there. */
export function knownAt(facts: AircraftFacts, moment: Instant): AircraftFacts {
  const recorded = (record: { readonly recordedAt: Instant }) => record.recordedAt <= moment;
  return {
    ...facts,
    documents: facts.documents.filter(recorded),
    inspections: facts.inspections.filter(recorded),
    readings: facts.readings.filter(recorded),
    discrepancies: facts.discrepancies.filter(recorded).map((discrepancy) =>
      discrepancy.rectification === null || recorded(discrepancy.rectification) ? discrepancy : { ...discrepancy, rectification: null }),
  };
}
