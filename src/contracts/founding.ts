import { z } from 'zod';
import { clubPolicy } from '../core/rules/packs/club-policy';
import { TRAINING_UNDER } from '../core/rules/hundred-hour-inspection';
import { parametersSchema } from './club-pack';
import { textSchema, zoneSchema } from './scalars';

/** Shortest and longest password. */
export const PASSWORD_LENGTH = { least: 10, most: 200 } as const;
export const newPasswordSchema = z.string().min(PASSWORD_LENGTH.least, `choose a password of at least ${PASSWORD_LENGTH.least} characters`).max(PASSWORD_LENGTH.most);
export const emailSchema = z.string().trim().toLowerCase().pipe(z.email('expected an e-mail address, such as mira@example.org')).pipe(z.string().max(200));

/** Whose rules hold, with what the operator states about itself. */
const authoritySchema = z.discriminatedUnion('id', [
  z.strictObject({ id: z.literal('us-part91'), parameters: z.strictObject({ trainingUnder: z.enum(TRAINING_UNDER, 'say under which part the school trains') }) }),
  z.strictObject({ id: z.literal('au-maintenance-release') }),
]);

const degrees = (most: number, name: string) => z.number(`expected the ${name} in degrees`).min(-most, `expected a ${name} from -${most} to ${most} degrees`).max(most, `expected a ${name} from -${most} to ${most} degrees`);

/** A club as its founder describes it. */
const newClubSchema = z.strictObject({
  name: textSchema(120), field: textSchema(120), latitude: degrees(90, 'latitude'), longitude: degrees(180, 'longitude'), zone: zoneSchema,
  authority: authoritySchema,
  /** The club's own choices; null where it has no policy beyond the authority's rules. */
  policy: parametersSchema(clubPolicy.parameters).nullable(),
});

/** Founding a club in an installation in which nobody has an account; or, where an archive was brought in, taking charge of its club. */
export const foundingSchema = z.strictObject({
  code: z.string().trim().min(1, 'enter the code that was printed when the server started').max(60),
  name: textSchema(120), email: emailSchema, password: newPasswordSchema,
  club: newClubSchema.nullable(),
});
export type Founding = z.output<typeof foundingSchema>;
export type FoundingInput = z.input<typeof foundingSchema>;


/** Taking up a link: the secret, and the password that is chosen. */
export const linkSchema = z.strictObject({ club: z.uuid(), secret: z.string().regex(/^[0-9a-f]{64}$/, 'this address is not complete') });
export const takeUpSchema = linkSchema.extend({ password: newPasswordSchema });
export type TakeUp = z.output<typeof takeUpSchema>;
