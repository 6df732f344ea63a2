import { z } from 'zod';
import { DIMENSION_NAMES, type FullBox } from '../../core/envelope/dimensions';
import { parseMeasure, unitsOf } from '../../core/quantities/measure';
import type { Volume } from '../../core/quantities/volume';
import { CATEGORIES, type Described } from '../../core/records/aircraft/aircraft';
import type { EquipmentItem } from '../../core/records/aircraft/equipment';
import { QUANTITIES } from '../../core/records/walkround/measurement';
import { OIL_METHODS, PROPELLER_RULES, TABS } from '../../core/records/walkround/ramp-data';
import { dipFault } from '../../core/walkround/dip';
import { FEATURE_NAMES } from '../../core/walkround/features';
import { STEP_CODE } from '../../core/walkround/plan-kinds';
import { box, volumeSchema } from '../exchange/case-parts';
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
} from '../exchange/case-aircraft-records';
import { ad, item } from '../exchange/case-maintenance-records';
import { dateSchema, idSchema, registrationSchema, textSchema } from '../kernel/scalars';

/** Entering an aircraft: who it is. It stays closed until what matters is on record. */
export const newAircraftSchema = z.strictObject({
  aircraftId: idSchema(),
  registration: z.string().trim().toUpperCase().pipe(registrationSchema),
  typeName: textSchema(80),
  category: z.enum(CATEGORIES, 'choose the category of its certificate').nullable(),
  firstFlownOn: dateSchema.nullable(),
  serialNumber: textSchema(40).nullable(),
});
export type NewAircraft = z.output<typeof newAircraftSchema>;

/** What an aircraft is, entered again as a whole: what is left out is not known. */
const description = z.strictObject({
  category: z.enum(CATEGORIES).optional(),
  firstFlownOn: dateSchema.optional(),
  approvedFor: z.array(box).min(1).max(12).optional(),
  ...particulars,
});

/** What the form was opened on: what it takes the place of. Null where nothing was on record. */
const instead = z.string().max(80).nullable();
/** The day on which something was seen or done; absent is now. */
const on = dateSchema.optional();

/** A dipstick: what it reads at some levels, and what is then in the tank. */
const dipStick = z
  .strictObject({
    tank: textSchema(40),
    unit: textSchema(20),
    points: z
      .array(
        z.strictObject({
          reads: z.number().min(0).max(10_000).multipleOf(0.001, 'at most three decimals'),
          holds: volumeSchema,
        }),
      )
      .max(60),
  })
  .transform(({ points, ...stick }, context) => {
    const table = points.map(({ reads, holds }) => ({ reads: Math.round(reads * 1000), holds }));
    const fault = dipFault(table);
    if (fault !== null)
      context.issues.push({
        code: 'custom',
        input: points,
        path: ['points'],
        message: {
          'too-few': 'a stick needs two levels at least',
          'not-rising': 'from one level to the next both figures rise',
          'below-nothing': 'nothing is below 0',
        }[fault],
      });
    return { ...stick, points: table };
  });
/** What the walk-round of an aircraft rests on, entered as a whole. */
const rampData = z.strictObject({
  features: z.array(z.enum(FEATURE_NAMES)).max(FEATURE_NAMES.length),
  without: z.array(z.string().regex(STEP_CODE, 'expected a step of the list')).max(100),
  blades: z.int().min(1).max(6).nullable(),
  tab: z.enum(TABS).nullable(),
  propeller: z.enum(PROPELLER_RULES).nullable(),
  oilMethod: z.enum(OIL_METHODS).nullable(),
  sampleSeconds: z.int().min(1).max(60).nullable(),
  dips: z.array(dipStick).max(8),
});

/** The facts that a record keeper enters, one at a time, in the words of the case format. Completions are signed elsewhere. */
export const FACT_SCHEMAS = {
  description: z.strictObject({ kind: z.literal('description'), instead, description }),
  equipment: z.strictObject({
    kind: z.literal('equipment'),
    instead,
    on,
    list: equipmentList.omit({ happenedAt: true, recordedAt: true }),
  }),
  item: z.strictObject({ kind: z.literal('item'), item: item.omit({ recordedAt: true, done: true }) }),
  ad: z.strictObject({ kind: z.literal('ad'), ad: ad.omit({ recordedAt: true, done: true }) }),
  complete: z.strictObject({ kind: z.literal('complete'), list: z.enum(['items', 'ads']) }),
  elt: z.strictObject({
    kind: z.literal('elt'),
    on, // A determination is signed, and no form takes a signature for it yet.
    elt: elt.omit({ happenedAt: true, recordedAt: true, noHazard: true }),
  }),
  'vor-check': z.strictObject({
    kind: z.literal('vor-check'),
    on,
    check: vorCheck.omit({ happenedAt: true, recordedAt: true }),
  }),
  database: z.strictObject({
    kind: z.literal('database'),
    on,
    database: database.omit({ happenedAt: true, recordedAt: true }),
  }),
  rigging: z.strictObject({
    kind: z.literal('rigging'),
    on,
    rigging: rigging.omit({ happenedAt: true, recordedAt: true }),
  }),
  'tow-rope': z.strictObject({
    kind: z.literal('tow-rope'),
    on,
    rope: towRope.omit({ happenedAt: true, recordedAt: true }),
  }),
  'minimum-equipment-list': z.strictObject({
    kind: z.literal('minimum-equipment-list'),
    instead,
    list: minimumList.omit({ happenedAt: true, recordedAt: true }),
  }),
  'ramp-data': z.strictObject({ kind: z.literal('ramp-data'), instead, data: rampData }),
  'club-document': z.strictObject({
    kind: z.literal('club-document'),
    on,
    paper: clubDocument.omit({ happenedAt: true, recordedAt: true }),
  }),
} as const;

