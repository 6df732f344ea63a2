/** Any JSON value. */
export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

const isObject = (value: Json | undefined): value is { readonly [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * JSON Merge Patch, RFC 7396: objects are merged, null removes, anything else replaces.
 * Patching nothing with a value gives that value without its nulls.
 */
export function mergePatch(target: Json | undefined, patch: Json): Json {
  if (!isObject(patch)) return patch;
  const merged = new Map<string, Json>(isObject(target) ? Object.entries(target) : []);
  for (const [key, value] of Object.entries(patch)) {
    if (value === null) merged.delete(key);
    else merged.set(key, mergePatch(merged.get(key), value));
  }
  return Object.fromEntries(merged);
}
