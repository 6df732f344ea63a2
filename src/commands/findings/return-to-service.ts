import type { ReturnToService } from '@/contracts/findings/return-to-service';
import { authorityFor, signatureFaults } from '@/core/records/club/certificate';
import { authorityOf } from '@/core/rules/register';
import {
  closedAs,
  closingWork,
  rectificationFaults,
  type Rectification,
} from '@/core/records/findings/discrepancy';
import type { Plain } from '@/core/decision/canonical';
import { workWithEffects } from '@/core/records/maintenance/work-effects';
import { triaged } from '@/core/records/findings/triage';
import { civilDateAt } from '@/core/time/zone';
import { loadAircraft, lockAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { insertOthers } from '@/db/aircraft/other-records';
import { readClub } from '@/db/club/clubs';
import { findDiscrepancy, insertRectification } from '@/db/findings/discrepancies';
import { appendToLedger, readHistory } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { onlyTheSame, requestDigest } from '../kernel/repeat';
import { certificateOr, ownCertificate, passwordRefusal, requireNoFaults } from '../kernel/signing';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { nextRevision } from '../kernel/next-revision';

export interface Returned {
  readonly aircraftId: string;
  readonly revision: number;
  /** False when this entry had already been received. */
  readonly isNew: boolean;
}

/** Roles that may open the signing form at all; the certificate then decides about the signature. */
const SIGNING_ROLES = ['mechanic', 'instructor'];
/** So many entries of an aircraft's history are shown to somebody whose view was stale. */
const MOST_CHANGES = 20;

/**
 * Records what was done about a discrepancy and signs it. The signer needs a role in the club that may sign, a certificate on
 * record that is valid on the day of the work and entitles to it, and the password again. Refused when the aircraft changed
 * since the signer looked: a signature must not cover what its signer has not seen.
 */
export async function returnToService(
  ports: Ports,
  actor: Actor,
  entry: ReturnToService,
): Promise<Outcome<Returned>> {
  if (!actor.roles.some((role) => SIGNING_ROLES.includes(role))) {
    return refused({
      code: 'not-entitled',
      message:
        'Only a mechanic, or an instructor for what instructors judge, can close a finding. Ask one of them.',
    });
  }
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  const [recordedAt, request] = [ports.now(), requestDigest(ports, entry)];
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      const found = await findDiscrepancy(tx, entry.discrepancyId);
      if (found === undefined)
        throw new Refused({
          code: 'not-found',
          message: 'The club has no such finding. Open the aircraft’s page again.',
        });
      const aircraft = await lockAircraft(tx, found.aircraft_id);
      if (aircraft === undefined)
        throw new Refused({ code: 'not-found', message: 'The club has no such aircraft.' });
      const now = await findDiscrepancy(tx, entry.discrepancyId);
      if (now?.rectification_id === entry.rectificationId && now.recorded_by === actor.personId) {
        await onlyTheSame(tx, actor, { id: found.aircraft_id, ...aircraft }, request, entry.seenRevision);
        return { aircraftId: found.aircraft_id, revision: aircraft.revision, isNew: false };
      }
      if (aircraft.revision !== entry.seenRevision || now?.rectification_id != null) {
        const changes = await readHistory(tx, found.aircraft_id, MOST_CHANGES, entry.seenRevision);
        throw new Refused({
          code: 'conflict',
          message: `${aircraft.registration} changed while you were writing. Nothing was signed; what you wrote is kept. Look at the changes, then sign again.`,
          revision: aircraft.revision,
          changes,
        });
      }
      const certificate = await ownCertificate(tx, actor, entry.certificateId);
      const club = await readClub(tx, actor.clubId);
      const [before] = await loadAircraft(tx, club.place, found.aircraft_id, true);
      const authority = authorityFor(authorityOf(club.packs), {
        category: before?.facts.aircraft.category ?? null,
      });
      const reported = before?.facts.discrepancies.find(({ id }) => id === entry.discrepancyId);
      // By the class that the decisions about it have given it: one that was grounded since is closed as such.
      const discrepancy = reported === undefined ? undefined : triaged(reported, club.place.zone, authority);
      if (discrepancy === undefined)
        throw new Refused({
          code: 'not-found',
          message: 'This finding is not open. Open the aircraft’s page again.',
        });
      if (closedAs(discrepancy) === 'tell-instructor' && found.found_by === actor.personId) {
        throw new Refused({
          code: 'not-entitled',
          message: 'You reported this yourself; somebody else who is entitled has to judge it.',
        });
      }
      const { work, description, completedOn } = entry;
      const rectification = {
        id: entry.rectificationId,
        recordedAt,
        work,
        description,
        completedOn,
        signedBy: { name: actor.name, certificate },
      } satisfies Rectification;
      const today = civilDateAt(recordedAt, club.place.zone);
      const signs = closingWork(work, closedAs(discrepancy));
      // The certificate must hold on the day of the work and on the day of the signature.
      requireNoFaults(
        [
          ...rectificationFaults(discrepancy, rectification, club.place.zone, authority),
          ...(signs === null ? [] : signatureFaults(rectification.signedBy, signs, today, authority)),
        ],
        (fault) => {
          if (fault.startsWith('completed')) return 'completedOn';
          return certificateOr(fault.startsWith('work') ? 'work' : 'description')(fault);
        },
      );
      const { kind, number } = certificate;
      await insertRectification(tx, {
        clubId: actor.clubId,
        discrepancyId: entry.discrepancyId,
        signatureId: ports.newId(),
        signer: actor,
        certificate,
        rectification,
        closes: true,
      });
      const { effects, workId } = entry;
      const body = workWithEffects(
        { id: workId, recordedAt, completedOn, description, signedBy: rectification.signedBy },
        effects ?? undefined,
      );
      // What the repair may have changed is judged as any work is: the check flight and the second inspection hang on it.
      if (body !== null) {
        await insertOthers(tx, actor.clubId, found.aircraft_id, actor.personId, [
          { id: workId, kind: 'work', happenedAt: recordedAt, recordedAt, body },
        ]);
      }
      const { revision, withEnded } = await nextRevision(tx, actor, found.aircraft_id, recordedAt);
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId: found.aircraft_id,
          revision,
          act: 'return-to-service',
          actor,
          recordedAt,
          request,
          record: withEnded({
            id: entry.rectificationId,
            discrepancy: entry.discrepancyId,
            found: found.what,
            work,
            description,
            completedOn,
            effects: effects as Plain,
            workRecord: body === null ? null : workId,
            certificate: { kind, number },
          }),
        },
        ports.sha256,
      );
      await notifyChange(tx, { club: actor.clubId, aircraft: found.aircraft_id, revision });
      return { aircraftId: found.aircraft_id, revision, isNew: true };
    }),
  );
}
