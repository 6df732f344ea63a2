import { z } from 'zod';
import { idSchema, revisionSchema, textSchema } from '../kernel/scalars';

/** So many records are vouched for at once. */
const MAX_RECORDS = 500;

/** Vouching for records that wait: copies from paper, or what members saw of documents. The person who vouches has compared them with the document or its photo. */
export const vouchSchema = z.strictObject({
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  records: z
    .array(z.strictObject({ vouchId: idSchema(), recordId: idSchema('choose a record') }))
    .min(1, 'choose what you vouch for')
    .max(MAX_RECORDS),
  note: textSchema(500).nullable(),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
});
export type Vouching = z.output<typeof vouchSchema>;
