import { usesNeeded } from '@/core/decision/uses-needed';
import { fuellings } from '@/core/records/walkround/measurement';
import type { PlannedFlight } from '@/core/records/flights/planned-flight';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { flightFeatures } from '@/core/walkround/features';
import { listFor } from '@/core/walkround/list';
import { planWalkround, type WalkPlan } from '@/core/walkround/plan';
import { outcomeOf } from '@/core/walkround/walk';
import type { StoredAircraft } from '../aircraft/facts-from-rows';
import type { ClubTransaction } from '../kernel/connection';
import { readMethod } from './method';
import { planAircraftOf, readPlanMarks, readRampData } from './plan-aircraft';
import { readWalkroundsSince, type StoredWalkround } from './walkrounds';

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
      covers: plan.covers,
    };
  });
  const { list, seen } = listFor(method, before, civilDateAt(now, zone), fuelled ?? null);
  return planWalkround(
    planAircraftOf(stored, await readRampData(tx, stored.aircraftId), await readPlanMarks(tx, stored)),
    method,
    flight === null ? [] : flightFeatures(usesNeeded(flight, facts.place, facts.aircraft)),
    list,
    seen,
  );
}
