/** A number that the uses are held to while the constraint is in force, instead of being closed. */
export interface Cap {
  readonly quantity: 'persons' | 'load' | 'fuel';
  readonly bound: 'at-most' | 'at-least';
  /** Persons; whole grams; whole picolitres. */
  readonly value: number;
  /** The aircraft's own figure, where it is on record: a cap below it restricts. */
  readonly own: number | null;
}
