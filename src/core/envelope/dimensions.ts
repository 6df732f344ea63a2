import { LIGHT } from '../time/sun';

/**
 * What an aircraft could be asked to do, dimension by dimension. A use is one value of each.
 * The order of dimensions and values is part of the published formats: append, never reorder.
 */
export const DIMENSIONS = {
  /** Light at the place: day, dusk (either twilight), night. */
  light: LIGHT,
  /** Flight rules. */
  rules: ['vfr', 'ifr'],
  /** What the flight is for. The last two are not ordinary uses. */
  purpose: [
    'private-rental',
    'instruction-school-aircraft',
    'instruction-own-aircraft',
    'carriage-for-hire',
    'glider-towing',
    'positioning-to-maintenance',
    'maintenance-check-flight',
  ],
  /** Who flies: a student alone, two pilots under instruction, a rated pilot. */
  crew: ['student-solo', 'dual', 'rated-pilot'],
  /** How far: inside the club's local area, beyond it, across a border. */
  range: ['local', 'cross-country', 'abroad'],
  /** Airspace that needs a transponder: stays outside it, or goes inside. */
  transponderAirspace: ['outside', 'inside'],
  /** Airspace that needs ADS-B Out. */
  adsbAirspace: ['outside', 'inside'],
  /** Water: stays within power-off gliding distance of the shore, or goes beyond. */
  overWater: ['within-glide', 'beyond-glide'],
  /** Anybody aboard who is not crew. */
  passengers: ['none', 'aboard'],
} as const;

export type Dimension = keyof typeof DIMENSIONS;
export type ValueOf<D extends Dimension> = (typeof DIMENSIONS)[D][number];
export type Rules = ValueOf<'rules'>;
export type Purpose = ValueOf<'purpose'>;
export type Crew = ValueOf<'crew'>;
export type Range = ValueOf<'range'>;

/** The dimensions in their published order. */
export const DIMENSION_NAMES = Object.keys(DIMENSIONS) as readonly Dimension[];

/** A product of choices: every use whose value is listed in each named dimension. A dimension that is left out allows all its values. */
export type Box = { readonly [D in Dimension]?: readonly ValueOf<D>[] };

/** A box that names every dimension. */
export type FullBox = { readonly [D in Dimension]: readonly ValueOf<D>[] };
