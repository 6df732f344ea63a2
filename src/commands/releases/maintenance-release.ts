import type { IssuedRelease, ReleaseChange } from '@/contracts/releases/maintenance-release';
import type { Plain } from '@/core/decision/canonical';
import { signatureFaults, type Signature, type SignedWork } from '@/core/records/club/certificate';
import { latestRelease, type MaintenanceRelease } from '@/core/records/maintenance/work-entry';
import { authorityOf } from '@/core/rules/register';
import type { CivilDate } from '@/core/time/civil-date';
import { civilDateAt } from '@/core/time/zone';
import { findOther, insertOthers } from '@/db/aircraft/other-records';
import { changeAircraft, laterThan, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial, requireAct } from '../kernel/permissions';
import { passwordRefusal, requireNoFaults, signatureBy } from '../kernel/signing';

const invalid = (path: string, message: string) =>
  new Refused({ code: 'invalid', message, problems: [{ path, message }] });

/** A release counts only where the club's rules know it. */
function inAustralia({ club }: Changing): void {
  if (authorityOf(club.packs) !== 'au')
    throw invalid('releaseId', 'This club’s rules know no maintenance release.');
}

/** A signature that must hold on the day of the work, and today where it is given here. @throws Refused with what is wrong */
async function soundSignature(
  changing: Changing,
  actor: Actor,
  signer: IssuedRelease['signer'],
  work: SignedWork,
  on: CivilDate,
): Promise<Signature> {
  const { tx, club, recordedAt } = changing;
  const authority = authorityOf(club.packs);
  const today = civilDateAt(recordedAt, club.place.zone);
  if (on > today) throw invalid('on', 'This day has not come yet.');
  const by = await signatureBy(tx, actor, signer);
  requireNoFaults(
    [
      ...signatureFaults(by, work, on, authority),
      ...(signer.by === 'own-certificate' ? signatureFaults(by, work, today, authority) : []),
    ],
    () => 'signer',
  );
  return by;
}

async function write(
  changing: Changing,
  actor: Actor,
  aircraftId: string,
  body: MaintenanceRelease,
  copied: boolean,
): Promise<void> {
  const { tx } = changing;
  await insertOthers(
    tx,
    actor.clubId,
    aircraftId,
    actor.personId,
    [{ id: body.id, kind: 'release', happenedAt: body.recordedAt, recordedAt: body.recordedAt, body }],
    copied,
  );
}

const repeat = (entry: { readonly entryId: string; readonly aircraftId: string }) => ({
  request: entry,
  found: async (tx: Changing['tx']) =>
    (await findOther(tx, entry.entryId))?.aircraftId === entry.aircraftId ? { entryId: entry.entryId } : null,
});

/**
 * Enters a maintenance release: signed here by a licensed engineer, or copied from the document by the person who keeps the records.
 * Source: CAR 1988 regs 43 and 45 (from memory, less certain than the American rules).
 */
export async function issueRelease(
  ports: Ports,
  actor: Actor,
  entry: IssuedRelease,
): Promise<Outcome<{ readonly entryId: string; readonly revision: number }>> {
  const copied = entry.signer.by === 'copied-from-logbook';
  const denied = denial(actor, copied ? 'copy-entry' : 'sign-release');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  const { entryId, aircraftId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'issue-release',
    entry.seenRevision,
    async (changing) => {
      inAustralia(changing);
      const { recordedAt } = changing;
      const signedBy = await soundSignature(
        changing,
        actor,
        entry.signer,
        'maintenance-release',
        entry.issuedOn,
      );
      await write(
        changing,
        actor,
        aircraftId,
        {
          id: entryId,
          recordedAt,
          registrationShown: entry.registrationShown,
          issuedOn: entry.issuedOn,
          issuedAt: entry.issuedAt,
          expiresOn: entry.expiresOn,
          expiresAt: entry.expiresAt,
          signedBy,
          aboard: entry.aboard,
          standing: 'in-force',
          required: entry.required.map((one) => ({ ...one, certified: null })),
        },
        copied,
      );
      return {
        value: { entryId },
        ledger: {
          id: entryId,
          issuedOn: entry.issuedOn,
          expiresOn: entry.expiresOn,
          expiresAt: entry.expiresAt,
          registrationShown: entry.registrationShown,
          required: entry.required.map(({ what }) => what),
          copied,
          signed: {
            name: signedBy.name,
            kind: signedBy.certificate?.kind ?? null,
            number: signedBy.certificate?.number ?? null,
          },
        },
      };
    },
    repeat(entry),
  );
}

