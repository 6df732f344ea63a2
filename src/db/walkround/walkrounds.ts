import { sql } from 'kysely';
import type { UnseenStep, WalkroundOnRecord } from '@/core/records/walkround/measurement';
import type { Instant } from '@/core/time/instant';
import { catalogueStep } from '@/core/walkround/catalogue';
import type { WalkPlan } from '@/core/walkround/plan';
import { isWalkround, kindOf, PLAN_KINDS, type PlanKind } from '@/core/walkround/plan-kinds';
import type { PlanStep } from '@/core/walkround/plan-step';
import {
  NOT_SEEN_BECAUSE,
  outcomeOf,
  standingAnswers,
  STEP_ANSWERS,
  type NotSeenBecause,
  type StepAnswer,
  type WalkEvent,
} from '@/core/walkround/walk';
import { exactlyOneOf, oneOf, storedInstant } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { insertOnce, type Once } from '../kernel/insert-once';
import { reader } from '../kernel/stored-fields';

/** A walk-round as it is begun. */
export interface NewWalkround {
  readonly walkroundId: string;
  readonly aircraftId: string;
  readonly flightId: string | null;
  readonly plan: WalkPlan;
  readonly begunBy: { readonly personId: string; readonly name: string };
  readonly begunAt: Instant;
  readonly recordedAt: Instant;
}

/** Something that happened on it, with the person who says so. */
export type StoredEvent = WalkEvent & {
  readonly eventId: string;
  readonly number: number;
  readonly findingId: string | null;
  readonly by: string;
  readonly personId: string;
  readonly recordedAt: Instant;
};

/** A walk-round with all that happened on it. */
export interface StoredWalkround {
  readonly walkroundId: string;
  readonly aircraftId: string;
  readonly flightId: string | null;
  readonly plan: WalkPlan;
  readonly by: string;
  readonly personId: string;
  readonly begunAt: Instant;
  readonly recordedAt: Instant;
  readonly events: readonly StoredEvent[];
  readonly end: { readonly how: 'signed' | 'given-up'; readonly by: string; readonly at: Instant } | null;
}

/** Writes that a walk-round was begun, once. */
export function insertWalkroundOnce(
  tx: ClubTransaction,
  clubId: string,
  { walkroundId, aircraftId, flightId, plan, begunBy, begunAt, recordedAt }: NewWalkround,
): Promise<Once> {
  return insertOnce(
    tx,
    'walkround',
    {
      club_id: clubId,
      walkround_id: walkroundId,
      aircraft_id: aircraftId,
      flight_id: flightId,
      kind: kindOf(plan),
      list: plan.list,
      plan: JSON.stringify(plan),
      begun_by: begunBy.name,
      happened_at: new Date(begunAt),
      recorded_at: new Date(recordedAt),
      recorded_by: begunBy.personId,
    },
    ['club_id', 'walkround_id'],
  );
}

/** Writes what happened on a walk-round; what is there already stays as it is. */
export function insertEventOnce(
  tx: ClubTransaction,
  clubId: string,
  walkroundId: string,
  event: StoredEvent,
): Promise<Once> {
  const answered = event.kind === 'answer';
  return insertOnce(
    tx,
    'walkround_event',
    {
      club_id: clubId,
      event_id: event.eventId,
      walkround_id: walkroundId,
      number: event.number,
      kind: event.kind,
      step: answered ? event.key : null,
      answer: answered ? event.answer : null,
      because: answered ? event.because : null,
      took_ms: answered ? Math.min(event.took, 2_000_000_000) : 0,
      finding_id: event.findingId,
      said_by: event.by,
      happened_at: new Date(event.at),
      recorded_at: new Date(event.recordedAt),
      recorded_by: event.personId,
    },
    ['club_id', 'event_id'],
  );
}

/** Writes how a walk-round ended, once. */
export function insertEndOnce(
  tx: ClubTransaction,
  clubId: string,
  walkroundId: string,
  how: 'signed' | 'given-up',
  by: { readonly personId: string; readonly name: string },
  helper: string | null,
  at: Instant,
  recordedAt: Instant,
): Promise<Once> {
  return insertOnce(
    tx,
    'walkround_end',
    {
      club_id: clubId,
      walkround_id: walkroundId,
      how,
      ended_by: by.name,
      helper,
      happened_at: new Date(at),
      recorded_at: new Date(recordedAt),
      recorded_by: by.personId,
    },
    ['club_id', 'walkround_id'],
  );
}

const storedPlan = reader<WalkPlan>({
  kind: 'text~',
  mode: 'text',
  list: 'text',
  batteryMinutes: 'figure?',
  interruptedAfter: 'figure',
  clearFuelBack: 'yes-no',
  drum: 'text?',
  covers: 'list',
  steps: 'list',
});

