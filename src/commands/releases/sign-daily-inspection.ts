import type { DailySignature } from '@/contracts/releases/maintenance-release';
import { signatureFaults } from '@/core/records/club/certificate';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt, startOfDay } from '@/core/time/zone';
import { dayBefore } from '@/db/releases/day-before';
import { insertOthers } from '@/db/aircraft/other-records';
import type { Plain } from '@/core/decision/canonical';
import { Refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { enterOnce } from '../kernel/enter-once';
import { requireWholeList } from './whole-list';
import { ownCertificate, requireNoFaults } from '../kernel/signing';

/**
 * Signs the daily inspection of today at the field, once, by an own certificate, with the figures of the last day flown carried over.
 * Source: CAR 1988 Schedule 5 part 1 (from memory); what is carried over is common practice, no source.
 */
export async function signDailyInspection(
  ports: Ports,
  actor: Actor,
  entry: DailySignature,
): Promise<Outcome<{ readonly entryId: string; readonly revision: number }>> {
  const { entryId, aircraftId } = entry;
  return enterOnce(
    ports,
    actor,
    'sign-daily-inspection',
    entry,
    { id: entryId, value: { entryId } },
    async ({ tx, club, stored, registration, recordedAt }) => {
      const authority = authorityOf(club.packs);
      if (authority !== 'au')
        throw new Refused({
          code: 'invalid',
          message: 'This club’s rules ask for no daily inspection.',
          problems: [],
        });
      const { zone } = club.place;
      const today = civilDateAt(recordedAt, zone);
      const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authority);
      const signed = known.dailyInspections.find(
        ({ on, signedBy }) =>
          on === today && signatureFaults(signedBy, 'daily-inspection', on, authority).length === 0,
      );
      if (signed !== undefined)
        throw new Refused({
          code: 'invalid',
          message: `The daily inspection of ${registration} was signed today by ${signed.signedBy?.name ?? 'somebody'} already. It holds until midnight at the field.`,
          problems: [],
        });
      const signedBy = {
        name: actor.name,
        certificate: await ownCertificate(tx, actor, entry.certificateId),
      };
      requireNoFaults(signatureFaults(signedBy, 'daily-inspection', today, authority), () => 'certificateId');
      await requireWholeList(tx, actor, stored, startOfDay(today, zone));
      const service = known.accounted['time-in-service'];
      const carried = await dayBefore(
        tx,
        aircraftId,
        zone,
        today,
        service.state === 'known' ? service.value : null,
      );
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        {
          id: entryId,
          kind: 'daily-inspection',
          happenedAt: recordedAt,
          recordedAt,
          body: { id: entryId, recordedAt, on: today, signedBy, carried },
        },
      ]);
      return {
        id: entryId,
        on: today,
        carried: carried as unknown as Plain,
        certificate: { kind: signedBy.certificate.kind, number: signedBy.certificate.number },
      };
    },
  );
}
