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
