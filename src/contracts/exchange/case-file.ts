import { z } from 'zod';
import { DIMENSIONS } from '../../core/envelope/dimensions';
import { CATEGORIES } from '../../core/records/aircraft/aircraft';
import { CLASSIFICATIONS, CLOSED_USES, RECTIFYING } from '../../core/records/findings/discrepancy';
import { REGISTRATION_ENDINGS } from '../../core/records/documents/document';
import { INSPECTION_KINDS } from '../../core/records/maintenance/inspection';
import { EQUIPMENT_KINDS } from '../../core/records/aircraft/equipment';
import { AUTHORISED_WITHOUT } from '../../core/records/flights/planned-flight';
import { clubPolicy } from '../../core/rules/packs/club-policy';
import { usPart91 } from '../../core/rules/packs/us-part91';
import { box, happenedAt, idKey, part, recordedAt, signature, volumeSchema, yesNo } from './case-parts';
import {
  clubDocument,
  database,
  equipmentList,
  elt,
  particulars,
  vorCheck,
  rigging,
  towRope,
  minimumList,
} from './case-aircraft-records';
import {
  dailyInspection,
  deferral,
  ad,
  item,
  permit,
  preventive,
  release,
  triages,
  watch,
  work,
} from './case-maintenance-records';
import {
  estimate,
  flightOut,
  strike,
  fuelStretch,
  ramp,
  reading,
  dispatchRestriction,
} from './case-flight-records';
import { panelMeter, panelProblems, panelReading } from './case-meters';
import { clubPackSchema, parametersSchema } from '../club/club-pack';
import {
  dateSchema,
  hoursSchema,
  instantSchema,
  registrationSchema,
  textSchema,
  zoneSchema,
} from '../kernel/scalars';

/** Version of the case format. A reader refuses a version that it does not know. */
export const CASE_VERSION = 3;

const documentCheck = {
  happenedAt,
  recordedAt,
  aboard: yesNo('in the aircraft when it was looked for'),
  legible: yesNo('can be read'),
};

const document = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('airworthiness-certificate').describe('kind of document'),
    ...documentCheck,
    registrationShown: registrationSchema.optional().describe('registration printed on it'),
    displayed: yesNo('displayed at the cabin or cockpit entrance'),
  }),
  z.strictObject({
    kind: z.literal('registration-certificate').describe('kind of document'),
    ...documentCheck,
    registrationShown: registrationSchema.optional().describe('registration printed on it'),
    issuedOn: dateSchema.optional().describe('day of issue'),
    temporary: z
      .boolean()
      .optional()
      .describe(
        'the second copy of an application: temporary authority for 90 days from issuedOn, inside the country; absent states that it is a certificate',
      ),
    printedExpiry: dateSchema
      .optional()
      .describe('expiry date printed on it; wins over computing it from the issue'),
    ended: z
      .strictObject({
        on: dateSchema.describe('first day on which it no longer holds; for a death, the day of death'),
        because: z.enum(REGISTRATION_ENDINGS).describe('what ended it'),
      })
      .optional()
      .describe(
        'set when it ended early (sold, cancelled …); absent states that this document check knows of no end. An end stays on record until a certificate issued after it is checked',
      ),
  }),
  z.strictObject({
    kind: z.literal('operating-limitations').describe('kind of document'),
    ...documentCheck,
    form: z
      .enum(['flight-manual', 'placards-and-markings'])
      .optional()
      .describe('placards and markings do only for aircraft first flown before 1 March 1979'),
    revision: textSchema(40).optional().describe('revision of the manual aboard; absent is unknown'),
    serialShown: textSchema(40)
      .optional()
      .describe('serial number that the manual is for; absent is unknown'),
    placards: yesNo('required placards and gauge markings are in place and readable'),
  }),
  z.strictObject({
    kind: z.literal('weight-and-balance').describe('kind of document'),
    ...documentCheck,
    datedOn: dateSchema
      .optional()
      .describe('day of the weighing or computation that it states; absent is unknown'),
  }),
  z.strictObject({
    kind: z.literal('radio-licence').describe('kind of document; needed only outside the country'),
    ...documentCheck,
  }),
  z.strictObject({
    kind: z
      .literal('cabin-tank-form-337')
      .describe('kind of document; needed only with a tank added in the cabin'),
    ...documentCheck,
    tankFitted: yesNo('a fuel tank was added in the cabin or baggage space; false needs no document'),
  }),
]);

