import { hoursFromSeconds, type Hours } from '../quantities/hours';
import type { Authority } from '../records/club/certificate';
import { knownAt, presentFor, type AircraftFacts } from '../records/facts';
import { dialsInUse, type Dial } from '../records/meters/dial';
import type { Standings } from '../records/meters/meter-reading';
import { COUNTERS, HOUR_METERS, isHourMeter, type Meter } from '../records/meters/meters';
import { stretchOf, type AttributionRecord } from '../records/meters/unlogged';
import type { Uplift } from '../records/walkround/measurement';
import { addSeconds, type Instant } from '../time/instant';
import {
  readingsOfDial,
  type NewReading,
  type NewStretch,
  type ReadingRow,
  type StruckEntry,
} from './changes';
import { meterReading, notBefore, ranOnBeside } from './reading';
import { remeasured, type Remeasured, type UnloggedHistory } from './unlogged';

/** Everything on record about an aircraft's meters, older readings and struck out ones among them. */
export interface MeterHistory extends UnloggedHistory {
  readonly facts: AircraftFacts;
  readonly authority: Authority;
  readonly rows: readonly ReadingRow[];
  readonly dials: readonly Dial[];
  readonly uplifts: readonly Uplift[];
}

/** Everything that a correction changes, in the order in which it is written. */
export interface Correction {
  readonly strikes: readonly StruckEntry[];
  readonly readings: readonly NewReading[];
  readonly remeasured: readonly Remeasured[];
  readonly attributions: readonly (AttributionRecord & { readonly id: string })[];
  /** Hours that turned up because a reading was put up. */
  readonly stretch: NewStretch | null;
  readonly uplifts: readonly Uplift[];
  /** What the meters stood at, and stand at with it. */
  readonly before: Standings;
  readonly after: Standings;
}

/** What somebody corrects. `now` is on the meter's own basis, in seconds or counts; `entered` what the dial really showed. */
export interface Corrected {
  readonly reading: ReadingRow;
  readonly now: number;
  readonly entered: string;
  readonly strikeId: string;
  readonly why: string;
  /** When the return was written down that the reading belongs to; null where it belongs to none. */
  readonly back: { readonly recordedAt: Instant } | null;
}

const standings = ({ facts, authority }: MeterHistory, at: Instant): Standings =>
  knownAt(facts, presentFor(facts, at), authority).accounted;

/** The history with some of a correction written down, and whether its entries count. */
function written(
  history: MeterHistory,
  recordedAt: Instant,
  more: {
    readonly strikes?: readonly StruckEntry[];
    readonly readings?: readonly NewReading[];
    readonly stretches?: readonly Remeasured[];
    readonly attributions?: readonly AttributionRecord[];
  },
): MeterHistory {
  const { strikes = [], readings = [], stretches = [], attributions = [] } = more;
  const gone = new Set(strikes.map(({ record }) => record));
  const said = [...history.attributions, ...attributions];
  const records = stretches.map(({ id, before, seconds }) => ({ ...before, id, seconds }));
  return {
    ...history,
    rows: [
      ...history.rows.map((row) => (gone.has(row.id) ? { ...row, struck: true } : row)),
      ...readings.map(
        ({ id, meter, value, basis, dialId, flightId, happenedAt, recordedAt: at, entered }): ReadingRow => ({
          id,
          meter,
          value,
          basis,
          dialId,
          flightId,
          happenedAt,
          recordedAt: at,
          entered: entered ?? '',
          struck: false,
        }),
      ),
    ],
    struck: new Set([...history.struck, ...gone]),
    stretches: [...history.stretches, ...records],
    attributions: said,
    facts: {
      ...history.facts,
      readings: [...history.facts.readings, ...readings],
      strikes: [...history.facts.strikes, ...strikes.map(({ id, record }) => ({ id, record, recordedAt }))],
      unlogged: [...history.facts.unlogged, ...records.map((record) => stretchOf(record, recordedAt, said))],
    },
  };
}

/** How far the dial that ran most ran from its reading before to what it showed at one moment, in seconds, with readings corrected. */
function mostRun(
  all: readonly ReadingRow[],
  rows: readonly ReadingRow[],
  at: Instant,
  corrected: ReadonlyMap<string, number>,
): number {
  let most = 0;
  for (const { id, dialId, meter, value, happenedAt, struck } of rows) {
    if (struck || happenedAt !== at || dialId === null || !isHourMeter(meter)) continue;
    const before = readingsOfDial(all, dialId, meter)
      .filter((one) => one.happenedAt < at)
      .at(-1);
    if (before !== undefined) most = Math.max(most, (corrected.get(id) ?? value) - before.value);
  }
  return most;
}

/** Readings of meters of hours that no dial shows, written down with the one that is corrected. */
const withoutDial = (rows: readonly ReadingRow[], reading: ReadingRow) =>
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
function saidAirborne({ facts, authority }: MeterHistory, recordedAt: Instant): number | null {
  const [before, after] = [addSeconds(recordedAt, -0.001), recordedAt].map(
    (moment) => knownAt(facts, moment, authority).accounted['time-in-service'],
  );
  return before?.state === 'known' && after?.state === 'known' ? after.value - before.value : null;
}

