import type { ApproveWork, BeginWork, RecordWork } from '@/contracts/maintenance/work';
import type { Plain } from '@/core/decision/canonical';
import {
  authorityFor,
  signatureFaults,
  type Authority,
  type Signature,
} from '@/core/records/club/certificate';
import {
  approvedWork,
  workFaults,
  type WorkApproval,
  type WorkEntry,
} from '@/core/records/maintenance/work-entry';
import { UNSAID_EFFECTS } from '@/core/records/maintenance/work-effects';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt, type ZoneId } from '@/core/time/zone';
import type { Instant } from '@/core/time/instant';
import { insertOthers } from '@/db/aircraft/other-records';
import type { Changing } from '../kernel/change-aircraft';
import { Refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { enterOnce } from '../kernel/enter-once';
import { certificateOr, ownCertificate, requireNoFaults } from '../kernel/signing';

/** Refuses an entry with every fault that it has, so that nothing is signed that would not count. @throws Refused */
export function requireWithoutFault(
  entry: WorkEntry,
  by: Signature,
  {
    zone,
    authority,
    recordedAt,
  }: { readonly zone: ZoneId; readonly authority: Authority; readonly recordedAt: Instant },
): void {
  const today = civilDateAt(recordedAt, zone);
  const signs =
    entry.major === true
      ? 'major-repair-or-alteration'
      : entry.preventive == null
        ? 'return-to-service'
        : 'service';
  // The certificate must hold on the day of the work and on the day of the signature.
  requireNoFaults(
    [...workFaults(entry, zone, authority), ...signatureFaults(by, signs, today, authority)],
    (fault) => certificateOr(fault.startsWith('completed') ? 'on' : 'description')(fault),
  );
}

/** Where and by whose rules it is signed. */
export function signingHere({ stored, club, recordedAt }: Changing) {
  return {
    zone: club.place.zone,
    authority: authorityFor(authorityOf(club.packs), stored.facts.aircraft),
    recordedAt,
  };
}

/** What the ledger keeps of effects and details. */
export const plain = (value: object): Plain => value as unknown as Plain;

/** The certificate as the ledger keeps it. */
export const certificateOf = ({ certificate }: Signature): Plain =>
  certificate === null ? null : { kind: certificate.kind, number: certificate.number };

/** Says that work is begun. From here on the aircraft is grounded until an entry approves the work; it opens nothing. */
export async function beginWork(
  ports: Ports,
  actor: Actor,
  entry: BeginWork,
): Promise<Outcome<{ readonly workId: string; readonly revision: number }>> {
  const { workId: id, aircraftId, description } = entry;
  return enterOnce(
    ports,
    actor,
    'begin-work',
    entry,
    { id: id, value: { workId: id } },
    async ({ tx, recordedAt }) => {
      const body: WorkEntry = {
        id,
        recordedAt,
        completedOn: null,
        description,
        signedBy: null,
        ...UNSAID_EFFECTS,
      };
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        { id, kind: 'work', happenedAt: recordedAt, recordedAt, body },
      ]);
      return { id, description };
    },
  );
}

/**
 * Records work that is done, signed for return to service. It opens nothing by itself: what the work may have changed closes until a check
 * flight, a second inspection or a test answers it. Source of what it needs: 14 CFR 43.9(a), 43.3(g) and 43.7 (from memory).
 */
export async function recordWork(
  ports: Ports,
  actor: Actor,
  entry: RecordWork,
): Promise<Outcome<{ readonly workId: string; readonly revision: number }>> {
  const { workId: id, aircraftId, on, description, effects, major, preventive, details } = entry;
  return enterOnce(
    ports,
    actor,
    'record-work',
    entry,
    { id: id, value: { workId: id } },
    async (changing) => {
      const { tx, recordedAt } = changing;
      const by = { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) };
      const body: WorkEntry = {
        id,
        recordedAt,
        completedOn: on,
        description,
        signedBy: by,
        major,
        preventive,
        ...UNSAID_EFFECTS,
        ...effects,
      };
      requireWithoutFault(body, by, signingHere(changing));
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        { id, kind: 'work', happenedAt: recordedAt, recordedAt, body: { ...body, details } },
      ]);
      return {
        id,
        on,
        description,
        major,
        preventive,
        effects: plain(effects),
        details: plain(details),
        certificate: certificateOf(by),
      };
    },
  );
}

/** The work of that id. @throws Refused where the aircraft has none such */
export function workOnRecord({ stored }: Changing, workId: string): WorkEntry {
  const work = stored.facts.work.find(({ id }) => id === workId);
  if (work === undefined)
    throw new Refused({
      code: 'not-found',
      message: 'The aircraft has no such work on record. Open its page again.',
    });
  return work;
}

/**
 * Approves work on record for return to service, with what nobody had said of it. What was said to be so stays so. Source: 14 CFR 43.9(a)
 * (from memory).
 */
export async function approveWork(
  ports: Ports,
  actor: Actor,
  entry: ApproveWork,
): Promise<Outcome<{ readonly approvalId: string; readonly revision: number }>> {
  const { approvalId: id, workId, aircraftId, on, description, effects, major, details } = entry;
  return enterOnce(
    ports,
    actor,
    'approve-work',
    entry,
    { id: id, value: { approvalId: id } },
    async (changing) => {
      const { tx, recordedAt } = changing;
      const work = workOnRecord(changing, workId);
      const by = { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) };
      const approval: WorkApproval = {
        id,
        recordedAt,
        completedOn: on,
        description,
        signedBy: by,
        major,
        ...effects,
      };
      const here = signingHere(changing);
      const after = approvedWork({ ...work, approvals: [...(work.approvals ?? []), approval] }, here.zone);
      if (after.completedOn !== on)
        throw new Refused({
          code: 'invalid',
          message:
            'The work is on record with a later day than this. Give that day, or the one on which the rest was done.',
          problems: [{ path: 'on', message: 'is before the day on record' }],
        });
      requireWithoutFault(after, by, here);
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        {
          id,
          kind: 'work-approval',
          happenedAt: recordedAt,
          recordedAt,
          body: { ...approval, work: workId, details },
        },
      ]);
      return {
        id,
        work: workId,
        on,
        description,
        major,
        effects: plain(effects),
        details: plain(details),
        certificate: certificateOf(by),
      };
    },
  );
}
