import type { FullBox } from '../envelope/dimensions';
import { boxesOf, isWithin, overlaps, usesInAny, type UseSet } from '../envelope/use-set';
import type { Cap } from '../rules/parts/constraint';
import type { Instant } from '../time/instant';
import { civilDateAt, endOfDay, type ZoneId } from '../time/zone';
import { canonicalJson, type Plain } from './canonical';
import type { DecidedConstraint, Decision, Verdict } from './decision';

/** A constraint as a release names it: by its id, with all that it closes. */
interface Known {
  readonly id: string;
  readonly closes: readonly FullBox[];
  readonly cap: string | null;
}

/** What a release for one flight rests on: while no more than this stands against the aircraft, it holds. */
export interface ReleaseTerms {
  readonly verdict: Verdict;
  /** The uses that the flight needs. */
  readonly needs: readonly FullBox[];
  /** In force when it was signed; none of them closes a use that the flight needs. */
  readonly known: readonly Known[];
  /** Known to begin by themselves, later. */
  readonly ahead: readonly Known[];
  /** The first limit that concerns the flight; the end of the flight's last day where none comes before. */
  readonly until: Instant;
}

const capText = (cap: Cap | null): string | null =>
  cap === null ? null : canonicalJson(cap as unknown as Plain);
const named = ({ id, closes, cap }: DecidedConstraint): Known => ({
  id,
  closes: boxesOf(closes),
  cap: capText(cap ?? null),
});

/**
 * What a release of that decision would rest on; null where the flight may not go as it stands, and then nothing is signed.
 * @param ends when the flight is to be back
 */
export function releaseTerms(decision: Decision, ends: Instant, zone: ZoneId): ReleaseTerms | null {
  const { flight } = decision;
  if (flight?.answer !== 'yes') return null;
  const concerns = (closes: UseSet) => overlaps(closes, flight.needs);
  const lastDay = endOfDay(civilDateAt(ends, zone), zone);
  return {
    verdict: decision.verdict,
    needs: boxesOf(flight.needs),
    known: decision.constraints.map(named),
    ahead: decision.limits.map(({ constraint }) => named(constraint)),
    until: decision.limits.reduce<Instant>(
      (first, limit) =>
        limit.currency === 'time' && limit.at < first && concerns(limit.constraint.closes) ? limit.at : first,
      lastDay,
    ),
  };
}

const holds = (known: readonly Known[], { id, closes, cap }: DecidedConstraint): boolean =>
  known.some(
    (one) => one.id === id && one.cap === capText(cap ?? null) && isWithin(closes, usesInAny(one.closes)),
  );

/**
 * What ends a release: every constraint in force that it does not name, or that closes more than it names or caps otherwise; what was
 * known to begin by itself ends it where it closes a use that the flight needs. An empty list means that it holds.
 * @param hasLeft true once the flight has left: then steps before a flight are those of the next
 */
export function newAgainst(
  terms: ReleaseTerms,
  { constraints, flight }: Decision,
  hasLeft: boolean,
): readonly DecidedConstraint[] {
  const needs = usesInAny(terms.needs);
  const own = hasLeft || flight === null ? [] : flight.own;
  return [...constraints, ...own].filter(
    (one) =>
      !holds(terms.known, one)
      && (overlaps(one.closes, needs) || !holds(terms.ahead, one))
      && !(hasLeft && one.condition),
  );
}
