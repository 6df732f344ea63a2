import type { FuelClearance } from '@/contracts/findings/clear-fuel';
import { authorityFor } from '@/core/records/club/certificate';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { insertOthers } from '@/db/aircraft/other-records';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { ownCertificate, passwordRefusal, requireReturnable } from '../kernel/signing';

/**
 * Signs that suspect fuel was dealt with, or that a mechanic looked at the oil use: what was drained, flushed or found, for each cup and each fuelling that it is about.
 * Draining again does not cure it; and after this each drain is sampled again. Common practice, no source.
 */
export async function clearFuel(
  ports: Ports,
  actor: Actor,
  entry: FuelClearance,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'clear-fuel');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'clear-fuel',
    entry.seenRevision,
    async ({ tx, club, stored, recordedAt }) => {
      const { ramp } = stored.facts;
      const records = [...(ramp?.samples ?? []), ...(ramp?.uplifts ?? [])].filter(({ id }) =>
        entry.records.includes(id),
      );
      if (records.length < new Set(entry.records).size || records.some(({ cleared }) => cleared != null))
        throw new Refused({
          code: 'not-found',
          message: 'This fuel was dealt with already, or its record is not there. Open the page again.',
        });
      const by = { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) };
      const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
      const { zone } = club.place;
      const today = civilDateAt(recordedAt, zone);
      requireReturnable(
        by,
        { on: entry.on, today },
        authority,
        records.some(({ happenedAt }) => entry.on < civilDateAt(happenedAt, zone))
          ? ['completed-before-found']
          : [],
      );
      const { on, description } = entry;
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [
        {
          id: entry.clearanceId,
          kind: 'fuel-cleared',
          happenedAt: recordedAt,
          recordedAt,
          body: { records: records.map(({ id }) => id), recordedAt, on, by, description },
        },
      ]);
      return {
        value: {},
        ledger: {
          id: entry.clearanceId,
          records: records.map(({ id }) => id),
          on,
          description,
          certificate: { kind: by.certificate.kind, number: by.certificate.number },
        },
      };
    },
  );
}
