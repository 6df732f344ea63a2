import type { RowOf } from '@/contracts/exchange/csv-rows';
import { ListBeside } from '@/core/metering/import-flights';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { loadAircraft, loadForMeters } from '@/db/aircraft/aircraft-facts';
import type { Club } from '@/db/club/clubs';
import { latestFlights } from '@/db/flights/flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { currentDials } from '@/db/meters/dials';
import { calculatedReadings } from '@/db/meters/readings';
import { writeMeterChanges } from '@/db/meters/write-changes';
import type { Actor, Ports } from '../kernel/command';
import { stretchRecord, withFigure } from '../meters/meter-words';

/** Has the meters go on that an imported list does not show, aircraft by aircraft; what they go on by is `ListBeside`'s to say. */
export class MetersBeside {
  private readonly of = new Map<string, ListBeside>();

  constructor(
    private readonly ports: Ports,
    private readonly actor: Actor,
    private readonly tx: ClubTransaction,
    private readonly club: Club,
    private readonly recordedAt: Instant,
  ) {}

  /** Looks at an aircraft before anything of it is written. */
  async learn(aircraftId: string): Promise<void> {
    const [stored] = await loadAircraft(this.tx, this.club.place, aircraftId, true);
    if (stored === undefined) return;
    const { accounted } = knownAt(
      stored.facts,
      presentFor(stored.facts, this.recordedAt),
      authorityOf(this.club.packs),
    );
    const inPanel = (await currentDials(this.tx, aircraftId)).flatMap(({ counts }) =>
      counts.map(({ meter }) => meter),
    );
    const beside = ListBeside.of(accounted, inPanel);
    if (beside !== null) this.of.set(aircraftId, beside);
  }

  /** Counts a flight that is new. */
  see(aircraftId: string, row: RowOf<'flights'>): void {
    this.of.get(aircraftId)?.see(row);
  }

  /** After everything was written: has those meters go on, and lists hours for which there is no flight. */
  async finish(aircraftId: string): Promise<void> {
    const beside = this.of.get(aircraftId);
    if (beside === undefined || !beside.leavesAnything()) return;
    const { actor, tx, recordedAt } = this;
    const stored = await loadForMeters(tx, this.club.place, aircraftId);
    if (stored === undefined) return;
    const { strikes, readings, stretch } = beside.finish(
      this.ports.newId,
      stored.facts,
      authorityOf(this.club.packs),
      await calculatedReadings(tx, aircraftId),
      recordedAt,
    );
    const [last] = stretch === null ? [] : await latestFlights(tx, aircraftId, 1);
    await writeMeterChanges(tx, actor.clubId, aircraftId, actor, recordedAt, {
      strikes,
      readings: readings.map(withFigure),
      others:
        stretch === null
          ? []
          : [stretchRecord(stretch, recordedAt, { last, seenBy: actor.name }, 'as a list has it')],
    });
  }
}
