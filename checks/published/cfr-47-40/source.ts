import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'US Code of Federal Regulations, title 14, part 47',
  section: '47.40 and 47.41: registration expires',
  edition: 'text in force since 23 January 2023',
  from: 'memory, medium confidence',
};
