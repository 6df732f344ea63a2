import { z } from 'zod';
import { dateSchema, idSchema, revisionSchema, textSchema } from '../kernel/scalars';

/** So many cups and fuellings are dealt with at once. */
const MOST = 100;

/** That suspect fuel was dealt with, by the cups and fuellings that showed it. */
export const clearFuelSchema = z.strictObject({
  clearanceId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  records: z.array(idSchema()).min(1, 'say which cups or fuellings').max(MOST),
  on: dateSchema,
  description: textSchema(4000),
  certificateId: idSchema('choose the certificate that you sign by'),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
});
export type FuelClearance = z.output<typeof clearFuelSchema>;
