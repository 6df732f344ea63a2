import { ORDER_RULES, type OrderRule } from './order-rules';
import type { Place } from './route';

/** A place on the plan drawing, in tenths of a metre: seen from above, the nose up, an aircraft of 10 m span and 7 m length. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Where each station lies on the drawing; one with two sides as its left one. */
const SPOTS: Readonly<Record<string, Spot>> = {
  approach: { x: 88, y: 14 },
  'cabin-power-off': { x: 44, y: 34 },
  'power-on': { x: 44, y: 30 },
  wing: { x: 20, y: 36 },
  fuel: { x: 36, y: 40 },
  'main-gear': { x: 42, y: 48 },
  fuselage: { x: 45, y: 58 },
  tail: { x: 38, y: 76 },
  'nose-engine': { x: 52, y: 16 },
  propeller: { x: 52, y: 8 },
  'nose-tail-gear': { x: 52, y: 20 },
  glider: { x: 44, y: 44 },
  final: { x: 88, y: 80 },
};
/** What has two sides and is done once lies behind the tail, or under the nose. */
const ONCE: Readonly<Record<string, Spot>> = {
  fuel: { x: 50, y: 22 },
  fuselage: { x: 45, y: 64 },
  tail: { x: 52, y: 80 },
  wing: { x: 20, y: 36 },
  'main-gear': { x: 42, y: 48 },
};
const MIDDLE = 52;
const WING = 38;
/** The corners that are walked round: nobody walks through fuselage or wing. */
const NOSE: Spot = { x: MIDDLE, y: 2 };
const TAIL: Spot = { x: MIDDLE, y: 86 };
const LEFT_TIP: Spot = { x: 2, y: WING };
const RIGHT_TIP: Spot = { x: 2 * MIDDLE - 2, y: WING };
/** What lies within so much of fuselage or wing can be reached from both of its sides. */
const REACH = 7;
const DECIMETRES = 10;

/** Where a place lies on the drawing. */
export function spotOf({ station, side }: { readonly station: string; readonly side: Place['side'] }): Spot {
  const left = (side === null ? ONCE[station] : undefined) ?? SPOTS[station] ?? { x: MIDDLE, y: 44 };
  return side === 'right' ? { x: 2 * MIDDLE - left.x, y: left.y } : left;
}

const straight = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y);
const along = (spots: readonly Spot[]): number =>
  spots.slice(1).reduce((sum, spot, at) => sum + straight(spots[at] ?? spot, spot), 0);

/** On which side of the fuselage, and of the wing, a spot lies: -1 left or ahead, 1 right or behind, 0 both. */
const acrossOf = ({ x }: Spot): number => (Math.abs(x - MIDDLE) <= REACH ? 0 : Math.sign(x - MIDDLE));
const aheadOf = ({ x, y }: Spot): number =>
  // Beyond the tips there is no wing, and beyond nose and tail no fuselage.
  Math.abs(y - WING) <= REACH || x < LEFT_TIP.x || x > RIGHT_TIP.x ? 0 : Math.sign(y - WING);

/** Decimetres between two places on foot, round nose, tail and wing tips. */
export function wayBetween(a: Spot, b: Spot): number {
  const isAcross = acrossOf(a) * acrossOf(b) < 0;
  const isAlong = aheadOf(a) * aheadOf(b) < 0;
  const tips = (spot: Spot): Spot => (spot.x <= MIDDLE ? LEFT_TIP : RIGHT_TIP);
  const ends = (spot: Spot): Spot => (spot.y <= WING ? NOSE : TAIL);
  if (isAcross && isAlong) return Math.min(along([a, tips(a), ends(b), b]), along([a, ends(a), tips(b), b]));
  if (isAlong)
    return acrossOf(a) === 0 && acrossOf(b) === 0
      ? Math.min(along([a, LEFT_TIP, b]), along([a, RIGHT_TIP, b]))
      : along([a, tips(acrossOf(a) === 0 ? b : a), b]);
  if (isAcross)
    return aheadOf(a) === 0 && aheadOf(b) === 0
      ? Math.min(along([a, NOSE, b]), along([a, TAIL, b]))
      : along([a, ends(aheadOf(a) === 0 ? b : a), b]);
  return straight(a, b);
}