/** The release as it stands after a change. */
async function changed(
  changing: Changing,
  actor: Actor,
  before: MaintenanceRelease,
  { entryId, change }: ReleaseChange,
): Promise<MaintenanceRelease> {
  // Never before the version that it takes the place of: with a clock that was set back, a suspension would not count.
  const after = { ...before, id: entryId, recordedAt: laterThan(before.recordedAt, changing.recordedAt) };
  switch (change.to) {
    case 'suspended':
    case 'cancelled':
      if (before.standing === 'cancelled') throw invalid('change', 'This release was cancelled already.');
      return { ...after, standing: change.to };
    case 'seen': {
      // Somebody without a desk or workshop role confirms that it is still there; what was missing, or another's, they do not corrected.
      const better =
        (change.aboard && before.aboard !== true)
        || (change.registrationShown !== null
          && change.registrationShown !== before.registrationShown
          && change.registrationShown === changing.registration);
      if (better) requireAct(actor, 'state-documents');
      return {
        ...after,
        aboard: change.aboard,
        registrationShown: change.registrationShown ?? before.registrationShown,
      };
    }
    case 'required':
      return {
        ...after,
        required: [
          ...before.required,
          { id: entryId, what: change.what, by: change.by, at: change.at, certified: null },
        ],
      };
    case 'done': {
      const one = before.required.find(({ id }) => id === change.required);
      if (one === undefined || one.certified !== null)
        throw invalid(
          'change.required',
          'There is no such open entry on the release. Open the folder again.',
        );
      const by = await soundSignature(changing, actor, change.signer, 'return-to-service', change.on);
      return {
        ...after,
        required: before.required.map((entry) =>
          entry.id === one.id
            ? { ...entry, certified: { recordedAt: changing.recordedAt, on: change.on, by } }
            : entry,
        ),
      };
    }
    case 'in-force':
      if (before.standing !== 'suspended')
        throw invalid(
          'change',
          'Only a suspended release comes into force again; a cancelled one is replaced.',
        );
      await soundSignature(
        changing,
        actor,
        change.signer,
        'maintenance-release',
        civilDateAt(changing.recordedAt, changing.club.place.zone),
      );
      return { ...after, standing: 'in-force' };
    default: {
      const missing: never = change;
      throw new RangeError(`no such change: ${JSON.stringify(missing)}`);
    }
  }
}

/**
 * Changes what is said of a release: suspended, cancelled, seen aboard or not, work added to its list, work done, in force again. What
 * opens something is signed by a certificate that counts; the release as it stood before stays on record.
 */
export async function changeRelease(
  ports: Ports,
  actor: Actor,
  entry: ReleaseChange,
): Promise<Outcome<{ readonly entryId: string; readonly revision: number }>> {
  const { change, entryId, aircraftId } = entry;
  const denied = denial(
    actor,
    change.to === 'seen'
      ? 'see-release'
      : 'signer' in change
        ? change.signer.by === 'copied-from-logbook'
          ? 'copy-entry'
          : 'sign-release'
        : 'keep-release',
  );
  if (denied !== null) return refused(denied);
  if ('signer' in change) {
    const wrong = await passwordRefusal(ports, actor, change.password);
    if (wrong !== null) return refused(wrong);
  }
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'change-release',
    entry.seenRevision,
    async (changing) => {
      inAustralia(changing);
      const before = latestRelease(changing.stored.facts.releases, changing.club.place.zone);
      if (before?.id !== entry.releaseId)
        throw invalid('releaseId', 'This is not the release that counts. Open the folder again.');
      const after = await changed(changing, actor, before, entry);
      await write(
        changing,
        actor,
        aircraftId,
        after,
        'signer' in change && change.signer.by === 'copied-from-logbook',
      );
      const told: Plain = {
        to: change.to,
        why: 'why' in change ? change.why : null,
        what:
          change.to === 'required'
            ? change.what
            : change.to === 'done'
              ? (before.required.find(({ id }) => id === change.required)?.what ?? null)
              : null,
        aboard: change.to === 'seen' ? change.aboard : null,
      };
      return { value: { entryId }, ledger: { id: entryId, of: before.id, ...told } };
    },
    repeat(entry),
  );
}
