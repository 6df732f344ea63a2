import type { PlanLine } from '@/queries/flights/plan';

/** What a planned flight is answered, in two words. */
export const ANSWER_NAMES: Readonly<Record<PlanLine['answer'], string>> = {
  yes: 'Can go',
  'yes-after': 'After a step',
  no: 'Cannot go',
  past: 'Not checked out',
  left: 'Checked out',
};

export const toneOf = (answer: PlanLine['answer']) =>
  answer === 'no' ? 'grounded' : answer === 'yes-after' ? 'restricted' : 'rule';
