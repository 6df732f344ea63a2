import { VOLUME_UNITS } from '../quantities/volume';
import type { FuelGrade } from '../records/walkround/measurement';

/**
 * Nominal weights of fuel in pounds a US gallon. Source: Pilot's Handbook of Aeronautical Knowledge, FAA
 * (from memory); car petrol at the heavy end of its range, since a loading is not to come out too light.
 */
const POUNDS_A_GALLON: Readonly<Record<FuelGrade, number>> = { leaded: 6, unleaded: 6.2, jet: 6.7 };
/** Exact by definition. */
const KILOGRAMS_A_POUND = 0.453_592_37;

/** What fuel weighs, nominally: real fuel differs by a few parts in a hundred with temperature. @param amount picolitres */
export function fuelMass(
  amount: number,
  grade: FuelGrade,
): { readonly pounds: number; readonly kilograms: number } {
  const pounds = (amount / VOLUME_UNITS['US gal']) * POUNDS_A_GALLON[grade];
  return { pounds, kilograms: pounds * KILOGRAMS_A_POUND };
}
