import { may } from '@/contracts/kernel/permissions';
import { decidePrepared } from '@/core/decision/decide';
import type { Decision, RuleAnswer, Verdict } from '@/core/decision/decision';
import { usesInAny } from '@/core/envelope/use-set';
import type { WindowPicture } from '@/core/envelope/window-picture';
import { authorityFor, CERTIFICATE_KINDS, type Authority } from '@/core/records/club/certificate';
import { mergedBy } from '@/core/records/findings/triage';
import type { DocumentKind } from '@/core/records/documents/document';
import {
  closedAs,
  closingWork,
  isDeferrable,
  rectificationFaults,
  type Discrepancy,
} from '@/core/records/findings/discrepancy';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import type { Place } from '@/core/time/sun';
import { civilDateAt } from '@/core/time/zone';
import {
  findByRegistration,
  documentsOf,
  readDiscrepancies,
  type ReadDiscrepancy,
} from '@/db/aircraft/aircraft-documents';
import { readClub } from '@/db/club/clubs';
import { storedDate, storedInstant } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readHistory } from '@/db/kernel/ledger';
import { tellConstraint, tellReasons, type ConstraintWords } from '@/explain/constraint';
import { withoutNumbers } from '@/explain/for-reader';
import { momentText, readingText } from '@/explain/formats';
import { dateText, sentenceCase } from '@/explain/wording';
import { describeHistory, workName } from '@/explain/history';
import { leftText } from '@/explain/limits';
import { CERTIFICATE_NAMES, CLASS_MEANINGS, DOCUMENT_NAMES, NOT_CHECKED_NAMES } from '@/explain/names';
import { sourceText } from '@/explain/remedies';
import { usesText } from '@/explain/uses-text';
import { windowText } from '@/explain/window-text';
import { keptFacts } from '../kernel/kept-facts';
import { certificatesFor, ownCertificates, type OwnCertificate } from '../kernel/own-certificates';
import { keptRows } from '../kernel/kept-rows';
import { preparedFor, rulesOf } from '../kernel/prepared';
import { permitsShown, type PermitShown } from '../maintenance/permits';
import { openWork, type WorkPart } from '../maintenance/open-work';

/** How many findings and how many lines of its history an aircraft's page shows. */
const MOST = 100;

/** What was done to close a finding, in the order of preference for its class. */
const WORKS = ['repaired', 'no-fault-found', 'serviced', 'judged-acceptable'] as const;

/** A finding as the page shows it. */
export interface FindingView {
  readonly id: string;
  readonly what: string;
  readonly where: string;
  readonly found: string;
  readonly meaning: string;
  readonly photos: readonly string[];
  /** What would close it, and by which of the reader's own certificates they may sign that today. */
  readonly closings: readonly {
    readonly work: (typeof WORKS)[number];
    readonly name: string;
    readonly certificates: readonly { readonly id: string; readonly name: string }[];
  }[];
  readonly done: string | null;
  /** What somebody decided about it who looked at it; empty where nobody has. */
  readonly decided: string;
  /**
   * Where it names equipment that may be deferred, or is: the reader's certificates that may sign that today. Null for what is no such
   * finding.
   */
  readonly defer: { readonly certificates: readonly { readonly id: string; readonly name: string }[] } | null;
}

/** Everything that an aircraft's page shows. */
export interface AircraftPage {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly revision: number;
  readonly now: Instant;
  readonly today: string;
  readonly zone: string;
  readonly verdict: Verdict;
  readonly window: WindowPicture;
  readonly windowText: string;
  readonly timeInService: string | null;
  readonly reasons: readonly ConstraintWords[];
  /** Worth telling though it closes nothing. */
  readonly notices: readonly ConstraintWords[];
  readonly limits: readonly {
    readonly id: string;
    readonly step: boolean;
    readonly figure: string;
    readonly headline: string;
    readonly meaning: string;
    readonly source: string;
    readonly who: string;
    readonly daysLeft: number | null;
    readonly hoursLeft: number | null;
  }[];
  readonly rules: readonly {
    readonly id: string;
    readonly title: string;
    readonly answer: RuleAnswer['answer'];
    readonly source: string;
    readonly explanation: string;
    readonly missing: readonly string[];
  }[];
  readonly papers: readonly {
    readonly kind: DocumentKind;
    readonly name: string;
    readonly keptWhere: string;
    readonly seen: string;
  }[];
  /** What somebody closed beyond the records, and nobody has withdrawn. */
  readonly restrictions: readonly {
    readonly id: string;
    readonly why: string;
    readonly by: string;
    readonly closes: string;
    readonly until: string | null;
  }[];
  readonly findings: readonly FindingView[];
  /** Special flight permits that are not over. */
  readonly permits: readonly PermitShown[];
  /** Fuel that a mechanic has to deal with, or oil use to look at: in words, with the cups, fuellings and top-ups that show it. */
  readonly suspectFuel: readonly {
    readonly what: 'fuel' | 'oil';
    readonly words: string;
    readonly records: readonly string[];
  }[];
  /** Work that the aircraft waits for, and what the reader may enter of it. */
  readonly work: WorkPart;
  readonly story: readonly {
    readonly seq: number;
    readonly when: string;
    readonly who: string;
    readonly words: string;
  }[];
  readonly notChecked: readonly string[];
  readonly holdsUntil: Instant | null;
}

