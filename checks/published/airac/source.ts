import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Aeronautical information cycles',
  section: 'Effective dates, every 28 days',
  edition: 'dates from memory, arithmetic recomputed with two libraries',
  from: 'memory, high confidence',
};
