import { parseDecimalHours } from '../../quantities/hours';
import type { Instant } from '../../time/instant';
import type { Standings } from './meter-reading';
import { COUNTERS, type Counter } from './meters';
import type { RecordBase } from '../record';

/**
 * Hours that a meter ran on and nobody wrote down. The meters that were read count them; of landings, cycles and launches that no meter
 * shows nobody knows how many there were, before somebody says.
 */
export interface UnloggedStretch extends RecordBase {
  /** How far the meter ran on, in seconds; null where it was no meter of hours. */
  readonly seconds: number | null;
  /** Counters on record that no meter showed when the stretch was seen. */
  readonly unseen: readonly Counter[];
  /** That somebody said how many there were: then readings count them. */
  readonly said: { readonly recordedAt: Instant } | null;
}

/** A stretch on a dial that no flight accounts for: from what it showed to what it shows, with the flight before it and the one at whose start it was seen. */
export interface UnloggedRecord {
  readonly id: string;
  readonly seenAt: Instant;
  readonly dial: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly length: string;
  /** The same in seconds, of a meter of hours; absent in old records, as is what no meter showed. */
  readonly seconds?: number | null;
  readonly unseen?: readonly Counter[];
  /** Readings that were written because of it, of meters that nothing shows. */
  readonly readings?: readonly string[];
  readonly lastFlight: string | null;
  readonly lastBy: string | null;
  readonly seenBy: string;
}

/** Who flew unlogged time, and with how many landings and launches; null where that is not known. */
export interface AttributionRecord {
  readonly unlogged: string;
  readonly to: string;
  readonly note: string | null;
  readonly landings?: number | null;
  readonly towLaunches?: number | null;
  readonly recordedAt?: Instant;
  /** Readings that count them. */
  readonly readings?: readonly string[];
}

/**
 * Unlogged time as the core looks at it. Of an old record what is not in it is read from its words, and taken strictly.
 * @param attributions what was said of any stretch of the aircraft
 */
export function stretchOf(
  record: UnloggedRecord,
  recordedAt: Instant,
  attributions: readonly AttributionRecord[],
): UnloggedStretch {
  const hours = /^([\d.]+) h$/.exec(record.length)?.[1];
  const said = attributions.find(({ unlogged, landings }) => unlogged === record.id && landings != null);
  return {
    id: record.id,
    happenedAt: record.seenAt,
    recordedAt,
    seconds:
      record.seconds === undefined
        ? hours === undefined
          ? null
          : (parseDecimalHours(hours) ?? null)
        : record.seconds,
    unseen: record.unseen ?? COUNTERS,
    said: said?.recordedAt === undefined ? null : { recordedAt: said.recordedAt },
  };
}

/** The most landings that can be made in a time, and launches likewise: one in so many seconds. Common practice, no source. */
const SECONDS_A_LANDING = 120;

/** The most landings, or launches, of a stretch of which nobody said how many. */
export const mostOf = (seconds: number): number => Math.ceil(seconds / SECONDS_A_LANDING);

/** Stretches of which nobody said how many landings they had: of several meters that ran on at one moment the one that ran most, since it was the same flying. */
export function unsaidStretches(stretches: readonly UnloggedStretch[]): readonly UnloggedStretch[] {
  const longest = new Map<Instant, UnloggedStretch>();
  for (const stretch of stretches) {
    const other = longest.get(stretch.happenedAt);
    if (other === undefined || (stretch.seconds ?? 0) > (other.seconds ?? 0))
      longest.set(stretch.happenedAt, stretch);
  }
  // Who said it of one of several meters has said it of the flying.
  for (const { said, happenedAt } of stretches) if (said !== null) longest.delete(happenedAt);
  return [...longest.values()];
}

/** What the meters stand at with as many landings, cycles and launches as those stretches can have had: it brings limits nearer, and takes none away. */
export function withUnlogged(meters: Standings, stretches: readonly UnloggedStretch[]): Standings {
  if (stretches.length === 0) return meters;
  const most: Record<Counter, number> = { landings: 0, cycles: 0, 'tow-launches': 0 };
  for (const { seconds, unseen } of unsaidStretches(stretches))
    for (const meter of unseen) most[meter] += mostOf(seconds ?? 0);
  const more = <M extends Counter>(meter: M): Standings[M] => {
    const standing = meters[meter];
    return standing.state === 'known' ? { ...standing, value: standing.value + most[meter] } : standing;
  };
  return {
    ...meters,
    landings: more('landings'),
    cycles: more('cycles'),
    'tow-launches': more('tow-launches'),
  };
}
