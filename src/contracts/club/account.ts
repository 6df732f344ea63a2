import { z } from 'zod';
import { newPasswordSchema, PASSWORD_LENGTH } from './founding';
import { idSchema } from '../kernel/scalars';

/** Signing in. */
export const signInSchema = z.strictObject({
  email: z.string().trim().toLowerCase().min(3).max(200),
  password: z.string().min(1).max(PASSWORD_LENGTH.most),
});

/** Choosing which of one's clubs to work in. */
export const chooseClubSchema = z.strictObject({ clubId: idSchema('choose a club') });

/** Changing one's own password: every other session ends. */
export const ownPasswordSchema = z.strictObject({
  current: z.string().min(1, 'enter the password that you have now').max(PASSWORD_LENGTH.most),
  password: newPasswordSchema,
});
export type OwnPassword = z.output<typeof ownPasswordSchema>;
