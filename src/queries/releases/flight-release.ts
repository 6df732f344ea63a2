import { cardAddress, type CardAddress } from '@/contracts/releases/card-address';
import { decidePrepared } from '@/core/decision/decide';
import type { Prepared } from '@/core/decision/prepare';
import { asReleased } from '@/core/metering/leaving';
import { knownAt } from '@/core/records/facts';
import type { ReleaseCard } from '@/core/decision/flight-release';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { readClub, type Club } from '@/db/club/clubs';
import { findPlanned, type StoredFlight } from '@/db/flights/planned-flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { findRelease, releasesOfFlight, type StoredRelease } from '@/db/releases/flight-releases';
import { readPlanMarks } from '@/db/walkround/plan-aircraft';
import { againstRelease, whyOver } from '@/explain/flight-release';
import { releaseOf } from '@/explain/release-card';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';

/** A release as the dispatch page shows it. */
export interface ReleaseView {
  readonly releaseId: string;
  readonly card: ReleaseCard;
  /** Why it holds no longer, in words; null where it holds. */
  readonly over: string | null;
  /** True where something new came up since it was signed: the pilot and the desk must know. */
  readonly isVoid: boolean;
  /** Where anybody who has the address looks whether it holds. */
  readonly path: string;
}

/** What the dispatch page knows of a flight's release. */
export interface ReleaseAtDispatch {
  /** The last one that was signed; null where none was. */
  readonly signed: ReleaseView | null;
  /** What would be signed now; null where nothing can be. */
  readonly toSign: ReleaseCard | null;
}

/** Where its card is looked at. */
const pathOf = (clubId: string, { id: releaseId, secret }: Pick<StoredRelease, 'id' | 'secret'>): string =>
  `/card/${cardAddress({ clubId, releaseId, secret })}`;

/** Why a release holds no longer: how it ended, or what speaks against it now; null where it holds. */
function overNow(
  release: StoredRelease,
  prepared: Prepared,
  planned: StoredFlight | undefined,
  present: Instant,
  club: Club,
): { readonly over: string | null; readonly isVoid: boolean } {
  const { zone } = club.place;
  const over = whyOver(release, present, zone);
  if (over !== null) return { over, isVoid: release.end?.why === 'void' };
  const hasLeft = planned?.left === true;
  const flight = planned === undefined || hasLeft ? null : asReleased(planned.flight, present);
  const words = againstRelease(
    release.terms,
    decidePrepared(prepared, flight, present),
    hasLeft || planned === undefined,
    zone,
  );
  return words.length === 0
    ? { over: null, isVoid: false }
    : { over: `It holds no longer: ${words.join(' ')}`, isVoid: true };
}

/** The release of a flight, and what would be signed now. */
export async function releaseAtDispatch(
  tx: ClubTransaction,
  club: Club,
  stored: StoredAircraft,
  { prepared, present }: { readonly prepared: Prepared; readonly present: Instant },
  flightId: string,
  planned: StoredFlight | undefined,
): Promise<ReleaseAtDispatch> {
  const [last] = await releasesOfFlight(tx, flightId);
  const signed =
    last === undefined
      ? null
      : {
          releaseId: last.id,
          card: last.card,
          ...overNow(last, prepared, planned, present, club),
          path: pathOf(club.clubId, last),
        };
  if (planned === undefined || planned.left) return { signed, toSign: null };
  const flight = asReleased(planned.flight, present);
  const made = releaseOf(
    decidePrepared(prepared, flight, present),
    knownAt(stored.facts, present, authorityOf(club.packs)),
    flight,
    {
      typeName: stored.typeName,
      person: planned.personName,
      by: '',
      measured: [],
      compare: (await readPlanMarks(tx, stored)).map(
        ({ what, size }) => `${what}${size === null ? '' : `, ${size}`}`,
      ),
    },
  );
  return { signed, toSign: made?.card ?? null };
}

/** A card as anybody sees it who has its address: what was signed, and whether it holds. */
export interface PublicCard {
  readonly card: ReleaseCard;
  readonly over: string | null;
  readonly isVoid: boolean;
  readonly now: Instant;
  readonly zone: string;
}

/** The card behind an address; null where there is none, or where the address is not that of the card. */
export async function publicCard(
  tx: ClubTransaction,
  { clubId, releaseId, secret }: CardAddress,
  now: Instant,
): Promise<PublicCard | null> {
  const release = await findRelease(tx, releaseId);
  if (release === undefined || release.secret !== secret) return null;
  const club = await readClub(tx, clubId);
  const [stored] = await keptFacts(tx, club, release.aircraftId);
  if (stored === undefined) return null;
  const { prepared, present } = preparedFor(stored, club, rulesOf(club), now);
  const planned = await findPlanned(tx, release.flightId);
  return {
    card: release.card,
    ...overNow(release, prepared, planned, present, club),
    now,
    zone: club.place.zone,
  };
}
