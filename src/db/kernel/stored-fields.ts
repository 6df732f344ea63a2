/** The kind of what a field holds. */
type Word<V> = V extends string
  ? 'text'
  : V extends number
    ? 'figure'
    : V extends boolean
      ? 'yes-no'
      : V extends readonly unknown[]
        ? 'list'
        : 'group';
type Either<W> = 'text' | 'figure' extends W
  ? 'text or figure'
  : 'text' | 'group' extends W
    ? 'text or group'
    : W;
/** The same with `?` where it may be unknown, and `~` where it may be absent. */
type Sort<V> =
  `${Either<Word<Exclude<V, null | undefined>>> & string}${null extends V ? '?' : ''}${undefined extends V ? '~' : ''}`;

/** Which fields a stored object has, each with the sort of what it holds. The compiler holds such a table against the type itself. */
export type Fields<B> = { readonly [F in keyof B]-?: Sort<B[F]> };

const isText = (value: unknown): boolean => typeof value === 'string';
const isFigure = (value: unknown): boolean => typeof value === 'number' && Number.isFinite(value);
const isGroup = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const IS: Readonly<Record<string, (value: unknown) => boolean>> = {
  text: isText,
  figure: isFigure,
  'text or figure': (value) => isText(value) || isFigure(value),
  'text or group': (value) => isText(value) || isGroup(value),
  'yes-no': (value) => typeof value === 'boolean',
  list: Array.isArray,
  group: isGroup,
};

/**
 * Makes a reader of JSON that a column holds. A field that a row lacks is not taken for null: of some fields null is no limit, and would open. What groups and lists
 * hold is not looked at: a checked command wrote it.
 * @param unsaid what holds where the row has nothing at all, and what a field says that it lacks
 * @returns what throws an Error where something lacks that must be there, or is something else: nothing may be decided from it
 */
export function reader<B extends object>(
  fields: Fields<B>,
  unsaid: B | null = null,
): (held: unknown, what: string) => B {
  const all = Object.entries<string>(fields).map(([name, sort]) => ({
    name,
    is: IS[sort.replace(/[?~]+$/, '')] ?? (() => false),
    mayBeUnknown: sort.includes('?'),
    mayBeAbsent: sort.includes('~'),
  }));
  return (held, what) => {
    const damaged = (field: string): never => {
      throw new Error(`the stored ${what} cannot be read: ${field}`);
    };
    if (!isGroup(held) && (held !== null || unsaid === null)) damaged('it holds no fields');
    const whole: Record<string, unknown> = { ...unsaid, ...(held as object | null) };
    for (const { name, is, mayBeUnknown, mayBeAbsent } of all) {
      const value = whole[name];
      if (value === undefined && mayBeAbsent) continue;
      if (value === null ? !mayBeUnknown : !is(value)) damaged(name);
    }
    // Every field of it was looked at just now.
    return whole as B;
  };
}
