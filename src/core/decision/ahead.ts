import { METER_NAMES, type Meter, type MeterValues } from '../records/meters/meters';
import type { PlannedFlight } from '../records/flights/planned-flight';
import type { Instant } from '../time/instant';
import { decidePrepared } from './decide';
import type { Decision } from './decision';
import { flownAfter, NOTHING_FLOWN } from './flown';
import type { Prepared } from './prepare';

/**
 * What the meters will show at a moment if every planned flight is flown as it is planned, also one that is refused. A flight counts
 * from its end. A meter that is not known stays unknown.
 * @param flights planned flights that have not left, in any order
 */
export function metersAt(prepared: Prepared, flights: readonly PlannedFlight[], at: Instant): MeterValues {
  const flown = flights
    .filter(({ ends }) => ends <= at)
    .reduce((sum, flight) => flownAfter(sum, flight), NOTHING_FLOWN);
  const values: { -readonly [M in Meter]: number | null } = { ...prepared.meters };
  for (const meter of METER_NAMES) {
    const value = values[meter];
    values[meter] = value === null ? null : value + flown[meter];
  }
  return values;
}

/**
 * The decision about the whole aircraft at a moment to come, by what is on record now: dates moved on, planned flights flown in order.
 * @throws RangeError where `at` lies before the moment that the facts were known at
 */
export function decideAhead(prepared: Prepared, flights: readonly PlannedFlight[], at: Instant): Decision {
  return decidePrepared(prepared, null, at, metersAt(prepared, flights, at));
}
