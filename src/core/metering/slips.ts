import { parseDecimalHours } from '../quantities/hours';
import type { Dial } from '../records/meters/dial';

/** How a hand slips between the meter and the form. */
export const SLIPS = [
  'transposed',
  'point-left-out',
  'point-misplaced',
  'digit-left-out',
  'digit-doubled',
  'digit-mistaken',
] as const;
export type Slip = (typeof SLIPS)[number];

/** A value that may have been meant, with the slip that would have made what was typed. */
export interface Intended {
  readonly text: string;
  readonly value: number;
  readonly slip: Slip;
}

/** The values between which a reading makes sense, both included, in the dial's own unit: seconds or a count. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

const DIGITS = '0123456789';
const MOST = 3;
const PLACES = 2;

/** Reads a text as what a dial shows; undefined where it is none. */
export function readingOf(text: string, unit: Dial['unit']): number | undefined {
  if (unit === 'h') return parseDecimalHours(text);
  return /^\d{1,7}$/.test(text) ? Number(text) : undefined;
}

const swapped = (text: string, at: number) =>
  `${text.slice(0, at)}${text.charAt(at + 1)}${text.charAt(at)}${text.slice(at + 2)}`;

/** Every text that one slip could have turned into what was typed, the likelier slips first. */
function beforeSlip(
  typed: string,
  hours: boolean,
): readonly { readonly text: string; readonly slip: Slip }[] {
  const found: { readonly text: string; readonly slip: Slip }[] = [];
  // No meter shows a figure with a zero before it, and nobody reads one off.
  const add = (slip: Slip, text: string) => {
    if (!/^0\d/.test(text)) found.push({ text, slip });
  };
  const places = Array.from({ length: typed.length + 1 }, (_, at) => at);
  for (const at of places.slice(0, -2))
    if (typed.charAt(at) !== typed.charAt(at + 1))
      add(
        typed.charAt(at) === '.' || typed.charAt(at + 1) === '.' ? 'point-misplaced' : 'transposed',
        swapped(typed, at),
      );
  if (hours && !typed.includes('.'))
    for (let back = 1; back <= PLACES && back < typed.length; back += 1)
      add('point-left-out', `${typed.slice(0, -back)}.${typed.slice(-back)}`);
  for (const at of places)
    for (const digit of DIGITS) add('digit-left-out', typed.slice(0, at) + digit + typed.slice(at));
  for (const at of places.slice(0, -1)) {
    if (typed.charAt(at) === '.') continue;
    add('digit-doubled', typed.slice(0, at) + typed.slice(at + 1));
    for (const digit of DIGITS)
      if (digit !== typed.charAt(at)) add('digit-mistaken', typed.slice(0, at) + digit + typed.slice(at + 1));
  }
  return found;
}

/**
 * The values within `window` that one slip of the hand could have turned into `typed`: at most three, the likelier slip first and
 * of equal slips the nearer to `near`. Nothing where what was typed is itself within: then there is nothing to doubt.
 * Common practice, no source: digits swapped, left out, doubled or misread, and the decimal point, are what desks see.
 */
export function likelyIntended(
  typed: string,
  unit: Dial['unit'],
  window: Window,
  near: number,
): readonly Intended[] {
  const within = (value: number) => value >= window.from && value <= window.to;
  const own = readingOf(typed, unit);
  if (own !== undefined && within(own)) return [];
  const byValue = new Map<number, Intended>();
  for (const { text, slip } of beforeSlip(typed, unit === 'h')) {
    const value = readingOf(text, unit);
    if (value === undefined || !within(value)) continue;
    const known = byValue.get(value);
    if (known === undefined || SLIPS.indexOf(slip) < SLIPS.indexOf(known.slip))
      byValue.set(value, { text, value, slip });
  }
  return [...byValue.values()]
    .sort(
      (a, b) =>
        SLIPS.indexOf(a.slip) - SLIPS.indexOf(b.slip)
        || Math.abs(a.value - near) - Math.abs(b.value - near)
        || a.value - b.value,
    )
    .slice(0, MOST);
}
