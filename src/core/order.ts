/**
 * Order of two texts by their code units, the same on every machine and in every language: negative, zero or positive.
 * ISO dates and ids are compared by it.
 */
export function compareTexts(a: string, b: string): number {
  if (a === b) return 0;
  return a < b ? -1 : 1;
}

/** By id. It settles what is otherwise equal, so that the order in which records come never shows. */
export function byId(a: { readonly id: string }, b: { readonly id: string }): number {
  return compareTexts(a.id, b.id);
}
