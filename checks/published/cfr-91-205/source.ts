import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Instrument and equipment requirements',
  section: '14 CFR 91.205(b) to (d)',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
