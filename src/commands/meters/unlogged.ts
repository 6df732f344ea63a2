import type { Attribution } from '@/contracts/flights/counter';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { knownAt, presentFor } from '@/core/records/facts';
import { COUNTERS, isHourMeter, type Meter } from '@/core/records/meters/meters';
import { unsaidStretches } from '@/core/records/meters/unlogged';
import { authorityOf } from '@/core/rules/register';
import { currentDials } from '@/db/meters/dials';
import { latestFlights } from '@/db/flights/flights';
import { insertReadings } from '@/db/aircraft/folder-rows';
import { entryExists, insertOthers, othersOfKind } from '@/db/aircraft/other-records';
import { type AttributionRecord, type OtherRecord, type UnloggedRecord } from '@/db/aircraft/other-kinds';
import { dialReadings, type StoredReading } from '@/db/meters/readings';
import { insertStrikeOnce } from '@/db/aircraft/strikes';
import { meterText, readingText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { changeAircraft, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { meterByMeter, meterReading, notBefore } from './counter-readings';

/**
 * Hours of which only an entry tells (a signature, a meter that is entered or exchanged) and that nobody wrote down: unlogged time, like
 * one that the Counter sees. Meters that neither the entry nor a meter in the panel shows went on likewise; of landings nobody knows yet.
 * @param entry its readings, in which words it tells of them, and who wrote it
 */
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
  const before = knownAt(
    stored.facts,
    presentFor(stored.facts, recordedAt),
    authorityOf(club.packs),
  ).accounted;
  const beyond = entry.readings.flatMap(({ meter, value }) => {
    const standing = before[meter];
    return isHourMeter(meter) && standing.state === 'known' && value > standing.value
      ? [{ meter, from: standing.value, to: value }]
      : [];
  });
  const [most] = beyond.sort((a, b) => b.to - b.from - (a.to - a.from));
  if (most === undefined) return;
  const shown = new Set([
    ...entry.readings.map(({ meter }) => meter),
    ...(await currentDials(tx, entry.aircraftId)).flatMap(({ counts }) => counts.map(({ meter }) => meter)),
  ]);
  const seconds = most.to - most.from;
  const readings = meterByMeter(
    ports.newId,
    before,
    shown,
    new Map([[entry.entryId, seconds]]),
    { landings: 0, towLaunches: 0, airborne: null },
    { flightId: null, happenedAt: null, recordedAt },
  );
  await insertReadings(tx, actor.clubId, entry.aircraftId, actor.personId, readings);
  const [last] = await latestFlights(tx, entry.aircraftId, 1);
  const id = ports.newId();
  await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [
    {
      id,
      kind: 'unlogged',
      happenedAt: recordedAt,
      recordedAt,
      body: {
        id,
        seenAt: recordedAt,
        dial: entry.entryId,
        name: `${METER_NAMES_IN_WORDS[most.meter]}, ${entry.words}`,
        from: meterText(most.meter, most.from),
        to: meterText(most.meter, most.to),
        length: meterText(most.meter, seconds),
        seconds,
        unseen: COUNTERS.filter((meter) => !shown.has(meter)),
        readings: readings.map((reading) => reading.id),
        lastFlight: last?.id ?? null,
        lastBy: last?.personName ?? null,
        seenBy: entry.by,
      },
    },
  ]);
}

/** Strikes a stretch, and readings that were written because of it. */
async function strikeStretch(
  ports: Ports,
  actor: Actor,
  { tx, recordedAt }: Changing,
  aircraftId: string,
  stretch: UnloggedRecord,
  readings: readonly string[],
  why: string,
  replacedBy: string | null,
): Promise<void> {
  const strike = async (record: string, kind: string, by: string | null) => {
    const written = await insertStrikeOnce(tx, actor.clubId, aircraftId, actor, {
      id: ports.newId(),
      recordedAt,
      record,
      kind,
      why,
      replacedBy: by,
    });
    // A reading may have been struck out before, for a reason of its own; the stretch itself was looked at just now.
    if (written === 'there-already' && kind === 'unlogged')
      throw new Error(`unlogged time ${record} was struck out already`);
  };
  await strike(stretch.id, 'unlogged', replacedBy);
  for (const id of readings) await strike(id, 'reading', null);
}

/** A signed entry was struck out: what it said of hours that nobody wrote down goes with it, and what was said of their landings. */
export async function strikeStretchOfEntry(
  ports: Ports,
  actor: Actor,
  changing: Changing,
  aircraftId: string,
  entryId: string,
  why: string,
): Promise<void> {
  const attributions = await othersOfKind(changing.tx, aircraftId, 'attribution');
  for (const stretch of await othersOfKind(changing.tx, aircraftId, 'unlogged')) {
    if (stretch.dial !== entryId) continue;
    await strikeStretch(
      ports,
      actor,
      changing,
      aircraftId,
      stretch,
      [
        ...(stretch.readings ?? []),
        ...attributions
          .filter(({ unlogged }) => unlogged === stretch.id)
          .flatMap((one) => one.readings ?? []),
      ],
      why,
      null,
    );
  }
}

/**
 * A reading of a meter was corrected: a stretch that was seen on that meter is now as long as its readings say, or never was. What was said
 * of it goes over to the new one; landings that were said of one that never was go too.
 * @param offset what is added to the meter's own figure to have the value of the reading
 */
