import type { DecidedConstraint, LimitAhead } from '../core/decision/decision';
import type { Reason, ReasonCode } from '../core/rules/parts/reason';
import { hoursLeftText, timeLeftText } from './formats';
import type { InspectionKind } from '../core/records/inspection';
import { DOCUMENT_NAMES, EQUIPMENT_NAMES } from './names';

/** What is left to a limit, in the currency that people think in. */
export function leftText(limit: LimitAhead): string {
  switch (limit.currency) {
    case 'hours': return hoursLeftText(limit.left);
    case 'time': return timeLeftText(limit.left);
    case 'count': return `${limit.left} ${limit.meter === 'tow-launches' ? 'tows' : limit.meter}`;
    default: {
      const missing: never = limit;
      throw new RangeError(`no such currency: ${JSON.stringify(missing)}`);
    }
  }
}

/** Short enough for a row. */
const SHORT_INSPECTIONS: Readonly<Record<InspectionKind, string>> = { annual: 'annual', 'hundred-hour': '100-hour', condition: 'condition', 'altimeter-static': 'altimeter test', 'static-system': 'static test', transponder: 'transponder', locator: 'locator', 'programme-left': 'annual', 'certificate-issue': 'annual' };

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
  'directive-expires': ({ number }) => `directive ${number}`,
  'directive-due': ({ number }) => `directive ${number}`,
  'locator-battery-expires': () => 'locator battery',
  'locator-removed': () => 'return of the locator',
  'receiver-check-expires': () => 'receiver check',
  'database-expires': () => 'database',
  'document-stale': ({ document }) => `look for the ${DOCUMENT_NAMES[document]}`,
  'meter-reading-stale': () => 'meter reading',
  'paper-expires': ({ name }) => name,
  'equipment-expires': ({ equipment }) => EQUIPMENT_NAMES[equipment],
  'deferral-expires': () => 'end of a deferral',
  'deferral-due': () => 'end of a deferral',
  'watch-due': () => 'look at a watched thing',
  'release-expires': () => 'maintenance release',
  'release-due': () => 'maintenance release',
  'release-work-due': ({ what }) => what,
  'daily-inspection-due': () => 'daily inspection',
  tightened: () => 'end of a closing',
};

/** What a limit is of, in one or two words, for a row: 'to …'. */
export function limitName({ reason }: Pick<DecidedConstraint, 'reason'>): string {
  // The table pairs a code with its own namer; TypeScript cannot follow that pairing through the look-up.
  const names = NAMES as Partial<Readonly<Record<ReasonCode, (reason: Reason) => string>>>;
  return names[reason.code]?.(reason) ?? 'limit';
}