/** Metres of a walk through places in their order, to the nearest metre. */
export function metresOf(places: readonly Parameters<typeof spotOf>[0][]): number {
  const spots = places.map(spotOf);
  const sum = spots.slice(1).reduce((way, spot, at) => way + wayBetween(spots[at] ?? spot, spot), 0);
  return Math.round(sum / DECIMETRES);
}

/** What is done at one stop: a place, and the steps of the list by their codes. */
export interface Stop extends Pick<Place, 'side'> {
  readonly station: string;
  readonly codes: readonly string[];
}

/** More stops than this are too many to try every order of. */
export const MOST_STOPS = 26;
/** And more sets of stops than this take too long. */
const MOST_SETS = 400_000;

/** For each stop, as bits, the stops that no rule lets come after it. */
function mustComeBefore(stops: readonly Stop[], rules: readonly OrderRule[]): readonly number[] {
  return stops.map((stop, at) =>
    stops.reduce((bits, other, which) => {
      const isFirst =
        which !== at
        && rules.some(
          ({ first, then }) => other.codes.includes(first) && then.some((code) => stop.codes.includes(code)),
        );
      return isFirst ? bits | (1 << which) : bits;
    }, 0),
  );
}

/**
 * The order of the same stops that is the shortest on foot and breaks no rule, beginning at the first of them. Every order is
 * looked at: Held and Karp 1962, Journal of the Society for Industrial and Applied Mathematics 10, 196–210 (from memory).
 * @returns the stops by their numbers; null for too many stops, or where the rules leave no order
 */
export function shortestOrder(
  stops: readonly Stop[],
  rules: readonly OrderRule[] = ORDER_RULES,
): readonly number[] | null {
  const n = stops.length;
  if (n === 0 || n > MOST_STOPS) return null;
  const before = mustComeBefore(stops, rules);
  if (before[0] !== 0) return null;
  const spots = stops.map(spotOf);
  const way = spots.map((from) => spots.map((to) => wayBetween(from, to)));
  // Only what the rules let be reached is kept: of all sets of stops a few in a hundred.
  const lengths = new Map<number, Float64Array>([[1, new Float64Array(n).fill(Number.POSITIVE_INFINITY)]]);
  lengths.get(1)?.fill(0, 0, 1);
  let sets = [1];
  for (let size = 1; size < n; size += 1) {
    const next: number[] = [];
    for (const done of sets) {
      const ends = lengths.get(done);
      if (ends === undefined) continue;
      for (let to = 1; to < n; to += 1) {
        if (((done >> to) & 1) === 1 || ((before[to] ?? 0) & ~done) !== 0) continue;
        const joined = done | (1 << to);
        let known = lengths.get(joined);
        if (known === undefined) {
          if (lengths.size >= MOST_SETS) return null;
          known = new Float64Array(n).fill(Number.POSITIVE_INFINITY);
          lengths.set(joined, known);
          next.push(joined);
        }
        let best = known[to] ?? Number.POSITIVE_INFINITY;
        const ways = way[to] ?? [];
        for (let from = 0; from < n; from += 1) {
          const total = (ends[from] ?? 0) + (ways[from] ?? 0);
          if (total < best) best = total;
        }
        known[to] = best;
      }
    }
    sets = next;
  }
  return walkedBack(n, lengths, way);
}

/** The order that the lengths of every set of stops lead back to; of two that are as long the one whose last stop has the lower number. */
function walkedBack(
  n: number,
  lengths: ReadonlyMap<number, Float64Array>,
  way: readonly (readonly number[])[],
): readonly number[] | null {
  let done = 2 ** n - 1;
  let ends = lengths.get(done);
  if (ends === undefined) return null;
  const shortest = (of: (at: number) => number): number => {
    let least = 0;
    for (let at = 1; at < n; at += 1) if (of(at) < of(least)) least = at;
    return least;
  };
  let at = shortest((one) => ends?.[one] ?? Number.POSITIVE_INFINITY);
  const order = [at];
  while (done !== 1 << at) {
    done &= ~(1 << at);
    ends = lengths.get(done);
    const to = at;
    at = shortest((from) => (ends?.[from] ?? Number.POSITIVE_INFINITY) + (way[from]?.[to] ?? 0));
    order.unshift(at);
  }
  return order;
}
