import { knownAt, presentFor, type AircraftFacts } from '@/core/records/facts';
import type { Authority } from '@/core/records/club/certificate';
import type { Dial } from '@/core/records/meters/dial';
import { COUNTERS, HOUR_METERS, isHourMeter } from '@/core/records/meters/meters';
import { addSeconds, type Instant } from '@/core/time/instant';
import { loadForMeters } from '@/db/aircraft/aircraft-facts';
import type { ClubTransaction } from '@/db/kernel/connection';
import { currentDials } from '@/db/meters/dials';
import { latestFlights } from '@/db/flights/flights';
import { type FlightReturn } from '@/db/flights/flight-records';
import { insertReadings } from '@/db/aircraft/folder-rows';
import { insertOthers } from '@/db/aircraft/other-records';
import { dialReadings, readingsSince, type StoredReading } from '@/db/meters/readings';
import { shownText } from '@/explain/counter';
import { meterText } from '@/explain/formats';
import type { Changing } from '../kernel/change-aircraft';
import type { Actor, Ports } from '../kernel/command';
import { meterByMeter, meterReading, notBefore } from './counter-readings';

/** A reading that is corrected, with all that was written down beside it. */
export interface Corrected {
  /** Everything on record, as it stood before. */
  readonly facts: AircraftFacts;
  /** The readings of its flight, or of its moment. */
  readonly rows: readonly StoredReading[];
  readonly reading: StoredReading;
  /** What it is put to, on the meter's own basis. */
  readonly now: number;
  /** How far the dial that ran most ran to that reading, as it was written and as it is corrected. */
  readonly ran: { readonly before: number; readonly after: number };
  readonly authority: Authority;
  readonly recordedAt: Instant;
}

/** How far the dial that ran most ran from its reading before to what it showed at one moment, in seconds, with readings corrected. */
export async function mostRun(
  tx: ClubTransaction,
  rows: readonly StoredReading[],
  at: Instant,
  corrected: ReadonlyMap<string, number>,
): Promise<number> {
  let most = 0;
  for (const { id, dialId, meter, value, happenedAt, struck } of rows) {
    if (struck || happenedAt !== at || dialId === null || !isHourMeter(meter)) continue;
    const before = (await dialReadings(tx, dialId, meter)).filter((one) => one.happenedAt < at).at(-1);
    if (before !== undefined) most = Math.max(most, (corrected.get(id) ?? value) - before.value);
  }
  return most;
}

/** Readings of meters of hours that no dial shows, written down with the one that is corrected. */
const withoutDial = ({ rows, reading }: Corrected) =>
  rows.filter(
    ({ struck, happenedAt, dialId, meter, flightId, recordedAt }) =>
      !struck
      && dialId === null
      && isHourMeter(meter)
      && happenedAt === reading.happenedAt
      && flightId === reading.flightId
      && (flightId !== null || recordedAt === reading.recordedAt),
  );

/** For how long the pilot said it was in the air: what the time in service rose by when the return was written down. Null where that cannot be told any more. */
function saidAirborne({ facts, authority }: Corrected, { recordedAt }: FlightReturn): number | null {
  const [before, after] = [addSeconds(recordedAt, -0.001), recordedAt].map(
    (moment) => knownAt(facts, moment, authority).accounted['time-in-service'],
  );
  return before?.state === 'known' && after?.state === 'known' ? after.value - before.value : null;
}

/**
 * What meters without a dial stand at after a flight of which a reading on coming back is corrected: they went on by the dial that ran most,
 * never less than the pilot said it was in the air. The time in service went by the pilot's word alone, which stands.
 */
export function besideReturn(corrected: Corrected, back: FlightReturn): ReadonlyMap<string, number> {
  const own = withoutDial(corrected);
  const { before, after } = corrected.ran;
  const air = own.some(({ meter }) => meter === 'time-in-service') ? saidAirborne(corrected, back) : 0;
  const shift = air === null ? Math.max(0, after - before) : Math.max(air, after) - Math.max(air, before);
  return new Map(
    shift === 0
      ? []
      : own.filter(({ meter }) => meter !== 'time-in-service').map(({ id, value }) => [id, value + shift]),
  );
}

/**
 * The same for a reading beside which nobody had written down what was flown: where it is put down, those that went on with it go down
 * again, unless they have gone on since. Where it is put up, keepCorrectedGap() adds what is missing.
 */
