import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DIMENSION_NAMES, DIMENSIONS, type FullBox } from '@/core/envelope/dimensions';
import { volume } from '@/core/quantities/volume';
import { parseMeasure, unitsOf } from '@/core/quantities/measure';
import {
  AIRCRAFT_CLASSES,
  CATEGORIES,
  IFR_NAVIGATION,
  PROGRAMMES,
  UNKNOWN_PARTICULARS,
  type Described,
} from '@/core/records/aircraft/aircraft';
import { EQUIPMENT_KINDS, type EquipmentItem } from '@/core/records/aircraft/equipment';
import { QUANTITIES, QUANTITY_NAMES } from '@/core/records/walkround/measurement';
import { civilDate } from '@/core/time/civil-date';
import { describedAs, factSchema, FACT_SCHEMAS, listedAs, newAircraftSchema } from './aircraft-entry';
import { boxOf } from '../exchange/case-boxes';
import { equipmentOf, particularsOf } from '../exchange/case-aircraft';

const orNull = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: null });
const words = fc.stringMatching(/^[A-Za-z0-9]{1,12}$/);
const day = fc
  .integer({ min: 0, max: 9_000 })
  .map((days) => civilDate(new Date(Date.UTC(2000, 0, 1 + days)).toISOString().slice(0, 10)));
const box: fc.Arbitrary<FullBox> = fc
  .tuple(...DIMENSION_NAMES.map((name) => fc.subarray([...DIMENSIONS[name]] as string[], { minLength: 1 })))
  .map(
    (chosen) =>
      Object.fromEntries(DIMENSION_NAMES.map((name, at) => [name, chosen[at]])) as unknown as FullBox,
  );
/** Amounts as people write them: at most three decimals of one of the units. */
const amount = fc
  .tuple(fc.integer({ min: 0, max: 90_000 }), fc.constantFrom('US gal', 'L', 'US qt', 'imp gal', 'mL'))
  .map(([thousandths, unit]) => volume((thousandths / 1000).toFixed(3), unit as 'L'));
const limit = fc.constantFrom(...QUANTITY_NAMES).chain((quantity) => {
  const base = QUANTITIES[quantity];
  // Both ends of one limit are written in one unit.
  return fc.constantFrom(...unitsOf(base)).chain((unit) => {
    const value = fc
      .integer({ min: 0, max: 90_000 })
      .map(
        (thousandths) =>
          parseMeasure(
            base === 'good' || base === 'rpm' ? String(thousandths) : (thousandths / 1000).toFixed(3),
            unit,
            base,
          ) ?? 0,
      );
    return fc.record({
      quantity: fc.constant(quantity),
      which: orNull(words),
      min: orNull(value),
      max: orNull(value),
      open: fc.boolean(),
      uses: orNull(fc.array(box, { minLength: 1, maxLength: 2 })),
      remedy: fc.constantFrom('top-up' as const, 'service' as const, 'mechanic' as const),
      everyFlight: fc.boolean(),
    });
  });
});
const described: fc.Arbitrary<Described> = fc.record({
  category: orNull(fc.constantFrom(...CATEGORIES)),
  firstFlownOn: orNull(day),
  approvedFor: orNull(fc.array(box, { minLength: 1, maxLength: 3 })),
  particulars: fc.record({
    serialNumber: orNull(words),
    manufacturedOn: orNull(day),
    certificatedOn: orNull(day),
    seats: orNull(fc.integer({ min: 1, max: 20 })),
    engine: orNull(
      fc.oneof(
        fc.constant('none' as const),
        fc.record({ cooling: fc.constantFrom('air' as const, 'liquid' as const), altitude: fc.boolean() }),
      ),
    ),
    gear: orNull(fc.constantFrom('fixed' as const, 'retractable' as const)),
    aircraftClass: orNull(fc.constantFrom(...AIRCRAFT_CLASSES)),
    fuses: orNull(fc.boolean()),
    programme: orNull(fc.constantFrom(...PROGRAMMES)),
    ifrNavigation: orNull(fc.constantFrom(...IFR_NAVIGATION)),
    manualRevision: orNull(words),
    minimumEquipmentList: orNull(fc.constantFrom('approved' as const, 'none' as const)),
    fuel: orNull(
      fc.record({
        burnPerHour: orNull(amount),
        minimum: orNull(amount),
        tanks: fc.array(fc.record({ id: words, usable: amount }), { maxLength: 3 }),
        drains: orNull(fc.array(words, { minLength: 1, maxLength: 3 })),
        grades: orNull(fc.subarray(['leaded', 'unleaded', 'jet'] as const, { minLength: 1 })),
      }),
    ),
    measured: fc.array(limit, { maxLength: 3 }),
  }),
});

