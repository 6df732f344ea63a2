import { overlaps, usesIn, type UseSet } from '../envelope/use-set';

/**
 * What an aircraft has, as far as it decides which steps there are. Common practice, no source. `all` is every aircraft; `night`, `ifr` and `training`
 * belong to the flight.
 */
export const FEATURES = {
  powered: { group: 'aircraft', name: 'Engine' },
  electrical: { group: 'aircraft', name: 'Battery and switches' },
  glider: { group: 'aircraft', name: 'Glider or motor glider' },
  tug: { group: 'aircraft', name: 'Tows gliders' },
  metal: { group: 'aircraft', name: 'Metal skin with rivets' },
  composite: { group: 'aircraft', name: 'Glass or carbon fibre' },
  fabric: { group: 'aircraft', name: 'Fabric covering' },
  'removable-wings': { group: 'aircraft', name: 'Wings that come off between flights' },
  'strut-braced': { group: 'aircraft', name: 'Wing struts' },
  'wire-braced-tail': { group: 'aircraft', name: 'Brace wires at the tail' },
  canopy: { group: 'cabin', name: 'Sliding or hinged canopy' },
  'transparent-roof': { group: 'cabin', name: 'Transparent roof' },
  'aft-stowage': { group: 'cabin', name: 'Small stowage behind the rear wall' },
  'escape-hammer': { group: 'cabin', name: 'Escape hammer' },
  parachute: { group: 'cabin', name: 'Whole-aircraft parachute' },
  'cable-controls': { group: 'controls', name: 'Control cables that can be reached' },
  'all-moving-tail': { group: 'controls', name: 'One-piece moving tailplane' },
  'elevator-tab': { group: 'controls', name: 'Separate elevator with a tab' },
  'elevator-rod': { group: 'controls', name: 'Elevator push-pull rod that can be seen' },
  'adjustable-stabiliser': { group: 'controls', name: 'Tailplane angle cranked for trim' },
  'travel-marks': { group: 'controls', name: 'Marks for full travel' },
  'aileron-weights': { group: 'controls', name: 'Aileron weights that can be reached' },
  'aileron-paddle': { group: 'controls', name: 'Aerodynamic balance on the aileron' },
  'aileron-bolt': { group: 'controls', name: 'Aileron bolt seen through a hole' },
  'aileron-tab': { group: 'controls', name: 'Fixed tab on the aileron' },
  'rudder-tab': { group: 'controls', name: 'Fixed tab on the rudder' },
  flaps: { group: 'controls', name: 'Flaps' },
  'flap-tracks': { group: 'controls', name: 'Flaps in tracks or rails' },
  flaperons: { group: 'controls', name: 'Flaps and ailerons in one' },
  'stall-strips': { group: 'controls', name: 'Stall strips' },
  'static-wicks': { group: 'controls', name: 'Static wicks' },
  'air-probe': { group: 'controls', name: 'Outside-air probe' },
  oleo: { group: 'gear', name: 'Gas-and-oil strut' },
  'shock-cords': { group: 'gear', name: 'Elastic cords' },
  'welded-gear': { group: 'gear', name: 'Welded steel-tube gear' },
  nosewheel: { group: 'gear', name: 'Nose wheel' },
  tailwheel: { group: 'gear', name: 'Tailwheel' },
  'tail-skid': { group: 'gear', name: 'Tail skid' },
  fairings: { group: 'gear', name: 'Wheel fairings' },
  'brake-stickers': { group: 'gear', name: 'Brake temperature labels' },
  'brake-reservoir': { group: 'gear', name: 'Brake-fluid reservoir in the engine bay' },
  avgas: { group: 'engine', name: 'Runs on leaded petrol' },
  mogas: { group: 'engine', name: 'Runs on car petrol' },
  diesel: { group: 'engine', name: 'Geared engine on jet fuel' },
  'four-tanks': { group: 'engine', name: 'Four tanks' },
  'cabin-drain-lever': { group: 'engine', name: 'Belly drain worked from the cabin' },
  'drain-gauge': { group: 'engine', name: 'Quantity measured at the drain' },
  'sight-gauge': { group: 'engine', name: 'Sight gauge in the wing' },
  'liquid-cooled': { group: 'engine', name: 'Coolant' },
  'belt-alternator': { group: 'engine', name: 'Alternator belt that can be reached' },
  'constant-speed': { group: 'engine', name: 'Governor and variable pitch' },
  'composite-propeller': { group: 'engine', name: 'Wood blades under carbon skin' },
  'metal-propeller': { group: 'engine', name: 'Metal blades' },
  'propeller-screws': { group: 'engine', name: 'Screws on each side of the propeller' },
  'spinner-pitot': { group: 'engine', name: 'Pitot in the spinner' },
  'electric-pump': { group: 'engine', name: 'Electric fuel pump' },
  'starter-disable': { group: 'engine', name: 'Starter disable switch' },
  fuses: { group: 'engine', name: 'Fuses instead of breakers' },
  'glass-cockpit': { group: 'equipment', name: 'Electronic displays' },
  'gyro-instruments': { group: 'equipment', name: 'Gyro instruments with a flag' },
  'two-batteries': { group: 'equipment', name: 'Two batteries' },
  'alternate-static': { group: 'equipment', name: 'Alternate static source' },
  'static-drains': { group: 'equipment', name: 'Pitot and static drains in the cabin' },
  'stall-warner': { group: 'equipment', name: 'Stall warner' },
  'pitot-heat': { group: 'equipment', name: 'Heated pitot' },
  'nav-lights': { group: 'equipment', name: 'Navigation lights' },
  strobes: { group: 'equipment', name: 'Strobes' },
  beacon: { group: 'equipment', name: 'Beacon' },
  'landing-light': { group: 'equipment', name: 'Landing or taxi light' },
  'ice-lights': { group: 'equipment', name: 'Ice lights' },
  'ground-power': { group: 'equipment', name: 'Ground-power socket' },
  'disused-antenna': { group: 'equipment', name: 'An old antenna left on' },
  elt: { group: 'equipment', name: 'ELT' },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly group: 'aircraft' | 'cabin' | 'controls' | 'gear' | 'engine' | 'equipment';
      readonly name: string;
    }
  >
>;
export type Feature = keyof typeof FEATURES;
export const FEATURE_NAMES = Object.keys(FEATURES) as readonly Feature[];

/** What of a step's tags the flight brings: a step of night belongs to a flight by night, whatever the aircraft has. */
export const FLIGHT_FEATURES = ['night', 'ifr', 'training'] as const;
export type FlightFeature = (typeof FLIGHT_FEATURES)[number];

/** Whether an aircraft is known not to have what a tag names. Where nobody has said what it has, it is missing nothing. */
export const isMissing = (tag: string, features: readonly string[] | null): boolean =>
  features !== null && !features.includes(tag);

const BY_NIGHT = usesIn({ light: ['dusk', 'night'] });
const BY_INSTRUMENTS = usesIn({ rules: ['ifr'] });
const LESSON = usesIn({ purpose: ['instruction-school-aircraft'] });

/** What a flight brings to the steps, by the uses that it needs. What it does not say it may need. */
export function flightFeatures(needs: UseSet): readonly FlightFeature[] {
  return [
    ...(overlaps(needs, BY_NIGHT) ? (['night'] as const) : []),
    ...(overlaps(needs, BY_INSTRUMENTS) ? (['ifr'] as const) : []),
    ...(overlaps(needs, LESSON) ? (['training'] as const) : []),
  ];
}
