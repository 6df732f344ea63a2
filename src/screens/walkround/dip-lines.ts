import type { DipStick } from '@/core/records/walkround/ramp-data';
import { VOLUME_UNITS } from '@/core/quantities/volume';

/** A stick's table as lines that people write: what it reads = what is in the tank, in US gallons. */
export const dipLines = (stick: DipStick | undefined): string =>
  (stick?.points ?? [])
    .map(({ reads, holds }) => `${reads / 1000} = ${Number((holds / VOLUME_UNITS['US gal']).toFixed(3))}`)
    .join('\n');

/** One line read back; null for one that is none. */
function dipLine(
  line: string,
): { readonly reads: number; readonly holds: { readonly amount: number; readonly unit: 'US gal' } } | null {
  const match = /^\s*(\d+(?:[.,]\d{1,3})?)\s*=\s*(\d+(?:[.,]\d{1,3})?)\s*$/u.exec(line);
  if (match === null) return null;
  const figure = (text: string | undefined) => Number((text ?? '').replace(',', '.'));
  return { reads: figure(match[1]), holds: { amount: figure(match[2]), unit: 'US gal' } };
}

/** Lines read back; the first that is none is told instead. */
export function dipTable(
  text: string,
): { readonly points: readonly NonNullable<ReturnType<typeof dipLine>>[] } | { readonly bad: string } {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  const points = lines.map(dipLine);
  const at = points.indexOf(null);
  return at === -1 ? { points: points.filter((point) => point !== null) } : { bad: lines[at] ?? '' };
}
