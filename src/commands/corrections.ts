import type { ReadingCorrection, StrikeEntry } from '@/contracts/corrections';
import { readingOf } from '@/core/counter/slips';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { mayBeSignedBy, signatureFaults, type CertificateKind, type SignedWork } from '@/core/records/certificate';
import { knownAt, presentFor, type AircraftFacts } from '@/core/records/facts';
import { INSPECTION_WORK } from '@/core/records/inspection';
import type { Uplift } from '@/core/records/measurement';
import type { Standings } from '@/core/records/meter-reading';
import { isHourMeter, METER_NAMES } from '@/core/records/meters';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { loadForMeters } from '@/db/aircraft-facts';
import { certificatesOf, findSighting, papersOf } from '@/db/aircraft-papers';
import { storedDate } from '@/db/checked-values';
import { readDials } from '@/db/dials';
import { insertReadings } from '@/db/folder-rows';
import { boxesOf } from '@/db/meter-boxes';
import { findOther, insertOthers, othersOfKind, type OtherRecord } from '@/db/other-records';
import { findReading, readingsAt, readingsOfFlight, type StoredReading } from '@/db/readings';
import { insertStrike } from '@/db/strikes';
import { meterText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { changeAircraft, type Changing } from './change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports, type Refusal } from './command';
import { meterReading } from './counter-readings';
import { passwordRefusal } from './signing';
import { remeasureStretches, strikeStretchOfEntry } from './unlogged';

const KEEPERS = ['dispatcher', 'mechanic'];
const NOT_KEEPER: Refusal = { code: 'not-entitled', message: 'Only a dispatcher or a mechanic corrects the records of an aircraft. Ask one of them.' };
const gone = () => new Refused({ code: 'not-found', message: 'There is no such entry on this aircraft. Open its folder again.' });

/** Strikes one entry, or ends because somebody else struck it first. */
async function strike({ tx, recordedAt }: Changing, ports: Ports, actor: Actor, aircraftId: string, record: { readonly id: string; readonly kind: StrikeEntry['kind']; readonly replacedBy: string | null; readonly why: string }, strikeId = ports.newId()): Promise<void> {
  if (!await insertStrike(tx, actor.clubId, aircraftId, actor, { id: strikeId, recordedAt, record: record.id, kind: record.kind, why: record.why, replacedBy: record.replacedBy })) {
    throw new Refused({ code: 'invalid', message: 'This entry was struck already. Open the folder again.', problems: [{ path: 'recordId', message: 'was struck already' }] });
  }
}

/** Whether a signed entry may be struck by this person: whoever recorded it, or somebody who could sign such work today. */
async function mayStrikeSigned({ tx, club, recordedAt }: Changing, actor: Actor, work: SignedWork, recordedBy: string, approved: boolean): Promise<boolean> {
  const authority = authorityOf(club.packs);
  const today = civilDateAt(recordedAt, club.place.zone);
  const entitled = (await certificatesOf(tx, actor.personId)).some((row) => mayBeSignedBy(work, authority).includes(row.kind as CertificateKind)
    && signatureFaults({ name: actor.name, certificate: { kind: row.kind as CertificateKind, number: row.number, validFrom: storedDate(row.valid_from), validUntil: row.valid_until === null ? 'no-expiry' : storedDate(row.valid_until) } }, work, today, authority).length === 0);
  // What found the aircraft not airworthy is only taken away by somebody who could say the opposite.
  return entitled || (approved && recordedBy === actor.personId);
}

/** What an entry says, for the ledger, after looking whether this person may strike it. */
async function entitledTo(changing: Changing, actor: Actor, { kind, recordId, aircraftId }: StrikeEntry): Promise<string> {
  const { tx, stored } = changing;
  const denied = new Refused({ code: 'not-entitled', message: 'Only whoever recorded it, or somebody who may sign such work, strikes this entry. One that refused the aircraft is struck only by somebody who may sign such work.' });
  switch (kind) {
    case 'reading': {
      const reading = await findReading(tx, recordId);
      if (reading?.aircraftId !== aircraftId) throw gone();
      return `${METER_NAMES_IN_WORDS[reading.meter]} ${meterText(reading.meter, reading.value)}`;
    }
    case 'sighting': {
      const sighting = await findSighting(tx, recordId);
      if (sighting?.aircraft_id !== aircraftId) throw gone();
      // What was seen last is not wished away, and what ended a registration even less: the paper is looked at again, and that outweighs it.
      const latest = (await papersOf(tx, aircraftId)).some((paper) => paper.sighting_id === recordId);
      if (latest || sighting.ended_on !== null) throw new Refused({ code: 'invalid', message: 'This is what somebody saw last of this paper. Look at it again and record what you see; that outweighs it.', problems: [{ path: 'recordId', message: 'look at the paper again' }] });
      return `sighting of ${sighting.kind}`;
    }
    case 'inspection': {
      const inspection = stored.facts.inspections.find(({ id }) => id === recordId);
      const row = await tx.selectFrom('inspection').select('recorded_by').where('inspection_id', '=', recordId).executeTakeFirst();
      if (inspection === undefined || row === undefined) throw gone();
      if (!await mayStrikeSigned(changing, actor, INSPECTION_WORK[inspection.kind], row.recorded_by, inspection.outcome === 'approved')) throw denied;
      return `${inspection.kind} of ${inspection.completedOn}`;
    }
    case 'item': case 'directive': {
      const other = await findOther(tx, recordId);
      if (other?.aircraftId !== aircraftId || other.kind !== kind) throw gone();
      // Without it the aircraft may fly on: that is for whoever may say so by their certificate.
      if (!await mayStrikeSigned(changing, actor, 'return-to-service', '', false)) throw new Refused({ code: 'not-entitled', message: 'Only a mechanic whose certificate returns aircraft to service strikes an item or a directive: without it the aircraft may fly on.' });
      return kind;
    }
    case 'box': {
      const box = (await boxesOf(tx, aircraftId)).find(({ boxId }) => boxId === recordId);
      if (box === undefined) throw gone();
      // Without what it counted limits move away.
      if (!await mayStrikeSigned(changing, actor, 'return-to-service', '', false)) throw new Refused({ code: 'not-entitled', message: 'Only a mechanic whose certificate returns aircraft to service strikes what a box counted: without it limits move away.' });
      return `what ${box.name} counted`;
    }
    case 'done': case 'compliance': case 'list-cleared': case 'known-mark': {
      const other = await findOther(tx, recordId);
      // What was brought in with an item or a directive has no row of its own, and nobody here who recorded it.
      const within = (kind === 'done' ? stored.facts.items : kind === 'compliance' ? stored.facts.directives : null)?.some(({ done }) => done.some(({ id }) => id === recordId)) ?? false;
      if (!within && (other?.aircraftId !== aircraftId || other.kind !== kind)) throw gone();
      if (!await mayStrikeSigned(changing, actor, 'return-to-service', other?.recordedBy ?? '', true)) throw denied;
      return kind;
    }
    default: {
      const missing: never = kind;
      throw new RangeError(`no such kind: ${String(missing)}`);
    }
  }
}

/** Strikes an entry that should not have been written. It stays readable, with who struck it and why. */
export async function strikeEntry(ports: Ports, actor: Actor, entry: StrikeEntry): Promise<Outcome<{ readonly strikeId: string; readonly revision: number }>> {
  if (!actor.roles.some((role) => KEEPERS.includes(role))) return refused(NOT_KEEPER);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(ports, actor, entry.aircraftId, 'strike', entry.seenRevision, async (changing) => {
    const what = await entitledTo(changing, actor, entry);
    await strike(changing, ports, actor, entry.aircraftId, { id: entry.recordId, kind: entry.kind, replacedBy: null, why: entry.why }, entry.strikeId);
    if (entry.kind === 'inspection' || entry.kind === 'done' || entry.kind === 'compliance') await strikeStretchOfEntry(ports, actor, changing, entry.aircraftId, entry.recordId, entry.why);
    return { value: { strikeId: entry.strikeId }, ledger: { id: entry.strikeId, kind: entry.kind, record: entry.recordId, what, why: entry.why } };
  });
}

/** How much the dial that ran most ran on a flight, with one reading put right. */
function mostRun(rows: readonly StoredReading[], at: Instant, corrected: ReadonlyMap<string, number>): number {
  const ends = rows.filter(({ happenedAt, dialId, meter, struck }) => happenedAt === at && dialId !== null && isHourMeter(meter) && !struck);
  return Math.max(0, ...ends.map((end) => {
    const start = rows.find(({ dialId, meter, happenedAt, struck }) => dialId === end.dialId && meter === end.meter && happenedAt < at && !struck);
    return start === undefined ? 0 : (corrected.get(end.id) ?? end.value) - start.value;
  }));
}

/** Ends a correction after which two readings contradict each other that did not before: it may be the slip itself. @throws Refused then */
function refuseDispute(before: Standings, after: Standings): void {
  for (const meter of METER_NAMES) {
    const now = after[meter];
    if (before[meter].state !== 'known' || now.state !== 'contradiction') continue;
    const message = `Then ${METER_NAMES_IN_WORDS[meter]} would fall from ${meterText(meter, now.earlierValue)} to ${meterText(meter, now.laterValue)}, and nobody knew what it stands at. Read what you wrote again. If the other reading is wrong too, correct that one first, or say that you will. Nothing was recorded.`;
    throw new Refused({ code: 'invalid', message, problems: [{ path: 'evenSo', message: 'contradicts another reading' }] });
  }
}

/**
 * Puts a reading right: the old one is struck, the new one takes its place and its time. What was written down with it follows: the other
 * meters that the dial counts towards, those that no dial shows, and the hours beside fuel and oil.
 */
export async function correctReading(ports: Ports, actor: Actor, entry: ReadingCorrection): Promise<Outcome<{ readonly readingId: string; readonly revision: number }>> {
  if (!actor.roles.some((role) => KEEPERS.includes(role))) return refused(NOT_KEEPER);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(ports, actor, entry.aircraftId, 'correct-reading', entry.seenRevision, async (changing) => {
    const { tx, stored, club, recordedAt } = changing;
    const reading = await findReading(tx, entry.readingId);
    if (reading?.aircraftId !== entry.aircraftId) throw gone();
    if (reading.struck) throw new Refused({ code: 'invalid', message: 'This reading was struck already. Open the folder again.', problems: [{ path: 'readingId', message: 'was struck already' }] });
    const dial = (await readDials(tx, entry.aircraftId)).find(({ id }) => id === reading.dialId);
    const unit = isHourMeter(reading.meter) ? 'h' : 'count';
    const typed = readingOf(entry.shown, unit);
    if (typed === undefined) throw new Refused({ code: 'invalid', message: 'Write what the meter showed, such as 4177.5.', problems: [{ path: 'shown', message: 'expected a reading such as 4177.5' }] });
    // What the dial showed, brought to the meter's own zero.
    const offset = dial?.counts.find(({ meter }) => meter === reading.meter)?.offset ?? 0;
    const value = typed + offset;
    if (value < 0) throw new Refused({ code: 'invalid', message: 'That is below the meter’s offset. Read it again.', problems: [{ path: 'shown', message: 'is below the meter’s offset' }] });
    const delta = value - reading.value;
    const rows = reading.flightId === null ? await readingsAt(tx, entry.aircraftId, reading.happenedAt) : await readingsOfFlight(tx, reading.flightId);
    const together = rows.filter((row) => !row.struck && row.happenedAt === reading.happenedAt && (row.id === reading.id || (row.dialId === reading.dialId && row.dialId !== null)));
    const corrected = new Map(together.map((row) => [row.id, row.value + delta]));
    // Meters without a dial went on by the dial that ran most: by as much more or less now.
    const shift = mostRun(rows, reading.happenedAt, corrected) - mostRun(rows, reading.happenedAt, new Map());
    if (reading.flightId !== null && shift !== 0) for (const row of rows) if (!row.struck && row.happenedAt === reading.happenedAt && row.dialId === null && isHourMeter(row.meter)) corrected.set(row.id, row.value + shift);
    for (const [id, now] of corrected) {
      const row = rows.find((one) => one.id === id);
      if (row === undefined || now < 0) throw new Error(`the reading ${id} cannot be corrected`);
      const replacedBy = ports.newId();
      await strike(changing, ports, actor, entry.aircraftId, { id, kind: 'reading', replacedBy, why: entry.why }, id === reading.id ? entry.strikeId : ports.newId());
      await insertReadings(tx, actor.clubId, entry.aircraftId, actor.personId, [{ ...meterReading(replacedBy, row.meter, now, row.happenedAt, recordedAt), entered: id === reading.id || (row.dialId !== null && row.dialId === reading.dialId) ? entry.shown : meterText(row.meter, now).replace(/ h$/, ''), dialId: row.dialId, flightId: row.flightId }]);
    }
    await remeasureStretches(ports, actor, changing, entry.aircraftId, reading, offset, entry.why);
    const service = [...corrected].find(([id]) => rows.find((row) => row.id === id)?.meter === 'time-in-service');
    const old = service === undefined ? undefined : rows.find(({ id }) => id === service[0])?.value;
    if (service !== undefined && old !== undefined) {
      for (const uplift of await othersOfKind(tx, entry.aircraftId, 'uplift')) {
        if (uplift.happenedAt !== reading.happenedAt || uplift.timeInService !== old) continue;
        const id = ports.newId();
        await insertStrike(tx, actor.clubId, entry.aircraftId, actor, { id: ports.newId(), recordedAt, record: uplift.id, kind: 'uplift', why: entry.why, replacedBy: id });
        const body: Uplift = { ...uplift, id, recordedAt, timeInService: hoursFromSeconds(service[1]) };
        const record: OtherRecord = { id, kind: 'uplift', happenedAt: uplift.happenedAt, recordedAt, body };
        await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [record]);
      }
    }
    const standings = (facts: AircraftFacts) => knownAt(facts, presentFor(facts, recordedAt), authorityOf(club.packs)).accounted;
    const before = standings(stored.facts)[reading.meter];
    const after = await loadForMeters(tx, club.place, entry.aircraftId);
    if (after !== undefined && !entry.evenSo) refuseDispute(standings(stored.facts), standings(after.facts));
    return {
      value: { readingId: entry.readingId },
      ledger: { id: entry.strikeId, reading: entry.readingId, meter: reading.meter, was: reading.entered, is: entry.shown, stood: before.state === 'known' ? before.value : null, why: entry.why },
    };
  });
}
