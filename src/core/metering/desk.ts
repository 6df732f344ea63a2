import { runOverZero, type Dial } from '../records/meters/dial';
import type { Standings } from '../records/meters/meter-reading';
import type { Meter } from '../records/meters/meters';
import { compareOut, doubtsAtCheckIn, windowAtCheckIn, type InDoubt, type UsualRatio } from './readings';
import { likelyIntended, readingOf, type Intended } from './slips';

/**
 * A dial with what it showed last: in seconds or counts, null where it was never read. `disputed` are two readings on record, as it showed
 * them, of which one must be wrong: what it has to show now nobody can say.
 */
export interface DialState {
  readonly dial: Dial;
  readonly last: number | null;
  readonly disputed: { readonly earlier: number; readonly later: number } | null;
}

/** What somebody typed for a dial. */
export interface Entered {
  readonly dial: string;
  readonly shown: string;
}

/**
 * What a dial must show by everything on record: the highest of what the meters that it counts towards stand at. Null where none of
 * them is known, or the records put it below zero.
 */
export function lastShown({ counts }: Pick<Dial, 'counts'>, meters: Standings): number | null {
  let last: number | null = null;
  for (const { meter, offset } of counts) {
    const standing = meters[meter];
    if (standing.state === 'known' && (last === null || standing.value - offset > last))
      last = standing.value - offset;
  }
  return last === null || last < 0 ? null : last;
}

/** A dial by everything on record. @param meters what they stand at; @param left what the meters stood at when the flight left that comes back: where the record is disputed since, it ran on from there */
export function dialState(
  dial: Dial,
  meters: Standings,
  left: readonly { readonly meter: Meter; readonly value: number }[] = [],
): DialState {
  const disputed =
    dial.counts.flatMap(({ meter, offset }) => {
      const standing = meters[meter];
      return standing.state === 'contradiction'
        ? [{ earlier: standing.earlierValue - offset, later: standing.laterValue - offset }]
        : [];
    })[0] ?? null;
  const then = left.flatMap(({ meter, value }) =>
    dial.counts.flatMap((count) => (count.meter === meter ? [value - count.offset] : [])),
  )[0];
  return { dial, last: disputed === null || then === undefined ? lastShown(dial, meters) : then, disputed };
}

/** What is asked about a reading before it is written down. `accept` is what answering yes to it says; null where only another reading will do. */
export type Question = {
  readonly key: string;
  readonly dial: string;
  readonly shown: string;
  readonly intended: readonly Intended[];
  readonly accept: 'flown-unlogged' | 'started-again-from-zero' | 'read-again' | null;
} & (
  | { readonly kind: 'missing' }
  | { readonly kind: 'disputed'; readonly earlier: number; readonly later: number }
  | { readonly kind: 'unreadable' }
  | { readonly kind: 'gap'; readonly last: number; readonly length: number }
  | { readonly kind: 'below'; readonly last: number; readonly run: number | null }
  | { readonly kind: 'doubt'; readonly doubt: InDoubt }
);

const question = (dial: string, shown: string, kind: string) => ({
  key: `${kind}/${dial}/${shown}`,
  dial,
  shown,
});

function unreadable(
  { dial, last }: DialState,
  shown: string | undefined,
  near: { readonly from: number; readonly to: number } | null,
): Question | null {
  if (shown === undefined || shown === '')
    return { ...question(dial.id, '', 'missing'), kind: 'missing', intended: [], accept: null };
  if (readingOf(shown, dial.unit) !== undefined) return null;
  return {
    ...question(dial.id, shown, 'unreadable'),
    kind: 'unreadable',
    accept: null,
    intended: near === null ? [] : likelyIntended(shown, dial.unit, near, last ?? near.from),
  };
}

const shownFor = (entered: readonly Entered[], { dial }: DialState) =>
  entered.find((one) => one.dial === dial.id)?.shown.trim();

