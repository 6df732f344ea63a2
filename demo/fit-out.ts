// What each aircraft of the demo is built and equipped with, and the records that go with it.
import { DIMENSIONS } from '../src/core/envelope/dimensions';
import { hoursFromSeconds } from '../src/core/quantities/hours';
import { volume } from '../src/core/quantities/volume';
import { UNKNOWN_PARTICULARS, type Particulars } from '../src/core/records/aircraft/aircraft';
import type { EquipmentItem, EquipmentKind } from '../src/core/records/aircraft/equipment';
import { isByType, templateOf } from '../src/core/records/aircraft/type-templates';
import { addDays, addYears, civilDate, type CivilDate } from '../src/core/time/civil-date';
import { hourOfDay, type Place } from '../src/core/time/sun';
import type { OtherRecord } from '../src/db/aircraft/other-kinds';
import type { DemoAircraft } from './fleet';
import { DAYS_BACK, type History } from './history';
import { servicesOf } from './services';
import { STRUT_LIMIT, wetAndSagging } from './walk-rounds';

/** The invented serial number that belongs to a registration. */
export const serialOf = (registration: string): string =>
  registration.startsWith('VH')
    ? 'TB-0X17'
    : `TB-${registration.slice(2, 4)}${registration.slice(-1) === 'G' ? '4' : '1'}7`;

/**
 * What each ignition may drop at the run-up, and how far the two may differ: invented handbooks of a geared engine and of a direct
 * drive.
 */
const ignitionLimits = (isGeared: boolean): Particulars['measured'] => {
  const limit = { min: null, uses: null, remedy: 'mechanic', everyFlight: false } as const;
  return [
    ...(['left', 'right'] as const).map((which) => ({
      ...limit,
      quantity: 'ignition-drop' as const,
      which,
      max: isGeared ? 300 : 175,
      open: false,
    })),
    {
      ...limit,
      quantity: 'ignition-difference' as const,
      which: null,
      max: isGeared ? 125 : 50,
      open: isGeared,
    },
  ];
};

/** The aircraft as built. */
export function particularsOf({
  registration,
  category,
  firstFlown,
  fit,
  features,
  typeName,
}: DemoAircraft): Particulars {
  const glider = category === 'glider';
  const small = fit === 'vintage' || glider || category === 'light-sport';
  return {
    ...UNKNOWN_PARTICULARS,
    ...(category === 'glider' ? { keptRigged: true } : {}),
    serialNumber: serialOf(registration),
    manufacturedOn: civilDate(firstFlown),
    certificatedOn: civilDate(
      typeName === 'Selmo X' || typeName === 'Dravik D' ? '2001-06-01' : '1962-05-14',
    ),
    seats: small ? 2 : 4,
    engine: glider
      ? 'none'
      : { cooling: features.includes('liquid-cooled') ? 'liquid' : 'air', altitude: false },
    gear: 'fixed',
    programme: 'annual',
    ifrNavigation: fit === 'tourer' ? 'either' : 'vor-only',
    manualRevision: '7',
    minimumEquipmentList: 'none',
    fuel: glider
      ? null
      : {
          burnPerHour: volume(small ? '4.6' : '8.4', 'US gal'),
          minimum: volume('4', 'US gal'),
          tanks: [
            { id: 'left', usable: volume(small ? '9' : '18', 'US gal') },
            { id: 'right', usable: volume(small ? '9' : '18', 'US gal') },
          ],
          drains: ['left', 'right', 'strainer'],
          ...(small ? {} : { grades: ['leaded' as const] }),
        },
    measured: glider
      ? []
      : [
          {
            quantity: 'oil',
            which: null,
            min: volume(small ? '2' : '4', 'US qt'),
            max: volume(small ? '4' : '8', 'US qt'),
            open: false,
            uses: null,
            remedy: 'top-up',
            everyFlight: true,
          },
          ...ignitionLimits(small),
          ...(registration === 'N02TG' ? [STRUT_LIMIT] : []),
          ...(fit === 'tourer'
            ? [
                {
                  quantity: 'oil' as const,
                  which: null,
                  min: volume('6', 'US qt'),
                  max: null,
                  open: false,
                  uses: [{ ...DIMENSIONS, rules: ['ifr'] as const }],
                  remedy: 'top-up' as const,
                  everyFlight: true,
                },
              ]
            : []),
        ],
  };
}

const TEMPLATE_OF: Readonly<Record<DemoAircraft['fit'], string>> = {
  trainer: 'Quorin 160',
  day: 'Quorin 160',
  tug: 'Quorin 180',
  tourer: 'Selmo X',
  vintage: 'Tamsel F',
  glider: 'Luvane D',
};
/** Things with a date of their own: how many years it is ahead. */
const YEARS: Partial<Record<EquipmentKind, number>> = { 'fire-extinguisher': 2, 'monoxide-detector': 1 };

/** The equipment of an aircraft of the demo: that of its template, with a coolant gauge where it has coolant, and its dates. */
function equipmentOf({ fit, category, features }: DemoAircraft, today: CivilDate): readonly EquipmentItem[] {
  const template = templateOf(category === 'glider' ? 'Luvane D' : TEMPLATE_OF[fit]);
  if (template === undefined) throw new Error(`no template for ${fit}`);
  const line = (kind: EquipmentKind, fitted: boolean): EquipmentItem => {
    const years = YEARS[kind];
    return {
      kind,
      fitted,
      typeCertification: isByType(kind),
      equipmentList: 'no',
      kindsOfOperation: 'no',
      expiresOn: years === undefined ? null : addYears(today, years),
    };
  };
  return [
    ...template.fitted.map((kind) => line(kind, true)),
    ...(features.includes('liquid-cooled') ? [line('coolant-temperature-gauge', true)] : []),
    ...template.notFitted.map((kind) => line(kind, false)),
  ];
}

