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
const NOSE: Spot = { x: MIDDLE, y: 2 };
const TAIL: Spot = { x: MIDDLE, y: 86 };
/** What lies within so much of the middle can be reached from either side. */
const REACH = 6;
const DECIMETRES = 10;

/** Where a place lies on the drawing. */
export function spotOf({ station, side }: { readonly station: string; readonly side: Place['side'] }): Spot {
  const left = (side === null ? ONCE[station] : undefined) ?? SPOTS[station] ?? { x: MIDDLE, y: 44 };
  return side === 'right' ? { x: 2 * MIDDLE - left.x, y: left.y } : left;
}

const straight = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y);
const sideOf = ({ x }: Spot): -1 | 0 | 1 => (x < MIDDLE - REACH ? -1 : x > MIDDLE + REACH ? 1 : 0);

/** Decimetres between two places on foot: nobody walks through the fuselage, so from one side to the other the way is round the nose or the tail. */
export function wayBetween(a: Spot, b: Spot): number {
  return sideOf(a) * sideOf(b) >= 0
    ? straight(a, b)
    : Math.min(straight(a, NOSE) + straight(NOSE, b), straight(a, TAIL) + straight(TAIL, b));
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

/** For each stop, as bits, the stops that no rule lets come after it. */
function mustComeBefore(stops: readonly Stop[], rules: readonly OrderRule[]): readonly number[] {
  return stops.map((stop, at) =>
    stops.reduce((bits, other, which) => {
      const isFirst =
        which !== at
        && rules.some(
          ({ first, then }) =>
            other.codes.includes(first) && then.some((code) => stop.codes.includes(code)),
        );
      return isFirst ? bits | (1 << which) : bits;
    }, 0),
  );
}

/**
 * The order of the same stops that is the shortest on foot and breaks no rule, beginning at the first of them: every order is looked at (Held and Karp 1962,
 * Journal of the Society for Industrial and Applied Mathematics 10, 196–210, from memory), with what must come before.
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
  const reached = new Map<number, Map<number, { readonly length: number; readonly from: number }>>();
  reached.set(1, new Map([[0, { length: 0, from: -1 }]]));
  let sets = [1];
  for (let size = 1; size < n; size += 1) {
    const next = new Set<number>();
    for (const done of sets) {
      const ends = reached.get(done) ?? new Map<number, { length: number; from: number }>();
      for (let to = 0; to < n; to += 1) {
        if ((done >> to) % 2 !== 0 || ((before[to] ?? 0) & ~done) !== 0) continue;
        const joined = done | (1 << to);
        const known = reached.get(joined) ?? new Map<number, { length: number; from: number }>();
        for (const [from, { length }] of ends) {
          const total = length + (way[from]?.[to] ?? 0);
          const best = known.get(to);
          if (best === undefined || total < best.length) known.set(to, { length: total, from });
        }
        reached.set(joined, known);
        next.add(joined);
      }
    }
    sets = [...next];
  }
  let done = 2 ** n - 1;
  const ends = [...(reached.get(done) ?? [])].sort((a, b) => a[1].length - b[1].length || a[0] - b[0]);
  let at = ends[0]?.[0];
  if (at === undefined) return null;
  const order: number[] = [];
  while (at !== undefined && at >= 0) {
    order.unshift(at);
    const from: number | undefined = reached.get(done)?.get(at)?.from;
    done &= ~(1 << at);
    at = from;
  }
  return order;
}
