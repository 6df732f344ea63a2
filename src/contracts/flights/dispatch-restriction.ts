import { z } from 'zod';
import { CLOSED_USES } from '../../core/records/findings/discrepancy';
import { dateSchema, idSchema, textSchema } from '../kernel/scalars';

/** Somebody on duty closes an aircraft, or some uses of it, beyond what the records ask. */
export const restrictSchema = z.strictObject({
  restrictionId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  why: textSchema(400),
  /** What it closes; none named is every use. */
  closes: z.array(z.enum(CLOSED_USES)).max(CLOSED_USES.length),
  /** Its last day at the field; null holds until somebody withdraws it. */
  until: dateSchema.nullable(),
});
export type Restrict = z.output<typeof restrictSchema>;

/** It is taken back, with why. */
export const withdrawRestrictionSchema = z.strictObject({
  withdrawalId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  restrictionId: idSchema('expected a restriction'),
  why: textSchema(400),
});
export type WithdrawRestriction = z.output<typeof withdrawRestrictionSchema>;
