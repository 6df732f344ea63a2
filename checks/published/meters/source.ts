import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Meters, the chain of readings and the next due figure',
  section: 'common practice, no source; time in service after 14 CFR 1.1',
  edition: 'every sum worked by hand; the definition of time in service from memory',
  from: 'memory, high confidence',
};
