import { z } from 'zod';
import { DIMENSION_NAMES, DIMENSIONS } from '../core/envelope/dimensions';
import { CATEGORIES } from '../core/records/aircraft';
import { CERTIFICATE_KINDS } from '../core/records/certificate';
import { CLASSIFICATIONS, CLOSED_USES } from '../core/records/discrepancy';
import { REGISTRATION_ENDINGS } from '../core/records/document';
import { INSPECTION_KINDS } from '../core/records/inspection';
import { HUNDRED_HOUR_COVERS } from '../core/rules/club-hundred-hour';
import { dateSchema, hoursSchema, instantSchema, registrationSchema, textSchema, zoneSchema } from './scalars';

/** Version of the case format. A reader refuses a version that it does not know. */
export const CASE_VERSION = 1;

const happenedAt = instantSchema.describe('when it happened: the sighting, the reading, the find');
const recordedAt = instantSchema.describe('when it was entered; a decision about an earlier moment does not see it');
const yesNo = (meaning: string) => z.boolean().optional().describe(`${meaning}; absent is unknown`);
const idKey = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, 'expected an id of letters, digits, dots and hyphens');

const certificate = z.strictObject({
  kind: z.enum(CERTIFICATE_KINDS).describe('kind of certificate: decides what its holder may sign'),
  number: textSchema(40).optional().describe('absent is unknown, and then the signature does not count'),
  validFrom: dateSchema.optional().describe('first day of validity; absent is unknown'),
  validUntil: z.union([z.literal('no-expiry'), dateSchema]).optional().describe('last day of validity, or the stated value no-expiry; absent is unknown'),
}).describe('a certificate as it is on record');

const signature = z.strictObject({
  name: textSchema(120).optional().describe('name of the signer'),
  certificate: certificate.optional(),
}).describe('who signed, and by which certificate; an incomplete one does not count');

const sighting = {
  happenedAt, recordedAt,
  aboard: yesNo('in the aircraft when it was looked for'),
  legible: yesNo('can be read'),
};

const document = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('airworthiness-certificate').describe('kind of paper'), ...sighting,
    registrationShown: registrationSchema.optional().describe('registration printed on it'),
    displayed: yesNo('displayed at the cabin or cockpit entrance'),
  }),
  z.strictObject({
    kind: z.literal('registration-certificate').describe('kind of paper'), ...sighting,
    registrationShown: registrationSchema.optional().describe('registration printed on it'),
    issuedOn: dateSchema.optional().describe('day of issue'),
    printedExpiry: dateSchema.optional().describe('expiry date printed on it; wins over computing it from the issue'),
    ended: z.strictObject({ on: dateSchema.describe('first day on which it no longer holds; for a death, the day of death'), because: z.enum(REGISTRATION_ENDINGS).describe('what ended it') }).optional().describe('set when it ended early (sold, cancelled …); absent states that this sighting knows of no end. An end stays on record until a certificate issued after it is sighted'),
  }),
  z.strictObject({
    kind: z.literal('operating-limitations').describe('kind of paper'), ...sighting,
    form: z.enum(['flight-manual', 'placards-and-markings']).optional().describe('placards and markings do only for aircraft first flown before 1 March 1979'),
  }),
  z.strictObject({ kind: z.literal('weight-and-balance').describe('kind of paper'), ...sighting }),
  z.strictObject({ kind: z.literal('radio-licence').describe('kind of paper; needed only outside the country'), ...sighting }),
  z.strictObject({ kind: z.literal('cabin-tank-record').describe('kind of paper; needed only with a tank added in the cabin'), ...sighting, tankFitted: yesNo('a fuel tank was added in the cabin or baggage space; false needs no paper') }),
]);

const inspection = z.strictObject({
  kind: z.enum(INSPECTION_KINDS).describe('an annual stands in for the hundred-hour inspection, not the reverse'),
  completedOn: dateSchema.describe('day on which it was completed: when it happened'),
  recordedAt,
  timeInService: hoursSchema.optional().describe('aircraft total time in service, h; an entry without it does not count'),
  outcome: z.enum(['approved', 'discrepancies-listed']).optional().describe('approved for return to service, or inspected with a signed list of discrepancies given'),
  listCleared: z.strictObject({ on: dateSchema.describe('day on which every item was cleared'), by: signature.describe('who approved the aircraft then') }).optional().describe('when and by whom the list was cleared and the aircraft approved'),
  signedBy: signature.optional().describe('who signed the inspection; absent or incomplete, and it does not count'),
  excess: z.enum(['en-route-to-inspection', 'flown-on-uses-without-the-limit']).optional().describe('only when completed past its hours: why; absent takes the excess off the next interval'),
});

const reading = z.strictObject({
  meter: z.literal('time-in-service').describe('the meter that inspections count on, as airframe time in service'),
  happenedAt, recordedAt,
  value: hoursSchema.describe('airframe time in service, h, at most two decimals'),
});

