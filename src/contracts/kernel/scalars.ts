import { z } from 'zod';
import { MOST_HOURS, parseDecimalHours } from '../../core/quantities/hours';
import { parseCivilDate } from '../../core/time/civil-date';
import { parseInstant } from '../../core/time/instant';
import { parseZone } from '../../core/time/zone';

/** Makes a schema that reads a text with one of the core's checked constructors. */
function read<Output>(
  parse: (text: string) => Output | undefined,
  expected: string,
  form: { readonly format?: 'date' | 'date-time'; readonly example: string },
) {
  const { example, ...format } = form;
  return z
    .string({ error: `expected ${expected}` })
    .meta({ ...format, examples: [example] })
    .transform((text, context): Output => {
      const value = parse(text);
      if (value !== undefined) return value;
      context.issues.push({
        code: 'custom',
        input: text,
        message: `expected ${expected}, got '${text.slice(0, 80)}'`,
      });
      return z.NEVER;
    })
    .meta({ description: expected });
}

/**
 * The id of a record: a UUID in its one canonical form. Capital letters are accepted and put down, since PostgreSQL compares ids as values
 * and everything that compares texts must agree with it.
 */
export const idSchema = (message?: string) => z.uuid(message).toLowerCase();

/** The largest whole number that a column of the database holds. */
export const MAX_INTEGER = 2_147_483_647;

/** A revision of an aircraft: 1 and more. */
export const revisionSchema = z.int('expected a revision').min(1).max(MAX_INTEGER);

/** A calendar day. */
export const dateSchema = read(parseCivilDate, 'a day that exists, YYYY-MM-DD, 1900 to 2199', {
  format: 'date',
  example: '2026-03-31',
});
/** A moment in time. */
export const instantSchema = read(parseInstant, 'a moment, ISO 8601 with Z or an offset, 1900 to 2199', {
  format: 'date-time',
  example: '2026-11-24T09:42:00Z',
});
/** An IANA time zone. */
export const zoneSchema = read(parseZone, 'an IANA time zone name', { example: 'America/Halifax' });

/** Decimal hours as on a meter. A third decimal is an error: it is never rounded. */
export const hoursSchema = z
  .number({ error: 'expected hours as a number' })
  .meta({ minimum: 0, maximum: MOST_HOURS, examples: [1106.5] })
  .transform((value, context) => {
    const found = parseDecimalHours(String(value));
    if (found !== undefined) return found;
    context.issues.push({
      code: 'custom',
      input: value,
      message: `expected hours from 0 to ${MOST_HOURS} with at most two decimals, got ${value}`,
    });
    return z.NEVER;
  })
  .meta({ description: `hours, 0 to ${MOST_HOURS}, at most two decimals (a third is an error)` });

/** Free text that a person typed; trimmed, not empty. */
export const textSchema = (most: number) =>
  z.string().trim().min(1, 'expected some text').max(most, `expected at most ${most} characters`);

/**
 * The number of a certificate: 1 to 40 letters, digits and signs between them, with a digit at least, and not one character again and again. No
 * more is asked, since authorities write them differently; who vouches for a copy compares it with the document. No published source.
 */
export const certificateNumberSchema = z
  .string()
  .trim()
  .max(40, 'expected at most 40 characters')
  .regex(
    /^[\p{L}\d](?:[\p{L}\d ./-]*[\p{L}\d])?$/u,
    'expected the number as it is printed: letters, digits, and hyphens, dots, slashes or spaces between them',
  )
  .refine((text) => /\d/.test(text), 'expected a number with digits in it')
  .refine(
    (text) => text.replaceAll(/[ ./-]/g, '').length < 4 || new Set(text.replaceAll(/[ ./-]/g, '')).size > 1,
    'this is one character again and again: enter the number as it is printed',
  );

/** Paint registration: letters, digits and hyphens. */
export const registrationSchema = z
  .string()
  .regex(/^[A-Z0-9][A-Z0-9-]{1,9}$/, 'expected 2 to 10 capital letters, digits or hyphens, such as N07TB')
  .meta({ description: 'registration as painted', examples: ['N07TB'] });

/** A time of a day as the wall clock at the field shows it; the server knows the zone. */
export const wallTimeSchema = z.strictObject({
  date: dateSchema,
  clock: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'expected a time such as 09:42'),
});
