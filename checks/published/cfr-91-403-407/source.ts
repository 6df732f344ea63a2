import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Life limits, and operation after maintenance',
  section: '14 CFR 91.403(c) and 91.407',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
