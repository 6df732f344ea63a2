import { hours, hoursFromSeconds, type Hours } from '../src/core/quantities/hours';
import type { Signature } from '../src/core/records/club/certificate';
import type { Inspection } from '../src/core/records/maintenance/inspection';
import type { MeterReading } from '../src/core/records/meters/meter-reading';
import { addDays, civilDate, type CivilDate } from '../src/core/time/civil-date';
import { hourOfDay, type Place } from '../src/core/time/sun';
import type { DemoAircraft } from './fleet';
import { PEOPLE } from './people';
import { randomFrom } from './random';

/** Three years and some days. */
export const DAYS_BACK = 1100;
const HUNDREDTH = 36;

/** The meter of one day: what it showed in the evening. */
interface DayEnd {
  readonly date: CivilDate;
  readonly value: Hours;
}

/** An aircraft's past, as it would have been written down day by day. */
export interface History {
  readonly readings: readonly MeterReading[];
  readonly inspections: readonly Inspection[];
}

/**
 * The meter day by day, backwards from what it shows today: about four flying days a week. Busy enough that the last hundred-hour
 * inspection came after the last annual wherever the fleet's list says so.
 */
function meterByDay(aircraft: DemoAircraft, today: CivilDate, random: () => number): readonly DayEnd[] {
  const sinceInspection = (hours(aircraft.hours) - hours(aircraft.inspectedAt)) / 3600;
  const perMonth = Math.max(14, (sinceInspection / aircraft.annualMonthsAgo) * 1.35);
  const perFlyingDay = (perMonth * 12) / 365 / 0.57;
  const days: DayEnd[] = [];
  let value: number = hours(aircraft.hours);
  for (let back = 1; back <= DAYS_BACK && value > 3600; back += 1) {
    days.push({ date: addDays(today, -back), value: hoursFromSeconds(value) });
    if (random() < 0.57)
      value -= Math.round((perFlyingDay * (0.4 + 1.2 * random()) * 3600) / HUNDREDTH) * HUNDREDTH;
  }
  return days.reverse();
}

const mechanic: Signature = {
  name: PEOPLE.find(({ role }) => role === 'mechanic')?.name ?? '',
  certificate: PEOPLE.find(({ role }) => role === 'mechanic')?.certificates[0] ?? null,
};
const workshop: Signature = {
  name: 'Cape Reach Workshop',
  certificate: {
    kind: 'repair-station',
    number: 'RS-0417',
    validFrom: civilDate('2009-04-01'),
    validUntil: 'no-expiry',
  },
};

/** The day `months` before `date`: the same day of the month, or its last. */
function monthsBefore(date: CivilDate, months: number): CivilDate {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  const count = year * 12 + month - 1 - months;
  const [y, m] = [Math.floor(count / 12), (count % 12) + 1];
  const last = new Date(Date.UTC(y, m, 0)).getUTCDate();
  return civilDate(`${y}-${String(m).padStart(2, '0')}-${String(Math.min(day, last)).padStart(2, '0')}`);
}

/** Readings of every flying day, an annual a year, and a hundred-hour inspection every 97 to 100 hours. */
export function historyOf(
  aircraft: DemoAircraft,
  today: CivilDate,
  place: Place,
  seed: number,
  id: (name: string) => string,
): History {
  const random = randomFrom(seed);
  const days = meterByDay(aircraft, today, random);
  const readings = days
    .filter((day, at) => at === 0 || day.value !== days[at - 1]?.value || at === days.length - 1)
    .map((day): MeterReading => {
      const happenedAt = hourOfDay(day.date, 17 + 2 * random(), place);
      return {
        id: id(`${aircraft.registration}/reading/${day.date}`),
        meter: 'time-in-service',
        value: day.value,
        happenedAt,
        recordedAt: hourOfDay(day.date, 19.5, place),
      };
    });
  const inspection = (
    kind: Inspection['kind'],
    day: DayEnd,
    timeInService: Hours,
    signedBy: Signature,
  ): Inspection => ({
    id: id(`${aircraft.registration}/${kind}/${day.date}`),
    kind,
    completedOn: day.date,
    recordedAt: hourOfDay(day.date, 20, place),
    timeInService,
    outcome: 'approved',
    listCleared: null,
    signedBy,
    excess: null,
    testedToFeet: null,
  });
  const annuals = [0, 12, 24, 36]
    .map((years) => monthsBefore(today, aircraft.annualMonthsAgo + years))
    .flatMap((date) => days.filter((day) => day.date === date))
    .map((day) =>
      inspection(aircraft.category === 'light-sport' ? 'condition' : 'annual', day, day.value, workshop),
    );
  const hundreds: Inspection[] = [];
  for (
    let at: number = hours(aircraft.inspectedAt);
    at > 0;
    at -= Math.round((97 + 3 * random()) * 10) * 360
  ) {
    const day = days.find(({ value }) => value >= at);
    if (day === undefined || at < (days[0]?.value ?? 0)) break;
    hundreds.push(inspection('hundred-hour', day, hoursFromSeconds(at), mechanic));
  }
  // Tests every two years, the ELT every year: due one after the other, so that not everything ends at once.
  const tests = (kind: Inspection['kind'], every: number, monthsAgo: number) =>
    [0, 1, 2, 3]
      .map((back) => monthsBefore(today, monthsAgo + back * every))
      .flatMap((date) => days.filter((day) => day.date === date))
      .map((day) => inspection(kind, day, day.value, workshop));
  const month = seed % 9;
  const avionics = [
    ...tests('transponder', 24, 6 + month),
    ...tests('altimeter-static', 24, 6 + month),
    ...tests('elt', 12, 2 + month),
  ];
  // It came to the club inspected and tested.
  const [first] = days;
  const kinds: readonly Inspection['kind'][] = [
    aircraft.category === 'light-sport' ? 'condition' : 'annual',
    ...(aircraft.category === 'glider' ? [] : (['transponder', 'altimeter-static', 'elt'] as const)),
  ];
  const known = new Set([...annuals, ...avionics].map(({ kind, completedOn }) => `${kind} ${completedOn}`));
  const joined = kinds.flatMap((kind) =>
    first === undefined || known.has(`${kind} ${first.date}`)
      ? []
      : [inspection(kind, first, first.value, workshop)],
  );
  return {
    readings,
    inspections: [
      ...joined,
      ...annuals,
      ...(aircraft.category === 'glider' ? [] : avionics),
      ...hundreds,
    ].sort((a, b) => a.recordedAt - b.recordedAt),
  };
}
