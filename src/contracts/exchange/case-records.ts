import { z } from 'zod';
import { DIMENSION_NAMES, DIMENSIONS } from '../../core/envelope/dimensions';
import { AIRCRAFT_CLASSES, IFR_NAVIGATION, PROGRAMMES } from '../../core/records/aircraft/aircraft';
import { CERTIFICATE_KINDS, SIGNED_WORK } from '../../core/records/club/certificate';
import { REPAIR_CATEGORIES } from '../../core/records/findings/discrepancy';
import { EQUIPMENT_KINDS } from '../../core/records/aircraft/equipment';
import { ITEM_BASES, ITEM_KINDS } from '../../core/records/maintenance/maintenance-item';
import { PREVENTIVE_TASKS, type PreventiveTask } from '../../core/records/maintenance/preventive-maintenance';
import {
  FUEL_GRADES,
  QUANTITY_NAMES,
  QUANTITIES,
  SAMPLE_RESULTS,
} from '../../core/records/walkround/measurement';
import { COUNTERS, HOUR_METERS } from '../../core/records/meters/meters';
import { parseMeasure, unitsOf } from '../../core/quantities/measure';
import { VOLUME_UNITS, parseVolume, type VolumeUnit } from '../../core/quantities/volume';
import { ACTS } from '../../core/rules/parts/constraint';
import { dateSchema, hoursSchema, instantSchema, registrationSchema, textSchema } from '../kernel/scalars';

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
const whole = (meaning: string, most = 1_000_000) =>
  z.int('expected a whole number').min(0).max(most).describe(meaning);
const noExpiry = z.union([z.literal('no-expiry'), dateSchema]);

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

/** Which item of preventive maintenance. */
export const preventive = z
  .enum(PREVENTIVE_TASKS as [PreventiveTask, ...PreventiveTask[]])
  .optional()
  .describe(
    'the item of preventive maintenance that it is, by its number in 14 CFR part 43 appendix A(c): an entitled pilot returns it to service; absent states that it is none',
  );

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

const measured = (
  given: { readonly quantity: (typeof QUANTITY_NAMES)[number]; readonly unit: string },
  amount: number | undefined,
  field: string,
  context: z.RefinementCtx,
): number | null => {
  if (amount === undefined) return null;
  const found = parseMeasure(String(amount), given.unit, QUANTITIES[given.quantity]);
  if (found !== undefined) return found;
  context.addIssue({
    code: 'custom',
    path: [field],
    message: `expected an amount of ${given.quantity} in ${unitsOf(QUANTITIES[given.quantity]).join(', ')} with at most three decimals, got ${amount} ${given.unit}`,
  });
  return null;
};
const quantity = z
  .enum(QUANTITY_NAMES as [(typeof QUANTITY_NAMES)[number], ...(typeof QUANTITY_NAMES)[number][]])
  .describe('what is measured');
const unit = z
  .string()
  .max(10)
  .describe(
    'unit: L, US gal, imp gal, US qt, mL for oil and fuel; mm, cm, in for lengths; V; rpm; psi, kPa, bar; good for what is looked at (1 good, 0 not)',
  );
const which = textSchema(40).optional().describe('which of several: a tank, a side, a battery');

const measureLimit = z
  .strictObject({
    quantity,
    which,
    unit,
    min: z.number().min(0).optional().describe('least permissible value, itself inside'),
    max: z.number().min(0).optional().describe('largest permissible value, itself inside'),
    open: z.boolean().optional().describe('true where the limit itself is outside already; absent is false'),
    uses,
    remedy: z
      .enum(['top-up', 'service', 'mechanic'])
      .describe('what helps: a step before flight, or a mechanic'),
    everyFlight: z
      .boolean()
      .optional()
      .describe(
        'must be measured before each flight once a walk-round is part of the question; absent is false, but oil always is',
      ),
  })
  .transform((given, context) => ({
    ...given,
    min: measured(given, given.min, 'min', context),
    max: measured(given, given.max, 'max', context),
  }));

