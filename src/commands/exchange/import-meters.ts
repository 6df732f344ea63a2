import type { RowOf } from '@/contracts/exchange/csv-rows';
import type { Club } from '@/db/club/clubs';
import { meterReading, notBefore } from '@/core/metering/reading';
import { knownAt, presentFor } from '@/core/records/facts';
import type { Standings } from '@/core/records/meters/meter-reading';
import {
  COUNTERS,
  HOUR_METERS,
  isHourMeter,
  METER_NAMES,
  type Counter,
  type HourMeter,
  type Meter,
} from '@/core/records/meters/meters';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { loadAircraft, loadForMeters } from '@/db/aircraft/aircraft-facts';
import { type StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { ClubTransaction } from '@/db/kernel/connection';
import { currentDials } from '@/db/meters/dials';
import { latestFlights } from '@/db/flights/flights';
import { insertReadings } from '@/db/aircraft/folder-rows';
import { insertOthers } from '@/db/aircraft/other-records';
import { calculatedReadings } from '@/db/meters/readings';
import { insertStrikeOnce } from '@/db/aircraft/strikes';
import { meterText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import type { Actor, Ports } from '../kernel/command';

/** The meters that a list of flights has columns for. */
const SAID = ['time-in-service', 'block'] as const;
type Said = (typeof SAID)[number];
/** Less than this more than the flights say is a meter's own rounding. Meters show tenths (common practice, no source). */
const SLACK_S = 360;

/** A flight that says nothing of a meter: when it came back, and for how long the meter will have run, in seconds. */
interface Unsaid {
  readonly back: Instant;
  readonly seconds: number;
}
interface Beside {
  readonly before: Standings;
  readonly beside: readonly Meter[];
  flown: number;
  readonly counted: Record<Counter, number>;
  readonly unsaid: Record<Said, Unsaid[]>;
}

/**
 * Meters that an imported list does not show go on with it anyway, as they do at the Counter. The time in service and the block time by the
 * flights that say nothing of them: by the other of the two, or by the clock. Engine hours and the like by as much as those rose; landings
 * and launches by those of the flights. Hours for which there is no flight are unlogged time where landings or launches are counted.
 * A meter that hangs in the panel is left alone: it is read at the Counter.
 */
export class MetersBeside {
  private readonly of = new Map<string, Beside>();

  constructor(
    private readonly ports: Ports,
    private readonly actor: Actor,
    private readonly tx: ClubTransaction,
    private readonly club: Club,
    private readonly recordedAt: Instant,
  ) {}

  private standings(stored: StoredAircraft | undefined): Standings | null {
    return stored === undefined
      ? null
      : knownAt(stored.facts, presentFor(stored.facts, this.recordedAt), authorityOf(this.club.packs))
          .accounted;
  }

  /** Looks at an aircraft before anything of it is written. */
  async learn(aircraftId: string): Promise<void> {
    const [stored] = await loadAircraft(this.tx, this.club.place, aircraftId, true);
    const before = this.standings(stored);
    if (before === null) return;
    const shown = new Set(
      (await currentDials(this.tx, aircraftId)).flatMap(({ counts }) => counts.map(({ meter }) => meter)),
    );
    const beside = METER_NAMES.filter((meter) => before[meter].state === 'known' && !shown.has(meter));
    if (beside.length > 0)
      this.of.set(aircraftId, {
        before,
        beside,
        flown: 0,
        counted: { landings: 0, cycles: 0, 'tow-launches': 0 },
        unsaid: { 'time-in-service': [], block: [] },
      });
  }

  /** Counts a flight that is new: for each meter, if it came back after that was read last. */
  see(aircraftId: string, row: RowOf<'flights'>): void {
    const own = this.of.get(aircraftId);
    if (own === undefined) return;
    const after = (meter: Meter) => {
      const standing = own.before[meter];
      return standing.state === 'known' && row.back_at > standing.readAt;
    };
    const ran: Record<Said, number | null> = {
      'time-in-service': run(row.time_in_service_out, row.time_in_service_in),
      block: run(row.block_out, row.block_in),
    };
    const byClock = (row.back_at - row.left_at) / 1000;
    if (SAID.some(after)) own.flown += ran['time-in-service'] ?? ran.block ?? byClock;
    for (const meter of SAID) {
      const there = meter === 'block' ? row.block_in : row.time_in_service_in;
      if (there === null && own.beside.includes(meter) && after(meter))
        own.unsaid[meter].push({
          back: row.back_at,
          seconds: ran[meter === 'block' ? 'time-in-service' : 'block'] ?? byClock,
        });
    }
    // A flight that does not say has landed once at least.
    for (const meter of COUNTERS)
      if (after(meter))
        own.counted[meter] += meter === 'tow-launches' ? (row.tow_launches ?? 0) : (row.landings ?? 1);
  }

  /** After everything was written: has those meters go on, and lists hours for which there is no flight. */
  async finish(aircraftId: string): Promise<void> {
    const own = this.of.get(aircraftId);
    // Where the list said all that is known of the aircraft, nothing is left to do: mostly so, and looking would take long.
    if (
      own === undefined
      || !(
        own.beside.some((meter) => meter !== 'time-in-service' && meter !== 'block')
        || SAID.some((meter) => own.unsaid[meter].length > 0)
      )
    )
      return;
    let now = this.standings(await loadForMeters(this.tx, this.club.place, aircraftId));
    if (now === null) return;
    // Somebody has read what was only calculated before: that stands, and what was calculated is struck out.
    let struck = 0;
    for (const meter of own.beside) {
      if (now[meter].state !== 'contradiction') continue;
      for (const record of await calculatedReadings(this.tx, aircraftId, meter)) {
        const written = await insertStrikeOnce(this.tx, this.actor.clubId, aircraftId, this.actor, {
          id: this.ports.newId(),
          recordedAt: this.recordedAt,
          record,
          kind: 'reading',
          why: 'Was calculated; a list that was brought in has what the meter shows',
          replacedBy: null,
        });
        if (written === 'written') struck += 1;
      }
    }
    if (struck > 0) now = this.standings(await loadForMeters(this.tx, this.club.place, aircraftId)) ?? now;
    // A reading that is later than such a flight has it already.
    const later = (meter: Said): readonly Unsaid[] => {
      const today = now[meter];
      return today.state === 'known' ? own.unsaid[meter].filter(({ back }) => back > today.readAt) : [];
    };
    const more: Record<Said, number> = {
      'time-in-service': sum(later('time-in-service')),
      block: sum(later('block')),
    };
    const rise = (meter: HourMeter) => {
      const [then, today] = [own.before[meter], now[meter]];
      return then.state === 'known' && today.state === 'known'
        ? today.value - then.value + (meter === 'time-in-service' || meter === 'block' ? more[meter] : 0)
        : 0;
    };
    const [most, rose] = HOUR_METERS.map((meter) => [meter, rise(meter)] as const).reduce((highest, one) =>
      one[1] > highest[1] ? one : highest,
    );
    const latest = Math.max(
      0,
      ...SAID.flatMap((meter) => {
        const today = now[meter];
        return [today.state === 'known' ? today.readAt : 0, ...later(meter).map(({ back }) => back)];
      }),
    ) as Instant;
    const unchanged = (meter: Meter): number | null => {
      const [then, today] = [own.before[meter], now[meter]];
      return own.beside.includes(meter)
        && then.state === 'known'
        && today.state === 'known'
        && today.value === then.value
        ? today.value
        : null;
    };
    const values = own.beside.flatMap((meter): readonly (readonly [Meter, number])[] => {
      const today = now[meter];
      if (meter === 'time-in-service' || meter === 'block')
        return today.state === 'known' && more[meter] > 0 ? [[meter, today.value + more[meter]]] : [];
      // What the list itself says of it stands.
      const [stood, added] = [unchanged(meter), isHourMeter(meter) ? rose : own.counted[meter]];
      return stood === null || added <= 0 ? [] : [[meter, stood + added]];
    });
    await insertReadings(
      this.tx,
      this.actor.clubId,
      aircraftId,
      this.actor.personId,
      values.map(([meter, value]) => {
        const today = now[meter];
        const at = today.state === 'known' && today.readAt > latest ? today.readAt : latest;
        return {
          ...meterReading(this.ports.newId(), meter, value, at, notBefore(at, this.recordedAt)),
          entered: meterText(meter, value).replace(/ h$/, ''),
          basis: 'calculated' as const,
          dialId: null,
          flightId: null,
        };
      }),
    );
    const seconds = rose - own.flown;
    // Counters of which the list says nothing: nobody knows how many there were.
    const unseen = COUNTERS.filter((meter) => unchanged(meter) !== null);
    if (seconds <= SLACK_S || unseen.length === 0) return;
    const [last] = await latestFlights(this.tx, aircraftId, 1);
    const then = own.before[most];
    const stands = (then.state === 'known' ? then.value : 0) + rose;
    const id = this.ports.newId();
    await insertOthers(this.tx, this.actor.clubId, aircraftId, this.actor.personId, [
      {
        id,
        kind: 'unlogged',
        happenedAt: this.recordedAt,
        recordedAt: this.recordedAt,
        body: {
          id,
          seenAt: this.recordedAt,
          dial: '',
          name: `${METER_NAMES_IN_WORDS[most]}, as a list has it`,
          from: meterText(most, stands - seconds),
          to: meterText(most, stands),
          length: meterText(most, seconds),
          seconds,
          unseen,
          lastFlight: last?.id ?? null,
          lastBy: last?.personName ?? null,
          seenBy: this.actor.name,
        },
      },
    ]);
  }
}

const run = (out: number | null, back: number | null): number | null =>
  out === null || back === null ? null : back - out;
const sum = (flights: readonly Unsaid[]): number => flights.reduce((all, { seconds }) => all + seconds, 0);
