import { z } from 'zod';
import { clubPolicy } from '../../core/rules/packs/club-policy';
import { LESSONS } from '../../core/rules/parts/for-hire';
import { TRAINING_UNDER } from '../../core/rules/hundred-hour-inspection';
import type { OwnPack, PackChoices } from '../../core/rules/register';
import { hoursFromTheSun } from '../../core/time/zone';
import { clubEstimates, clubParameters, estimatesSchema, parametersSchema } from './club-pack';
import { MAX_INTEGER, idSchema, textSchema, zoneSchema } from '../kernel/scalars';

/** Shortest and longest password. */
export const PASSWORD_LENGTH = { least: 10, most: 200 } as const;
export const newPasswordSchema = z
  .string()
  .min(PASSWORD_LENGTH.least, `choose a password of at least ${PASSWORD_LENGTH.least} characters`)
  .max(PASSWORD_LENGTH.most);
export const emailSchema = z
  .string()
  .trim()
  .toLowerCase()
  .pipe(z.email('expected an e-mail address, such as mira@example.org'))
  .pipe(z.string().max(200));

/** Whose rules hold, with what the operator states about itself. */
const authoritySchema = z.discriminatedUnion('id', [
  z.strictObject({
    id: z.literal('us-part91'),
    parameters: z.strictObject({
      trainingUnder: z.enum(TRAINING_UNDER, 'say under which part the school trains'),
      lessons: z.enum(LESSONS, 'say whether a lesson is a flight for hire'),
    }),
  }),
  z.strictObject({ id: z.literal('au-maintenance-release') }),
]);

const degrees = (most: number, name: string) =>
  z
    .number(`expected the ${name} in degrees`)
    .min(-most, `expected a ${name} from -${most} to ${most} degrees`)
    .max(most, `expected a ${name} from -${most} to ${most} degrees`);

/** More hours between the sun and the clock than any field has. */
const MOST_FROM_THE_SUN = 3.5;

/** A club, its field and its rules as its founder or administrator describes them. */
const clubEntrySchema = z
  .strictObject({
    name: textSchema(120),
    field: textSchema(120),
    latitude: degrees(90, 'latitude'),
    longitude: degrees(180, 'longitude'),
    zone: zoneSchema,
    authority: authoritySchema,
    /** The club's own choices; null where it has no policy beyond the authority's rules. */
    policy: parametersSchema(clubPolicy.parameters).nullable(),
    /** What acts take where the club knows better than what is usual. */
    estimates: estimatesSchema.optional(),
  })
  .superRefine(({ longitude, zone }, context) => {
    const apart = hoursFromTheSun(zone, longitude);
    // Day and night are calculated from the place, and dates from the zone: together they must be of one field.
    if (apart > MOST_FROM_THE_SUN)
      context.addIssue({
        code: 'custom',
        path: ['longitude'],
        message: `at longitude ${longitude} the sun is ${Math.round(apart)} hours off the clock of ${zone}: west is negative; check the longitude and the zone`,
      });
  });
export type ClubEntry = z.output<typeof clubEntrySchema>;
export type ClubEntryInput = z.input<typeof clubEntrySchema>;

/** The rules that a club has chosen. @param own rules that it has added, which stay */
export function packsOf(
  { authority, policy, estimates }: Pick<ClubEntry, 'authority' | 'policy' | 'estimates'>,
  own: OwnPack | null,
): PackChoices {
  return {
    authority,
    ...clubEstimates(estimates),
    club:
      policy === null
        ? null
        : {
            id: 'club-policy',
            parameters: clubParameters(policy as Readonly<Record<string, string | number | undefined>>),
            own,
          },
  };
}

/** Founding a club in an installation in which nobody has an account; or, where an archive was brought in, taking charge of its club. */
export const foundingSchema = z.strictObject({
  code: z.string().trim().min(1, 'enter the code that was printed when the server started').max(60),
  name: textSchema(120),
  email: emailSchema,
  password: newPasswordSchema,
  club: clubEntrySchema.nullable(),
});
export type Founding = z.output<typeof foundingSchema>;
export type FoundingInput = z.input<typeof foundingSchema>;

/** Changing what the club says of its field and rules. @see ClubChange */
export const clubChangeSchema = z.strictObject({
  changeId: idSchema(),
  /** The number of the change that the person looked at; 0 for how the club was founded. */
  seen: z.int().min(0).max(MAX_INTEGER),
  club: clubEntrySchema,
  why: textSchema(300),
  password: z.string().min(1, 'sign with your password').max(PASSWORD_LENGTH.most),
});
export type ClubChange = z.output<typeof clubChangeSchema>;
/** The same before it is signed: what it would change is told. */
export const clubTrialSchema = z.strictObject({ club: clubEntrySchema });

/** Taking up a link: the secret, and the password that is chosen. */
export const linkSchema = z.strictObject({
  club: idSchema(),
  secret: z.string().regex(/^[0-9a-f]{64}$/, 'this address is not complete'),
});
export const takeUpSchema = linkSchema.extend({ password: newPasswordSchema });
export type TakeUp = z.output<typeof takeUpSchema>;
