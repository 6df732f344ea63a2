import type { Instant } from '../../time/instant';
import { momentsAt, civilDateAt, type ZoneId } from '../../time/zone';
import { addDays } from '../../time/civil-date';
import type { FindingState } from '../findings/life';

/** What people are told of. */
export const NOTICE_KINDS = ['flight-not-available', 'flight-available', 'finding', 'release-void'] as const;
export type NoticeKind = (typeof NOTICE_KINDS)[number];

/** Something that somebody is to be told. The same key is never told twice. */
export interface Notice {
  readonly personId: string;
  readonly kind: NoticeKind;
  readonly key: string;
  /** What it is about: a flight or a finding. */
  readonly about: string;
  /** After this moment it is of no use any more; null where it stays of use. */
  readonly useUntil: Instant | null;
}

/** A planned flight of a member as it is answered now. */
export interface WaitingFlight {
  readonly flightId: string;
  readonly personId: string;
  readonly starts: Instant;
  readonly isAvailable: boolean;
}

/** A release that became void. */
export interface VoidRelease {
  readonly releaseId: string;
  /** Who holds it, or planned the flight of a guest; null where nobody knows. */
  readonly holder: string | null;
  readonly signer: string;
  /** Who entered what ended it. */
  readonly endedBy: string;
  /** When it would have ended anyway. */
  readonly until: Instant;
}

/** What is to be told of releases that became void: once, to who holds one and to who signed it, but not to who ended it. */
export function releaseNotices(releases: readonly VoidRelease[]): readonly Notice[] {
  return releases.flatMap(({ releaseId, holder, signer, endedBy, until }) =>
    [...new Set([holder, signer])]
      .filter((personId): personId is string => personId !== null && personId !== endedBy)
      .map((personId) => ({
        personId,
        kind: 'release-void' as const,
        key: `release/${releaseId}`,
        about: releaseId,
        useUntil: until,
      })),
  );
}

/** A finding of a member as it stands now. */
export interface ReportedFinding {
  readonly findingId: string;
  readonly personId: string;
  readonly state: FindingState;
  /** Who brought it to this state; null where nobody knows. */
  readonly byPersonId: string | null;
}

/**
 * What is to be told of flights: that the aircraft is not available for one, once, and that it is again, to
 * whom the first was told. Nobody is told that all is well where nothing else was ever said.
 * @param toldOf how many times each flight was told of already: an odd number says that it was last told as
 * not available
 */
export function flightNotices(
  flights: readonly WaitingFlight[],
  toldOf: ReadonlyMap<string, number>,
  now: Instant,
): readonly Notice[] {
  return flights.flatMap(({ flightId, personId, starts, isAvailable }): readonly Notice[] => {
    const told = toldOf.get(flightId) ?? 0;
    const lastTold = told % 2 === 0;
    if (starts <= now || isAvailable === lastTold) return [];
    return [
      {
        personId,
        kind: isAvailable ? 'flight-available' : 'flight-not-available',
        key: `flight/${flightId}/${told + 1}`,
        about: flightId,
        useUntil: starts,
      },
    ];
  });
}

/** What is to be told of findings: each state that one comes to, to who reported it, once; not what the reporter did. */
export function findingNotices(findings: readonly ReportedFinding[]): readonly Notice[] {
  return findings.flatMap(({ findingId, personId, state, byPersonId }): readonly Notice[] =>
    state === 'reported' || state === 'entry-not-valid' || byPersonId === personId
      ? []
      : [
          {
            personId,
            kind: 'finding',
            key: `finding/${findingId}/${state}`,
            about: findingId,
            useUntil: null,
          },
        ],
  );
}

/** How somebody wants to be told. Times are on the field's clock, `22:00`. */
export interface NoticeSettings {
  readonly mail: boolean;
  /** No mail between these two; null for none. */
  readonly quiet: { readonly from: string; readonly until: string } | null;
  /** One mail a day at this time; null for as it comes. */
  readonly digestAt: string | null;
}

export const USUAL_SETTINGS: NoticeSettings = {
  mail: true,
  quiet: { from: '22:00', until: '06:00' },
  digestAt: null,
};

/** Several changes within so many seconds are one mail. */
export const GATHERED_S = 60;

/** The first moment from `from` on at which the field's clock shows a time. */
function nextAt(clock: string, from: Instant, zone: ZoneId): Instant {
  const today = civilDateAt(from, zone);
  for (const date of [today, addDays(today, 1), addDays(today, 2)]) {
    // A time that the clock leaves out in spring comes with the next day.
    const found = momentsAt(date, clock, zone).find((at) => at >= from);
    if (found !== undefined) return found;
  }
  return from;
}

/** Whether a moment lies in the quiet hours, which may go over midnight. @returns when they end; null where it does not */
function quietUntil({ quiet }: NoticeSettings, at: Instant, zone: ZoneId): Instant | null {
  if (quiet === null || quiet.from === quiet.until) return null;
  const end = nextAt(quiet.until, at, zone);
  // In quiet hours the next thing to come is their end, before they begin again: at their first moment, too.
  return end < nextAt(quiet.from, (at + 1) as Instant, zone) ? end : null;
}

/**
 * When the mail with some notices is sent; null where none is. In quiet hours it waits for their end, and a
 * digest for its time, unless one of the notices would be of no use by then.
 * @param waiting the notices that were not sent yet, each with when it was written
 */
export function mailAt(
  waiting: readonly { readonly recordedAt: Instant; readonly useUntil: Instant | null }[],
  settings: NoticeSettings,
  zone: ZoneId,
): Instant | null {
  const [first] = waiting.map(({ recordedAt }) => recordedAt).toSorted((a, b) => a - b);
  if (!settings.mail || first === undefined) return null;
  const gathered = (first + GATHERED_S * 1000) as Instant;
  const digest = settings.digestAt === null ? gathered : nextAt(settings.digestAt, first, zone);
  const quiet = quietUntil(settings, digest, zone);
  const at = quiet ?? digest;
  const isLate = waiting.some(({ useUntil }) => useUntil !== null && useUntil <= at);
  return isLate ? gathered : at;
}

/**
 * When a device is told of a notice: at once, or after the quiet hours, unless it would be of no use by then. A
 * device shows each notice by itself: nothing is gathered, and the digest is the mail's.
 */
export function pushAt(
  { recordedAt, useUntil }: { readonly recordedAt: Instant; readonly useUntil: Instant | null },
  settings: NoticeSettings,
  zone: ZoneId,
): Instant {
  const at = quietUntil(settings, recordedAt, zone) ?? recordedAt;
  return useUntil !== null && useUntil <= at ? recordedAt : at;
}

/** Where a browser is told: what it gave when its person asked to be told there. */
export interface PushAddress {
  readonly endpoint: string;
  readonly p256dh: string;
  readonly auth: string;
}

/** What a device is told. The same id is the same notice: a device shows it once. */
export interface Push {
  readonly id: string;
  readonly title: string;
  readonly body: string;
  readonly path: string;
  /** Not shown after this moment. */
  readonly useUntil: Instant | null;
}

/** How the telling of a device ended. */
export interface PushOutcome {
  readonly outcome: 'sent' | 'gone' | 'refused';
  readonly note: string;
}

/**
 * Tells one device. @throws where nobody knows whether it was taken, or the push service cannot take it now: it
 * is sent again later
 */
export type SendPush = (to: PushAddress, push: Push) => Promise<PushOutcome>;
