import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { neutralCell, originalCell } from './csv-cells';
import { csvText } from './file-rows';

describe('a cell that a spreadsheet would take for a formula', () => {
  it.each([
    ['=1+1', "'=1+1"],
    ['+1', "'+1"],
    ['-1', "'-1"],
    ['@sum', "'@sum"],
    ['\tx', "'\tx"],
    ['\rx', "'\rx"],
    ['\nx', "'\nx"],
    ['\uFF1Dcmd', "'\uFF1Dcmd"],
    // What looks marked already is marked once more, so that it comes back as it was.
    ["'=x", "''=x"],
    ["''x", "'''x"],
    // These are no formulas.
    ["'hello", "'hello"],
    ["'", "'"],
    ['', ''],
    ['a=b', 'a=b'],
    ['12.5', '12.5'],
  ])('%j is written as %j', (text, cell) => {
    expect([neutralCell(text), originalCell(cell)]).toEqual([cell, text]);
  });
  it('comes back exactly, whatever it is, and never begins as a formula', () => {
    const text = fc.oneof(
      fc.string(),
      fc.string({ unit: fc.constantFrom("'", '=', '-', '+', '@', '\t', '\r', 'a', '"', ',') }),
    );
    fc.assert(
      fc.property(
        text,
        (given) => originalCell(neutralCell(given)) === given && !/^[=+\-@\t\r]/.test(neutralCell(given)),
      ),
      { numRuns: 2000 },
    );
  });
  it('stands so in every list that is written', () => {
    const file = csvText(['a', 'b', 'c'], [{ a: '=HYPERLINK("x")', b: -3.5, c: null }], true);
    expect(Papa.parse<string[]>(file.trim()).data).toEqual([
      ['a', 'b', 'c'],
      ['\'=HYPERLINK("x")', '-3.5', ''],
    ]);
  });
});