/** Reasons that a mechanic's dealing with the fuel answers. */
const SUSPECT_FUEL: readonly string[] = ['fuel-suspect', 'fuel-grade-wrong', 'fuel-grade-unknown'];
const OIL_USE = 'oil-use-high';

/** The ways to close a finding, each with those of the reader's certificates that may sign it today. */
function closingsFor(
  discrepancy: Discrepancy,
  own: readonly OwnCertificate[],
  name: string,
  place: Place,
  now: Instant,
  authority: Authority,
): FindingView['closings'] {
  const today = civilDateAt(now, place.zone);
  return WORKS.flatMap((work) => {
    const signs = closingWork(work, closedAs(discrepancy));
    if (signs === null) return [];
    return [
      { work, name: workName(work), certificates: certificatesFor(signs, own, name, today, authority) },
    ];
  });
}

function limitsOf(decision: Decision): AircraftPage['limits'] {
  return decision.limits.map((limit) => {
    const words = tellConstraint(limit.constraint, 'ahead');
    return {
      id: words.id,
      step: words.condition,
      headline: words.headline,
      meaning: words.meaning,
      source: words.source,
      who: words.remedies.map(({ by }) => by)[0] ?? '',
      figure: leftText(limit),
      daysLeft: limit.currency === 'time' ? Math.floor(limit.left / 86_400_000) : null,
      hoursLeft: limit.currency === 'hours' ? limit.left / 3600 : null,
    };
  });
}

function doneText(done: NonNullable<ReadDiscrepancy['done']>, place: Place, showsNumbers: boolean): string {
  const known = CERTIFICATE_KINDS.find((one) => one === done.certificate);
  const kind = known === undefined ? done.certificate : CERTIFICATE_NAMES[known];
  return `${sentenceCase(workName(done.work))}: ${done.description} Completed ${dateText(storedDate(done.completedOn))}, signed ${momentText(done.recordedAt, place.zone)} by ${done.by}, ${kind}${showsNumbers ? `, ${done.number}` : ''}.`;
}

/** What closed a finding that is the same as another one; null where nothing has. */
function closedWith(
  discrepancy: Discrepancy,
  all: ReadonlyMap<string, Discrepancy>,
  place: Place,
  authority: Authority,
): string | null {
  const { rectification } = discrepancy;
  const other = mergedBy(discrepancy)?.sameAs;
  return other == null
    || rectification === null
    || rectificationFaults(discrepancy, rectification, place.zone, authority).length > 0
    ? null
    : `Closed with “${all.get(other)?.what ?? ''}”, which it is the same as.`;
}

/** What was decided about a finding, in words. */
function decidedText(discrepancy: Discrepancy, all: ReadonlyMap<string, Discrepancy>): string {
  const other = mergedBy(discrepancy)?.sameAs;
  if (other != null) return `Held to be the same as “${all.get(other)?.what ?? ''}”.`;
  const { watch, classification, triage = [] } = discrepancy;
  if (classification === 'watch' && watch !== null) {
    const by = [
      ...(watch.recheckBy === null ? [] : [`looked at again by ${dateText(watch.recheckBy)}`]),
      ...(watch.recheckAt === null ? [] : [`looked at again at ${readingText(watch.recheckAt)}`]),
      ...(watch.correctBy === null ? [] : [`corrected by ${dateText(watch.correctBy)}`]),
    ];
    return by.length === 0 ? '' : `To be ${by.join(', ')}.`;
  }
  return triage.length === 0 ? '' : 'Somebody has looked at it and decided so.';
}

/** What the page shows beside the facts. */
const rowsOf = keptRows(async (tx, aircraftId) => ({
  read: await readDiscrepancies(tx, aircraftId, MOST),
  papers: await documentsOf(tx, aircraftId),
  // A box sends every few minutes: its lines would push out what people did. What it counted stands beside the meters.
  story: await readHistory(tx, aircraftId, MOST, 0, ['box-readings']),
}));