const discrepancy = z.strictObject({
  happenedAt, recordedAt,
  what: textSchema(2000).describe('what was found'),
  where: textSchema(200).optional().describe('where on the aircraft'),
  foundBy: textSchema(120).optional().describe('name of the finder'),
  classification: z.enum(CLASSIFICATIONS).optional().describe('what it means for flying, strictest first; absent counts as ground-until-mechanic'),
  closesUses: z.array(z.enum(CLOSED_USES)).optional().describe('for deferral-path: the uses that need the item; none named closes all'),
  rectification: z.strictObject({
    recordedAt,
    work: z.enum(['repaired', 'no-fault-found', 'serviced', 'judged-acceptable']).optional().describe('kind of work: decides which certificate must stand behind it'),
    description: textSchema(4000).optional().describe('description of the work'),
    completedOn: dateSchema.optional().describe('day on which the work was completed'),
    signedBy: signature.optional().describe('who approved the return to service'),
  }).optional().describe('what was done and the approval for return to service; an incomplete one closes nothing'),
});

const boxShape = Object.fromEntries(DIMENSION_NAMES.map((name) => [name, z.union([z.literal('all'), z.array(z.enum(DIMENSIONS[name] as readonly [string, ...string[]])).min(1)]).describe(`the values of ${name} in this box`)]));
const box = z.strictObject(boxShape).describe('uses that have one of the listed values in every dimension; every dimension must be named, all means each of its values');

const flight = z.strictObject({
  id: idKey.optional().describe('your name for the flight'),
  starts: instantSchema.describe('moment off blocks'),
  ends: instantSchema.describe('moment on blocks'),
  airborne: hoursSchema.optional().describe('planned time in the air, h; absent takes the whole time from start to end'),
  purpose: z.enum(DIMENSIONS.purpose).optional().describe('what the flight is for'),
  crew: z.enum(DIMENSIONS.crew).optional().describe('who flies: a student alone, two pilots under instruction, a rated pilot'),
  rules: z.enum(DIMENSIONS.rules).optional().describe('flight rules'),
  range: z.enum(DIMENSIONS.range).optional().describe('inside the club’s local area, beyond it, or across a border'),
  light: z.array(z.enum(DIMENSIONS.light)).min(1).optional().describe('light values that it touches elsewhere; those at the place are worked out from the sun and always count'),
  transponderAirspace: yesNo('enters airspace that needs a transponder'),
  broadcastAirspace: yesNo('enters airspace that needs position broadcast'),
  beyondGlideOverWater: yesNo('goes over water beyond gliding distance of the shore'),
  passengers: yesNo('carries anybody who is not crew'),
}).describe('a planned flight; what it does not say, it may need every value of');

const pack = z.discriminatedUnion('id', [
  z.strictObject({ id: z.literal('us-part91').describe('rules of 14 CFR parts 43, 47 and 91, standard category') }),
  z.strictObject({
    id: z.literal('club-policy').describe('the club’s own rules, which only tighten'),
    parameters: z.strictObject({
      hundredHourCovers: z.enum(HUNDRED_HOUR_COVERS).optional().describe('which uses the 100-hour limit closes; absent takes the stricter, rental-and-solo-too'),
    }).optional().describe('the club’s choices'),
  }),
]);

/** A case: one aircraft's facts, the rules that judge it, the moment, and possibly a planned flight. After `extends` was resolved. */
export const caseSchema = z.strictObject({
  format: z.literal('groval-case').describe('names this format'),
  version: z.literal(CASE_VERSION).describe('version of the format; a reader refuses one that it does not know'),
  about: z.string().max(4000).optional().describe('what the case shows, for people'),
  asOf: instantSchema.describe('the moment of the decision; only what was recorded by then is used'),
  place: z.strictObject({
    name: textSchema(80).describe('name of the field'),
    latitude: z.number().min(-90).max(90).describe('degrees, north positive'),
    longitude: z.number().min(-180).max(180).describe('degrees, east positive'),
    timeZone: zoneSchema.describe('dates of the records hold to local midnight here'),
  }).describe('the field'),
  packs: z.array(pack).min(1).refine((packs) => packs.filter(({ id }) => id === 'us-part91').length === 1, 'expected exactly one authority’s pack: us-part91')
    .refine((packs) => packs.filter(({ id }) => id === 'club-policy').length <= 1, 'expected club-policy at most once').describe('the rule packs'),
  aircraft: z.strictObject({
    registration: registrationSchema.describe('registration as painted: 2 to 10 capital letters, digits or hyphens'),
    category: z.enum(CATEGORIES).optional().describe('certification category; absent is unknown'),
    firstFlownOn: dateSchema.optional().describe('day of its first flight; absent is unknown'),
    approvedFor: z.union([z.literal('all'), z.array(box).min(1)]).optional().describe('everything it is fitted and approved for: the uses in any of the boxes; all means every use there is; absent is unknown'),
  }).describe('the aircraft itself'),
  documents: z.record(idKey, document).optional().describe('sightings of papers by id; the latest of a kind counts'),
  inspections: z.record(idKey, inspection).optional().describe('inspection entries by id'),
  meterReadings: z.record(idKey, reading).optional().describe('meter readings by id'),
  discrepancies: z.record(idKey, discrepancy).optional().describe('discrepancies by id; none states that none is open'),
  flight: flight.optional(),
}).describe('A case: facts of one aircraft, the rule packs, a moment, and possibly a planned flight. Records are keyed by an id of your choice. An absent fact is unknown, and unknown closes exactly what failing would close.');

/** A checked case. */
export type CaseFile = z.output<typeof caseSchema>;
