import { DOCUMENT_KINDS, type DocumentKind } from '@/core/records/documents/document';
import type { Particulars } from '@/core/records/aircraft/aircraft';
import { dateText, sentenceCase } from '@/explain/wording';
import { DOCUMENT_NAMES } from '@/explain/names';
import { findByRegistration, documentsOf } from '@/db/aircraft/aircraft-documents';
import { storedDate } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';

/** A document as the round asks about it, with what its last document check said. */
export interface DocumentToCheck {
  readonly kind: DocumentKind;
  readonly name: string;
  readonly keptWhere: string | null;
  readonly number: string | null;
  /** What it said last time, which usually still stands; in words for the question, and as values to be sent again. */
  readonly lastWords: string;
  readonly last: {
    readonly displayed: boolean | null;
    readonly temporary: boolean | null;
    readonly issuedOn: string | null;
    readonly printedExpiry: string | null;
    readonly form: 'flight-manual' | 'placards-and-markings' | null;
    readonly revision: string | null;
    readonly serialShown: string | null;
    readonly placards: boolean | null;
    readonly datedOn: string | null;
    readonly tankFitted: boolean | null;
  };
}

/** What a document check round of an aircraft asks. */
export interface DocumentCheckList {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly serialNumber: string | null;
  readonly papers: readonly DocumentToCheck[];
}

/** Every kind of document, with where it is kept and what it said last time; null when the club has no such aircraft. */
export async function documentCheckList(
  tx: ClubTransaction,
  registration: string,
): Promise<DocumentCheckList | null> {
  const found = await findByRegistration(tx, registration);
  if (found === undefined) return null;
  const seen = new Map((await documentsOf(tx, found.aircraft_id)).map((row) => [row.kind, row]));
  return {
    aircraftId: found.aircraft_id,
    registration: found.registration,
    typeName: found.type_name,
    serialNumber: (found.particulars as Particulars | null)?.serialNumber ?? null,
    papers: DOCUMENT_KINDS.map((kind) => {
      const row = seen.get(kind);
      const day = (text: string | null | undefined, before: string) =>
        text == null ? [] : [`${before} ${dateText(storedDate(text))}`];
      return {
        kind,
        name: sentenceCase(DOCUMENT_NAMES[kind]),
        keptWhere: row?.kept_where ?? null,
        number: row?.number ?? null,
        lastWords:
          row === undefined
            ? ''
            : [
                ...(row.revision === null ? [] : [`revision ${row.revision}`]),
                ...(row.temporary === true ? ['copy of the application'] : []),
                ...day(row.issued_on, row.temporary === true ? 'of' : 'issued'),
                ...day(row.printed_expiry, 'expires'),
                ...day(row.dated_on, 'dated'),
              ].join(', '),
        last: {
          displayed: row?.displayed ?? null,
          issuedOn: row?.issued_on ?? null,
          printedExpiry: row?.printed_expiry ?? null,
          form: (row?.form ?? null) as DocumentToCheck['last']['form'],
          revision: row?.revision ?? null,
          serialShown: row?.serial_shown ?? null,
          placards: row?.placards ?? null,
          datedOn: row?.dated_on ?? null,
          tankFitted: row?.tank_fitted ?? null,
          temporary: row?.temporary ?? null,
        },
      };
    }),
  };
}
