/** A value that JSON can hold. */
export type Plain =
  null | boolean | number | string | readonly Plain[] | { readonly [key: string]: Plain | undefined };

/**
 * JSON with the keys in order and no white space: equal values give equal texts, byte for byte, so that they can be hashed.
 * As RFC 8785 writes it (keys by UTF-16 code units, numbers in their shortest form); members that are undefined are left out.
 * @throws RangeError for a number that JSON cannot hold
 */
export function canonicalJson(value: Plain): string {
  if (typeof value === 'number' && !Number.isFinite(value))
    throw new RangeError(`${value} cannot be written as JSON`);
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  if (isList(value)) return `[${value.map(canonicalJson).join(',')}]`;
  let members = '';
  for (const key of Object.keys(value).sort()) {
    const member = value[key];
    if (member !== undefined)
      members += `${members === '' ? '' : ','}${JSON.stringify(key)}:${canonicalJson(member)}`;
  }
  return `{${members}}`;
}

function isList(value: object): value is readonly Plain[] {
  return Array.isArray(value);
}
