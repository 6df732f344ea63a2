import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { shortAnswer } from './short-answers';

const FOLDER = 'examples/cases';
const recorded = JSON.parse(readFileSync('examples/answers.json', 'utf8')) as Readonly<
  Record<string, unknown>
>;
const names = readdirSync(FOLDER).filter((name) => name.endsWith('.json'));

describe('the answers to the examples', () => {
  it('are all there', () => {
    expect(Object.keys(recorded).sort()).toEqual([...names].sort());
  });
  // Each is calculated in its own test, so that a mutation run knows which of them looks at what.
  it.each(names)('%s is answered as it was', (name) => {
    expect(shortAnswer(JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as Json, FOLDER)).toEqual(
      recorded[name],
    );
  });
});
