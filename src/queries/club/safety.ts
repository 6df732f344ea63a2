import { MOST_AIRCRAFT, type SafetyDays } from '@/contracts/club/safety';
import { may } from '@/contracts/kernel/permissions';
import type { Verdict } from '@/core/decision/decision';
import { decidePrepared } from '@/core/decision/decide';
import type { ReleaseEnd } from '@/core/decision/flight-release';
import {
  availabilityOf,
  eachVerdict,
  type Availability,
  type VerdictPiece,
} from '@/core/decision/verdict-pieces';
import type { AircraftFacts } from '@/core/records/facts';
import { addDays } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt, startOfDay, type ZoneId } from '@/core/time/zone';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { readClub, type Club } from '@/db/club/clubs';
import { readFindingTimes, type FindingTimes } from '@/db/findings/times';
import { releasesSince } from '@/db/releases/flight-releases';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readDefects } from '@/db/walkround/defects';
import { readWalkroundsSince } from '@/db/walkround/walkrounds';
import { sentenceCase } from '@/explain/wording';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';
import { passedOf } from '../walkround/passed-checks';

/** How long something took: half of the times were no longer than the one, nine of ten no longer than the other. Hours. */
export interface Waited {
  readonly count: number;
  readonly median: number;
  readonly ninth: number;
}

/** One month of findings. */
export interface FindingMonth {
  /** `2026-11` */
  readonly month: string;
  readonly reported: number;
  readonly toDecision: Waited | null;
  readonly toReturn: Waited | null;
}

/** What the whole club came to in the time. */
export interface SafetyPage {
  readonly now: Instant;
  readonly zone: string;
  readonly days: SafetyDays;
  readonly from: Instant;
  readonly months: readonly FindingMonth[];
  /** Findings of the time about which nobody has decided, and that are not closed. */
  readonly undecided: number;
  readonly open: number;
  readonly releases: {
    readonly signed: number;
    readonly withRestrictions: number;
    readonly ended: readonly { readonly why: ReleaseEnd; readonly count: number }[];
  };
}

/** One aircraft in the time. Hours are hours of the clock, nights included. */
export interface SafetyRow {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly hours: Readonly<Record<Verdict, number>>;
  /** The rules that kept it from being released, the longest first. */
  readonly causes: readonly { readonly rule: string; readonly title: string; readonly hours: number }[];
  /** Findings that walk-rounds had passed before somebody saw them. */
  readonly missed: readonly {
    readonly findingId: string;
    readonly what: string;
    readonly found: string;
    readonly passes: number;
    /** Who passed it, for those who teach; null for other readers. */
    readonly by: readonly string[] | null;
  }[];
}

/** Some of the fleet in the time. */
export interface SafetyFleet {
  readonly total: number;
  readonly from: number;
  readonly rows: readonly SafetyRow[];
}

const HOUR_MS = 3_600_000;

/** From the start of a day on the field's clock, so many days ago, to the last full hour: what is asked twice in an hour is the same. */
function spanOf(
  now: Instant,
  days: SafetyDays,
  zone: ZoneId,
): { readonly from: Instant; readonly to: Instant } {
  return {
    from: startOfDay(addDays(civilDateAt(now, zone), -days), zone),
    to: (Math.floor(now / HOUR_MS) * HOUR_MS) as Instant,
  };
}

/** The value that a share of some values do not exceed; the values in order, at least one. */
const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)] ?? 0;

/** Hours that things waited; null where none has ended. */
export function waited(milliseconds: readonly number[]): Waited | null {
  if (milliseconds.length === 0) return null;
  const sorted = milliseconds.map((value) => value / HOUR_MS).toSorted((a, b) => a - b);
  return { count: sorted.length, median: quantile(sorted, 0.5), ninth: quantile(sorted, 0.9) };
}

/** Findings by the month in which they were reported, every month of the time, also one without any. */
export function monthsOf(
  times: readonly FindingTimes[],
  from: Instant,
  to: Instant,
  zone: ZoneId,
): readonly FindingMonth[] {
  const monthOf = (at: Instant) => civilDateAt(at, zone).slice(0, 7);
  const months: string[] = [];
  for (let day = civilDateAt(from, zone); day <= civilDateAt(to, zone); day = addDays(day, 1))
    if (months.at(-1) !== day.slice(0, 7)) months.push(day.slice(0, 7));
  return months.map((month) => {
    const own = times.filter(({ reportedAt }) => monthOf(reportedAt) === month);
    const took = (of: (one: FindingTimes) => Instant | null) =>
      waited(
        own.flatMap((one) => {
          const ended = of(one);
          return ended === null ? [] : [Math.max(0, ended - one.reportedAt)];
        }),
      );
    return {
      month,
      reported: own.length,
      toDecision: took(({ decidedAt }) => decidedAt),
      toReturn: took(({ closedAt }) => closedAt),
    };
  });
}

