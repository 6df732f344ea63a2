import type { CheckFlightEntry, IndependentInspectionEntry } from '@/contracts/maintenance/work';
import { signatureFaults, type Signature, type SignedWork } from '@/core/records/club/certificate';
import { knownAt, presentFor } from '@/core/records/facts';
import {
  checkFlightCounts,
  independentInspectionCounts,
  type WorkEntry,
} from '@/core/records/maintenance/work-entry';
import { classifyFinding } from '@/core/walkround/classify';
import type { CivilDate } from '@/core/time/civil-date';
import { civilDateAt } from '@/core/time/zone';
import { insertOthers } from '@/db/aircraft/other-records';
import { insertDiscrepancyOnce } from '@/db/findings/discrepancies';
import { findFlight } from '@/db/flights/flights';
import type { Changing } from '../kernel/change-aircraft';
import { Refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { enterOnce } from '../kernel/enter-once';
import { ownCertificate, requireNoFaults } from '../kernel/signing';
import { certificateOf, signingHere, workOnRecord } from './record-work';

const invalid = (path: string, message: string): Refused =>
  new Refused({ code: 'invalid', message, problems: [{ path, message }] });

/** The work as it counts now, with its later entries. @throws Refused where there is none, or nobody has approved it yet */
function countingWork(changing: Changing, workId: string): WorkEntry & { readonly completedOn: CivilDate } {
  workOnRecord(changing, workId);
  const { stored, recordedAt } = changing;
  const { authority } = signingHere(changing);
  const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authority);
  const work = known.work.find(({ id }) => id === workId);
  if (work?.completedOn == null || work.signedBy === null)
    throw invalid('workId', 'Nobody has approved this work yet. A mechanic signs for it first.');
  return { ...work, completedOn: work.completedOn };
}

/** Looks whether a certificate and a day stand for it. @throws Refused with every fault */
function requireEntitled(
  changing: Changing,
  by: Signature,
  signs: SignedWork,
  { on, notBefore }: { readonly on: CivilDate; readonly notBefore: CivilDate },
): void {
  const { zone, authority, recordedAt } = signingHere(changing);
  const today = civilDateAt(recordedAt, zone);
  if (on > today) throw invalid('on', 'This day has not come yet.');
  if (on < notBefore) throw invalid('on', 'This is before the day on which the work was done.');
  requireNoFaults(
    [...signatureFaults(by, signs, on, authority), ...signatureFaults(by, signs, today, authority)],
    () => 'certificateId',
  );
}

/** What did not fly as it should is a finding of its own, on no list: a mechanic looks first. */
async function reportFromCheckFlight(
  { tx, recordedAt }: Changing,
  actor: Actor,
  { checkFlightId, aircraftId, description }: CheckFlightEntry,
): Promise<void> {
  const { classification, closesUses, equipment } = classifyFinding(null, false, 'would-not-fly');
  const written = await insertDiscrepancyOnce(tx, {
    clubId: actor.clubId,
    aircraftId,
    discrepancyId: checkFlightId,
    station: 'In flight',
    side: null,
    step: null,
    asListed: false,
    what: `On the check flight: ${description}`,
    looks: 'would-not-fly',
    foundBy: { personId: actor.personId, name: actor.name },
    classification,
    closesUses,
    equipment,
    happenedAt: recordedAt,
    recordedAt,
  });
  if (written === 'there-already')
    throw invalid(
      'checkFlightId',
      'Another finding has this id already. Open the page again and enter it once more.',
    );
}

