import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Towing: gliders',
  section: '14 CFR 91.309(a)(3)',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
