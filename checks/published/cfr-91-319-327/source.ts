import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Experimental and light-sport aircraft: operating limitations',
  section: '14 CFR 91.319 and 91.327',
  edition: 'as before 24 July 2026, cited from memory: the text in force may differ',
  from: 'memory, medium confidence',
};