const inspection = z.strictObject({
  kind: z
    .enum(INSPECTION_KINDS)
    .describe(
      'which inspection or test; an annual stands in for the hundred-hour inspection, not the reverse',
    ),
  completedOn: dateSchema.describe('day on which it was completed: when it happened'),
  recordedAt,
  timeInService: hoursSchema
    .optional()
    .describe('aircraft total time in service, h; an entry without it does not count'),
  outcome: z
    .enum(['approved', 'discrepancies-listed'])
    .optional()
    .describe('approved for return to service, or inspected with a signed list of discrepancies given'),
  listCleared: z
    .strictObject({
      on: dateSchema.describe('day on which every item was cleared'),
      by: signature.describe('who approved the aircraft then'),
      recordedAt: instantSchema
        .optional()
        .describe(
          'when that was written down, where it came after the entry; absent takes the entry’s own time',
        ),
    })
    .optional()
    .describe('when and by whom the list was cleared and the aircraft approved'),
  signedBy: signature
    .optional()
    .describe('who signed the inspection; absent or incomplete, and it does not count'),
  testedToFeet: z
    .number()
    .min(0)
    .max(60_000)
    .optional()
    .describe('for an altimeter test: highest altitude tested, feet'),
  excess: z
    .enum(['en-route-to-inspection', 'flown-on-uses-without-the-limit'])
    .optional()
    .describe('only when completed past its hours: why; absent takes the excess off the next interval'),
});

const discrepancy = z.strictObject({
  happenedAt,
  recordedAt,
  what: textSchema(2000).describe('what was found'),
  where: textSchema(200).optional().describe('where on the aircraft'),
  foundBy: textSchema(120).optional().describe('name of the finder'),
  classification: z
    .enum(CLASSIFICATIONS)
    .optional()
    .describe('what it means for flying, strictest first; absent counts as ground-until-mechanic'),
  closesUses: z
    .array(z.enum(CLOSED_USES))
    .optional()
    .describe(
      'for deferral-path: the uses that need the item by the walk-round list; they stay closed until it is repaired, beside those that the lists and rules need it for',
    ),
  equipment: z
    .array(z.enum(EQUIPMENT_KINDS))
    .optional()
    .describe(
      'the instruments and equipment that are inoperative, or of which one may be; one on the deferral path that names none closes everything',
    ),
  deferral: deferral.optional(),
  watch: watch.optional(),
  triage: triages
    .optional()
    .describe('what people decided about it who looked at it, by id; absent states that nobody has'),
  knownMark: idKey.optional().describe('id of the lasting mark that it is, on the damage map'),
  rectification: z
    .strictObject({
      recordedAt,
      work: z
        .enum(RECTIFYING)
        .optional()
        .describe('kind of work: decides which certificate must stand behind it'),
      description: textSchema(4000).optional().describe('description of the work'),
      completedOn: dateSchema.optional().describe('day on which the work was completed'),
      signedBy: signature.optional().describe('who approved the return to service'),
      preventive,
      major: z
        .boolean()
        .optional()
        .describe(
          'a major repair, which an inspection authorisation or a repair station approves; absent states that it was none',
        ),
    })
    .optional()
    .describe('what was done and the approval for return to service; an incomplete one closes nothing'),
});

const place = z
  .strictObject({
    name: textSchema(80).describe('name of the field'),
    latitude: z.number().min(-90).max(90).describe('degrees, north positive'),
    longitude: z.number().min(-180).max(180).describe('degrees, east positive'),
    timeZone: zoneSchema.describe('dates of the records hold to local midnight here'),
  })
  .describe('a place on the ground');

