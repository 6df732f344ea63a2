import { ACTS, may, type Act } from '@/contracts/kernel/permissions';
import { Refused, type Actor, type Refusal } from './command';

/** Why somebody may not do this; null where they may. */
export function denial(actor: Pick<Actor, 'roles'>, act: Act): Refusal | null {
  return may(actor.roles, act) ? null : { code: 'not-entitled', message: ACTS[act].denied };
}

/** @throws Refused where the actor may not do this: for what turns out to be another act only inside of the transaction */
export function requireAct(actor: Pick<Actor, 'roles'>, act: Act): void {
  const denied = denial(actor, act);
  if (denied !== null) throw new Refused(denied);
}
