import { may } from '@/contracts/kernel/permissions';
import { idSchema } from '@/contracts/kernel/scalars';
import type { AircraftFacts } from '@/core/records/facts';
import type { Instant } from '@/core/time/instant';
import { endOfDay, type ZoneId } from '@/core/time/zone';
import { passedChecks } from '@/core/walkround/missed-checks';
import { placeOnAircraft } from '@/core/walkround/place';
import { readClub } from '@/db/club/clubs';
import { findDiscrepancy } from '@/db/findings/discrepancies';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readDefects, type DefectOnRecord } from '@/db/walkround/defects';
import { readWalkroundsSince, type StoredWalkround } from '@/db/walkround/walkrounds';
import { momentText } from '@/explain/formats';
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

/** The defects that walk-rounds passed before they were found, each with those walk-rounds. */
export function passedOf(
  defects: readonly DefectOnRecord[],
  walkrounds: readonly StoredWalkround[],
  inspections: AircraftFacts['inspections'],
  zone: ZoneId,
  // Those whose return to service shows that it was absent.
  all: readonly DefectOnRecord[] = defects,
): readonly PassedDefect[] {
  const done = walkrounds.map(({ walkroundId, by, plan, events }) => ({
    walkroundId,
    by,
    steps: plan.steps,
    events,
  }));
  return defects.flatMap((defect) => {
    const absent = absentBefore(defect, all, inspections, zone);
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

/** The walk-rounds that passed a finding's step while it may have been there. */
export interface PassedChecks {
  readonly checks: readonly (Omit<PassedView, 'by'> & {
    /** Null for readers who do not teach from it: they see how often, and not who. */
    readonly by: string | null;
  })[];
  readonly absent: string | null;
}

/** Nobody looks further back than a year. */
const YEAR_MS = 366 * 86_400_000;

/** Reads the walk-rounds that passed a finding; null when the club has no such finding. */
export async function readPassedChecks(
  tx: ClubTransaction,
  reader: { readonly clubId: string; readonly roles: readonly string[] },
  findingId: string,
): Promise<PassedChecks | null> {
  if (!idSchema().safeParse(findingId).success) return null;
  const found = await findDiscrepancy(tx, findingId);
  if (found === undefined) return null;
  const club = await readClub(tx, reader.clubId);
  const [stored] = await keptFacts(tx, club, found.aircraft_id);
  const defects = await readDefects(tx, found.aircraft_id);
  const own = defects.find(({ id }) => id === findingId);
  if (stored === undefined || own === undefined) return { checks: [], absent: null };
  const since = new Date(own.foundAt - YEAR_MS);
  const [passed] = passedOf(
    [own],
    await readWalkroundsSince(tx, found.aircraft_id, since),
    stored.facts.inspections,
    club.place.zone,
    defects,
  );
  const named = may(reader.roles, 'see-passed-checks');
  return {
    checks: (passed?.checks ?? []).map((check) => ({ ...check, by: named ? check.by : null })),
    absent: passed?.absent ?? null,
  };
}