const flight = z
  .strictObject({
    id: idKey.optional().describe('your name for the flight'),
    starts: instantSchema.describe('moment off blocks'),
    ends: instantSchema.describe('moment on blocks'),
    airborne: hoursSchema
      .optional()
      .describe('planned time in the air, h; absent takes the whole time from start to end'),
    purpose: z.enum(DIMENSIONS.purpose).optional().describe('what the flight is for'),
    crew: z
      .enum(DIMENSIONS.crew)
      .optional()
      .describe('who flies: a student alone, two pilots under instruction, a rated pilot'),
    rules: z.enum(DIMENSIONS.rules).optional().describe('flight rules'),
    range: z
      .enum(DIMENSIONS.range)
      .optional()
      .describe('inside the club’s local area, beyond it, or across a border'),
    light: z
      .array(z.enum(DIMENSIONS.light))
      .min(1)
      .optional()
      .describe(
        'light values that it touches elsewhere; those at the place are worked out from the sun and always count',
      ),
    transponderAirspace: yesNo('enters airspace that needs a transponder'),
    adsbAirspace: yesNo('enters airspace that needs ADS-B Out'),
    beyondGlideOverWater: yesNo('goes over water beyond gliding distance of the shore'),
    passengers: yesNo('carries anybody who is not crew'),
    places: z.array(place).optional().describe('other places that it touches; the light there counts too'),
    persons: z.int().min(0).max(100).optional().describe('people aboard, the pilot included'),
    loadKg: z.number().min(0).max(10_000).optional().describe('people and baggage, kg'),
    landings: z.int().min(0).max(1000).optional().describe('planned landings; absent may be many'),
    towLaunches: z.int().min(0).max(1000).optional().describe('planned tow launches'),
    alternateMinutes: z
      .int()
      .min(0)
      .max(600)
      .optional()
      .describe(
        'minutes from the destination to the alternate, for instrument flights; 0 states that none is needed',
      ),
    fuelAboard: volumeSchema
      .optional()
      .describe('usable fuel planned to be aboard at the start; absent takes what was dipped'),
    reliesOnVor: yesNo('its navigation relies on VOR receivers'),
    reliesOnDatabase: yesNo('its navigation relies on the database'),
    altitudeFeet: z
      .int()
      .min(0)
      .max(60_000)
      .optional()
      .describe(
        'highest altitude that it is planned to fly at, feet above the sea; asked of instrument flights',
      ),
    authorisedWithout: z
      .array(z.enum(AUTHORISED_WITHOUT))
      .optional()
      .describe(
        'what air traffic control has authorised this flight to enter such airspace without; absent is nothing',
      ),
    exceptedAirspace: yesNo(
      'enters such airspace only where an aircraft without an engine-driven electrical system needs no transponder: outside classes A, B and C and below their ceilings, or high up',
    ),
    trainingWithin50Miles: yesNo(
      'training that stays within 50 NM of the field, for an aircraft without an ELT',
    ),
  })
  .describe('a planned flight; what it does not say, it may need every value of');

const pack = z.discriminatedUnion('id', [
  z.strictObject({
    id: z.literal('us-part91').describe('rules of 14 CFR parts 39, 43, 47 and 91'),
    parameters: parametersSchema(usPart91.parameters)
      .optional()
      .describe('what the operator states about itself'),
  }),
  z.strictObject({
    id: z.literal('au-maintenance-release').describe('rules of the Australian maintenance-release system'),
  }),
  z.strictObject({
    id: z.literal('club-policy').describe('the club’s own rules, which only restrict'),
    parameters: parametersSchema(clubPolicy.parameters)
      .optional()
      .describe('the club’s choices; absent takes the strictest words and the usual numbers'),
    pack: clubPackSchema
      .optional()
      .describe('a whole club pack in place of parameters: choices and rules of the club’s own'),
  }),
]);

const records = <T extends z.ZodType>(record: T, meaning: string) =>
  z.record(idKey, record).optional().describe(meaning);

