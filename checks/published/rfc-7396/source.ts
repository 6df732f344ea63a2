import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'RFC 7396, JSON Merge Patch',
  section: 'appendix A, example test cases',
  edition: 'October 2014',
  from: 'memory, high confidence',
};
