import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Inoperative instruments and equipment',
  section: '14 CFR 91.213(a) and (d), 91.405(c), and the standard text of repair categories',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
