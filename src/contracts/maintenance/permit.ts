import { z } from 'zod';
import {
  dateSchema,
  hoursSchema,
  idSchema,
  registrationSchema,
  revisionSchema,
  textSchema,
} from '../kernel/scalars';

/** A special flight permit as it was issued, with the mechanic's statement that the aircraft is safe for the flight. */
export const enterPermitSchema = z.strictObject({
  permitId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  number: textSchema(60),
  /** As it stands on the permit. */
  registrationShown: z.string().trim().toUpperCase().pipe(registrationSchema),
  validFrom: dateSchema,
  validUntil: dateSchema,
  untilTimeInService: hoursSchema.nullable(),
  aboard: z.literal(true, 'the permit has to be on board'),
  /** Route and conditions, as they stand on it. */
  conditions: textSchema(1000),
  on: dateSchema,
  certificateId: idSchema('choose the certificate that you sign by'),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
});
export type EnterPermit = z.output<typeof enterPermitSchema>;
