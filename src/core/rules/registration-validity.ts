import { byId, compareTexts } from '../order';
import { ALL_USES, usesIn } from '../envelope/use-set';
import {
  latestDocumentCheck,
  latestDocumentChecks,
  type AircraftDocument,
  type RegistrationCertificate,
} from '../records/documents/document';
import { addDays, addYears, civilDate, lastDayOfCalendarMonths, type CivilDate } from '../time/civil-date';
import { civilDateAt, endOfDay, startOfDay, type ZoneId } from '../time/zone';
import { constraint, remedy, OWNER, RECORD_KEEPER, type Constraint, type Remedy } from './parts/constraint';
import type { Reason } from './parts/reason';
import { each, result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 47.40 and 47.41' } as const;

/** On this day certificates in effect stretched from three years to seven. Source: 14 CFR 47.40 as amended (from memory). */
const STRETCHED_ON = civilDate('2023-01-23');
/** A copy of the application is temporary authority for so long, inside the country. Source: 14 CFR 47.31(c) (from memory). */
const TEMPORARY_DAYS = 90;
const TERM_YEARS = 7;
const OLD_TERM_YEARS = 3;
/** A renewal may be issued up to six months early and then runs seven years from the old expiry: no printed date lies further ahead. */
const LONGEST_MONTHS = TERM_YEARS * 12 + 6;
/** A holder's death ends it 30 days later; the other endings at once. Source: 14 CFR 47.41(a) (from memory). */
const DAYS_AFTER_DEATH = 30;

type Validity =
  | {
      readonly lastDay: CivilDate;
      readonly basis: 'printed' | 'printed-extended' | 'issue-date' | 'temporary';
    }
  | { readonly contradiction: { readonly issuedOn: CivilDate; readonly printedExpiry: CivilDate } }
  | null;

/**
 * The last day of a certificate. The printed date wins over computing it; a three-year date of a certificate that was in
 * effect on 23 January 2023 is stretched by four years; without a printed date, seven years from the last day of the month of issue,
 * read to the earlier day where month ends differ (issued 2025-02: 2032-02-28, not the 29th).
 */
export function registrationValidity({
  issuedOn,
  printedExpiry,
  temporary,
}: Pick<RegistrationCertificate, 'issuedOn' | 'printedExpiry' | 'temporary'>): Validity {
  if (temporary === true)
    return issuedOn === null ? null : { lastDay: addDays(issuedOn, TEMPORARY_DAYS), basis: 'temporary' };
  if (printedExpiry === null)
    return issuedOn === null
      ? null
      : { lastDay: addYears(lastDayOfCalendarMonths(issuedOn, 0), TERM_YEARS), basis: 'issue-date' };
  if (issuedOn === null) return { lastDay: printedExpiry, basis: 'printed' };
  if (printedExpiry < issuedOn || printedExpiry > lastDayOfCalendarMonths(issuedOn, LONGEST_MONTHS))
    return { contradiction: { issuedOn, printedExpiry } };
  const printedForThreeYears = printedExpiry <= lastDayOfCalendarMonths(issuedOn, OLD_TERM_YEARS * 12 + 6);
  if (issuedOn <= STRETCHED_ON && printedExpiry >= STRETCHED_ON && printedForThreeYears) {
    return { lastDay: addYears(printedExpiry, TERM_YEARS - OLD_TERM_YEARS), basis: 'printed-extended' };
  }
  return { lastDay: printedExpiry, basis: 'printed' };
}

interface Ending {
  readonly id: string;
  readonly ended: NonNullable<RegistrationCertificate['ended']>;
}

/**
 * The earliest ending on record that no new certificate has outlived. Seeing the old document aboard once more does not undo a sale:
 * only a certificate issued after the ending does.
 */
function endingOf(
  documents: readonly AircraftDocument[],
  latest: RegistrationCertificate | null,
): Ending | null {
  const endings = documents
    .flatMap((document): readonly Ending[] =>
      document.kind === 'registration-certificate' && document.ended !== null
        ? [{ id: document.id, ended: document.ended }]
        : [],
    )
    .filter(({ ended }) => latest?.issuedOn == null || latest.issuedOn <= ended.on || latest.ended === ended);
  return endings.sort((a, b) => compareTexts(a.ended.on, b.ended.on) || byId(a, b))[0] ?? null;
}

const renew = remedy('renew-registration', OWNER);

/** Registration that has not run out and has not ended early. Without it nothing may fly, not even to the workshop. */
export const registrationIsValid = rule({
  id: 'registration-validity',
  title: 'Registration in force',
  source,
  explanation:
    'The registration runs seven years from the end of the month of issue (three for some older ones, stretched in 2023), as printed on the certificate; it ends at once when the aircraft is sold or the registration is cancelled.',
  judge: ({ documents, place }, { runsOut }: { readonly runsOut: boolean }) => {
    const missing: string[] = [];
    const sighted: readonly (RegistrationCertificate | null)[] = latestDocumentChecks(
      documents,
      'registration-certificate',
    );
    const constraints = each(sighted.length === 0 ? [null] : sighted, (certificate) =>
      judgeOne(certificate, place.zone, runsOut, missing),
    );
    const ending = endingOf(documents, latestDocumentCheck(documents, 'registration-certificate'));
    if (ending === null) return result(constraints, missing);
    const { id, ended } = ending;
    const on = ended.because === 'holder-died' ? addDays(ended.on, DAYS_AFTER_DEATH) : ended.on;
    return result(
      [
        ...constraints,
        constraint({
          key: 'ended',
          certainty: 'failed',
          source,
          reason: { code: 'registration-ended', on, because: ended.because },
          records: [id],
          closes: ALL_USES,
          begins: { kind: 'instant', at: startOfDay(on, place.zone) },
          remedies: [remedy('register-new-owner', OWNER)],
        }),
      ],
      missing,
    );
  },
});

/** What one document check says of the registration's time. */
function judgeOne(
  certificate: RegistrationCertificate | null,
  zone: ZoneId,
  runsOut: boolean,
  missing: string[],
): readonly Constraint[] {
  const made = (
    key: string,
    certainty: Constraint['certainty'],
    reason: Reason,
    begins: Constraint['begins'],
    remedies: readonly Remedy[],
  ): Constraint =>
    constraint({
      key,
      certainty,
      source,
      reason,
      records: certificate === null ? [] : [certificate.id],
      closes: ALL_USES,
      begins,
      remedies,
    });
  const recordDates = remedy('record-registration-dates', RECORD_KEEPER);
  const validity = certificate === null ? null : registrationValidity(certificate);

  const constraints: Constraint[] = [];
  const seenOn = certificate === null ? null : civilDateAt(certificate.happenedAt, zone);
  if (certificate?.issuedOn != null && seenOn !== null && certificate.issuedOn > seenOn) {
    // Nobody can have seen a certificate before it was issued: one of the two dates is wrong, and neither can be relied on.
    constraints.push(
      made(
        'expiry',
        'unknown',
        { code: 'registration-issued-after-seen', issuedOn: certificate.issuedOn, seenOn },
        { kind: 'recorded' },
        [recordDates],
      ),
    );
  } else if (
    !runsOut
    && certificate !== null
    && certificate.printedExpiry === null
    && certificate.temporary !== true
  ) {
    // Where certificates carry no date they hold until they are ended.
  } else if (validity === null) {
    missing.push('documents.registration-certificate.printedExpiry');
    constraints.push(
      made('expiry', 'unknown', { code: 'registration-expiry-unknown' }, { kind: 'recorded' }, [recordDates]),
    );
  } else if ('contradiction' in validity) {
    constraints.push(
      made(
        'expiry',
        'unknown',
        { code: 'registration-dates-contradict', ...validity.contradiction },
        { kind: 'recorded' },
        [recordDates],
      ),
    );
  } else {
    constraints.push(
      made(
        'expiry',
        'failed',
        { code: 'registration-expires', ...validity },
        { kind: 'instant', at: endOfDay(validity.lastDay, zone) },
        [renew],
      ),
    );
  }
  if (certificate?.temporary === true)
    constraints.push(
      constraint({
        key: 'abroad',
        certainty: 'failed',
        source: { kind: 'regulation', citation: '14 CFR 47.31(c)' },
        reason: { code: 'registration-temporary' },
        records: [certificate.id],
        closes: usesIn({ range: ['abroad'] }),
        remedies: [renew],
      }),
    );
  return constraints;
}
