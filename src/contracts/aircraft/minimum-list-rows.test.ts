import { describe, expect, it } from 'vitest';
import { readMinimumRow } from './minimum-list-rows';

const ROW = {
  item: '33-42-01',
  name: 'Landing light',
  equipment: 'Landing-light; taxi-light',
  category: 'c',
  installed: '2',
  required: '1',
  operations: 'Land by the runway lights',
  closes: 'night-for-hire',
};

describe('a row of a minimum equipment list', () => {
  it('is read with several kinds in one cell; what is empty is none', () => {
    expect(readMinimumRow({ ...ROW, equipment: 'landing-light', days: ' ', maintenance: '' })).toEqual({
      ok: true,
      item: {
        code: '33-42-01',
        name: 'Landing light',
        equipment: ['landing-light'],
        category: 'C',
        days: undefined,
        installed: 2,
        required: 1,
        operations: 'Land by the runway lights',
        maintenance: undefined,
        closes: ['night-for-hire'],
      },
    });
  });
  it.each([
    ['a kind that we do not know', { equipment: 'landing-light; sofa' }, /^equipment: /u],
    ['no kind', { equipment: '' }, /^equipment: /u],
    ['another category', { category: 'E' }, /^category: /u],
    ['category A without days', { category: 'A' }, /^days: category A has days of its own/u],
    ['days with another category', { days: '5' }, /^days: category A has days of its own/u],
    ['more required than installed', { required: '3' }, /^required: more are required/u],
    ['a number in words', { installed: 'two' }, /^installed: /u],
    ['no item number', { item: '' }, /^item: /u],
  ])('with %s says so', (_, change, says) => {
    const read = readMinimumRow({ ...ROW, equipment: 'landing-light', ...change });
    expect(read.ok ? [] : read.problems).toEqual([expect.stringMatching(says)]);
  });
});
