import { z } from 'zod';
import { CERTIFICATE_KINDS, type CertificateKind } from '../../core/records/club/certificate';
import { INSPECTION_KINDS, type InspectionKind } from '../../core/records/maintenance/inspection';
import { METER_NAMES, type Meter } from '../../core/records/meters/meters';
import type { EntryDraft } from '../../core/records/maintenance/new-entry';
import { readingOf } from '../../core/metering/slips';
import { isHourMeter } from '../../core/records/meters/meters';
import {
  certificateNumberSchema,
  dateSchema,
  hoursSchema,
  idSchema,
  revisionSchema,
  textSchema,
} from '../kernel/scalars';
import { workEffectsSchema } from './work';

const meters = METER_NAMES as [Meter, ...Meter[]];
const readings = z
  .array(
    z
      .strictObject({ meter: z.enum(meters), shown: z.string().trim().max(12) })
      .transform(({ meter, shown }, context) => {
        const value = readingOf(shown, isHourMeter(meter) ? 'h' : 'count');
        if (value !== undefined) return { meter, value };
        context.issues.push({
          code: 'custom',
          input: shown,
          path: ['shown'],
          message: `expected a reading such as ${isHourMeter(meter) ? '4108.7' : '1290'}, got '${shown}'`,
        });
        return z.NEVER;
      }),
  )
  .max(7);

/** What was done, without its signature: enough to calculate what is due next. */
export const entryDraftSchema = z.discriminatedUnion('of', [
  z.strictObject({
    of: z.literal('inspection'),
    kind: z.enum(
      INSPECTION_KINDS as unknown as [InspectionKind, ...InspectionKind[]],
      'choose the inspection',
    ),
    completedOn: dateSchema,
    timeInService: hoursSchema.nullable(),
    outcome: z.enum(['approved', 'discrepancies-listed'], 'say whether the aircraft was approved'),
    excess: z.enum(['en-route-to-inspection', 'flown-on-uses-without-the-limit']).nullable(),
    testedToFeet: z.number().int().min(0).max(60_000).nullable(),
  }),
  z.strictObject({
    of: z.literal('item'),
    item: idSchema('choose the item'),
    completedOn: dateSchema,
    readings,
    excessOnFreeUses: z.boolean(),
  }),
  z.strictObject({
    of: z.literal('ad'),
    ad: idSchema('choose the AD'),
    method: z.string().min(1, 'choose the method'),
    completedOn: dateSchema,
    readings,
  }),
]) satisfies z.ZodType<EntryDraft, unknown>;

/** Who signs: by a certificate of their own, or copied from paper. */
export const signerSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('own-certificate'),
    certificateId: idSchema('choose the certificate that you sign by'),
  }),
  /** Copied from the paper logbook: who signed there, and by what. The person who copies it stands for the copy. */
  z.strictObject({
    by: z.literal('copied-from-logbook'),
    name: textSchema(120),
    kind: z.enum(
      CERTIFICATE_KINDS as unknown as [CertificateKind, ...CertificateKind[]],
      'choose the kind of certificate',
    ),
    number: certificateNumberSchema,
    validFrom: dateSchema,
    validUntil: z.union(
      [z.literal('no-expiry'), dateSchema],
      'say until when it is valid, or that it does not expire',
    ),
  }),
]);

/** Asking what would be due next. */
export const entryPreviewSchema = z.strictObject({
  aircraftId: idSchema('expected an aircraft'),
  draft: entryDraftSchema,
  /** What the work may have changed; absent where nobody says. */
  effects: workEffectsSchema.optional(),
});
export type EntryPreviewQuestion = z.output<typeof entryPreviewSchema>;

/** The entry with its description and signature. Source of what it needs: 14 CFR 43.9(a) and 43.11(a) (from memory). */
export const newEntrySchema = z
  .strictObject({
    entryId: idSchema(),
    aircraftId: idSchema('expected an aircraft'),
    seenRevision: revisionSchema,
    draft: entryDraftSchema,
    description: textSchema(4000),
    /** The items of the list that was given with a refusal: each becomes a finding. */
    list: z.array(textSchema(500)).max(60, 'at most 60 items in one list').optional(),
    /** What the work on an item or an AD may have changed, by who signs for it. A copy does not say. */
    effects: workEffectsSchema.optional(),
    signer: signerSchema,
    /** True where somebody has read the meter again, and it is above what is on record. */
    aboveMeter: z.boolean(),
    password: z.string().min(1, 'enter your password: it is your signature').max(200),
  })
  .refine(
    ({ draft, list = [] }) =>
      list.length === 0 || (draft.of === 'inspection' && draft.outcome === 'discrepancies-listed'),
    { path: ['list'], message: 'only an inspection that did not approve the aircraft has a list' },
  )
  .refine(
    ({ draft, signer, effects }) =>
      (draft.of !== 'inspection' && signer.by === 'own-certificate') === (effects !== undefined),
    { path: ['effects'], message: 'who signs for an item or an AD says what the work may have changed' },
  );
export type SignedEntry = z.output<typeof newEntrySchema>;
