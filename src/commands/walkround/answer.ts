import type { WalkroundEvents } from '@/contracts/walkround/walkround';
import type { Plain } from '@/core/decision/canonical';
import type { PlanStep } from '@/core/walkround/plan-step';
import { onServerClock } from '@/core/walkround/phone-clock';
import { kindOf } from '@/core/walkround/plan-kinds';
import { instantText, type Instant } from '@/core/time/instant';
import { insertOthers } from '@/db/aircraft/other-records';
import type { OtherRecord } from '@/db/aircraft/other-kinds';
import { findDiscrepancy } from '@/db/findings/discrepancies';
import type { ClubTransaction } from '@/db/kernel/connection';
import {
  findWalkround,
  insertEventOnce,
  type StoredEvent,
  type StoredWalkround,
} from '@/db/walkround/walkrounds';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { recordsOfAnswer } from './step-records';

type Event = WalkroundEvents['events'][number];

/** The walk-round that something is said of. @throws Refused where there is none, where it is another aircraft's, or where it was given up */
export async function openWalkround(
  tx: ClubTransaction,
  walkroundId: string,
  aircraftId: string,
): Promise<StoredWalkround> {
  const walkround = await findWalkround(tx, walkroundId);
  if (walkround?.aircraftId !== aircraftId)
    throw new Refused({
      code: 'not-found',
      message: 'The walk-round itself has not arrived yet. It is sent first; this will be sent again.',
    });
  if (walkround.end?.how === 'given-up')
    throw new Refused({
      code: 'invalid',
      message: `${walkround.end.by} gave this walk-round up at the desk. What you saw is on your phone; begin a new one, or report what you found.`,
      problems: [],
    });
  return walkround;
}

/** An event as it is stored: nothing happened after it was written down, and nothing before the walk-round was begun. */
function storedEvent(
  event: Event,
  actor: Actor,
  { begunAt }: StoredWalkround,
  sentAt: Instant | undefined,
  recordedAt: Instant,
): StoredEvent {
  const at = Math.max(begunAt, onServerClock(event.at, sentAt, recordedAt)) as Instant;
  const base = {
    eventId: event.eventId,
    number: event.number,
    findingId: event.kind === 'answer' ? event.findingId : null,
    by: actor.name,
    personId: actor.personId,
    recordedAt,
    at,
  };
  return event.kind === 'interrupted'
    ? { ...base, kind: 'interrupted' }
    : {
        ...base,
        kind: 'answer',
        key: event.key,
        answer: event.answer,
        because: event.because,
        took: event.took,
      };
}

const saidOf = (event: StoredEvent): string =>
  JSON.stringify(
    event.kind === 'answer'
      ? [event.number, event.key, event.answer, event.because, event.findingId]
      : [event.number, 'interrupted'],
  );

/** Looks that an event that is there already says the same. @throws Refused where it does not: it would get lost */
function sameAsBefore({ events }: StoredWalkround, event: StoredEvent): boolean {
  const known = events.find(({ eventId }) => eventId === event.eventId);
  if (known === undefined) return false;
  if (saidOf(known) === saidOf(event)) return true;
  throw new Refused({
    code: 'conflict',
    message: 'This answer was received already as it was before you changed it. Answer the step once more.',
    revision: 0,
    changes: [],
  });
}

/**
 * Records what was answered on a walk-round, once each. Somebody else may answer what is left or was not seen: the record says who. What is measured goes on
 * record with it and is judged by the rules; 'found' names its finding. After the signature answers still come in, since a phone may have been
 * away, and the person who looks at what nobody saw says so here.
 */
export async function answerWalkround(
  ports: Ports,
  actor: Actor,
  entry: WalkroundEvents,
): Promise<Outcome<{ readonly received: number; readonly revision: number }>> {
  const denied = denial(actor, 'do-walk-round');
  if (denied !== null) return refused(denied);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'answer-walk-round',
    null,
    async ({ tx, recordedAt }) => {
      const walkround = await openWalkround(tx, entry.walkroundId, entry.aircraftId);
      const records: OtherRecord[] = [];
      const told: Plain[] = [];
      for (const [at, given] of entry.events.entries()) {
        const event = storedEvent(given, actor, walkround, entry.sentAt, recordedAt);
        if (sameAsBefore(walkround, event)) continue;
        // A step that the plan does not have any more is kept and counts for nothing.
        const step =
          event.kind === 'answer' ? walkround.plan.steps.find(({ key }) => key === event.key) : undefined;
        if (event.kind === 'answer' && event.answer === 'found' && event.findingId !== null)
          await ofThisAircraft(tx, event.findingId, entry.aircraftId, at);
        const measured =
          given.kind === 'answer' && step !== undefined
            ? recordsOfAnswer(step, given, event.at, recordedAt, at)
            : [];
        if ((await insertEventOnce(tx, actor.clubId, walkround.walkroundId, event)) === 'there-already')
          throw new Refused({
            code: 'invalid',
            message: 'Another answer has this id already. Answer the step once more.',
            problems: [{ path: `events.${at}.eventId`, message: 'is in use' }],
          });
        records.push(...measured);
        told.push(toldOf(event, measured, step));
      }
      if (told.length === 0) return { value: { received: 0 }, ledger: null };
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, records);
      return {
        value: { received: told.length },
        ledger: { id: walkround.walkroundId, of: walkround.by, plan: kindOf(walkround.plan), events: told },
      };
    },
  );
}

/** @throws Refused for a finding that has not arrived, or is of another aircraft */
async function ofThisAircraft(tx: ClubTransaction, findingId: string, aircraftId: string, at: number) {
  const finding = await findDiscrepancy(tx, findingId);
  if (finding === undefined)
    throw new Refused({
      code: 'not-found',
      message: 'The finding of this step has not arrived yet. It is sent first; this will be sent again.',
    });
  if (finding.aircraft_id !== aircraftId)
    throw new Refused({
      code: 'invalid',
      message: 'This finding is of another aircraft.',
      problems: [{ path: `events.${at}.findingId`, message: 'is of another aircraft' }],
    });
}

/** What the ledger keeps of an event. */
function toldOf(event: StoredEvent, measured: readonly OtherRecord[], step: PlanStep | undefined): Plain {
  const marks = step?.marks ?? [];
  const base = { id: event.eventId, number: event.number, at: instantText(event.at) };
  return event.kind === 'interrupted'
    ? { ...base, interrupted: true }
    : {
        ...base,
        step: event.key,
        answer: event.answer,
        because: event.because,
        took: event.took,
        finding: event.findingId,
        // Fine says of each mark that is compared there that it is as it was.
        ...(event.answer === 'fine' && marks.length > 0 ? { sameMarks: marks.map(({ id }) => id) } : {}),
        measured: measured.map(({ kind, body }) => ({ kind, ...(body as object) })) as unknown as Plain,
      };
}
