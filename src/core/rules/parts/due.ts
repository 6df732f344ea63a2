import type { UseSet } from '../../envelope/use-set';
import type { KnownFacts } from '../../records/facts';
import { isHourMeter, type Meter } from '../../records/meters/meters';
import type { CivilDate } from '../../time/civil-date';
import { endOfDay, type ZoneId } from '../../time/zone';
import {
  ANYBODY,
  atReading,
  DISPATCHER,
  from,
  remedy,
  type Begins,
  type Constraint,
  type Remedy,
  type Source,
} from './constraint';
import type { Reason } from './reason';

/** What the boundaries of one due thing have in common. */
export interface DueParts {
  readonly key: string;
  readonly source: Source;
  readonly records: readonly string[];
  readonly closes: UseSet;
  readonly remedies: readonly Remedy[];
  readonly permitMayCover: boolean;
}

// Written out: of a few hundred such constraints an aircraft has, copying with a spread would cost more than the rules.
function made(
  key: string,
  reason: Reason,
  begins: Begins,
  remedies: readonly Remedy[],
  { source, records, closes, permitMayCover }: DueParts,
): Constraint {
  return {
    key,
    certainty: 'failed',
    source,
    reason,
    records,
    closes,
    begins,
    notBefore: null,
    ends: null,
    remedies,
    condition: false,
    atStart: false,
    notice: false,
    cap: null,
    permitMayCover,
  };
}

/** Closes when the last good day at the field is over. */
export function closesAfter(lastDay: CivilDate, zone: ZoneId, reason: Reason, parts: DueParts): Constraint {
  return made(`${parts.key}.date`, reason, from(endOfDay(lastDay, zone)), parts.remedies, parts);
}

/** True where a limit is reached only because nobody said how many landings unlogged time had. */
function reachedByGuess({ unlogged, meters, accounted }: KnownFacts, meter: Meter, at: number): boolean {
  if (unlogged.length === 0 || isHourMeter(meter)) return false;
  const [most, said] = [meters[meter], accounted[meter]];
  return most.state === 'known' && said.state === 'known' && most.value >= at && said.value < at;
}

/** The remedies of a limit on a meter: as given, and saying how many landings there were where that reached it. */
export function remediesAt(
  facts: KnownFacts,
  meter: Meter,
  at: number,
  remedies: readonly Remedy[],
): readonly Remedy[] {
  const [most, read] = [facts.meters[meter], facts.accounted[meter]];
  // Reached only by flights whose meters nobody read: reading them may show less.
  const unread =
    facts.unread.length > 0
    && most.state === 'known'
    && read.state === 'known'
    && most.value >= at
    && read.value < at;
  return [
    ...remedies,
    ...(reachedByGuess(facts, meter, at) ? [remedy('say-landings', DISPATCHER, meter)] : []),
    ...(unread ? [remedy('record-meter-reading', ANYBODY, meter)] : []),
  ];
}

/** Closes with nothing left to a reading. Where only landings that nobody counted reach it, saying how many there were is a remedy too. */
export function closesAt(
  facts: KnownFacts,
  meter: Meter,
  at: number,
  reason: Reason,
  parts: DueParts,
): Constraint {
  return made(
    `${parts.key}.${meter}`,
    reason,
    atReading(meter, at),
    remediesAt(facts, meter, at, parts.remedies),
    parts,
  );
}

/** A limit as a day, or as a reading of a meter; null where nobody knows that reading. */
export interface DueLimits {
  readonly lastDay: CivilDate | null;
  readonly meters: readonly { readonly meter: Meter; readonly at: number | null }[];
}

/**
 * The limits of which the later decides ('whichever occurs later'): one constraint, which bites when the day is over and the reading is reached.
 * A reading that nobody knows may have been reached. Of several readings that are still ahead the first decides, which may be too early and never too late.
 * Null where nothing of them is known.
 */
export function closesAtLater(
  facts: KnownFacts,
  { lastDay, meters }: DueLimits,
  reason: {
    readonly at: (meter: Meter, at: number, notBefore: CivilDate | null) => Reason;
    readonly after: (lastDay: CivilDate) => Reason;
  },
  parts: DueParts,
): Constraint | null {
  const isAhead = ({ meter, at }: { readonly meter: Meter; readonly at: number | null }) => {
    const standing = facts.meters[meter];
    return at !== null && (standing.state !== 'known' || standing.value < at);
  };
  const deciding =
    meters.find(isAhead) ?? (lastDay === null ? meters.find(({ at }) => at !== null) : undefined);
  if (deciding?.at == null)
    return lastDay === null ? null : closesAfter(lastDay, facts.place.zone, reason.after(lastDay), parts);
  const { meter, at } = deciding;
  return {
    ...closesAt(facts, meter, at, reason.at(meter, at, lastDay), parts),
    notBefore: lastDay === null ? null : endOfDay(lastDay, facts.place.zone),
  };
}
