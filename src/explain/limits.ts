import type { DecidedConstraint, Exceedance, LimitAhead } from '../core/decision/decision';
import { addHours } from '../core/quantities/hours';
import type { ZoneId } from '../core/time/zone';
import type { Reason, ReasonCode } from '../core/rules/parts/reason';
import { hoursLeftText, hoursOverText, momentText, readingText, timeLeftText } from './formats';
import type { InspectionKind } from '../core/records/maintenance/inspection';
import { EQUIPMENT_NAMES, QUANTITY_NAMES_IN_WORDS } from './names';

/** What is left to a limit, in the currency that people think in. */
export function leftText(limit: LimitAhead): string {
  switch (limit.currency) {
    case 'hours':
      return hoursLeftText(limit.left);
    case 'time':
      return timeLeftText(limit.left);
    case 'count': {
      const things = limit.meter === 'tow-launches' ? 'tows' : limit.meter;
      return `${limit.left} ${limit.left === 1 ? things.slice(0, -1) : things}`;
    }
    default: {
      const missing: never = limit;
      throw new RangeError(`no such currency: ${JSON.stringify(missing)}`);
    }
  }
}

/** Short enough for a row. */
const SHORT_INSPECTIONS: Readonly<Record<InspectionKind, string>> = {
  annual: 'annual',
  'hundred-hour': '100-hour',
  condition: 'condition',
  'altimeter-static': 'altimeter test',
  'static-system': 'static test',
  transponder: 'transponder',
  elt: 'ELT',
  'programme-left': 'annual',
  'certificate-issue': 'annual',
};

/** Limits that can lie ahead, each with what it is of. */
const NAMES: { readonly [C in ReasonCode]?: (reason: Extract<Reason, { code: C }>) => string } = {
  'registration-expires': () => 'registration',
  'registration-ended': () => 'end of registration',
  'annual-expires': () => 'annual',
  'hundred-hour-due': () => '100-hour',
  'inspection-expires': ({ kind }) => SHORT_INSPECTIONS[kind],
  'item-expires': ({ name }) => name,
  'item-due': ({ name }) => name,
  'oil-change-due': ({ name }) => name,
  'item-overrun-ends': ({ name }) => `end of the overrun of ${name}`,
  'ad-expires': ({ number }) => `AD ${number}`,
  'ad-due': ({ number }) => `AD ${number}`,
  'elt-battery-expires': () => 'ELT battery',
  'elt-removed': () => 'end of the 90 days without ELT',
  'vor-check-expires': () => 'VOR check',
  'database-expires': () => 'database',
  'document-stale': () => 'document check',
  'meter-reading-stale': () => 'meter reading',
  'club-document-expires': ({ name }) => name,
  'equipment-expires': ({ equipment }) => EQUIPMENT_NAMES[equipment],
  'deferral-expires': () => 'end of a deferral',
  'deferral-due': () => 'end of a deferral',
  'watch-due': () => 're-check of a watched item',
  'release-expires': () => 'maintenance release',
  'release-due': () => 'maintenance release',
  'release-work-due': ({ what }) => what,
  'daily-inspection-due': () => 'daily inspection',
  'not-measured': ({ quantity }) => `check of ${QUANTITY_NAMES_IN_WORDS[quantity]}`,
  restricted: () => 'end of a dispatch restriction',
};

/** What a limit is of, in one or two words, for a row: 'to …'. */
export function limitName({ reason }: Pick<DecidedConstraint, 'reason'>): string {
  // The table pairs a code with its own namer; TypeScript cannot follow that pairing through the look-up.
  const names = NAMES as Partial<Readonly<Record<ReasonCode, (reason: Reason) => string>>>;
  return names[reason.code]?.(reason) ?? 'limit';
}

/** By how much a flight exceeds a limit: `Exceeds the 100-hour limit by 0.4 h (due 5200.0 h, lands at 5200.4 h).` */
export function exceedanceText(exceedance: Exceedance, zone: ZoneId): string {
  const name = limitName(exceedance.constraint);
  switch (exceedance.currency) {
    case 'hours':
      return `Exceeds the ${name} limit by ${hoursOverText(exceedance.by)} (due ${readingText(exceedance.at)}, lands at ${readingText(addHours(exceedance.at, exceedance.by))}).`;
    case 'count':
      return `Exceeds the ${name} limit by ${exceedance.by} (due at ${exceedance.at}).`;
    case 'time':
      return `Ends after ${momentText(exceedance.at, zone)}, the ${name} limit.`;
    default: {
      const missing: never = exceedance;
      throw new RangeError(`no such currency: ${JSON.stringify(missing)}`);
    }
  }
}
