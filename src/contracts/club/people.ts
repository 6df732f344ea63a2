import { z } from 'zod';
import { CERTIFICATE_KINDS } from '../../core/records/club/certificate';
import { emailSchema } from './founding';
import { ROLES } from './roles';
import { certificateNumberSchema, dateSchema, idSchema, textSchema } from '../kernel/scalars';

const roles = z
  .array(z.enum(ROLES))
  .max(ROLES.length)
  .refine((given) => new Set(given).size === given.length, 'name each role once');
const person = z.string().min(1, 'choose a person').max(80).toLowerCase();

/** Admitting somebody: they get a link to choose a password by, or, with an account already, to accept by. Who they are is the server's to say. */
export const admitSchema = z.strictObject({
  admissionId: idSchema(),
  name: textSchema(120),
  email: emailSchema,
  roles: roles.min(1, 'choose at least one role'),
});
export type Admission = z.output<typeof admitSchema>;

/** The roles that somebody has from now on; none ends the membership. */
export const changeRolesSchema = z.strictObject({
  changeId: idSchema(),
  personId: person,
  name: textSchema(120),
  roles,
});
export type RolesChange = z.output<typeof changeRolesSchema>;

/** A certificate as it was seen. */
export const certificateSchema = z
  .strictObject({
    certificateId: idSchema(),
    personId: person,
    kind: z.enum(CERTIFICATE_KINDS, 'choose the kind of certificate'),
    number: certificateNumberSchema,
    validFrom: dateSchema,
    validUntil: z.union([z.literal('no-expiry'), dateSchema]),
  })
  .refine(({ validFrom, validUntil }) => validUntil === 'no-expiry' || validUntil >= validFrom, {
    path: ['validUntil'],
    message: 'ends before it begins',
  });
export type NewCertificate = z.output<typeof certificateSchema>;

/** Ending one. */
export const endCertificateSchema = z.strictObject({
  certificateId: idSchema('choose a certificate'),
  why: textSchema(300),
});
export type CertificateEnd = z.output<typeof endCertificateSchema>;

/** A link for somebody who has none that works: to join, or for a new password. */
export const newLinkSchema = z.strictObject({ personId: person, email: emailSchema.nullable() });
export type NewLink = z.output<typeof newLinkSchema>;
export const revokeLinkSchema = z.strictObject({ invitationId: idSchema('choose a link') });
