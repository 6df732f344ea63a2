import ICAL from 'ical.js';
import Papa from 'papaparse';
import { readFlightLine, type FlightLine, type Known } from '@/contracts/flights/flight-line';
import { instantFromMilliseconds } from '@/core/time/instant';
import { momentsAt, parseZone, type ZoneId } from '@/core/time/zone';
import type { CivilDate } from '@/core/time/civil-date';
import { wallClockOf } from '../data/clock';

/** A flight of a file: what it says, and what is not clear of it. */
export interface FlightInFile {
  /** What it is known by in its file, the same whenever the file is read again. */
  readonly key: string;
  /** As it stands there, for the person who reads it. */
  readonly text: string;
  readonly said: FlightLine;
  readonly unclear: readonly string[];
}

/** So many flights of one file are taken. */
export const MOST_IN_FILE = 500;
/** A calendar that repeats is followed for so many days. */
const AHEAD_DAYS = 92;
const DAY_MS = 86_400_000;

/** What a flight lacks before it can be planned. */
function missing({ registration, date, starts, ends, purpose }: FlightLine): readonly string[] {
  return [
    ...(purpose === undefined ? ['What for? Say lesson, solo, rental, hire or tow.'] : []),
    ...(registration === undefined ? ['Which aircraft? No registration of the club stands there.'] : []),
    ...(date === undefined || starts === undefined || ends === undefined
      ? ['When? A day with its times is needed.']
      : []),
  ];
}

const COLUMNS: Readonly<Record<string, keyof FlightLine | 'line'>> = {
  flight: 'line',
  aircraft: 'registration',
  registration: 'registration',
  day: 'date',
  date: 'date',
  from: 'starts',
  starts: 'starts',
  to: 'ends',
  ends: 'ends',
  who: 'person',
  person: 'person',
  for: 'purpose',
  purpose: 'purpose',
  air: 'airborne',
  airborne: 'airborne',
};

/**
 * Reads flights from a table with a head: a column `flight` with a line of text each, or columns such as aircraft, day, from, to, who, for and
 * air. Each line is read as one that somebody types.
 */
export function flightsFromTable(text: string, known: Known): readonly FlightInFile[] {
  const { data, meta } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' });
  const columns = (meta.fields ?? []).map((name) => [name, COLUMNS[name.trim().toLowerCase()]] as const);
  if (columns.every(([, meant]) => meant === undefined))
    return [
      {
        key: 'head',
        text: (meta.fields ?? []).join(', '),
        said: {},
        unclear: [
          'No column is known. Name them aircraft, day, from, to, who, for and air; or one column flight.',
        ],
      },
    ];
  return data.slice(0, MOST_IN_FILE).map((row, at) => {
    const cell = (meant: keyof FlightLine | 'line') =>
      columns.flatMap(([name, known_]) => (known_ === meant ? [row[name]?.trim() ?? ''] : [])).join(' ');
    const air = cell('airborne');
    const times = [cell('starts'), cell('ends')].filter((part) => part !== '').join('-');
    const line = [
      cell('line'),
      cell('registration'),
      cell('date'),
      times,
      cell('purpose'),
      cell('person'),
      air === '' ? '' : `${air} h`,
    ]
      .filter((part) => part !== '')
      .join(' ');
    const { said, unclear } = readFlightLine(line, known);
    return { key: `${at} ${line}`, text: line, said, unclear: [...unclear, ...missing(said)] };
  });
}

/**
 * The moment of a time in a calendar; a sentence where its time zone is not known.
 * @param tzid the zone that the calendar names; null is UTC or, without it, the field's own clock
 * @param zones that the calendar itself describes
 */
function momentOf(
  time: ICAL.Time,
  tzid: string | null,
  zone: ZoneId,
  zones: ReadonlySet<string>,
): number | string {
  if (time.zone === ICAL.Timezone.utcTimezone || (tzid !== null && zones.has(tzid)))
    return time.toUnixTime() * 1000;
  const own = tzid === null ? zone : parseZone(tzid);
  if (own === undefined) return `The time zone ${tzid} is not known.`;
  const two = (value: number) => String(value).padStart(2, '0');
  const [moment] = momentsAt(
    `${time.year}-${two(time.month)}-${two(time.day)}` as CivilDate,
    `${two(time.hour)}:${two(time.minute)}`,
    own,
  );
  return moment ?? 'The clock is set forward over this time: it does not exist on that day.';
}