/** How far the dial that ran most ran to the reading, as it was written and as it is corrected, in seconds. */
interface Ran {
  readonly before: number;
  readonly after: number;
}

/**
 * What meters without a dial stand at after a flight of which a reading on coming back is corrected: they went on by the dial that ran most,
 * never less than the pilot said it was in the air. The time in service went by the pilot's word alone, which stands.
 */
function besideReturn(
  history: MeterHistory,
  own: readonly ReadingRow[],
  { before, after }: Ran,
  backRecordedAt: Instant,
): ReadonlyMap<string, number> {
  const air = own.some(({ meter }) => meter === 'time-in-service')
    ? saidAirborne(history, backRecordedAt)
    : 0;
  const shift = air === null ? Math.max(0, after - before) : Math.max(air, after) - Math.max(air, before);
  return new Map(
    shift === 0
      ? []
      : own.filter(({ meter }) => meter !== 'time-in-service').map(({ id, value }) => [id, value + shift]),
  );
}

/**
 * The same for a reading beside which nobody had written down what was flown: where it is put down, those that went on with it go down
 * again, unless they have gone on since. Where it is put up, hoursTurnedUp() adds what is missing.
 */
function besideGap(
  { facts, authority }: MeterHistory,
  own: readonly ReadingRow[],
  { before, after }: Ran,
  reading: ReadingRow,
  recordedAt: Instant,
): ReadonlyMap<string, number> {
  if (after >= before) return new Map();
  const { readings } = knownAt(facts, presentFor(facts, recordedAt), authority);
  return new Map(
    own
      .filter(
        ({ meter }) => !readings.some((one) => one.meter === meter && one.happenedAt > reading.happenedAt),
      )
      .map(({ id, value }) => [id, value + after - before]),
  );
}

const inPanel = (dials: readonly Dial[]): readonly Meter[] =>
  dialsInUse(dials).flatMap(({ counts }) => counts.map(({ meter }) => meter));

/**
 * A reading was put up that belongs to no return: hours that nobody wrote down, or more of them. Meters that no dial shows go on by as much;
 * if the aircraft came back since, only the time in service, since the others went on by a run that is as much shorter now.
 * @param history as it stands with the correction
 */
function hoursTurnedUp(
  newId: () => string,
  history: MeterHistory,
  { reading, now }: Corrected,
  ran: Ran,
  dial: Dial | undefined,
  recordedAt: Instant,
): { readonly readings: readonly NewReading[]; readonly stretch: NewStretch | null } {
  const shift = ran.after - ran.before;
  if (shift <= 0 || dial === undefined) return { readings: [], stretch: null };
  const { facts, authority, rows, dials } = history;
  const { accounted, unlogged } = knownAt(facts, presentFor(facts, recordedAt), authority);
  const shown = new Set(inPanel(dials));
  const readSince = readingsOfDial(rows, dial.id, reading.meter).some(
    ({ happenedAt }) => happenedAt > reading.happenedAt,
  );
  const readings = ranOnBeside(
    newId,
    accounted,
    new Set([...shown, ...(readSince ? HOUR_METERS.filter((meter) => meter !== 'time-in-service') : [])]),
    new Map([[dial.id, shift]]),
    { landings: 0, towLaunches: 0, airborne: null },
    { flightId: null, happenedAt: null, recordedAt },
  );
  // One that was seen then on this dial was measured again by now; one of another dial that is as long is the same flying.
  if (
    unlogged.some(
      ({ happenedAt, seconds }) => happenedAt === reading.happenedAt && (seconds ?? 0) >= ran.after,
    )
  )
    return { readings, stretch: null };
  const to = now - (dial.counts.find(({ meter }) => meter === reading.meter)?.offset ?? 0);
  return {
    readings,
    stretch: {
      id: newId(),
      seenAt: reading.happenedAt,
      dial: dial.id,
      of: { name: dial.name, unit: dial.unit },
      from: to - ran.after,
      to,
      length: ran.after,
      seconds: ran.after,
      unseen: COUNTERS.filter((meter) => !shown.has(meter)),
      readings: readings.map(({ id }) => id),
    },
  };
}

/**
 * A reading of a meter without a face was put up, and the meter was calculated on from it since: what it stands at goes up by as much, at its last
 * reading. A meter that hangs in the panel since shows itself what it stands at. Where it was put down, what was calculated stays too high.
 * @param rows as they count with the correction @param stood what the meter stood at before it
 */
function carriedOn(
  newId: () => string,
  rows: readonly ReadingRow[],
  stood: Standings[Meter],
  { reading, now }: Corrected,
  recordedAt: Instant,
): readonly NewReading[] {
  if (reading.dialId !== null || now <= reading.value || stood.state !== 'known') return [];
  const since = rows.filter(
    ({ meter, struck, happenedAt }) => meter === reading.meter && !struck && happenedAt > reading.happenedAt,
  );
  if (since.length === 0 || since.some(({ dialId }) => dialId !== null)) return [];
  const value = stood.value + now - reading.value;
  return [
    {
      ...meterReading(newId(), reading.meter, value, stood.readAt, notBefore(stood.readAt, recordedAt)),
      entered: null,
      basis: 'calculated',
      dialId: null,
      flightId: null,
    },
  ];
}

