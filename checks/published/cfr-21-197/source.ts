import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Special flight permits',
  section: '14 CFR 21.197 and 21.199',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
