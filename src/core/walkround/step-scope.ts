import type { Quantity } from '../records/walkround/measurement';

/**
 * How often a step comes within its station: once; once on the left, where the thing usually is; on each side; at each tank, each drain, each blade or each lamp. Each side is a step of its own:
 * one answer never speaks for two. Common practice, no source.
 */
export type StepScope = 'once' | 'left' | 'side' | 'tank' | 'drain' | 'blade' | 'lamp';

/** What a step has somebody measure or judge; the rest is looked at, felt or moved. */
export type StepMeasure =
  /** Fuel in one tank, by one of four methods. */
  | { readonly kind: 'fuel'; readonly how: 'gauge' | 'dip' | 'drain-gauge' | 'sight-gauge' }
  /** A cup out of one drain. */
  | { readonly kind: 'sample' }
  /** A figure against the aircraft's limits; where it has none on record it is looked at only. */
  | { readonly kind: 'figure'; readonly quantity: Quantity }
  /** Looked at rather than measured: fine is good. */
  | { readonly kind: 'good'; readonly quantity: 'tyre' | 'coolant' | 'brake-fluid' };

const SIDED_FUSELAGE = ['K153', 'K160'];
const SIDED_TAIL = ['K168', 'K170', 'K171', 'K172', 'K174', 'K177', 'K180', 'K183', 'K184', 'K185'];
const TANKS = ['K053', 'K119', 'K120', 'K121', 'K122', 'K123', 'K124'];
const DRAINS = ['K125', 'K131'];
/** Things of which there is one, usually on the left wing. */
const LEFT = ['K112', 'K113'];
const BLADES = ['K217', 'K224'];

/** Lamps of which each is looked at by name and colour. */
export const LAMPS = ['left, red', 'right, green', 'tail, white'] as const;

/** How often a step comes. @param code of the master list */
export function scopeOf(code: string, station: string): StepScope {
  if (TANKS.includes(code)) return 'tank';
  if (DRAINS.includes(code)) return 'drain';
  if (BLADES.includes(code)) return 'blade';
  if (code === 'K062') return 'lamp';
  if (LEFT.includes(code)) return 'left';
  if (station === 'wing' || station === 'main-gear') return 'side';
  return SIDED_FUSELAGE.includes(code) || SIDED_TAIL.includes(code) ? 'side' : 'once';
}

const MEASURES: Readonly<Record<string, StepMeasure>> = {
  K050: { kind: 'figure', quantity: 'battery' },
  K053: { kind: 'fuel', how: 'gauge' },
  K120: { kind: 'fuel', how: 'dip' },
  K121: { kind: 'fuel', how: 'drain-gauge' },
  K122: { kind: 'fuel', how: 'sight-gauge' },
  K125: { kind: 'sample' },
  K126: { kind: 'sample' },
  K136: { kind: 'good', quantity: 'tyre' },
  K140: { kind: 'figure', quantity: 'brake-pad' },
  K145: { kind: 'figure', quantity: 'strut' },
  K195: { kind: 'figure', quantity: 'oil' },
  K198: { kind: 'figure', quantity: 'gearbox-oil' },
  K199: { kind: 'good', quantity: 'coolant' },
  K200: { kind: 'good', quantity: 'brake-fluid' },
  K210: { kind: 'figure', quantity: 'belt-play' },
  K220: { kind: 'figure', quantity: 'propeller' },
  K227: { kind: 'good', quantity: 'tyre' },
  K228: { kind: 'figure', quantity: 'strut' },
};

/** What a step has somebody measure; null where it is looked at, felt or moved. */
export function measureOf(code: string): StepMeasure | null {
  return MEASURES[code] ?? null;
}

/**
 * Steps that are looked at again before each flight of a day whose first walk-round saw everything: what a flight wears, what a stop lets in, and
 * what a hand may have left open. Our judgement; a school may ask for the whole list every time. Common practice, no source.
 */
export const BETWEEN_FLIGHTS: ReadonlySet<string> = new Set(
  [
    // Approach and cabin.
    'K001 K002 K004 K005 K007 K010 K011 K012 K017 K025 K032 K036 K053',
    // Wings, fuel and gear.
    'K074 K075 K093 K112 K114 K120 K121 K122 K124 K125 K126 K131 K132 K136 K142 K145',
    // Fuselage and tail.
    'K160 K162 K167 K168 K170 K172 K179 K189 K117',
    // Nose and propeller.
    'K192 K195 K196 K199 K201 K207 K208 K217 K222 K227 K228',
    // Gliders, and the last look.
    'K235 K236 K237 K239 K240 K241 K243 K247 K248 K249 K251',
  ]
    .join(' ')
    .split(' '),
);
