import { z } from 'zod';
import { dateSchema, hoursSchema, idSchema, revisionSchema, textSchema } from '../kernel/scalars';

const base = {
  triageId: idSchema(),
  discrepancyId: idSchema('expected a finding'),
  aircraftId: idSchema('expected an aircraft'),
};

/** What somebody who looked at a finding decides about it. Only watching it can make anything available, and only that is signed. */
export const triageSchema = z.discriminatedUnion('decision', [
  z.strictObject({ ...base, decision: z.literal('stays'), note: z.string().trim().max(1000) }),
  z.strictObject({ ...base, decision: z.literal('grounds'), note: z.string().trim().max(1000) }),
  z
    .strictObject({
      ...base,
      decision: z.literal('watch'),
      seenRevision: revisionSchema,
      /** How large it is now, and what would end the watching. */
      note: textSchema(1000),
      recheckBy: dateSchema.nullable(),
      recheckAt: hoursSchema.nullable(),
      correctBy: dateSchema.nullable(),
      certificateId: idSchema('choose the certificate that you sign by'),
      password: z.string().min(1, 'enter your password: it is your signature').max(200),
    })
    .refine(({ recheckBy, recheckAt }) => recheckBy !== null || recheckAt !== null, {
      path: ['recheckBy'],
      message: 'say by which day or reading it is looked at again',
    }),
  z.strictObject({
    ...base,
    decision: z.literal('same-as'),
    seenRevision: revisionSchema,
    sameAs: idSchema('choose the finding that it is the same as'),
    note: z.string().trim().max(1000),
  }),
]);
export type TriageEntry = z.output<typeof triageSchema>;
