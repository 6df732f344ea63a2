declare const brand: unique symbol;

/**
 * A value that was checked: only the constructors that do the checking make one.
 * `Brand<number, 'Instant'>` is a number everywhere, but a bare number is not an `Instant`.
 */
export type Brand<Value, Name extends string> = Value & { readonly [brand]: Name };
