import { ALL_USES, usesIn, type UseSet } from '../envelope/use-set';
import {
  latestDocumentChecks,
  type AircraftDocument,
  type DocumentKind,
  type OperatingLimitations,
} from '../records/documents/document';
import type { AircraftFacts } from '../records/facts';
import { isAheadOfItself } from '../records/record';
import { civilDate } from '../time/civil-date';
import {
  constraint,
  remedy,
  MECHANICS,
  type Act,
  type Constraint,
  type Entitled,
  type Source,
} from './parts/constraint';
import type { Reason } from './parts/reason';
import { each, result, rule } from './parts/rule';

/** From this first flight on, an approved flight manual must be aboard. Source: 14 CFR 91.9(b) with 21.5 (from memory). */
const FLIGHT_MANUAL_SINCE = civilDate('1979-03-01');

/** Whose rules ask for the documents. */
export type DocumentsOf = 'us' | 'au';

const AUSTRALIA: Source = { kind: 'regulation', citation: 'CASR 91.105, 91.110 and Part 47' };

const SOURCES: Readonly<Record<DocumentKind, Source>> = {
  'airworthiness-certificate': { kind: 'regulation', citation: '14 CFR 91.203(a)(1) and (b)' },
  'registration-certificate': { kind: 'regulation', citation: '14 CFR 91.203(a)(2)' },
  'operating-limitations': { kind: 'regulation', citation: '14 CFR 91.9(b)' },
  'weight-and-balance': { kind: 'regulation', citation: '14 CFR 91.9(a) and 91.103' },
  'radio-licence': { kind: 'common-practice' },
  'cabin-tank-form-337': { kind: 'regulation', citation: '14 CFR 91.203(c)' },
};

/** What a missing document closes: everything, but the radio licence is needed only outside the country. */
const CLOSES: Readonly<Record<DocumentKind, UseSet>> = {
  'airworthiness-certificate': ALL_USES,
  'registration-certificate': ALL_USES,
  'operating-limitations': ALL_USES,
  'weight-and-balance': ALL_USES,
  'radio-licence': usesIn({ range: ['abroad'] }),
  'cabin-tank-form-337': ALL_USES,
};

const anybody: Entitled = { kind: 'anybody-at-the-aircraft' };
const keeper: Entitled = { kind: 'record-keeper' };

interface Trouble {
  readonly certainty: 'failed' | 'unknown';
  readonly reason: Reason;
  readonly act: Act;
  readonly by: Entitled;
  readonly missing?: string;
  /** Work whose entry does not say it: signing for it answers it too. */
  readonly work?: string;
}

/** The manual's revision and the serial number that it is for. */
function manualTroubles(
  { revision, serialShown }: OperatingLimitations,
  { aircraft: { particulars } }: AircraftFacts,
): readonly Trouble[] {
  const found: Trouble[] = [];
  const { manualRevision, serialNumber } = particulars;
  if (manualRevision === null)
    found.push({
      certainty: 'unknown',
      reason: { code: 'particular-unknown', what: 'manual-revision' },
      act: 'record-particulars',
      by: keeper,
      missing: 'manualRevision',
    });
  else if (manualRevision !== 'none') {
    if (revision === null)
      found.push({
        certainty: 'unknown',
        reason: { code: 'manual-revision-unknown' },
        act: 'check-document',
        by: anybody,
        missing: 'revision',
      });
    else if (revision !== manualRevision)
      found.push({
        certainty: 'failed',
        reason: { code: 'manual-revision-differs', aboard: revision, inForce: manualRevision },
        act: 'update-document',
        by: keeper,
      });
  }
  if (serialNumber === null)
    found.push({
      certainty: 'unknown',
      reason: { code: 'particular-unknown', what: 'serial-number' },
      act: 'record-particulars',
      by: keeper,
      missing: 'serialNumber',
    });
  else if (serialShown === null)
    found.push({
      certainty: 'unknown',
      reason: { code: 'manual-serial-unknown' },
      act: 'check-document',
      by: anybody,
      missing: 'serialShown',
    });
  else if (serialShown !== serialNumber)
    found.push({
      certainty: 'failed',
      reason: { code: 'manual-serial-differs', shown: serialShown, serial: serialNumber },
      act: 'fetch-the-right-document',
      by: anybody,
    });
  return found;
}

