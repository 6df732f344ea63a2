import { z } from 'zod';
import { idSchema, textSchema } from '../kernel/scalars';

/** Making a secret address: what it is for, so that the right one is revoked later. */
export const feedSchema = z.strictObject({ name: textSchema(80) });
/** Revoking one. */
export const revokeFeedSchema = z.strictObject({ feedId: idSchema('choose an address') });
