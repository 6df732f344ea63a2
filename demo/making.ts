// What both of the demo's clubs are made with.
import type { Outcome, Ports } from '../src/commands/command';
import type { Instant } from '../src/core/time/instant';
import { idsFrom } from './identity';

export const SEED = 20_261_124;
const id = idsFrom(SEED);

/** The account id of one of the demo's people. */
export const personId = (key: string): string => id(`person/${key}`);

/** The ports with the clock set to one moment of the demo's past. The demo's own signatures need no password. */
export const portsAt = (ports: Ports, moment: Instant): Ports => ({ ...ports, now: () => moment, checkPassword: () => Promise.resolve('right') });

/** What the demo's own data must be: never refused. */
export function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(`the demo’s own data was refused: ${JSON.stringify(outcome.refusal)}`);
  return outcome.value;
}
