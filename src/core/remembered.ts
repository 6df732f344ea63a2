/**
 * Remembers the answers of a pure function that is asked the same thing thousands of times: calendar and sun arithmetic, sets of uses.
 * @param most answers kept; after that it starts again, so that memory stays bounded
 * @param keyOf a key that is the same for the same question only
 */
export function rememberedBy<Asked, Value>(
  keyOf: (asked: Asked) => string | number,
  compute: (asked: Asked) => Value,
  most: number,
): (asked: Asked) => Value {
  const known = new Map<string | number, Value>();
  return (asked) => {
    const key = keyOf(asked);
    const found = known.get(key);
    if (found !== undefined || known.has(key)) return found as Value;
    if (known.size >= most) known.clear();
    const value = compute(asked);
    known.set(key, value);
    return value;
  };
}

/** The same for a function of one word or number. */
export const remembered = <Key extends string | number, Value>(
  compute: (key: Key) => Value,
  most: number,
): ((key: Key) => Value) => rememberedBy((key: Key) => key, compute, most);
