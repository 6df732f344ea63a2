/**
 * Remembers the answers of a pure function, for calendar and sun arithmetic that is asked the same thing thousands of times.
 * @param most answers kept; after that it starts again, so that memory stays bounded
 */
export function remembered<Key extends string | number, Value>(
  compute: (key: Key) => Value,
  most: number,
): (key: Key) => Value {
  const known = new Map<Key, Value>();
  return (key) => {
    const found = known.get(key);
    if (found !== undefined || known.has(key)) return found as Value;
    if (known.size >= most) known.clear();
    const value = compute(key);
    known.set(key, value);
    return value;
  };
}