/** Everything that is wrong with, or not known of, one kind of document. */
function troubles(
  kind: DocumentKind,
  document: AircraftDocument | null,
  facts: AircraftFacts,
): readonly Trouble[] {
  if (document === null)
    return [
      {
        certainty: 'unknown',
        reason: { code: 'document-never-checked', document: kind },
        act: 'check-document',
        by: anybody,
        missing: '',
      },
    ];
  if (isAheadOfItself(document))
    return [
      {
        certainty: 'unknown',
        reason: { code: 'document-check-ahead-of-itself', document: kind },
        act: 'correct-record',
        by: keeper,
      },
    ];
  if (document.kind === 'cabin-tank-form-337') {
    if (document.tankFitted === null)
      return [
        {
          certainty: 'unknown',
          reason: { code: 'cabin-tank-unknown' },
          act: 'check-document',
          by: anybody,
          missing: 'tankFitted',
        },
      ];
    if (!document.tankFitted) return [];
  }
  if (document.aboard === null)
    return [
      {
        certainty: 'unknown',
        reason: { code: 'document-aboard-unknown', document: kind },
        act: 'check-document',
        by: anybody,
        missing: 'aboard',
      },
    ];
  if (!document.aboard)
    return [
      {
        certainty: 'failed',
        reason: { code: 'document-not-aboard', document: kind },
        act: 'put-document-aboard',
        by: anybody,
      },
    ];

  const found: Trouble[] = [];
  if (document.legible === null)
    found.push({
      certainty: 'unknown',
      reason: { code: 'document-legibility-unknown', document: kind },
      act: 'check-document',
      by: anybody,
      missing: 'legible',
    });
  else if (!document.legible)
    found.push({
      certainty: 'failed',
      reason: { code: 'document-illegible', document: kind },
      act: 'replace-document',
      by: { kind: 'owner' },
    });

  if (document.kind === 'airworthiness-certificate' || document.kind === 'registration-certificate') {
    const { registration } = facts.aircraft;
    if (document.registrationShown === null)
      found.push({
        certainty: 'unknown',
        reason: { code: 'document-registration-unknown', document: kind },
        act: 'check-document',
        by: anybody,
        missing: 'registrationShown',
      });
    else if (document.registrationShown !== registration) {
      found.push({
        certainty: 'failed',
        reason: {
          code: 'document-of-another-aircraft',
          document: kind,
          shown: document.registrationShown,
          registration,
        },
        act: 'fetch-the-right-document',
        by: anybody,
      });
    }
  }
  if (document.kind === 'airworthiness-certificate') {
    if (document.displayed === null)
      found.push({
        certainty: 'unknown',
        reason: { code: 'certificate-display-unknown' },
        act: 'check-document',
        by: anybody,
        missing: 'displayed',
      });
    else if (!document.displayed)
      found.push({
        certainty: 'failed',
        reason: { code: 'certificate-not-displayed' },
        act: 'display-certificate',
        by: anybody,
      });
  }
  if (document.kind === 'operating-limitations') {
    const { firstFlownOn } = facts.aircraft;
    if (document.form === null)
      found.push({
        certainty: 'unknown',
        reason: { code: 'limitations-form-unknown' },
        act: 'check-document',
        by: anybody,
        missing: 'form',
      });
    else if (document.form === 'placards-and-markings') {
      if (firstFlownOn === null)
        found.push({
          certainty: 'unknown',
          reason: { code: 'first-flight-date-unknown' },
          act: 'record-first-flight-date',
          by: keeper,
          missing: 'firstFlownOn',
        });
      else if (firstFlownOn >= FLIGHT_MANUAL_SINCE)
        found.push({
          certainty: 'failed',
          reason: { code: 'flight-manual-needed', firstFlownOn },
          act: 'put-document-aboard',
          by: anybody,
        });
    } else found.push(...manualTroubles(document, facts));
    if (document.placards === null)
      found.push({
        certainty: 'unknown',
        reason: { code: 'placards-unknown' },
        act: 'check-document',
        by: anybody,
        missing: 'placards',
      });
    else if (!document.placards)
      found.push({
        certainty: 'failed',
        reason: { code: 'placards-missing' },
        act: 'replace-document',
        by: keeper,
      });
  }
  if (document.kind === 'weight-and-balance') {
    const changed =
      facts.work
        .filter(({ weightChanged }) => weightChanged === true)
        .flatMap(({ completedOn }) => (completedOn === null ? [] : [completedOn]))
        .sort()
        .at(-1) ?? null;
    const unsaid = facts.work.find(
      ({ weightChanged, completedOn }) =>
        weightChanged === null
        && (document.datedOn === null || completedOn === null || completedOn > document.datedOn),
    );
    if (unsaid !== undefined)
      found.push({
        certainty: 'unknown',
        reason: { code: 'work-effect-unknown', description: unsaid.description ?? '', effect: 'weight' },
        act: 'update-document',
        by: MECHANICS,
        missing: 'datedOn',
        work: unsaid.id,
      });
    if (document.datedOn === null)
      found.push({
        certainty: 'unknown',
        reason: { code: 'loading-data-date-unknown' },
        act: 'check-document',
        by: anybody,
        missing: 'datedOn',
      });
    else if (changed !== null && document.datedOn < changed)
      found.push({
        certainty: 'failed',
        reason: { code: 'loading-data-outdated', datedOn: document.datedOn, changedOn: changed },
        act: 'update-document',
        by: MECHANICS,
      });
  }
  return found;
}

