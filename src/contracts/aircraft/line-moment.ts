import { z } from 'zod';
import { instantSchema } from '../kernel/scalars';
import { MOST_ROWS } from './line-bounds';

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
