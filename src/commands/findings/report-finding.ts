import type { Finding } from '@/contracts/findings/report-finding';
import { classifyFinding, stepOf } from '@/core/walkround/classify';
import type { Classification } from '@/core/records/findings/discrepancy';
import { lockAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { findDiscrepancy, insertDiscrepancyOnce } from '@/db/findings/discrepancies';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { instantText } from '@/core/time/instant';
import { onlyTheSame, requestDigest } from '../kernel/repeat';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { nextRevision } from '../kernel/next-revision';

export interface FindingReported {
  readonly aircraftId: string;
  readonly registration: string;
  readonly revision: number;
  readonly classification: Classification | null;
  /** False when this finding had already been received. */
  readonly isNew: boolean;
}

/**
 * Records what somebody found on an aircraft. Any member of the club with a role may. It never conflicts with other changes: a finding
 * only ever closes uses, and must not be lost because somebody else was faster. Sending it twice records it once.
 */
export async function reportFinding(
  ports: Ports,
  actor: Actor,
  finding: Finding,
): Promise<Outcome<FindingReported>> {
  const denied = denial(actor, 'report-finding');
  if (denied !== null) return refused(denied);
  const step = finding.step === null ? null : (stepOf(finding.step) ?? null);
  const [recordedAt, request] = [ports.now(), requestDigest(ports, finding)];
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      if (finding.asListed && finding.step === null) {
        throw new Refused({
          code: 'invalid',
          message: 'Choose what it is about, or describe it as something else.',
          problems: [{ path: 'step', message: 'choose what it is' }],
        });
      }
      if (finding.step !== null && step?.station !== finding.station) {
        throw new Refused({
          code: 'invalid',
          message: 'That item does not belong to that part of the aircraft. Choose it again.',
          problems: [{ path: 'step', message: 'choose what it is' }],
        });
      }
      const aircraft = await lockAircraft(tx, finding.aircraftId);
      if (aircraft === undefined)
        throw new Refused({
          code: 'not-found',
          message: 'The club has no such aircraft. Go back and choose it again; what you typed is kept.',
        });
      const { classification, closesUses, equipment } = classifyFinding(
        step,
        finding.asListed,
        finding.looks,
      );
      // Nothing is found after it was entered: a phone whose clock runs ahead gets the time of entry, and the ledger keeps what it said.
      // Refusing it would leave an aircraft open that somebody has found something on.
      const happenedAt = finding.foundAt > recordedAt ? recordedAt : finding.foundAt;
      const written = await insertDiscrepancyOnce(tx, {
        clubId: actor.clubId,
        aircraftId: finding.aircraftId,
        discrepancyId: finding.findingId,
        station: finding.station,
        side: finding.side,
        step: finding.step,
        asListed: finding.asListed,
        what: finding.what,
        looks: finding.looks,
        foundBy: { personId: actor.personId, name: actor.name },
        classification,
        closesUses,
        equipment,
        happenedAt,
        recordedAt,
      });
      const isNew = written === 'written';
      if (!isNew) {
        const known = await findDiscrepancy(tx, finding.findingId);
        if (known?.aircraft_id !== finding.aircraftId || known.found_by !== actor.personId)
          throw new Refused({
            code: 'invalid',
            message: 'Another finding has this id already. Start the report again.',
            problems: [{ path: 'findingId', message: 'is in use' }],
          });
        await onlyTheSame(tx, actor, { id: finding.aircraftId, ...aircraft }, request, null);
        return {
          aircraftId: finding.aircraftId,
          registration: aircraft.registration,
          revision: aircraft.revision,
          classification: null,
          isNew,
        };
      }
      const { revision, withEnded } = await nextRevision(tx, actor, finding.aircraftId, recordedAt);
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId: finding.aircraftId,
          revision,
          act: 'report-finding',
          actor,
          recordedAt,
          request,
          record: withEnded({
            id: finding.findingId,
            station: finding.station,
            side: finding.side,
            step: finding.step,
            asListed: finding.asListed,
            what: finding.what,
            looks: finding.looks,
            classification,
            closesUses,
            equipment,
            happenedAt: instantText(happenedAt),
            phoneSaid: instantText(finding.foundAt),
          }),
        },
        ports.sha256,
      );
      await notifyChange(tx, { club: actor.clubId, aircraft: finding.aircraftId, revision });
      return {
        aircraftId: finding.aircraftId,
        registration: aircraft.registration,
        revision,
        classification,
        isNew,
      };
    }),
  );
}
