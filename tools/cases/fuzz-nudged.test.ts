import { expect, it } from 'vitest';
import { fuzz, nudged } from './fuzz';

const ROUNDS = 5000;

it(`${ROUNDS} cases that are changed to values of their own kind are refused with a path each, or decided`, () => {
  const { refused, decided } = fuzz(nudged, ROUNDS, 20_261_125);
  // Both happen often, so that neither half of this test is empty.
  expect([refused > ROUNDS / 20, decided > ROUNDS / 20]).toEqual([true, true]);
}, 240_000);
