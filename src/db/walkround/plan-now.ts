import { fuellings } from '@/core/records/walkround/measurement';
import type { PlannedFlight } from '@/core/records/flights/planned-flight';
import type { Instant } from '@/core/time/instant';
import type { Place } from '@/core/time/sun';
import { lightTouched } from '@/core/time/sun';
import { civilDateAt } from '@/core/time/zone';
import type { FlightFeature } from '@/core/walkround/features';
import { listFor } from '@/core/walkround/list';
import { planWalkround, type WalkPlan } from '@/core/walkround/plan';
import { outcomeOf } from '@/core/walkround/walk';
import type { StoredAircraft } from '../aircraft/facts-from-rows';
import type { ClubTransaction } from '../kernel/connection';
import { readMethod } from './method';
import { planAircraftOf, readRampData } from './plan-aircraft';
import { readWalkroundsSince, type StoredWalkround } from './walkrounds';

/** What a flight brings to the steps: it touches night, it goes by instruments, or somebody learns on it. */
function featuresOf(flight: PlannedFlight | null, place: Place): readonly FlightFeature[] {
  if (flight === null) return [];
  const light =
    flight.ends > flight.starts
      ? [place, ...flight.places].flatMap((at) => lightTouched(flight.starts, flight.ends, at))
      : [];
  return [
    ...(light.some((one) => one !== 'day') || (flight.light ?? []).some((one) => one !== 'day')
      ? (['night'] as const)
      : []),
    ...(flight.rules === 'vfr' ? [] : (['ifr'] as const)),
    ...(flight.purpose === 'instruction-school-aircraft' ? (['training'] as const) : []),
  ];
}

const DAY = 86_400_000;

/** The plan of a walk-round that is begun now, for an aircraft and the flight that it is done for. */
export async function planNow(
  tx: ClubTransaction,
  stored: StoredAircraft,
  flight: PlannedFlight | null,
  now: Instant,
): Promise<WalkPlan> {
  const { facts } = stored;
  const { zone } = facts.place;
  const { method } = await readMethod(tx);
  const recent = await readWalkroundsSince(tx, stored.aircraftId, new Date(now - 2 * DAY));
  const fuelled = fuellings(facts.ramp?.uplifts ?? []).toSorted((a, b) => b - a)[0];
  const before = recent.map(({ plan, begunAt, end, events }: StoredWalkround) => {
    const { steps, answered, unseen } = outcomeOf(plan.steps, events);
    return {
      list: plan.list,
      day: civilDateAt(begunAt, zone),
      isSigned: end?.how === 'signed',
      begunAt,
      open: steps - answered + unseen.length,
    };
  });
  return planWalkround(
    planAircraftOf(stored, await readRampData(tx, stored.aircraftId)),
    method,
    featuresOf(flight, facts.place),
    listFor(method, before, civilDateAt(now, zone), fuelled ?? null),
  );
}
