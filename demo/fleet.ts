import { DIMENSIONS, type FullBox, type Purpose, type Rules } from '../src/core/envelope/dimensions';
import type { Light } from '../src/core/time/sun';
import type { Category } from '../src/core/records/aircraft/aircraft';

/** A planned flight of the demo's day. Hours are on the field's clock. */
export interface DemoFlight {
  readonly at: number;
  readonly lasts: number;
  readonly airborne: string;
  readonly who: string;
  readonly purpose: Purpose;
  readonly solo?: boolean;
  readonly rules?: Rules;
  /** A flight of a day ahead: so many days from today. */
  readonly inDays?: number;
}

/** A finding of the demo. `daysAgo` 0 is this morning; `repaired` says what was done a day later; `deferred` that it was lawfully deferred that afternoon. */
export interface DemoFinding {
  readonly daysAgo: number;
  readonly step: string;
  readonly side?: 'left' | 'right';
  readonly what: string;
  readonly by: 'renter' | 'student' | 'instructor';
  readonly repaired?: string;
  readonly deferred?: true;
  readonly photo?: true;
}

/** One aircraft of the demo, by what is particular about it. */
export interface DemoAircraft {
  readonly registration: string;
  readonly typeName: string;
  readonly category: Category;
  readonly fit: 'trainer' | 'tourer' | 'day' | 'vintage' | 'glider' | 'tug';
  readonly firstFlown: string;
  /** Hours in service now, and at the last 100-hour or annual inspection. */
  readonly hours: string;
  readonly inspectedAt: string;
  /** Months since the annual was completed. */
  readonly annualMonthsAgo: number;
  readonly registrationYearsLeft: number;
  readonly missingPaper?: 'weight-and-balance';
  /** A reading of an hour ago that is lower than yesterday's. */
  readonly backwards?: string;
  readonly features: readonly string[];
  /** True where today's first flight has left once its time has come. */
  readonly leaves?: true;
  readonly flights: readonly DemoFlight[];
  readonly findings: readonly DemoFinding[];
}

const uses = (light: readonly Light[], rules: readonly Rules[], purpose: readonly Purpose[]): FullBox => ({
  ...DIMENSIONS,
  light,
  rules,
  purpose: [...purpose, 'positioning-to-maintenance', 'maintenance-check-flight'],
  overWater: ['within-glide'],
});
const CLUB: readonly Purpose[] = ['private-rental', 'instruction-school-aircraft', 'carriage-for-hire'];

/** What each fit is approved and equipped for. */
export const FITS: Readonly<Record<DemoAircraft['fit'], readonly FullBox[]>> = {
  trainer: [uses(['day', 'dusk', 'night'], ['vfr'], CLUB)],
  tourer: [uses(['day', 'dusk', 'night'], ['vfr', 'ifr'], CLUB)],
  day: [uses(['day'], ['vfr'], ['private-rental', 'instruction-school-aircraft'])],
  vintage: [
    {
      ...uses(['day'], ['vfr'], ['private-rental', 'instruction-school-aircraft']),
      transponderAirspace: ['outside'],
      adsbAirspace: ['outside'],
    },
  ],
  glider: [
    {
      ...uses(['day'], ['vfr'], ['private-rental', 'instruction-school-aircraft']),
      transponderAirspace: ['outside'],
      adsbAirspace: ['outside'],
    },
  ],
  tug: [uses(['day'], ['vfr'], ['private-rental', 'glider-towing'])],
};

const TRAINER = [
  'powered',
  'electrical',
  'metal',
  'nosewheel',
  'oleo',
  'flaps',
  'avgas',
  'nav-lights',
  'strobes',
  'beacon',
  'landing-light',
  'stall-warner',
  'pitot-heat',
  'belt-alternator',
  'gyro-instruments',
  'cable-controls',
  'metal-propeller',
];
const plain = {
  category: 'standard',
  fit: 'trainer',
  firstFlown: '1998-04-02',
  annualMonthsAgo: 5,
  registrationYearsLeft: 3,
  features: TRAINER,
  flights: [],
  findings: [],
} as const satisfies Partial<DemoAircraft>;

