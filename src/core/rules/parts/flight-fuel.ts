import { overlaps, usesIn, type UseSet } from '../../envelope/use-set';
import { fuelNeeded, reserveMinutes } from '../../fuel/fuel-needed';
import { isGlider } from '../../records/aircraft/aircraft';
import type { KnownFacts } from '../../records/facts';
import { airborneTime, type PlannedFlight } from '../../records/flights/planned-flight';
import { isAsked } from '../../records/walkround/measurement';
import { LIGHT, type Light } from '../../time/sun';
import {
  ANYBODY,
  constraint,
  DISPATCHER,
  remedy,
  RECORD_KEEPER,
  type Constraint,
  type Source,
} from './constraint';
import { fuelAboard } from './fuel-aboard';

const BY_LIGHT = LIGHT.map((light) => [light, usesIn({ light: [light] })] as const);
const touched = (needs: UseSet): readonly Light[] =>
  BY_LIGHT.filter(([, uses]) => overlaps(uses, needs)).map(([light]) => light);

/** Reserves in minutes at normal cruise. */
export interface Reserves {
  readonly day: number;
  readonly night: number;
  readonly ifr: number;
}

/**
 * Whether the fuel aboard (as dipped, or as planned while nobody has looked) is enough for a flight with these reserves. Without a plan or a walk-round
 * in the question, fuel is not part of it, and the answer says so.
 */
export function flightFuel(
  facts: KnownFacts,
  reserves: Reserves,
  source: Source,
  flight: PlannedFlight,
  needs: UseSet,
): readonly Constraint[] {
  const { particulars } = facts.aircraft;
  // 91.151 speaks of aeroplanes.
  if (isGlider(facts.aircraft) || particulars.engine === 'none') return [];
  const planned = flight.fuelPlanned;
  const measured = fuelAboard(facts, flight.starts);
  const asked = isAsked(facts.ramp);
  if (!asked && planned === null && measured === null) return [];
  const made = (given: Pick<Constraint, 'key' | 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
    constraint({ source, closes: needs, condition: true, ...given });
  const burn = particulars.fuel?.burnPerHour ?? null;
  if (burn === null)
    return [
      made({
        key: 'burn',
        certainty: 'unknown',
        reason: { code: 'fuel-burn-unknown' },
        remedies: [remedy('record-particulars', RECORD_KEEPER, 'fuel')],
        condition: false,
      }),
    ];
  // What is planned counts while nobody has looked; once the ramp is part of the question, no more than what is there.
  const available =
    measured === null
      ? asked
        ? null
        : planned
      : planned === null || measured.volume < planned
        ? measured.volume
        : planned;
  if (available === null)
    return [
      made({
        key: 'aboard',
        certainty: 'unknown',
        reason: { code: 'fuel-aboard-unknown' },
        remedies: [remedy('measure', ANYBODY, 'fuel-dip')],
      }),
    ];
  if (flight.rules !== 'vfr' && flight.toAlternate === null) {
    return [
      made({
        key: 'alternate',
        certainty: 'unknown',
        reason: { code: 'flight-leaves-open', what: 'alternate' },
        remedies: [remedy('state-for-flight', DISPATCHER, 'toAlternate')],
      }),
    ];
  }
  const minutes = reserveMinutes(flight.rules, touched(needs), reserves);
  const needed = fuelNeeded(
    burn,
    airborneTime(flight),
    flight.rules === 'vfr' ? 0 : (flight.toAlternate ?? 0),
    minutes,
  );
  if (available >= needed) return [];
  return [
    made({
      key: 'short',
      certainty: 'failed',
      reason: { code: 'fuel-short', aboard: available, needed, reserveMinutes: minutes },
      records: measured?.records ?? [],
      remedies: [remedy('add-fuel', ANYBODY), remedy('change-flight', DISPATCHER)],
    }),
  ];
}