/**
 * The raw rows of walk-rounds: one by its id, or of each aircraft those that were begun since its last flight and not given up.
 * @param of an aircraft, a walk-round, or null for the whole fleet; with `since` all that an aircraft had from then on; with `knownAt`
 * what had been recorded of some aircraft by a moment
 */
export async function readWalkroundRows(
  tx: ClubTransaction,
  of:
    | { readonly walkround: string }
    | { readonly aircraft: string; readonly since?: Date }
    | { readonly fleet: readonly string[]; readonly knownAt: Date }
    | null,
) {
  const known = of !== null && 'knownAt' in of ? of : null;
  const by = known?.knownAt ?? 'infinity';
  const from = of !== null && 'aircraft' in of ? of.since : undefined;
  const rows = await tx
    .selectFrom('walkround as w')
    .leftJoin('walkround_end as e', (join) =>
      join
        .onRef('e.club_id', '=', 'w.club_id')
        .onRef('e.walkround_id', '=', 'w.walkround_id')
        .on('e.recorded_at', '<=', sql<Date>`${by}::timestamptz`),
    )
    .select([
      'w.walkround_id',
      'w.aircraft_id',
      'w.flight_id',
      'w.kind',
      'w.plan',
      'w.begun_by',
      'w.happened_at',
      'w.recorded_at',
      'w.recorded_by',
      'e.how',
      'e.ended_by',
      'e.helper',
      'e.happened_at as ended_at',
    ])
    .$if(of !== null && 'walkround' in of, (query) =>
      query.where('w.walkround_id', '=', of !== null && 'walkround' in of ? of.walkround : ''),
    )
    .$if(from !== undefined, (query) => query.where('w.happened_at', '>=', from ?? new Date(0)))
    .$if(known !== null, (query) =>
      query
        .where('w.aircraft_id', '=', sql<string>`any(${known?.fleet ?? []}::uuid[])`)
        .where('w.recorded_at', '<=', known?.knownAt ?? new Date(0)),
    )
    .$if((of === null || 'aircraft' in of || 'knownAt' in of) && from === undefined, (query) =>
      query
        .where(sql<boolean>`coalesce(e.how, '') <> 'given-up'`)
        // An index of returns by aircraft and time answers this for each.
        .where(
          sql<boolean>`w.happened_at > coalesce((select max(r.happened_at) from flight_return r where r.club_id = w.club_id and r.aircraft_id = w.aircraft_id and r.recorded_at <= ${by}::timestamptz), '-infinity')`,
        ),
    )
    .$if(of !== null && 'aircraft' in of, (query) =>
      query.where('w.aircraft_id', '=', of !== null && 'aircraft' in of ? of.aircraft : ''),
    )
    .execute();
  const ids = rows.map((row) => row.walkround_id);
  const events =
    ids.length === 0
      ? []
      : await tx
          .selectFrom('walkround_event')
          .selectAll()
          .where('walkround_id', '=', sql<string>`any(${ids}::uuid[])`)
          .$if(known !== null, (query) => query.where('recorded_at', '<=', known?.knownAt ?? new Date(0)))
          .orderBy('happened_at')
          .orderBy('number')
          .orderBy('event_id')
          .execute();
  return { rows, events };
}
export type WalkroundRows = Awaited<ReturnType<typeof readWalkroundRows>>;

function eventOf(row: WalkroundRows['events'][number]): StoredEvent {
  const base = {
    eventId: row.event_id,
    number: row.number,
    findingId: row.finding_id,
    by: row.said_by,
    personId: row.recorded_by,
    recordedAt: storedInstant(row.recorded_at),
    at: storedInstant(row.happened_at),
  };
  if (row.kind === 'interrupted' || row.step === null) return { ...base, kind: 'interrupted' };
  return {
    ...base,
    kind: 'answer',
    key: row.step,
    answer: exactlyOneOf<StepAnswer>(STEP_ANSWERS, row.answer ?? '', 'answer of a step'),
    because: oneOf<NotSeenBecause>(NOT_SEEN_BECAUSE, row.because, 'reason why a step was not seen'),
    took: row.took_ms,
  };
}