const KINDS = Object.keys(SOURCES) as readonly DocumentKind[];

/** The documents that must be aboard, readable, displayed where the rule says so, and of this aircraft. */
export const documentsAboard = rule({
  id: 'documents-aboard',
  title: 'Documents on board',
  source: { kind: 'regulation', citation: '14 CFR 91.203 and 91.9(b)' },
  explanation:
    'The airworthiness certificate (displayed), the registration, the operating limitations or flight manual and the weight-and-balance data of this aircraft must be on board and readable; Form 337 for a cabin fuel tank if there is one; the radio station licence only outside the country.',
  judge: (facts, { documentsOf }: { readonly documentsOf: DocumentsOf }) => {
    const missing: string[] = [];
    const constraints = KINDS.flatMap((kind): readonly Constraint[] => {
      const documents: readonly (AircraftDocument | null)[] = latestDocumentChecks(facts.documents, kind);
      return each(documents.length === 0 ? [null] : documents, (document) =>
        troubles(kind, document, facts).map(({ certainty, reason, act, by, missing: field, work }) => {
          if (field !== undefined)
            missing.push(
              field === 'firstFlownOn' || field === 'manualRevision' || field === 'serialNumber'
                ? `aircraft.${field}`
                : field === ''
                  ? `documents.${kind}`
                  : `documents.${kind}.${field}`,
            );
          return constraint({
            key: `${kind}.${reason.code}`,
            certainty,
            source: documentsOf === 'au' ? AUSTRALIA : SOURCES[kind],
            reason,
            records: document === null ? [] : [document.id],
            closes: CLOSES[kind],
            remedies: [
              ...(work === undefined ? [] : [remedy('release-after-work', MECHANICS, work)]),
              remedy(act, by, kind),
            ],
            // Fetching a document from the office is a step before flight, not a job for the workshop.
            condition:
              act === 'put-document-aboard'
              || act === 'display-certificate'
              || act === 'check-document'
              || act === 'fetch-the-right-document'
              || act === 'update-document',
          });
        }),
      );
    });
    return result(constraints, missing);
  },
});
