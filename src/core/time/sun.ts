import { getPosition, getTimes } from 'suncalc';
import { addDays, type CivilDate } from './civil-date';
import { addSeconds, instantFromMilliseconds, type Instant } from './instant';
import { remembered } from '../remembered';
import { civilDateAt, startOfDay, type ZoneId } from './zone';

/** A place on the ground. Latitude north positive, -90 to 90 degrees; longitude east positive, -180 to 180 degrees. */
export interface Place {
  readonly name: string;
  readonly latitude: number;
  readonly longitude: number;
  readonly zone: ZoneId;
}

/**
 * Day, dusk (sunset to the end of evening civil twilight, and dawn likewise) and night, as the club’s rules
 * and the regulations name them.
 */
export const LIGHT = ['day', 'dusk', 'night'] as const;
export type Light = (typeof LIGHT)[number];

/** The sun's four moments of one local day. A moment that does not come that day (polar summer, polar night) is null. */
export interface SunDay {
  readonly date: CivilDate;
  readonly dawn: Instant | null;
  readonly sunrise: Instant | null;
  readonly sunset: Instant | null;
  readonly nightfall: Instant | null;
}

const moment = (date: Date | null | undefined): Instant | null =>
  date === null || date === undefined || Number.isNaN(date.valueOf())
    ? null
    : instantFromMilliseconds(date.valueOf());

/**
 * Sunrise, sunset and civil twilight (sun's centre 6 degrees down, 14 CFR 1.1 'night') at a place on a local day.
 * Flat horizon at sea level; good to about a minute below 60 degrees of latitude, two to 66.
 */
export function sunOn(date: CivilDate, place: Place): SunDay {
  return sunAt(place)(date);
}

const sunByPlace = remembered((key: string) => {
  const [latitude = '', longitude = '', at = ''] = key.split('|');
  return remembered(
    (date: CivilDate) =>
      computeSun(date, {
        name: '',
        latitude: Number(latitude),
        longitude: Number(longitude),
        zone: at as ZoneId,
      }),
    2000,
  );
}, 50);

const sunAt = ({ latitude, longitude, zone }: Place) => sunByPlace(`${latitude}|${longitude}|${zone}`);

function computeSun(date: CivilDate, place: Place): SunDay {
  const noon = new Date(startOfDay(date, place.zone) + 12 * 3_600_000);
  const times = getTimes(noon, place.latitude, place.longitude);
  const [dawn, sunrise, sunset, nightfall] = [
    moment(times.dawn),
    moment(times.sunrise),
    moment(times.sunset),
    moment(times.dusk),
  ];
  // On the days around the first and last civil night of the far north and south the library answers moments that cannot be:
  // a dawn after the sunset of its own day. Such a moment is none.
  return {
    date,
    dawn: dawn !== null && sunrise !== null && dawn >= sunrise ? null : dawn,
    sunrise,
    sunset,
    nightfall: nightfall !== null && sunset !== null && nightfall <= sunset ? null : nightfall,
  };
}

/** Dawn, sunrise, sunset, nightfall. */
const EDGES_A_DAY = 4;

/** A moment at which the light changes, and what it is then. */
interface Edge {
  readonly at: Instant;
  readonly then: Light;
}

function edgesOf({ dawn, sunrise, sunset, nightfall }: SunDay): readonly Edge[] {
  return (
    [
      [dawn, 'dusk'],
      [sunrise, 'day'],
      [sunset, 'dusk'],
      [nightfall, 'night'],
    ] as const
  ).flatMap(([at, then]) => (at === null ? [] : [{ at, then }]));
}

const edgesByPlace = remembered((key: string) => {
  const [latitude = '', longitude = '', at = ''] = key.split('|');
  const place: Place = {
    name: '',
    latitude: Number(latitude),
    longitude: Number(longitude),
    zone: at as ZoneId,
  };
  return remembered((date: CivilDate): readonly Edge[] | null => {
    // The day, the one before and the one after: local days and the sun's moments need not fit each other.
    const days = [-1, 0, 1].map((far) => edgesOf(sunOn(addDays(date, far), place)));
    // Where one of its moments does not come on one of these days, the others do not tell what lies between them.
    return days.some(({ length }) => length < EDGES_A_DAY) ? null : days.flat();
  }, 2000);
}, 50);

/** How often the sun's height is looked at, where its moments do not tell. Far north and south it moves by less than half a degree meanwhile. */
const LOOK_MS = 5 * 60_000;

/** The light by the sun's height itself, for polar summers and winters: each value that could be met within a degree of its edge. */
function lightByHeight(start: Instant, end: Instant, { latitude, longitude }: Place): readonly Light[] {
  const touched = new Set<Light>();
  for (let at = start as number; ; at = Math.min(at + LOOK_MS, end)) {
    // Apparent height of the sun's centre: at sunrise and sunset about a quarter of a degree below the horizon.
    const height = getPosition(new Date(at), latitude, longitude).altitude;
    if (height > -1.3) touched.add('day');
    if (height < 0.8 && height > -7) touched.add('dusk');
    if (height < -5) touched.add('night');
    if (at >= end || touched.size === LIGHT.length) break;
  }
  return LIGHT.filter((light) => touched.has(light));
}

/** Every light value that a flight from `start` to `end` touches at one place, in the order day, dusk, night. */
export function lightTouched(start: Instant, end: Instant, place: Place): readonly Light[] {
  const around = edgesByPlace(`${place.latitude}|${place.longitude}|${place.zone}`);
  const from = civilDateAt(start, place.zone);
  const to = civilDateAt(end, place.zone);
  let before: Light | undefined;
  const touched = new Set<Light>();
  for (let date = from; date <= to; date = addDays(date, 1)) {
    const own = around(date);
    if (own === null) return lightByHeight(start, end, place);
    // The edges of each day and its neighbours are in order, and reach beyond the flight: the last at or before its start tells the light then.
    for (const edge of own) {
      if (edge.at <= start) before = edge.then;
      else if (edge.at < end) touched.add(edge.then);
    }
    // Nothing can be added: a flight that is said to last for years is answered at once.
    if (touched.size === LIGHT.length) return LIGHT;
  }
  if (before === undefined) return lightByHeight(start, end, place);
  touched.add(before);
  return LIGHT.filter((light) => touched.has(light));
}

/** The moment `hours` (fractions allowed) after local midnight of `date`, for drawing a day's axis. */
export function hourOfDay(date: CivilDate, hours: number, place: Place): Instant {
  return addSeconds(startOfDay(date, place.zone), hours * 3600);
}
