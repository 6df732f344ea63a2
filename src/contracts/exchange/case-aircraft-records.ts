// Records of the case format about the aircraft itself: what it is, what it carries, what hangs on it.
import { CLOSED_USES, REPAIR_CATEGORIES } from '../../core/records/findings/discrepancy';
import { z } from 'zod';
import { AIRCRAFT_CLASSES, IFR_NAVIGATION, PROGRAMMES } from '../../core/records/aircraft/aircraft';
import { EQUIPMENT_KINDS } from '../../core/records/aircraft/equipment';
import { FUEL_GRADES, QUANTITY_NAMES, QUANTITIES } from '../../core/records/walkround/measurement';
import { parseMeasure, unitsOf } from '../../core/quantities/measure';
import { dateSchema, textSchema } from '../kernel/scalars';
import {
  happenedAt,
  noExpiry,
  part,
  recordedAt,
  signature,
  uses,
  volumeSchema,
  which,
  whole,
  yesNo,
} from './case-parts';

export const measured = (
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
export const quantity = z
  .enum(QUANTITY_NAMES as [(typeof QUANTITY_NAMES)[number], ...(typeof QUANTITY_NAMES)[number][]])
  .describe('what is measured');
export const unit = z
  .string()
  .max(10)
  .describe(
    'unit: L, US gal, imp gal, US qt, mL for oil and fuel; mm, cm, in for lengths; V; rpm; psi, kPa, bar; good for what is looked at (1 good, 0 not)',
  );
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
export const minimumItem = z
  .strictObject({
    code: textSchema(40).describe('its number on the list'),
    name: textSchema(200).describe('as the list names it'),
    equipment: z
      .array(z.enum(EQUIPMENT_KINDS))
      .min(1)
      .describe('which kinds of equipment it is; a finding on another kind is not deferred by it'),
    category: z
      .enum(Object.keys(REPAIR_CATEGORIES) as (keyof typeof REPAIR_CATEGORIES)[])
      .optional()
      .describe('repair category; absent states that the list gives it none'),
    days: z.int().min(1).max(3650).optional().describe('calendar days, for category A'),
    installed: z.int().min(1).max(99).describe('number installed'),
    required: z.int().min(0).max(99).describe('number that must work for a flight'),
    operations: textSchema(1000).optional().describe('what the pilot does while it is inoperative'),
    maintenance: textSchema(1000).optional().describe('what a mechanic does before it is deferred'),
    closes: z
      .array(z.enum(CLOSED_USES))
      .optional()
      .describe('uses that the remarks close while it is inoperative'),
  })
  .refine(({ category, days }) => (category === 'A') === (days !== undefined), {
    message: 'category A has days of its own, and no other has',
    path: ['days'],
  })
  .refine(({ installed, required }) => required <= installed, {
    message: 'more are required than are installed',
    path: ['required'],
  });
export const minimumList = z
  .strictObject({
    happenedAt,
    recordedAt,
    revision: textSchema(80).describe('as the list names its revision'),
    approvedOn: dateSchema.describe('day on which the authority approved it'),
    items: z
      .array(minimumItem)
      .max(400)
      .refine((items) => new Set(items.map(({ code }) => code)).size === items.length, {
        message: 'two items have the same number',
      })
      .describe('its items; an empty list states that the aircraft has no list any more'),
  })
  .describe('the aircraft’s approved minimum equipment list; what does not stand on it is not deferred');
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
