/** What a pilot reported on coming back: that there was nothing, something in words, or nobody noted it. */
export type PilotReport =
  | { readonly kind: 'nothing-to-report' }
  | { readonly kind: 'words'; readonly words: string }
  | { readonly kind: 'not-said' };

/** As lists and the trip sheet write it. */
const WRITTEN = { 'nothing-to-report': 'Nothing to report', 'not-said': 'not said' } as const;

/** A report as it is written in a list or on the trip sheet. */
export const reportText = (report: PilotReport): string =>
  report.kind === 'words' ? report.words : WRITTEN[report.kind];

/** Reads what `reportText` writes; nothing at all is not said. */
export function reportOf(text: string | null): PilotReport {
  const words = text?.trim() ?? '';
  if (words === '' || words === WRITTEN['not-said']) return { kind: 'not-said' };
  return words === WRITTEN['nothing-to-report'] ? { kind: 'nothing-to-report' } : { kind: 'words', words };
}
