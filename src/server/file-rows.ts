import { Readable } from 'node:stream';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { parse } from 'csv-parse';
import { stringify } from 'csv-stringify/sync';
import { separatorOf } from '@/contracts/exchange/separator';
import { neutralCell, originalCell } from './csv-cells';

/** A row of a file, under the file's own headers, with the line that it begins on. */
export interface FileRow {
  readonly line: number;
  readonly cells: Readonly<Record<string, unknown>>;
}

/** A file that cannot be read as what it should be, with what to do. */
export class Unreadable extends Error {}

/** So many rows are handed over together: a few milliseconds of work for the person who takes them. */
const PAGE = 20;
/** A single row longer than this is no row of ours. */
const LONGEST_ROW = 100_000;
/** A JSON file is read whole; a CSV file of any size is not. */
const MOST_JSON = 64_000_000;

/** The line of headers is looked for in so much of a file. */
const MOST_HEADERS = 200_000;

/** The beginning of a stream, up to its first line end at least, and the whole stream again with that beginning. */
async function withStart(
  stream: Readable,
): Promise<{ readonly start: string; readonly whole: AsyncGenerator<Buffer> }> {
  const pieces = stream[Symbol.asyncIterator]() as AsyncIterator<Buffer>;
  const taken: Buffer[] = [];
  let length = 0;
  while (length < MOST_HEADERS && !taken.some((piece) => piece.includes(10) || piece.includes(13))) {
    const next = await pieces.next();
    if (next.done === true) break;
    const piece = Buffer.from(next.value);
    taken.push(piece);
    length += piece.length;
  }
  async function* whole(): AsyncGenerator<Buffer> {
    yield* taken;
    for (let next = await pieces.next(); next.done !== true; next = await pieces.next()) yield next.value;
  }
  return {
    start: Buffer.concat(taken)
      .toString('utf8')
      .replace(/^\uFEFF/, ''),
    whole: whole(),
  };
}

/** The rows of a CSV file as they come: RFC 4180, UTF-8 with or without a byte order mark, commas, semicolons or tabs. */
async function* csvRows(stream: Readable): AsyncGenerator<readonly FileRow[]> {
  const { start, whole } = await withStart(stream);
  const parser = parse({
    columns: (headers: string[]) => headers.map((header) => header.trim()),
    bom: true,
    info: true,
    skip_empty_lines: true,
    delimiter: separatorOf(start),
    max_record_size: LONGEST_ROW,
    relax_column_count: false,
  });
  const source = Readable.from(whole);
  source.on('error', (error) => {
    parser.destroy(error);
  });
  source.pipe(parser);
  try {
    let page: FileRow[] = [];
    for await (const { record, info } of parser as AsyncIterable<{
      record: Record<string, string>;
      info: { lines: number };
    }>) {
      page.push({
        line: info.lines,
        cells: Object.fromEntries(
          Object.entries(record).map(([header, cell]) => [header, originalCell(cell)]),
        ),
      });
      if (page.length < PAGE) continue;
      yield page;
      page = [];
    }
    if (page.length > 0) yield page;
  } catch (error) {
    if (error instanceof Error && 'code' in error && String(error.code).startsWith('CSV_'))
      throw new Unreadable(
        `The file is no CSV that can be read: ${error.message}. Save it again as CSV in UTF-8.`,
      );
    throw error;
  } finally {
    stream.destroy();
  }
}

/** The rows of a JSON file: a list of objects. */
async function* jsonRows(stream: Readable): AsyncGenerator<readonly FileRow[]> {
  const pieces: Buffer[] = [];
  let length = 0;
  for await (const piece of stream as AsyncIterable<Buffer>) {
    length += piece.length;
    if (length > MOST_JSON)
      throw new Unreadable('The JSON file is larger than 64 MB. Save it as CSV, which is read as it comes.');
    pieces.push(piece);
  }
  let given: unknown;
  try {
    given = JSON.parse(
      Buffer.concat(pieces)
        .toString('utf8')
        .replace(/^\uFEFF/, ''),
    );
  } catch (error) {
    throw new Unreadable(`The file is no JSON: ${error instanceof Error ? error.message : String(error)}.`);
  }
  if (!Array.isArray(given))
    throw new Unreadable('The JSON file must hold a list of objects, one for each row.');
  for (let from = 0; from < given.length; from += PAGE) {
    yield given.slice(from, from + PAGE).map((cells: unknown, at) => {
      if (typeof cells !== 'object' || cells === null || Array.isArray(cells))
        throw new Unreadable(`Row ${from + at + 1} of the JSON file is no object.`);
      return { line: from + at + 1, cells: cells as Record<string, unknown> };
    });
  }
}

/** The rows of an uploaded file, some at a time as they come. */
export function fileRows(body: WebStream, format: 'csv' | 'json'): AsyncGenerator<readonly FileRow[]> {
  const stream = Readable.fromWeb(body);
  return format === 'csv' ? csvRows(stream) : jsonRows(stream);
}

/** Rows as CSV (RFC 4180), with nothing that a spreadsheet would take for a formula: a line for the headers, then one a row, each ended by CR LF. */
export function csvText(
  columns: readonly string[],
  rows: readonly Readonly<Record<string, unknown>>[],
  withHeader: boolean,
): string {
  return stringify(
    rows.map((row) => columns.map((name) => plain(row[name]))),
    { header: withHeader, columns: [...columns], record_delimiter: '\r\n' },
  );
}

function plain(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'string'
    ? neutralCell(value)
    : typeof value === 'number'
      ? String(value)
      : JSON.stringify(value);
}
