import { z } from 'zod';

/** Addresses of the demo's people end like this; `.example` is reserved and reaches nobody. */
export const DEMO_ADDRESS_END = '@ternbay.example';

/** Signing in as one of them with one tap. */
export const demoSignInSchema = z.strictObject({
  email: z.string().max(200).endsWith(DEMO_ADDRESS_END, 'choose one of the demo’s people'),
});
