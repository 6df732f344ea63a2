import { RECTIFYING } from '@/core/records/findings/discrepancy';
import { z } from 'zod';
import { workEffectsSchema } from '../maintenance/work';
import { dateSchema, idSchema, revisionSchema, textSchema } from '../kernel/scalars';

/** What a mechanic enters to close a discrepancy: the elements of 14 CFR 43.9(a) (from memory), and the password again as the signature. */
export const returnToServiceSchema = z
  .strictObject({
    rectificationId: idSchema(),
    discrepancyId: idSchema('expected a discrepancy'),
    /** The aircraft's revision that the signer saw. */
    seenRevision: revisionSchema,
    work: z.enum(RECTIFYING, 'say what was done'),
    description: textSchema(4000),
    completedOn: dateSchema,
    /** What a repair may have changed; null for what repairs nothing. What it may have changed stands as work of its own, under this id. */
    effects: workEffectsSchema.nullable(),
    workId: idSchema(),
    certificateId: idSchema('choose the certificate that you sign by'),
    password: z.string().min(1, 'enter your password: it is your signature').max(200),
  })
  .refine(({ work, effects }) => (work === 'repaired') === (effects !== null), {
    path: ['effects'],
    message: 'say of a repair what it may have changed',
  });

export type ReturnToService = z.output<typeof returnToServiceSchema>;
export type ReturnToServiceInput = z.input<typeof returnToServiceSchema>;
