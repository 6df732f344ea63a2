import { union, usesIn, type UseSet } from '../../envelope/use-set';
import type { Aircraft, Particulars } from '../../records/aircraft';
import type { EquipmentKind } from '../../records/equipment';
import { civilDate, type CivilDate } from '../../time/civil-date';
import type { Particular, RequiredList } from './reason';

/** The uses behind each list. Position lights are needed from sunset, the rest of the night list from the end of civil twilight. */
export const LIST_USES: Readonly<Record<RequiredList, UseSet>> = {
  'day-vfr': usesIn({}),
  'night-vfr': usesIn({ light: ['night'] }),
  ifr: usesIn({ rules: ['ifr'] }),
  'for-hire': usesIn({ light: ['night'], purpose: ['carriage-for-hire', 'instruction-school-aircraft', 'glider-towing'] }),
  'transponder-airspace': usesIn({ transponderAirspace: ['inside'] }),
  'broadcast-airspace': usesIn({ broadcastAirspace: ['inside'] }),
  'over-water': usesIn({ overWater: ['beyond-glide'], purpose: ['carriage-for-hire'] }),
  towing: usesIn({ purpose: ['glider-towing'] }),
  club: usesIn({}),
};

const DUSK_AND_NIGHT = union(usesIn({ light: ['dusk'] }), usesIn({ light: ['night'] }));

/** One line of a list: what is needed, and which fact decides whether this aircraft needs it (null: every one does). */
export interface RequiredLine {
  readonly equipment: EquipmentKind;
  readonly list: RequiredList;
  readonly uses: UseSet;
  readonly needed: (aircraft: Aircraft) => boolean | { readonly unknown: Particular };
}

const always = () => true;
const line = (list: RequiredList, equipment: EquipmentKind, needed: RequiredLine['needed'] = always, uses: UseSet = LIST_USES[list]): RequiredLine => ({ list, equipment, needed, uses });

/** Made after a day: 91.205(b)(14) and (16) speak of manufacture, (11) of certification. */
const since = (field: 'manufacturedOn' | 'certificatedOn', after: string, unknown: Particular): RequiredLine['needed'] => {
  const day: CivilDate = civilDate(after);
  return ({ particulars }) => { const value = particulars[field]; return value === null ? { unknown } : value > day; };
};
const engine = (asks: (engine: Exclude<Particulars['engine'], 'none' | null>) => boolean): RequiredLine['needed'] => ({ particulars }) =>
  (particulars.engine === null ? { unknown: 'engine' } : particulars.engine !== 'none' && asks(particulars.engine));

/**
 * The lists of 14 CFR 91.205(b) to (d) for powered aircraft of the standard category, and 91.215, 91.225 and 91.309 (all from memory).
 * Fuel gauges, belts and harnesses stand once for all of them. Item 15 of the day list, the locator, has a rule of its own;
 * item 17 is for rotorcraft.
 */
export const REQUIRED_LINES: readonly RequiredLine[] = [
  line('day-vfr', 'airspeed-indicator'), line('day-vfr', 'altimeter'), line('day-vfr', 'magnetic-direction-indicator'),
  line('day-vfr', 'tachometer', engine(() => true)), line('day-vfr', 'oil-pressure-gauge', engine(() => true)),
  line('day-vfr', 'coolant-temperature-gauge', engine(({ cooling }) => cooling === 'liquid')), line('day-vfr', 'oil-temperature-gauge', engine(({ cooling }) => cooling === 'air')),
  line('day-vfr', 'manifold-pressure-gauge', engine(({ altitude }) => altitude)), line('day-vfr', 'fuel-gauge'),
  line('day-vfr', 'gear-position-indicator', ({ particulars }) => (particulars.gear === null ? { unknown: 'gear' } : particulars.gear === 'retractable')),
  line('day-vfr', 'anticollision-lights', since('certificatedOn', '1996-03-11', 'certificated-on')),
  line('over-water', 'flotation'), line('over-water', 'pyrotechnic-signal'),
  line('day-vfr', 'safety-belts'), line('day-vfr', 'front-shoulder-harnesses', since('manufacturedOn', '1978-07-18', 'manufactured-on')),
  line('day-vfr', 'all-seat-harnesses', since('manufacturedOn', '1986-12-12', 'manufactured-on')),
  line('night-vfr', 'position-lights', always, DUSK_AND_NIGHT), line('night-vfr', 'anticollision-lights'), line('for-hire', 'landing-light'),
  line('night-vfr', 'electrical-source'), line('night-vfr', 'spare-fuses'),
  line('ifr', 'two-way-radio'), line('ifr', 'ifr-navigation'), line('ifr', 'rate-of-turn'), line('ifr', 'slip-skid'), line('ifr', 'sensitive-altimeter'), line('ifr', 'clock'),
  line('ifr', 'generator'), line('ifr', 'artificial-horizon'), line('ifr', 'directional-gyro'),
];

/** What airspace and towing ask of every category. */
export const OPERATING_LINES: readonly RequiredLine[] = [
  line('transponder-airspace', 'transponder'), line('broadcast-airspace', 'position-broadcast'), line('broadcast-airspace', 'transponder'),
  line('towing', 'tow-hook'),
];

const ALL_LINES: readonly RequiredLine[] = [...REQUIRED_LINES, ...OPERATING_LINES];

/** The lines that an aircraft has to meet: the lists of 91.205 are for powered aircraft of the standard category only. */
export function linesFor(aircraft: Aircraft): readonly RequiredLine[] {
  return aircraft.category === 'standard' ? ALL_LINES : OPERATING_LINES;
}