/** A case: one aircraft's facts, the rules that judge it, the moment, and possibly a planned flight. After `extends` was resolved. */
export const caseSchema = z
  .strictObject({
    format: z.literal('groval-case').describe('names this format'),
    version: z
      .literal(CASE_VERSION)
      .describe('version of the format; a reader refuses one that it does not know'),
    about: z.string().max(4000).optional().describe('what the case shows, for people'),
    asOf: instantSchema.describe('the moment of the decision; only what was recorded by then is used'),
    place: place.describe('the field'),
    packs: z
      .array(pack)
      .min(1)
      .refine(
        (packs) => packs.filter(({ id }) => id !== 'club-policy').length === 1,
        'expected exactly one authority’s pack: us-part91 or au-maintenance-release',
      )
      .refine(
        (packs) => packs.filter(({ id }) => id === 'club-policy').length <= 1,
        'expected club-policy at most once',
      )
      .refine(
        (packs) =>
          packs.every(
            (one) => one.id !== 'club-policy' || one.pack === undefined || one.parameters === undefined,
          ),
        'expected either parameters or a whole pack, not both',
      )
      .describe('the rule packs'),
    aircraft: z
      .strictObject({
        registration: registrationSchema.describe(
          'registration as painted: 2 to 10 capital letters, digits or hyphens',
        ),
        category: z.enum(CATEGORIES).optional().describe('certification category; absent is unknown'),
        firstFlownOn: dateSchema.optional().describe('day of its first flight; absent is unknown'),
        approvedFor: z
          .union([z.literal('all'), z.array(box).min(1)])
          .optional()
          .describe(
            'everything it is fitted and approved for: the uses in any of the boxes; all means every use there is; absent is unknown',
          ),
        ...particulars,
      })
      .describe('the aircraft itself'),
    documents: z
      .record(idKey, document)
      .optional()
      .describe('document checks by id; the latest of a kind counts'),
    inspections: z.record(idKey, inspection).optional().describe('inspection entries by id'),
    meterReadings: records(reading, 'meter readings by id'),
    panelMeters: records(
      panelMeter,
      'meters as they hang in the panel, by id: one that took another’s place goes on from what that one showed',
    ),
    panelReadings: records(
      panelReading,
      'what meters in the panel showed, by id; each counts as a reading of every meter that it counts towards',
    ),
    discrepancies: records(discrepancy, 'discrepancies by id; none states that none is open'),
    equipment: records(equipmentList, 'equipment lists by id; the latest counts, none is unknown'),
    items: records(
      item,
      'life limits, services and dated items by id; absent is unknown, an empty object states that there are none',
    ),
    ads: records(
      ad,
      'airworthiness directives by id; absent is unknown, an empty object states that there are none',
    ),
    elts: records(elt, 'the ELT by id; the latest counts'),
    vorChecks: records(vorCheck, 'VOR checks by id; the latest counts'),
    databases: records(database, 'databases aboard by id; the newest of each content counts'),
    fuelStretches: records(fuelStretch, 'stretches of engine time by grade of fuel burnt'),
    work: records(work, 'maintenance work by id'),
    permits: records(permit, 'special flight permits by id'),
    releases: records(release, 'maintenance releases by id; the one issued last counts'),
    dailyInspections: records(dailyInspection, 'daily inspections by id'),
    flightsOut: records(flightOut, 'flights that left, by id'),
    dispatchRestrictions: records(dispatchRestriction, 'what somebody on duty closed, by id'),
    clubDocuments: records(clubDocument, 'insurance and club documents by id; the latest of a name counts'),
    towRopes: records(towRope, 'tow ropes by id; the latest counts'),
    minimumLists: records(minimumList, 'approved minimum equipment lists by id; the latest counts'),
    riggings: records(rigging, 'when a glider was rigged or derigged, by id; the latest counts'),
    strikes: records(
      strike,
      'entries that were struck out: each stops counting from the moment at which it was struck out',
    ),
    ramp: ramp.optional(),
    estimates: records(estimate, 'what acts take; they choose between remedies and never decide'),
    flight: flight.optional(),
    flights: z
      .record(idKey, flight.omit({ id: true }))
      .optional()
      .describe('planned flights for a timeline, by id'),
    wanted: z
      .array(part)
      .min(1)
      .optional()
      .describe('uses that somebody wants, without a flight: each of them must be open'),
  })
  .superRefine((given, context) => {
    for (const { path, message } of panelProblems(given))
      context.addIssue({ code: 'custom', path: [...path], message });
  })
  .describe(
    'A case: facts of one aircraft, the rule packs, a moment, and possibly a planned flight. Records are keyed by an id of your choice. An absent fact is unknown, and unknown closes exactly what failing would close.',
  );

/** A checked case. */
export type CaseFile = z.output<typeof caseSchema>;
