import { z } from 'zod';
import { instantSchema } from '../kernel/scalars';

/** How far the Line can be moved, in days: back as far as a club's records usually reach on a desk, ahead as far as anybody plans. */
export const DAYS_BACK = 3 * 366;
export const DAYS_AHEAD = 60;
/** The most rows of one answer: what a tall screen shows, with some above and below. */
export const MOST_ROWS = 60;

const whole = (least: number, most: number) =>
  z
    .string()
    .regex(/^\d{1,5}$/)
    .transform(Number)
    .refine((value) => value >= least && value <= most);

/** The moment that the Line is moved to, and which of its rows are asked for. */
export const lineMomentSchema = z.strictObject({
  at: instantSchema,
  /** The first row, counted from 0 in the order of registrations. */
  from: whole(0, 99_999).default(0),
  most: whole(1, MOST_ROWS).default(MOST_ROWS),
});
