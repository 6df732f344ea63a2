import type { Contradiction } from '../../core/records/contradictions';
import type { FuelGrade } from '../../core/records/walkround/measurement';
import type { ReasonCode } from '../../core/rules/parts/reason';
import { capText, measureText, readingText, sinceText, volumeText } from '../formats';
import { list, sentenceCase, withArticle } from '../wording';
import { QUANTITY_NAMES_IN_WORDS, RIGGING_GAPS, ROPE_FAULT_NAMES, SAMPLE_NAMES } from '../names';
import { announcedWords } from '../walkround';
import { words, type Tellers } from './teller';

type Codes = Extract<
  ReasonCode,
  | 'measured-outside'
  | 'not-measured'
  | 'gauge-differs'
  | `sample-${string}`
  | 'oil-use-high'
  | `walk-round-${string}`
  | 'step-not-seen'
  | 'announced-open'
  | `fuel-${string}`
  | 'aircraft-out'
  | 'rigging-unknown'
  | 'derigged'
  | 'rigging-not-checked'
  | 'two-flights-open'
  | 'flight-not-read'
  | 'restricted'
  | `record-${string}`
  | 'tow-rope-unfit'
  | 'cap-passed'
  | 'student-not-alone'
  | 'flight-leaves-open'
>;

const at = (drain: string | null) => (drain === null ? '' : ` of the ${drain} drain`);
const GRADE_NAMES: Readonly<Record<FuelGrade, string>> = {
  leaded: 'leaded fuel',
  unleaded: 'unleaded fuel',
  jet: 'jet fuel',
};
const CONTRADICTIONS: Readonly<Record<Contradiction, string>> = {
  'ahead-of-itself': 'it happened after it was written down',
  'returned-before-it-left': 'it came back before it left',
  'returned-after-recorded': 'it came back after that was written down',
  'removed-after-recorded': 'it was removed after that was written down',
  'dated-after-seen': 'it is dated after it was seen',
  'done-after-recorded': 'it was done after that was written down',
  'cleared-before-done': 'it was cleared or checked before it was done',
  'done-before-found': 'it was done before the thing was found',
  'ends-before-it-begins': 'it ends before it begins',
};
const of = (which: string | null) => (which === null ? '' : `, ${which}`);

