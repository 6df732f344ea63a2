import { DIMENSION_NAMES, DIMENSIONS, type FullBox } from '../../core/envelope/dimensions';

/** Every use there is. */
export const EVERYTHING: FullBox = DIMENSIONS;

/** A box as the core takes it: `all`, or a dimension left out, means each of its values. */
export function boxOf(given: Readonly<Record<string, readonly string[] | 'all' | undefined>>): FullBox {
  return Object.fromEntries(
    DIMENSION_NAMES.map((name) => [
      name,
      given[name] === undefined || given[name] === 'all' ? DIMENSIONS[name] : given[name],
    ]),
  ) as unknown as FullBox;
}
