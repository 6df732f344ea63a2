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
  'renew-registration': 'Renew the registration',
  'record-registration-dates': 'Enter the dates printed on the certificate',
  'register-new-owner': 'Register the aircraft to its new owner',
  'record-first-flight-date': 'Enter the date of the first flight',
  'complete-annual': 'Have the annual inspection done and signed',
  'clear-inspection-list': 'Have every item of the list cleared and signed',
  'complete-hundred-hour': 'Have the 100-hour inspection done and signed',
  'complete-inspection-entry': 'Have the inspection’s entry completed by whoever did it',
  'record-excess-reason': 'Enter why the last interval was flown past',
  'record-meter-reading': 'Read the meter and enter it',
  'correct-meter-reading': 'Find the wrong meter reading and correct it',
  'correct-record': 'Correct the record’s date',
  'repair-and-return-to-service': 'Have a mechanic look, repair and return it to service',
  'service-and-record': 'Put it right and record it',
  'instructor-judges': 'Have an instructor look and record the judgement',
  'complete-repair-entry': 'Have the repair’s entry completed by whoever did it',
  'record-approved-uses': 'Enter what the aircraft is approved and fitted for',
  'record-category': 'Enter the certification category',
  'use-covered-category': 'Have it decided outside this program; its category has no rules here yet',
};

/** Who may do it, as the end of a sentence. */
export function entitledText(by: Entitled): string {
  switch (by.kind) {
    case 'certificate': return list(by.anyOf.map((kind) => CERTIFICATE_NAMES[kind]), 'or');
    case 'owner': return 'the owner';
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
    default: {
      const missing: never = source;
      throw new RangeError(`no such source: ${JSON.stringify(missing)}`);
    }
  }
}
