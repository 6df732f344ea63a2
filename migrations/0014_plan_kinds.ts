import type { Kysely } from 'kysely';
import { oneOf, runIn } from './kit';

export { down } from './kit';

const KINDS = ['walk-round', 'daily-inspection', 'run-up', 'briefing', 'rigging'];

/**
 * Other lists stand beside the walk-rounds, each with its kind (none is a walk-round, as it was before), and the end of a rigging names who helped. Older programs may still run, and would take
 * any of them for a walk-round.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(
    `alter table walkround add column kind text ${oneOf('kind', KINDS)}; alter table walkround_end add column helper text;`,
  );
}
