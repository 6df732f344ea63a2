import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'ELT transmitters',
  section: '14 CFR 91.207',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
