const SEPARATORS = [',', ';', '\t'] as const;

/**
 * The separator of a file: the one that stands most often in its line of headers, outside of quotes. In the
 * rows the others are ordinary characters.
 */
export function separatorOf(start: string): ',' | ';' | '\t' {
  const counts = new Map<string, number>();
  let quoted = false;
  for (const character of start) {
    if (character === '"') quoted = !quoted;
    else if (!quoted && (character === '\n' || character === '\r')) break;
    else if (!quoted) counts.set(character, (counts.get(character) ?? 0) + 1);
  }
  return SEPARATORS.reduce((most, one) => ((counts.get(one) ?? 0) > (counts.get(most) ?? 0) ? one : most));
}
