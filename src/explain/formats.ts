import { decimalHours, type Hours } from '../core/quantities/hours';
import type { CivilDate } from '../core/time/civil-date';
import type { Instant } from '../core/time/instant';
import { wallClock, type ZoneId } from '../core/time/zone';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `31 Mar 2026`. */
export function dateText(date: CivilDate): string {
  const [year, month, day] = date.split('-');
  return `${Number(day)} ${MONTHS[Number(month) - 1] ?? ''} ${year ?? ''}`;
}

/** `24 Nov 2026 09:42`, on the field's clock. */
export function momentText(moment: Instant, zone: ZoneId): string {
  const { date, hour, minute } = wallClock(moment, zone);
  return `${dateText(date)} ${two(hour)}:${two(minute)}`;
}

const two = (value: number) => String(value).padStart(2, '0');

/** `09:42`, on the field's clock. */
export function clockText(moment: Instant, zone: ZoneId): string {
  const { hour, minute } = wallClock(moment, zone);
  return `${two(hour)}:${two(minute)}`;
}

/** `1100.0 h`, a meter reading; two decimals only where it has them. */
export function readingText(value: Hours): string {
  return `${value % 360 === 0 ? decimalHours(value, 1, 'down') : decimalHours(value, 2, 'down')} h`;
}

/** `31.2 h`, what is left: never rounded up. */
export function hoursLeftText(value: Hours): string {
  return `${decimalHours(value, 1, 'down')} h`;
}

/** `0.4 h`, what is needed or too much: never rounded down. */
export function hoursOverText(value: Hours): string {
  return `${decimalHours(value, 1, 'up')} h`;
}

/** `3 years`, `6 days`, `5 h`, `20 min`: whole units, never rounded up. @param milliseconds from now */
export function timeLeftText(milliseconds: number): string {
  const minutes = Math.floor(milliseconds / 60_000);
  if (minutes < 60) return `${minutes} min`;
  const wholeHours = Math.floor(minutes / 60);
  if (wholeHours < 48) return `${wholeHours} h`;
  const days = Math.floor(wholeHours / 24);
  return days < 2 * 366 ? `${days} days` : `${Math.floor(days / 366)} years`;
}

/** 'a', 'a and b', 'a, b and c'. */
export function list(parts: readonly string[], last = 'and'): string {
  return parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} ${last} ${parts[parts.length - 1] ?? ''}`;
}

/** First letter in capitals. */
export function sentenceCase(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
