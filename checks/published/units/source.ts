import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Exact units of volume and mass',
  section: '1 US gal = 3.785411784 L, 1 imp gal = 4.54609 L, 1 in = 25.4 mm',
  edition: 'international agreements; values from memory',
  from: 'memory, high confidence',
};
