import { CATALOGUE, catalogueStep } from '@/core/walkround/catalogue';
import { FLIGHT_FEATURES } from '@/core/walkround/features';
import type { Method } from '@/core/walkround/method';
import { planWalkround, slotOf } from '@/core/walkround/plan';
import type { PlanAircraft } from '@/core/walkround/plan-step';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readMethod } from '@/db/walkround/method';

/** How the school walks round, as its page shows it. */
export interface SchoolMethodView {
  readonly number: number;
  readonly required: boolean;
  readonly method: Method;
  /** The steps of the list by code, with their words. */
  readonly steps: readonly { readonly code: string; readonly title: string; readonly station: string }[];
  /** Every step of an aircraft that has everything, in the order of this method. */
  readonly walked: readonly WalkedStep[];
}

/** A step where it stands on the walk. */
export interface WalkedStep {
  /** As a school's own order names it. */
  readonly slot: string;
  readonly title: string;
  readonly place: string;
  readonly station: string;
  readonly side: 'left' | 'right' | null;
}

/** An aircraft that has everything, with a tank on each side: what a school arranges holds for each of its own. */
const EVERYTHING: PlanAircraft = {
  features: null,
  notFitted: [],
  without: [],
  tanks: ['left', 'right'].map((id) => ({ id, usable: 0, dip: null })),
  drains: null,
  measured: [],
  blades: 1,
  tab: null,
  propeller: null,
  sampleSeconds: 0,
  marks: [],
  oftenWet: [],
};

function walkedBy(method: Method): readonly WalkedStep[] {
  const { steps } = planWalkround(EVERYTHING, method, FLIGHT_FEATURES, 'whole');
  const bySlot = new Map<string, WalkedStep>();
  for (const step of steps) {
    const { place, station, side } = step;
    const slot = slotOf(step);
    // Of what comes several times on one side the words of the list itself.
    const title =
      catalogueStep(step.code)
        ?.title.replace(/ ?\{\w+\} ?/gu, ' ')
        .trim() ?? step.title;
    if (!bySlot.has(slot)) bySlot.set(slot, { slot, title, place, station, side });
  }
  return [...bySlot.values()];
}

/** How the school walks round. */
export async function schoolMethod(tx: ClubTransaction): Promise<SchoolMethodView> {
  const known = await readMethod(tx);
  return {
    ...known,
    walked: walkedBy(known.method),
    steps: CATALOGUE.map(({ code, title, station }) => ({ code, title, station })),
  };
}
