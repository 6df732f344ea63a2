import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'US Code of Federal Regulations, title 14, part 43',
  section: '43.9(a), 43.11(a), 43.7: maintenance records and who signs',
  edition: 'text of about 2025',
  from: 'memory, high confidence',
};
