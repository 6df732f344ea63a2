import type { ImportSummary } from '@/contracts/exchange/csv-lists';

const quoted = (text: string): string =>
  /[",;\r\n\t]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;

/** The rejected rows as a CSV file with the reason first, so that they can be corrected and imported again. */
export function rejectedFile(
  { rejections }: Pick<ImportSummary, 'rejections'>,
  columns: readonly string[],
): string {
  return [
    ['line', 'why', ...columns],
    ...rejections.map(({ line, why, cells }) => [
      String(line),
      why,
      ...columns.map((name) => cells[name] ?? ''),
    ]),
  ]
    .map((cells) => cells.map(quoted).join(','))
    .join('\r\n')
    .concat('\r\n');
}
