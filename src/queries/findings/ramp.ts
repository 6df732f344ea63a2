import { signatureFaults } from '@/core/records/club/certificate';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { stepsAt } from '@/core/walkround/classify';
import { placeOnAircraft } from '@/core/walkround/place';
import { STATIONS } from '@/core/walkround/steps';
import { findByRegistration, listAircraft } from '@/db/aircraft/aircraft-documents';
import { readClub, type Club } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { othersOfKind } from '@/db/aircraft/other-records';
import { sentenceCase } from '@/explain/wording';
import { lastReport, type LastReport } from '../flights/last-report';

/** The aircraft that a finding can be reported on. */
export interface RampList {
  readonly aircraft: readonly {
    readonly aircraftId: string;
    readonly registration: string;
    readonly typeName: string;
  }[];
}

/** What a phone needs to report on one aircraft: its stations, and at each the items that this aircraft has. */
export interface RampAircraft {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  /** Whether the daily inspection was signed for today; null under rules that ask for none. */
  readonly daily: 'signed' | 'not-signed' | null;
  /** What the last pilot said; null where no flight came back yet. */
  readonly lastReport: LastReport | null;
  readonly stations: readonly {
    readonly id: string;
    readonly name: string;
    readonly places: readonly { readonly side: 'left' | 'right' | null; readonly name: string }[];
    readonly items: readonly { readonly step: string; readonly item: string; readonly typical: string }[];
  }[];
}

/** Every aircraft of the club. */
export async function rampList(tx: ClubTransaction): Promise<RampList> {
  return {
    aircraft: (await listAircraft(tx)).map((row) => ({
      aircraftId: row.aircraft_id,
      registration: row.registration,
      typeName: row.type_name,
    })),
  };
}

async function dailyOf(
  tx: ClubTransaction,
  { packs, place: { zone } }: Club,
  aircraftId: string,
  now: Instant,
): Promise<RampAircraft['daily']> {
  const authority = authorityOf(packs);
  if (authority !== 'au') return null;
  const today = civilDateAt(now, zone);
  return (await othersOfKind(tx, aircraftId, 'daily-inspection')).some(
    ({ on, signedBy }) =>
      on === today && signatureFaults(signedBy, 'daily-inspection', on, authority).length === 0,
  )
    ? 'signed'
    : 'not-signed';
}

/** One aircraft's stations and items; null when the club has no such aircraft. */
export async function rampAircraft(
  tx: ClubTransaction,
  clubId: string,
  registration: string,
  now: Instant,
): Promise<RampAircraft | null> {
  const row = await findByRegistration(tx, registration);
  if (row === undefined) return null;
  const club = await readClub(tx, clubId);
  return {
    aircraftId: row.aircraft_id,
    registration: row.registration,
    typeName: row.type_name,
    daily: await dailyOf(tx, club, row.aircraft_id, now),
    lastReport: await lastReport(tx, row.aircraft_id, club.place.zone),
    stations: STATIONS.map(({ id, name, sided }) => ({
      id,
      name,
      places: (sided ? (['left', 'right'] as const) : [null]).map((side) => ({
        side,
        name: sentenceCase(placeOnAircraft(id, side)),
      })),
      items: stepsAt(id, row.features).map(({ code, item, typicalDefect }) => ({
        step: code,
        item,
        typical: typicalDefect,
      })),
    })).filter(({ items }) => items.length > 0),
  };
}