/** Walk-rounds with all that happened on them. */
export function walkroundsOf({ rows, events }: WalkroundRows): readonly StoredWalkround[] {
  return rows.map((row) => ({
    walkroundId: row.walkround_id,
    aircraftId: row.aircraft_id,
    flightId: row.flight_id,
    // One of before plans said what they were enough for was enough for nothing beyond day and visual rules.
    plan: storedPlan(
      {
        covers: [],
        ...(row.plan as object),
        kind: exactlyOneOf(PLAN_KINDS, row.kind ?? 'walk-round', 'kind of plan'),
      },
      `plan of walk-round ${row.walkround_id}`,
    ),
    by: row.begun_by,
    personId: row.recorded_by,
    begunAt: storedInstant(row.happened_at),
    recordedAt: storedInstant(row.recorded_at),
    events: events.filter((event) => event.walkround_id === row.walkround_id).map(eventOf),
    end:
      row.how === null || row.ended_by === null || row.ended_at === null
        ? null
        : {
            how: exactlyOneOf(['signed', 'given-up'], row.how, 'end of a walk-round'),
            by: row.ended_by,
            at: storedInstant(row.ended_at),
          },
  }));
}

/** A walk-round by its id; undefined where there is none. */
export async function findWalkround(
  tx: ClubTransaction,
  walkroundId: string,
): Promise<StoredWalkround | undefined> {
  return walkroundsOf(await readWalkroundRows(tx, { walkround: walkroundId }))[0];
}

/** The walk-rounds of an aircraft that were begun since a moment. */
export async function readWalkroundsSince(
  tx: ClubTransaction,
  aircraft: string,
  since: Date,
): Promise<readonly StoredWalkround[]> {
  return walkroundsOf(await readWalkroundRows(tx, { aircraft, since })).filter(
    ({ end }) => end?.how !== 'given-up',
  );
}

/** The uses that a step keeps unavailable while nobody has seen it; none named means all. */
function closesOf({ code }: PlanStep): UnseenStep['closes'] {
  const step = catalogueStep(code);
  return step?.firstAction === 'deferral-path' ? step.closesUses : [];
}

/** What one walk-round says by itself. @param fuelledAt when fuel was put in: steps about fuel are then to be done again */
function onRecord(
  { walkroundId, begunAt, recordedAt, by, plan, events, end }: StoredWalkround,
  fuelledAt: readonly Instant[],
): WalkroundOnRecord {
  const outcome = outcomeOf(plan.steps, events, fuelledAt);
  return {
    id: walkroundId,
    happenedAt: begunAt,
    recordedAt,
    by,
    left: outcome.steps - outcome.answered,
    unseen: outcome.unseen.flatMap(({ key, title, place, matters }) => {
      const step = plan.steps.find((one) => one.key === key);
      return matters && step !== undefined ? [{ key, title, place, closes: closesOf(step) }] : [];
    }),
    signedAt: end?.how === 'signed' ? end.at : null,
    covers: plan.covers,
  };
}

/** Those of one kind that count before a flight, the newest first. */
export const ofKind = (walkrounds: readonly StoredWalkround[], kind: PlanKind): readonly StoredWalkround[] =>
  walkrounds.filter(({ plan }) => kindOf(plan) === kind);

/** Those that were begun after a moment, the newest first; of one moment the one that is further from its end, since the stricter holds. */
export function since(
  walkrounds: readonly StoredWalkround[],
  returned: Instant | null,
): readonly StoredWalkround[] {
  const left = ({ plan, events, end }: StoredWalkround) => {
    const { steps, answered } = outcomeOf(plan.steps, events);
    return (steps - answered) * 2 + (end === null ? 1 : 0);
  };
  return walkrounds
    .filter(({ begunAt }) => returned === null || begunAt > returned)
    .toSorted((a, b) => b.begunAt - a.begunAt || left(b) - left(a));
}

/**
 * What the walk-rounds since the last flight say to a decision: the newest has to be finished and signed, and what nobody saw on any of them waits until
 * somebody has. To begin another one makes nothing available.
 */
export function walkroundOnRecord(
  walkrounds: readonly StoredWalkround[],
  returned: Instant | null,
  fuelledAt: readonly Instant[],
): WalkroundOnRecord | null {
  // What nobody saw at the hold or while rigging waits too; yet only a look at the whole aircraft is one.
  const current = since(walkrounds, returned);
  const newest = current.find(({ plan }) => isWalkround(plan));
  if (newest === undefined) return null;
  const seenAt = new Map<string, Instant>();
  for (const { events } of current)
    for (const event of standingAnswers(events, fuelledAt).values())
      if (event.answer === 'fine' || event.answer === 'found')
        seenAt.set(event.key, Math.max(event.at, seenAt.get(event.key) ?? event.at) as Instant);
  const unseen = new Map<string, UnseenStep>();
  for (const walkround of current) {
    const answers = standingAnswers(walkround.events, fuelledAt);
    for (const step of onRecord(walkround, fuelledAt).unseen) {
      const said = answers.get(step.key)?.at ?? walkround.begunAt;
      const seen = seenAt.get(step.key);
      if (seen === undefined || seen <= said) unseen.set(step.key, step);
    }
  }
  return { ...onRecord(newest, fuelledAt), unseen: [...unseen.values()] };
}
