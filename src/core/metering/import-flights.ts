import { hoursFromSeconds } from '../quantities/hours';
import { knownAt, presentFor, type AircraftFacts } from '../records/facts';
import type { Authority } from '../records/club/certificate';
import type { Standings } from '../records/meters/meter-reading';
import {
  COUNTERS,
  HOUR_METERS,
  isHourMeter,
  METER_NAMES,
  type Counter,
  type HourMeter,
  type Meter,
} from '../records/meters/meters';
import type { Instant } from '../time/instant';
import type { NewReading, NewStretch, StruckEntry } from './changes';
import { meterReading, notBefore } from './reading';

/** The meters that a list of flights has columns for. */
const SAID = ['time-in-service', 'block'] as const;
type Said = (typeof SAID)[number];
/** Less than this more than the flights say is a meter's own rounding, in seconds. Meters show tenths (common practice, no source). */
const SLACK_S = 360;

/** A flight of a list. Figures of meters are seconds; null where the list does not say. */
export interface ListedFlight {
  readonly left_at: Instant;
  readonly back_at: Instant;
  readonly time_in_service_out: number | null;
  readonly time_in_service_in: number | null;
  readonly block_out: number | null;
  readonly block_in: number | null;
  readonly landings: number | null;
  readonly tow_launches: number | null;
}

/** A flight that says nothing of a meter: when it came back, and for how long the meter will have run, in seconds. */
interface Unsaid {
  readonly back: Instant;
  readonly seconds: number;
}

const run = (out: number | null, back: number | null): number | null =>
  out === null || back === null ? null : back - out;
const sum = (flights: readonly Unsaid[]): number => flights.reduce((all, { seconds }) => all + seconds, 0);
const known = (standing: Standings[Meter]): number | null =>
  standing.state === 'known' ? standing.value : null;

/**
 * Meters of one aircraft that an imported list does not show go on with it anyway, as they do at the
 * dispatch page. The time in service and the block time by
 * the flights that say nothing of them: by the other of the two, or by the clock. Engine hours and the like by as much as those rose; landings
 * and launches by those of the flights. Hours for which there is no flight are unlogged time where landings or launches are counted.
 * A meter that hangs in the panel is left alone: it is read at the dispatch page.
 */
export class ListBeside {
  private flown = 0;
  private readonly counted: Record<Counter, number> = { landings: 0, cycles: 0, 'tow-launches': 0 };
  private readonly unsaid: Record<Said, Unsaid[]> = { 'time-in-service': [], block: [] };

  private constructor(
    private readonly before: Standings,
    private readonly beside: readonly Meter[],
  ) {}

  /** Null where every known meter hangs in the panel. @param before what the meters stood at before anything of the list was written */
  static of(before: Standings, inPanel: readonly Meter[]): ListBeside | null {
    const beside = METER_NAMES.filter((meter) => before[meter].state === 'known' && !inPanel.includes(meter));
    return beside.length === 0 ? null : new ListBeside(before, beside);
  }

  /** Counts a flight that is new: for each meter, if it came back after that was read last. */
  see(flight: ListedFlight): void {
    const after = (meter: Meter) => {
      const standing = this.before[meter];
      return standing.state === 'known' && flight.back_at > standing.readAt;
    };
    const ran: Record<Said, number | null> = {
      'time-in-service': run(flight.time_in_service_out, flight.time_in_service_in),
      block: run(flight.block_out, flight.block_in),
    };
    const byClock = (flight.back_at - flight.left_at) / 1000;
    if (SAID.some(after)) this.flown += ran['time-in-service'] ?? ran.block ?? byClock;
    for (const meter of SAID) {
      const there = meter === 'block' ? flight.block_in : flight.time_in_service_in;
      if (there === null && this.beside.includes(meter) && after(meter))
        this.unsaid[meter].push({
          back: flight.back_at,
          seconds: ran[meter === 'block' ? 'time-in-service' : 'block'] ?? byClock,
        });
    }
    // A flight that does not say has landed once at least.
    for (const meter of COUNTERS)
      if (after(meter))
        this.counted[meter] += meter === 'tow-launches' ? (flight.tow_launches ?? 0) : (flight.landings ?? 1);
  }

  /** Whether the list leaves anything open: mostly it says all that is known of the aircraft, and looking would take long. */
  leavesAnything(): boolean {
    return (
      this.beside.some((meter) => meter !== 'time-in-service' && meter !== 'block')
      || SAID.some((meter) => this.unsaid[meter].length > 0)
    );
  }

