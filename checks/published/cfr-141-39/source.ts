import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Part 141 schools: aircraft',
  section: '14 CFR 141.39(a)',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, medium confidence',
};
