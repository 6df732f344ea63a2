import type { FullBox } from '../envelope/dimensions';
import type { CivilDate } from '../time/civil-date';
import type { RecordBase } from './record';

/** Instruments and equipment that a list may ask for. */
export const EQUIPMENT_KINDS = [
  'airspeed-indicator', 'altimeter', 'magnetic-direction-indicator', 'tachometer', 'oil-pressure-gauge', 'coolant-temperature-gauge',
  'oil-temperature-gauge', 'manifold-pressure-gauge', 'fuel-gauge', 'gear-position-indicator', 'anticollision-lights', 'flotation', 'pyrotechnic-signal',
  'safety-belts', 'front-shoulder-harnesses', 'all-seat-harnesses', 'position-lights', 'landing-light', 'electrical-source', 'spare-fuses',
  'two-way-radio', 'ifr-navigation', 'rate-of-turn', 'slip-skid', 'sensitive-altimeter', 'clock', 'generator', 'artificial-horizon', 'directional-gyro',
  'transponder', 'position-broadcast', 'vor-receiver', 'satellite-navigator', 'tow-hook', 'stall-warning', 'pitot-heat', 'fire-extinguisher',
  'monoxide-detector', 'exhaust-gas-gauge', 'instrument-lights',
  'alternate-static', 'emergency-locator', 'avionics-fan', 'warning-lights', 'ice-lights', 'static-wicks', 'outside-air-thermometer', 'tow-rope', 'other',
] as const;
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number];

/** Whether a document of the aircraft asks for an item: for no use, for every use, or for those in the boxes. Null is not known. */
export type AskedFor = 'no' | 'always' | readonly FullBox[] | null;

/** One line of the aircraft's equipment list. */
export interface EquipmentItem {
  readonly kind: EquipmentKind;
  readonly fitted: boolean | null;
  /** Part of the type certification for day VFR. */
  readonly typeCertification: boolean | null;
  /** Asked for by the aircraft's own equipment list. */
  readonly equipmentList: AskedFor;
  /** Asked for by its kinds-of-operation list. */
  readonly kindsOfOperation: AskedFor;
  /** For items with a date: a charge, a pack. 'no-expiry' states that it has none. */
  readonly expiresOn: CivilDate | 'no-expiry' | null;
}

/** The equipment list as somebody compared it with the aircraft. What it does not name is not known. */
export interface EquipmentList extends RecordBase {
  readonly items: readonly EquipmentItem[];
}

/** The line of a kind, or null where the list does not name it. */
export function lineOf(list: EquipmentList | null, kind: EquipmentKind): EquipmentItem | null {
  return list?.items.find((item) => item.kind === kind) ?? null;
}
