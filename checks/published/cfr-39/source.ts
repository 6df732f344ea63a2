import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Airworthiness directives',
  section: '14 CFR 39.3 to 39.27',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
