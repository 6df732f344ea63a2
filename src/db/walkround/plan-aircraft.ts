import { latestOf } from '@/core/records/facts';
import type { RampData } from '@/core/records/walkround/ramp-data';
import { waterTrends } from '@/core/walkround/trends';
import type { PlanAircraft } from '@/core/walkround/plan-step';
import type { StoredAircraft } from '../aircraft/facts-from-rows';
import { othersOfKind } from '../aircraft/other-records';
import { photosOfRecords } from '../findings/record-photos';
import type { ClubTransaction } from '../kernel/connection';

/** Blades of a propeller and seconds of a sample where nobody has said; the usual, and on the long side. Common practice, no source. */
const USUAL = { blades: 2, sampleSeconds: 4 } as const;

/** What was last said of an aircraft for its walk-round; null where nobody has. */
export async function readRampData(tx: ClubTransaction, aircraftId: string): Promise<RampData | null> {
  return (await othersOfKind(tx, aircraftId, 'ramp-data')).at(-1) ?? null;
}

/** The marks that were accepted and not struck out, with their pictures. */
export async function readPlanMarks(
  tx: ClubTransaction,
  { aircraftId, facts }: StoredAircraft,
): Promise<PlanAircraft['marks']> {
  const marks = await othersOfKind(tx, aircraftId, 'known-mark');
  if (marks.length === 0) return [];
  const photos = await photosOfRecords(tx, aircraftId);
  return marks
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