/** What was measured, fuel, movements, and what is asked of one flight. */
export const RAMP: Tellers<Codes> = {
  'measured-outside': ({ quantity, which, value, min, max, remedy }) =>
    words(
      `${sentenceCase(QUANTITY_NAMES_IN_WORDS[quantity])}${of(which)}: ${measureText(quantity, value)}.`,
      `${min === null ? '' : `At least ${measureText(quantity, min)}. `}${max === null ? '' : `At most ${measureText(quantity, max)}. `}${{ 'top-up': max !== null && value > max ? 'What is too much is drained, and it is measured again before flight.' : 'It is topped up and measured again before flight.', service: 'It is corrected and measured again before flight.', mechanic: 'A mechanic has to look before anybody flies.' }[remedy]}`,
    ),
  'not-measured': ({ quantity, which }, tense) =>
    words(
      tense === 'ahead'
        ? `${sentenceCase(QUANTITY_NAMES_IN_WORDS[quantity])}${of(which)} checked today; check again before tomorrow’s first flight.`
        : `${sentenceCase(QUANTITY_NAMES_IN_WORDS[quantity])}${of(which)} has not been measured.`,
      'It is measured before each flight.',
    ),
  'gauge-differs': ({ tank, gauge, dip, tolerance }) =>
    words(
      `The gauge of the ${tank} tank shows ${volumeText(gauge, 'down')}, its dip ${volumeText(dip, 'down')}.`,
      `More than ${volumeText(tolerance, 'down')} apart: one of them is wrong. Dip it again; if they still differ, a mechanic looks at the gauge.`,
    ),
  'sample-not-clean': ({ result, drain }) =>
    words(
      result === null
        ? `It is not recorded what the fuel sample${at(drain)} showed.`
        : `The fuel sample${at(drain)} showed ${SAMPLE_NAMES[result]}.`,
      'Drain the same drain again into a clean vessel until a sample is clean; if it does not become so, a mechanic looks.',
    ),
  'fuel-suspect': ({ drain, why }) =>
    words(
      {
        'wrong-colour': `The fuel sample${at(drain)} had a wrong colour.`,
        'wrong-smell': `The fuel sample${at(drain)} had a wrong smell.`,
        'water-again': `Water came three times${drain === null ? ' out of one drain' : ` out of the ${drain} drain`}.`,
      }[why],
      'Draining again does not cure that. A mechanic finds the cause and deals with the fuel before anybody flies.',
    ),
  'fuel-grade-wrong': ({ grade, approved }) =>
    words(
      `The aircraft was fuelled with ${GRADE_NAMES[grade]}.`,
      `Its engine may have ${list(
        approved.map((one) => GRADE_NAMES[one]),
        'or',
      )}. A mechanic deals with it before anybody starts the engine.`,
    ),
  'fuel-grade-unknown': ({ approved }) =>
    words(
      'It is not recorded which grade of fuel went in.',
      `Its engine may have ${list(
        approved.map((one) => GRADE_NAMES[one]),
        'or',
      )}.`,
    ),
  'fuel-dip-over-tank': ({ tank, dipped, holds }) =>
    words(
      `The ${tank} tank was dipped at ${volumeText(dipped, 'down')}; it holds ${volumeText(holds, 'down')}.`,
      'That cannot be: dip it again, and enter a full tank as what it holds.',
    ),
  'fuel-over-tanks': ({ planned, holds }) =>
    words(
      `The flight is planned with ${volumeText(planned, 'down')} of fuel; the tanks hold ${volumeText(holds, 'down')}.`,
      'That cannot be: plan with what the tanks hold.',
    ),
  'sample-needed': ({ because, drain }) =>
    words(
      {
        none: `No clean fuel sample${at(drain)} is on record.`,
        'fuelled-since': 'The aircraft was fuelled after its last sample.',
        'flown-since': 'The aircraft has flown since its last sample.',
        'not-today': 'The last fuel sample is not of today.',
        'not-every-drain':
          drain === null ? 'Not every drain was sampled.' : `The ${drain} drain was not sampled.`,
      }[because],
      'Every drain is sampled before it moves.',
    ),
  'rigging-unknown': () =>
    words(
      'It is not recorded that the glider was rigged and checked.',
      'After every rigging its critical assemblies and its controls are checked. One that is kept rigged says so in its aircraft data.',
    ),
  derigged: () => words('The glider is derigged.', 'It flies again once it is rigged and checked.'),
  'rigging-not-checked': ({ gaps }) =>
    words(
      `The glider was rigged, and ${list(
        gaps.map((gap) => RIGGING_GAPS[gap]),
        'and',
      )}.`,
      gaps.includes('tools-missing')
        ? 'A tool that is missing may lie in the controls: nobody flies until it is found.'
        : 'A surface that is not connected is seen by these checks and by nothing else.',
    ),
  'walk-round-missing': () =>
    words(
      'No walk-round of the day is on record since the last flight.',
      'It is done on the phone before the flight, and signed.',
    ),
  'walk-round-unfinished': ({ by, left }) =>
    words(
      `The walk-round of ${by} is not finished: ${left} ${left === 1 ? 'step is' : 'steps are'} left.`,
      'A step that nobody answered is not fine.',
    ),
  'walk-round-unsigned': ({ by }) =>
    words(`The walk-round of ${by} is not signed.`, 'Every step is answered; the signature certifies it.'),
  'walk-round-without': ({ by, what }) =>
    words(
      `The walk-round of ${by} did not have the steps for a flight ${what === 'night' ? 'at dusk or by night' : 'by instruments'}.`,
      'It was begun for another flight, or before this one was moved. A new one asks for them.',
    ),
  'step-not-seen': ({ title, place, by }) =>
    words(
      `Not seen on the walk-round of ${by}: ${title.charAt(0).toLowerCase()}${title.slice(1)} (${place}).`,
      'What nobody saw is not fine. Somebody looks, and records it.',
    ),
  'announced-open': ({ act, which, amount, by }) =>
    words(
      `${by} announced: ${announcedWords(act, which, amount)}.`,
      'The flight waits until somebody records it done.',
    ),
  'oil-use-high': ({ perHour, limit }) =>
    words(
      `The engine uses ${volumeText(perHour, 'up', 'US qt')} of oil an hour.`,
      `The club has a mechanic look above ${volumeText(limit, 'down', 'US qt')} an hour.`,
    ),
  'fuel-below-minimum': ({ aboard, minimum }) =>
    words(
      `${volumeText(aboard, 'down')} of fuel are on board.`,
      `No flight begins with less than ${volumeText(minimum, 'up')}: that is the handbook’s minimum.`,
    ),
  'fuel-short': ({ aboard, needed, reserveMinutes }) =>
    words(
      `The flight needs ${volumeText(needed, 'up')} of fuel; ${volumeText(aboard, 'down')} are there.`,
      `That is the flight with a reserve of ${reserveMinutes} minutes at normal cruise.`,
    ),
  'fuel-aboard-unknown': () =>
    words('It is not known how much fuel is on board.', 'Dip every tank after the last fuelling.'),
  'fuel-burn-unknown': () =>
    words(
      'It is not on record how much fuel this aircraft burns.',
      'Without it nobody can say whether the fuel is enough.',
    ),
  'aircraft-out': ({ by, since }) =>
    words(
      `The aircraft is out${by === null ? '' : ` with ${by}`}.`,
      `It left ${sinceText(since)} and has not been checked in. Until its return or loss is recorded nobody else can take it.`,
    ),
  'flight-not-read': ({ by, returnedAt, seconds }) =>
    words(
      `Nobody has read the meters since the flight${by === null ? '' : ` of ${by}`} came back.`,
      `It came back ${sinceText(returnedAt)}. Until somebody reads them, ${readingText(seconds)} count for it.`,
    ),
  'two-flights-open': ({ earlier, later }) =>
    words(
      'Two flights of this aircraft are open at once.',
      `That cannot be: ${earlier} and ${later}. One of them has to be corrected.`,
    ),
  restricted: ({ why, by, cap }) =>
    words(
      `${sentenceCase(why.replace(/[.\s]+$/, ''))}${cap === null ? '' : `: ${capText(cap)}`}.`,
      by === '' ? 'A rule of the club.' : `Dispatch restriction by ${by}, beyond what the records ask.`,
    ),
  'record-unreadable': ({ why }) =>
    words(
      'Records of this aircraft cannot be read.',
      `Nothing is decided from what is left of them. Who runs the server restores them (${why}).`,
    ),
  'record-ahead-of-itself': ({ kind, record }) =>
    words(
      `${sentenceCase(withArticle(kind))} is dated after it was written down.`,
      `That cannot be (${record}). Until it is corrected nobody knows which of its times is wrong.`,
    ),
  'record-contradicts-itself': ({ kind, record, how }) =>
    words(
      `${sentenceCase(withArticle(kind))} contradicts itself: ${CONTRADICTIONS[how]}.`,
      `That cannot be (${record}). Until it is corrected nobody knows which of its times is wrong.`,
    ),
  'tow-rope-unfit': ({ fault }) =>
    words(
      ROPE_FAULT_NAMES[fault],
      'The rope holds between 80 % and 200 % of the glider’s weight; a stronger one needs a weak link at both ends.',
    ),
  'student-not-alone': () =>
    words(
      'A student who flies alone carries nobody.',
      'The flight says that a student flies it alone, and that somebody else is on board.',
    ),
  'cap-passed': ({ quantity, bound, value, planned }) =>
    words(
      planned === null
        ? `The flight does not say ${{ persons: 'how many people fly', load: 'what it carries', fuel: 'how much fuel is on board' }[quantity]}.`
        : `The flight does not keep to it: ${capText({ quantity, bound, value })}.`,
      `The aircraft is held to that: ${capText({ quantity, bound, value })}.`,
    ),
  'flight-leaves-open': ({ what }) =>
    words(
      {
        landings: 'The flight does not say how often it lands.',
        'tow-launches': 'The flight does not say how many tows it makes.',
        alternate: 'The flight does not say how far its alternate is.',
        navigation: 'The flight does not say what its navigation by instruments rests on.',
        altitude: 'The flight does not say how high it is planned to fly.',
      }[what],
      'A limit could be passed, so it has to be said.',
    ),
};
