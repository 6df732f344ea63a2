import type { EquipmentKind } from './equipment';

/** What the type certification asks for by day. */
const DAY: readonly EquipmentKind[] = [
  'airspeed-indicator',
  'altimeter',
  'magnetic-direction-indicator',
  'tachometer',
  'oil-pressure-gauge',
  'oil-temperature-gauge',
  'coolant-temperature-gauge',
  'fuel-gauge',
  'safety-belts',
  'front-shoulder-harnesses',
  'all-seat-harnesses',
  'stall-warning',
];
const NIGHT: readonly EquipmentKind[] = [
  'position-lights',
  'anticollision-lights',
  'landing-light',
  'electrical-source',
  'spare-fuses',
  'instrument-lights',
  'pitot-heat',
];
const AVIONICS: readonly EquipmentKind[] = [
  'transponder',
  'ads-b-out',
  'two-way-radio',
  'vor-receiver',
  'generator',
  'slip-skid',
  'exhaust-gas-gauge',
];
const IFR: readonly EquipmentKind[] = [
  'ifr-navigation',
  'satellite-navigator',
  'rate-of-turn',
  'sensitive-altimeter',
  'clock',
  'artificial-horizon',
  'directional-gyro',
];
const NOT_BY_TYPE: readonly EquipmentKind[] = [
  ...NIGHT,
  ...AVIONICS,
  ...IFR,
  'fire-extinguisher',
  'monoxide-detector',
  'tow-hook',
];

/** What an aircraft of a type usually has, as a start of its equipment list; the aircraft itself is what counts. */
export interface TypeTemplate {
  readonly type: string;
  /** What it is, for somebody who does not know the type. */
  readonly about: string;
  readonly fitted: readonly EquipmentKind[];
  readonly notFitted: readonly EquipmentKind[];
}

const SAFETY: readonly EquipmentKind[] = ['fire-extinguisher', 'monoxide-detector'];
const NO_SEA: readonly EquipmentKind[] = ['flotation', 'pyrotechnic-signal'];
const POWERED = DAY.filter((kind) => kind !== 'coolant-temperature-gauge');

/** The types of the demo, as templates. */
export const TYPE_TEMPLATES: readonly TypeTemplate[] = [
  {
    type: 'Quorin 160',
    about: 'trainer, day and night VFR',
    fitted: [...POWERED, ...AVIONICS, ...NIGHT, ...SAFETY],
    notFitted: NO_SEA,
  },
  {
    type: 'Quorin 180',
    about: 'tug, day VFR',
    fitted: [...POWERED, ...AVIONICS, ...NIGHT, 'tow-hook', ...SAFETY],
    notFitted: NO_SEA,
  },
  {
    type: 'Selmo X',
    about: 'tourer, IFR',
    fitted: [...POWERED, ...AVIONICS, ...NIGHT, ...IFR, ...SAFETY],
    notFitted: NO_SEA,
  },
  {
    type: 'Tamsel F',
    about: 'without an electrical system, day VFR',
    fitted: [...POWERED, ...SAFETY],
    notFitted: ['transponder', 'ads-b-out', ...NO_SEA],
  },
  {
    type: 'Luvane D',
    about: 'glider',
    fitted: [
      'airspeed-indicator',
      'altimeter',
      'magnetic-direction-indicator',
      'safety-belts',
      'tow-hook',
      ...SAFETY,
    ],
    notFitted: ['transponder', 'ads-b-out', ...NO_SEA],
  },
];

/**
 * Whether something usually belongs to the type certification of a powered aircraft or glider for day flight;
 * what does not is an addition.
 */
export const isByType = (kind: EquipmentKind): boolean => !NOT_BY_TYPE.includes(kind);

/** The template of a type's fit in the demo. */
export const templateOf = (type: string): TypeTemplate | undefined =>
  TYPE_TEMPLATES.find((template) => template.type === type);
