import type { CivilDate } from '../core/time/civil-date';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `31 Mar 2026`. */
export function dateText(date: CivilDate): string {
  const [year, month, day] = date.split('-');
  return `${Number(day)} ${MONTHS[Number(month) - 1] ?? ''} ${year ?? ''}`;
}

/** 'a', 'a and b', 'a, b and c'. */
export function list(parts: readonly string[], last = 'and'): string {
  return parts.length < 2
    ? (parts[0] ?? '')
    : `${parts.slice(0, -1).join(', ')} ${last} ${parts[parts.length - 1] ?? ''}`;
}

/** `a tow hook`, `an artificial horizon`; names that take no article as they are. */
export function withArticle(name: string): string {
  if (/^(navigation equipment|ADS-B Out|flotation gear)/.test(name)) return name;
  return /^([aeio]|ELT)/.test(name) ? `an ${name}` : `a ${name}`;
}

/** First letter in capitals. */
export function sentenceCase(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
