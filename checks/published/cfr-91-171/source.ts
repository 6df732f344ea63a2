import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'VOR equipment check for IFR operations',
  section: '14 CFR 91.171',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
