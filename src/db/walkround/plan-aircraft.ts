import { latestOf } from '@/core/records/facts';
import type { RampData } from '@/core/records/walkround/ramp-data';
import { waterTrends } from '@/core/walkround/trends';
import type { PlanAircraft } from '@/core/walkround/plan-step';
import type { StoredAircraft } from '../aircraft/facts-from-rows';
import { othersOfKind } from '../aircraft/other-records';
import { photosOfRecords } from '../findings/record-photos';
import { exactlyOneOf } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';

/** Blades of a propeller and seconds of a sample where nobody has said; the usual, and on the long side. Common practice, no source. */
const USUAL = { blades: 2, sampleSeconds: 4 } as const;

/** What was last said of an aircraft for its walk-round; null where nobody has. */
export async function readRampData(tx: ClubTransaction, aircraftId: string): Promise<RampData | null> {
  return (await othersOfKind(tx, aircraftId, 'ramp-data')).at(-1) ?? null;
}

/** Findings that somebody watches, as they were when they were last looked at: a walk-round compares them as it compares known marks. */
async function watchedMarks(
  tx: ClubTransaction,
  { aircraftId, facts }: StoredAircraft,
): Promise<PlanAircraft['marks']> {
  const notes = new Map(
    (await othersOfKind(tx, aircraftId, 'triage'))
      .filter(({ triage }) => triage.decision === 'watch')
      .map(({ discrepancy, note }) => [discrepancy, note]),
  );
  if (notes.size === 0) return [];
  const open = facts.discrepancies.filter(({ id, rectification }) => notes.has(id) && rectification === null);
  if (open.length === 0) return [];
  const ids = open.map(({ id }) => id);
  const rows = await tx
    .selectFrom('discrepancy')
    .select(['discrepancy_id', 'what', 'station', 'side', 'step'])
    .where('discrepancy_id', 'in', ids)
    .orderBy('recorded_at')
    .orderBy('discrepancy_id')
    .execute();
  const photos = await tx
    .selectFrom('photo')
    .select(['photo_id', 'discrepancy_id'])
    .where('discrepancy_id', 'in', ids)
    .orderBy('recorded_at')
    .execute();
  return rows.map((row) => ({
    id: row.discrepancy_id,
    what: `${row.what}, watched`,
    size: notes.get(row.discrepancy_id) ?? null,
    station: row.station,
    side: row.side === null ? null : exactlyOneOf(['left', 'right'], row.side, 'side of a finding'),
    step: row.step,
    x: null,
    y: null,
    photos: photos.filter((one) => one.discrepancy_id === row.discrepancy_id).map((one) => one.photo_id),
  }));
}

/** What is compared on a walk-round: the marks that were accepted and not struck out, and the findings that are watched, with their pictures. */
export async function readPlanMarks(
  tx: ClubTransaction,
  stored: StoredAircraft,
): Promise<PlanAircraft['marks']> {
  const { aircraftId, facts } = stored;
  const watched = await watchedMarks(tx, stored);
  const marks = await othersOfKind(tx, aircraftId, 'known-mark');
  if (marks.length === 0) return watched;
  const photos = await photosOfRecords(tx, aircraftId);
  const known = marks
    .filter(({ id }) => !facts.strikes.some(({ record }) => record === id))
    .map(({ id, what, size, station, side, step, x, y }) => ({
      id,
      what,
      size: size ?? null,
      station,
      side,
      step: step ?? null,
      x,
      y,
      photos: photos.get(id) ?? [],
    }));
  return [...known, ...watched];
}

/** What decides which steps an aircraft has. What nobody has said leaves nothing out. */
export function planAircraftOf(
  { features, facts }: StoredAircraft,
  data: RampData | null,
  marks: PlanAircraft['marks'],
): PlanAircraft {
  const { fuel, measured, engine } = facts.aircraft.particulars;
  const equipment = latestOf(facts.equipment)?.items ?? [];
  return {
    features: data?.features ?? features,
    notFitted: equipment.filter(({ fitted }) => fitted === false).map(({ kind }) => kind),
    without: data?.without ?? [],
    tanks: (fuel?.tanks ?? []).map(({ id, usable }) => ({
      id,
      usable,
      dip: data?.dips.find(({ tank }) => tank === id) ?? null,
    })),
    drains: fuel?.drains ?? null,
    measured,
    blades: engine === 'none' ? 0 : (data?.blades ?? USUAL.blades),
    tab: data?.tab ?? null,
    propeller: data?.propeller ?? null,
    sampleSeconds: data?.sampleSeconds ?? USUAL.sampleSeconds,
    marks,
    oftenWet: waterTrends(facts.ramp?.samples ?? [])
      .filter(({ isOften }) => isOften)
      .map(({ drain }) => drain),
  };
}
