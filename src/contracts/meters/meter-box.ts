import { z } from 'zod';
import { idSchema, instantSchema, revisionSchema, textSchema } from '../kernel/scalars';

/** Longest running total of a box: 100,000 hours. */
const MOST_SECONDS = 360_000_000;

/** What a box sends: its readings under its own numbers, in any order, again and again until they are taken. */
export const boxReadingsSchema = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        sequence: z
          .int('expected the box’s own number of the reading')
          .min(1)
          .max(2_000_000_000)
          .describe('the box’s own number of this reading; it only grows'),
        at: instantSchema.describe('when it was taken, by the box’s clock'),
        totalSeconds: z
          .int('expected whole seconds')
          .min(0)
          .max(MOST_SECONDS)
          .describe('its running total of time in the air, whole seconds; it only grows'),
      }),
    )
    .min(1)
    .max(500),
});
export type BoxReadings = z.output<typeof boxReadingsSchema>;

/** Fitting a box. */
export const fitBoxSchema = z.strictObject({
  boxId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  name: textSchema(60),
  shows: z.string().trim().max(12),
});
export type FitBox = z.output<typeof fitBoxSchema>;

/** Taking it out. */
export const removeBoxSchema = z.strictObject({
  boxId: idSchema('choose the box'),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  why: textSchema(300),
});
export type RemoveBox = z.output<typeof removeBoxSchema>;
