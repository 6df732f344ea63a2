import type { Reason, ReasonCode } from '../core/rules/parts/reason';
import type { DecidedConstraint } from '../core/decision/decision';
import type { DiscountedEntry } from '../core/records/inspection';
import { dateText, hoursOverText, list, readingText, sentenceCase } from './formats';
import { CATEGORY_NAMES, CLASS_MEANINGS, CLOSED_USE_NAMES, DOCUMENT_NAMES, ENDING_NAMES, FAULT_NAMES, INSPECTION_NAMES } from './names';

/** A reason in words: the headline first, then what it means. */
export interface ReasonWords {
  readonly headline: string;
  readonly meaning: string;
}

/** Whether the constraint bites now or lies ahead: 'ended' against 'ends'. 'unsure': it may have begun, nobody can tell. */
export type Tense = 'in-force' | 'ahead' | 'unsure';

type Teller<C extends ReasonCode> = (reason: Extract<Reason, { code: C }>, tense: Tense) => ReasonWords;

const words = (headline: string, meaning: string): ReasonWords => ({ headline, meaning });
const UNSEEN = 'A paper that nobody has seen counts as missing.';

function discountedText(entries: readonly DiscountedEntry[]): string {
  return entries.map(({ kind, completedOn, faults }) =>
    ` The entry for the ${INSPECTION_NAMES[kind]} of ${dateText(completedOn)} does not count: ${list(faults.map((fault) => FAULT_NAMES[fault]))}.`).join('');
}

const place = (where: string | null) => (where === null ? '' : ` (${where})`);

