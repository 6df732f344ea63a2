import type { ReleaseTerms } from '@/core/decision/release-terms';
import type { ReleaseCard, ReleaseEnd, ReleaseStanding } from '@/core/decision/flight-release';
import type { Instant } from '@/core/time/instant';
import { storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';

/** A release as it is written. */
export interface NewRelease {
  readonly id: string;
  readonly aircraftId: string;
  readonly flightId: string;
  readonly revision: number;
  readonly signedBy: string;
  readonly givenTo: string;
  readonly engine: string;
  readonly card: ReleaseCard;
  readonly terms: ReleaseTerms;
  /** What its address ends with, so that nobody finds a card by guessing. */
  readonly secret: string;
  readonly inputs: string;
  readonly inputsHash: string;
  readonly decision: string;
  readonly decisionHash: string;
  readonly recordedAt: Instant;
  readonly recordedBy: string;
}

/** A release as screens and commands look at it, without what it was decided from. */
export interface StoredRelease extends ReleaseStanding {
  readonly id: string;
  readonly aircraftId: string;
  readonly flightId: string;
  readonly revision: number;
  readonly givenTo: string;
  readonly signedBy: string;
  readonly recordedBy: string;
  readonly recordedAt: Instant;
  readonly card: ReleaseCard;
  readonly terms: ReleaseTerms;
  readonly secret: string;
  readonly inputsHash: string;
}

/** Writes one. */
export async function insertRelease(tx: ClubTransaction, clubId: string, release: NewRelease): Promise<void> {
  const at = new Date(release.recordedAt);
  await tx
    .insertInto('flight_release')
    .values({
      club_id: clubId,
      release_id: release.id,
      aircraft_id: release.aircraftId,
      flight_id: release.flightId,
      revision: release.revision,
      signed_by: release.signedBy,
      given_to: release.givenTo,
      until: new Date(release.terms.until),
      engine: release.engine,
      card: JSON.stringify(release.card),
      terms: JSON.stringify(release.terms),
      secret: release.secret,
      inputs: release.inputs,
      inputs_hash: release.inputsHash,
      decision: release.decision,
      decision_hash: release.decisionHash,
      happened_at: at,
      recorded_at: at,
      recorded_by: release.recordedBy,
    })
    .execute();
}

/** Ends one, unless it has ended. */
export function endReleaseOnce(
  tx: ClubTransaction,
  clubId: string,
  releaseId: string,
  {
    why,
    words,
    at,
    by,
  }: {
    readonly why: ReleaseEnd;
    readonly words: readonly string[];
    readonly at: Instant;
    readonly by: string;
  },
): Promise<Once> {
  return insertOnce(
    tx,
    'flight_release_end',
    {
      club_id: clubId,
      release_id: releaseId,
      why,
      words: JSON.stringify(words),
      happened_at: new Date(at),
      recorded_at: new Date(at),
      recorded_by: by,
    },
    ['club_id', 'release_id'],
  );
}

const stored = (tx: ClubTransaction) =>
  tx
    .selectFrom('flight_release as r')
    .leftJoin('flight_release_end as e', (join) =>
      join.onRef('e.club_id', '=', 'r.club_id').onRef('e.release_id', '=', 'r.release_id'),
    )
    .select([
      'r.release_id',
      'r.aircraft_id',
      'r.flight_id',
      'r.revision',
      'r.given_to',
      'r.signed_by',
      'r.recorded_by',
      'r.recorded_at',
      'r.until',
      'r.card',
      'r.terms',
      'r.secret',
      'r.inputs_hash',
      'e.why',
      'e.words',
      'e.recorded_at as ended_at',
    ])
    // Of those of one moment the one that has not ended comes first.
    .orderBy('e.why', (order) => order.asc().nullsFirst())
    .orderBy('r.recorded_at', 'desc')
    .orderBy('r.release_id');

type Row = Awaited<ReturnType<ReturnType<typeof stored>['execute']>>[number];

function storedRelease(row: Row): StoredRelease {
  return {
    id: row.release_id,
    aircraftId: row.aircraft_id,
    flightId: row.flight_id,
    revision: row.revision,
    givenTo: row.given_to,
    signedBy: row.signed_by,
    recordedBy: row.recorded_by,
    recordedAt: storedInstant(row.recorded_at),
    until: storedInstant(row.until),
    // Written by `insertRelease` alone, from these types.
    card: row.card as unknown as ReleaseCard,
    terms: row.terms as unknown as ReleaseTerms,
    secret: row.secret,
    inputsHash: row.inputs_hash,
    end:
      row.why === null || row.ended_at === null
        ? null
        : {
            why: row.why as ReleaseEnd,
            words: row.words as unknown as readonly string[],
            at: storedInstant(row.ended_at),
          },
  };
}

/** One by its id. */
export async function findRelease(
  tx: ClubTransaction,
  releaseId: string,
): Promise<StoredRelease | undefined> {
  const row = await stored(tx).where('r.release_id', '=', releaseId).executeTakeFirst();
  return row === undefined ? undefined : storedRelease(row);
}

/** The releases for a flight: the one that has not ended first, and then the latest. */
export async function releasesOfFlight(
  tx: ClubTransaction,
  flightId: string,
): Promise<readonly StoredRelease[]> {
  return (await stored(tx).where('r.flight_id', '=', flightId).execute()).map(storedRelease);
}

/** The releases of an aircraft that have not ended, past their time or not, the last first. */
export async function openReleases(
  tx: ClubTransaction,
  aircraftId: string,
): Promise<readonly StoredRelease[]> {
  return (await stored(tx).where('r.aircraft_id', '=', aircraftId).where('e.why', 'is', null).execute()).map(
    storedRelease,
  );
}

/** The releases of a club that have not ended, past their time or not. */
export async function openReleasesOfClub(tx: ClubTransaction): Promise<readonly StoredRelease[]> {
  return (await stored(tx).where('e.why', 'is', null).execute()).map(storedRelease);
}

/** The releases that were signed since a moment, however they ended. */
export async function releasesSince(tx: ClubTransaction, since: Instant): Promise<readonly StoredRelease[]> {
  return (await stored(tx).where('r.recorded_at', '>=', new Date(since)).execute()).map(storedRelease);
}

/** What a release was decided from, and what was decided; undefined where the club has none such. */
export async function releaseEvidence(tx: ClubTransaction, releaseId: string) {
  return tx
    .selectFrom('flight_release')
    .select(['inputs', 'inputs_hash', 'decision', 'decision_hash', 'engine'])
    .where('release_id', '=', releaseId)
    .executeTakeFirst();
}
