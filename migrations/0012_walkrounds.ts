import type { Kysely } from 'kysely';
import { keepByClub, oneOf, runIn, WRITTEN } from './kit';

export { down } from './kit';

const KINDS = [
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
];

/** Walk-rounds: each with the plan that it was done by, what was answered step by step, and how it ended; and the school's own way of walking round. */
const TABLES = `
create table walkround (
  club_id uuid not null, walkround_id uuid not null, aircraft_id uuid not null, flight_id uuid,
  list text not null ${oneOf('list', ['whole', 'short'])}, plan jsonb not null, begun_by text not null, ${WRITTEN},
  primary key (club_id, walkround_id), foreign key (club_id, aircraft_id) references aircraft
);
create index walkround_aircraft on walkround (club_id, aircraft_id, happened_at desc);

-- What happened on it, in the order of the phone: number counts each writer's own.
create table walkround_event (
  club_id uuid not null, event_id uuid not null, walkround_id uuid not null, number integer not null check (number >= 0),
  kind text not null ${oneOf('kind', ['answer', 'interrupted'])}, step text,
  answer text ${oneOf('answer', ['fine', 'found', 'not-seen', 'partly-seen'])}, because text, took_ms integer not null check (took_ms >= 0),
  finding_id uuid, said_by text not null, ${WRITTEN},
  primary key (club_id, event_id), foreign key (club_id, walkround_id) references walkround,
  constraint answers_a_step check ((kind = 'answer') = (step is not null) and (kind = 'answer') = (answer is not null))
);
create index walkround_event_walkround on walkround_event (club_id, walkround_id, happened_at);

-- A walk-round ends once: signed by the person who did it, or given up.
create table walkround_end (
  club_id uuid not null, walkround_id uuid not null, how text not null ${oneOf('how', ['signed', 'given-up'])}, ended_by text not null, ${WRITTEN},
  primary key (club_id, walkround_id), foreign key (club_id, walkround_id) references walkround
);

-- How the school walks round, each time the whole of it: the highest number counts.
create table walkround_method (
  club_id uuid not null references club, number integer not null check (number > 0), change_id uuid not null, method jsonb not null, said_by text not null, ${WRITTEN},
  primary key (club_id, number), unique (club_id, change_id)
);

-- Of many figures the last count: found by kind and quantity, without reading the years before.
create index aircraft_record_ramp on aircraft_record (club_id, aircraft_id, kind, (body->>'quantity'), happened_at desc) where kind in ('measurement', 'sample');
create index aircraft_record_suspect on aircraft_record (club_id, aircraft_id) where kind = 'sample' and coalesce(body->>'result', '') <> 'clean';
`;

/** Tables, indexes and kinds of records are added: older programs may still run, and would not read what these hold. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(TABLES);
  await run(
    `alter table aircraft_record drop constraint aircraft_record_kind_check, add constraint aircraft_record_kind_check ${oneOf('kind', KINDS)}`,
  );
  await keepByClub(run, { walkround: [], walkround_event: [], walkround_end: [], walkround_method: [] });
}
