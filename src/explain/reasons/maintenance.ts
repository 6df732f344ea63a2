import type { ReasonCode } from '../../core/rules/parts/reason';
import { hours } from '../../core/quantities/hours';
import type { ReasonWords } from './teller';
import type { DiscountedEntry } from '../../core/records/maintenance/inspection';
import { hoursOverText, meterText, minutesText, readingText } from '../formats';
import { dateText, list, sentenceCase } from '../wording';
import { INSPECTION_NAMES, ITEM_KIND_NAMES, METER_NAMES_IN_WORDS, WORK_EFFECT_NAMES } from '../names';
import { discountedText, unsure, words, type Tellers, type Tense, faultsText } from './teller';

type Codes = Extract<
  ReasonCode,
  | `programme-${string}`
  | `altitude-${string}`
  | 'approved-list-missing'
  | `annual-${string}`
  | `inspection-${string}`
  | `hundred-hour-${string}`
  | `meter-${string}`
  | `test-${string}`
  | `work-${string}`
  | `vor-check-${string}`
  | `database-${string}`
  | `item-expires`
  | 'item-due'
  | 'item-overrun-ends'
  | 'item-history-unknown'
  | 'item-reading-unknown'
  | 'items-unknown'
  | 'oil-change-due'
  | `ad-${string}`
  | 'ads-unknown'
  | `elt-${string}`
  | 'check-flight-needed'
  | 'work-in-progress'
  | 'independent-inspection-needed'
  | `release-${string}`
  | 'daily-inspection-due'
>;

const NONE = hours('0');
const degrees = (tenths: number) => `${Math.floor(tenths / 10)}.${tenths % 10}°`;
const due = (name: string, at: string, tense: Tense): string =>
  tense === 'in-force' ? `${name}: overdue since ${at}.` : `${name}: due at ${at}${unsure(tense)}.`;
const dated = (name: string, on: string, tense: Tense): string =>
  tense === 'in-force' ? `${name}: overdue, due ${on}.` : `${name}: due ${on}.`;
const expires = (name: string, on: string, tense: Tense): string =>
  tense === 'in-force' ? `${name} expired on ${on}.` : `${name} expires on ${on}.`;
/** No entry counts: the latest of those that do not is named with what it lacks. */
const noneCounts = (names: string, discounted: readonly DiscountedEntry[]): string =>
  discounted[0] === undefined ? `No ${names} is on record.` : discountedText(discounted.slice(0, 1)).trim();
const quoted = (description: string) =>
  description === '' ? 'Maintenance work' : `“${description.replace(/[.\s]+$/, '')}”`;

function eltLacks(lacks: readonly ('date' | 'entry' | 'placard' | 'determination')[]): ReasonWords {
  return words(
    'The ELT was taken out or deactivated, but not lawfully.',
    `Missing: ${list(lacks.map((what) => ({ date: 'the day on which it was done', entry: 'the entry with make, model, serial number and reason', placard: 'the placard in sight of the pilot', determination: 'the determination of a rated pilot or mechanic that it is no hazard' })[what]))}.`,
  );
}