/** Looks whether a flight can have been the check flight of a day. @throws Refused where it cannot */
async function requireItsFlight(
  { tx, stored, club }: Changing,
  flightId: string,
  { on, work }: { readonly on: CivilDate; readonly work: WorkEntry },
): Promise<void> {
  const flight = await findFlight(tx, flightId);
  if (flight?.aircraftId !== stored.aircraftId)
    throw invalid('flightId', 'The aircraft has no such flight on record. Choose another one.');
  if (flight.purpose !== null && flight.purpose !== 'maintenance-check-flight')
    throw invalid('flightId', 'This flight was flown for something else. Choose the check flight.');
  if (flight.returned === null)
    throw invalid('flightId', 'This flight is not back yet. Check it in first: its hours belong to it.');
  if (flight.leftAt < work.recordedAt)
    throw invalid('flightId', 'This flight left before the work was signed for. It was no flight after it.');
  if (civilDateAt(flight.leftAt, club.place.zone) !== on)
    throw invalid('on', 'This is not the day of that flight.');
}

/**
 * Records the check flight after work, as it was flown and logged. Where it did not fly as it should, that is
 * a finding of its own, which grounds the aircraft, and the check flight is still to be flown. Source: 14 CFR
 * 91.407(b) (from memory).
 */
export async function recordCheckFlight(
  ports: Ports,
  actor: Actor,
  entry: CheckFlightEntry,
): Promise<Outcome<{ readonly checkFlightId: string; readonly revision: number }>> {
  const { checkFlightId: id, workId, aircraftId, on, flightId, result, description } = entry;
  return enterOnce(
    ports,
    actor,
    'record-check-flight',
    entry,
    { id: id, value: { checkFlightId: id } },
    async (changing) => {
      const { tx, recordedAt } = changing;
      const work = countingWork(changing, workId);
      const { zone, authority } = signingHere(changing);
      if (work.mayChangeFlight !== true || work.groundTestsConclusive === true)
        throw invalid('workId', 'This work asks for no check flight. Open the page again.');
      if (checkFlightCounts(work, zone, authority))
        throw invalid('workId', 'Its check flight is on record already. Open the page again.');
      const pilot = { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) };
      requireEntitled(changing, pilot, 'check-flight', { on, notBefore: work.completedOn });
      if (flightId !== null) await requireItsFlight(changing, flightId, { on, work });
      const asItShould = result === 'as-it-should';
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        {
          id,
          kind: 'check-flight',
          happenedAt: recordedAt,
          recordedAt,
          body: { work: workId, recordedAt, on, pilot, asItShould, description, flight: flightId },
        },
      ]);
      if (!asItShould) await reportFromCheckFlight(changing, actor, entry);
      return {
        id,
        work: workId,
        on,
        flight: flightId,
        result,
        description,
        certificate: certificateOf(pilot),
      };
    },
  );
}

/**
 * Records that a second person inspected the flight controls, on their own and after the one who did the work. Source: CAR 1988 reg 42G
 * (from memory, less certain).
 */
export async function recordIndependentInspection(
  ports: Ports,
  actor: Actor,
  entry: IndependentInspectionEntry,
): Promise<Outcome<{ readonly inspectionId: string; readonly revision: number }>> {
  const { inspectionId: id, workId, aircraftId, on, description } = entry;
  return enterOnce(
    ports,
    actor,
    'inspect-independently',
    entry,
    { id: id, value: { inspectionId: id } },
    async (changing) => {
      const { tx, recordedAt } = changing;
      const work = countingWork(changing, workId);
      const { zone, authority } = signingHere(changing);
      if (independentInspectionCounts(work, zone, authority))
        throw invalid('workId', 'Its second inspection is on record already. Open the page again.');
      const by = { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) };
      requireEntitled(changing, by, 'independent-inspection', { on, notBefore: work.completedOn });
      const inspection = { recordedAt, on, by };
      if (!independentInspectionCounts({ ...work, independentInspection: inspection }, zone, authority))
        throw new Refused({
          code: 'not-entitled',
          message: 'You signed for this work yourself. Somebody else inspects it, on their own.',
        });
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        {
          id,
          kind: 'independent-inspection',
          happenedAt: recordedAt,
          recordedAt,
          body: { ...inspection, work: workId, description },
        },
      ]);
      return { id, work: workId, on, description, certificate: certificateOf(by) };
    },
  );
}
