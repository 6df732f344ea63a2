import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'US Code of Federal Regulations, title 14, part 1',
  section: '1.1: time in service; night',
  edition: 'text of about 2025',
  from: 'memory, high confidence',
};
