import type { Act, Entitled, Source } from '../core/rules/parts/constraint';
import { list } from './formats';
import { CERTIFICATE_NAMES } from './names';

/** Acts, in the imperative, as the start of a sentence. */
export const ACT_NAMES: Readonly<Record<Act, string>> = {
  'put-document-aboard': 'Put the paper aboard and record that it was seen',
  'record-sighting': 'Look for the paper and record what you see',
  'display-certificate': 'Hang the certificate where it can be seen, and record that',
  'replace-document': 'Get a readable replacement',
  'fetch-the-right-document': 'Fetch this aircraft’s own paper and record that it was seen',
  'update-document': 'Bring the paper up to date and record that it was seen',
  'renew-registration': 'Renew the registration',
  'record-registration-dates': 'Enter the dates printed on the certificate',
  'register-new-owner': 'Register the aircraft to its new owner',
  'record-first-flight-date': 'Enter the date of the first flight',
  'record-particulars': 'Enter it in the aircraft’s particulars',
  'complete-annual': 'Have the annual inspection done and signed',
  'complete-condition-inspection': 'Have the condition inspection done and signed',
  'clear-inspection-list': 'Have every item of the list cleared and signed',
  'complete-hundred-hour': 'Have the 100-hour inspection done and signed',
  'complete-inspection-entry': 'Have the inspection’s entry completed by whoever did it',
  'record-excess-reason': 'Enter why the last interval was flown past',
  'record-meter-reading': 'Read the meter and enter it',
  'correct-meter-reading': 'Find the wrong meter reading and correct it',
  'correct-record': 'Correct the record’s date',
  'say-landings': 'Find out how many landings or launches the unlogged stretches had, and say it with the meters: until then the most that there can have been count',
  'repair-and-return-to-service': 'Repair and return it to service',
  'service-and-record': 'Put it right and record it',
  'instructor-judges': 'Have an instructor look and record the judgement',
  'complete-repair-entry': 'Have the repair’s entry completed by whoever did it',
  'defer-item': 'Remove or deactivate it, placard it, enter it and have it judged no hazard',
  'record-approved-uses': 'Enter what the aircraft is approved and fitted for',
  'record-category': 'Enter the certification category',
  'use-covered-category': 'Have it decided outside this program; its category has no rules here yet',
  'test-locator': 'Have the emergency locator inspected and signed',
  'replace-locator-battery': 'Replace the locator’s battery, mark the new date and enter it',
  'reinstall-locator': 'Install a working emergency locator and enter it',
  'deactivate-locator': 'Deactivate the locator, placard it, enter that and judge it no hazard',
  'record-locator-removal': 'Enter in full what was done to the locator and put up the placard',
  'record-locator': 'Look at the locator and enter what it shows',
  'test-altimeter-static': 'Have altimeter and static system tested and signed',
  'test-transponder': 'Have the transponder tested and signed',
  'check-receivers': 'Check the VOR receivers and enter place, error and name',
  'update-database': 'Load the current database and enter its date',
  'comply-with-directive': 'Have the directive complied with and signed',
  'record-directives': 'Have a mechanic go through the directives and enter which apply',
  'complete-item': 'Have it done and signed',
  'record-item-history': 'Find the record of when it was last done and enter it',
  'record-items': 'Enter the life-limited parts and services of this aircraft, or that there are none',
  'replace-part': 'Replace the part and enter it',
  'install-equipment': 'Have it installed and entered in the equipment list',
  'record-equipment': 'Compare the equipment list with the aircraft and enter it',
  'release-after-work': 'Have the entry completed and the aircraft approved for return to service',
  'fly-check-flight': 'Fly the check flight with nobody aboard but the crew, and log it',
  'inspect-independently': 'Have a second person inspect the flight controls and sign',
  'add-oil': 'Add oil, measure again and enter both',
  'remove-oil': 'Drain oil to the maximum, measure again and enter it',
  'add-fuel': 'Fuel up, dip again and sample',
  measure: 'Measure it and enter the value',
  'remove-fuel': 'Take fuel out until it is within the limit, dip again and enter it',
  'deal-with-suspect-fuel': 'Have a mechanic find the cause, deal with the fuel and sign',
  'complete-work-entry': 'Have the work signed by somebody entitled',
  'test-static-system': 'Have the static system tested',
  'sample-fuel': 'Sample every drain and enter what it shows',
  'service-measured-item': 'Put it right, measure again and enter it',
  'have-trend-looked-at': 'Have a mechanic look at the oil use and enter the judgement',
  'issue-maintenance-release': 'Have a new maintenance release issued',
  'sign-daily-inspection': 'Do the daily inspection and sign it',
  'renew-paper': 'Renew it and enter the new date',
  'lift-tightening': 'Take the closing back',
  'record-return': 'Check the aircraft in, or record its loss',
  'record-rigging': 'Rig the glider, check its critical assemblies and its controls, count the tools, and record who did',
  'state-for-flight': 'Say it for this flight',
  'change-flight': 'Change the flight so that it fits',
  'obtain-atc-authorisation': 'Get air traffic control’s authorisation for this flight: where it is inoperative at any time, for the flight to the destination or to where it is repaired; where none is fitted ask at least an hour before',
  'obtain-special-flight-permit': 'Get a special flight permit and a mechanic’s statement that the flight is safe',
  'replace-tow-rope': 'Take a rope and links that fit, and enter them',
};

/** Who may do it, as the end of a sentence. */
export function entitledText(by: Entitled): string {
  switch (by.kind) {
    case 'certificate': return list(by.anyOf.map((kind) => CERTIFICATE_NAMES[kind]), 'or');
    case 'owner': return 'the owner';
    case 'dispatcher': return 'a dispatcher';
    case 'pilot-in-command': return 'the pilot in command';
    case 'anybody-at-the-aircraft': return 'anybody at the aircraft';
    case 'record-keeper': return 'whoever keeps the records';
    default: {
      const missing: never = by;
      throw new RangeError(`nobody is entitled: ${JSON.stringify(missing)}`);
    }
  }
}

/** Where a rule comes from, in small print. */
export function sourceText(source: Source): string {
  switch (source.kind) {
    case 'regulation': return source.citation;
    case 'club-policy': return 'club policy';
    case 'common-practice': return 'common practice';
    case 'approved-documents': return 'the aircraft’s approved documents';
    default: {
      const missing: never = source;
      throw new RangeError(`no such source: ${JSON.stringify(missing)}`);
    }
  }
}
