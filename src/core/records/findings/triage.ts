import { byId } from '../../order';
import type { Instant } from '../../time/instant';
import { civilDateAt, type ZoneId } from '../../time/zone';
import { signatureFaults, type Authority, type SignatureFault } from '../club/certificate';
import { closedAs, rectificationFaults, type Discrepancy, type Triage, type Watch } from './discrepancy';

/** Why a decision to watch does not count. */
export type WatchFault = SignatureFault | 'watch-without-end' | 'watch-of-equipment' | 'watch-before-found';

/** As what a decision to watch is signed: an instructor judges what was left to one, and a mechanic anything. */
export function watchSignedAs(
  discrepancy: Pick<Discrepancy, 'classification' | 'classedAs'>,
): 'judgement' | 'return-to-service' {
  const classed = closedAs(discrepancy);
  return classed === 'tell-instructor' || classed === 'watch' || classed === 'note'
    ? 'judgement'
    : 'return-to-service';
}

/**
 * Every reason why a finding is not watched by this decision; an empty list means that it is. It needs an end: a day or a reading by which it is looked
 * at again. What names equipment is deferred or repaired, and never watched. Common practice, no source.
 */
export function watchFaults(
  discrepancy: Discrepancy,
  { signedBy, watch, recordedAt }: Triage,
  at: ZoneId,
  authority: Authority,
): readonly WatchFault[] {
  const faults: WatchFault[] = [];
  if (watch === null || (watch.recheckBy === null && watch.recheckAt === null))
    faults.push('watch-without-end');
  if (discrepancy.equipment.length > 0) faults.push('watch-of-equipment');
  if (recordedAt < discrepancy.happenedAt) faults.push('watch-before-found');
  return [
    ...faults,
    ...signatureFaults(signedBy, watchSignedAs(discrepancy), civilDateAt(recordedAt, at), authority),
  ];
}

const earlier = <T extends string | number>(a: T | null, b: T | null): T | null =>
  a === null || (b !== null && b < a) ? b : a;

/** Two decisions to watch of one moment: the earlier of their limits hold. */
const bothWatched = (a: Watch, b: Watch): Watch => ({
  ...b,
  recheckBy: earlier(a.recheckBy, b.recheckBy),
  recheckAt: earlier(a.recheckAt, b.recheckAt),
  correctBy: earlier(a.correctBy, b.correctBy),
});

/**
 * A finding after the decisions about it, one after another; of one moment the stricter holds, whatever their
 * ids. What does not count changes nothing.
 */
export function triaged(discrepancy: Discrepancy, at: ZoneId, authority: Authority): Discrepancy {
  const { triage = [] } = discrepancy;
  if (triage.length === 0) return discrepancy;
  const grounds = ({ decision }: Triage) => Number(decision === 'grounds');
  const inOrder = [...triage].sort(
    (a, b) => a.recordedAt - b.recordedAt || grounds(a) - grounds(b) || byId(a, b),
  );
  let watchedAt: Instant | null = null;
  const take = ({ watch }: Discrepancy, next: Watch, moment: Instant): Watch => {
    const isSameMoment = watchedAt === moment;
    watchedAt = moment;
    return isSameMoment && watch !== null ? bothWatched(watch, next) : next;
  };
  return inOrder.reduce<Discrepancy>((before, one) => {
    switch (one.decision) {
      case 'grounds':
        return {
          ...before,
          classification: 'ground-until-mechanic',
          classedAs: 'ground-until-mechanic',
          watch: null,
        };
      case 'watch':
        if (one.watch === null || watchFaults(before, one, at, authority).length > 0) return before;
        return {
          ...before,
          classification: 'watch',
          classedAs: closedAs(before),
          watch: take(before, one.watch, one.recordedAt),
        };
      case 'stays':
      case 'same-as':
        return before;
      default: {
        const missing: never = one.decision;
        throw new RangeError(`no such decision: ${String(missing)}`);
      }
    }
  }, discrepancy);
}

/**
 * The decision by which a finding is held to be the same as another; null where it stands by itself. One that was
 * grounded or watched since stands by itself again.
 */
export function mergedBy({ triage = [], id }: Pick<Discrepancy, 'triage' | 'id'>): Triage | null {
  const decisions = triage.filter(({ decision }) => decision !== 'stays');
  const last = Math.max(...decisions.map(({ recordedAt }) => recordedAt));
  const [first, ...others] = decisions.filter(({ recordedAt }) => recordedAt === last);
  // Of one moment the stricter holds: what is not surely the same as one other stands by itself.
  return first?.decision === 'same-as'
    && first.sameAs !== null
    && first.sameAs !== id
    && others.every(({ decision, sameAs }) => decision === 'same-as' && sameAs === first.sameAs)
    ? first
    : null;
}

/**
 * Findings of one aircraft, in which those that are the same as another follow it: what was done about the other since, and its deferral since, are
 * theirs too, where they stand up to their own class, day and equipment. Nothing else of them changes: until then each closes what it closes.
 */
export function withMerged(
  discrepancies: readonly Discrepancy[],
  at: ZoneId,
  authority: Authority,
): readonly Discrepancy[] {
  if (discrepancies.every((one) => mergedBy(one) === null)) return discrepancies;
  const byName = new Map(discrepancies.map((one) => [one.id, one]));
  return discrepancies.map((one) => {
    const merge = mergedBy(one);
    const other = merge?.sameAs == null ? undefined : byName.get(merge.sameAs);
    // A chain is not followed: the other then stands by itself, and so does this one.
    if (merge === null || other === undefined || mergedBy(other) !== null) return one;
    const since = <T extends { readonly recordedAt: Instant }>(part: T | null): T | null =>
      part !== null && part.recordedAt >= merge.recordedAt ? part : null;
    const named = one.equipment.every((kind) => other.equipment.includes(kind));
    const closing = since(other.rectification);
    return {
      ...one,
      rectification:
        one.rectification
        ?? (closing !== null && rectificationFaults(one, closing, at, authority).length === 0
          ? closing
          : null),
      deferral: one.deferral ?? (named ? since(other.deferral) : null),
    };
  });
}
