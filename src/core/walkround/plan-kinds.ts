import type { Authority, SignedWork } from '../records/club/certificate';

/**
 * Lists that are gone through on the ramp, each as a plan with its own signature. `daily-inspection` is the
 * whole walk-round with what the day's certification asks for; the others stand beside the walk-round and
 * never for it.
 */
export const PLAN_KINDS = ['walk-round', 'daily-inspection', 'run-up', 'briefing', 'rigging'] as const;
export type PlanKind = (typeof PLAN_KINDS)[number];

/** What a plan is for; one of before there were others is a walk-round. */
export const kindOf = ({ kind }: { readonly kind?: PlanKind }): PlanKind => kind ?? 'walk-round';

/** Whether going through a list is a look at the whole aircraft before a flight: nothing else stands for one. */
export const isWalkround = (plan: { readonly kind?: PlanKind }): boolean =>
  kindOf(plan) === 'walk-round' || kindOf(plan) === 'daily-inspection';

/** What somebody's own certificate has to be good for to go through a list and sign it; null asks for none. */
export const SIGNED_AS: Readonly<Record<PlanKind, SignedWork | null>> = {
  'walk-round': null,
  'daily-inspection': 'daily-inspection',
  'run-up': null,
  briefing: null,
  rigging: 'rigging',
};

/** The lists that there are for an aircraft beside the walk-round. @param hasEngine where nobody knows, it has one */
export const listsFor = (aircraft: {
  readonly isGlider: boolean;
  readonly hasEngine: boolean;
  readonly authority: Authority;
}): readonly Exclude<PlanKind, 'walk-round'>[] => [
  ...(aircraft.authority === 'au' ? (['daily-inspection'] as const) : []),
  ...(aircraft.isGlider ? (['rigging'] as const) : []),
  ...(aircraft.hasEngine ? (['run-up'] as const) : []),
  'briefing',
];

/** A step by its code: of the master list, of the run-up, the briefing, the rigging or the daily inspection. */
export const STEP_CODE = /^(K\d{3}|[UBRD]\d{2})$/;
