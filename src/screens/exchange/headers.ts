import Papa from 'papaparse';
import { guessMapping, type ImportList, type Mapping } from '@/contracts/exchange/csv-lists';
import { separatorOf } from '@/contracts/exchange/separator';

/** The line of headers is looked for in so much of a file. */
const START = 200_000;

/**
 * The headers of a file: the first line of CSV, separated as the server separates it, or the names in the
 * first object of JSON. None where there are none.
 */
export async function headersOf(file: File): Promise<readonly string[]> {
  const start = (await file.slice(0, START).text()).replace(/^\uFEFF/, '');
  if (file.name.toLowerCase().endsWith('.json')) {
    const first = /\{[^{}]*\}/.exec(start)?.[0];
    try {
      return first === undefined ? [] : Object.keys(JSON.parse(first) as object);
    } catch {
      return [];
    }
  }
  const {
    data: [line = []],
  } = Papa.parse<string[]>(start, { delimiter: separatorOf(start), preview: 1 });
  return line.map((header) => header.trim()).filter((header) => header !== '');
}

/** Where the mapping of a list and its headers is remembered in this browser. */
const memory = (list: ImportList, headers: readonly string[]) =>
  `groval-mapping/${list}/${headers.join('|')}`;

/** Which header was which column the last time; what is guessed where nothing sound is remembered. */
export function rememberedMapping(list: ImportList, headers: readonly string[]): Mapping {
  const guessed = guessMapping(list, headers);
  const known = localStorage.getItem(memory(list, headers));
  if (known === null) return guessed;
  try {
    const read: unknown = JSON.parse(known);
    if (typeof read !== 'object' || read === null) return guessed;
    // What names a header that the file has, or none, is sound.
    const sound = Object.entries(read).filter(
      ([, header]) => header === null || (typeof header === 'string' && headers.includes(header)),
    );
    return { ...guessed, ...(Object.fromEntries(sound) as Mapping) };
  } catch {
    return guessed;
  }
}

/** Remembers which header is which column. */
export function rememberMapping(list: ImportList, headers: readonly string[], mapping: Mapping): void {
  localStorage.setItem(memory(list, headers), JSON.stringify(mapping));
}
