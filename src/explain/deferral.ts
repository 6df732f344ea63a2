import type { NoDeferral } from '../core/rules/deferral-path';
import type { InoperativeCause } from '../core/rules/parts/reason';

/** Why a finding cannot be deferred, with what to do instead. */
export const NO_DEFERRAL_WORDS: Readonly<Record<NoDeferral, string>> = {
  closed: 'This finding is closed. There is nothing to defer.',
  'class-too-strict':
    'This finding cannot be deferred: as it is classified, a mechanic looks at it or it is put right before flight.',
  'no-equipment':
    'This finding names no instrument or piece of equipment, so nobody can answer the four questions for it. A mechanic puts it right.',
  'not-fitted':
    'The equipment list says that this is not fitted: nothing of it can be removed or deactivated.',
  'inspection-passed':
    'A required inspection came and went after this was found, so it can no longer be deferred. It is repaired.',
  'list-not-approved':
    'A minimum equipment list is on record, and the aircraft’s data do not say that it is approved. Put that right first.',
  'not-on-list':
    'Nothing on the aircraft’s minimum equipment list is this equipment. What does not stand on it is repaired.',
  'too-few-work':
    'With this one inoperative fewer would work than the minimum equipment list asks for. It is repaired.',
  'deferred-already': 'This is deferred already. A deferral is not prolonged: the item is repaired.',
};

/** The question behind each answer, as people ask it, with where it comes from. Source: 14 CFR 91.213(d)(2) (from memory). */
export const QUESTION_WORDS: Readonly<
  Record<Exclude<InoperativeCause, 'walk-round'>, { readonly asks: string; readonly source: string }>
> = {
  'type-certification': {
    asks: 'Is it part of the instruments for day flight under visual rules that it was certificated with?',
    source: '91.213(d)(2)(i)',
  },
  'equipment-list': {
    asks: 'Does the aircraft’s equipment list ask for it?',
    source: '91.213(d)(2)(ii)',
  },
  'kinds-of-operation': {
    asks: 'Does its kinds-of-operation list ask for it?',
    source: '91.213(d)(2)(ii)',
  },
  'operating-rule': {
    asks: 'Does 91.205 or another operating rule ask for it?',
    source: '91.213(d)(2)(iii)',
  },
  ad: { asks: 'Does an AD want it in working order?', source: '91.213(d)(2)(iv)' },
};
