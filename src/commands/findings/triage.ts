import type { TriageEntry } from '@/contracts/findings/triage';
import type { Plain } from '@/core/decision/canonical';
import { authorityFor, type Signature } from '@/core/records/club/certificate';
import { type Discrepancy, rectificationFaults, type Triage } from '@/core/records/findings/discrepancy';
import { mergedBy, triaged, watchFaults } from '@/core/records/findings/triage';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { insertOthers } from '@/db/aircraft/other-records';
import type { Changing } from '../kernel/change-aircraft';
import { Refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { enterOnce } from '../kernel/enter-once';
import { certificateOr, ownCertificate, requireNoFaults } from '../kernel/signing';

const invalid = (path: string, message: string): Refused =>
  new Refused({ code: 'invalid', message, problems: [{ path, message }] });

/** Whose rules hold for the aircraft. */
const authorityHere = ({ club, stored }: Changing) =>
  authorityFor(authorityOf(club.packs), stored.facts.aircraft);

/** The open finding of that id. @throws Refused where the aircraft has none such, or it is closed */
function openFinding(changing: Changing, id: string, path: string): Discrepancy {
  const { stored, club, recordedAt } = changing;
  const authority = authorityHere(changing);
  const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authority);
  const found = known.discrepancies.find((one) => one.id === id);
  const closed =
    found?.rectification != null
    && rectificationFaults(found, found.rectification, club.place.zone, authority).length === 0;
  // What is on record and not what its decisions made of it: they are applied once more below.
  const raw = stored.facts.discrepancies.find((one) => one.id === id);
  if (found === undefined || closed || raw === undefined)
    throw invalid(path, 'This finding is not open. Open the list again.');
  return raw;
}

/** Refuses a merge that says nothing, or goes round in a circle. @throws Refused */
function requireMergeable(changing: Changing, finding: Discrepancy, sameAs: string): void {
  if (sameAs === finding.id)
    throw invalid('sameAs', 'A finding is not the same as itself. Choose another one.');
  const other = openFinding(changing, sameAs, 'sameAs');
  if (mergedBy(other) !== null)
    throw invalid('sameAs', 'That finding is the same as another one itself. Choose that other one.');
  if (changing.stored.facts.discrepancies.some((one) => mergedBy(one)?.sameAs === finding.id))
    throw invalid(
      'sameAs',
      'Another finding is held to be the same as this one. Decide about that one instead.',
    );
}

/**
 * Records what somebody who looked at a finding decides about it. Nothing is made available but by a signed
 * decision to watch, by a certificate that its class asks for. Sent twice it is recorded once.
 */
export async function triageFinding(
  ports: Ports,
  actor: Actor,
  entry: TriageEntry,
): Promise<Outcome<{ readonly triageId: string; readonly revision: number }>> {
  const { triageId: id, aircraftId, discrepancyId, decision, note } = entry;
  // What makes an aircraft less available, or leaves it as it is, is not lost to somebody who was faster: only the others say what they
  // had seen.
  return enterOnce(
    ports,
    actor,
    'triage-finding',
    entry,
    { id, value: { triageId: id } },
    async (changing) => {
      const { tx, club, recordedAt } = changing;
      const { zone } = club.place;
      const finding = openFinding(changing, discrepancyId, 'discrepancyId');
      const signedBy: Signature | null =
        entry.decision === 'watch'
          ? { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) }
          : null;
      const triage: Triage = {
        id,
        recordedAt,
        decision,
        signedBy,
        watch:
          entry.decision === 'watch'
            ? { recheckBy: entry.recheckBy, recheckAt: entry.recheckAt, correctBy: entry.correctBy }
            : null,
        sameAs: entry.decision === 'same-as' ? entry.sameAs : null,
      };
      if (entry.decision === 'watch') {
        if (mergedBy(finding) !== null)
          throw invalid(
            'discrepancyId',
            'It is held to be the same as another finding. Decide about that one, or ground this one first.',
          );
        const authority = authorityHere(changing);
        requireNoFaults(
          watchFaults(triaged(finding, zone, authority), triage, zone, authority),
          certificateOr('recheckBy'),
        );
        const today = civilDateAt(recordedAt, zone);
        for (const path of ['recheckBy', 'correctBy'] as const)
          if (entry[path] !== null && entry[path] < today) throw invalid(path, 'This day is over already.');
      }
      if (entry.decision === 'same-as') requireMergeable(changing, finding, entry.sameAs);
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        {
          id,
          kind: 'triage',
          happenedAt: recordedAt,
          recordedAt,
          body: { discrepancy: discrepancyId, triage, by: actor.name, note },
        },
      ]);
      const other =
        triage.sameAs === null
          ? null
          : (changing.stored.facts.discrepancies.find((one) => one.id === triage.sameAs)?.what ?? null);
      return {
        id,
        discrepancy: discrepancyId,
        found: finding.what,
        decision,
        note,
        watch: triage.watch as Plain,
        sameAs: triage.sameAs,
        other,
        certificate:
          signedBy?.certificate == null
            ? null
            : { kind: signedBy.certificate.kind, number: signedBy.certificate.number },
      };
    },
  );
}
