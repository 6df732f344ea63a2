import { z } from 'zod';
import { DOCUMENT_KINDS, type DocumentKind } from '../../core/records/documents/document';
import {
  dateSchema,
  idSchema,
  instantSchema,
  registrationSchema,
  revisionSchema,
  textSchema,
} from '../kernel/scalars';

const yesNo = z.boolean().nullable();

/** What somebody saw of one document. What a document does not have stays null. */
export const documentCheckSchema = z.strictObject({
  documentCheckId: idSchema(),
  kind: z.enum(DOCUMENT_KINDS as unknown as [DocumentKind, ...DocumentKind[]]),
  keptWhere: z.string().trim().max(120).nullable(),
  number: z.string().trim().max(60).nullable(),
  aboard: z.boolean('say whether it is aboard'),
  legible: yesNo,
  displayed: yesNo,
  registrationShown: registrationSchema.nullable(),
  serialShown: z.string().trim().max(40).nullable(),
  issuedOn: dateSchema.nullable(),
  printedExpiry: dateSchema.nullable(),
  form: z.enum(['flight-manual', 'placards-and-markings']).nullable(),
  revision: z.string().trim().max(40).nullable(),
  placards: yesNo,
  datedOn: dateSchema.nullable(),
  tankFitted: yesNo,
  /** The copy of an application for registration; `issuedOn` is the day of the application. */
  temporary: yesNo.default(null),
});

/** One pass over an aircraft's documents. Sent twice it is recorded once. */
export const documentCheckRoundSchema = z.strictObject({
  aircraftId: idSchema('expected an aircraft'),
  seenAt: instantSchema,
  documentChecks: z.array(documentCheckSchema).min(1, 'look at one document at least').max(12),
});
export type DocumentCheckRound = z.output<typeof documentCheckRoundSchema>;
export type DocumentCheckRoundInput = z.input<typeof documentCheckRoundSchema>;

/** The list of an inspection that was cleared. */
export const clearListSchema = z.strictObject({
  clearanceId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  inspection: idSchema('choose the inspection'),
  on: dateSchema,
  description: textSchema(4000),
  certificateId: idSchema('choose the certificate that you sign by'),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
});
export type ListClearance = z.output<typeof clearListSchema>;