  /**
   * What is written after the list was.
   * @param facts everything on record, with the list @param calculated readings of a meter that were only calculated and still count
   */
  finish(
    newId: () => string,
    facts: AircraftFacts,
    authority: Authority,
    calculated: readonly { readonly id: string; readonly meter: Meter }[],
    recordedAt: Instant,
  ): {
    readonly strikes: readonly StruckEntry[];
    readonly readings: readonly NewReading[];
    readonly stretch: NewStretch | null;
  } {
    const standings = (of: AircraftFacts) => knownAt(of, presentFor(of, recordedAt), authority).accounted;
    // Somebody has read what was only calculated before: that stands, and what was calculated is struck out.
    const written = standings(facts);
    const strikes = calculated
      .filter(({ meter }) => this.beside.includes(meter) && written[meter].state === 'contradiction')
      .map(({ id }): StruckEntry => ({
        id: newId(),
        record: id,
        kind: 'reading',
        why: 'Was calculated; a list that was brought in has what the meter shows',
        replacedBy: null,
      }));
    const now =
      strikes.length === 0
        ? written
        : standings({
            ...facts,
            strikes: [...facts.strikes, ...strikes.map(({ id, record }) => ({ id, record, recordedAt }))],
          });
    const readings = this.readings(newId, now, recordedAt);
    return { strikes, readings, stretch: this.stretch(newId, now, recordedAt) };
  }

  /** Flights that say nothing of a meter and came back after it was read last: a later reading has them already. */
  private later(now: Standings, meter: Said): readonly Unsaid[] {
    const today = now[meter];
    return today.state === 'known' ? this.unsaid[meter].filter(({ back }) => back > today.readAt) : [];
  }

  private rise(now: Standings, meter: HourMeter): number {
    const [then, today] = [known(this.before[meter]), known(now[meter])];
    if (then === null || today === null) return 0;
    const unsaid = meter === 'time-in-service' || meter === 'block' ? sum(this.later(now, meter)) : 0;
    return today - then + unsaid;
  }

  /** The hour meter that rose most. */
  private most(now: Standings): readonly [meter: HourMeter, seconds: number] {
    return HOUR_METERS.map((meter) => [meter, this.rise(now, meter)] as const).reduce((highest, one) =>
      one[1] > highest[1] ? one : highest,
    );
  }

  /** What a meter stands at of which the list says nothing; null where it does, or where that is not known. */
  private unchanged(now: Standings, meter: Meter): number | null {
    const [then, today] = [known(this.before[meter]), known(now[meter])];
    return this.beside.includes(meter) && today !== null && today === then ? today : null;
  }

  private readings(newId: () => string, now: Standings, recordedAt: Instant): readonly NewReading[] {
    const [, rose] = this.most(now);
    const latest = Math.max(
      0,
      ...SAID.flatMap((meter) => {
        const today = now[meter];
        return [
          today.state === 'known' ? today.readAt : 0,
          ...this.later(now, meter).map(({ back }) => back),
        ];
      }),
    ) as Instant;
    const values = this.beside.flatMap((meter): readonly (readonly [Meter, number])[] => {
      if (meter === 'time-in-service' || meter === 'block') {
        const [today, more] = [known(now[meter]), sum(this.later(now, meter))];
        return today !== null && more > 0 ? [[meter, today + more]] : [];
      }
      // What the list itself says of it stands.
      const [stood, added] = [this.unchanged(now, meter), isHourMeter(meter) ? rose : this.counted[meter]];
      return stood === null || added <= 0 ? [] : [[meter, stood + added]];
    });
    return values.map(([meter, value]): NewReading => {
      const today = now[meter];
      const at = today.state === 'known' && today.readAt > latest ? today.readAt : latest;
      return {
        ...meterReading(newId(), meter, value, at, notBefore(at, recordedAt)),
        entered: null,
        basis: 'calculated',
        dialId: null,
        flightId: null,
      };
    });
  }

  private stretch(newId: () => string, now: Standings, recordedAt: Instant): NewStretch | null {
    const [most, rose] = this.most(now);
    const seconds = rose - this.flown;
    // Counters of which the list says nothing: nobody knows how many there were.
    const unseen = COUNTERS.filter((meter) => this.unchanged(now, meter) !== null);
    if (seconds <= SLACK_S || unseen.length === 0) return null;
    const stands = (known(this.before[most]) ?? hoursFromSeconds(0)) + rose;
    return {
      id: newId(),
      seenAt: recordedAt,
      dial: '',
      of: { meter: most },
      from: stands - seconds,
      to: stands,
      length: seconds,
      seconds,
      unseen,
      readings: [],
    };
  }
}
