import type { Kysely } from 'kysely';
import { oneOf, runIn } from './kit';

export { down } from './kit';

const KINDS = ['walk-round', 'daily-inspection', 'run-up', 'briefing', 'rigging'];

const RECORD_KINDS = [
  'stated',
  'equipment',
  'item',
  'ad',
  'deferral',
  'elt',
  'vor-check',
  'database',
  'fuel-stretch',
  'work',
  'permit',
  'release',
  'daily-inspection',
  'flight-out',
  'dispatch-restriction',
  'club-document',
  'tow-rope',
  'rigging',
  'measurement',
  'sample',
  'uplift',
  'estimate',
  'done',
  'compliance',
  'list-cleared',
  'known-mark',
  'unlogged',
  'attribution',
  'ramp-data',
  'announced',
  'announced-done',
  'fuel-cleared',
  'restriction-withdrawn',
];

/**
 * Other lists stand beside the walk-rounds, each with its kind (none is a walk-round, as it was before), and the end of a rigging names
 * who helped; a dispatch restriction can be withdrawn. Older programs may still run, and would take
 * any of them for a walk-round.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(
    `alter table walkround add column kind text ${oneOf('kind', KINDS)}; alter table walkround_end add column helper text;`,
  );
  await run(
    `alter table aircraft_record drop constraint aircraft_record_kind_check, add constraint aircraft_record_kind_check ${oneOf('kind', RECORD_KINDS)}`,
  );
}
