import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { silentLosses } from './exact-json';

describe('what a JSON reader would pass over', () => {
  it.each([
    ['{"a":1,"a":2}', ['a']],
    ['{"a":{"b":1,"b":1}}', ['a.b']],
    ['[{"a":1},{"a":1}]', []],
    ['{"a":[{"b":1,"b":2}]}', ['a.0.b']],
    ['{"a":"\\"a\\":1,","b":2}', []],
    ['{"a":1,"\\u0061":2}', ['a']],
    ['{"a":{},"b":{},"a":[]}', ['a']],
    ['{"x":{"a":1},"a":2}', []],
    ['[1,2,{"a":{"a":1}}]', []],
  ] as const)('names in %s', (text, paths) => {
    expect(silentLosses(text).map(({ path }) => path)).toEqual(paths);
  });
  it.each([
    ['4150.3', true],
    ['4150.30', true],
    ['0', true],
    ['-0', true],
    ['0.0', true],
    ['1e2', true],
    ['1E+2', true],
    ['100', true],
    ['0.1', true],
    ['44.5312345678', true],
    ['9007199254740991', true],
    ['4150.30000000000000001', false],
    ['9007199254740993', false],
    ['0.1000000000000000055511151231257827', false],
    ['1e400', false],
  ] as const)('the number %s is kept: %s', (text, kept) => {
    expect(silentLosses(`{"a":[${text}]}`)).toHaveLength(kept ? 0 : 1);
  });
  it('finds nothing in what was written by a writer of JSON', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(silentLosses(JSON.stringify(value))).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });
});
