import type { ReasonCode } from '../../core/rules/parts/reason';
import { dateText } from '../wording';
import { CATEGORY_NAMES, DOCUMENT_NAMES, ENDING_NAMES, PARTICULAR_NAMES } from '../names';
import { ends, UNSEEN, words, type Tellers } from './teller';

type Codes = Extract<
  ReasonCode,
  | `document-${string}`
  | `certificate-${string}`
  | `registration-${string}`
  | `category-${string}`
  | `manual-${string}`
  | `placards-${string}`
  | `loading-data-${string}`
  | `club-document-${string}`
  | 'flight-manual-needed'
  | 'first-flight-date-unknown'
  | 'limitations-form-unknown'
  | 'cabin-tank-unknown'
  | 'approved-uses-unknown'
  | 'particular-unknown'
>;

/** Documents, registration, category, and what the aircraft is. */
export const PAPERS: Tellers<Codes> = {
  'document-never-checked': ({ document }) =>
    words(`The ${DOCUMENT_NAMES[document]} has never been checked.`, UNSEEN),
  'document-not-aboard': ({ document }) =>
    words(
      `The ${DOCUMENT_NAMES[document]} is not on board.`,
      document === 'radio-licence'
        ? 'It is needed only outside the country; flights at home stay available.'
        : 'It has to be in the aircraft before it flies.',
    ),
  'document-aboard-unknown': ({ document }) =>
    words(`It is not recorded whether the ${DOCUMENT_NAMES[document]} is on board.`, UNSEEN),
  'document-illegible': ({ document }) =>
    words(
      `The ${DOCUMENT_NAMES[document]} cannot be read.`,
      'An unreadable document counts as missing until it is replaced.',
    ),
  'document-legibility-unknown': ({ document }) =>
    words(`It is not recorded whether the ${DOCUMENT_NAMES[document]} can be read.`, UNSEEN),
  'document-check-ahead-of-itself': ({ document }) =>
    words(
      `The document check of the ${DOCUMENT_NAMES[document]} is dated after it was written down.`,
      'That cannot be, so it does not count until it is corrected.',
    ),
  'document-stale': ({ document, seenOn, days }, tense) =>
    words(
      tense === 'ahead'
        ? `Documents were last checked on ${dateText(seenOn)}.`
        : `Document check overdue: the ${DOCUMENT_NAMES[document]} was last seen on board on ${dateText(seenOn)}.`,
      `By club policy it is checked again within ${days} days. It may not be there any more.`,
    ),
  'certificate-not-displayed': () =>
    words(
      'The airworthiness certificate is not displayed.',
      'It has to hang where passengers and crew can see it.',
    ),
  'certificate-display-unknown': () =>
    words(
      'It is not recorded whether the airworthiness certificate is displayed.',
      'It has to hang where passengers and crew can see it; what nobody saw counts as missing.',
    ),
  'document-of-another-aircraft': ({ document, shown, registration }) =>
    words(
      `The ${DOCUMENT_NAMES[document]} is for ${shown}, not for ${registration}.`,
      'Another aircraft’s documents are in this one.',
    ),
  'document-registration-unknown': ({ document }) =>
    words(
      `It is not recorded which registration is printed on the ${DOCUMENT_NAMES[document]}.`,
      'It has to be compared with the aircraft.',
    ),
  'flight-manual-needed': ({ firstFlownOn }) =>
    words(
      'There is no flight manual on board.',
      `Placards and markings alone do only for aircraft first flown before 1 Mar 1979; this one first flew on ${dateText(firstFlownOn)}.`,
    ),
  'first-flight-date-unknown': () =>
    words(
      'It is not recorded when this aircraft first flew.',
      'That decides whether placards and markings may stand in for a flight manual.',
    ),
  'limitations-form-unknown': () =>
    words('It is not recorded whether a flight manual is on board, or placards and markings only.', UNSEEN),
  'manual-revision-differs': ({ aboard, inForce }) =>
    words(
      `The flight manual on board is revision ${aboard}; revision ${inForce} is in force.`,
      'Its limits and figures may have changed. It is brought up to date before the aircraft flies.',
    ),
  'manual-revision-unknown': () =>
    words(
      'It is not recorded which revision of the flight manual is on board.',
      'It has to be compared with the one in force.',
    ),
  'manual-serial-differs': ({ shown, serial }) =>
    words(
      `The flight manual is for serial number ${shown}, not for ${serial}.`,
      'A manual belongs to one aircraft: this one’s limits may differ.',
    ),
  'manual-serial-unknown': () =>
    words(
      'It is not recorded which serial number the flight manual is for.',
      'A manual belongs to one aircraft and has to be compared with it.',
    ),
  'placards-missing': () =>
    words(
      'A required placard or gauge marking is missing or cannot be read.',
      'Placards and markings are part of the operating limitations and are replaced before flight.',
    ),
  'placards-unknown': () =>
    words(
      'It is not recorded whether placards and gauge markings are in place.',
      'They are part of the operating limitations; what nobody saw counts as missing.',
    ),
  'loading-data-outdated': ({ datedOn, changedOn }) =>
    words(
      `The weight-and-balance data of ${dateText(datedOn)} are older than the change of ${dateText(changedOn)}.`,
      'After a weighing or a change of equipment the loading is not known until new data are on board.',
    ),
  'loading-data-date-unknown': () =>
    words(
      'It is not recorded from which day the weight-and-balance data are.',
      'They have to be newer than the last weighing or change of equipment.',
    ),
  'cabin-tank-unknown': () =>
    words(
      'It is not recorded whether a fuel tank was added in the cabin.',
      'With such a tank its record must be on board; without one, that has to be stated.',
    ),
  'registration-expires': ({ lastDay, basis }, tense) =>
    words(
      `Registration ${tense === 'in-force' ? 'expired' : 'expires'} on ${dateText(lastDay)}.`,
      `${{ printed: 'That is the date printed on the certificate.', 'printed-extended': 'The printed three-year date was stretched by four years in 2023.', 'issue-date': 'Counted seven years from the month of issue, since no printed date is on record.', temporary: 'A copy of the application is authority to fly for 90 days.' }[basis]} Without it the aircraft may not fly at all.`,
    ),
  'registration-temporary': () =>
    words(
      'Only a copy of the application for registration is on board.',
      'It is temporary authority inside the country, and not abroad.',
    ),
  'registration-expiry-unknown': () =>
    words(
      'It is not recorded until when the registration is valid.',
      'Enter the date printed on the certificate.',
    ),
  'registration-dates-contradict': ({ issuedOn, printedExpiry }) =>
    words(
      'The dates of the registration contradict each other.',
      `Issued on ${dateText(issuedOn)} and printed to end on ${dateText(printedExpiry)} cannot both be right.`,
    ),
  'registration-issued-after-seen': ({ issuedOn, seenOn }) =>
    words(
      'The dates of the registration contradict each other.',
      `It cannot have been seen on ${dateText(seenOn)} if it was issued on ${dateText(issuedOn)}. Until that is corrected, its dates are not known.`,
    ),
  'registration-ended': ({ on, because }, tense) =>
    words(
      `The registration ${ends(tense)} early, on ${dateText(on)}.`,
      `It holds no longer because ${ENDING_NAMES[because]}, whatever date is printed on it.`,
    ),
  'category-unknown': () =>
    words(
      'The aircraft’s certification category is not on record.',
      'The category decides which rules apply.',
    ),
  'category-without-rules': ({ category }) =>
    words(
      `There are no rules yet for the ${CATEGORY_NAMES[category]} category.`,
      'What cannot be judged stays closed.',
    ),
  'category-closes': ({ category, what }) =>
    words(
      `Permanent limitation of its ${CATEGORY_NAMES[category]} certificate: no ${{ hire: 'use for hire', 'hire-but-lessons-and-towing': 'carriage for hire', 'night-and-instruments': 'flight after sunset or by instruments' }[what]}.`,
      what === 'hire-but-lessons-and-towing'
        ? 'Lessons and towing gliders stay available. The text of this rule may have changed on 24 Jul 2026; the stricter known reading is kept.'
        : 'That lies in its certificate and no repair changes it. The text of this rule may have changed on 24 Jul 2026; the stricter known reading is kept.',
    ),
  'approved-uses-unknown': () =>
    words(
      'It is not recorded what this aircraft is approved and fitted for.',
      'Until that is on record, it is not available for any use.',
    ),
  'particular-unknown': ({ what }) =>
    words(
      `It is not on record ${PARTICULAR_NAMES[what]}.`,
      'A rule needs to know it. No record: treated as not complied with.',
    ),
  'club-document-expires': ({ name, lastDay }, tense) =>
    words(
      `${name} ${tense === 'in-force' ? 'expired' : 'expires'} on ${dateText(lastDay)}.`,
      'The club asks for it to be in force.',
    ),
  'club-document-expiry-unknown': ({ name }) =>
    words(`It is not recorded until when ${name} is valid.`, 'The club asks for it to be in force.'),
  'club-document-missing': ({ kind }) =>
    words(
      `No ${kind === 'insurance' ? 'insurance' : 'club document'} is on record.`,
      'The club asks for it before anybody flies.',
    ),
};
