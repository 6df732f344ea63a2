import type { DialRow } from '../src/db/meters/dials';
import type { RecordBatch } from '../src/commands/kernel/load-records';
import type { OtherRecord } from '../src/db/aircraft/other-kinds';
import { decimalHours, hoursFromSeconds } from '../src/core/quantities/hours';
import { reportOf } from '../src/core/records/flights/pilot-report';
import type { MeterReading } from '../src/core/records/meters/meter-reading';
import { addDays, type CivilDate } from '../src/core/time/civil-date';
import { addSeconds } from '../src/core/time/instant';
import { hourOfDay, type Place } from '../src/core/time/sun';
import { civilDateAt } from '../src/core/time/zone';
import { DAYS_BACK } from './history';
import type { DemoAircraft } from './fleet';
import { randomFrom } from './random';

const HUNDREDTH = 36;
const FLIERS = [
  'R. Dane',
  'A. Verin',
  'J. Sol',
  'P. Okoro',
  'L. Brandt',
  'K. Ferro',
  'M. Ostrow',
  'E. Quist',
  'T. Arden',
  'D. Hale',
  'S. Lund',
  'N. Abara',
  'C. Voss',
];
const REMARKS = [
  'Nothing to report',
  'Nothing to report',
  'Nothing to report',
  'Nothing to report',
  'Nothing to report',
  'Bumpy below 2000 ft',
  'Filled to the tabs for the next crew',
  'Towbar is back in the hangar',
];

type Flight = RecordBatch['flights'][number];

/** An aircraft's meters and three years of flights, which account for every reading of its past but one stretch. */
export interface Flown {
  readonly dials: readonly DialRow[];
  readonly flights: readonly Flight[];
  readonly readings: readonly (MeterReading & { readonly dialId: string | null })[];
  readonly unlogged: readonly OtherRecord[];
}

const shown = (seconds: number): string => decimalHours(hoursFromSeconds(seconds), 2, 'down');

/**
 * Flights between the readings of two evenings: one to three a flying day, in the order of the clock. The block meter runs with the
 * engine and shows a sixth more than the one that runs in the air; the oldest has one meter for everything, and gliders have none.
 */
