import { z } from 'zod';
import { idKey } from '../exchange/case-parts';
import { signerSchema } from '../maintenance/new-entry';
import {
  dateSchema,
  hoursSchema,
  idSchema,
  registrationSchema,
  revisionSchema,
  textSchema,
} from '../kernel/scalars';

const base = {
  entryId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
};
const password = z.string().min(1, 'enter your password: it is your signature').max(200);
const requirement = { what: textSchema(200), by: dateSchema.nullable(), at: hoursSchema.nullable() };

/** A maintenance release as it was issued: its validity, and the maintenance that it requires before it expires. */
export const issueReleaseSchema = z
  .strictObject({
    ...base,
    registrationShown: registrationSchema,
    issuedOn: dateSchema,
    issuedAt: hoursSchema,
    expiresOn: dateSchema,
    expiresAt: hoursSchema,
    aboard: z.boolean('say whether it is aboard'),
    required: z.array(z.strictObject({ id: idKey, ...requirement })).max(40),
    signer: signerSchema,
    password,
  })
  .refine(({ issuedOn, expiresOn }) => expiresOn >= issuedOn, {
    path: ['expiresOn'],
    message: 'expires before it was issued',
  })
  .refine(({ issuedAt, expiresAt }) => expiresAt >= issuedAt, {
    path: ['expiresAt'],
    message: 'expires at fewer hours than it was issued at',
  });
export type IssuedRelease = z.output<typeof issueReleaseSchema>;

/** What becomes of a release that is there. The last two open what was closed, so they are signed. */
export const changeReleaseSchema = z.strictObject({
  ...base,
  releaseId: idSchema('choose the release'),
  change: z.discriminatedUnion('to', [
    z.strictObject({ to: z.literal('suspended'), why: textSchema(400) }),
    z.strictObject({ to: z.literal('cancelled'), why: textSchema(400) }),
    z.strictObject({
      to: z.literal('seen'),
      aboard: z.boolean(),
      registrationShown: registrationSchema.nullable(),
    }),
    z.strictObject({ to: z.literal('required'), ...requirement }),
    z.strictObject({
      to: z.literal('done'),
      required: idKey,
      on: dateSchema,
      signer: signerSchema,
      password,
    }),
    z.strictObject({ to: z.literal('in-force'), why: textSchema(400), signer: signerSchema, password }),
  ]),
});
export type ReleaseChange = z.output<typeof changeReleaseSchema>;

/** The daily inspection, signed by an own certificate; the figures of the day before are carried over with it. */
export const dailyInspectionSchema = z.strictObject({
  ...base,
  certificateId: idSchema('choose the certificate that you sign by'),
  password,
});
export type DailySignature = z.output<typeof dailyInspectionSchema>;