/** Inspections, tests, meters, items, ADs, the ELT, work and releases. */
export const MAINTENANCE: Tellers<Codes> = {
  'annual-expires': ({ completedOn, lastDay, discounted }, tense) =>
    words(
      expires('Annual inspection', dateText(lastDay), tense),
      `It was completed on ${dateText(completedOn)} and holds to the end of the twelfth month after.${discountedText(discounted)}`,
    ),
  'annual-unknown': ({ discounted }) =>
    words(
      noneCounts('annual inspection', discounted),
      `Without one that counts the aircraft may not fly.${discountedText(discounted.slice(1))}`,
    ),
  'inspection-not-signed': ({ kind, completedOn, faults }) =>
    words(
      `The ${INSPECTION_NAMES[kind]} of ${dateText(completedOn)} is not signed by somebody entitled.`,
      `It does not count: ${faultsText(faults)}. An inspection is maintenance: until it is signed nobody flies, though an earlier one is still in its time.`,
    ),
  'inspection-outcome-unknown': ({ kind, completedOn }) =>
    words(
      `The entry of the ${INSPECTION_NAMES[kind]} of ${dateText(completedOn)} does not say whether the aircraft was approved.`,
      'It may have been found not airworthy; nobody flies until the entry says that it was not.',
    ),
  'inspection-not-approved': ({ kind, completedOn }) =>
    words(
      `The aircraft was not approved at its ${INSPECTION_NAMES[kind]} of ${dateText(completedOn)}.`,
      'A list of discrepancies was given. Once all of them are cleared and signed it may return without a new inspection.',
    ),
  'inspection-expires': ({ kind, completedOn, lastDay, discounted }, tense) =>
    words(
      expires(sentenceCase(INSPECTION_NAMES[kind]), dateText(lastDay), tense),
      `It was completed on ${dateText(completedOn)} and holds to the end of a calendar month.${discountedText(discounted)}`,
    ),
  'inspection-unknown': ({ kind, discounted }) =>
    words(
      noneCounts(INSPECTION_NAMES[kind], discounted),
      `Until one that counts is entered, the uses that need it are closed.${discountedText(discounted.slice(1))}`,
    ),
  'test-needed-after-work': ({ kind, workedOn }) =>
    words(
      `After the work of ${dateText(workedOn)} the ${INSPECTION_NAMES[kind]} has to be done again.`,
      'What was opened or touched may read or report wrongly until it is tested.',
    ),
  'work-effect-unknown': ({ description, effect }) =>
    words(
      `${quoted(description)}: its entry does not say whether it touched ${WORK_EFFECT_NAMES[effect]}.`,
      'Until it says so, it counts as if it had.',
    ),
  'work-in-progress': ({ description }) =>
    words(
      `Work in progress: ${quoted(description)}.`,
      'Nobody flies it until the work is done and an entry approves it for return to service.',
    ),
  'work-entry-not-valid': ({ description, faults }) =>
    words(
      `${quoted(description)}: the entry does not approve the aircraft for return to service.`,
      `It does not count: ${faultsText(faults)}.`,
    ),
  'check-flight-needed': ({ description, completedOn, attempted }) =>
    words(
      `After ${quoted(description)} of ${dateText(completedOn)} a check flight is needed.`,
      `A rated pilot flies it with nobody aboard but the crew, and logs it; then the other uses open.${attempted ? ' The check flight on record does not count: it lacks the log entry or a pilot entitled to it, or came before the work.' : ''}`,
    ),
  'independent-inspection-needed': ({ description }) =>
    words(
      `${quoted(description)} was work on flight controls and needs a second inspection.`,
      'Somebody else than who did the work inspects them on their own and signs.',
    ),
  'hundred-hour-due': ({ dueAt, lastAt, lastKind, takenOff, discounted }, tense) =>
    words(
      tense === 'in-force'
        ? `100-hour inspection overdue since ${readingText(dueAt)}.`
        : `100-hour inspection due at ${readingText(dueAt)}${unsure(tense)}.`,
      `The last ${INSPECTION_NAMES[lastKind]} was at ${readingText(lastAt)}${takenOff > NONE ? `, ${hoursOverText(takenOff)} late, which is taken off` : ''}.${discountedText(discounted)}`,
    ),
  'hundred-hour-unknown': ({ discounted }) =>
    words(
      noneCounts('100-hour or annual inspection', discounted),
      `Until one that counts is entered, the uses that need it are closed.${discountedText(discounted.slice(1))}`,
    ),
  'meter-unknown': ({ meter }) =>
    words(
      `The ${METER_NAMES_IN_WORDS[meter]} is not on record.`,
      'Without a reading nobody can say what is left to the limits that count on it.',
    ),
  'meter-contradicts': ({ meter, earlierValue, laterValue }) =>
    words(
      `The ${METER_NAMES_IN_WORDS[meter]} runs backwards.`,
      `${meterText(meter, earlierValue)} is recorded before ${meterText(meter, laterValue)}. Until one of them is corrected, it is not known.`,
    ),
  'meter-ahead-of-itself': ({ meter }) =>
    words(
      `A reading of the ${METER_NAMES_IN_WORDS[meter]} is dated after it was written down.`,
      'Until it is corrected, what the meter shows is not known.',
    ),
  'meter-reading-stale': ({ readOn, days }) =>
    words(
      `The meter was last read on ${dateText(readOn)}.`,
      `By club policy it is read again within ${days} days: an old reading may hide flights.`,
    ),
  'vor-check-expires': ({ lastDay, doneOn }, tense) =>
    words(
      expires('VOR check', dateText(lastDay), tense),
      `It was done on ${dateText(doneOn)} and holds for 30 days. Visual flight does not need it.`,
    ),
  'vor-check-unknown': () =>
    words('No VOR check is on record.', 'Instrument flight that relies on VOR needs one within 30 days.'),
  'vor-check-failed': ({ error, allowed }) =>
    words(
      `The VOR receivers were off by ${degrees(error)}.`,
      `At most ${degrees(allowed)} is permissible by that method.`,
    ),
  'vor-check-incomplete': ({ doneOn }) =>
    words(
      `The VOR check of ${dateText(doneOn)} does not count.`,
      'Its entry needs method, place, bearing error and signature.',
    ),
  'database-expires': ({ lastDay }, tense) =>
    words(
      expires('Navigation database', dateText(lastDay), tense),
      'Visual flight stays available; confirming its message does not make it current.',
    ),
  'database-not-yet': ({ effectiveOn }) =>
    words(
      `The navigation database takes effect on ${dateText(effectiveOn)}.`,
      'Until then instrument flight that relies on it needs the cycle before it.',
    ),
  'database-unknown': () =>
    words(
      'It is not recorded which navigation database is on board.',
      'Instrument flight that relies on it needs a current one.',
    ),
  'item-expires': ({ name, kind, lastDay, printed }, tense) =>
    words(
      dated(name, dateText(lastDay), tense),
      `${ITEM_KIND_NAMES[kind]}. ${printed ? 'That is the date printed on it.' : 'Counted from when it was last done.'}`,
    ),
  'item-due': ({ name, kind, meter, dueAt, takenOff }, tense) =>
    words(
      due(name, meterText(meter, dueAt), tense),
      `${ITEM_KIND_NAMES[kind]}, by ${METER_NAMES_IN_WORDS[meter]}.${takenOff > 0 ? ` It was last done ${meterText(meter, takenOff)} late, which is taken off.` : ''}`,
    ),
  'item-overrun-ends': ({ name, meter, dueAt, overrunTo }, tense) =>
    words(
      `${name}: the flight to the workshop ${tense === 'in-force' ? 'had to' : 'must'} end by ${meterText(meter, overrunTo)}${unsure(tense)}.`,
      `The limit of ${meterText(meter, dueAt)} may be flown past only on the way there.`,
    ),
  'item-history-unknown': ({ name, kind }) =>
    words(
      `It is not recorded when ${name} was last done.`,
      `${ITEM_KIND_NAMES[kind]}. Unknown history counts as overdue.`,
    ),
  'item-reading-unknown': ({ name, meter }) =>
    words(
      `The entry for ${name} does not state the ${METER_NAMES_IN_WORDS[meter]}.`,
      'Without it nobody can say when it is due again.',
    ),
  'programme-segments-unknown': () =>
    words(
      'No segment of the progressive inspection programme is on record.',
      'Without its segments the aircraft has no inspection at all.',
    ),
  'programme-not-complete': ({ name }) =>
    words(
      `The segment ‘${name}’ does not come back within 12 calendar months.`,
      'Under a progressive programme the whole aircraft is inspected within each 12 calendar months.',
    ),
  'work-not-signed': ({ name, completedOn, faults }) =>
    words(
      `${name}: what was done on ${dateText(completedOn)} is not signed by somebody entitled.`,
      `It does not count: ${faultsText(faults)}. Until it is signed nobody flies.`,
    ),
  'altitude-tested-unknown': () =>
    words(
      'It is not recorded to which altitude the altimeter was tested.',
      'No instrument flight goes above that altitude.',
    ),
  'altitude-over-tested': ({ planned, tested }) =>
    words(
      `The flight is planned at ${planned} ft; the altimeter was tested to ${tested} ft.`,
      'No instrument flight goes above the altitude to which the altimeter was tested.',
    ),
  'approved-list-missing': () =>
    words(
      'It is not on record that the aircraft was compared with an approved equipment list.',
      'Until then it is closed for instrument flight and for hire: these rules know only parts of what is asked there.',
    ),
  'items-unknown': () =>
    words(
      'It is not recorded which life-limited parts and services this aircraft has.',
      'That none exist has to be stated.',
    ),
  'oil-change-due': ({ name, dueAt, leaded, unleaded, unsaid }, tense) =>
    words(
      due(name, meterText('engine', dueAt), tense),
      `Since the last change the engine ran ${readingText(leaded)} on leaded and ${readingText(unleaded)} on unleaded fuel${unsaid > NONE ? `, and ${readingText(unsaid)} on fuel that nobody noted, which counts as leaded` : ''}; what is still to come counts as leaded.`,
    ),
  'ads-unknown': () =>
    words('It is not recorded which airworthiness directives apply.', 'That none apply has to be stated.'),
  'ad-expires': ({ number, title, lastDay, first, whichever }, tense) =>
    words(
      dated(`AD ${number}`, dateText(lastDay), tense),
      `${title}. ${whichever === 'later' ? 'The later of its limits decides, and the others are reached. ' : ''}${first ? 'Its first limit counts from when it took effect.' : 'It recurs from when it was last done.'}`,
    ),
  'ad-due': ({ number, title, meter, dueAt, first, notBefore = null }, tense) =>
    words(
      due(`AD ${number}`, meterText(meter, dueAt), tense),
      `${title}. ${notBefore === null ? '' : `At ${meterText(meter, dueAt)} or after ${dateText(notBefore)}, whichever comes later. `}${first ? 'Its first limit counts from when it took effect.' : 'It recurs from when it was last done.'}`,
    ),
  'ad-before-flight': ({ number, title }) =>
    words(`AD ${number} must be complied with before further flight.`, `${title}.`),
  'ad-unknown': ({ number, title, what }) =>
    words(
      `AD ${number}: ${{ applicability: 'nobody has judged whether it applies', 'effective-date': 'it is not recorded when it took effect', reading: 'a meter reading that its limit counts from is not recorded' }[what]}.`,
      `${title}. Until that is known it counts as overdue.`,
    ),
  'elt-unknown': () =>
    words('It is not recorded whether an ELT is fitted.', 'Most aeroplanes need one for every flight.'),
  'elt-battery-expires': ({ lastDay }, tense) =>
    words(
      tense === 'in-force'
        ? `ELT battery: replacement overdue, due ${dateText(lastDay)}.`
        : `ELT battery: replacement due ${dateText(lastDay)}.`,
      'That is the date marked on its outside.',
    ),
  'elt-battery-used': ({ usedSeconds }) =>
    words(
      `The ELT transmitted for ${minutesText(usedSeconds)}.`,
      'After more than an hour of use in all, its battery is replaced.',
    ),
  'elt-battery-unknown': ({ what }) =>
    words(
      what === 'date'
        ? 'It is not recorded by when the ELT’s battery is replaced.'
        : 'It is not recorded for how long the ELT has transmitted.',
      'The battery is replaced by its date, and after more than an hour of use.',
    ),
  'elt-removed': ({ removedOn, lastDay }, tense) =>
    words(
      `The ELT, taken out on ${dateText(removedOn)}, ${tense === 'in-force' ? 'had to' : 'has to'} be back by ${dateText(lastDay)}.`,
      'Without it the aircraft may fly for 90 days, with entry and placard.',
    ),
  'elt-removal-incomplete': ({ lacks }) => eltLacks(lacks),
  'elt-deactivated': ({ on: day }) =>
    words(
      `The ELT was deactivated on ${dateText(day)}.`,
      'Until it works again the aircraft may only be ferried to have it repaired, or train within 50 NM of its field where the flight says so.',
    ),
  'elt-not-fitted': () =>
    words(
      'No ELT is fitted.',
      'Without one the aircraft may only be ferried to have it installed, or train within 50 NM of its field where the flight says so.',
    ),
  'release-missing': () =>
    words('No maintenance release is on record.', 'Without one the aircraft may not fly.'),
  'release-expires': ({ lastDay }, tense) =>
    words(
      expires('Maintenance release', dateText(lastDay), tense),
      'That is the printed date, to the day. It also expires at its hours, whichever comes first.',
    ),
  'release-due': ({ dueAt }, tense) =>
    words(
      `Maintenance release ${tense === 'in-force' ? 'expired' : 'expires'} at ${readingText(dueAt)}${unsure(tense)}.`,
      'Those are the printed hours; a flight may end exactly there. It also expires on its date, whichever comes first.',
    ),
  'release-incomplete': ({ lacks }) =>
    words('The maintenance release does not count.', `Missing or not seen: ${list(lacks)}.`),
  'release-not-in-force': ({ standing }) =>
    words(`The maintenance release was ${standing}.`, 'Until a new one is issued the aircraft may not fly.'),
  'release-of-another-aircraft': ({ shown, registration }) =>
    words(
      `The maintenance release is for ${shown}, not for ${registration}.`,
      'Another aircraft’s documents are in this one.',
    ),
  'release-work-due': ({ what, lastDay, dueAt }, tense) =>
    words(
      `Required maintenance${tense === 'in-force' ? ' overdue' : ''}: ${what.charAt(0).toLowerCase()}${what.slice(1)}, due ${list([...(lastDay === null ? [] : [dateText(lastDay)]), ...(dueAt === null ? [] : [readingText(dueAt)])], 'or')}${unsure(tense)}.`,
      tense === 'in-force'
        ? 'It is listed on the maintenance release, which is no longer in force.'
        : 'It is listed on the maintenance release, which is no longer in force once it is overdue.',
    ),
  'daily-inspection-due': ({ lastOn }, tense) =>
    words(
      tense === 'ahead' && lastOn !== null
        ? `The daily inspection of ${dateText(lastOn)} holds to the end of that day.`
        : 'The daily inspection is not signed.',
      `It is certified before the first flight of each day${lastOn === null ? '' : `; the last one was for ${dateText(lastOn)}`}.`,
    ),
};
