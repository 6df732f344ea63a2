import type { MetersRead } from '@/contracts/flights/dispatch';
import { readPanel } from '@/core/metering/check-out';
import { meterReading } from '@/core/metering/reading';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { currentDials } from '@/db/meters/dials';
import { latestFlights, openFlights } from '@/db/flights/flights';
import { writeMeterChanges } from '@/db/meters/write-changes';
import { meterText, momentText } from '@/explain/formats';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { refuseReadings, withFigure } from './meter-words';
import { writePanel } from './write-panel';
import { keepStretchOfEntry } from './unlogged';

const invalid = (path: string, message: string): Refused =>
  new Refused({ code: 'invalid', message, problems: [{ path, message }] });

/**
 * Reads the meters of an aircraft that stands, as the person who checks it out does, without a flight: what agrees is fresh again, and what is more
 * is unlogged time. Any member with a role may: it only says what the meters show. Where no meter shows the time in service, the logbook's figure
 * is read, and compared in the same way.
 */
export async function readMeters(
  ports: Ports,
  actor: Actor,
  entry: MetersRead,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'read-meters');
  if (denied !== null) return refused(denied);
  return changeAircraft(ports, actor, entry.aircraftId, 'read-meters', null, async (changing) => {
    const { tx, club, stored, registration, recordedAt } = changing;
    const [out] = await openFlights(tx, entry.aircraftId);
    if (out !== undefined)
      throw invalid(
        'readings',
        `${registration} is out with ${out.personName} since ${momentText(out.leftAt, club.place.zone)}. Its meters are read when it is taken back.`,
      );
    const dials = await currentDials(tx, entry.aircraftId);
    const { accounted } = knownAt(
      stored.facts,
      presentFor(stored.facts, recordedAt),
      authorityOf(club.packs),
    );
    const standing = accounted['time-in-service'];
    const shows = dials.some(({ counts }) => counts.some(({ meter }) => meter === 'time-in-service'));
    const { service } = entry;
    if (service !== null && (shows || standing.state !== 'known'))
      throw invalid(
        'service',
        shows
          ? 'A meter shows the time in service. Read that.'
          : 'The time in service is not known, or two readings of it contradict each other. Enter a meter, or correct the wrong one first.',
      );
    if (dials.length === 0 && service === null)
      throw invalid('readings', `Nobody has said yet which meters ${registration} has. Enter them first.`);
    const panel = readPanel(ports.newId, accounted, dials, entry, null, recordedAt);
    if (!('gaps' in panel)) throw refuseReadings(panel);
    const { dials: shown, gaps } = panel;
    const [last] = await latestFlights(tx, entry.aircraftId, 1);
    await writePanel(changing, actor, entry.aircraftId, panel, { last, seenBy: actor.name }, false);
    // With hours that turned up on a dial the time in service went on already.
    if (service !== null && standing.state === 'known' && gaps.length === 0) {
      if (service < standing.value)
        throw invalid(
          'service',
          `That is less than ${meterText('time-in-service', standing.value)}, which is on record. Read it again, or correct the entry before.`,
        );
      if (service > standing.value && !entry.aboveMeter)
        throw invalid(
          'aboveMeter',
          `That is more than ${meterText('time-in-service', standing.value)}, which is on record. Read it again, then say so: somebody flew and did not write it down.`,
        );
      const reading = meterReading(ports.newId(), 'time-in-service', service, recordedAt, recordedAt);
      await keepStretchOfEntry(ports, actor, changing, {
        entryId: reading.id,
        aircraftId: entry.aircraftId,
        readings: [{ meter: 'time-in-service', value: service }],
        words: 'as the logbook has it',
        by: actor.name,
      });
      await writeMeterChanges(tx, actor.clubId, entry.aircraftId, actor, recordedAt, {
        readings: [withFigure({ ...reading, entered: null, basis: 'read', dialId: null, flightId: null })],
      });
    }
    const readings = [
      ...shown.map(({ name, shown: text }) => ({ name, shown: text })),
      ...(service === null ? [] : [{ name: 'Logbook', shown: meterText('time-in-service', service) }]),
    ];
    return { value: {}, ledger: { readings, unlogged: gaps.map(({ dial, length }) => ({ dial, length })) } };
  });
}
