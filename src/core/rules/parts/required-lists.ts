import { intersection, isEmpty, union, usesIn, type UseSet } from '../../envelope/use-set';
import { isGlider, type Aircraft, type Particulars } from '../../records/aircraft/aircraft';
import type { EquipmentKind } from '../../records/aircraft/equipment';
import { civilDate, type CivilDate } from '../../time/civil-date';
import { FOR_HIRE, type Lessons } from './for-hire';
import type { Particular, RequiredList } from './reason';

const DUSK_AND_NIGHT = usesIn({ light: ['dusk', 'night'] });
/** Lights are asked for from sunset, the rest of the night list from the end of civil twilight. */
const NIGHT = usesIn({ light: ['night'] });
const INSTRUMENTS = usesIn({ rules: ['ifr'] });

/** One line of a list: what is needed, and which fact decides whether this aircraft needs it (null: every one does). */
export interface RequiredLine {
  readonly equipment: EquipmentKind;
  readonly list: RequiredList;
  readonly uses: UseSet;
  readonly needed: (aircraft: Aircraft) => boolean | { readonly unknown: Particular };
}

const always = () => true;
const USES: Readonly<Record<Exclude<RequiredList, 'for-hire' | 'over-water' | 'club'>, UseSet>> = {
  'day-vfr': usesIn({}),
  'night-vfr': NIGHT,
  ifr: INSTRUMENTS,
  'sunset-to-sunrise': DUSK_AND_NIGHT,
  'transponder-airspace': usesIn({ transponderAirspace: ['inside'] }),
  'ads-b-airspace': usesIn({ adsbAirspace: ['inside'] }),
  towing: usesIn({ purpose: ['glider-towing'] }),
};
const line = (
  list: keyof typeof USES,
  equipment: EquipmentKind,
  needed: RequiredLine['needed'] = always,
): RequiredLine => ({ list, equipment, needed, uses: USES[list] });

/** Made after a day: 91.205(b)(14) and (16) speak of manufacture, (11) of certification. */
const since = (
  field: 'manufacturedOn' | 'certificatedOn',
  after: string,
  unknown: Particular,
): RequiredLine['needed'] => {
  const day: CivilDate = civilDate(after);
  return ({ particulars }) => {
    const value = particulars[field];
    return value === null ? { unknown } : value > day;
  };
};
const engine =
  (asks: (engine: Exclude<Particulars['engine'], 'none' | null>) => boolean): RequiredLine['needed'] =>
  ({ particulars }) =>
    particulars.engine === null
      ? { unknown: 'engine' }
      : particulars.engine !== 'none' && asks(particulars.engine);

/** What a list asks of an aircraft that is operated for hire. */
const HIRE_LINES = (lessons: Lessons): readonly RequiredLine[] => {
  const over = usesIn({ overWater: ['beyond-glide'], purpose: FOR_HIRE[lessons] });
  return [
    { list: 'over-water', equipment: 'flotation', needed: always, uses: over },
    { list: 'over-water', equipment: 'pyrotechnic-signal', needed: always, uses: over },
    {
      list: 'for-hire',
      equipment: 'landing-light',
      needed: always,
      uses: usesIn({ light: ['night'], purpose: FOR_HIRE[lessons] }),
    },
  ];
};

/**
 * The lists of 14 CFR 91.205(b) to (d) for powered aircraft of the standard category (from memory). Fuel gauges, belts and harnesses
 * stand once for all of them. Item 15 of the day list, the ELT, has a rule of its own; item 17 is for rotorcraft; position lights
 * stand below, since 91.209 asks every aircraft for them.
 */