/** The fleet of Tern Bay. */
export const FLEET: readonly DemoAircraft[] = [
  {
    ...plain,
    registration: 'N00TB',
    typeName: 'Tamsel F',
    fit: 'vintage',
    firstFlown: '1964-07-19',
    hours: '2811.40',
    inspectedAt: '2790.00',
    annualMonthsAgo: 13,
    features: [
      'powered',
      'electrical',
      'fabric',
      'tailwheel',
      'shock-cords',
      'avgas',
      'fuses',
      'strut-braced',
      'cable-controls',
    ],
  },
  {
    ...plain,
    registration: 'N01TB',
    typeName: 'Selmo X',
    fit: 'tourer',
    firstFlown: '2011-05-30',
    hours: '1640.20',
    inspectedAt: '1568.80',
    features: [...TRAINER, 'composite', 'parachute', 'glass-cockpit', 'alternate-static', 'static-wicks'],
    flights: [
      { at: 13, lasts: 2.5, airborne: '2.20', who: 'A. Verin', purpose: 'private-rental', rules: 'ifr' },
    ],
    findings: [{ daysAgo: 2, step: 'K067', what: 'Pitot heat: cold', by: 'renter', deferred: true }],
  },
  {
    ...plain,
    registration: 'N02TB',
    typeName: 'Quorin 160',
    hours: '4177.50',
    inspectedAt: '4108.70',
    flights: [
      { at: 10, lasts: 1.5, airborne: '1.20', who: 'J. Sol', purpose: 'instruction-school-aircraft' },
      {
        at: 16,
        lasts: 1,
        airborne: '0.80',
        who: 'P. Okoro',
        purpose: 'instruction-school-aircraft',
        solo: true,
      },
    ],
    findings: [
      {
        daysAgo: 38,
        step: 'K137',
        side: 'left',
        what: 'Left main tyre worn to the cord',
        by: 'student',
        repaired: 'Replaced the left main tyre and tube, checked pressure and free rotation.',
      },
      {
        daysAgo: 17,
        step: 'K077',
        side: 'right',
        what: 'Grey trail behind a rivet on the right wing',
        by: 'instructor',
        repaired: 'Cleaned and checked with a gauge; rivet tight, no movement, no crack found.',
      },
    ],
  },
  {
    ...plain,
    registration: 'N03TB',
    typeName: 'Oristo H',
    firstFlown: '1981-10-08',
    hours: '6390.60',
    inspectedAt: '6300.00',
    // One after the other they use up what is left to the 100-hour inspection: the last would outrun it.
    flights: [
      { at: 8, lasts: 1.5, airborne: '1.30', who: 'R. Dane', purpose: 'private-rental' },
      ...[1, 3, 4, 5, 6].map((inDays): DemoFlight => ({
        at: 10,
        lasts: 2.5,
        airborne: '2.20',
        who: 'K. Ferro',
        purpose: 'instruction-school-aircraft',
        inDays,
      })),
    ],
  },
  {
    ...plain,
    registration: 'N04TB',
    typeName: 'Halvet G',
    category: 'light-sport',
    fit: 'day',
    firstFlown: '2016-03-11',
    hours: '912.30',
    inspectedAt: '880.00',
    features: ['powered', 'electrical', 'composite', 'removable-wings', 'mogas', 'nosewheel'],
  },
  {
    ...plain,
    registration: 'N05TB',
    typeName: 'Quorin 180',
    hours: '3305.10',
    inspectedAt: '3260.00',
    flights: [{ at: 12, lasts: 1.5, airborne: '1.20', who: 'L. Brandt', purpose: 'private-rental' }],
    findings: [
      {
        daysAgo: 0,
        step: 'K217',
        what: 'Nick on blade 2, deeper than the known one',
        by: 'student',
        photo: true,
      },
    ],
  },
  {
    ...plain,
    registration: 'N06TB',
    typeName: 'Dravik D',
    firstFlown: '2008-02-14',
    hours: '2255.20',
    inspectedAt: '2200.00',
    features: [...TRAINER.filter((tag) => tag !== 'avgas'), 'composite', 'diesel', 'liquid-cooled'],
    flights: [{ at: 10.5, lasts: 3, airborne: '2.60', who: 'K. Ferro', purpose: 'private-rental' }],
  },
  {
    ...plain,
    registration: 'N07TB',
    typeName: 'Quorin 160',
    hours: '5198.40',
    inspectedAt: '5100.00',
    flights: [
      { at: 14, lasts: 2.2, airborne: '2.00', who: 'S. Lund', purpose: 'instruction-school-aircraft' },
      { at: 18.5, lasts: 1.2, airborne: '1.00', who: 'P. Okoro', purpose: 'instruction-school-aircraft' },
      {
        at: 18.5,
        lasts: 1.2,
        airborne: '1.00',
        who: 'P. Okoro',
        purpose: 'instruction-school-aircraft',
        inDays: 3,
      },
    ],
    findings: [
      {
        daysAgo: 3,
        step: 'K062',
        what: 'Navigation lights: lamp or lens failed; the left one stays dark',
        by: 'student',
        deferred: true,
      },
    ],
  },
  {
    ...plain,
    registration: 'N08TB',
    typeName: 'Brenk T',
    fit: 'tug',
    firstFlown: '1985-06-21',
    hours: '7120.00',
    inspectedAt: '7038.10',
    features: [...TRAINER, 'tug'],
    flights: [{ at: 11, lasts: 4, airborne: '3.00', who: 'tow duty', purpose: 'glider-towing' }],
  },
  {
    ...plain,
    registration: 'N09TB',
    typeName: 'Luvane D',
    category: 'glider',
    fit: 'glider',
    firstFlown: '1993-08-01',
    hours: '1503.60',
    inspectedAt: '1480.00',
    features: ['glider', 'composite', 'removable-wings'],
  },
  {
    ...plain,
    registration: 'N01TG',
    typeName: 'Quorin 160',
    hours: '3980.90',
    inspectedAt: '3944.10',
    leaves: true,
    flights: [
      { at: 9, lasts: 1, airborne: '0.90', who: 'M. Ostrow', purpose: 'private-rental' },
      { at: 15, lasts: 1.5, airborne: '1.30', who: 'E. Quist', purpose: 'instruction-school-aircraft' },
      { at: 11, lasts: 2, airborne: '1.60', who: 'M. Ostrow', purpose: 'private-rental', inDays: 1 },
      { at: 9.5, lasts: 2, airborne: '1.60', who: 'M. Ostrow', purpose: 'private-rental', inDays: 5 },
    ],
  },
  {
    ...plain,
    registration: 'N02TG',
    typeName: 'Quorin 160',
    hours: '4420.00',
    inspectedAt: '4400.00',
    registrationYearsLeft: -0.2,
  },
  {
    ...plain,
    registration: 'N03TG',
    typeName: 'Quorin 180',
    hours: '2890.30',
    inspectedAt: '2840.00',
    annualMonthsAgo: 12,
    flights: [{ at: 13, lasts: 1.5, airborne: '1.20', who: 'T. Arden', purpose: 'carriage-for-hire' }],
  },
  {
    ...plain,
    registration: 'N04TG',
    typeName: 'Oristo H',
    firstFlown: '1979-09-12',
    hours: '8011.70',
    inspectedAt: '7960.00',
    missingPaper: 'weight-and-balance',
    flights: [{ at: 11, lasts: 1, airborne: '0.80', who: 'D. Hale', purpose: 'private-rental' }],
  },
  {
    ...plain,
    registration: 'N05TG',
    typeName: 'Quorin 180',
    hours: '3777.10',
    inspectedAt: '3720.00',
    backwards: '3771.70',
  },
  {
    ...plain,
    registration: 'N06TG',
    typeName: 'Oristo H',
    firstFlown: '1983-01-25',
    hours: '5503.20',
    inspectedAt: '5400.00',
  },
];
