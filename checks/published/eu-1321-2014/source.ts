import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Continuing airworthiness, tolerances',
  section: 'Regulation (EU) 1321/2014, ML.A.302(d)',
  edition: 'from memory; a contrast to 14 CFR 91.409(b)',
  from: 'memory, high confidence',
};
