import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Altimeter, altitude reporting and transponder tests',
  section: '14 CFR 91.411 and 91.413',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
