import type { ReadingCorrection } from '@/contracts/maintenance/corrections';
import { correctReading as planCorrection } from '@/core/metering/correct-reading';
import { readingOf } from '@/core/metering/slips';
import type { Standings } from '@/core/records/meters/meter-reading';
import { isHourMeter, METER_NAMES } from '@/core/records/meters/meters';
import { authorityOf } from '@/core/rules/register';
import { loadForMeters } from '@/db/aircraft/aircraft-facts';
import { type OtherRecord } from '@/db/aircraft/other-kinds';
import { readDials } from '@/db/meters/dials';
import { findFlight, latestFlights } from '@/db/flights/flights';
import { meterHistory } from '@/db/meters/history';
import { findReading } from '@/db/meters/readings';
import { writeMeterChanges } from '@/db/meters/write-changes';
import { meterText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { gone } from '../maintenance/corrections';
import { passwordRefusal } from '../kernel/signing';
import { stretchRecord, withFigure } from './meter-words';
import { attributionRecord, remeasuredRecord } from './unlogged';

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
  const { aircraftId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'correct-reading',
    entry.seenRevision,
    async ({ tx, club, recordedAt }) => {
      const reading = await findReading(tx, entry.readingId);
      if (reading?.aircraftId !== aircraftId) throw gone();
      if (reading.struck)
        throw new Refused({
          code: 'invalid',
          message: 'This reading was struck out already. Open the folder again.',
          problems: [{ path: 'readingId', message: 'was struck out already' }],
        });
      const dial = (await readDials(tx, aircraftId)).find(({ id }) => id === reading.dialId);
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
      const flight = reading.flightId === null ? undefined : await findFlight(tx, reading.flightId);
      const back = flight?.returned?.at === reading.happenedAt ? flight.returned : null;
      const whole = await loadForMeters(tx, club.place, aircraftId);
      if (whole === undefined) throw new Error(`aircraft ${aircraftId} is not there`);
      const history = await meterHistory(tx, aircraftId, whole.facts, authorityOf(club.packs));
      const correction = planCorrection(
        ports.newId,
        history,
        { reading, now: value, entered: entry.shown, strikeId: entry.strikeId, why: entry.why, back },
        recordedAt,
      );
      if (!entry.evenSo) refuseDispute(correction.before, correction.after);
      const [last] = await latestFlights(tx, aircraftId, 1);
      await writeMeterChanges(tx, actor.clubId, aircraftId, actor, recordedAt, {
        strikes: correction.strikes,
        readings: correction.readings.map(withFigure),
        others: [
          ...correction.remeasured.map((one) => remeasuredRecord(one, recordedAt, offset)),
          ...correction.attributions.map((one) => attributionRecord(one, recordedAt)),
          ...(correction.stretch === null
            ? []
            : [
                stretchRecord(
                  correction.stretch,
                  recordedAt,
                  { last, seenBy: actor.name },
                  'as it was corrected',
                ),
              ]),
          ...correction.uplifts.map((body): OtherRecord => ({
            id: body.id,
            kind: 'uplift',
            happenedAt: body.happenedAt,
            recordedAt,
            body,
          })),
        ],
      });
      const before = correction.before[reading.meter];
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