/** What is to be asked at check-out: every dial must be read, and show what it showed when the last flight ended. Nothing to ask: an empty list. */
export function asksAtCheckOut(
  dials: readonly DialState[],
  entered: readonly Entered[],
): readonly Question[] {
  return dials.flatMap((state): readonly Question[] => {
    const { dial, last, disputed } = state;
    const shown = shownFor(entered, state);
    // With nothing to compare it with, hours that nobody wrote down would go unseen.
    if (disputed !== null)
      return [
        {
          ...question(dial.id, shown ?? '', 'disputed'),
          kind: 'disputed',
          ...disputed,
          intended: [],
          accept: null,
        },
      ];
    const point = last === null ? null : { from: last, to: last };
    const trouble = unreadable(state, shown, point);
    if (trouble !== null || shown === undefined) return trouble === null ? [] : [trouble];
    const read = readingOf(shown, dial.unit) ?? 0;
    const out = compareOut(dial.id, last, read);
    const intended = point === null ? [] : likelyIntended(shown, dial.unit, point, point.from);
    if (out.kind === 'gap')
      return [
        {
          ...question(dial.id, shown, 'gap'),
          kind: 'gap',
          last: out.stretch.from,
          length: out.stretch.length,
          intended,
          accept: 'flown-unlogged',
        },
      ];
    if (out.kind !== 'below') return [];
    const run = runOverZero(dial, out.last, read);
    return [
      {
        ...question(dial.id, shown, 'below'),
        kind: 'below',
        last: out.last,
        run,
        intended,
        accept: run === null ? null : 'started-again-from-zero',
      },
    ];
  });
}

/** What is to be asked at check-in. @param dials with what each showed at check-out; @param elapsed seconds by the clock between leaving and coming back */
export function asksAtCheckIn(
  dials: readonly DialState[],
  entered: readonly Entered[],
  elapsed: number,
  usual: readonly UsualRatio[],
): readonly Question[] {
  const asks: Question[] = [];
  const readings: { dial: string; unit: Dial['unit']; out: number; read: number }[] = [];
  const shownBy = new Map<string, string>();
  for (const state of dials) {
    const { dial, last } = state;
    const shown = shownFor(entered, state);
    const window = last === null ? null : windowAtCheckIn(dial.unit, last, elapsed);
    const trouble = unreadable(state, shown, window);
    if (trouble !== null) {
      asks.push(trouble);
      continue;
    }
    if (shown === undefined || last === null) continue;
    const read = readingOf(shown, dial.unit) ?? 0;
    shownBy.set(dial.id, shown);
    const run = runOverZero(dial, last, read);
    // Past its highest figure it shows less and has run on: that is asked before anything else.
    if (run !== null && window !== null && last + run <= window.to) {
      asks.push({
        ...question(dial.id, shown, 'below'),
        kind: 'below',
        last,
        run,
        intended: [],
        accept: 'started-again-from-zero',
      });
      readings.push({ dial: dial.id, unit: dial.unit, out: last, read: last + run });
    } else readings.push({ dial: dial.id, unit: dial.unit, out: last, read });
  }
  for (const doubt of doubtsAtCheckIn(readings, elapsed, usual)) {
    const state = dials.find(({ dial }) => dial.id === doubt.dial);
    const shown = shownBy.get(doubt.dial) ?? '';
    if (state === undefined || state.last === null) continue;
    const window = windowAtCheckIn(state.dial.unit, state.last, elapsed);
    const intended = likelyIntended(shown, state.dial.unit, window, window.to);
    asks.push(
      doubt.kind === 'backwards'
        ? {
            ...question(doubt.dial, shown, 'below'),
            kind: 'below',
            last: state.last,
            run: null,
            intended,
            accept: null,
          }
        : {
            ...question(doubt.dial, shown, doubt.kind),
            kind: 'doubt',
            doubt,
            intended,
            accept: 'read-again',
          },
    );
  }
  return asks;
}

/** Those questions that have no answer yet: a reading goes on record only when this is empty. */
export function unanswered(asks: readonly Question[], accepted: readonly string[]): readonly Question[] {
  return asks.filter(({ key, accept }) => accept === null || !accepted.includes(key));
}

/** From how many flights on the usual share of one dial in another says something, and by how much it may differ from all that was seen. */
const FEWEST = 5;
const MARGIN = 0.05;
const SHORTEST = 1080;

/** How the hours of each two dials relate on the flights given: what every dial added, in seconds. */
export function usualRatios(flown: readonly ReadonlyMap<string, number>[]): readonly UsualRatio[] {
  const ids = [...new Set(flown.flatMap((added) => [...added.keys()]))].sort();
  return ids.flatMap((dial, at) =>
    ids.slice(at + 1).flatMap((other): readonly UsualRatio[] => {
      const shares = flown.flatMap((added) => {
        const [a, b] = [added.get(dial), added.get(other)];
        return a === undefined || b === undefined || a < SHORTEST || b < SHORTEST ? [] : [a / b];
      });
      return shares.length < FEWEST
        ? []
        : [{ dial, other, least: Math.min(...shares) - MARGIN, most: Math.max(...shares) + MARGIN }];
    }),
  );
}
