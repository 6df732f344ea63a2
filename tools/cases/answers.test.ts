import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { shortAnswers } from './short-answers';

const recorded = JSON.parse(readFileSync('examples/answers.json', 'utf8')) as Readonly<Record<string, unknown>>;
const now = shortAnswers('examples/cases');

describe('the answers to the examples', () => {
  it('are all there', () => { expect(Object.keys(recorded).sort()).toEqual(Object.keys(now).sort()); });
  it.each(Object.keys(now))('%s is answered as it was', (name) => { expect(now[name]).toEqual(recorded[name]); });
});
