import type { Volume } from '../quantities/volume';
import type { AircraftFacts } from '../records/facts';
import type { PlannedFlight } from '../records/flights/planned-flight';
import type { Measurement, Ramp } from '../records/walkround/measurement';
import type { PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import { decide } from './decide';
import type { DecidedConstraint, Decision } from './decision';

/** What was measured at check-out, in picolitres. */
export interface MeasuredAtDesk {
  /** Usable fuel in a tank; in all of them together where `tank` is null. */
  readonly fuel: readonly { readonly tank: string | null; readonly volume: Volume }[];
  readonly oil: Volume | null;
}

/** The rules that judge fuel and oil. */
const JUDGES: readonly string[] = ['fuel-for-flight', 'club-fuel-reserve', 'measured-limits'];
const QUANTITIES: readonly string[] = ['oil', 'fuel-dip'];

const measurement = (
  now: Instant,
  quantity: Measurement['quantity'],
  which: string | null,
  value: number,
): Measurement => ({
  id: `desk.${quantity}.${which ?? ''}`,
  happenedAt: now,
  recordedAt: now,
  quantity,
  which,
  value,
});

/** A fault of what was measured itself; what was not measured is no fault here. */
function speaksAgainst({ rule, certainty, reason }: DecidedConstraint): boolean {
  if (!JUDGES.includes(rule)) return false;
  if (reason.code === 'fuel-dip-over-tank') return true;
  if (certainty !== 'failed') return false;
  return reason.code !== 'measured-outside' || QUANTITIES.includes(reason.quantity);
}

/**
 * What speaks against a flight of the fuel and oil that were measured at check-out: too little for it and its reserve, less than the
 * handbook's minimum, more than the tanks hold, oil outside its limits. Judged by the rules of the walk-round with these figures alone: at the desk
 * they can only refuse. That the rest of the walk-round was done is said by the walk-round.
 * @param flight as it leaves now
 * @returns the constraints with the decision that they stand in; none where nothing speaks against it
 */
export function againstMeasured(
  facts: AircraftFacts,
  packs: PackChoices,
  flight: PlannedFlight,
  measured: MeasuredAtDesk,
  now: Instant,
): { readonly against: readonly DecidedConstraint[]; readonly decision: Decision } {
  const byTank = measured.fuel.flatMap(({ tank, volume }) =>
    tank === null ? [] : [measurement(now, 'fuel-dip', tank, volume)],
  );
  const together = measured.fuel.find(({ tank }) => tank === null)?.volume ?? null;
  const ramp: Ramp | null =
    byTank.length === 0 && measured.oil === null
      ? facts.ramp
      : {
          samples: facts.ramp?.samples ?? [],
          uplifts: facts.ramp?.uplifts ?? [],
          measurements: [
            ...(facts.ramp?.measurements ?? []),
            ...byTank,
            ...(measured.oil === null ? [] : [measurement(now, 'oil', null, measured.oil)]),
          ],
        };
  const asked: PlannedFlight =
    together === null
      ? flight
      : {
          ...flight,
          fuelPlanned:
            flight.fuelPlanned === null || together < flight.fuelPlanned ? together : flight.fuelPlanned,
        };
  const judged = (given: Ramp | null) => decide({ ...facts, ramp: given }, packs, asked, now);
  const decision = judged(ramp);
  // What is planned, and what there is together, which counts as planned: judged without a walk-round in the question.
  const ofPlanned = judged(null).flight?.own ?? [];
  const { flight: answer } = decision;
  if (answer === null) return { against: [], decision };
  const found = [
    ...decision.constraints.filter(({ id }) => answer.closedBy.includes(id)),
    ...answer.own,
    ...ofPlanned,
  ].filter(speaksAgainst);
  return { against: [...new Map(found.map((one) => [one.id, one])).values()], decision };
}
