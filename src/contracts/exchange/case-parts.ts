// What records of the case format are made of: moments, signatures, uses, amounts, intervals.
import { z } from 'zod';
import { DIMENSION_NAMES, DIMENSIONS } from '../../core/envelope/dimensions';
import { CERTIFICATE_KINDS } from '../../core/records/club/certificate';
import { COUNTERS, HOUR_METERS } from '../../core/records/meters/meters';
import { VOLUME_UNITS, parseVolume, type VolumeUnit } from '../../core/quantities/volume';
import { dateSchema, hoursSchema, instantSchema, textSchema } from '../kernel/scalars';

export const happenedAt = instantSchema.describe(
  'when it happened: the document check, the reading, the find',
);
export const recordedAt = instantSchema.describe(
  'when it was entered; a decision about an earlier moment does not see it',
);
export const yesNo = (meaning: string) => z.boolean().optional().describe(`${meaning}; absent is unknown`);
/** A record's name within its list. */
export const idKey = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, 'expected an id of letters, digits, dots and hyphens');
export const whole = (meaning: string, most = 1_000_000) =>
  z.int('expected a whole number').min(0).max(most).describe(meaning);
export const noExpiry = z.union([z.literal('no-expiry'), dateSchema]);
const certificate = z
  .strictObject({
    kind: z.enum(CERTIFICATE_KINDS).describe('kind of certificate: decides what its holder may sign'),
    number: textSchema(40).optional().describe('absent is unknown, and then the signature does not count'),
    validFrom: dateSchema.optional().describe('first day of validity; absent is unknown'),
    validUntil: noExpiry
      .optional()
      .describe('last day of validity, or the stated value no-expiry; absent is unknown'),
  })
  .describe('a certificate as it is on record');
/** Who signed. */
export const signature = z
  .strictObject({
    name: textSchema(120).optional().describe('name of the signer'),
    certificate: certificate.optional(),
  })
  .describe('who signed, and by which certificate; an incomplete one does not count');
const boxShape = Object.fromEntries(
  DIMENSION_NAMES.map((name) => [
    name,
    z
      .union([z.literal('all'), z.array(z.enum(DIMENSIONS[name] as readonly [string, ...string[]])).min(1)])
      .describe(`the values of ${name} in this box`),
  ]),
);
/** A box that names every dimension. */
export const box = z
  .strictObject(boxShape)
  .describe(
    'uses that have one of the listed values in every dimension; every dimension must be named, all means each of its values',
  );
const partShape = Object.fromEntries(
  DIMENSION_NAMES.map((name) => [
    name,
    z
      .array(z.enum(DIMENSIONS[name] as readonly [string, ...string[]]))
      .min(1)
      .optional()
      .describe(`the values of ${name} in this box; absent means each of them`),
  ]),
);
/** A box in which a dimension left out means each of its values: for what closes. */
export const part = z
  .strictObject(partShape)
  .describe('uses that have one of the listed values in every named dimension');
/** Uses that something closes or needs; absent means every use, which is the strict reading. */
export const uses = z
  .array(part)
  .min(1)
  .optional()
  .describe('the uses in any of these boxes; absent means every use');
/** An amount of liquid with the unit as entered. */
export const volumeSchema = z
  .strictObject({
    amount: z.number().min(0).describe('at most three decimals (a fourth is an error)'),
    unit: z
      .enum(Object.keys(VOLUME_UNITS) as [VolumeUnit, ...VolumeUnit[]])
      .describe('litres, US or imperial gallons, US quarts, millilitres'),
  })
  .transform(({ amount, unit }, context) => {
    const found = parseVolume(String(amount), unit);
    if (found !== undefined) return found;
    context.issues.push({
      code: 'custom',
      input: amount,
      path: ['amount'],
      message: `expected an amount up to 5000 L with at most three decimals, got ${amount}`,
    });
    return z.NEVER;
  })
  .meta({ description: 'an amount of liquid', examples: [{ amount: 6.5, unit: 'US qt' }] });
export const which = textSchema(40).optional().describe('which of several: a tank, a side, a battery');
export const interval = {
  months: whole('calendar months: holds to the last day of the Nth month after', 600).optional(),
  monthsToTheDay: whole('months to the same day, where the text says so', 600).optional(),
  days: whole('days', 36_600).optional(),
  hours: z
    .array(
      z.strictObject({
        meter: z.enum(HOUR_METERS).describe('the meter that it counts on'),
        every: hoursSchema.describe('hours'),
      }),
    )
    .optional()
    .describe('hours on named meters'),
  counts: z
    .array(
      z.strictObject({
        meter: z.enum(COUNTERS).describe('the counter that it counts on'),
        every: whole('how many'),
      }),
    )
    .optional()
    .describe('landings, cycles, tow launches'),
};
export const intervalSchema = z
  .strictObject(interval)
  .describe('how long it counts: whichever comes first of all that is given');
export const readingsThen = z
  .strictObject({
    hours: z.partialRecord(z.enum(HOUR_METERS), hoursSchema).optional().describe('hour meters, h'),
    counts: z.partialRecord(z.enum(COUNTERS), whole('count')).optional().describe('counters'),
  })
  .optional()
  .describe('what the meters showed then; one that is absent is unknown');
export const cap = z
  .strictObject({
    quantity: z.enum(['persons', 'load', 'fuel']).describe('what is held to a number'),
    bound: z.enum(['at-most', 'at-least']).describe('which way'),
    value: z
      .number()
      .min(0)
      .describe('persons; kilograms of load; US gallons of fuel; at most three decimals'),
  })
  .transform(({ quantity: of, bound, value }, context) => {
    const found =
      of === 'persons'
        ? Number.isInteger(value)
          ? value
          : undefined
        : of === 'load'
          ? Number.isInteger(Math.round(value * 1e6) / 1e3)
            ? Math.round(value * 1000)
            : undefined
          : parseVolume(String(value), 'US gal');
    if (found !== undefined) return { quantity: of, bound, value: found };
    context.issues.push({
      code: 'custom',
      input: value,
      path: ['value'],
      message: `expected whole persons, kilograms or gallons with at most three decimals, got ${value}`,
    });
    return z.NEVER;
  })
  .meta({ description: 'a number that the uses are held to' });