export function besideGap(corrected: Corrected): ReadonlyMap<string, number> {
  const { facts, reading, ran, authority, recordedAt } = corrected;
  const shift = ran.after - ran.before;
  if (shift >= 0) return new Map();
  const { readings } = knownAt(facts, presentFor(facts, recordedAt), authority);
  return new Map(
    withoutDial(corrected)
      .filter(
        ({ meter }) => !readings.some((one) => one.meter === meter && one.happenedAt > reading.happenedAt),
      )
      .map(({ id, value }) => [id, value + shift]),
  );
}

/**
 * A reading was put up that belongs to no return: hours that nobody wrote down, or more of them. Meters that no dial shows go on by as much;
 * if the aircraft came back since, only the time in service, since the others went on by a run that is as much shorter now.
 */
export async function keepCorrectedGap(
  ports: Ports,
  actor: Actor,
  { tx, club, recordedAt }: Changing,
  { reading, now, ran, authority }: Corrected,
  dial: Dial | undefined,
): Promise<void> {
  const shift = ran.after - ran.before;
  if (shift <= 0 || dial === undefined) return;
  const stored = await loadForMeters(tx, club.place, reading.aircraftId);
  if (stored === undefined) return;
  const { accounted, unlogged } = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authority);
  const shown = new Set(
    (await currentDials(tx, reading.aircraftId)).flatMap(({ counts }) => counts.map(({ meter }) => meter)),
  );
  const readSince = (await dialReadings(tx, dial.id, reading.meter)).some(
    ({ happenedAt }) => happenedAt > reading.happenedAt,
  );
  const settled = new Set([
    ...shown,
    ...(readSince ? HOUR_METERS.filter((meter) => meter !== 'time-in-service') : []),
  ]);
  const readings = meterByMeter(
    ports.newId,
    accounted,
    settled,
    new Map([[dial.id, shift]]),
    { landings: 0, towLaunches: 0, airborne: null },
    { flightId: null, happenedAt: null, recordedAt },
  );
  await insertReadings(tx, actor.clubId, reading.aircraftId, actor.personId, readings);
  // One that was seen then on this dial was measured again by now; one of another dial that is as long is the same flying.
  if (
    unlogged.some(
      ({ happenedAt, seconds }) => happenedAt === reading.happenedAt && (seconds ?? 0) >= ran.after,
    )
  )
    return;
  const [last] = await latestFlights(tx, reading.aircraftId, 1);
  const id = ports.newId();
  const to = now - (dial.counts.find(({ meter }) => meter === reading.meter)?.offset ?? 0);
  await insertOthers(tx, actor.clubId, reading.aircraftId, actor.personId, [
    {
      id,
      kind: 'unlogged',
      happenedAt: reading.happenedAt,
      recordedAt,
      body: {
        id,
        seenAt: reading.happenedAt,
        dial: dial.id,
        name: `${dial.name}, as it was corrected`,
        from: shownText(dial.unit, to - ran.after),
        to: shownText(dial.unit, to),
        length: shownText(dial.unit, ran.after),
        seconds: ran.after,
        unseen: COUNTERS.filter((meter) => !shown.has(meter)),
        readings: readings.map((one) => one.id),
        lastFlight: last?.id ?? null,
        lastBy: last?.personName ?? null,
        seenBy: actor.name,
      },
    },
  ]);
}

/**
 * A reading of a meter without a face was put up, and the meter was calculated on from it since: what it stands at goes up by as much, at its last
 * reading. A meter that hangs in the panel since shows itself what it stands at. Where it was put down, what was calculated stays too high.
 */
export async function carryOn(
  ports: Ports,
  actor: Actor,
  { tx, recordedAt }: Changing,
  { facts, reading, now, authority }: Corrected,
): Promise<void> {
  const { aircraftId, meter, dialId, happenedAt } = reading;
  if (dialId !== null || now <= reading.value) return;
  const since = await readingsSince(tx, aircraftId, meter, happenedAt);
  const stood = knownAt(facts, presentFor(facts, recordedAt), authority).accounted[meter];
  if (since.length === 0 || since.some((one) => one.dialId !== null) || stood.state !== 'known') return;
  const value = stood.value + now - reading.value;
  await insertReadings(tx, actor.clubId, aircraftId, actor.personId, [
    {
      ...meterReading(ports.newId(), meter, value, stood.readAt, notBefore(stood.readAt, recordedAt)),
      entered: meterText(meter, value).replace(/ h$/, ''),
      basis: 'calculated',
      dialId: null,
      flightId: null,
    },
  ]);
}
