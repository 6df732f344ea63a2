import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'US Code of Federal Regulations, title 14, part 91',
  section: '91.7, 91.405, 91.407: airworthiness and discrepancies',
  edition: 'text of about 2025',
  from: 'memory, high confidence',
};