/** A quart of oil again and again, at ever shorter distances: its use creeps up. */
function creepingOil(readings: History['readings'], id: (name: string) => string): readonly OtherRecord[] {
  const last = readings.at(-1);
  if (last === undefined) return [];
  const back = [2, 6, 11, 17, 25, 35, 47, 61].map((hoursAgo) => last.value - hoursAgo * 3600);
  return back.flatMap((wanted, at): readonly OtherRecord[] => {
    const then = readings.filter(({ value }) => value <= wanted).at(-1);
    if (then === undefined) return [];
    const base = { id: id(`oil/${at}`), happenedAt: then.happenedAt, recordedAt: then.recordedAt };
    return [
      {
        ...base,
        kind: 'uplift',
        body: {
          ...base,
          what: 'oil',
          added: volume('1', 'US qt'),
          grade: null,
          timeInService: hoursFromSeconds(then.value),
        },
      },
    ];
  });
}

/** The records: equipment, ELT, ADs, services, insurance, the tug's rope. Written down when the aircraft joined, or when they were last done. */
export function fitOutOf(
  aircraft: DemoAircraft,
  today: CivilDate,
  place: Place,
  number: number,
  id: (name: string) => string,
  past: History,
): readonly OtherRecord[] {
  const { registration, category } = aircraft;
  const at = (daysAgo: number) => hourOfDay(addDays(today, -daysAgo), 10, place);
  const written = (daysAgo: number) => hourOfDay(addDays(today, -daysAgo), 10.2, place);
  const base = (name: string, daysAgo: number) => ({
    id: id(`${registration}/${name}`),
    happenedAt: at(daysAgo),
    recordedAt: written(daysAgo),
  });
  const recent = 31 + number;
  const joined = DAYS_BACK - 2;
  /** The same written down again and again, the newest last: so many days ago, every so many days back to when the aircraft joined. */
  const again = (name: string, newest: number, every: number) =>
    Array.from({ length: Math.floor((DAYS_BACK - 2 - newest) / every) + 1 }, (_, k) => {
      const daysAgo = newest + k * every;
      return { daysAgo, base: base(k === 0 ? name : `${name}/${k}`, daysAgo) };
    }).toReversed();
  return [
    ...[joined, recent].map((daysAgo): OtherRecord => {
      const own = base(daysAgo === recent ? 'equipment' : 'equipment/joined', daysAgo);
      return {
        ...own,
        kind: 'equipment',
        body: {
          ...own,
          approved: registration.startsWith('VH'),
          items: equipmentOf(aircraft, today),
        },
      };
    }),
    ...again('insurance', recent, 340).map((own): OtherRecord => ({
      ...own.base,
      kind: 'club-document',
      body: {
        ...own.base,
        kind: 'insurance',
        name: 'Insurance',
        validUntil: addDays(addYears(today, 1), -own.daysAgo - number),
        uses: null,
      },
    })),
    { ...base('items', joined), kind: 'stated', body: { what: 'items' } },
    { ...base('ads', joined), kind: 'stated', body: { what: 'ads' } },
    ...servicesOf(aircraft, today, place, id, past, { joined, recent }),
    ...(category === 'glider'
      ? []
      : [
          {
            ...base('elt', DAYS_BACK - 2),
            kind: 'elt' as const,
            body: {
              ...base('elt', DAYS_BACK - 2),
              state: 'fitted' as const,
              batteryReplaceBy: addYears(today, 2),
              usedSeconds: 0,
              removedOn: null,
              removalEntered: null,
              removalPlacarded: null,
            },
          },
        ]),
    ...(registration === 'N02TG' ? wetAndSagging(today, place, (name) => id(`${registration}/${name}`)) : []),
    ...(registration === 'N03TG' ? creepingOil(past.readings, (name) => id(`${registration}/${name}`)) : []),
    ...(registration === 'N05TB'
      ? [
          {
            ...base('mark', 210),
            kind: 'known-mark' as const,
            body: {
              id: base('mark', 210).id,
              what: 'Blended nick on blade 2, front edge',
              size: '4 mm long, 1 mm deep',
              station: 'propeller',
              side: null,
              step: 'K218',
              x: 530,
              y: 62,
              acceptedBy: 'Tomas Brandl',
              acceptedOn: addDays(today, -210),
            },
          },
        ]
      : []),
    ...(aircraft.fit === 'tourer'
      ? [
          ...again('database', 3, 28).map((own) => ({
            ...own.base,
            kind: 'database' as const,
            body: {
              ...own.base,
              content: 'navigation' as const,
              effectiveOn: addDays(today, -own.daysAgo - 2),
              lastDay: null,
            },
          })),
          ...again('receivers', 12, 27).map((own) => ({
            ...own.base,
            kind: 'vor-check' as const,
            body: {
              ...own.base,
              method: 'dual' as const,
              error: 20,
              place: 'Tern Bay',
              signedBy: 'A. Verin',
            },
          })),
        ]
      : []),
    ...(aircraft.fit === 'tug'
      ? [
          ...again('rope', 9, 120).map((own) => ({
            ...own.base,
            kind: 'tow-rope' as const,
            body: {
              ...own.base,
              strength: 1100 * 45_359_237,
              sound: true,
              gliderLink: 'none' as const,
              tugLink: 'none' as const,
              gliderWeight: 1040 * 45_359_237,
            },
          })),
        ]
      : []),
  ];
}
