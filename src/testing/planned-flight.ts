// What tests do through the commands that people use. For tests only.
import { randomUUID } from 'node:crypto';
import { planOrMove } from '@/commands/flights/planning';
import { loadRecords, NO_RECORDS } from '@/commands/kernel/load-records';
import type { FlightDraft } from '@/contracts/flights/plan';
import { hours } from '@/core/quantities/hours';
import { addSeconds, type Instant } from '@/core/time/instant';
import { wallClock, type ZoneId } from '@/core/time/zone';
import { good, type testClub } from './database';
import { PLAIN_RENTAL } from './flight-draft';

type TestClub = Awaited<ReturnType<typeof testClub>>;

/** A moment as it is entered: a day, and hours and minutes of the field's clock. */
export function wallTime(moment: Instant, zone: ZoneId): FlightDraft['starts'] {
  const { date, hour, minute } = wallClock(moment, zone);
  return { date, clock: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` };
}

/**
 * Plans a flight as the desk enters it: a private rental nearby by day, unless more is said.
 * @param change what is entered otherwise @param when when it begins, how long it lasts, in seconds, and
 * which flight it moves; from ten minutes on for an hour and a half
 * @returns its id
 */
export async function plannedFlight(
  club: TestClub,
  change: Partial<FlightDraft> = {},
  when: {
    readonly flightId?: string;
    readonly replaces?: string;
    readonly starts?: Instant;
    readonly lasts?: number;
  } = {},
): Promise<string> {
  const {
    flightId = randomUUID(),
    replaces = null,
    starts = addSeconds(club.ports.now(), 600),
    lasts = 5400,
  } = when;
  const { zone } = club.place;
  good(
    await planOrMove(club.ports, club.actor('dispatcher'), {
      flightId,
      replaces,
      flight: {
        aircraftId: club.aircraftId,
        person: 'R. Dane',
        personId: null,
        starts: wallTime(starts, zone),
        endsClock: wallTime(addSeconds(starts, lasts), zone).clock,
        airborne: hours('1.2'),
        ...PLAIN_RENTAL,
        ...change,
      },
    }),
  );
  return flightId;
}

/** Puts a reading of the time in service on record, as a list that is brought in has it. @returns its id */
export async function readingOnRecord(club: TestClub, value: string): Promise<string> {
  const id = randomUUID();
  const now = club.ports.now();
  good(
    await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
      ...NO_RECORDS,
      readings: [{ id, meter: 'time-in-service', value: hours(value), happenedAt: now, recordedAt: now }],
    }),
  );
  return id;
}
