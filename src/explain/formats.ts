import { decimalHours, type Hours } from '../core/quantities/hours';
import type { CivilDate } from '../core/time/civil-date';
import { QUANTITIES, type Quantity } from '../core/records/walkround/measurement';
import { isHourMeter, type Meter } from '../core/records/meters/meters';
import { decimalVolume, type Volume, type VolumeUnit } from '../core/quantities/volume';
import type { Cap } from '../core/rules/parts/constraint';
import { dateText } from './wording';
import { instantText, type Instant } from '../core/time/instant';
import { wallClock, type ZoneId } from '../core/time/zone';

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

/** `1100.0 h` or `312`: what a meter shows, by its kind. */
export function meterText(meter: Meter, value: number): string {
  return isHourMeter(meter) ? readingText(value as Hours) : String(value);
}

/** `66 min`: whole minutes, rounded up, of something used. */
export function minutesText(seconds: number): string {
  return `${Math.ceil(seconds / 60)} min`;
}

/** `12.4 US gal`. @param rounding `down` for what there is, `up` for what is needed */
export function volumeText(value: Volume, rounding: 'down' | 'up', unit: VolumeUnit = 'US gal'): string {
  return `${decimalVolume(value, unit, unit === 'US qt' ? 2 : 1, rounding)} ${unit.replace('US ', '')}`;
}

/** A measured value with the unit that people read it in. */
export function measureText(quantity: Quantity, value: number): string {
  switch (QUANTITIES[quantity]) {
    case 'pL':
      return volumeText(
        value as Volume,
        'down',
        quantity === 'oil' || quantity === 'gearbox-oil' ? 'US qt' : 'US gal',
      );
    case 'um':
      return `${(value / 1000).toFixed(1)} mm`;
    case 'mV':
      return `${(value / 1000).toFixed(1)} V`;
    case 'rpm':
      return `${value} rpm`;
    case 'Pa':
      return `${(value / 1000).toFixed(0)} kPa`;
    case 'good':
      return value === 1 ? 'good' : 'not good';
    default: {
      const missing: never = QUANTITIES[quantity];
      throw new RangeError(`no such unit: ${String(missing)}`);
    }
  }
}

/** 'at most 2 people aboard', as the middle of a sentence. */
export function capText({ quantity, bound, value }: Pick<Cap, 'quantity' | 'bound' | 'value'>): string {
  const amount =
    quantity === 'persons'
      ? `${value} ${value === 1 ? 'person' : 'people'} aboard`
      : quantity === 'load'
        ? `${(value / 1000).toFixed(1)} kg of people and baggage`
        : `${volumeText(value as Volume, bound === 'at-most' ? 'down' : 'up')} of fuel`;
  return `${bound === 'at-most' ? 'at most' : 'at least'} ${amount}`;
}

/** The moment that something has been so since, in universal time: what a reason knows without a zone. */
export function sinceText(moment: Instant): string {
  return `at ${instantText(moment).slice(11, 16)} UTC on ${dateText(instantText(moment).slice(0, 10) as CivilDate)}`;
}

/** `45 min`, `5 h`, `2 days 4 h`: how long something takes. */
export function durationText(minutes: number): string {
  if (minutes < 120) return `${minutes} min`;
  const wholeHours = Math.ceil(minutes / 60);
  if (wholeHours < 48) return `${wholeHours} h`;
  const rest = wholeHours % 24;
  return `${Math.floor(wholeHours / 24)} days${rest === 0 ? '' : ` ${rest} h`}`;
}

/** `1250.00`: an amount of the club's money, without naming a currency. */
export function moneyText(cents: number): string {
  return `${Math.floor(cents / 100)}.${two(cents % 100)}`;
}
