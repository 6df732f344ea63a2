import type { StrikeEntry } from '@/contracts/maintenance/corrections';
import {
  authorityFor,
  mayBeSignedBy,
  signatureFaults,
  type CertificateKind,
  type SignedWork,
} from '@/core/records/club/certificate';
import { INSPECTION_WORK } from '@/core/records/maintenance/inspection';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { certificatesOf, findDocumentCheck, documentsOf } from '@/db/aircraft/aircraft-documents';
import { storedDate } from '@/db/kernel/checked-values';
import { currentDials } from '@/db/meters/dials';
import { boxesOf } from '@/db/meters/meter-boxes';
import { findOther } from '@/db/aircraft/other-records';
import { dialReadings, findReading } from '@/db/meters/readings';
import { insertStrikeOnce } from '@/db/aircraft/strikes';
import { findWaiting } from '@/db/documents/vouching';
import { meterText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { changeAircraft, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { passwordRefusal } from '../kernel/signing';
import { strikeStretchOfEntry } from '../meters/unlogged';

/** Nothing of that id is there. */
export const gone = () =>
  new Refused({
    code: 'not-found',
    message: 'There is no such entry on this aircraft. Open its folder again.',
  });

/** Strikes one entry, or ends because somebody else struck out it first. */
export async function strike(
  { tx, recordedAt }: Changing,
  ports: Ports,
  actor: Actor,
  aircraftId: string,
  record: {
    readonly id: string;
    readonly kind: StrikeEntry['kind'];
    readonly replacedBy: string | null;
    readonly why: string;
  },
  strikeId = ports.newId(),
): Promise<void> {
  if (
    (await insertStrikeOnce(tx, actor.clubId, aircraftId, actor, {
      id: strikeId,
      recordedAt,
      record: record.id,
      kind: record.kind,
      why: record.why,
      replacedBy: record.replacedBy,
    })) === 'there-already'
  ) {
    throw new Refused({
      code: 'invalid',
      message: 'This entry was struck out already. Open the folder again.',
      problems: [{ path: 'recordId', message: 'was struck out already' }],
    });
  }
}

/** Whether a signed entry may be struck out by this person: the person who recorded it, or somebody who could sign such work today. */
async function mayStrikeSigned(
  { tx, club, stored, recordedAt }: Changing,
  actor: Actor,
  work: SignedWork,
  recordedBy: string,
  approved: boolean,
): Promise<boolean> {
  const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
  const today = civilDateAt(recordedAt, club.place.zone);
  const entitled = (await certificatesOf(tx, actor.personId)).some(
    (row) =>
      mayBeSignedBy(work, authority).includes(row.kind as CertificateKind)
      && signatureFaults(
        {
          name: actor.name,
          certificate: {
            kind: row.kind as CertificateKind,
            number: row.number,
            validFrom: storedDate(row.valid_from),
            validUntil: row.valid_until === null ? 'no-expiry' : storedDate(row.valid_until),
          },
        },
        work,
        today,
        authority,
      ).length === 0,
  );
  // What found the aircraft not airworthy is only taken away by somebody who could say the opposite.
  return entitled || (approved && recordedBy === actor.personId);
}

/** Whether a record of this aircraft waits for somebody to vouch for it. */
async function waits({ tx }: Changing, aircraftId: string, recordId: string): Promise<boolean> {
  const record = await findWaiting(tx, recordId);
  return record?.aircraftId === aircraftId && record.vouched === null;
}

/** What an entry says, for the ledger, after looking whether this person may strike it. */
async function entitledTo(
  changing: Changing,
  actor: Actor,
  { kind, recordId, aircraftId }: StrikeEntry,
): Promise<string> {
  const { tx, stored } = changing;
  const denied = new Refused({
    code: 'not-entitled',
    message:
      'Only the person who recorded it, or somebody who may sign such work, strikes this entry. One that refused the aircraft is struck out only by somebody who may sign such work.',
  });
  switch (kind) {
    case 'reading': {
      const reading = await findReading(tx, recordId);
      if (reading?.aircraftId !== aircraftId) throw gone();
      const dial = (await currentDials(tx, aircraftId)).find(({ id }) => id === reading.dialId);
      // With nothing left to compare the next reading with, hours that nobody wrote down would go unseen.
      if (
        dial !== undefined
        && (await dialReadings(tx, dial.id, reading.meter)).every(({ id }) => id === recordId)
      )
        throw new Refused({
          code: 'invalid',
          message: `This is all that is on record of ${dial.name}. Write what it really showed instead.`,
          problems: [{ path: 'recordId', message: 'correct it instead' }],
        });
      return `${METER_NAMES_IN_WORDS[reading.meter]} ${meterText(reading.meter, reading.value)}`;
    }
    case 'document-check': {
      const documentCheck = await findDocumentCheck(tx, recordId);
      if (documentCheck?.aircraft_id !== aircraftId) throw gone();
      if (await waits(changing, aircraftId, recordId)) return `document check of ${documentCheck.kind}`;
      // What was seen last is not wished away, and what ended a registration even less: the document is re-checked, and that outweighs it.
      const latest = (await documentsOf(tx, aircraftId)).some((paper) => paper.sighting_id === recordId);
      if (latest || documentCheck.ended_on !== null)
        throw new Refused({
          code: 'invalid',
          message:
            'This is what somebody saw last of this document. Look at it again and record what you see; that outweighs it.',
          problems: [{ path: 'recordId', message: 'look at the document again' }],
        });
      return `document check of ${documentCheck.kind}`;
    }
    case 'inspection': {
      const inspection = stored.facts.inspections.find(({ id }) => id === recordId);
      const row = await tx
        .selectFrom('inspection')
        .select('recorded_by')
        .where('inspection_id', '=', recordId)
        .executeTakeFirst();
      // A copy that nobody has vouched for opens nothing, so the people who keep the records take it back.
      if (inspection !== undefined && (await waits(changing, aircraftId, recordId)))
        return `copy of ${inspection.kind} of ${inspection.completedOn}`;
      if (inspection === undefined || row === undefined) throw gone();
      if (
        !(await mayStrikeSigned(
          changing,
          actor,
          INSPECTION_WORK[inspection.kind],
          row.recorded_by,
          inspection.outcome === 'approved',
        ))
      )
        throw denied;
      return `${inspection.kind} of ${inspection.completedOn}`;
    }
    case 'item':
    case 'ad': {
      const other = await findOther(tx, recordId);
      if (other?.aircraftId !== aircraftId || other.kind !== kind) throw gone();
      // Without it the aircraft may fly on: that is for the person who may say so by their certificate.
      if (!(await mayStrikeSigned(changing, actor, 'return-to-service', '', false)))
        throw new Refused({
          code: 'not-entitled',
          message:
            'Only a mechanic whose certificate returns aircraft to service strikes an item or an AD: without it the aircraft may fly on.',
        });
      return kind;
    }
    case 'box': {
      const box = (await boxesOf(tx, aircraftId)).find(({ boxId }) => boxId === recordId);
      if (box === undefined) throw gone();
      // Without what it counted limits move away.
      if (!(await mayStrikeSigned(changing, actor, 'return-to-service', '', false)))
        throw new Refused({
          code: 'not-entitled',
          message:
            'Only a mechanic whose certificate returns aircraft to service strikes what a box counted: without it limits move away.',
        });
      return `what ${box.name} counted`;
    }
    case 'done':
    case 'compliance':
    case 'list-cleared':
    case 'known-mark': {
      if (await waits(changing, aircraftId, recordId)) return kind;
      const other = await findOther(tx, recordId);
      // What was brought in with an item or an AD has no row of its own, and nobody here who recorded it.
      const within =
        (kind === 'done' ? stored.facts.items : kind === 'compliance' ? stored.facts.ads : null)?.some(
          ({ done }) => done.some(({ id }) => id === recordId),
        ) ?? false;
      if (!within && (other?.aircraftId !== aircraftId || other.kind !== kind)) throw gone();
      if (!(await mayStrikeSigned(changing, actor, 'return-to-service', other?.recordedBy ?? '', true)))
        throw denied;
      return kind;
    }
    default: {
      const missing: never = kind;
      throw new RangeError(`no such kind: ${String(missing)}`);
    }
  }
}

/** Strikes an entry that should not have been written. It stays readable, with who struck out it and why. */
export async function strikeEntry(
  ports: Ports,
  actor: Actor,
  entry: StrikeEntry,
): Promise<Outcome<{ readonly strikeId: string; readonly revision: number }>> {
  const denied = denial(actor, 'correct-records');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(ports, actor, entry.aircraftId, 'strike', entry.seenRevision, async (changing) => {
    const what = await entitledTo(changing, actor, entry);
    await strike(
      changing,
      ports,
      actor,
      entry.aircraftId,
      { id: entry.recordId, kind: entry.kind, replacedBy: null, why: entry.why },
      entry.strikeId,
    );
    if (entry.kind === 'inspection' || entry.kind === 'done' || entry.kind === 'compliance')
      await strikeStretchOfEntry(ports, actor, changing, entry.aircraftId, entry.recordId, entry.why);
    return {
      value: { strikeId: entry.strikeId },
      ledger: { id: entry.strikeId, kind: entry.kind, record: entry.recordId, what, why: entry.why },
    };
  });
}
