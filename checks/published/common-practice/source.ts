import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Facts of the trade',
  section: 'common practice, no source',
  edition: 'none: no published text says it',
  from: 'memory, high confidence',
};
