import { may } from '@/contracts/kernel/permissions';
import { authorityFor, type SignedWork } from '@/core/records/club/certificate';
import { CLASSIFICATIONS, isDeferrable } from '@/core/records/findings/discrepancy';
import { watchSignedAs } from '@/core/records/findings/triage';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { stepOf } from '@/core/walkround/classify';
import { placeOnAircraft } from '@/core/walkround/place';
import { readClub } from '@/db/club/clubs';
import { readWaiting } from '@/db/findings/waiting';
import { exactlyOneOf } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';
import { momentText } from '@/explain/formats';
import { CLASS_MEANINGS } from '@/explain/names';
import { certificatesFor, ownCertificates, type OfferedCertificate } from '../kernel/own-certificates';

/** A finding that waits for a decision, with the ways that are open to the reader. */
export interface TriageRow {
  readonly id: string;
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly revision: number;
  readonly what: string;
  readonly where: string;
  readonly item: string;
  readonly found: string;
  readonly meaning: string;
  readonly grounds: boolean;
  /** When the next flight leaves that it holds up; empty where none is planned. */
  readonly holdsUp: string;
  readonly photos: readonly string[];
  readonly before: { readonly here: number; readonly type: number };
  readonly similar: readonly { readonly id: string; readonly what: string }[];
  readonly isDeferrable: boolean;
  /** The reader's certificates by which they may sign that it is watched; null where it cannot be watched. */
  readonly watch: readonly OfferedCertificate[] | null;
}

/** The findings that wait. */
export interface TriageList {
  readonly now: Instant;
  readonly zone: string;
  readonly today: string;
  readonly total: number;
  readonly mayDecide: boolean;
  readonly rows: readonly TriageRow[];
}

/** So many are shown at once: the next come when these are decided. */
const MOST = 50;

/** The findings about which nobody has decided, by what they hold up. */
export async function triageList(
  tx: ClubTransaction,
  reader: {
    readonly clubId: string;
    readonly personId: string;
    readonly name: string;
    readonly roles: readonly string[];
  },
  now: Instant,
): Promise<TriageList> {
  const club = await readClub(tx, reader.clubId);
  const { zone } = club.place;
  const today = civilDateAt(now, zone);
  const { first: waiting, total } = await readWaiting(tx, now, MOST);
  const own = await ownCertificates(tx, reader.personId);
  const mayDecide = may(reader.roles, 'triage-finding');
  // Repairmen of light-sport aircraft sign no judgement of a find and no return of other categories: without its category the stricter
  // list holds.
  const authority = authorityFor(authorityOf(club.packs), { category: null });
  const offered = new Map<SignedWork, readonly OfferedCertificate[]>();
  const certificates = (work: SignedWork) => {
    const known =
      offered.get(work) ?? (mayDecide ? certificatesFor(work, own, reader.name, today, authority) : []);
    offered.set(work, known);
    return known;
  };
  return {
    now,
    zone,
    today,
    total,
    mayDecide,
    rows: waiting.map((row) => {
      const classification = exactlyOneOf(CLASSIFICATIONS, row.classification, 'classification');
      return {
        id: row.id,
        aircraftId: row.aircraftId,
        registration: row.registration,
        typeName: row.typeName,
        revision: row.revision,
        what: row.what,
        where: placeOnAircraft(row.station, row.side),
        item: row.step === null ? '' : (stepOf(row.step)?.item ?? ''),
        found: `${momentText(row.happenedAt, zone)} by ${row.foundBy}`,
        meaning: CLASS_MEANINGS[classification],
        grounds: classification === 'ground-until-mechanic',
        holdsUp: row.nextFlight === null ? '' : momentText(row.nextFlight, zone),
        photos: row.photos,
        before: row.before,
        similar: row.similar,
        isDeferrable: row.equipment.length > 0 && isDeferrable(classification),
        watch: row.equipment.length > 0 ? null : certificates(watchSignedAs({ classification })),
      };
    }),
  };
}
