// What both of the demo's clubs are made with.
import { createHash } from 'node:crypto';
import type { Outcome, Ports } from '../src/commands/kernel/command';
import type { Instant } from '../src/core/time/instant';
import { idsFrom } from './identity';

export const SEED = 20_261_124;
const id = idsFrom(SEED);

/** The aircraft whose meter recorders the stand-in flies: one that is out with its renter, and one that somebody takes without writing it down. */
export const BOXED: readonly string[] = ['N01TG', 'N04TB'];

/** The key of a demo box, known to the stand-in. Keys of real boxes are made by chance and kept nowhere. */
export const boxSecret = (registration: string): string =>
  createHash('sha256').update(`demo box ${SEED} ${registration}`).digest('hex');

/** The account id of one of the demo's people. */
export const personId = (key: string): string => id(`person/${key}`);

/** The ports with the clock set to one moment of the demo's past. The demo's own signatures need no password. */
export const portsAt = (ports: Ports, moment: Instant): Ports => ({
  ...ports,
  now: () => moment,
  checkPassword: () => Promise.resolve('right'),
});

/** What the demo's own data must be: never refused. */
export function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(`the demo’s own data was refused: ${JSON.stringify(outcome.refusal)}`);
  return outcome.value;
}
