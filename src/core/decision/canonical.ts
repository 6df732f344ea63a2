/** A value that JSON can hold. */
export type Plain = null | boolean | number | string | readonly Plain[] | { readonly [key: string]: Plain | undefined };

/**
 * JSON with the keys in order and no white space: equal values give equal texts, byte for byte, so that they can be hashed.
 * As RFC 8785 writes it (keys by UTF-16 code units, numbers in their shortest form); members that are undefined are left out.
 * @throws RangeError for a number that JSON cannot hold
 */
export function canonicalJson(value: Plain): string {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new RangeError(`${value} cannot be written as JSON`);
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  if (isList(value)) return `[${value.map(canonicalJson).join(',')}]`;
  const members = Object.entries(value).filter((member): member is [string, Plain] => member[1] !== undefined).sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${members.map(([key, member]) => `${JSON.stringify(key)}:${canonicalJson(member)}`).join(',')}}`;
}

function isList(value: object): value is readonly Plain[] {
  return Array.isArray(value);
}
