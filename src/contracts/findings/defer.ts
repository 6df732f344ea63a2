import { z } from 'zod';
import { REPAIR_CATEGORIES } from '../../core/records/findings/discrepancy';
import { dateSchema, hoursSchema, idSchema, revisionSchema, textSchema } from '../kernel/scalars';

const CATEGORIES = Object.keys(REPAIR_CATEGORIES) as (keyof typeof REPAIR_CATEGORIES)[];

/** That an inoperative item is lawfully left open: what was done to it, by whom, until when. */
export const deferSchema = z.strictObject({
  deferralId: idSchema(),
  discrepancyId: idSchema('expected a finding'),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  deferredOn: dateSchema,
  action: z.enum(['removed', 'deactivated'], 'say whether it was removed or deactivated'),
  /** Nothing is deferred before its placard is up. */
  placarded: z.literal(true, 'put the placard up first'),
  entered: z.enum(['entered', 'not-maintenance'], 'say whether it is entered in the maintenance record'),
  /** What was done, and how it was looked at, as the record needs it. */
  description: textSchema(1000),
  until: dateSchema.nullable(),
  untilTimeInService: hoursSchema.nullable(),
  listed: z
    .strictObject({
      /** Null where the list gives the item none. */
      category: z.enum(CATEGORIES, 'choose its repair category').nullable(),
      days: z.int().min(1).max(3650).nullable(),
      /** Its number, where the list is on record. */
      item: textSchema(40).optional(),
    })
    .nullable(),
  certificateId: idSchema('choose the certificate that you sign by'),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
});
export type Defer = z.output<typeof deferSchema>;
export type DeferInput = z.input<typeof deferSchema>;
