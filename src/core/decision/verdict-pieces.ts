import { overlaps } from '../envelope/use-set';
import { recordedMoments, type AircraftFacts } from '../records/facts';
import type { PackChoices } from '../rules/register';
import type { Instant } from '../time/instant';
import { decidePrepared } from './decide';
import type { Decision, Verdict } from './decision';
import { prepare, type Prepared } from './prepare';

/** A stretch of time in which one verdict stood, as it was known then. */
export interface VerdictPiece {
  readonly from: Instant;
  readonly to: Instant;
  readonly verdict: Verdict;
  /** Rules that closed an ordinary use or held the aircraft below its own figures, by id; none while it was released. */
  readonly causes: readonly string[];
}

/** The rules that keep an aircraft from being released. */
function causesOf(decision: Decision, { ordinary }: Prepared): readonly string[] {
  if (decision.verdict === 'Released') return [];
  const rules = decision.constraints
    .filter(({ closes, cap }) => cap !== null || overlaps(closes, ordinary))
    .map(({ rule }) => rule);
  return [...new Set(rules)].sort();
}

/**
 * The verdicts of an aircraft from one moment to another, each as it was known then, one after the other without a gap; neighbours may say
 * the same. Nothing is sampled: it is decided again wherever something was written down, and wherever a date or an end lies between two
 * entries. Step by step, since a long time takes long.
 * @param facts all of its history
 */
export function* eachVerdict(
  facts: AircraftFacts,
  packs: PackChoices,
  from: Instant,
  to: Instant,
): Generator<VerdictPiece, void> {
  const edges = [from, ...recordedMoments(facts, from, to), to];
  for (const [place, begins] of edges.slice(0, -1).entries()) {
    const ends = edges[place + 1] ?? to;
    if (ends <= begins) continue;
    const prepared = prepare(facts, packs, begins);
    for (let at = begins; at < ends;) {
      const decision = decidePrepared(prepared, null, at);
      const { holdsUntil } = decision;
      const next = holdsUntil === null || holdsUntil >= ends ? ends : holdsUntil;
      yield { from: at, to: next, verdict: decision.verdict, causes: causesOf(decision, prepared) };
      at = next;
    }
  }
}

/** How long each verdict stood, and how long each rule kept the aircraft from being released, in seconds. */
export interface Availability {
  readonly seconds: Readonly<Record<Verdict, number>>;
  /** Rules overlap: where two kept it on the ground at once, the time counts under both. */
  readonly causes: ReadonlyMap<string, number>;
}

/** Adds up the stretches of an aircraft's time. */
export function availabilityOf(pieces: Iterable<VerdictPiece>): Availability {
  const seconds: Record<Verdict, number> = { Released: 0, Restricted: 0, Grounded: 0 };
  const causes = new Map<string, number>();
  for (const { from, to, verdict, causes: rules } of pieces) {
    const lasted = (to - from) / 1000;
    seconds[verdict] += lasted;
    for (const rule of rules) causes.set(rule, (causes.get(rule) ?? 0) + lasted);
  }
  return { seconds, causes };
}