/**
 * Puts a reading right: the old one is struck out, the new one takes its place and its time. What was written down with it follows: the other
 * meters that the dial counts towards, those that no dial shows, unlogged time that was measured by it, and the hours beside fuel and oil.
 * @throws Error where the reading is not among the rows, or another would fall below zero
 */
export function correctReading(
  newId: () => string,
  history: MeterHistory,
  corrected: Corrected,
  recordedAt: Instant,
): Correction {
  const { reading, now, entered, why } = corrected;
  const rows = history.rows.filter((row) =>
    reading.flightId === null ? row.happenedAt === reading.happenedAt : row.flightId === reading.flightId,
  );
  const delta = now - reading.value;
  const together = rows.filter(
    (row) =>
      !row.struck
      && row.happenedAt === reading.happenedAt
      && (row.id === reading.id || (row.dialId === reading.dialId && row.dialId !== null)),
  );
  const values = new Map(together.map((row) => [row.id, row.value + delta]));
  if (!values.has(reading.id)) throw new Error(`the reading ${reading.id} cannot be corrected`);
  // Meters without a dial went on by the dial that ran most to this reading.
  const ran: Ran = {
    before: mostRun(history.rows, rows, reading.happenedAt, new Map()),
    after: mostRun(history.rows, rows, reading.happenedAt, values),
  };
  const own = withoutDial(rows, reading);
  const beside =
    corrected.back === null
      ? besideGap(history, own, ran, reading, recordedAt)
      : besideReturn(history, own, ran, corrected.back.recordedAt);
  for (const [id, value] of beside) values.set(id, value);

  const strikes: StruckEntry[] = [];
  const readings: NewReading[] = [];
  for (const [id, value] of values) {
    const row = rows.find((one) => one.id === id);
    if (row === undefined || value < 0) throw new Error(`the reading ${id} cannot be corrected`);
    const own = id === reading.id || (row.dialId !== null && row.dialId === reading.dialId);
    const replacedBy = newId();
    strikes.push({
      id: id === reading.id ? corrected.strikeId : newId(),
      record: id,
      kind: 'reading',
      why,
      replacedBy,
    });
    readings.push({
      ...meterReading(replacedBy, row.meter, value, row.happenedAt, recordedAt),
      entered: own ? entered : null,
      basis: id === reading.id ? 'read' : row.basis,
      dialId: row.dialId,
      flightId: row.flightId,
    });
  }
  const first = written(history, recordedAt, { strikes, readings });
  const again = remeasured(
    newId,
    first,
    first.rows,
    new Set(history.facts.unlogged.map(({ id }) => id)),
    reading,
    why,
    recordedAt,
  );
  const second = written(first, recordedAt, again);
  const dial = history.dials.find(({ id }) => id === reading.dialId);
  const turnedUp =
    corrected.back === null
      ? hoursTurnedUp(newId, second, corrected, ran, dial, recordedAt)
      : { readings: [], stretch: null };
  const third = written(second, recordedAt, { readings: turnedUp.readings });
  const before = standings(history, recordedAt);
  const carried = carriedOn(newId, third.rows, before[reading.meter], corrected, recordedAt);
  const service = [...values].find(([id]) => rows.find((row) => row.id === id)?.meter === 'time-in-service');
  const uplifts =
    service === undefined
      ? { strikes: [], uplifts: [] }
      : upliftsBeside(
          newId,
          history,
          reading.happenedAt,
          rows.find(({ id }) => id === service[0])?.value ?? null,
          hoursFromSeconds(service[1]),
          why,
          recordedAt,
        );
  return {
    strikes: [...strikes, ...again.strikes, ...uplifts.strikes],
    readings: [...readings, ...turnedUp.readings, ...carried],
    remeasured: again.stretches,
    attributions: again.attributions,
    stretch: turnedUp.stretch,
    uplifts: uplifts.uplifts,
    before,
    after: standings(written(third, recordedAt, { readings: carried }), recordedAt),
  };
}

/** Fuel and oil that were filled in at a time in service which is corrected: the same, at the time in service that it was. */
function upliftsBeside(
  newId: () => string,
  { uplifts, struck }: MeterHistory,
  at: Instant,
  old: number | null,
  service: Hours,
  why: string,
  recordedAt: Instant,
): { readonly strikes: readonly StruckEntry[]; readonly uplifts: readonly Uplift[] } {
  const beside = uplifts.filter(
    // Somebody struck it out before: nothing takes its place.
    ({ id, happenedAt, timeInService }) => happenedAt === at && timeInService === old && !struck.has(id),
  );
  const again = beside.map((uplift) => ({ uplift, id: newId() }));
  return {
    strikes: again.map(({ uplift, id }) => ({
      id: newId(),
      record: uplift.id,
      kind: 'uplift',
      why,
      replacedBy: id,
    })),
    uplifts: again.map(({ uplift, id }) => ({ ...uplift, id, recordedAt, timeInService: service })),
  };
}
