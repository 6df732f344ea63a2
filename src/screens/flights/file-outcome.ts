import type { FlightInFile } from './flights-from-file';

/** What became of a flight of a file. */
export type Outcome = 'planned' | { readonly refused: string };

/** The same in words; what has not been sent says whether it will be. */
export function outcomeText(
  { unclear }: Pick<FlightInFile, 'unclear'>,
  outcome: Outcome | undefined,
): string {
  if (outcome === 'planned') return 'Planned.';
  if (outcome !== undefined) return outcome.refused === '' ? 'Refused.' : `Refused: ${outcome.refused}`;
  return unclear.length === 0 ? 'Clear: it will be planned.' : unclear.join(' ');
}

/**
 * An id made from what a flight is known by in its file: the same flight of the same file has the same id, however often it is brought
 * in. A UUID of version 8 (RFC 9562, 5.8) from a SHA-256.
 */
export async function idOfKey(key: string): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(key))).slice(
    0,
    16,
  );
  digest[6] = ((digest[6] ?? 0) & 0x0f) | 0x80;
  digest[8] = ((digest[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}
