import { boxesOf, usesInAny, type UseSet } from '../envelope/use-set';
import type { FullBox } from '../envelope/dimensions';
import type { AircraftFacts } from '../records/facts';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { packVersions, type PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import { canonicalJson, type Plain } from './canonical';
import { decide, ENGINE_VERSION } from './decide';
import type { Decision } from './decision';

/** Sets of uses as their boxes, and rules without what is only told of them; everything else is plain already. */
function plainOf(value: unknown, key = ''): Plain | undefined {
  if (value instanceof Uint32Array) return boxesOf(value as UseSet) as unknown as Plain;
  if (key === 'explanation' || key === 'title') return undefined;
  if (Array.isArray(value)) return value.map((member) => plainOf(member) ?? null);
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([name, member]) => [name, plainOf(member, name)]));
  // A meter that never ends, and the like, has no number in JSON.
  if (typeof value === 'number' && !Number.isFinite(value)) return String(value);
  return value as Plain;
}

/**
 * What was decided as canonical text: equal decisions give equal texts, byte for byte. By which engine and rules
 * stands with the inputs, and
 * the words that rules are told in decide nothing.
 */
export function decisionText({ engine: _engine, packs: _packs, ...decided }: Decision): string {
  return canonicalJson(plainOf(decided) ?? null);
}

/** Inputs as `canonicalInputs` writes them. */
interface StoredInputs {
  readonly engine: string;
  readonly versions: readonly { readonly id: string; readonly version: string }[];
  readonly packs: PackChoices;
  readonly facts: AircraftFacts;
  readonly flight: PlannedFlight | null;
  readonly wanted: readonly FullBox[] | null;
  readonly asOf: Instant;
}

/** The decision over kept inputs, by the rules that they name. @param inputs as `canonicalInputs` wrote them */
export function decideKept(inputs: string, packs?: PackChoices): Decision {
  const { facts, packs: own, flight, wanted, asOf } = JSON.parse(inputs) as StoredInputs;
  return decide(facts, packs ?? own, flight, asOf, wanted === null ? null : usesInAny(wanted));
}

/** How a decision over the same inputs compares with the one that was kept. */
export interface Replay {
  readonly same: boolean;
  /** Engine and packs that are not those of then, each with both versions; empty where none changed. */
  readonly versions: readonly { readonly id: string; readonly then: string; readonly now: string }[];
  readonly verdict: { readonly then: string; readonly now: string };
  readonly answer: { readonly then: string | null; readonly now: string | null };
  /** Ids of constraints in force now that were not then, and the other way round. */
  readonly arrived: readonly string[];
  readonly gone: readonly string[];
  /** Ids of constraints that are in force in both, and say or close something else. */
  readonly changed: readonly string[];
  /** Parts of the decision, by name, that are not the same. */
  readonly parts: readonly string[];
}

type PlainDecision = {
  readonly verdict: string;
  readonly flight: { readonly answer: string } | null;
  readonly constraints: readonly { readonly id: string }[];
} & Readonly<Record<string, Plain>>;

/**
 * Decides again from kept inputs, and compares with what was decided then.
 * @param inputs as `canonicalInputs` wrote them
 * @param then as `decisionText` wrote it
 * @param packs other rules to decide by; those of then where it is not given
 * @throws SyntaxError where one of the texts is not JSON
 */
export function replay(inputs: string, then: string, packs?: PackChoices): Replay {
  const stored = JSON.parse(inputs) as StoredInputs;
  const by = packs ?? stored.packs;
  const text = decisionText(decideKept(inputs, packs));
  const before = JSON.parse(then) as PlainDecision;
  const after = JSON.parse(text) as PlainDecision;
  const own = (decision: PlainDecision) =>
    new Map(decision.constraints.map((one) => [one.id, canonicalJson(one as unknown as Plain)]));
  const [old, current] = [own(before), own(after)];
  const versionsNow = new Map(packVersions(by).map(({ id, version }) => [id, version]));
  return {
    same: text === then,
    versions: [
      { id: 'engine', then: stored.engine, now: ENGINE_VERSION },
      ...stored.versions.map(({ id, version }) => ({ id, then: version, now: versionsNow.get(id) ?? '' })),
    ].filter((one) => one.then !== one.now),
    verdict: { then: before.verdict, now: after.verdict },
    answer: { then: before.flight?.answer ?? null, now: after.flight?.answer ?? null },
    arrived: [...current.keys()].filter((id) => !old.has(id)),
    gone: [...old.keys()].filter((id) => !current.has(id)),
    changed: [...current.keys()].filter((id) => old.has(id) && old.get(id) !== current.get(id)),
    parts: [...new Set([...Object.keys(before), ...Object.keys(after)])]
      .filter((name) => canonicalJson(before[name] ?? null) !== canonicalJson(after[name] ?? null))
      .sort(),
  };
}
