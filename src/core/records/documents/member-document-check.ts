import { compareTexts } from '../../order';
import type { CivilDate } from '../../time/civil-date';
import type { AircraftDocument } from './document';

/** What an aircraft's documents are compared with; null where it is not known. */
export interface ExpectedOnDocuments {
  readonly registration: string;
  readonly serialNumber: string | null;
  readonly manualRevision: string | null;
}

/** What a member's document check does at once, and whether the rest of it waits for somebody entitled. */
export interface MemberDocumentCheck {
  /** The document as it stands from now on: what was on record, with whatever the member saw that is worse. Null where nothing is on record that could be confirmed. */
  readonly counts: AircraftDocument | null;
  /** True where the member saw more than was on record: something that was missing, another date, another number. */
  readonly waits: boolean;
}

/** Of three answers the worse one: no, not known, yes. */
function worse(before: boolean | null, seen: boolean | null): boolean | null {
  if (before === false || seen === false) return false;
  return before === null || seen === null ? null : true;
}

/** The earlier of two dates; one that nobody stated stays unknown. */
function earlier(before: CivilDate | null, seen: CivilDate | null): CivilDate | null {
  if (before === null || seen === null) return null;
  return before < seen ? before : seen;
}

/** What a text says: as it was, unless the member saw another one that is not the right one. */
function stricterText(before: string | null, seen: string | null, right: string | null): string | null {
  if (before === seen) return before;
  if (seen === null || before === null) return null;
  // The right one where another was on record would put it right: that waits. Of two wrong or unknown ones nobody knows which is worse.
  return seen === right ? before : right === null ? null : seen;
}

/**
 * What counts at once of a document check by somebody who may not put documents right: they confirm what is on record, and whatever is worse
 * closes at once. What was missing, expired or contradicted stays so, and a new date or number does not count until somebody entitled has
 * vouched for it. Club rule of the product's own, no published source.
 * @param before the document check that counts so far; null where nobody entitled has looked yet
 */
export function memberDocumentCheck(
  before: AircraftDocument | null,
  seen: AircraftDocument,
  expected: ExpectedOnDocuments,
): MemberDocumentCheck {
  if (before?.kind !== seen.kind) {
    const saysMissing =
      seen.aboard === false && !(seen.kind === 'cabin-tank-form-337' && seen.tankFitted === false);
    return { counts: saysMissing ? seen : null, waits: !saysMissing };
  }
  const counts = stricterDocument(before, seen, expected);
  return { counts, waits: !sayTheSame(counts, seen) };
}

function stricterDocument(
  before: AircraftDocument,
  seen: AircraftDocument,
  { registration, serialNumber, manualRevision }: ExpectedOnDocuments,
): AircraftDocument {
  const base = {
    id: seen.id,
    happenedAt: seen.happenedAt,
    recordedAt: seen.recordedAt,
    aboard: worse(before.aboard, seen.aboard),
    legible: seen.aboard === false ? seen.legible : worse(before.legible, seen.legible),
  };
  switch (seen.kind) {
    case 'airworthiness-certificate':
      return before.kind !== seen.kind
        ? seen
        : {
            ...base,
            kind: seen.kind,
            registrationShown: stricterText(before.registrationShown, seen.registrationShown, registration),
            displayed: worse(before.displayed, seen.displayed),
          };
    case 'registration-certificate':
      return before.kind !== seen.kind
        ? seen
        : {
            ...base,
            kind: seen.kind,
            registrationShown: stricterText(before.registrationShown, seen.registrationShown, registration),
            ended: seen.ended,
            temporary: before.temporary === true || seen.temporary === true,
            // A certificate in place of a copy of the application, or the other way round, is another document: nobody knows yet until when it holds.
            ...((before.temporary === true) === (seen.temporary === true)
              ? {
                  issuedOn: earlier(before.issuedOn, seen.issuedOn),
                  printedExpiry: earlier(before.printedExpiry, seen.printedExpiry),
                }
              : { issuedOn: null, printedExpiry: null }),
          };
    case 'operating-limitations':
      return before.kind !== seen.kind
        ? seen
        : {
            ...base,
            kind: seen.kind,
            form: before.form === seen.form ? before.form : null,
            revision: stricterText(before.revision, seen.revision, manualRevision),
            serialShown: stricterText(before.serialShown, seen.serialShown, serialNumber),
            placards: worse(before.placards, seen.placards),
          };
    case 'weight-and-balance':
      return before.kind !== seen.kind
        ? seen
        : { ...base, kind: seen.kind, datedOn: earlier(before.datedOn, seen.datedOn) };
    case 'radio-licence':
      return { ...base, kind: seen.kind };
    case 'cabin-tank-form-337': {
      if (before.kind !== seen.kind) return seen;
      // Whether there is one at all, where nobody knew, is no matter of what a member saw: with its record aboard either answer would open.
      const fitted = before.tankFitted === false ? seen.tankFitted : before.tankFitted;
      return { ...base, kind: seen.kind, tankFitted: fitted };
    }
    default: {
      const missing: never = seen;
      throw new RangeError(`no such document: ${JSON.stringify(missing)}`);
    }
  }
}

/** Whether two document checks of one kind say the same, whatever their ids and times are. */
function sayTheSame(one: AircraftDocument, other: AircraftDocument): boolean {
  const said = (document: AircraftDocument) =>
    JSON.stringify(
      Object.entries({
        temporary: false,
        ...document,
        vouched: false,
        id: '',
        happenedAt: 0,
        recordedAt: 0,
      }).sort(([a], [b]) => compareTexts(a, b)),
    );
  return said(one) === said(other);
}
