import { decidePrepared } from '@/core/decision/decide';
import type { Verdict } from '@/core/decision/decision';
import type { LedgerAct } from '@/core/records/ledger-act';
import { addSeconds, type Instant } from '@/core/time/instant';
import { dateText } from '@/explain/wording';
import { readClub } from '@/db/club/clubs';
import { openFlights } from '@/db/flights/flights';
import { findPlanneds } from '@/db/flights/planned-flights';
import { readWaiting } from '@/db/findings/waiting';
import type { ClubTransaction } from '@/db/kernel/connection';
import { historySince } from '@/db/kernel/ledger';
import { openReleasesOfClub } from '@/db/releases/flight-releases';
import { tellReasons } from '@/explain/constraint';
import { whyOver } from '@/explain/flight-release';
import { withoutNumbers } from '@/explain/for-reader';
import { momentText } from '@/explain/formats';
import { describeHistory } from '@/explain/history';
import { announcedWords } from '@/explain/walkround';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';

/** Something that is begun and not ended, of one aircraft. */
export interface OpenLoop {
  readonly key: string;
  readonly registration: string;
  readonly words: string;
}

/** What the next on duty takes over. */
export interface Handover {
  readonly now: Instant;
  readonly zone: string;
  readonly field: string;
  readonly since: Instant;
  readonly sinceText: string;
  /** What nobody has ended, by what it is. */
  readonly loops: readonly { readonly title: string; readonly lines: readonly OpenLoop[] }[];
  /** Findings about which nobody has decided; only the first are named. */
  readonly undecided: number;
  /** Aircraft that are not released, each with why. */
  readonly notReleased: readonly {
    readonly registration: string;
    readonly verdict: Verdict;
    readonly why: readonly string[];
  }[];
  /** What was recorded since, newest first. */
  readonly changes: readonly {
    readonly key: string;
    readonly when: string;
    readonly registration: string;
    readonly words: string;
  }[];
  /** True where there is more than is named. */
  readonly isCut: boolean;
}

/** So many changes are named. */
const MOST_CHANGES = 300;
/** So many findings are named. */
const MOST_FINDINGS = 20;
/** What many small entries say is no news: what they came to is. */
const SMALL: readonly LedgerAct[] = ['box-readings', 'answer-walk-round', 'add-photo'];

/** Nobody is on duty for longer, in seconds. */
const SHIFT = 12 * 3600;
/** Further back than this is no handover, in seconds; with a minute for a clock that is behind. */
const MOST_BACK = 14 * 86_400 + 60;

/** From when on it tells: a shift where nobody says; null for a moment that is ahead, or too far back. */
export function handoverFrom(since: Instant | null, now: Instant): Instant | null {
  if (since === null) return addSeconds(now, -SHIFT);
  return since > now || since < addSeconds(now, -MOST_BACK) ? null : since;
}

/** What changed since a moment, and what is still open, for the person who takes over. */
export async function handover(
  tx: ClubTransaction,
  clubId: string,
  since: Instant,
  now: Instant,
): Promise<Handover> {
  const club = await readClub(tx, clubId);
  const { zone, name: field } = club.place;
  const rules = rulesOf(club);
  const fleet = await keptFacts(tx, club, null);
  const named = new Map(fleet.map(({ aircraftId, facts }) => [aircraftId, facts.aircraft.registration]));
  const of = (aircraftId: string) => named.get(aircraftId) ?? '';
  const judged = fleet.map((stored) => {
    const { prepared, present } = preparedFor(stored, club, rules, now);
    return { stored, known: prepared.facts, decision: decidePrepared(prepared, null, present) };
  });
  const out = await openFlights(tx, null);
  const plans = new Map(
    (
      await findPlanneds(
        tx,
        out.map(({ id }) => id),
      )
    ).map((one) => [one.flight.id, one]),
  );
  const waiting = await readWaiting(tx, now, MOST_FINDINGS);
  const lines = (list: readonly OpenLoop[]) =>
    list.toSorted((a, b) => (a.registration < b.registration ? -1 : a.registration > b.registration ? 1 : 0));
  const loops = [
    {
      title: 'Aircraft out',
      lines: out.map(({ id, aircraftId, personName, leftAt }) => {
        const ends = plans.get(id)?.flight.ends;
        const back =
          ends === undefined
            ? 'when it should be back is not on record'
            : `${ends < now ? 'should have been back' : 'back by'} ${momentText(ends, zone)}`;
        return {
          key: id,
          registration: of(aircraftId),
          words: `${personName}, since ${momentText(leftAt, zone)}; ${back}`,
        };
      }),
    },
    {
      title: 'Released, and not left yet',
      lines: (await openReleasesOfClub(tx))
        .filter(
          (release) => !out.some(({ id }) => id === release.flightId) && whyOver(release, now, zone) === null,
        )
        .map(({ id, aircraftId, givenTo, until }) => ({
          key: id,
          registration: of(aircraftId),
          words: `${givenTo}, until ${momentText(until, zone)}`,
        })),
    },
    {
      title: 'Walk-rounds begun and not signed',
      lines: judged.flatMap(({ stored, known }) => {
        const walked = known.ramp?.walkround;
        return walked == null || walked.signedAt !== null
          ? []
          : [
              {
                key: walked.id,
                registration: of(stored.aircraftId),
                words: `${walked.by}, since ${momentText(walked.happenedAt, zone)}; ${walked.left} ${walked.left === 1 ? 'step' : 'steps'} left`,
              },
            ];
      }),
    },
    {
      title: 'Announced and not done',
      lines: judged.flatMap(({ stored, known }) =>
        (known.ramp?.announced ?? []).map(({ id, act, which, amount, by, happenedAt }) => ({
          key: id,
          registration: of(stored.aircraftId),
          words: `${announcedWords(act, which, amount)}; ${by}, ${momentText(happenedAt, zone)}`,
        })),
      ),
    },
    {
      title: 'Work begun and not approved',
      lines: judged.flatMap(({ stored, known }) =>
        known.work
          .filter(({ signedBy }) => signedBy === null)
          .map(({ id, description, completedOn, recordedAt }) => ({
            key: id,
            registration: of(stored.aircraftId),
            words: `${description ?? 'not described'}, since ${completedOn === null ? momentText(recordedAt, zone) : dateText(completedOn)}`,
          })),
      ),
    },
    {
      title: 'Findings that nobody has decided about',
      lines: waiting.first.map(({ id, registration, what }) => ({ key: id, registration, words: what })),
    },
  ].map(({ title, lines: list }) => ({ title, lines: lines(list) }));
  const changes = await historySince(tx, since, MOST_CHANGES + 1, SMALL);
  return {
    now,
    zone,
    field,
    since,
    sinceText: momentText(since, zone),
    loops,
    undecided: waiting.total,
    notReleased: judged
      .filter(({ decision }) => decision.verdict !== 'Released')
      .map(({ decision }) => ({
        registration: decision.registration,
        verdict: decision.verdict,
        why: tellReasons(decision.constraints)
          .slice(0, 3)
          .map(({ headline }) => headline),
      })),
    changes: changes.slice(0, MOST_CHANGES).map((line) => ({
      key: `${line.aircraftId}/${line.seq}`,
      when: momentText(line.recordedAt, zone),
      registration: of(line.aircraftId),
      words: `${line.actorName} ${describeHistory(line.act, withoutNumbers(line.record))}`,
    })),
    isCut: changes.length > MOST_CHANGES,
  };
}
