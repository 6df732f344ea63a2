import { separatorOf } from '@/contracts/exchange/separator';
import { Readable } from 'node:stream';
import type { ReadableStream as WebStream } from 'node:stream/web';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { originalCell } from './csv-cells';
import { csvText, fileRows, Unreadable } from './file-rows';

const web = (text: string | Buffer): WebStream =>
  Readable.toWeb(Readable.from([Buffer.from(text)])) as WebStream;
async function read(
  text: string | Buffer,
  format: 'csv' | 'json' = 'csv',
): Promise<readonly Readonly<Record<string, unknown>>[]> {
  const rows: Readonly<Record<string, unknown>>[] = [];
  for await (const page of fileRows(web(text), format)) rows.push(...page.map(({ cells }) => cells));
  return rows;
}

const COLUMNS = ['registration', 'what', 'number'] as const;
// Whatever people write: quotes, separators, line ends of every kind, leading zeros, letters of any script, a formula.
const cell = fc.oneof(
  fc.string({ unit: 'grapheme', maxLength: 20 }),
  fc.constantFrom(
    ';',
    '\t',
    ',',
    '007',
    '0042.50',
    'a,b;c\td',
    'say "no"',
    '"',
    '""',
    'two\nlines',
    'two\r\nlines',
    '\r',
    ' kept ',
    '=1+1',
    'Flügel – 翼 🛩',
    '\uFEFFmark',
    '-',
    '#',
  ),
);
const row = fc.record({ registration: fc.constantFrom('N02TB', 'VH-TB0X1'), what: cell, number: cell });

describe('CSV', () => {
  it('what is written is read again exactly, here and by another library', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(row, { minLength: 1, maxLength: 12 }), async (rows) => {
        const text = csvText(COLUMNS, rows, true);
        expect(await read(text)).toEqual(rows);
        // Source of the format: RFC 4180. A second library reads the same; left to guess the line end, it takes one inside a cell for it.
        const { data, errors } = Papa.parse<Record<string, string>>(text, {
          header: true,
          skipEmptyLines: true,
          newline: '\r\n',
        });
        expect([
          errors,
          data.map((cells) =>
            Object.fromEntries(Object.entries(cells).map(([name, cell]) => [name, originalCell(cell)])),
          ),
        ]).toEqual([[], rows]);
      }),
      { numRuns: 500 },
    );
  });
  it('what another library writes is read here', async () => {
    // What looks like a cell that we marked is one: of another program's files those are left out here.
    const unmarked = row.filter((cells) => Object.values(cells).every((cell) => originalCell(cell) === cell));
    await fc.assert(
      fc.asyncProperty(fc.array(unmarked, { minLength: 1, maxLength: 12 }), async (rows) => {
        expect(await read(Papa.unparse(rows, { columns: [...COLUMNS] }))).toEqual(rows);
      }),
      { numRuns: 500 },
    );
  });
  it('a file cut into pieces anywhere, also inside of a letter, is the same file', async () => {
    const bytes = Buffer.from(
      csvText(COLUMNS, [{ registration: 'N02TB', what: 'Flügel „links“ 🛩', number: '007' }], true),
    );
    for (let at = 1; at < bytes.length; at += 1) {
      const rows = [];
      for await (const page of fileRows(
        Readable.toWeb(Readable.from([bytes.subarray(0, at), bytes.subarray(at)])) as WebStream,
        'csv',
      ))
        rows.push(...page.map(({ cells }) => cells));
      expect(rows).toEqual([{ registration: 'N02TB', what: 'Flügel „links“ 🛩', number: '007' }]);
    }
  });
  it.each([
    ['semicolons', 'a;b\n1;2\n'],
    ['tabs', 'a\tb\n1\t2\n'],
    ['a byte order mark', '\uFEFFa,b\r\n1,2\r\n'],
    ['old line ends', 'a,b\r1,2\r'],
    ['no last line end', 'a,b\n1,2'],
    ['empty lines', 'a,b\n\n1,2\n\n'],
    ['headers with spaces around', ' a , b\n1,2\n'],
  ])('reads %s', async (_, text) => {
    expect(await read(text)).toEqual([{ a: '1', b: '2' }]);
  });
  it.each([
    ['a,b;c,d\n1;2', ','],
    ['a;b,c;d\r\n', ';'],
    ['a\tb', '\t'],
    ['"a;b;c",d', ','],
    ['"one\nheader;";x', ';'],
    ['alone', ','],
    ['', ','],
  ])('finds the separator of %j', (start, separator) => {
    expect(separatorOf(start)).toBe(separator);
  });
  it('the other separators are ordinary characters in the rows', async () => {
    expect(await read('a,b\n1;2,x\ty\n')).toEqual([{ a: '1;2', b: 'x\ty' }]);
  });
  it('says on which line a row begins', async () => {
    const lines = [];
    for await (const page of fileRows(web('a,b\n1,2\n"x\ny",3\n4,5\n'), 'csv'))
      lines.push(...page.map(({ line }) => line));
    expect(lines).toEqual([2, 4, 5]);
  });
  it.each(['csv', 'json'] as const)(
    'of a long file (%s) every row comes, in order and never many together',
    async (format) => {
      const rows = Array.from({ length: 1234 }, (_, n) => ({ a: String(n), b: 'x' }));
      const pages = [];
      for await (const page of fileRows(
        web(format === 'csv' ? csvText(['a', 'b'], rows, true) : JSON.stringify(rows)),
        format,
      ))
        pages.push(page);
      expect(pages.flat().map(({ cells }) => cells)).toEqual(rows);
      expect(pages.flat().map(({ line }) => line)).toEqual(
        rows.map((_, n) => n + (format === 'csv' ? 2 : 1)),
      );
      expect(Math.max(...pages.map(({ length }) => length))).toBeLessThanOrEqual(50);
    },
  );
  it.each([
    ['a quote that does not end', 'a,b\n"1,2\n'],
    ['a row with a cell too many', 'a,b\n1,2,3\n'],
    ['a row with a cell too few', 'a,b\n1\n'],
    ['a row without end', `a,b\n"${'x'.repeat(200_000)}`],
  ])('refuses %s', async (_, text) => {
    await expect(read(text)).rejects.toThrow(Unreadable);
  });
  it('writes yes and no, and nothing for what is not known', () => {
    expect(csvText(['a', 'b', 'c', 'd'], [{ a: true, b: false, c: null, d: 12 }], false)).toBe(
      'yes,no,,12\r\n',
    );
  });
});

describe('JSON', () => {
  it('a list of objects', async () => {
    expect(await read('\uFEFF[{"a":"007"},{"a":1}]', 'json')).toEqual([{ a: '007' }, { a: 1 }]);
  });
  it.each([
    ['no JSON', '{'],
    ['no list', '{}'],
    ['a row that is no object', '[1]'],
    ['a row that is a list', '[[1]]'],
  ])('refuses %s', async (_, text) => {
    await expect(read(text, 'json')).rejects.toThrow(Unreadable);
  });
});
