import { usesNeeded } from '@/core/decision/uses-needed';
import { fuellings } from '@/core/records/walkround/measurement';
import type { PlannedFlight } from '@/core/records/flights/planned-flight';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { flightFeatures } from '@/core/walkround/features';
import { listFor } from '@/core/walkround/list';
import { planWalkround, type WalkPlan } from '@/core/walkround/plan';
import { isWalkround, type PlanKind } from '@/core/walkround/plan-kinds';
import { planOfList } from '@/core/walkround/plan-of-list';
import { outcomeOf } from '@/core/walkround/walk';
import type { StoredAircraft } from '../aircraft/facts-from-rows';
import type { ClubTransaction } from '../kernel/connection';
import { readMethod } from './method';
import { planAircraftOf, readPlanMarks, readRampData } from './plan-aircraft';
import { readWalkroundsSince, type StoredWalkround } from './walkrounds';

const DAY = 86_400_000;

/** Plans of what is begun now, for an aircraft and the flight that it is done for: what they rest on is read once. */
export async function readPlans(
  tx: ClubTransaction,
  stored: StoredAircraft,
  flight: PlannedFlight | null,
  now: Instant,
): Promise<(kind: PlanKind) => WalkPlan> {
  const { facts } = stored;
  const { zone } = facts.place;
  const { method } = await readMethod(tx);
  const recent = (await readWalkroundsSince(tx, stored.aircraftId, new Date(now - 2 * DAY))).filter(
    ({ plan }) => isWalkround(plan),
  );
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
  const aircraft = planAircraftOf(
    stored,
    await readRampData(tx, stored.aircraftId),
    await readPlanMarks(tx, stored),
  );
  const brings = flight === null ? [] : flightFeatures(usesNeeded(flight, facts.place, facts.aircraft));
  const { list, seen } = listFor(method, before, civilDateAt(now, zone), fuelled ?? null);
  return (kind) =>
    kind === 'walk-round'
      ? { ...planWalkround(aircraft, method, brings, list, seen), kind }
      : planOfList(kind, aircraft, method, brings);
}