/** The page of the aircraft with a registration, for one reader; null when the club has none such. */
export async function aircraftPage(
  tx: ClubTransaction,
  reader: {
    readonly clubId: string;
    readonly personId: string;
    readonly name: string;
    readonly roles: readonly string[];
  },
  registration: string,
  now: Instant,
): Promise<AircraftPage | null> {
  const found = await findByRegistration(tx, registration);
  if (found === undefined) return null;
  const club = await readClub(tx, reader.clubId);
  const { packs, place } = club;
  const [stored] = await keptFacts(tx, club, found.aircraft_id, 'whole');
  if (stored === undefined) return null;
  const { prepared, present } = preparedFor(stored, club, rulesOf(club), now);
  const decision = decidePrepared(prepared, null, present);
  const { read, papers, story } = await rowsOf(tx, stored);
  const own = await ownCertificates(tx, reader.personId);
  const maySign = may(reader.roles, 'return-to-service');
  const mayDefer = may(reader.roles, 'defer-finding');
  const showsNumbers = may(reader.roles, 'see-certificates');
  const authority = authorityFor(authorityOf(packs), stored.facts.aircraft);
  // As the decisions about them have left them.
  const byId = new Map(prepared.facts.discrepancies.map((discrepancy) => [discrepancy.id, discrepancy]));
  return {
    aircraftId: found.aircraft_id,
    registration: decision.registration,
    typeName: stored.typeName,
    revision: stored.revision,
    now,
    today: civilDateAt(now, place.zone),
    zone: place.zone,
    verdict: decision.verdict,
    window: decision.window,
    windowText: windowText(decision.window),
    timeInService: decision.timeInService === null ? null : readingText(decision.timeInService),
    reasons: tellReasons(decision.constraints),
    notices: decision.notices.map((notice) => tellConstraint(notice, 'in-force')),
    limits: limitsOf(decision),
    holdsUntil: decision.holdsUntil,
    rules: decision.rules.map(({ id, title, answer, source, explanation, missing }) => ({
      id,
      title,
      answer,
      source: sourceText(source),
      explanation,
      missing,
    })),
    papers: papers.map((row) => ({
      kind: row.kind as DocumentKind,
      name: sentenceCase(DOCUMENT_NAMES[row.kind as DocumentKind]),
      keptWhere: row.kept_where ?? 'place not recorded',
      seen: `${row.tank_fitted === false ? 'none fitted, looked at' : row.aboard === false ? 'missing' : row.aboard === null ? 'not looked for' : 'seen'} ${momentText(storedInstant(row.happened_at), place.zone)}`,
    })),
    restrictions: stored.facts.dispatchRestrictions
      .filter(({ withdrawn, until }) => withdrawn === null && (until === null || until > now))
      .map(({ id, why, by, until, uses }) => ({
        id,
        why,
        by,
        closes: usesText(usesInAny(uses)),
        until: until === null ? null : momentText(until, place.zone),
      })),
    permits: permitsShown(prepared.facts, decision.registration, authority, present),
    suspectFuel: decision.constraints
      .filter(({ reason }) => SUSPECT_FUEL.includes(reason.code) || reason.code === OIL_USE)
      .map((constraint) => ({
        what: constraint.reason.code === OIL_USE ? 'oil' : 'fuel',
        words: tellConstraint(constraint, 'in-force').headline,
        records: constraint.records,
      })),
    findings: read.flatMap(({ id, photos, done }) => {
      const discrepancy = byId.get(id);
      if (discrepancy === undefined) return [];
      const { what, where, foundBy, happenedAt, classification } = discrepancy;
      return [
        {
          id,
          what,
          where: where ?? '',
          found: `${momentText(happenedAt, place.zone)}${foundBy === null ? '' : ` by ${foundBy}`}`,
          meaning: CLASS_MEANINGS[classification ?? 'ground-until-mechanic'],
          photos,
          closings:
            done !== null || !maySign
              ? []
              : closingsFor(discrepancy, own, reader.name, place, now, authority),
          done:
            done === null
              ? closedWith(discrepancy, byId, place, authority)
              : doneText(done, place, showsNumbers),
          decided: decidedText(discrepancy, byId),
          defer:
            done === null && discrepancy.equipment.length > 0 && isDeferrable(classification)
              ? {
                  certificates: mayDefer
                    ? certificatesFor('no-hazard', own, reader.name, civilDateAt(now, place.zone), authority)
                    : [],
                }
              : null,
        },
      ];
    }),
    work: openWork(decision.constraints, stored.facts, {
      present,
      authority,
      name: reader.name,
      own,
      roles: reader.roles,
    }),
    story: story.map(({ seq, act, actorName, recordedAt, record }) => ({
      seq,
      when: momentText(recordedAt, place.zone),
      who: actorName,
      words: describeHistory(act, showsNumbers ? record : withoutNumbers(record)),
    })),
    notChecked: decision.notChecked.map((what) => NOT_CHECKED_NAMES[what]),
  };
}