/** One fact about one aircraft. */
export const factSchema = z.strictObject({
  factId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  fact: z.discriminatedUnion('kind', [
    FACT_SCHEMAS.description,
    FACT_SCHEMAS.equipment,
    FACT_SCHEMAS.item,
    FACT_SCHEMAS.ad,
    FACT_SCHEMAS.complete,
    FACT_SCHEMAS.elt,
    FACT_SCHEMAS['vor-check'],
    FACT_SCHEMAS.database,
    FACT_SCHEMAS.rigging,
    FACT_SCHEMAS['tow-rope'],
    FACT_SCHEMAS['minimum-equipment-list'],
    FACT_SCHEMAS['club-document'],
    FACT_SCHEMAS['ramp-data'],
  ]),
});
export type FactEntry = z.output<typeof factSchema>;
export type FactInput = z.input<typeof factSchema>['fact'];

type VolumeInput = NonNullable<NonNullable<DescriptionInput['fuel']>['burnPerHour']>;
const volumeInput = (value: Volume): VolumeInput => {
  const unit = unitFor('pL', [value], 'US gal');
  return { amount: inUnit('pL', value, unit), unit: unit as VolumeInput['unit'] };
};
const absent = <T>(value: T | null): T | undefined => value ?? undefined;
type PartInput = NonNullable<NonNullable<DescriptionInput['measured']>[number]['uses']>[number];
/** A box with every dimension named is a part with every dimension named. */
const partInput = (one: FullBox): PartInput =>
  Object.fromEntries(DIMENSION_NAMES.map((name) => [name, [...one[name]]]));

export type DescriptionInput = z.input<typeof description>;

/** What is on record of an aircraft, as it would be entered again: for a form that changes some of it and loses nothing of the rest. */
export function describedAs({
  category,
  firstFlownOn,
  approvedFor,
  particulars: { fuel, measured, engine, ...plain },
}: Described): DescriptionInput {
  const written = Object.fromEntries(Object.entries(plain).filter(([, value]) => value !== null));
  return {
    ...written,
    category: absent(category),
    firstFlownOn: absent(firstFlownOn),
    engine: absent(engine),
    approvedFor:
      approvedFor === null
        ? undefined
        : approvedFor.map((one) => Object.fromEntries(DIMENSION_NAMES.map((name) => [name, [...one[name]]]))),
    fuel:
      fuel === null
        ? undefined
        : {
            burnPerHour: fuel.burnPerHour === null ? undefined : volumeInput(fuel.burnPerHour),
            minimum: fuel.minimum === null ? undefined : volumeInput(fuel.minimum),
            tanks: fuel.tanks.map(({ id, usable }) => ({ id, usable: volumeInput(usable) })),
            drains: fuel.drains == null ? undefined : [...fuel.drains],
            grades: fuel.grades == null ? undefined : [...fuel.grades],
          },
    measured: measured.map(({ quantity, which, min, max, open, uses, remedy, everyFlight }) => {
      const base = QUANTITIES[quantity];
      const unit = unitFor(base, [min, max]);
      return {
        quantity,
        which: absent(which),
        unit,
        min: min === null ? undefined : inUnit(base, min, unit),
        max: max === null ? undefined : inUnit(base, max, unit),
        open,
        uses: uses === null ? undefined : uses.map(partInput),
        remedy,
        everyFlight,
      };
    }),
  };
}

type Base = (typeof QUANTITIES)[keyof typeof QUANTITIES];

/** A unit that writes both ends of a limit exactly. */
function unitFor(base: Base, values: readonly (number | null)[], first = 'US qt'): string {
  const units =
    base === 'pL'
      ? [first, 'US gal', 'L', 'US qt', 'imp gal', 'mL']
      : base === 'Pa'
        ? ['kPa', 'psi', 'bar']
        : unitsOf(base);
  return (
    units.find((unit) =>
      values.every(
        (value) =>
          value === null
          || parseMeasure((value / (parseMeasure('1', unit, base) ?? 1)).toFixed(3), unit, base) === value,
      ),
    )
    ?? units[0]
    ?? ''
  );
}

const inUnit = (base: Base, value: number, unit: string): number =>
  Number((value / (parseMeasure('1', unit, base) ?? 1)).toFixed(3));

export type EquipmentInput = z.input<typeof FACT_SCHEMAS.equipment>['list']['items'];

/** The same for an equipment list. */
export function listedAs(items: readonly EquipmentItem[]): EquipmentInput {
  const asked = (given: EquipmentItem['equipmentList']) =>
    given === null ? undefined : typeof given === 'string' ? given : given.map(partInput);
  return Object.fromEntries(
    items.map(({ kind, fitted, typeCertification, equipmentList: byList, kindsOfOperation, expiresOn }) => [
      kind,
      {
        fitted: absent(fitted),
        typeCertification: absent(typeCertification),
        equipmentList: asked(byList),
        kindsOfOperation: asked(kindsOfOperation),
        expiresOn: absent(expiresOn),
      },
    ]),
  );
}