/** What rules ask of the aircraft as built. */
export const particulars = {
  serialNumber: textSchema(40).optional().describe('maker’s serial number; absent is unknown'),
  manufacturedOn: dateSchema
    .optional()
    .describe('day of manufacture: decides about harnesses; absent is unknown'),
  certificatedOn: dateSchema
    .optional()
    .describe(
      'day of its type’s certification: decides about anticollision lights by day; absent is unknown',
    ),
  seats: whole('seats, the pilot’s included; absent is unknown', 20).optional(),
  engine: z
    .union([
      z.literal('none'),
      z.strictObject({
        cooling: z.enum(['air', 'liquid']).describe('how it is cooled'),
        altitude: z.boolean().describe('an altitude engine, which needs a manifold pressure gauge'),
      }),
    ])
    .optional()
    .describe('none, or what instruments depend on; absent is unknown'),
  gear: z.enum(['fixed', 'retractable']).optional().describe('landing gear; absent is unknown'),
  aircraftClass: z
    .enum(AIRCRAFT_CLASSES)
    .optional()
    .describe(
      'aeroplane or glider: decides which lists of equipment ask; absent counts as aeroplane, of which more is asked',
    ),
  fuses: yesNo('has fuses that the pilot can replace in flight; only then spares are asked for'),
  engineDrivenElectrical: yesNo(
    'was certificated with an engine-driven electrical system, or has one now; without one it is excepted from some of the airspace that needs a transponder',
  ),
  keptRigged: yesNo('for a glider: stays rigged between flights'),
  programme: z
    .enum(PROGRAMMES)
    .optional()
    .describe(
      'annual and 100-hour inspections, or a progressive programme by segments that stand among the items; absent counts as annual',
    ),
  ifrNavigation: z
    .enum(IFR_NAVIGATION)
    .optional()
    .describe('what its navigation by instruments rests on; absent is unknown'),
  manualRevision: textSchema(40)
    .optional()
    .describe(
      'revision of its flight manual that is in force, or none where it has no revisions; absent is unknown',
    ),
  minimumEquipmentList: z
    .enum(['approved', 'none'])
    .optional()
    .describe('approved: with a letter of authorisation aboard; absent counts as none'),
  fuel: z
    .strictObject({
      burnPerHour: volumeSchema
        .optional()
        .describe('fuel burnt in an hour at normal cruise; absent is unknown'),
      minimum: volumeSchema.optional().describe('handbook minimum for flight; absent states none'),
      tanks: z
        .array(
          z.strictObject({
            id: textSchema(40).describe('name of the tank'),
            usable: volumeSchema.describe('usable fuel when full'),
          }),
        )
        .describe('its tanks'),
      drains: z
        .array(textSchema(40))
        .min(1)
        .optional()
        .describe(
          'its fuel drains by name; absent is unknown, and then only a sample of every drain is enough',
        ),
      grades: z
        .array(z.enum(FUEL_GRADES))
        .min(1)
        .optional()
        .describe('grades of fuel that it is approved for; absent is unknown'),
    })
    .optional()
    .describe('fuel figures of its handbook; absent is unknown'),
  authorised: z
    .array(z.enum(['night', 'instruments']))
    .optional()
    .describe(
      'what the operating limitations of an experimental aircraft authorise beyond flight by day and visually; absent authorises nothing',
    ),
  measured: z
    .array(measureLimit)
    .optional()
    .describe('limits of what is measured on the ramp; absent states none'),
};

