import type { Act } from '@/contracts/kernel/permissions';
import { isGlider, isWithoutEngine } from '@/core/records/aircraft/aircraft';
import type { Authority } from '@/core/records/club/certificate';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { listsFor, type PlanKind } from '@/core/walkround/plan-kinds';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import type { ClubTransaction } from '@/db/kernel/connection';
import { mayGoThrough } from '@/db/walkround/entitled';
import { NO_CERTIFICATE, PLAN_NAMES } from '@/explain/walkround';
import { Refused, type Actor } from '../kernel/command';

/** Which act of the one table each list is. */
export const ACT_OF: Readonly<Record<PlanKind, Act>> = {
  'walk-round': 'do-walk-round',
  'daily-inspection': 'sign-daily-inspection',
  'run-up': 'do-run-up',
  briefing: 'do-run-up',
  rigging: 'do-rigging',
};

/**
 * Looks whether there is such a list for an aircraft, and whether its signature would count: better to hear it before the work than
 * after it.
 * @throws Refused where not
 */
export async function requireList(
  tx: ClubTransaction,
  actor: Actor,
  kind: PlanKind,
  { facts }: StoredAircraft,
  authority: Authority,
  now: Instant,
): Promise<void> {
  const lists: readonly PlanKind[] = listsFor({
    isGlider: isGlider(facts.aircraft),
    hasEngine: !isWithoutEngine(facts.aircraft),
    authority,
  });
  if (kind !== 'walk-round' && !lists.includes(kind))
    throw new Refused({
      code: 'invalid',
      message: `There is no ${PLAN_NAMES[kind]} of this aircraft. Do the walk-round.`,
      problems: [{ path: 'kind', message: 'does not belong to this aircraft' }],
    });
  if (!(await mayGoThrough(tx, actor, kind, authority, civilDateAt(now, facts.place.zone))))
    throw new Refused({ code: 'not-entitled', message: NO_CERTIFICATE[kind] });
}
