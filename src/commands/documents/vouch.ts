import type { Vouching } from '@/contracts/documents/vouching';
import { may } from '@/contracts/kernel/permissions';
import { INSPECTION_WORK, type InspectionKind } from '@/core/records/maintenance/inspection';
import {
  authorityFor,
  mayBeSignedBy,
  signatureFaults,
  type CertificateKind,
  type SignedWork,
} from '@/core/records/club/certificate';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { certificatesOf } from '@/db/aircraft/aircraft-documents';
import { storedDate } from '@/db/kernel/checked-values';
import { readMembers } from '@/db/club/people';
import { newerReleaseThan } from '@/db/aircraft/other-records';
import { findWaiting, insertVouchOnce, type WaitingRecord } from '@/db/documents/vouching';
import { changeAircraft, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial, requireAct } from '../kernel/permissions';
import { passwordRefusal } from '../kernel/signing';

/** What somebody would have to be able to sign who vouches for a copy of their own. */
function workOf({ table, kind }: WaitingRecord): SignedWork {
  if (table === 'inspection') return INSPECTION_WORK[kind as InspectionKind];
  return kind === 'release' ? 'maintenance-release' : 'return-to-service';
}

/** Whether somebody has a certificate that could sign such work today. */
async function couldSign(
  { tx, club, stored, recordedAt }: Changing,
  actor: Actor,
  work: SignedWork,
): Promise<boolean> {
  const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
  const today = civilDateAt(recordedAt, club.place.zone);
  return (await certificatesOf(tx, actor.personId)).some((row) => {
    const kind = row.kind as CertificateKind;
    if (!mayBeSignedBy(work, authority).includes(kind)) return false;
    const certificate = {
      kind,
      number: row.number,
      validFrom: storedDate(row.valid_from),
      validUntil: row.valid_until === null ? ('no-expiry' as const) : storedDate(row.valid_until),
    };
    return signatureFaults({ name: actor.name, certificate }, work, today, authority).length === 0;
  });
}

/**
 * Nobody vouches for a copy of their own: two people stand for it. Except a mechanic who could have signed the work, and the
 * administrator of a club in which nobody else is, so that a first aircraft can be entered.
 */
async function looksAgain(changing: Changing, actor: Actor, record: WaitingRecord): Promise<void> {
  if (record.recordedBy !== actor.personId) return;
  if (await couldSign(changing, actor, workOf(record))) return;
  const active = (await readMembers(changing.tx)).filter(({ roles }) => roles.length > 0);
  if (active.length === 1 && actor.roles.includes('administrator')) return;
  throw new Refused({
    code: 'not-entitled',
    message:
      'You made this copy yourself. Somebody else vouches for it: a mechanic or the administrator, who compares it with the document.',
  });
}

/**
 * Vouches for records that wait: copies from paper, by a mechanic or the administrator; what members saw of documents, by the person who may put
 * documents right. From then on they count, and a decision about an earlier moment does not see them.
 */
export async function vouch(
  ports: Ports,
  actor: Actor,
  entry: Vouching,
): Promise<Outcome<{ readonly vouched: number; readonly revision: number }>> {
  if (!may(actor.roles, 'state-documents')) {
    const denied = denial(actor, 'vouch-for-copy');
    if (denied !== null) return refused(denied);
  }
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'vouch',
    entry.seenRevision,
    async (changing) => {
      const { tx, recordedAt } = changing;
      for (const { vouchId, recordId } of entry.records) {
        const record = await findWaiting(tx, recordId);
        if (record?.aircraftId !== entry.aircraftId || record.struck)
          throw new Refused({
            code: 'not-found',
            message: 'There is no such copy on this aircraft, or it was struck out. Load the page again.',
          });
        if (record.vouched !== null)
          throw new Refused({
            code: 'invalid',
            message: `${record.vouched.by} has vouched for this already. Load the page again.`,
            problems: [],
          });
        requireAct(actor, record.table === 'document_sighting' ? 'state-documents' : 'vouch-for-copy');
        if (record.table !== 'document_sighting') await looksAgain(changing, actor, record);
        // A version of the release that was written since would be overtaken: a suspension among them would not count.
        if (
          record.kind === 'release'
          && record.table === 'aircraft_record'
          && (await newerReleaseThan(tx, entry.aircraftId, recordId))
        )
          throw new Refused({
            code: 'invalid',
            message:
              'The maintenance release changed since this was copied. Strike this copy out and copy it again as the document stands now.',
            problems: [],
          });
        const written = await insertVouchOnce(tx, actor.clubId, {
          vouchId,
          aircraftId: entry.aircraftId,
          recordId,
          table: record.table,
          note: entry.note,
          at: recordedAt,
          by: actor,
        });
        if (written === 'there-already')
          throw new Refused({
            code: 'invalid',
            message: 'Somebody vouched for this at the same moment. Load the page again.',
            problems: [],
          });
      }
      return {
        value: { vouched: entry.records.length },
        ledger: { records: entry.records.map(({ recordId }) => recordId), note: entry.note },
      };
    },
    {
      request: entry,
      found: async (tx) => {
        const [first] = entry.records;
        const record = first === undefined ? undefined : await findWaiting(tx, first.recordId);
        return record?.vouched?.by === actor.name && record.aircraftId === entry.aircraftId
          ? { vouched: entry.records.length }
          : null;
      },
    },
  );
}