interface Occurrence {
  readonly starts: ICAL.Time;
  readonly ends: ICAL.Time;
}

/** The times of an event, each time that it is repeated up to a moment. */
function occurrencesOf(event: ICAL.Event, until: number): readonly Occurrence[] {
  if (!event.isRecurring()) return [{ starts: event.startDate, ends: event.endDate }];
  const found: Occurrence[] = [];
  const times = event.iterator();
  for (let next = times.next() as ICAL.Time | undefined; next !== undefined && found.length < MOST_IN_FILE;) {
    if (next.toUnixTime() * 1000 > until) break;
    const { startDate, endDate } = event.getOccurrenceDetails(next);
    found.push({ starts: startDate, ends: endDate });
    next = times.next() as ICAL.Time | undefined;
  }
  return found;
}

/**
 * Reads flights from a calendar (RFC 5545): when, from its events; aircraft, who and what for, from the words of their summary, place and
 * categories, as a line that somebody types. What is over is left out; what is repeated is followed for three months.
 * @throws Error where it is no calendar
 */
export function flightsFromCalendar(
  text: string,
  known: Known,
  zone: ZoneId,
  now: number,
): readonly FlightInFile[] {
  let calendar: ICAL.Component;
  try {
    calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  } catch {
    throw new Error('This is no calendar: it could not be read as iCalendar.');
  }
  const zones = new Set<string>();
  for (const one of calendar.getAllSubcomponents('vtimezone')) {
    const own = new ICAL.Timezone(one);
    zones.add(own.tzid);
    ICAL.TimezoneService.register(own);
  }
  const until = now + AHEAD_DAYS * DAY_MS;
  return calendar
    .getAllSubcomponents('vevent')
    .flatMap((component): readonly FlightInFile[] => {
      const event = new ICAL.Event(component);
      const summary = String(component.getFirstPropertyValue('summary') ?? '');
      const place = String(component.getFirstPropertyValue('location') ?? '');
      const categories = component
        .getAllProperties('categories')
        .flatMap((one) => one.getValues() as string[]);
      if (component.getFirstPropertyValue('status') === 'CANCELLED') return [];
      const zoneOf = (name: string): string | null => {
        const named = component.getFirstProperty(name)?.getFirstParameter('tzid');
        return named === undefined || named === '' ? null : named;
      };
      // Of place and categories only what a flight is made of counts: the rest would be taken for somebody's name.
      const beside = [...place.split(/[\s,]+/u), ...categories].filter((word) => {
        const { said } = readFlightLine(word, known);
        return said.registration !== undefined || said.purpose !== undefined || said.rules !== undefined;
      });
      const { said: words, unclear } = readFlightLine([summary, ...beside].join(' '), known);
      return occurrencesOf(event, until).flatMap(({ starts, ends }): readonly FlightInFile[] => {
        const key = `${event.uid} ${starts.toString()}`;
        if (starts.isDate)
          return [
            { key, text: summary, said: words, unclear: ['It takes whole days: a flight has its times.'] },
          ];
        const from = momentOf(starts, zoneOf('dtstart'), zone, zones);
        const to = momentOf(ends, zoneOf('dtend') ?? zoneOf('dtstart'), zone, zones);
        if (typeof from === 'string' || typeof to === 'string')
          return [
            { key, text: summary, said: words, unclear: [from, to].filter((one) => typeof one === 'string') },
          ];
        if (from < now) return [];
        const began = wallClockOf(instantFromMilliseconds(from), zone);
        const said: FlightLine = {
          ...words,
          date: began.date as CivilDate,
          starts: began.clock,
          ends: wallClockOf(instantFromMilliseconds(to), zone).clock,
        };
        const long =
          to - from >= DAY_MS || to <= from ? ['It does not end within a day after it begins.'] : [];
        return [{ key, text: summary, said, unclear: [...unclear, ...missing(said), ...long] }];
      });
    })
    .slice(0, MOST_IN_FILE);
}
