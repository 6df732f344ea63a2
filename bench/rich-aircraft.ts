// An aircraft with much on record: 60 dated items, 25 discrepancies, 40 ADs, and 200 planned flights.
import clean from '../examples/cases/clean-trainer.json';
import { questionOf } from '../src/contracts/exchange/case-facts';
import { caseSchema } from '../src/contracts/exchange/case-file';
import { mergePatch, type Json } from '../src/contracts/kernel/merge-patch';
import { hoursFromSeconds } from '../src/core/quantities/hours';
import { UNSAID, type PlannedFlight } from '../src/core/records/flights/planned-flight';
import { addDays, civilDate } from '../src/core/time/civil-date';
import { addSeconds, type Instant } from '../src/core/time/instant';

export const ITEMS = 60;
export const FINDINGS = 25;
export const ADS = 40;
const workshop = {
  name: 'Cape Reach Workshop',
  certificate: {
    kind: 'repair-station',
    number: 'RS-0417',
    validFrom: '2009-04-01',
    validUntil: 'no-expiry',
  },
};
const classes = ['deferral-path', 'watch', 'note', 'deferral-path', 'watch'] as const;
const many = <T>(count: number, make: (at: number) => readonly [string, T]): Readonly<Record<string, T>> =>
  Object.fromEntries(Array.from({ length: count }, (_, at) => make(at)));
/** The day on which thing number `at` was last done: due one after the other over the next year and a half. */
const done = (at: number) => addDays(civilDate('2025-12-01'), at * 5);

/** What the meter showed then, between the annual of March 2026 and the hundred-hour inspection of October. */
const meterThen = (at: number) => 3960 + Math.floor(at * 24.3) / 10;

const CHANGE: Json = {
  discrepancies: many(FINDINGS, (at) => [
    `d${at}`,
    {
      happenedAt: '2026-11-20T12:00:00Z',
      recordedAt: '2026-11-20T12:05:00Z',
      what: `Finding ${at}`,
      classification: classes[at % classes.length] ?? 'note',
      closesUses: at % 2 === 0 ? ['night'] : ['dusk', 'night'],
    },
  ]),
  items: many(ITEMS, (at) => [
    `i${at}`,
    {
      recordedAt: '2025-12-01T12:00:00Z',
      name: `Item ${at}`,
      kind: at % 3 === 0 ? 'life-limit' : 'service',
      interval:
        at % 2 === 0
          ? { months: 18 }
          : { months: 18, hours: [{ meter: 'time-in-service', every: 500 + at }] },
      excess: 'not-taken-off',
      ...(at % 5 === 0
        ? { uses: [{ light: ['night'] }] }
        : at % 7 === 0
          ? { uses: [{ purpose: ['carriage-for-hire'] }] }
          : {}),
      done: {
        last: {
          recordedAt: `${done(at)}T20:00:00Z`,
          completedOn: done(at),
          readings: { hours: { 'time-in-service': meterThen(at) } },
          signedBy: workshop,
        },
      },
    },
  ]),
  ads: many(ADS, (at) => [
    `a${at}`,
    {
      recordedAt: '2025-12-01T12:00:00Z',
      number: `2025-${at}`,
      title: `AD ${at}`,
      applies: true,
      effectiveOn: '2025-01-01',
      noFerry: false,
      methods: {
        look: {
          name: 'Look',
          repeats: { months: 24, hours: [{ meter: 'time-in-service', every: 500 + at }] },
        },
      },
      done: {
        last: {
          recordedAt: `${done(at)}T20:00:00Z`,
          completedOn: done(at),
          method: 'look',
          readings: { hours: { 'time-in-service': meterThen(at) } },
          signedBy: workshop,
        },
      },
    },
  ]),
};

/** The aircraft, its packs, and the moment. */
export const richAircraft = () => questionOf(caseSchema.parse(mergePatch(clean, CHANGE)));

/** 200 lessons, every second day. */
export const plannedFlights = (asOf: Instant): readonly PlannedFlight[] =>
  Array.from({ length: 200 }, (_, at) => ({
    id: `f${at}`,
    starts: addSeconds(asOf, at * 2 * 86_400 + 3600),
    ends: addSeconds(asOf, at * 2 * 86_400 + 9000),
    airborne: hoursFromSeconds(4320),
    purpose: 'instruction-school-aircraft',
    crew: 'dual',
    rules: 'vfr',
    range: 'local',
    light: null,
    transponderAirspace: false,
    adsbAirspace: false,
    beyondGlideOverWater: false,
    passengers: false,
    ...UNSAID,
    landings: 4,
  }));
