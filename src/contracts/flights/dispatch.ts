import { z } from 'zod';
import { parseVolume } from '../../core/quantities/volume';
import { METER_NAMES, METERS, type Meter } from '../../core/records/meters/meters';
import { AMOUNT_UNITS } from './amounts';
import { hoursSchema, idSchema, revisionSchema, textSchema, wallTimeSchema } from '../kernel/scalars';

const shown = z.string().trim().max(12, 'expected a reading such as 4177.5');
const readings = z.array(z.strictObject({ dial: idSchema('expected a meter'), shown })).max(12);
/** Keys of the questions that were answered with yes. */
const accepted = z.array(z.string().max(200)).max(40);

/** An amount of fuel or oil as people say it. */
const amount = z
  .strictObject({
    amount: z.string().trim().max(12),
    unit: z.enum(AMOUNT_UNITS),
    grade: z.enum(['leaded', 'unleaded', 'jet']).nullable(),
  })
  .transform((given, context) => {
    const volume = parseVolume(given.amount, given.unit);
    if (volume !== undefined) return { ...given, volume };
    context.issues.push({
      code: 'custom',
      input: given.amount,
      path: ['amount'],
      message: `expected an amount such as 12.5, got '${given.amount}'`,
    });
    return z.NEVER;
  });

/** An amount without more. */
const measured = z
  .strictObject({
    amount: z.string().trim().max(12),
    unit: z.enum(AMOUNT_UNITS),
  })
  .transform(({ amount: text, unit }, context) => {
    const volume = parseVolume(text, unit);
    if (volume !== undefined) return { amount: text, unit, volume };
    context.issues.push({
      code: 'custom',
      input: text,
      path: ['amount'],
      message: `expected an amount such as 12.5, got '${text}'`,
    });
    return z.NEVER;
  });

/** Usable fuel as dipped: tank by tank, or in all of them together where `tank` is null. Empty where nobody measured. */
export const fuelAboardSchema = z
  .array(z.strictObject({ tank: z.string().trim().min(1).max(60).nullable(), measured }))
  .max(8);
/** Oil as measured; null where nobody did. */
export const oilAboardSchema = measured.nullable();

/** Handing an aircraft out for a planned flight. */
export const checkOutSchema = z.strictObject({
  flightId: idSchema('choose a planned flight'),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  readings,
  accepted,
  fuelAboard: fuelAboardSchema,
  oilAboard: oilAboardSchema,
  remarks: z.string().trim().max(1000).nullable(),
});
export type CheckOut = z.output<typeof checkOutSchema>;
export type CheckOutInput = z.input<typeof checkOutSchema>;

/** Reading the meters of an aircraft that stands. */
export const metersReadSchema = z.strictObject({
  aircraftId: idSchema('expected an aircraft'),
  readings,
  accepted,
  /** The time in service by the logbook, where no meter shows it. */
  service: hoursSchema.nullable(),
  /** That it was read again, where it is more than on record. */
  aboveMeter: z.boolean(),
});
export type MetersRead = z.output<typeof metersReadSchema>;

/** Taking it back. */
export const checkInSchema = z
  .strictObject({
    flightId: idSchema('choose a flight'),
    aircraftId: idSchema('expected an aircraft'),
    at: wallTimeSchema,
    readings,
    accepted,
    /** Time in the air, where no meter shows the time in service. */
    airborne: hoursSchema.nullable(),
    landings: z.number('say how many landings').int('whole landings').min(0).max(200),
    towLaunches: z.number().int().min(0).max(200).nullable(),
    fuelAdded: amount.nullable(),
    oilAdded: amount.nullable(),
    /** What the pilot reports; 'nothing to report' is chosen, never assumed. */
    remarks: z.union(
      [
        z.literal('nothing-to-report'),
        z.strictObject({ words: textSchema(1000), noDefect: z.boolean('say whether any of it is a defect') }),
      ],
      'say what there is to report, or choose that there is nothing',
    ),
    /** Defects found in flight: each becomes a finding. */
    defects: z.array(z.strictObject({ findingId: idSchema(), what: textSchema(1000) })).max(10),
  })
  .refine(
    ({ remarks, defects }) => remarks === 'nothing-to-report' || remarks.noDefect || defects.length > 0,
    {
      path: ['remarks'],
      message:
        'say that none of it is a defect, or enter the defect: words alone keep no aircraft on the ground',
    },
  );
export type CheckIn = z.output<typeof checkInSchema>;
export type CheckInInput = z.input<typeof checkInSchema>;

const meters = METER_NAMES as [Meter, ...Meter[]];

/** A dial as it hangs there: first ones, or one in another's place. */
export const dialSchema = z
  .strictObject({
    dialId: idSchema(),
    aircraftId: idSchema('expected an aircraft'),
    seenRevision: revisionSchema,
    name: textSchema(60),
    unit: z.enum(['h', 'count']),
    bills: z.boolean(),
    /** What it counts towards, with what each stands at now, in hours or a count: the offset follows from what the dial shows. */
    counts: z
      .array(z.strictObject({ meter: z.enum(meters), standsAt: z.string().trim().max(12) }))
      .min(1, 'say what it counts towards')
      .max(4),
    shows: shown,
    wrapsAt: z.string().trim().max(12).nullable(),
  })
  .refine(({ unit, counts }) => counts.every(({ meter }) => (METERS[meter] === 'hours') === (unit === 'h')), {
    path: ['counts'],
    message: 'a meter of hours counts hours, and a counter counts',
  });
export type NewDial = z.output<typeof dialSchema>;

/** A meter that was exchanged: what the old one showed last, and what the new one shows. */
export const exchangeSchema = z.strictObject({
  dialId: idSchema(),
  replaces: idSchema('choose the meter that was taken out'),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  name: textSchema(60),
  lastShown: shown,
  firstShown: shown,
  wrapsAt: z.string().trim().max(12).nullable(),
  why: textSchema(500),
});
export type DialExchange = z.output<typeof exchangeSchema>;

/** Whose a stretch is that nobody wrote down. */
export const attributionSchema = z.strictObject({
  attributionId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  unlogged: idSchema(),
  to: textSchema(120),
  note: z.string().trim().max(500).nullable(),
  /** How many there were, where somebody knows; null where nobody does. */
  landings: z
    .int('whole landings')
    .min(0, 'cannot be less than none')
    .max(500, 'expected at most 500')
    .nullable(),
  towLaunches: z
    .int('whole launches')
    .min(0, 'cannot be less than none')
    .max(500, 'expected at most 500')
    .nullable(),
});
export type Attribution = z.output<typeof attributionSchema>;
