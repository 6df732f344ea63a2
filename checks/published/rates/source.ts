import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title:
    'Fiducial limits for the Poisson distribution, F. Garwood, Biometrika 28 (1936), as reprinted in tables of statistics',
  section: 'limits of 95 % of a count of 0, 1, 2, 3, 5, 10, 20 and 50',
  edition: '1936',
  from: 'memory, high confidence',
};
