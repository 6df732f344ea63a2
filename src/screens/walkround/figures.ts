import { MEASURE_UNITS, parseMeasure } from '@/core/quantities/measure';
import { VOLUME_UNITS } from '@/core/quantities/volume';
import { QUANTITIES, type Quantity } from '@/core/records/walkround/measurement';
import type { DipStick } from '@/core/records/walkround/ramp-data';
import { dipped } from '@/core/walkround/dip';
import { judgeFigure, toAdd } from '@/core/walkround/judge';
import type { Asks, PlanLimit } from '@/core/walkround/plan-step';

/** What a figure means, before it is kept. */
export interface FigureSays {
  readonly value: number | null;
  readonly isBad: boolean;
  readonly words: string | null;
  /** What is to be added or done so that the flight can go; null where nothing is. */
  readonly announce: {
    readonly act: 'add-oil' | 'add-fuel' | 'inflate-tyre';
    readonly amount: string;
    readonly unit: string;
  } | null;
}

/** Units in which a quantity is entered, the usual one first. */
export function unitsFor(quantity: Quantity): readonly string[] {
  const base = QUANTITIES[quantity];
  if (quantity === 'oil' || quantity === 'gearbox-oil') return ['US qt', 'L', 'mL'];
  if (base === 'pL') return ['US gal', 'L'];
  if (base === 'Pa') return ['psi', 'bar', 'kPa'];
  return base === 'um' ? ['cm', 'in', 'mm'] : Object.keys(MEASURE_UNITS[base]);
}

/** How many of the base unit one unit is. */
export function factorOf(quantity: Quantity, unit: string): number {
  const base = QUANTITIES[quantity];
  if (base === 'pL') return unit in VOLUME_UNITS ? VOLUME_UNITS[unit as keyof typeof VOLUME_UNITS] : 1;
  return MEASURE_UNITS[base][unit] ?? 1;
}

const point = (text: string) => text.replace(',', '.').replace(/\.$/u, '');

/** A figure in its base unit; null while it is none. */
export const baseValue = (quantity: Quantity, text: string, unit: string): number | null =>
  parseMeasure(point(text), unit, QUANTITIES[quantity]) ?? null;

/** A base value in a unit, at most so many decimals, without zeros at its end. */
export function inUnit(quantity: Quantity, value: number, unit: string, decimals = 1): string {
  return String(Number((value / factorOf(quantity, unit)).toFixed(decimals)));
}
/** The same, rounded up: what is to be added. */
function atLeast(quantity: Quantity, value: number, unit: string): string {
  return String(Math.ceil((value / factorOf(quantity, unit)) * 10 - 1e-9) / 10);
}

/** Volume in a tank by what was typed: by the stick's table where it has one and that is its unit. */
export function dipValue(stick: DipStick | null, text: string, unit: string): number | null {
  if (stick?.unit !== unit) return baseValue('fuel-dip', text, unit);
  const reads = Number(point(text));
  return point(text) === '' || !Number.isFinite(reads)
    ? null
    : dipped(stick.points, Math.round(reads * 1000));
}

/** What a figure at a step means against the limits of this aircraft. */
export function judged(
  quantity: Quantity,
  limits: readonly PlanLimit[],
  text: string,
  unit: string,
): FigureSays {
  const value = baseValue(quantity, text, unit);
  if (value === null) return { value, isBad: false, words: null, announce: null };
  const judgement = judgeFigure(value, limits);
  if (judgement.is === 'inside') return { value, isBad: false, words: null, announce: null };
  const { limit, is } = judgement;
  const some =
    limit.uses === null ? '' : ' for some flights (by instruments, for example); the others can go';
  if (is === 'above')
    return {
      value,
      isBad: true,
      words:
        quantity === 'oil'
          ? `More than the most, ${inUnit(quantity, limit.max ?? 0, unit)} ${unit}. What is too much is drained; never fill over the maximum.`
          : `More than the most, ${inUnit(quantity, limit.max ?? 0, unit)} ${unit}${some}. ${limit.remedy === 'mechanic' ? 'The aircraft stays until a mechanic has looked.' : 'It is put right and measured again before flight.'}`,
      announce: null,
    };
  const missing = toAdd(limit.min ?? 0, value);
  const amount = atLeast(quantity, missing, unit);
  if (limit.remedy === 'mechanic')
    return {
      value,
      isBad: true,
      words: `Less than the least, ${inUnit(quantity, limit.min ?? 0, unit)} ${unit}${some}. The aircraft stays until a mechanic has looked. Do not try to put it right yourself.`,
      announce: null,
    };
  return {
    value,
    isBad: true,
    words: `Less than the least, ${inUnit(quantity, limit.min ?? 0, unit)} ${unit}${some}. Add at least ${amount} ${unit}, then read again.`,
    announce: quantity === 'oil' ? { act: 'add-oil', amount, unit } : null,
  };
}

/** How far a gauge may be from the dip, in picolitres: as the rule has it. */
const TOLERANCE = VOLUME_UNITS['US gal'];

/** What the dip of a tank says beside its gauge; null where they agree or one is not there. */
export function gaugeAgainst(gauge: number | null, dip: number | null, unit: string): string | null {
  if (gauge === null || dip === null || Math.abs(gauge - dip) <= TOLERANCE) return null;
  const apart = inUnit('fuel-dip', Math.abs(gauge - dip), unit);
  return `The gauge said ${inUnit('fuel-dip', gauge, unit)} ${unit}: ${apart} ${gauge > dip ? 'more' : 'less'} than the stick. Dip again; if they still differ, that gauge cannot be trusted and a mechanic looks.`;
}

/** What a fuel step asks for. */
export type FuelAsks = Extract<Asks, { kind: 'fuel' }>;