/** How findings were dealt with, and what releases came to. */
export async function safetyPage(
  tx: ClubTransaction,
  clubId: string,
  days: SafetyDays,
  now: Instant,
): Promise<SafetyPage> {
  const { zone } = (await readClub(tx, clubId)).place;
  const { from, to } = spanOf(now, days, zone);
  const times = await readFindingTimes(tx, from);
  const releases = await releasesSince(tx, from);
  const ends = new Map<ReleaseEnd, number>();
  for (const { end } of releases) if (end !== null) ends.set(end.why, (ends.get(end.why) ?? 0) + 1);
  return {
    now,
    zone,
    days,
    from,
    months: monthsOf(times, from, to, zone),
    undecided: times.filter(({ decidedAt }) => decidedAt === null).length,
    open: times.filter(({ closedAt }) => closedAt === null).length,
    releases: {
      signed: releases.length,
      withRestrictions: releases.filter(({ card }) => card.restrictions.length > 0).length,
      ended: [...ends].map(([why, count]) => ({ why, count })).toSorted((a, b) => b.count - a.count),
    },
  };
}

/** What was calculated of an aircraft: it holds as long as its records and the club's rules are the same, for one stretch of time. */
const known = new WeakMap<AircraftFacts, { readonly key: string; readonly availability: Availability }>();

/** So long it decides before others have their turn, in milliseconds. */
const TURN_MS = 20;
const turn = () =>
  new Promise<void>((resolve) => {
    setImmediate(resolve);
  });

async function availabilityIn(
  stored: StoredAircraft,
  club: Club,
  rules: string,
  from: Instant,
  to: Instant,
): Promise<Availability> {
  const key = `${rules} ${from} ${to}`;
  const found = known.get(stored.facts);
  if (found?.key === key) return found.availability;
  // Before it was entered here nothing is known of it, and nothing is held against it.
  const begins = Math.max(from, Math.min(stored.addedAt, to)) as Instant;
  const pieces: VerdictPiece[] = [];
  let began = performance.now();
  for (const piece of eachVerdict(stored.facts, club.packs, begins, to)) {
    pieces.push(piece);
    if (performance.now() - began < TURN_MS) continue;
    await turn();
    began = performance.now();
  }
  const availability = availabilityOf(pieces);
  known.set(stored.facts, { key, availability });
  return availability;
}

const inHours = (seconds: number): number => seconds / 3600;

/**
 * How available some aircraft were, what kept them from being released, and what walk-rounds passed. Each verdict is the one that was known
 * then, by the club's rules of today; what the walk-round of a day asks is left out.
 */
export async function safetyFleet(
  tx: ClubTransaction,
  reader: { readonly clubId: string; readonly roles: readonly string[] },
  { days, from: first }: { readonly days: SafetyDays; readonly from: number },
  now: Instant,
): Promise<SafetyFleet> {
  const club = await readClub(tx, reader.clubId);
  const { zone } = club.place;
  const rules = rulesOf(club);
  const { from, to } = spanOf(now, days, zone);
  const fleet = await keptFacts(tx, club, null, 'history');
  const teaches = may(reader.roles, 'see-passed-checks');
  const rows: SafetyRow[] = [];
  for (const stored of fleet.slice(first, first + MOST_AIRCRAFT)) {
    const { prepared, present } = preparedFor(stored, club, rules, now);
    const decision = decidePrepared(prepared, null, present);
    const titles = new Map(decision.rules.map(({ id, title }) => [id, title]));
    const { seconds, causes } = await availabilityIn(stored, club, rules, from, to);
    const defects = await readDefects(tx, stored.aircraftId);
    const passed = passedOf(
      defects.filter(({ foundAt }) => foundAt >= from),
      await readWalkroundsSince(tx, stored.aircraftId, new Date(from)),
      stored.facts.inspections,
      zone,
      defects,
    );
    rows.push({
      aircraftId: stored.aircraftId,
      registration: decision.registration,
      typeName: stored.typeName,
      hours: {
        Released: inHours(seconds.Released),
        Restricted: inHours(seconds.Restricted),
        Grounded: inHours(seconds.Grounded),
      },
      causes: [...causes]
        .map(([rule, lost]) => ({
          rule,
          title: sentenceCase(titles.get(rule) ?? rule.replaceAll('-', ' ')),
          hours: inHours(lost),
        }))
        .toSorted((a, b) => b.hours - a.hours),
      missed: passed.map(({ findingId, what, found, checks }) => ({
        findingId,
        what,
        found,
        passes: checks.length,
        by: teaches ? [...new Set(checks.map(({ by }) => by))] : null,
      })),
    });
  }
  return { total: fleet.length, from: first, rows };
}
