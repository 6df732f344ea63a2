import type { InoperativeCause, ReasonCode } from '../../core/rules/parts/reason';
import { capText, readingText } from '../formats';
import { dateText, list, sentenceCase, withArticle } from '../wording';
import { CAUSE_NAMES, CLASS_MEANINGS, EQUIPMENT_NAMES, LIST_NAMES } from '../names';
import { ends, unsure, words, type Tellers, faultsText } from './teller';

type Codes = Extract<
  ReasonCode,
  | `equipment-${string}`
  | 'navigation-not-aboard'
  | 'item-inoperative'
  | 'item-not-deferred'
  | 'item-deferred'
  | `deferral-${string}`
  | 'watch-due'
  | `discrepancy-${string}`
>;

const place = (where: string | null) => (where === null ? '' : ` (${where})`);
const found = (what: string) => sentenceCase(what.replace(/[.\s]+$/, ''));
/** What became of a find. One that has a colon of its own, such as 'Pitot heat: cold', gets no second. */
const became = (what: string, says: string) => `${found(what)}${what.includes(':') ? ';' : ':'} ${says}`;

/** Why an inoperative thing keeps what closed, and for which flights. */
export function inoperativeText(because: readonly InoperativeCause[], uses: string): string {
  const flights =
    uses === 'for every flight' ? 'the aircraft is not available' : 'the aircraft is not available for that';
  return because.length === 0
    ? `Its deferral limits the aircraft: until it is repaired, it is not available ${uses}.`
    : `It is needed by ${list(because.map((cause) => CAUSE_NAMES[cause]))} ${uses}; until it is repaired, ${flights}.`;
}

/** Equipment, what is inoperative, deferrals, discrepancies. */
export const EQUIPMENT: Tellers<Codes> = {
  'navigation-not-aboard': ({ equipment, state }) =>
    words(
      state === 'unknown'
        ? `It is not recorded whether there is ${withArticle(EQUIPMENT_NAMES[equipment])}.`
        : `No ${EQUIPMENT_NAMES[equipment]} is fitted.`,
      'An instrument flight cannot rely on what the aircraft does not have.',
    ),
  'equipment-list-unknown': () =>
    words(
      'The aircraft’s equipment list is not on record.',
      'Which instruments are fitted decides what it may be used for.',
    ),
  'equipment-not-fitted': ({ equipment, list: asking }) =>
    words(`No ${EQUIPMENT_NAMES[equipment]} is fitted.`, `${LIST_NAMES[asking]} asks for it.`),
  'equipment-inoperative': ({ equipment, what, list: asking }) =>
    words(
      became(what, `the ${EQUIPMENT_NAMES[equipment]} does not work.`),
      asking === 'navigation'
        ? 'Instrument flight cannot rely on it, deferred or not.'
        : `${LIST_NAMES[asking]} asks for one that works, deferred or not.`,
    ),
  'equipment-unknown': ({ equipment, list: asking }) =>
    words(
      `It is not recorded whether there is ${withArticle(EQUIPMENT_NAMES[equipment])}.`,
      `${LIST_NAMES[asking]} asks for it; what the equipment list does not say counts as missing.`,
    ),
  'equipment-expires': ({ equipment, lastDay }, tense) =>
    words(
      `The ${EQUIPMENT_NAMES[equipment]} ${tense === 'in-force' ? 'was' : 'is'} good until ${dateText(lastDay)}.`,
      'That is its own date; after it, it counts as missing.',
    ),
  'equipment-date-unknown': ({ equipment }) =>
    words(
      `It is not recorded until when the ${EQUIPMENT_NAMES[equipment]} is good.`,
      'That it has no date would have to be stated.',
    ),
  'item-inoperative': ({ what, because, deferred }) =>
    words(
      became(what, deferred ? 'deferred.' : 'inoperative.'),
      inoperativeText(because, 'for some flights'),
    ),
  'item-deferred': ({ what, deferredOn, operations }) =>
    words(
      became(
        what,
        `deferred${deferredOn === null ? '' : ` on ${dateText(deferredOn)}`}.${operations === undefined ? '' : ` For the pilot: ${operations}`}`,
      ),
      'It is removed or deactivated and placarded. It is repaired or inspected at the next required inspection.',
    ),
  'item-not-deferred': ({ what }) =>
    words(
      became(what, 'inoperative and not yet deferred.'),
      'It is removed or deactivated, placarded “Inoperative”, entered where that was maintenance, and judged no hazard by a rated pilot or a mechanic. Until then it is not available for any use.',
    ),
  'deferral-not-valid': ({ what, faults }) =>
    words(became(what, 'its deferral does not count.'), `Not lawful: ${faultsText(faults)}.`),
  'deferral-expires': ({ what, lastDay }, tense) =>
    words(
      became(what, `its deferral ${ends(tense)} on ${dateText(lastDay)}.`),
      'By then it has to be repaired.',
    ),
  'deferral-due': ({ what, dueAt }, tense) =>
    words(
      became(what, `its deferral ${ends(tense)} at ${readingText(dueAt)}${unsure(tense)}.`),
      'By then it has to be repaired.',
    ),
  'deferral-not-addressed': ({ what, foundOn, inspectedOn }) =>
    words(
      `${found(what)} was left open past the inspection of ${dateText(inspectedOn)}.`,
      `Found on ${dateText(foundOn)}, it had to be repaired, replaced, removed or inspected at the next required inspection. It cannot be deferred again.`,
    ),
  'deferral-holds-to': ({ what, cap }) =>
    words(became(what, `while it is deferred, ${capText(cap)}.`), 'That stands in its deferral.'),
  'watch-due': ({ what, lastDay, dueAt, trigger }, tense) =>
    words(
      `${found(what)} ${tense === 'in-force' ? 'was' : 'is'} to be ${trigger === 'fix-by' ? 'corrected' : 're-checked'} by ${lastDay === null ? (dueAt === null ? '' : readingText(dueAt)) : dateText(lastDay)}${unsure(tense)}.`,
      'It was accepted for so long only.',
    ),
  'discrepancy-open': ({ what, where, classification, classified, foundBy, foundOn }) =>
    words(
      `${found(what)}${place(where)}.`,
      `${classification === 'deferral-path' ? 'It does not say which equipment is inoperative, so it cannot be deferred: not available for any use until it is repaired.' : CLASS_MEANINGS[classification]}${classified ? '' : ' Nobody has classified it, so the strictest holds.'} Found on ${dateText(foundOn)}${foundBy === null ? '' : ` by ${foundBy}`}.`,
    ),
  'discrepancy-repair-not-valid': ({ what, where, faults }) =>
    words(
      `${found(what)}${place(where)}: the repair entry does not count.`,
      `It does not count: ${faultsText(faults)}. Until it is complete the discrepancy stays open.`,
    ),
};
