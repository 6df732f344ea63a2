import type { ReadingCorrection } from '@/contracts/maintenance/corrections';
import { readingOf } from '@/core/counter/slips';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { knownAt, presentFor, type AircraftFacts } from '@/core/records/facts';
import type { Uplift } from '@/core/records/walkround/measurement';
import type { Standings } from '@/core/records/meters/meter-reading';
import { isHourMeter, METER_NAMES } from '@/core/records/meters/meters';
import { authorityOf } from '@/core/rules/register';
import { loadForMeters } from '@/db/aircraft/aircraft-facts';
import { readDials } from '@/db/meters/dials';
import { findFlight } from '@/db/flights/flights';
import { insertReadings } from '@/db/aircraft/folder-rows';
import { insertOthers, othersOfKind } from '@/db/aircraft/other-records';
import { type OtherRecord } from '@/db/aircraft/other-kinds';
import { findReading, readingsAt, readingsOfFlight } from '@/db/meters/readings';
import { insertStrikeOnce } from '@/db/aircraft/strikes';
import { meterText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { besideGap, besideReturn, carryOn, keepCorrectedGap, mostRun, type Corrected } from './corrected-run';
import { gone, strike } from '../maintenance/corrections';
import { meterReading } from './counter-readings';
import { passwordRefusal } from '../kernel/signing';
import { remeasureStretches } from './unlogged';

/** Ends a correction after which two readings contradict each other that did not before: it may be the slip itself. @throws Refused then */
function refuseDispute(before: Standings, after: Standings): void {
  for (const meter of METER_NAMES) {
    const now = after[meter];
    if (before[meter].state !== 'known' || now.state !== 'contradiction') continue;
    const message = `Then ${METER_NAMES_IN_WORDS[meter]} would fall from ${meterText(meter, now.earlierValue)} to ${meterText(meter, now.laterValue)}, and nobody knew what it stands at. Read what you wrote again. If the other reading is wrong too, correct that one first, or say that you will. Nothing was recorded.`;
    throw new Refused({
      code: 'invalid',
      message,
      problems: [{ path: 'evenSo', message: 'contradicts another reading' }],
    });
  }
}

/**
 * Puts a reading right: the old one is struck out, the new one takes its place and its time. What was written down with it follows: the other
 * meters that the dial counts towards, those that no dial shows, and the hours beside fuel and oil.
 */
export async function correctReading(
  ports: Ports,
  actor: Actor,
  entry: ReadingCorrection,
): Promise<Outcome<{ readonly readingId: string; readonly revision: number }>> {
  const denied = denial(actor, 'correct-records');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'correct-reading',
    entry.seenRevision,
    async (changing) => {
      const { tx, stored, club, recordedAt } = changing;
      const reading = await findReading(tx, entry.readingId);
      if (reading?.aircraftId !== entry.aircraftId) throw gone();
      if (reading.struck)
        throw new Refused({
          code: 'invalid',
          message: 'This reading was struck out already. Open the folder again.',
          problems: [{ path: 'readingId', message: 'was struck out already' }],
        });
      const dial = (await readDials(tx, entry.aircraftId)).find(({ id }) => id === reading.dialId);
      const unit = isHourMeter(reading.meter) ? 'h' : 'count';
      const typed = readingOf(entry.shown, unit);
      if (typed === undefined)
        throw new Refused({
          code: 'invalid',
          message: 'Write what the meter showed, such as 4177.5.',
          problems: [{ path: 'shown', message: 'expected a reading such as 4177.5' }],
        });
      // What the dial showed, brought to the meter's own zero.
      const offset = dial?.counts.find(({ meter }) => meter === reading.meter)?.offset ?? 0;
      const value = typed + offset;
      if (value < 0)
        throw new Refused({
          code: 'invalid',
          message: 'That is below the meter’s offset. Read it again.',
          problems: [{ path: 'shown', message: 'is below the meter’s offset' }],
        });
      const delta = value - reading.value;
      const rows =
        reading.flightId === null
          ? await readingsAt(tx, entry.aircraftId, reading.happenedAt)
          : await readingsOfFlight(tx, reading.flightId);
      const together = rows.filter(
        (row) =>
          !row.struck
          && row.happenedAt === reading.happenedAt
          && (row.id === reading.id || (row.dialId === reading.dialId && row.dialId !== null)),
      );
      const corrected = new Map(together.map((row) => [row.id, row.value + delta]));
      // Meters without a dial went on by the dial that ran most to this reading.
      const ran = {
        before: await mostRun(tx, rows, reading.happenedAt, new Map()),
        after: await mostRun(tx, rows, reading.happenedAt, corrected),
      };
      const flight = reading.flightId === null ? undefined : await findFlight(tx, reading.flightId);
      const back = flight?.returned?.at === reading.happenedAt ? flight.returned : null;
      const whole = await loadForMeters(tx, club.place, entry.aircraftId);
      if (whole === undefined) throw new Error(`aircraft ${entry.aircraftId} is not there`);
      const beside: Corrected = {
        facts: whole.facts,
        rows,
        reading,
        now: value,
        ran,
        authority: authorityOf(club.packs),
        recordedAt,
      };
      for (const [id, now] of back === null ? besideGap(beside) : besideReturn(beside, back))
        corrected.set(id, now);
      for (const [id, now] of corrected) {
        const row = rows.find((one) => one.id === id);
        if (row === undefined || now < 0) throw new Error(`the reading ${id} cannot be corrected`);
        const replacedBy = ports.newId();
        await strike(
          changing,
          ports,
          actor,
          entry.aircraftId,
          { id, kind: 'reading', replacedBy, why: entry.why },
          id === reading.id ? entry.strikeId : ports.newId(),
        );
        await insertReadings(tx, actor.clubId, entry.aircraftId, actor.personId, [
          {
            ...meterReading(replacedBy, row.meter, now, row.happenedAt, recordedAt),
            entered:
              id === reading.id || (row.dialId !== null && row.dialId === reading.dialId)
                ? entry.shown
                : meterText(row.meter, now).replace(/ h$/, ''),
            basis: id === reading.id ? 'read' : row.basis,
            dialId: row.dialId,
            flightId: row.flightId,
          },
        ]);
      }
      await remeasureStretches(ports, actor, changing, entry.aircraftId, reading, offset, entry.why);
      if (back === null) await keepCorrectedGap(ports, actor, changing, beside, dial);
      await carryOn(ports, actor, changing, beside);
      const service = [...corrected].find(
        ([id]) => rows.find((row) => row.id === id)?.meter === 'time-in-service',
      );
      const old = service === undefined ? undefined : rows.find(({ id }) => id === service[0])?.value;
      if (service !== undefined && old !== undefined) {
        for (const uplift of await othersOfKind(tx, entry.aircraftId, 'uplift')) {
          if (uplift.happenedAt !== reading.happenedAt || uplift.timeInService !== old) continue;
          const id = ports.newId();
          const struck = await insertStrikeOnce(tx, actor.clubId, entry.aircraftId, actor, {
            id: ports.newId(),
            recordedAt,
            record: uplift.id,
            kind: 'uplift',
            why: entry.why,
            replacedBy: id,
          });
          // Somebody struck out it out before: nothing takes its place.
          if (struck === 'there-already') continue;
          const body: Uplift = { ...uplift, id, recordedAt, timeInService: hoursFromSeconds(service[1]) };
          const record: OtherRecord = { id, kind: 'uplift', happenedAt: uplift.happenedAt, recordedAt, body };
          await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [record]);
        }
      }
      const standings = (facts: AircraftFacts) =>
        knownAt(facts, presentFor(facts, recordedAt), authorityOf(club.packs)).accounted;
      const before = standings(stored.facts)[reading.meter];
      const after = await loadForMeters(tx, club.place, entry.aircraftId);
      if (after !== undefined && !entry.evenSo)
        refuseDispute(standings(stored.facts), standings(after.facts));
      return {
        value: { readingId: entry.readingId },
        ledger: {
          id: entry.strikeId,
          reading: entry.readingId,
          meter: reading.meter,
          was: reading.entered,
          is: entry.shown,
          stood: before.state === 'known' ? before.value : null,
          why: entry.why,
        },
      };
    },
  );
}
