import type { NotSeenBecause } from '../core/walkround/walk';

/** Why a step was not seen, as the end of a sentence. */
export const BECAUSE_NAMES: Readonly<Record<NotSeenBecause, string>> = {
  dark: 'too dark',
  covered: 'covered',
  'too-high': 'too high to reach',
  'not-operated': 'not operated',
  'no-tool': 'no tool for it',
  'other-side-assumed': 'only the other side was looked at',
  other: 'another reason',
};
