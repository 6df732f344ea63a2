/** What would happen to the rows of a file, or did. */
export interface ImportSummary {
  readonly rows: number;
  readonly added: number;
  readonly there: number;
  readonly rejected: number;
  readonly byAircraft: readonly { readonly registration: string; readonly added: number }[];
  readonly sample: readonly { readonly line: number; readonly outcome: 'new' | 'there' | 'rejected'; readonly words: string }[];
  readonly rejections: readonly { readonly line: number; readonly why: string; readonly cells: Readonly<Record<string, string>> }[];
  readonly committed: boolean;
}

const quoted = (text: string): string => (/[",;\r\n\t]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);

/** The rejected rows as a CSV file with the reason first, so that they can be put right and brought in again. */
export function rejectedFile({ rejections }: Pick<ImportSummary, 'rejections'>, columns: readonly string[]): string {
  return [['line', 'why', ...columns], ...rejections.map(({ line, why, cells }) => [String(line), why, ...columns.map((name) => cells[name] ?? '')])].map((cells) => cells.map(quoted).join(',')).join('\r\n').concat('\r\n');
}
