/** NUL, which no text of the database may hold, and halves of a surrogate pair that stand alone, which are no character. */
const NO_TEXT = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;

/** Whether a text can be kept. */
export const isText = (text: string): boolean => !NO_TEXT.test(text);

/** Deeper than any form of ours. */
const MAX_DEPTH = 40;

/** Where something cannot be kept that JSON lets through: a character that is none, or more depth than any form has; null where all is well. */
export function unkeepable(value: unknown, path: readonly string[] = []): string | null {
  if (path.length > MAX_DEPTH) return path.slice(0, 3).join('.');
  if (typeof value === 'string') return isText(value) ? null : path.join('.');
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    if (!isText(key)) return [...path, '…'].join('.');
    const found = unkeepable(inner, [...path, key]);
    if (found !== null) return found;
  }
  return null;
}