describe('what is on record, as it would be entered again', () => {
  it('comes back the same: a form that changes some of it loses nothing of the rest', () => {
    fc.assert(
      fc.property(described, (aircraft) => {
        const { category, firstFlownOn, approvedFor, ...built } = FACT_SCHEMAS.description.parse({
          kind: 'description',
          instead: null,
          description: JSON.parse(JSON.stringify(describedAs(aircraft))) as unknown,
        }).description;
        expect({
          category: category ?? null,
          firstFlownOn: firstFlownOn ?? null,
          approvedFor: approvedFor?.map(boxOf) ?? null,
          particulars: particularsOf(built),
        }).toEqual(aircraft);
      }),
      { numRuns: 300 },
    );
  });
  it('so does an equipment list', () => {
    const asked = orNull(
      fc.oneof(
        fc.constantFrom('no' as const, 'always' as const),
        fc.array(box, { minLength: 1, maxLength: 2 }),
      ),
    );
    const line: fc.Arbitrary<Omit<EquipmentItem, 'kind'>> = fc.record({
      fitted: orNull(fc.boolean()),
      typeCertification: orNull(fc.boolean()),
      equipmentList: asked,
      kindsOfOperation: asked,
      expiresOn: orNull(fc.oneof(day, fc.constant('no-expiry' as const))),
    });
    fc.assert(
      fc.property(
        fc
          .uniqueArray(fc.constantFrom(...EQUIPMENT_KINDS), { maxLength: 8 })
          .chain((kinds) => fc.tuple(...kinds.map((kind) => line.map((rest) => ({ kind, ...rest }))))),
        (items) => {
          const { list } = FACT_SCHEMAS.equipment.parse({
            kind: 'equipment',
            instead: null,
            list: { items: JSON.parse(JSON.stringify(listedAs(items))) as unknown },
          });
          expect(equipmentOf('e', { ...list, happenedAt: 0 as never, recordedAt: 0 as never }).items).toEqual(
            items,
          );
        },
      ),
      { numRuns: 200 },
    );
  });
  it('of nothing known nothing is made up', () => {
    const { description } = FACT_SCHEMAS.description.parse({
      kind: 'description',
      instead: null,
      description: describedAs({
        category: null,
        firstFlownOn: null,
        approvedFor: null,
        particulars: UNKNOWN_PARTICULARS,
      }),
    });
    expect(description.approvedFor).toBeUndefined();
    expect(particularsOf(description)).toEqual(UNKNOWN_PARTICULARS);
  });
});

describe('what is refused', () => {
  const fact = (given: unknown) =>
    factSchema
      .safeParse({
        factId: '7b3b0f0e-6f0a-4a36-9d3f-1a2b3c4d5e6f',
        aircraftId: '7b3b0f0e-6f0a-4a36-9d3f-1a2b3c4d5e6f',
        fact: given,
      })
      .error?.issues[0]?.path.join('.');
  it.each([
    [
      'a completion with the item: it is signed elsewhere',
      { kind: 'item', item: { name: 'X', kind: 'service', done: {} } },
      'fact.item',
    ],
    ['a time of entry of its own', { kind: 'elt', elt: { recordedAt: '2020-01-01T00:00:00Z' } }, 'fact.elt'],
    [
      'a use without a value',
      { kind: 'description', instead: null, description: { approvedFor: [{ ...boxOf({}), light: [] }] } },
      'fact.description.approvedFor.0.light',
    ],
    [
      'an amount with a fourth decimal',
      {
        kind: 'description',
        instead: null,
        description: { fuel: { tanks: [{ id: 'l', usable: { amount: 1.0005, unit: 'L' } }] } },
      },
      'fact.description.fuel.tanks.0.usable.amount',
    ],
    [
      'no number',
      { kind: 'description', instead: null, description: { seats: null } },
      'fact.description.seats',
    ],
    ['nothing said of what it replaces', { kind: 'equipment', list: { items: {} } }, 'fact.instead'],
  ])('%s', (_, given, path) => {
    expect(fact(given)).toBe(path);
  });
  it('writes a registration as it is painted', () => {
    expect(
      newAircraftSchema.parse({
        aircraftId: '7b3b0f0e-6f0a-4a36-9d3f-1a2b3c4d5e6f',
        registration: ' n07tb ',
        typeName: 'Quorin 160',
        category: null,
        firstFlownOn: null,
        serialNumber: null,
      }).registration,
    ).toBe('N07TB');
  });
});
