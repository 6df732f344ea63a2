import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Fuel requirements',
  section: '14 CFR 91.151(a) and 91.167(a)',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
