import { z } from 'zod';
import { idSchema, revisionSchema, textSchema } from '../kernel/scalars';

/** Entries that can be struck out. Findings are closed by repairs, and flights by their return. */
export const STRUCK_KINDS = [
  'reading',
  'document-check',
  'inspection',
  'done',
  'compliance',
  'list-cleared',
  'known-mark',
  'item',
  'ad',
  'box',
] as const;
export type StruckKind = (typeof STRUCK_KINDS)[number];

const base = {
  strikeId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  why: textSchema(500),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
};

/** Striking an entry: it stays readable. */
export const strikeSchema = z.strictObject({
  ...base,
  kind: z.enum(STRUCK_KINDS),
  recordId: idSchema('choose the entry'),
});
export type StrikeEntry = z.output<typeof strikeSchema>;

/** A reading that was written down wrongly, with what the meter really showed. */
export const correctReadingSchema = z.strictObject({
  ...base,
  readingId: idSchema('choose the reading'),
  shown: z.string().trim().max(12),
  /** That it is meant though it contradicts another reading: that one is wrong too, and is corrected next. */
  evenSo: z.boolean('say whether it is meant even so'),
});
export type ReadingCorrection = z.output<typeof correctReadingSchema>;
