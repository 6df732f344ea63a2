import type { Attribution } from '@/contracts/flights/dispatch';
import {
  attributeUnlogged as landingsOf,
  stretchOfEntry,
  strikesWithEntry,
  type Remeasured,
} from '@/core/metering/unlogged';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { knownAt, presentFor } from '@/core/records/facts';
import type { Meter } from '@/core/records/meters/meters';
import type { AttributionRecord, UnloggedRecord } from '@/core/records/meters/unlogged';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { entryExists, othersOfKind } from '@/db/aircraft/other-records';
import type { OtherRecord } from '@/db/aircraft/other-kinds';
import type { ClubTransaction } from '@/db/kernel/connection';
import { currentDials } from '@/db/meters/dials';
import { latestFlights } from '@/db/flights/flights';
import { unloggedHistory } from '@/db/meters/history';
import { writeMeterChanges } from '@/db/meters/write-changes';
import { readingText } from '@/explain/formats';
import { changeAircraft, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { stretchRecord, withFigure } from './meter-words';

/** Meters that hang in the panel. */
const inPanel = async (tx: ClubTransaction, aircraftId: string): Promise<readonly Meter[]> =>
  (await currentDials(tx, aircraftId)).flatMap(({ counts }) => counts.map(({ meter }) => meter));

/** Keeps hours of which only an entry tells. @param entry its readings, in which words it tells of them, and who wrote it */
export async function keepStretchOfEntry(
  ports: Ports,
  actor: Actor,
  { tx, stored, club, recordedAt }: Changing,
  entry: {
    readonly entryId: string;
    readonly aircraftId: string;
    readonly readings: readonly { readonly meter: Meter; readonly value: number }[];
    readonly words: string;
    readonly by: string;
  },
): Promise<void> {
  const { aircraftId } = entry;
  const { accounted } = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
  const kept = stretchOfEntry(ports.newId, accounted, await inPanel(tx, aircraftId), entry, recordedAt);
  if (kept === null) return;
  const [last] = await latestFlights(tx, aircraftId, 1);
  await writeMeterChanges(tx, actor.clubId, aircraftId, actor, recordedAt, {
    readings: kept.readings.map(withFigure),
    others: [stretchRecord(kept.stretch, recordedAt, { last, seenBy: entry.by }, entry.words)],
  });
}

/** A signed entry was struck out: what it said of hours that nobody wrote down goes with it, and what was said of their landings. */
export async function strikeStretchOfEntry(
  ports: Ports,
  actor: Actor,
  { tx, stored, recordedAt }: Changing,
  aircraftId: string,
  entryId: string,
  why: string,
): Promise<void> {
  const history = await unloggedHistory(tx, aircraftId, stored.facts);
  await writeMeterChanges(tx, actor.clubId, aircraftId, actor, recordedAt, {
    strikes: strikesWithEntry(ports.newId, history, entryId, why),
  });
}

/** Unlogged time as it was measured again, as a record. @param offset what is added to the meter's own figure to have the value of the reading */
export function remeasuredRecord(
  { id, before, from, to, seconds }: Remeasured,
  recordedAt: Instant,
  offset: number,
): OtherRecord {
  const shown = (value: number) => readingText(hoursFromSeconds(value));
  const body: UnloggedRecord = {
    ...before,
    id,
    length: shown(seconds),
    seconds,
    from: shown(from - offset),
    to: shown(to - offset),
  };
  return { id, kind: 'unlogged', happenedAt: before.seenAt, recordedAt, body };
}

/** What was said of unlogged time, as a record. */
export const attributionRecord = (
  { id, ...body }: AttributionRecord & { readonly id: string },
  recordedAt: Instant,
): OtherRecord => ({ id, kind: 'attribution', happenedAt: recordedAt, recordedAt, body });

/**
 * Says whose unlogged time is, and how many landings and launches it had where somebody knows. Its hours counted already; its
 * landings count as the most that there can have been until they are said, and as they were from then on.
 */
export async function attributeUnlogged(
  ports: Ports,
  actor: Actor,
  entry: Attribution,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'attribute-unlogged');
  if (denied !== null) return refused(denied);
  const { aircraftId, to, note, landings, towLaunches } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'attribute-unlogged',
    null,
    async ({ tx, club, stored, recordedAt }) => {
      const present = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
      const known = (await othersOfKind(tx, aircraftId, 'unlogged')).find(({ id }) => id === entry.unlogged);
      const stretch = present.unlogged.find(({ id }) => id === entry.unlogged);
      if (known === undefined || stretch === undefined)
        throw new Refused({
          code: 'not-found',
          message:
            'There is no such unlogged time on this aircraft, or it was struck out. Load the page again.',
        });
      const before = (await othersOfKind(tx, aircraftId, 'attribution')).find(
        ({ unlogged }) => unlogged === entry.unlogged,
      );
      if (before !== undefined && (stretch.said !== null || landings === null))
        throw new Refused({
          code: 'invalid',
          message: `Somebody said already that ${before.to} flew it. Load the page again.`,
          problems: [],
        });
      const readings = landingsOf(
        ports.newId,
        present.accounted,
        present.unlogged,
        stretch,
        await inPanel(tx, aircraftId),
        entry,
        recordedAt,
      );
      if (readings === null)
        throw new Refused({
          code: 'invalid',
          message: 'Say how many tow launches there were, too: this aircraft’s are counted.',
          problems: [{ path: 'towLaunches', message: 'say how many, 0 for none' }],
        });
      const said = {
        id: entry.attributionId,
        unlogged: entry.unlogged,
        to,
        note,
        landings,
        towLaunches,
        recordedAt,
        readings: readings.map(({ id }) => id),
      };
      await writeMeterChanges(tx, actor.clubId, aircraftId, actor, recordedAt, {
        readings: readings.map(withFigure),
        others: [attributionRecord(said, recordedAt)],
      });
      return {
        value: {},
        ledger: {
          id: entry.attributionId,
          unlogged: entry.unlogged,
          length: known.length,
          dial: known.name,
          to,
          note,
          landings,
          towLaunches,
        },
      };
    },
    {
      request: entry,
      found: async (tx) => ((await entryExists(tx, entry.attributionId, actor.personId)) ? {} : null),
    },
  );
}
