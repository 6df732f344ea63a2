import type { Kysely } from 'kysely';
import { oneOf, runIn } from './kit';

export { down } from './kit';

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
  'work-approval',
  'check-flight',
  'independent-inspection',
  'triage',
  'minimum-equipment-list',
];

/**
 * An aircraft's approved minimum equipment list is a record of its own. Older programs may still run, and refuse an aircraft that has
 * such a record.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(
    `alter table aircraft_record drop constraint aircraft_record_kind_check, add constraint aircraft_record_kind_check ${oneOf('kind', RECORD_KINDS)}`,
  );
}