export async function remeasureStretches(
  ports: Ports,
  actor: Actor,
  changing: Changing,
  aircraftId: string,
  reading: StoredReading,
  offset: number,
  why: string,
): Promise<void> {
  if (reading.dialId === null || !isHourMeter(reading.meter)) return;
  const { tx, recordedAt, stored } = changing;
  const counting = new Set(stored.facts.unlogged.map(({ id }) => id));
  const struck = new Set(stored.facts.strikes.map(({ record }) => record));
  const chain = await dialReadings(tx, reading.dialId, reading.meter);
  const attributions = await othersOfKind(tx, aircraftId, 'attribution');
  for (const stretch of await othersOfKind(tx, aircraftId, 'unlogged')) {
    if (stretch.dial !== reading.dialId || struck.has(stretch.id) || !counting.has(stretch.id)) continue;
    const to = Math.max(
      ...chain.filter(({ happenedAt }) => happenedAt === stretch.seenAt).map(({ value }) => value),
    );
    const from = Math.max(
      ...chain.filter(({ happenedAt }) => happenedAt < stretch.seenAt).map(({ value }) => value),
    );
    const seconds = to - from;
    if (!Number.isFinite(seconds) || seconds === stretch.seconds) continue;
    const said = attributions.filter(({ unlogged }) => unlogged === stretch.id);
    if (seconds <= 0) {
      await strikeStretch(
        ports,
        actor,
        changing,
        aircraftId,
        stretch,
        [...(stretch.readings ?? []), ...said.flatMap((one) => one.readings ?? [])],
        why,
        null,
      );
      continue;
    }
    const id = ports.newId();
    await strikeStretch(ports, actor, changing, aircraftId, stretch, [], why, id);
    const shown = (value: number) => readingText(hoursFromSeconds(value));
    const body: UnloggedRecord = {
      ...stretch,
      id,
      length: shown(seconds),
      seconds,
      from: shown(from - offset),
      to: shown(to - offset),
    };
    await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
      { id, kind: 'unlogged', happenedAt: stretch.seenAt, recordedAt, body },
      ...said.map((one): OtherRecord => ({
        id: ports.newId(),
        kind: 'attribution',
        happenedAt: recordedAt,
        recordedAt,
        body: { ...one, unlogged: id, recordedAt } satisfies AttributionRecord,
      })),
    ]);
  }
}

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
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'attribute-unlogged',
    null,
    async ({ tx, club, stored, recordedAt }) => {
      const present = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
      const known = (await othersOfKind(tx, entry.aircraftId, 'unlogged')).find(
        ({ id }) => id === entry.unlogged,
      );
      const stretch = present.unlogged.find(({ id }) => id === entry.unlogged);
      if (known === undefined || stretch === undefined)
        throw new Refused({
          code: 'not-found',
          message:
            'There is no such unlogged time on this aircraft, or it was struck out. Load the page again.',
        });
      const before = (await othersOfKind(tx, entry.aircraftId, 'attribution')).find(
        ({ unlogged }) => unlogged === entry.unlogged,
      );
      if (before !== undefined && (stretch.said !== null || entry.landings === null))
        throw new Refused({
          code: 'invalid',
          message: `Somebody said already that ${before.to} flew it. Load the page again.`,
          problems: [],
        });
      const standings = present.accounted;
      const said = unsaidStretches(present.unlogged).some(
        ({ happenedAt }) => happenedAt === stretch.happenedAt,
      );
      // A meter that was put in since shows them itself.
      const shown = new Set(
        (await currentDials(tx, entry.aircraftId)).flatMap(({ counts }) => counts.map(({ meter }) => meter)),
      );
      const readings =
        entry.landings === null || !said
          ? []
          : stretch.unseen
              .filter((meter) => !shown.has(meter))
              .flatMap((meter) => {
                const standing = standings[meter];
                if (standing.state !== 'known') return [];
                if (meter === 'tow-launches' && entry.towLaunches === null)
                  throw new Refused({
                    code: 'invalid',
                    message: 'Say how many tow launches there were, too: this aircraft’s are counted.',
                    problems: [{ path: 'towLaunches', message: 'say how many, 0 for none' }],
                  });
                const value =
                  standing.value
                  + (meter === 'tow-launches' ? (entry.towLaunches ?? 0) : (entry.landings ?? 0));
                // At the moment of the last reading: what was flown since counts on from there, and no later flight is contradicted.
                return [
                  {
                    ...meterReading(
                      ports.newId(),
                      meter,
                      value,
                      standing.readAt,
                      notBefore(standing.readAt, recordedAt),
                    ),
                    entered: String(value),
                    basis: 'ran-on' as const,
                    dialId: null,
                    flightId: null,
                  },
                ];
              });
      await insertReadings(tx, actor.clubId, entry.aircraftId, actor.personId, readings);
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [
        {
          id: entry.attributionId,
          kind: 'attribution',
          happenedAt: recordedAt,
          recordedAt,
          body: {
            unlogged: entry.unlogged,
            to: entry.to,
            note: entry.note,
            landings: entry.landings,
            towLaunches: entry.towLaunches,
            recordedAt,
            readings: readings.map(({ id }) => id),
          },
        },
      ]);
      return {
        value: {},
        ledger: {
          id: entry.attributionId,
          unlogged: entry.unlogged,
          length: known.length,
          dial: known.name,
          to: entry.to,
          note: entry.note,
          landings: entry.landings,
          towLaunches: entry.towLaunches,
        },
      };
    },
    {
      request: entry,
      found: async (tx) => ((await entryExists(tx, entry.attributionId, actor.personId)) ? {} : null),
    },
  );
}
