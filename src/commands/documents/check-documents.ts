import type { DocumentCheckRound } from '@/contracts/documents/document-check';
import { may } from '@/contracts/kernel/permissions';
import { latestDocumentCheck, type AircraftDocument } from '@/core/records/documents/document';
import { memberDocumentCheck } from '@/core/records/documents/member-document-check';
import { instantText, type Instant } from '@/core/time/instant';
import { documentsOf, documentCheckExists } from '@/db/aircraft/aircraft-documents';
import { insertDocumentChecks } from '@/db/aircraft/folder-rows';
import { findWaiting } from '@/db/documents/vouching';
import { changeAircraft, type Changing } from '../kernel/change-aircraft';
import { refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

type Seen = DocumentCheckRound['documentChecks'][number];

/** A document check as the core knows it: of each kind only what such a document has. */
export function documentOf(seen: Seen, happenedAt: Instant, recordedAt: Instant): AircraftDocument {
  const base = {
    id: seen.documentCheckId,
    happenedAt,
    recordedAt,
    aboard: seen.aboard,
    legible: seen.aboard ? seen.legible : null,
  };
  switch (seen.kind) {
    case 'airworthiness-certificate':
      return {
        ...base,
        kind: seen.kind,
        registrationShown: seen.registrationShown,
        displayed: seen.displayed,
      };
    case 'registration-certificate':
      return {
        ...base,
        kind: seen.kind,
        registrationShown: seen.registrationShown,
        issuedOn: seen.issuedOn,
        printedExpiry: seen.printedExpiry,
        ...(seen.temporary === null ? {} : { temporary: seen.temporary }),
        ended: null,
      };
    case 'operating-limitations':
      return {
        ...base,
        kind: seen.kind,
        form: seen.form,
        revision: seen.revision,
        serialShown: seen.serialShown,
        placards: seen.placards,
      };
    case 'weight-and-balance':
      return { ...base, kind: seen.kind, datedOn: seen.datedOn };
    case 'radio-licence':
      return { ...base, kind: seen.kind };
    case 'cabin-tank-form-337':
      return { ...base, kind: seen.kind, tankFitted: seen.tankFitted };
    default: {
      const missing: never = seen.kind;
      throw new RangeError(`no such document: ${String(missing)}`);
    }
  }
}

/** A document as it is written: what was seen of it, and whether it waits for somebody to vouch for it. */
type Written = AircraftDocument & {
  readonly keptWhere: string | null;
  readonly number: string | null;
  readonly awaitsVouch: boolean;
};

/** What of one document check counts at once and what waits, by who saw it. */
async function writtenOf(
  ports: Ports,
  actor: Actor,
  { tx, stored, recordedAt }: Changing,
  seen: Seen,
  happenedAt: Instant,
): Promise<readonly Written[]> {
  const document = documentOf(seen, happenedAt, recordedAt);
  const whole = { ...document, keptWhere: seen.keptWhere, number: seen.number, awaitsVouch: false };
  if (may(actor.roles, 'state-documents')) return [whole];
  const { registration, particulars } = stored.facts.aircraft;
  const { counts, waits } = memberDocumentCheck(
    latestDocumentCheck(stored.facts.documents, seen.kind),
    document,
    { registration, serialNumber: particulars.serialNumber, manualRevision: particulars.manualRevision },
  );
  const known = (await documentsOf(tx, stored.aircraftId)).find(({ kind }) => kind === seen.kind);
  const number = known?.number ?? null;
  // Another number than the one on record is told, and does not replace it.
  const otherNumber = seen.number !== null && seen.number !== '' && seen.number !== number;
  if (!waits && !otherNumber) return [whole];
  return [
    ...(counts === null
      ? []
      : [
          {
            ...counts,
            id: ports.newId(),
            keptWhere: seen.keptWhere ?? known?.kept_where ?? null,
            number,
            awaitsVouch: false,
          },
        ]),
    { ...whole, awaitsVouch: true },
  ];
}

/**
 * Records what somebody saw of an aircraft's documents in one pass. Any member with a role may: what is missing or belongs to another
 * aircraft closes its uses at once, and what is still there is confirmed. What a member sees beyond that (a document that was missing or
 * expired, another date, another number) waits for a dispatcher or mechanic, who sees the photo.
 */
export async function checkDocuments(
  ports: Ports,
  actor: Actor,
  round: DocumentCheckRound,
): Promise<Outcome<{ readonly waiting: readonly string[]; readonly revision: number }>> {
  const denied = denial(actor, 'check-documents');
  if (denied !== null) return refused(denied);
  const { aircraftId, seenAt, documentChecks } = round;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'check-documents',
    null,
    async (changing) => {
      const { tx, recordedAt } = changing;
      // A phone whose clock runs ahead gets the time of entry.
      const happenedAt = seenAt > recordedAt ? recordedAt : seenAt;
      const written: Written[] = [];
      for (const seen of documentChecks)
        written.push(...(await writtenOf(ports, actor, changing, seen, happenedAt)));
      await insertDocumentChecks(tx, actor.clubId, aircraftId, actor.personId, written);
      const waiting = written.filter(({ awaitsVouch }) => awaitsVouch).map(({ id }) => id);
      return {
        value: { waiting },
        ledger: {
          ids: documentChecks.map(({ documentCheckId }) => documentCheckId),
          seenAt: instantText(happenedAt),
          papers: documentChecks.map(({ kind, aboard, registrationShown, serialShown }) => ({
            kind,
            aboard,
            registrationShown,
            serialShown,
          })),
          waiting,
        },
      };
    },
    {
      request: round,
      found: async (tx) => {
        for (const { documentCheckId } of documentChecks)
          if (await documentCheckExists(tx, documentCheckId))
            return {
              waiting: await waitingAmong(
                tx,
                documentChecks.map((seen) => seen.documentCheckId),
              ),
            };
        return null;
      },
    },
  );
}

/** Which of some document checks wait. */
async function waitingAmong(tx: Changing['tx'], ids: readonly string[]): Promise<readonly string[]> {
  const waiting: string[] = [];
  for (const id of ids) if ((await findWaiting(tx, id))?.vouched === null) waiting.push(id);
  return waiting;
}
