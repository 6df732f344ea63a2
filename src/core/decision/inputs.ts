import { byId } from '../order';
import type { UseSet } from '../envelope/use-set';
import { boxesOf } from '../envelope/use-set';
import type { AircraftFacts } from '../records/facts';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { packVersions, type PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import { canonicalJson, type Plain } from './canonical';
import { ENGINE_VERSION } from './decide';

/** Everything that a decision depends on. */
export interface Inputs {
  readonly facts: AircraftFacts;
  readonly packs: PackChoices;
  readonly flight: PlannedFlight | null;
  readonly wanted: UseSet | null;
  readonly asOf: Instant;
}

const hasId = (value: unknown): value is { readonly id: string } =>
  typeof value === 'object' && value !== null && 'id' in value && typeof value.id === 'string';

/** Lists whose order means nothing are put in order of their ids, so that shuffled records are the same inputs. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) {
    const list: readonly unknown[] = value.map(inOrder);
    return list.every(hasId) ? [...list].sort(byId) : list;
  }
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, member]) => [key, inOrder(member)]));
}

/**
 * The canonical text of everything that a decision depends on, versions of engine and packs included: equal inputs give equal
 * texts, byte for byte. The hash over it is made by the person who has a hash function.
 */
export function canonicalInputs({ facts, packs, flight, wanted, asOf }: Inputs): string {
  return canonicalJson(
    inOrder({
      engine: ENGINE_VERSION,
      versions: packVersions(packs),
      packs,
      facts,
      flight,
      wanted: wanted === null ? null : boxesOf(wanted),
      asOf,
    }) as Plain,
  );
}