/** One teller a code; a code without words does not compile. */
const TELLERS: { readonly [C in ReasonCode]: Teller<C> } = {
  'document-never-sighted': ({ document }) => words(`Nobody has recorded seeing the ${DOCUMENT_NAMES[document]}.`, UNSEEN),
  'document-not-aboard': ({ document }) => words(`The ${DOCUMENT_NAMES[document]} is not aboard.`,
    document === 'radio-licence' ? 'It is needed only outside the country; flights at home stay open.' : 'It has to be in the aircraft before it flies.'),
  'document-aboard-unknown': ({ document }) => words(`It is not recorded whether the ${DOCUMENT_NAMES[document]} is aboard.`, UNSEEN),
  'document-illegible': ({ document }) => words(`The ${DOCUMENT_NAMES[document]} cannot be read.`, 'An unreadable paper counts as missing until it is replaced.'),
  'document-legibility-unknown': ({ document }) => words(`It is not recorded whether the ${DOCUMENT_NAMES[document]} can be read.`, UNSEEN),
  'document-sighting-ahead-of-itself': ({ document }) => words(`The sighting of the ${DOCUMENT_NAMES[document]} is dated after it was written down.`, 'That cannot be, so it does not count until it is corrected.'),
  'certificate-not-displayed': () => words('The airworthiness certificate is not displayed.', 'It has to hang where passengers and crew can see it.'),
  'certificate-display-unknown': () => words('It is not recorded whether the airworthiness certificate is displayed.', 'It has to hang where passengers and crew can see it; what nobody saw counts as missing.'),
  'document-of-another-aircraft': ({ document, shown, registration }) => words(`The ${DOCUMENT_NAMES[document]} is for ${shown}, not for ${registration}.`, 'Another aircraft’s papers are in this one.'),
  'document-registration-unknown': ({ document }) => words(`It is not recorded which registration is printed on the ${DOCUMENT_NAMES[document]}.`, 'It has to be compared with the aircraft.'),
  'flight-manual-needed': ({ firstFlownOn }) => words('There is no flight manual aboard.', `Placards and markings alone do only for aircraft first flown before 1 Mar 1979; this one first flew on ${dateText(firstFlownOn)}.`),
  'first-flight-date-unknown': () => words('It is not recorded when this aircraft first flew.', 'That decides whether placards and markings may stand in for a flight manual.'),
  'limitations-form-unknown': () => words('It is not recorded whether a flight manual is aboard, or placards and markings only.', UNSEEN),
  'cabin-tank-unknown': () => words('It is not recorded whether a fuel tank was added in the cabin.', 'With such a tank its record must be aboard; without one, that has to be stated.'),
  'registration-expires': ({ lastDay, basis }, tense) => words(`The registration ${tense === 'ahead' ? 'ends' : 'ended'} on ${dateText(lastDay)}.`,
    `${{ printed: 'That is the date printed on the certificate.', 'printed-extended': 'The printed three-year date was stretched by four years in 2023.', 'issue-date': 'Counted seven years from the month of issue, since no printed date is on record.' }[basis]} Without it the aircraft may not fly at all.`),
  'registration-expiry-unknown': () => words('It is not recorded until when the registration is valid.', 'Enter the date printed on the certificate.'),
  'registration-dates-contradict': ({ issuedOn, printedExpiry }) => words('The dates of the registration contradict each other.', `Issued on ${dateText(issuedOn)} and printed to end on ${dateText(printedExpiry)} cannot both be right.`),
  'registration-issued-after-seen': ({ issuedOn, seenOn }) => words('The dates of the registration contradict each other.', `It cannot have been seen on ${dateText(seenOn)} if it was issued on ${dateText(issuedOn)}. Until that is corrected, its dates are not known.`),
  'registration-ended': ({ on, because }, tense) => words(`The registration ${tense === 'ahead' ? 'ends' : 'ended'} early, on ${dateText(on)}.`, `It holds no longer because ${ENDING_NAMES[because]}, whatever date is printed on it.`),
  'category-unknown': () => words('The aircraft’s certification category is not on record.', 'The category decides which rules apply.'),
  'category-without-rules': ({ category }) => words(`There are no rules yet for the ${CATEGORY_NAMES[category]} category.`, 'What cannot be judged stays closed.'),
  'annual-expires': ({ completedOn, lastDay, discounted }, tense) => words(`The annual inspection ${tense === 'ahead' ? 'ends' : 'ended'} on ${dateText(lastDay)}.`,
    `It was completed on ${dateText(completedOn)} and holds to the end of the twelfth month after.${discountedText(discounted)}`),
  'annual-unknown': ({ discounted }) => words('No annual inspection is on record.', `Without one that counts the aircraft may not fly.${discountedText(discounted)}`),
  'inspection-not-approved': ({ kind, completedOn }) => words(`The aircraft was not approved at its ${INSPECTION_NAMES[kind]} of ${dateText(completedOn)}.`, 'A list of discrepancies was given. Once all of them are cleared and signed it may return without a new inspection.'),
  'hundred-hour-due': ({ dueAt, lastAt, lastKind, takenOff, discounted }, tense) => words(tense === 'unsure' ? `The 100 hours end at ${readingText(dueAt)}; whether that has come is not known.` : `The 100 hours ${tense === 'ahead' ? 'end' : 'ended'} at ${readingText(dueAt)}.`,
    `The last ${INSPECTION_NAMES[lastKind]} was at ${readingText(lastAt)}${takenOff > 0 ? `, ${hoursOverText(takenOff)} late, which is taken off` : ''}.${discountedText(discounted)}`),
  'hundred-hour-overrun-ends': ({ dueAt, overrunTo }, tense) => words(tense === 'unsure' ? `The flight to the inspection must end by ${readingText(overrunTo)}; whether that has come is not known.` : `The flight to the inspection ${tense === 'ahead' ? 'must end' : 'had to end'} by ${readingText(overrunTo)}.`, `The limit of ${readingText(dueAt)} may be flown past by at most 10 h, and only on the way to the inspection.`),
  'hundred-hour-unknown': ({ discounted }) => words('No 100-hour or annual inspection is on record.', `Until one that counts is entered, the uses that need it are closed.${discountedText(discounted)}`),
  'time-in-service-unknown': () => words('The time in service is not on record.', 'Without a meter reading nobody can say what is left to the 100-hour inspection.'),
  'time-in-service-contradicts': ({ earlierValue, laterValue }) => words('The meter runs backwards.', `${readingText(earlierValue)} is recorded before ${readingText(laterValue)}. Until one of them is corrected, the hours are not known.`),
  'time-in-service-ahead-of-itself': () => words('A meter reading is dated after it was written down.', 'Until it is corrected, the hours are not known.'),
  'discrepancy-open': ({ what, where, classification, classified, closesUses, foundBy, foundOn }) => words(`${sentenceCase(what.replace(/[.\s]+$/, ''))}${place(where)}.`,
    `${closesUses.length > 0 && classification === 'deferral-path' ? `Closed until it is repaired: ${list(closesUses.map((use) => CLOSED_USE_NAMES[use]))}.` : CLASS_MEANINGS[classification]}${classified ? '' : ' Nobody has classified it, so the strictest holds.'} Found on ${dateText(foundOn)}${foundBy === null ? '' : ` by ${foundBy}`}.`),
  'discrepancy-repair-not-valid': ({ what, where, faults }) => words(`${sentenceCase(what.replace(/[.\s]+$/, ''))}${place(where)}: the repair entry does not count.`, `Wrong with it: ${list(faults.map((fault) => FAULT_NAMES[fault]))}. Until it is complete the finding stays open.`),
  'approved-uses-unknown': () => words('It is not recorded what this aircraft is approved and fitted for.', 'Until that is on record, no use is open.'),
};

/** The words of a constraint, in force or ahead. A limit in hours that bites only because the hours are not known says so. */
export function tellDecided({ reason, certainty, begins }: Pick<DecidedConstraint, 'reason' | 'certainty' | 'begins'>, where: 'in-force' | 'ahead'): ReasonWords {
  return tellReason(reason, where === 'in-force' && begins.kind === 'hours' && certainty === 'unknown' ? 'unsure' : where);
}

/** A reason in plain words that a student understands. */
export function tellReason(reason: Reason, tense: Tense): ReasonWords {
  // The table pairs every code with its own teller; TypeScript cannot follow that pairing through the look-up.
  const tellers = TELLERS as unknown as Readonly<Record<ReasonCode, (reason: Reason, tense: Tense) => ReasonWords>>;
  return tellers[reason.code](reason, tense);
}

/** Every code that has words. */
export const TOLD_CODES = Object.keys(TELLERS) as readonly ReasonCode[];
