import type { ImportList, ImportSummary, Mapping } from '@/contracts/exchange/csv-lists';
import { NoSignal } from '../data/fetching';

/** What is asked of the server about a file. */
export interface Question {
  readonly list: ImportList;
  readonly file: File;
  readonly mapping: Mapping;
  readonly commit: boolean;
}

type Line =
  | { readonly read: number }
  | { readonly done: ImportSummary }
  | { readonly error: { readonly message: string } };

/** Sends a file and hears how far it is, line by line. Throws with what is wrong; leaving by `signal` stops it, and nothing is written. */
export async function sendFile(
  { list, file, mapping, commit }: Question,
  signal: AbortSignal,
  progress: (rows: number) => void,
): Promise<ImportSummary> {
  const search = new URLSearchParams({
    list,
    format: file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv',
    commit: commit ? 'yes' : 'no',
    name: file.name,
    mapping: JSON.stringify(mapping),
  });
  let response: Response;
  try {
    response = await fetch(`/api/import?${search.toString()}`, {
      method: 'POST',
      body: file,
      credentials: 'same-origin',
      signal,
    });
  } catch (error) {
    if (signal.aborted) throw new Error('Cancelled. Nothing was written.');
    throw error instanceof TypeError ? new NoSignal() : error;
  }
  if (!response.ok || response.body === null) {
    const given = (await response.json().catch(() => null)) as {
      readonly error?: { readonly message?: string };
    } | null;
    throw new Error(given?.error?.message ?? 'Groval could not read that file just now. Try again.');
  }
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read().catch(() => {
      throw new Error(
        signal.aborted
          ? 'Cancelled. Nothing was written.'
          : 'The connection ended before the answer came. Look at the list before you send the file again; the same file twice changes nothing.',
      );
    });
    rest += value ?? '';
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    for (const text of lines) {
      const line = JSON.parse(text) as Line;
      if ('read' in line) progress(line.read);
      else if ('done' in line) return line.done;
      else throw new Error(line.error.message);
    }
    if (done)
      throw new Error(
        'The answer was cut off. Look at the list before you send the file again; the same file twice changes nothing.',
      );
  }
}