const interval = {
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
const intervalSchema = z
  .strictObject(interval)
  .describe('how long it counts: whichever comes first of all that is given');
const adInterval = z
  .strictObject({
    ...interval,
    whichever: z
      .enum(['first', 'later'])
      .optional()
      .describe('whether the first or the later of all that is given decides; absent is first'),
  })
  .describe('how long it counts');
const readingsThen = z
  .strictObject({
    hours: z.partialRecord(z.enum(HOUR_METERS), hoursSchema).optional().describe('hour meters, h'),
    counts: z.partialRecord(z.enum(COUNTERS), whole('count')).optional().describe('counters'),
  })
  .optional()
  .describe('what the meters showed then; one that is absent is unknown');
const doing = {
  recordedAt,
  completedOn: dateSchema.describe('day on which it was done: when it happened'),
  readings: readingsThen,
  excessOnFreeUses: z
    .boolean()
    .optional()
    .describe(
      'true where the excess was flown on uses that need no such limit, so that it is not taken off; absent takes it off',
    ),
  signedBy: signature.optional().describe('who signed; absent or incomplete, and it does not count'),
};

export const item = z
  .strictObject({
    recordedAt,
    name: textSchema(120).describe('what it is, for people'),
    kind: z.enum(ITEM_KINDS).describe('decides its source'),
    interval: intervalSchema.optional(),
    until: noExpiry.optional().describe('date printed on it, or no-expiry'),
    uses,
    overrun: z
      .strictObject({ meter: z.enum(HOUR_METERS).describe('meter'), by: hoursSchema.describe('hours') })
      .optional()
      .describe('how far it may be flown past on the way to the workshop; absent states not at all'),
    excess: z
      .enum(['taken-off', 'not-taken-off'])
      .optional()
      .describe('whether an excess is taken off the next interval; absent takes it off'),
    signedAs: z
      .enum(SIGNED_WORK)
      .optional()
      .describe('what it is signed as, which decides who may; absent is return-to-service'),
    basis: z
      .enum(ITEM_BASES)
      .optional()
      .describe(
        'what makes an overhaul binding; absent counts as recommended, and then it is told and closes nothing',
      ),
    oilLife: z
      .strictObject({
        leaded: hoursSchema.describe('hours of engine time on leaded fuel alone'),
        unleaded: hoursSchema.describe('hours on unleaded alone'),
      })
      .optional()
      .describe('for an oil change: its life by the fuel burnt'),
    done: z
      .record(idKey, z.strictObject(doing))
      .optional()
      .describe('when it was done, by id; none states that it never was'),
  })
  .describe('a life limit, service, check or dated thing');

export const ad = z
  .strictObject({
    recordedAt,
    number: textSchema(60).describe('its number'),
    title: textSchema(200).describe('what it is about'),
    applies: yesNo('applies to this aircraft'),
    effectiveOn: dateSchema.optional().describe('day on which it took effect; absent is unknown'),
    initial: adInterval
      .optional()
      .describe('first limit after it took effect; absent means before further flight'),
    component: z
      .strictObject({
        name: textSchema(120).describe('the part'),
        meter: z.enum(HOUR_METERS).describe('the meter that runs with it'),
        limit: hoursSchema.describe('hours of the part by which it is first complied with'),
        hoursThen: hoursSchema
          .optional()
          .describe('hours that the part had when it was put in; absent is unknown'),
        readingThen: hoursSchema.optional().describe('what the meter showed then; absent is unknown'),
      })
      .optional()
      .describe('a limit on the hours of a part, beside initial; absent states none'),
    readingsThen,
    noFerry: yesNo('forbids the ferry flight on a special permit'),
    equipment: z
      .array(z.enum(EQUIPMENT_KINDS))
      .optional()
      .describe(
        'instruments and equipment that it wants in working order; an empty list states none; absent is unknown, and then it may be any that is inoperative',
      ),
    methods: z
      .record(
        idKey,
        z.strictObject({
          name: textSchema(200).describe('what is done'),
          repeats: adInterval.optional().describe('how long it holds; absent ends the AD for good'),
          pilotMaySign: z
            .boolean()
            .optional()
            .describe('the AD itself lets a pilot do and sign it; absent states that it does not'),
        }),
      )
      .describe('ways to comply, by id'),
    done: z
      .record(
        idKey,
        z.strictObject({
          ...doing,
          method: idKey.optional().describe('id of the method used; absent or unknown does not count'),
        }),
      )
      .optional()
      .describe('compliances by id'),
  })
  .describe('an airworthiness directive');

const asked = z
  .union([z.enum(['no', 'always']), z.array(part).min(1)])
  .optional()
  .describe('no, always, or the uses that ask for it; absent is unknown, which asks always');
const equipmentLine = z.union([
  z.enum(['fitted', 'not-fitted']),
  z.strictObject({
    fitted: yesNo('fitted'),
    typeCertification: yesNo('part of the type certification for day VFR'),
    equipmentList: asked,
    kindsOfOperation: asked,
    expiresOn: noExpiry.optional().describe('its own date, or no-expiry; absent is unknown'),
  }),
]);
export const equipmentList = z
  .strictObject({
    happenedAt,
    recordedAt,
    approved: yesNo('compared with a list that the authority or the maker approved'),
    items: z
      .partialRecord(z.enum(EQUIPMENT_KINDS), equipmentLine.describe('fitted, not-fitted, or the whole line'))
      .describe('the lines by kind; a kind that is not named is unknown'),
  })
  .describe('the equipment list as somebody compared it with the aircraft');

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

export const deferral = z
  .strictObject({
    recordedAt,
    deferredOn: dateSchema.optional().describe('day of record'),
    action: z.enum(['removed', 'deactivated']).optional().describe('what was done to the item'),
    placarded: yesNo('placarded Inoperative'),
    entered: z
      .union([z.boolean(), z.literal('not-maintenance')])
      .optional()
      .describe(
        'entered in the maintenance record, or the stated value that it was no maintenance; absent is unknown',
      ),
    noHazard: signature
      .optional()
      .describe('determination by a rated pilot or mechanic that it is no hazard'),
    until: dateSchema.optional().describe('latest date; absent sets none of its own'),
    untilTimeInService: hoursSchema.optional().describe('latest time in service, h'),
    closes: z.array(part).optional().describe('uses that it closes beyond what the rules do'),
    cap: cap.optional().describe('a number that flights are held to'),
    listed: z
      .strictObject({
        category: z
          .enum(
            Object.keys(REPAIR_CATEGORIES) as [
              keyof typeof REPAIR_CATEGORIES,
              ...(keyof typeof REPAIR_CATEGORIES)[],
            ],
          )
          .describe('repair category'),
        days: whole('days, for category A', 3660).optional(),
      })
      .optional()
      .describe('under an approved minimum equipment list'),
  })
  .describe('an inoperative item left open; incomplete, and it is not lawful');

export const watch = z
  .strictObject({
    recheckBy: dateSchema.optional().describe('re-checked by this day'),
    recheckAt: hoursSchema.optional().describe('re-checked by this time in service, h'),
    correctBy: dateSchema.optional().describe('corrected by this day'),
  })
  .describe('when a watched thing is re-checked');

export const elt = z
  .strictObject({
    happenedAt,
    recordedAt,
    state: z
      .enum(['fitted', 'removed-for-repair', 'deactivated', 'not-fitted'])
      .optional()
      .describe('absent is unknown'),
    batteryReplaceBy: dateSchema.optional().describe('date marked on its outside; absent is unknown'),
    usedMinutes: z
      .number()
      .min(0)
      .max(100_000)
      .optional()
      .describe('minutes that it transmitted since the battery was replaced; absent is unknown'),
    removedOn: dateSchema.optional().describe('day on which it was removed or deactivated'),
    removalEntered: yesNo('entry with date, make, model, serial number and reason'),
    removalPlacarded: yesNo('placard up'),
    noHazard: signature
      .optional()
      .describe(
        'for one that is deactivated: determination by a rated pilot or mechanic that it is no hazard',
      ),
  })
  .describe('the ELT as it stands');

export const vorCheck = z
  .strictObject({
    happenedAt,
    recordedAt,
    method: z
      .enum(['test-signal', 'ground-point', 'airborne-point', 'airway', 'dual'])
      .optional()
      .describe('how it was checked; absent is unknown'),
    errorDegrees: z
      .number()
      .min(0)
      .max(180)
      .optional()
      .describe('largest bearing error, degrees, one decimal; for dual the difference between the two'),
    place: textSchema(120).optional().describe('where'),
    signedBy: textSchema(120).optional().describe('name'),
  })
  .describe('a VOR check');

export const database = z
  .strictObject({
    happenedAt,
    recordedAt,
    content: z.enum(['navigation', 'obstacles', 'terrain', 'charts']).describe('what it holds'),
    effectiveOn: dateSchema.optional().describe('first day of its 28-day cycle'),
    lastDay: dateSchema.optional().describe('last day shown on the screen; wins over computing it'),
  })
  .describe('a database aboard');

export const fuelStretch = z
  .strictObject({
    recordedAt,
    from: hoursSchema.describe('engine time at its start, h'),
    to: hoursSchema.describe('engine time at its end, h'),
    grade: z.enum(['leaded', 'unleaded']).optional().describe('absent counts as leaded'),
  })
  .describe('a stretch of engine time with the grade of fuel burnt');

export const work = z
  .strictObject({
    recordedAt,
    completedOn: dateSchema.optional().describe('day of completion'),
    description: textSchema(4000).optional().describe('what was done'),
    signedBy: signature.optional(),
    major: z
      .boolean()
      .optional()
      .describe(
        'a major repair or alteration, which an inspection authorisation or a repair station approves; absent states that it was none',
      ),
    preventive,
    mayChangeFlight: yesNo('could have changed the flight characteristics appreciably'),
    groundTestsConclusive: yesNo('ground tests showed conclusively that it did not'),
    checkFlight: z
      .strictObject({
        recordedAt,
        on: dateSchema.describe('day'),
        pilot: signature.describe('who flew it'),
        logged: yesNo('logged in the record'),
      })
      .optional()
      .describe('the check flight after it'),
    flightControls: yesNo('work on flight controls'),
    independentInspection: z
      .strictObject({
        recordedAt,
        on: dateSchema.describe('day'),
        by: signature.describe('the second person'),
      })
      .optional()
      .describe('second inspection of flight controls'),
    staticOpened: yesNo('the static system was opened'),
    altitudeReportingTouched: yesNo('could let the transponder report a wrong altitude'),
    weightChanged: yesNo('weighed, or equipment changed'),
  })
  .describe('maintenance that is not an answer to a finding');

export const permit = z
  .strictObject({
    recordedAt,
    number: textSchema(60).optional().describe('its number'),
    registrationShown: registrationSchema.optional().describe('registration on it'),
    validFrom: dateSchema.optional().describe('first day'),
    validUntil: dateSchema.optional().describe('last day'),
    uses: z
      .array(part)
      .optional()
      .describe(
        'what it allows, within flights to the workshop without passengers; absent allows all of those',
      ),
    untilTimeInService: hoursSchema.optional().describe('time in service at which it ends, h'),
    aboard: yesNo('aboard'),
    safeForFlight: z
      .strictObject({ on: dateSchema.describe('day'), by: signature.describe('mechanic') })
      .optional()
      .describe('statement that the aircraft is safe for this flight'),
  })
  .describe('a special flight permit; incomplete, and it opens nothing');

export const release = z
  .strictObject({
    recordedAt,
    registrationShown: registrationSchema.optional().describe('registration on it'),
    issuedOn: dateSchema.optional().describe('day of issue'),
    issuedAt: hoursSchema.optional().describe('time in service at issue, h'),
    expiresOn: dateSchema.optional().describe('printed expiry date, to the day'),
    expiresAt: hoursSchema.optional().describe('printed expiry hours'),
    signedBy: signature.optional(),
    aboard: yesNo('carried aboard'),
    standing: z.enum(['in-force', 'suspended', 'cancelled']).optional().describe('absent is unknown'),
    required: z
      .record(
        idKey,
        z.strictObject({
          what: textSchema(200).describe('work'),
          by: dateSchema.optional().describe('latest day'),
          at: hoursSchema.optional().describe('latest time in service, h'),
          certified: z
            .strictObject({ recordedAt, on: dateSchema.describe('day'), by: signature.describe('who') })
            .optional()
            .describe('when and by whom it was done'),
        }),
      )
      .optional()
      .describe('its part one: maintenance required before it expires'),
  })
  .describe('an Australian maintenance release');

export const dailyInspection = z
  .strictObject({ recordedAt, on: dateSchema.describe('day that it is for'), signedBy: signature.optional() })
  .describe('a daily inspection');
export const flightOut = z
  .strictObject({
    happenedAt,
    recordedAt,
    by: textSchema(120).optional().describe('who has the aircraft'),
    airborne: hoursSchema
      .optional()
      .describe(
        'planned time in the air, h; counts until somebody reads the meters; absent takes the whole time until it came back',
      ),
    returned: z
      .strictObject({ recordedAt, at: instantSchema.describe('when it came back') })
      .optional()
      .describe('absent while it is out'),
  })
  .describe('a flight that left');
export const strike = z
  .strictObject({ recordedAt, record: idKey.describe('id of the entry that was struck out') })
  .describe('an entry that was struck out');
export const dispatchRestriction = z
  .strictObject({
    happenedAt,
    recordedAt,
    by: textSchema(120).describe('who'),
    why: textSchema(400).describe('reason'),
    uses,
    cap: cap.optional().describe('hold to a number instead of closing'),
    until: instantSchema.optional().describe('when it ends by itself'),
    withdrawn: z.strictObject({ recordedAt }).optional().describe('when it was taken back'),
  })
  .describe('what somebody on duty closed beyond the records');
export const clubDocument = z
  .strictObject({
    happenedAt,
    recordedAt,
    kind: z.enum(['insurance', 'club']).describe('kind'),
    name: textSchema(120).describe('name'),
    validUntil: noExpiry.optional().describe('last day, or no-expiry; absent is unknown'),
    uses,
  })
  .describe('insurance or a club document');
const grams = (meaning: string) =>
  z.int('expected whole pounds').min(0).max(1_000_000).describe(`${meaning}, whole lb`);
export const towRope = z
  .strictObject({
    happenedAt,
    recordedAt,
    strength: grams('breaking strength of the rope').optional(),
    sound: yesNo('no knot, no broken strand'),
    gliderLink: z
      .union([z.literal('none'), grams('breaking strength')])
      .optional()
      .describe('weak link at the glider, lb, or none'),
    tugLink: z
      .union([z.literal('none'), grams('breaking strength')])
      .optional()
      .describe('weak link at the tug, lb, or none'),
    gliderWeight: grams('maximum certificated operating weight of the glider').optional(),
  })
  .describe('rope and links for a tow');

export const rigging = z
  .strictObject({
    happenedAt,
    recordedAt,
    state: z.enum(['rigged', 'derigged']).describe('what was done'),
    assemblyCheckedBy: textSchema(120)
      .optional()
      .describe('who went through the list of critical assemblies; absent is nobody known'),
    controlsCheckedBy: textSchema(120)
      .optional()
      .describe('who held the surfaces against the controls; absent is nobody known'),
    toolsComplete: yesNo('tools and parts were counted and none is missing'),
  })
  .describe('that a glider was rigged or derigged');

const fuelCleared = z
  .strictObject({ recordedAt, on: dateSchema.describe('day'), by: signature.describe('mechanic') })
  .describe('that a mechanic dealt with fuel that was suspect');

export const ramp = z
  .strictObject({
    measurements: z
      .record(
        idKey,
        z
          .strictObject({
            happenedAt,
            recordedAt,
            quantity,
            which,
            unit,
            value: z.number().min(0).describe('the value in its unit, at most three decimals'),
          })
          .transform((given, context) => ({
            ...given,
            value: measured(given, given.value, 'value', context) ?? 0,
          })),
      )
      .optional()
      .describe('what was measured, by id'),
    samples: z
      .record(
        idKey,
        z.strictObject({
          happenedAt,
          recordedAt,
          result: z.enum(SAMPLE_RESULTS).optional().describe('absent is unknown'),
          drain: textSchema(40)
            .optional()
            .describe(
              'the drain by its name, or every where each drain was sampled and showed the same; absent is unknown: its fault may be any drain’s, its good none’s',
            ),
          cleared: fuelCleared.optional(),
        }),
      )
      .optional()
      .describe('fuel samples by id'),
    uplifts: z
      .record(
        idKey,
        z.strictObject({
          happenedAt,
          recordedAt,
          what: z.enum(['fuel', 'oil']).describe('what was put in'),
          added: volumeSchema,
          grade: z.enum(FUEL_GRADES).optional().describe('grade of fuel; absent is unknown'),
          timeInService: hoursSchema.optional().describe('time in service then, h'),
          cleared: fuelCleared.optional(),
        }),
      )
      .optional()
      .describe('fuel and oil put in, by id'),
  })
  .describe(
    'what was found on the ramp. Absent states that the walk-round is not part of the question, and the answer says so; given, what it leaves out is unknown',
  );

export const reading = z.discriminatedUnion('meter', [
  z.strictObject({
    meter: z
      .enum(HOUR_METERS)
      .describe('an hour meter, on the airframe’s, engine’s or propeller’s own basis'),
    happenedAt,
    recordedAt,
    value: hoursSchema.describe('h, at most two decimals'),
  }),
  z.strictObject({
    meter: z.enum(COUNTERS).describe('a counter'),
    happenedAt,
    recordedAt,
    value: whole('count'),
  }),
]);

export const estimate = z
  .strictObject({
    act: z.enum(ACTS).describe('the act'),
    on: textSchema(120).optional().describe('what it is done to; absent is any'),
    minutes: whole('minutes out of service'),
    cost: z.number().min(0).max(10_000_000).describe('cost, at most two decimals'),
  })
  .describe('what an act takes; an act without one takes what is usual, which is an estimate of ours');
