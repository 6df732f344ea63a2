import type { ListClearance } from '@/contracts/documents/document-check';
import { authorityFor } from '@/core/records/club/certificate';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { insertOthers } from '@/db/aircraft/other-records';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { ownCertificate, passwordRefusal, requireReturnable } from '../kernel/signing';
import { requireItemsClosed } from './inspection-list';

/** Signs that every item of an inspection's list was cleared and the aircraft is approved. Source: 14 CFR 43.11(b) and 91.405 (from memory). */
export async function clearList(
  ports: Ports,
  actor: Actor,
  entry: ListClearance,
): Promise<Outcome<{ readonly revision: number }>> {
  const denied = denial(actor, 'clear-list');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'clear-list',
    entry.seenRevision,
    async ({ tx, club, stored, recordedAt }) => {
      const inspection = stored.facts.inspections.find(({ id }) => id === entry.inspection);
      if (inspection?.outcome !== 'discrepancies-listed' || inspection.listCleared !== null)
        throw new Refused({
          code: 'not-found',
          message: 'There is no open list of this inspection. Open the folder again.',
        });
      requireItemsClosed(
        // As they are known now: one that is the same as another is closed with it.
        knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs)).discrepancies,
        inspection,
      );
      const by = { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) };
      const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
      const today = civilDateAt(recordedAt, club.place.zone);
      requireReturnable(
        by,
        { on: entry.on, today },
        authority,
        entry.on < inspection.completedOn ? ['cleared-before-inspection'] : [],
      );
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [
        {
          id: entry.clearanceId,
          kind: 'list-cleared',
          happenedAt: recordedAt,
          recordedAt,
          body: {
            inspection: entry.inspection,
            recordedAt,
            on: entry.on,
            by,
            description: entry.description,
          },
        },
      ]);
      return {
        value: {},
        ledger: {
          id: entry.clearanceId,
          inspection: entry.inspection,
          kind: inspection.kind,
          on: entry.on,
          description: entry.description,
          certificate: { kind: by.certificate.kind, number: by.certificate.number },
        },
      };
    },
  );
}
