import type { Brand } from '../brand';

/** A length of time on a meter or in flight, as whole seconds. 1/100 h is exactly 36 s, so meter readings are exact. */
export type Hours = Brand<number, 'Hours'>;

const SECONDS_PER_HUNDREDTH = 36;
/** No meter of ours runs past this many hours. */
export const MOST_HOURS = 200_000;

/**
 * Reads decimal hours as people write them from a meter: 0 to 200000 with at most two decimals.
 * Answers undefined for anything else, a third decimal included: it is never rounded silently.
 */
export function parseDecimalHours(text: string): Hours | undefined {
  const match = /^(\d{1,6})(?:\.(\d{1,2}))?$/.exec(text);
  if (match === null) return undefined;
  const hundredths = Number(match[1]) * 100 + Number((match[2] ?? '').padEnd(2, '0'));
  return hundredths > MOST_HOURS * 100 ? undefined : ((hundredths * SECONDS_PER_HUNDREDTH) as Hours);
}

/** The same for hours written in code; throws on a text that is no decimal hours. */
export function hours(text: string): Hours {
  const found = parseDecimalHours(text);
  if (found === undefined)
    throw new RangeError(
      `'${text}' is no number of hours: expected 0 to ${MOST_HOURS} with at most two decimals`,
    );
  return found;
}

/** From whole seconds, such as the database stores; throws on a fraction or a negative number. */
export function hoursFromSeconds(seconds: number): Hours {
  if (!Number.isSafeInteger(seconds) || seconds < 0)
    throw new RangeError(`${seconds} is no number of whole seconds from 0`);
  return seconds as Hours;
}

/** Sum of two lengths. */
export function addHours(a: Hours, b: Hours): Hours {
  return (a + b) as Hours;
}

/**
 * Decimal hours with one or two decimals for people and files.
 * @param rounding `down` for what is left (available amounts), `up` for what is needed or overrun
 */
export function decimalHours(value: Hours, decimals: 1 | 2, rounding: 'down' | 'up'): string {
  const unit = decimals === 1 ? 360 : SECONDS_PER_HUNDREDTH;
  const units = rounding === 'down' ? Math.floor(value / unit) : Math.ceil(value / unit);
  const scale = 10 ** decimals;
  return `${Math.floor(units / scale)}.${String(units % scale).padStart(decimals, '0')}`;
}
