import type { NewMark } from '@/contracts/findings/known-mark';
import { signatureFaults } from '@/core/records/club/certificate';
import { authorityOf } from '@/core/rules/register';
import { catalogueStep } from '@/core/walkround/catalogue';
import { civilDateAt } from '@/core/time/zone';
import { insertOthers, findOther } from '@/db/aircraft/other-records';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { ownCertificate, passwordRefusal, requireNoFaults } from '../kernel/signing';

/**
 * Accepts a lasting mark, so that the walk-round asks whether it is as known. It closes no finding: the person who found it still has an
 * answer.
 */
export async function acceptMark(
  ports: Ports,
  actor: Actor,
  entry: NewMark,
): Promise<Outcome<{ readonly markId: string; readonly revision: number }>> {
  const denied = denial(actor, 'accept-mark');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'accept-mark',
    entry.seenRevision,
    async ({ tx, club, recordedAt }) => {
      const certificate = await ownCertificate(tx, actor, entry.certificateId);
      const today = civilDateAt(recordedAt, club.place.zone);
      requireNoFaults(
        signatureFaults({ name: actor.name, certificate }, 'judgement', today, authorityOf(club.packs)),
        () => 'certificateId',
      );
      const { markId: id, what, size, station, side, step, x, y } = entry;
      if (step !== null && catalogueStep(step)?.station !== station)
        throw new Refused({
          code: 'invalid',
          message:
            'This step looks at another part of the aircraft. Choose one of the part where the mark is.',
          problems: [{ path: 'step', message: 'is of another part' }],
        });
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [
        {
          id,
          kind: 'known-mark',
          happenedAt: recordedAt,
          recordedAt,
          body: { id, what, size, station, side, step, x, y, acceptedBy: actor.name, acceptedOn: today },
        },
      ]);
      return {
        value: { markId: id },
        ledger: {
          id,
          what,
          size,
          station,
          side,
          step,
          x,
          y,
          certificate: { kind: certificate.kind, number: certificate.number },
        },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findOther(tx, entry.markId))?.recordedBy === actor.personId ? { markId: entry.markId } : null,
    },
  );
}
