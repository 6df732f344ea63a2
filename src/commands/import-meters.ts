import type { RowOf } from '@/contracts/csv-lists';
import type { Club } from '@/db/clubs';
import { knownAt, presentFor } from '@/core/records/facts';
import type { Standings } from '@/core/records/meter-reading';
import { COUNTERS, HOUR_METERS, type Counter, type HourMeter, type Meter } from '@/core/records/meters';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { loadForMeters } from '@/db/aircraft-facts';
import type { ClubTransaction } from '@/db/connection';
import { currentDials } from '@/db/dials';
import { latestFlights } from '@/db/flights';
import { insertReadings } from '@/db/folder-rows';
import { insertOthers } from '@/db/other-records';
import { metersEverRead } from '@/db/readings';
import { meterText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import type { Actor, Ports } from './command';
import { meterReading } from './counter-readings';

/** What the lists say themselves of an aircraft's meters. */
const SAID: readonly Meter[] = ['time-in-service', 'block'];
/** Less than this more than the flights say is a meter's own rounding. Meters show tenths (common practice, no source). */
const SLACK_S = 360;

interface Beside { readonly before: Standings; readonly beside: readonly Meter[]; flown: number; readonly counted: Record<Counter, number> }

/**
 * Engine hours, landings and other meters that an imported list does not show go on with it all the same, as they do at the Counter: hours by as
 * much as the time in service or the block time rose, landings and launches by those of the flights. Hours for which there is no flight
 * are an unlogged stretch where landings or launches are counted. Only aircraft that have such meters on record are looked at.
 */
export class MetersBeside {
  private readonly of = new Map<string, Beside>();

  constructor(private readonly ports: Ports, private readonly actor: Actor, private readonly tx: ClubTransaction, private readonly club: Club, private readonly recordedAt: Instant) {}

  private async standings(aircraftId: string): Promise<Standings | null> {
    const facts = (await loadForMeters(this.tx, this.club.place, aircraftId))?.facts;
    return facts === undefined ? null : knownAt(facts, presentFor(facts, this.recordedAt), authorityOf(this.club.packs)).accounted;
  }

  /** Looks at an aircraft before anything of it is written. */
  async learn(aircraftId: string): Promise<void> {
    const read = (await metersEverRead(this.tx, aircraftId)).filter((meter) => !SAID.includes(meter));
    if (read.length === 0) return;
    const shown = new Set((await currentDials(this.tx, aircraftId)).flatMap(({ counts }) => counts.map(({ meter }) => meter)));
    const beside = read.filter((meter) => !shown.has(meter));
    const before = beside.length === 0 ? null : await this.standings(aircraftId);
    if (before !== null) this.of.set(aircraftId, { before, beside, flown: 0, counted: { landings: 0, cycles: 0, 'tow-launches': 0 } });
  }

  /** Counts a flight that is new: for each meter, if it came back after that was read last. */
  see(aircraftId: string, row: RowOf<'flights'>): void {
    const own = this.of.get(aircraftId);
    if (own === undefined) return;
    const after = (meter: Meter) => { const standing = own.before[meter]; return standing.state === 'known' && row.back_at > standing.readAt; };
    const ran = (out: number | null, back: number | null) => (out === null || back === null ? 0 : back - out);
    if (after('time-in-service') || after('block')) own.flown += Math.max(ran(row.time_in_service_out, row.time_in_service_in), ran(row.block_out, row.block_in));
    // A flight that does not say has landed once at least.
    for (const meter of COUNTERS) if (after(meter)) own.counted[meter] += meter === 'tow-launches' ? row.tow_launches ?? 0 : row.landings ?? 1;
  }

  /** After everything was written: has those meters go on, and lists hours for which there is no flight. */
  async finish(aircraftId: string): Promise<void> {
    const own = this.of.get(aircraftId);
    const now = own === undefined ? null : await this.standings(aircraftId);
    if (own === undefined || now === null) return;
    const rise = (meter: HourMeter) => { const [then, today] = [own.before[meter], now[meter]]; return then.state === 'known' && today.state === 'known' ? today.value - then.value : 0; };
    const [most, rose] = HOUR_METERS.map((meter) => [meter, rise(meter)] as const).reduce((highest, one) => (one[1] > highest[1] ? one : highest));
    const latest = SAID.reduce<Instant | null>((last, meter) => { const standing = now[meter]; return standing.state === 'known' && (last === null || standing.readAt > last) ? standing.readAt : last; }, null);
    const readings = own.beside.flatMap((meter) => {
      const [then, today] = [own.before[meter], now[meter]];
      const more = meter in own.counted ? own.counted[meter as Counter] : rose;
      // What the list itself says of it stands.
      if (then.state !== 'known' || today.state !== 'known' || today.value !== then.value || more <= 0) return [];
      const value = today.value + more;
      return [{ ...meterReading(this.ports.newId(), meter, value, latest !== null && latest > today.readAt ? latest : today.readAt, this.recordedAt), entered: meterText(meter, value).replace(/ h$/, ''), dialId: null, flightId: null }];
    });
    await insertReadings(this.tx, this.actor.clubId, aircraftId, this.actor.personId, readings);
    const seconds = rose - own.flown;
    // Counters of which the list says nothing: nobody knows how many there were.
    const unseen = COUNTERS.filter((meter) => { const [then, today] = [own.before[meter], now[meter]]; return own.beside.includes(meter) && then.state === 'known' && today.state === 'known' && today.value === then.value; });
    if (seconds <= SLACK_S || unseen.length === 0) return;
    const [last] = await latestFlights(this.tx, aircraftId, 1);
    const [id, today] = [this.ports.newId(), now[most]];
    const stands = today.state === 'known' ? today.value : 0;
    await insertOthers(this.tx, this.actor.clubId, aircraftId, this.actor.personId, [{
      id, kind: 'unlogged', happenedAt: this.recordedAt, recordedAt: this.recordedAt,
      body: {
        id, seenAt: this.recordedAt, dial: '', name: `${METER_NAMES_IN_WORDS[most]}, as a list has it`, from: meterText(most, stands - seconds), to: meterText(most, stands), length: meterText(most, seconds), seconds,
        unseen, lastFlight: last?.id ?? null, lastBy: last?.personName ?? null, seenBy: this.actor.name,
      },
    }]);
  }
}