const EQUIPMENT_LINES: readonly RequiredLine[] = [
  line('day-vfr', 'airspeed-indicator'),
  line('day-vfr', 'altimeter'),
  line('day-vfr', 'magnetic-direction-indicator'),
  line(
    'day-vfr',
    'tachometer',
    engine(() => true),
  ),
  line(
    'day-vfr',
    'oil-pressure-gauge',
    engine(() => true),
  ),
  line(
    'day-vfr',
    'coolant-temperature-gauge',
    engine(({ cooling }) => cooling === 'liquid'),
  ),
  line(
    'day-vfr',
    'oil-temperature-gauge',
    engine(({ cooling }) => cooling === 'air'),
  ),
  line(
    'day-vfr',
    'manifold-pressure-gauge',
    engine(({ altitude }) => altitude),
  ),
  line('day-vfr', 'fuel-gauge'),
  line('day-vfr', 'gear-position-indicator', ({ particulars }) =>
    particulars.gear === null ? { unknown: 'gear' } : particulars.gear === 'retractable',
  ),
  line('day-vfr', 'anticollision-lights', since('certificatedOn', '1996-03-11', 'certificated-on')),
  line('day-vfr', 'safety-belts'),
  line('day-vfr', 'front-shoulder-harnesses', since('manufacturedOn', '1978-07-18', 'manufactured-on')),
  line('day-vfr', 'all-seat-harnesses', since('manufacturedOn', '1986-12-12', 'manufactured-on')),
  line('night-vfr', 'anticollision-lights'),
  line('night-vfr', 'electrical-source'),
  line('night-vfr', 'spare-fuses', ({ particulars: { fuses } }) => fuses ?? { unknown: 'fuses' }),
  line('ifr', 'two-way-radio'),
  line('ifr', 'ifr-navigation'),
  line('ifr', 'rate-of-turn'),
  line('ifr', 'slip-skid'),
  line('ifr', 'sensitive-altimeter'),
  line('ifr', 'clock'),
  line('ifr', 'generator'),
  line('ifr', 'artificial-horizon'),
  line('ifr', 'directional-gyro'),
];

/** What operating rules ask of every aircraft: lights from sunset to sunrise (14 CFR 91.209(a)), airspace (91.215, 91.225), towing (91.309); from memory. */
const OPERATING_LINES: readonly RequiredLine[] = [
  line('sunset-to-sunrise', 'position-lights'),
  line('transponder-airspace', 'transponder'),
  line('ads-b-airspace', 'ads-b-out'),
  line('ads-b-airspace', 'transponder'),
  line('towing', 'tow-hook'),
];

const NIGHT_OR_INSTRUMENTS = union(NIGHT, INSTRUMENTS);

function linesOf(
  lessons: Lessons,
): Readonly<Record<'standard' | 'limited' | 'glider', readonly RequiredLine[]>> {
  const lists = [...EQUIPMENT_LINES, ...HIRE_LINES(lessons)];
  // By night and by instruments the limitations of light-sport and experimental aircraft usually ask for what 91.205 asks of the standard category.
  const limited = lists
    .map((one): RequiredLine => ({ ...one, uses: intersection(one.uses, NIGHT_OR_INSTRUMENTS) }))
    .filter(({ uses }) => !isEmpty(uses));
  return {
    standard: [...lists, ...OPERATING_LINES],
    limited: [...limited, ...OPERATING_LINES],
    glider: OPERATING_LINES,
  };
}

const LINES: Readonly<Record<Lessons, ReturnType<typeof linesOf>>> = {
  'lessons-are-for-hire': linesOf('lessons-are-for-hire'),
  'lessons-are-not-for-hire': linesOf('lessons-are-not-for-hire'),
};

/**
 * The lines that an aircraft has to meet. The lists of 91.205 are for powered aircraft of the standard category; those of other
 * categories are asked for them by night and by instruments. A glider, whatever its certificate, is asked for lights, and for what airspace and towing ask.
 */
export function linesFor(aircraft: Aircraft, lessons: Lessons): readonly RequiredLine[] {
  const lines = LINES[lessons];
  return isGlider(aircraft)
    ? lines.glider
    : aircraft.category === 'light-sport' || aircraft.category === 'experimental'
      ? lines.limited
      : lines.standard;
}
