import { Temporal } from 'temporal-polyfill';
import type { Brand } from '../brand';

/** A moment, as whole milliseconds since 1970-01-01T00:00:00Z. */
export type Instant = Brand<number, 'Instant'>;

const FIRST = Temporal.Instant.from('1900-01-01T00:00:00Z').epochMilliseconds;
const LAST = Temporal.Instant.from('2200-01-01T00:00:00Z').epochMilliseconds;

/** The form in which nearly all moments come. The engine's own reader is twenty times as fast for it, and takes 30 February for 2 March. */
const USUAL = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d{3})?Z$/;
const TO_THE_SECOND = 'YYYY-MM-DDTHH:MM:SS'.length;

function usualMoment(text: string): number | undefined {
  if (!USUAL.test(text)) return undefined;
  const found = new Date(text);
  if (Number.isNaN(found.getTime())) return undefined;
  const same = found.toISOString().slice(0, TO_THE_SECOND) === text.slice(0, TO_THE_SECOND);
  return same ? found.getTime() : undefined;
}

/** Reads an ISO 8601 moment with `Z` or an offset, such as 2026-11-24T09:42:00Z, from 1900 to 2199; undefined for anything else. */
export function parseInstant(text: string): Instant | undefined {
  try {
    const moment = usualMoment(text) ?? Temporal.Instant.from(text).epochMilliseconds;
    return moment < FIRST || moment >= LAST ? undefined : (moment as Instant);
  } catch {
    return undefined;
  }
}

/** The same for a moment written in code; throws on anything else. */
export function instant(text: string): Instant {
  const found = parseInstant(text);
  if (found === undefined)
    throw new RangeError(
      `'${text}' is no moment: expected ISO 8601 with Z or an offset, 1900 to 2199, such as 2026-11-24T09:42:00Z`,
    );
  return found;
}

/** From milliseconds since 1970, rounded down to a whole one. */
export function instantFromMilliseconds(milliseconds: number): Instant {
  if (!Number.isFinite(milliseconds)) throw new RangeError(`${milliseconds} is no moment`);
  return Math.floor(milliseconds) as Instant;
}

/** `YYYY-MM-DDTHH:MM:SS.sssZ`, without the milliseconds when they are zero. */
export function instantText(moment: Instant): string {
  return Temporal.Instant.fromEpochMilliseconds(moment).toString();
}

/** `seconds` later (earlier when negative). */
export function addSeconds(moment: Instant, seconds: number): Instant {
  return instantFromMilliseconds(moment + seconds * 1000);
}
