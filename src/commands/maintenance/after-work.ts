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
import { findOther, insertOthers } from '@/db/aircraft/other-records';
import { insertDiscrepancyOnce } from '@/db/findings/discrepancies';
import { FAULT_NAMES } from '@/explain/names';
import { list, sentenceCase } from '@/explain/wording';
import { changeAircraft, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { ownCertificate, passwordRefusal } from '../kernel/signing';
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
  const faults = [
    ...new Set([
      ...signatureFaults(by, signs, on, authority),
      ...signatureFaults(by, signs, today, authority),
    ]),
  ];
  if (faults.length > 0)
    throw new Refused({
      code: 'invalid',
      message: `This cannot be signed: ${list(faults.map((fault) => FAULT_NAMES[fault]))}.`,
      problems: faults.map((fault) => ({ path: 'certificateId', message: sentenceCase(FAULT_NAMES[fault]) })),
    });
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

/**
 * Records the check flight after work, as it was flown and logged. Where it did not fly as it should, that is a finding of its own, which grounds the
 * aircraft, and the check flight is still to be flown. Source: 14 CFR 91.407(b) (from memory).
 */
export async function recordCheckFlight(
  ports: Ports,
  actor: Actor,
  entry: CheckFlightEntry,
): Promise<Outcome<{ readonly checkFlightId: string; readonly revision: number }>> {
  const denied = denial(actor, 'record-check-flight');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  const { checkFlightId: id, workId, aircraftId, on, result, description } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'record-check-flight',
    entry.seenRevision,
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
      const asItShould = result === 'as-it-should';
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        {
          id,
          kind: 'check-flight',
          happenedAt: recordedAt,
          recordedAt,
          body: { work: workId, recordedAt, on, pilot, asItShould, description },
        },
      ]);
      if (!asItShould) await reportFromCheckFlight(changing, actor, entry);
      return {
        value: { checkFlightId: id },
        ledger: { id, work: workId, on, result, description, certificate: certificateOf(pilot) },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findOther(tx, id))?.aircraftId === aircraftId ? { checkFlightId: id } : null,
    },
  );
}

/** Records that a second person inspected the flight controls, on their own and after the one who did the work. Source: CAR 1988 reg 42G (from memory, less certain). */
export async function recordIndependentInspection(
  ports: Ports,
  actor: Actor,
  entry: IndependentInspectionEntry,
): Promise<Outcome<{ readonly inspectionId: string; readonly revision: number }>> {
  const denied = denial(actor, 'inspect-independently');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  const { inspectionId: id, workId, aircraftId, on, description } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'inspect-independently',
    entry.seenRevision,
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
      return {
        value: { inspectionId: id },
        ledger: { id, work: workId, on, description, certificate: certificateOf(by) },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findOther(tx, id))?.aircraftId === aircraftId ? { inspectionId: id } : null,
    },
  );
}
