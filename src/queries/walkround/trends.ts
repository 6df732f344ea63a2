import { may } from '@/contracts/kernel/permissions';
import { volume } from '@/core/quantities/volume';
import type { AircraftFacts } from '@/core/records/facts';
import { addSeconds, type Instant } from '@/core/time/instant';
import { endOfDay, type ZoneId } from '@/core/time/zone';
import { passedChecks } from '@/core/walkround/missed-checks';
import { placeOnAircraft } from '@/core/walkround/place';
import { trendsOf, waterTrends } from '@/core/walkround/trends';
import { findByRegistration } from '@/db/aircraft/aircraft-documents';
import { othersOfKind } from '@/db/aircraft/other-records';
import { readClub, type Club } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readDefects, type DefectOnRecord } from '@/db/walkround/defects';
import { readWalkroundsSince, type StoredWalkround } from '@/db/walkround/walkrounds';
import { momentText } from '@/explain/formats';
import { tellTrend, tellWater, type TrendView } from '@/explain/trends';
import { keptFacts } from '../kernel/kept-facts';

/** A walk-round that passed the step of a defect before it was found. */
export interface PassedView {
  readonly by: string;
  readonly when: string;
  readonly seconds: number;
  readonly isTooFast: boolean;
}

/** A defect with the walk-rounds that passed its step while it may have been there. */
export interface PassedDefect {
  readonly findingId: string;
  readonly what: string;
  readonly where: string;
  readonly found: string;
  /** When it was last surely absent; null where nobody knows of a moment. */
  readonly absent: string | null;
  readonly checks: readonly PassedView[];
}

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

/** When a defect was last surely absent: the last return to service of its step, or the last inspection of the aircraft. */
function absentBefore(
  defect: DefectOnRecord,
  defects: readonly DefectOnRecord[],
  inspections: AircraftFacts['inspections'],
  zone: ZoneId,
): Instant | null {
  const returned = defects.flatMap(({ step, side, closedAt }) =>
    step === defect.step
    && (side === null || defect.side === null || side === defect.side)
    && closedAt !== null
      ? [closedAt]
      : [],
  );
  const inspected = inspections.map(({ completedOn }) => endOfDay(completedOn, zone));
  const before = [...returned, ...inspected].filter((at) => at < defect.foundAt);
  return before.length === 0 ? null : (Math.max(...before) as Instant);
}

function passedOf(
  defects: readonly DefectOnRecord[],
  walkrounds: readonly StoredWalkround[],
  inspections: AircraftFacts['inspections'],
  zone: ZoneId,
): readonly PassedDefect[] {
  const done = walkrounds.map(({ walkroundId, by, plan, events }) => ({
    walkroundId,
    by,
    steps: plan.steps,
    events,
  }));
  return defects.flatMap((defect) => {
    const absent = absentBefore(defect, defects, inspections, zone);
    const checks = passedChecks(defect, done, absent);
    if (checks.length === 0) return [];
    return [
      {
        findingId: defect.id,
        what: defect.what,
        where: placeOnAircraft(defect.station, defect.side),
        found: momentText(defect.foundAt, zone),
        absent: absent === null ? null : momentText(absent, zone),
        checks: checks.map(({ by, at, took, isTooFast }) => ({
          by,
          when: momentText(at, zone),
          seconds: Math.round(took / 100) / 10,
          isTooFast,
        })),
      },
    ];
  });
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