export function flightsOf(
  aircraft: DemoAircraft,
  days: readonly MeterReading[],
  today: CivilDate,
  place: Place,
  seed: number,
  id: (name: string) => string,
): Flown {
  const random = randomFrom(seed * 7 + 1);
  const { registration } = aircraft;
  const joined = hourOfDay(addDays(today, -DAYS_BACK), 8.5, place);
  const base = {
    happenedAt: joined,
    recordedAt: joined,
    unit: 'h' as const,
    wrapsAt: null,
    replaces: null,
    why: null,
  };
  const single = aircraft.fit === 'vintage';
  // The clubs call their meters as people do in their countries.
  const names = place.zone.startsWith('Australia/')
    ? { service: 'Air-switch meter', block: 'Hour meter' }
    : { service: 'Tach', block: 'Hour meter' };
  const air: DialRow = {
    ...base,
    id: id(`${registration}/dial/air`),
    name: names.service,
    counts: [
      { meter: 'time-in-service', offset: 0 },
      ...(single ? [{ meter: 'engine' as const, offset: 0 }] : []),
    ],
    bills: single,
  };
  const block: DialRow = {
    ...base,
    id: id(`${registration}/dial/block`),
    name: names.block,
    counts: [{ meter: 'block', offset: 0 }],
    bills: true,
  };
  const dials = aircraft.category === 'glider' ? [] : single ? [air] : [air, block];
  const flights: Flight[] = [];
  const readings: (MeterReading & { readonly dialId: string | null })[] = [];
  const unlogged: OtherRecord[] = [];
  let blockAt = Math.round(((days[0]?.value ?? 0) * 1.12) / HUNDREDTH) * HUNDREDTH;
  const has = (dial: DialRow) => dials.includes(dial);
  const at = (service: number, blockValue: number) => [
    ...(has(air)
      ? [
          {
            dial: air.id,
            name: air.name,
            shown: shown(service),
            values: air.counts.map(({ meter }) => ({ meter, value: service })),
          },
        ]
      : []),
    ...(has(block)
      ? [
          {
            dial: block.id,
            name: block.name,
            shown: shown(blockValue),
            values: [{ meter: 'block' as const, value: blockValue }],
          },
        ]
      : []),
  ];
  // One stretch of the demo is nobody's: somebody flew and did not write it down.
  const lost = registration === 'N01TG' ? addDays(today, -12) : null;
  let lostDone = false;
  for (const [index, day] of days.entries()) {
    const before = days[index - 1];
    readings.push({ ...day, dialId: has(air) ? air.id : null });
    const date = civilDateAt(day.happenedAt, place.zone);
    const added = before === undefined ? 0 : day.value - before.value;
    if (before === undefined || added === 0) continue;
    let service: number = before.value;
    if (lost !== null && !lostDone && date >= lost && added > 1800) {
      lostDone = true;
      const last = flights.at(-1);
      const seen = hourOfDay(date, 8.9, place);
      const stretch = id(`${registration}/unlogged`);
      unlogged.push({
        id: stretch,
        kind: 'unlogged',
        happenedAt: seen,
        recordedAt: addSeconds(seen, 60),
        body: {
          id: stretch,
          seenAt: seen,
          dial: air.id,
          name: air.name,
          from: `${shown(service)} h`,
          to: `${shown(service + 1440)} h`,
          length: '0.4 h',
          lastFlight: last?.id ?? null,
          lastBy: last?.personName ?? null,
          seenBy: 'E. Quist',
        },
      });
      service += 1440;
    }
    const parts = added > 4 * 3600 ? 3 : added > 2 * 3600 ? 2 : 1;
    let clock = 9 + random();
    for (let part = 1; part <= parts; part += 1) {
      const share =
        part === parts
          ? day.value - service
          : Math.floor((day.value - service) / (parts - part + 1) / HUNDREDTH) * HUNDREDTH;
      const ran = Math.round((share * (1.14 + 0.08 * random())) / HUNDREDTH) * HUNDREDTH;
      const leftAt = hourOfDay(date, clock, place);
      const back = addSeconds(leftAt, ran + 300);
      const who = FLIERS[Math.floor(random() * FLIERS.length)] ?? 'R. Dane';
      const lesson = random() < 0.4;
      flights.push({
        id: id(`${registration}/flown/${date}/${part}`),
        personName: who,
        purpose:
          aircraft.fit === 'tug'
            ? 'glider-towing'
            : lesson && aircraft.category !== 'light-sport'
              ? 'instruction-school-aircraft'
              : 'private-rental',
        crew: lesson ? 'dual' : 'rated-pilot',
        readings: at(service, blockAt),
        fuelAboard: aircraft.category === 'glider' ? null : `${(12 + 20 * random()).toFixed(1)} US gal`,
        oilAboard: null,
        remarks: null,
        leftAt,
        recordedAt: addSeconds(leftAt, 20),
        returned: {
          readings: at(service + share, blockAt + ran),
          landings: lesson ? 3 + Math.floor(6 * random()) : 1 + Math.floor(2 * random()),
          towLaunches: aircraft.fit === 'tug' ? 1 + Math.floor(share / 900) : null,
          billed: dials.length === 0 ? ran + 300 : single ? share : ran,
          billedFrom:
            dials.length === 0 ? 'the clock, from leaving to coming back' : single ? air.name : block.name,
          fuelAdded: random() < 0.3 ? `${(6 + 14 * random()).toFixed(1)} US gal, leaded` : null,
          oilAdded: random() < 0.08 ? '1 US qt' : null,
          report: reportOf(REMARKS[Math.floor(random() * REMARKS.length)] ?? null),
          at: back,
          recordedAt: addSeconds(back, 240),
        },
      });
      service += share;
      blockAt += ran;
      clock += ran / 3600 + 0.4;
    }
    // The evening's reading is that of the last return; one of the block meter goes with it.
    const end = flights.at(-1)?.returned;
    if (end !== null && end !== undefined && has(block))
      readings.push({
        id: id(`${registration}/block/${date}`),
        meter: 'block',
        value: hoursFromSeconds(blockAt),
        happenedAt: end.at,
        recordedAt: end.recordedAt,
        dialId: block.id,
      });
    if (single && end !== null && end !== undefined)
      readings.push({
        id: id(`${registration}/engine/${date}`),
        meter: 'engine',
        value: hoursFromSeconds(service),
        happenedAt: end.at,
        recordedAt: end.recordedAt,
        dialId: air.id,
      });
  }
  return { dials, flights, readings: readings.sort((a, b) => a.recordedAt - b.recordedAt), unlogged };
}
