import { ALL_USES, overlaps, usesIn, usesInAny, type UseSet } from '../envelope/use-set';
import type { Aircraft } from '../records/aircraft/aircraft';
import { lineOf, type EquipmentKind } from '../records/aircraft/equipment';
import { endOfDay } from '../time/zone';
import {
  ANYBODY,
  constraint,
  from,
  remedy,
  MECHANICS,
  RECORD_KEEPER,
  type Constraint,
  type Source,
} from './parts/constraint';
import { FOR_HIRE, type Lessons } from './parts/for-hire';
import type { RequiredList } from './parts/reason';
import { linesFor, type RequiredLine } from './parts/required-lists';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.205' } as const;

const SOURCES: Partial<Readonly<Record<RequiredList, Source>>> = {
  'transponder-airspace': { kind: 'regulation', citation: '14 CFR 91.215' },
  'ads-b-airspace': { kind: 'regulation', citation: '14 CFR 91.225' },
  towing: { kind: 'regulation', citation: '14 CFR 91.309(a)' },
  'sunset-to-sunrise': { kind: 'regulation', citation: '14 CFR 91.209(a)' },
};

/** Equipment with a date of its own, and the uses that need it in date. */
const dated = (lessons: Lessons): readonly { readonly kind: EquipmentKind; readonly closes: UseSet }[] => [
  { kind: 'flotation', closes: usesIn({ overWater: ['beyond-glide'] }) },
  { kind: 'pyrotechnic-signal', closes: usesIn({ overWater: ['beyond-glide'], purpose: FOR_HIRE[lessons] }) },
];

const touching = new WeakMap<UseSet, Map<readonly RequiredLine[], readonly RequiredLine[]>>();

/** The lines for uses that the aircraft has: aircraft with the same approvals share them. A line for uses that it never had is no constraint on it. */
function linesOn(aircraft: Aircraft, has: UseSet, lessons: Lessons): readonly RequiredLine[] {
  const lines = linesFor(aircraft, lessons);
  let known = touching.get(has);
  if (known === undefined) {
    known = new Map();
    touching.set(has, known);
  }
  let own = known.get(lines);
  if (own === undefined) {
    own = lines.filter(({ uses }) => overlaps(uses, has));
    known.set(lines, own);
  }
  return own;
}

/** Instruments and equipment that the operating rules ask for by kind of flight: fitted, and in date where they have one. */
export const requiredEquipment = rule({
  id: 'required-equipment',
  title: 'Required instruments and equipment',
  source,
  explanation:
    'Powered aircraft of the standard category need the instruments of the lists for day, night and instrument flight, some of them only from a date of manufacture on or for hire; light-sport and experimental aeroplanes need them by night and by instruments, as their limitations usually say. Every aircraft needs position lights from sunset to sunrise. Airspace that needs a transponder or ADS-B Out, towing, and flights beyond gliding distance of the shore ask for more. What the equipment list does not say counts as missing; equipment for uses that the aircraft was never approved for is not asked for.',
  judge: ({ aircraft, equipmentList, place }, { lessons }: { readonly lessons: Lessons }) => {
    if (equipmentList === null) {
      return result(
        [
          constraint({
            key: 'list',
            certainty: 'unknown',
            source,
            reason: { code: 'equipment-list-unknown' },
            closes: ALL_USES,
            remedies: [remedy('record-equipment', ANYBODY)],
          }),
        ],
        ['equipment'],
      );
    }
    const has = aircraft.approvedFor === null ? ALL_USES : usesInAny(aircraft.approvedFor);
    const fitted = new Set(
      equipmentList.items.filter((item) => item.fitted === true).map(({ kind }) => kind),
    );
    const records = [equipmentList.id];
    const missing: string[] = [];
    const constraints: Constraint[] = [];
    for (const { equipment, list, uses, needed } of linesOn(aircraft, has, lessons)) {
      if (fitted.has(equipment)) continue;
      const by = needed(aircraft);
      if (by === false) continue;
      const item = lineOf(equipmentList, equipment);
      const made = {
        key: `${list}.${equipment}`,
        source: SOURCES[list] ?? source,
        closes: uses,
        records,
        permitMayCover: true,
      };
      if (typeof by === 'object') {
        missing.push(`aircraft.${by.unknown}`);
        constraints.push(
          constraint({
            ...made,
            certainty: 'unknown',
            reason: { code: 'particular-unknown', what: by.unknown },
            remedies: [remedy('record-particulars', RECORD_KEEPER, by.unknown)],
          }),
        );
      } else if (item?.fitted == null) {
        missing.push(`equipment.${equipment}`);
        constraints.push(
          constraint({
            ...made,
            certainty: 'unknown',
            reason: { code: 'equipment-unknown', equipment, list },
            remedies: [remedy('record-equipment', ANYBODY)],
          }),
        );
      } else {
        constraints.push(
          constraint({
            ...made,
            certainty: 'failed',
            reason: { code: 'equipment-not-fitted', equipment, list },
            remedies: [remedy('install-equipment', MECHANICS, equipment)],
          }),
        );
      }
    }
    for (const { kind, closes } of dated(lessons)) {
      const item = lineOf(equipmentList, kind);
      if (item?.fitted !== true || item.expiresOn === 'no-expiry' || !overlaps(closes, has)) continue;
      const made = {
        key: `dated.${kind}`,
        source,
        closes,
        records,
        remedies: [remedy('service-measured-item', MECHANICS, kind)],
      };
      if (item.expiresOn === null)
        constraints.push(
          constraint({
            ...made,
            certainty: 'unknown',
            reason: { code: 'equipment-date-unknown', equipment: kind },
            remedies: [remedy('record-equipment', ANYBODY)],
          }),
        );
      else
        constraints.push(
          constraint({
            ...made,
            certainty: 'failed',
            reason: { code: 'equipment-expires', equipment: kind, lastDay: item.expiresOn },
            begins: from(endOfDay(item.expiresOn, place.zone)),
          }),
        );
    }
    return result(constraints, missing);
  },
});
