import { may } from '@/contracts/kernel/permissions';
import { volume } from '@/core/quantities/volume';
import { addSeconds, type Instant } from '@/core/time/instant';
import { trendsOf, waterTrends } from '@/core/walkround/trends';
import { findByRegistration } from '@/db/aircraft/aircraft-documents';
import { othersOfKind } from '@/db/aircraft/other-records';
import { readClub, type Club } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readDefects } from '@/db/walkround/defects';
import { readWalkroundsSince } from '@/db/walkround/walkrounds';
import { tellTrend, tellWater, type TrendView } from '@/explain/trends';
import { keptFacts } from '../kernel/kept-facts';
import { passedOf, type PassedDefect } from './passed-checks';

/** What an aircraft's walk-rounds have taught so far. */
export interface AircraftTrends {
  readonly trends: readonly TrendView[];
  readonly water: readonly { readonly words: string; readonly isOften: boolean }[];
  /** Null for those who do not teach from it. */
  readonly passed: readonly PassedDefect[] | null;
}

const YEAR_S = 366 * 86_400;

/** The club's limit on oil use, picolitres an hour; null where it has none. */
function oilLimitOf({ packs }: Club): number | null {
  const policy = packs.club;
  return policy === null ? null : volume((policy.parameters.oilUseLimit / 1000).toFixed(3), 'US qt');
}

/** What is followed of an aircraft over the last year; null when the club has no such aircraft. @param roles of who asks */
export async function aircraftTrends(
  tx: ClubTransaction,
  clubId: string,
  registration: string,
  roles: readonly string[],
  now: Instant,
): Promise<AircraftTrends | null> {
  const row = await findByRegistration(tx, registration);
  if (row === undefined) return null;
  const club = await readClub(tx, clubId);
  const { zone } = club.place;
  const [stored] = await keptFacts(tx, club, row.aircraft_id);
  if (stored === undefined) return null;
  const { facts } = stored;
  const since = addSeconds(now, -YEAR_S);
  const struck = new Set(facts.strikes.map(({ record }) => record));
  const counted = <R extends { readonly id: string; readonly happenedAt: Instant }>(records: readonly R[]) =>
    records.filter(({ id, happenedAt }) => !struck.has(id) && happenedAt >= since);
  const measurements = counted(await othersOfKind(tx, row.aircraft_id, 'measurement'));
  const samples = counted(await othersOfKind(tx, row.aircraft_id, 'sample'));
  const uplifts = counted(await othersOfKind(tx, row.aircraft_id, 'uplift'));
  const trends = trendsOf(measurements, uplifts, facts.aircraft.particulars.measured, oilLimitOf(club), now);
  return {
    trends: trends.map((trend) => tellTrend(trend, zone)),
    water: waterTrends(samples).map((trend) => ({ words: tellWater(trend), isOften: trend.isOften })),
    passed: may(roles, 'see-passed-checks')
      ? passedOf(
          (await readDefects(tx, row.aircraft_id)).filter(({ foundAt }) => foundAt >= since),
          await readWalkroundsSince(tx, row.aircraft_id, new Date(since)),
          facts.inspections,
          zone,
        )
      : null,
  };
}
