import { answerWalkround } from '../src/commands/walkround/answer';
import { beginWalkround } from '../src/commands/walkround/begin';
import { endWalkround } from '../src/commands/walkround/end';
import type { Actor, Ports } from '../src/commands/kernel/command';
import { MAX_EVENTS, walkroundEventsSchema } from '../src/contracts/walkround/walkround';
import type { Measurement } from '../src/core/records/walkround/measurement';
import { addDays, type CivilDate } from '../src/core/time/civil-date';
import { addSeconds, instantText, type Instant } from '../src/core/time/instant';
import { hourOfDay, type Place } from '../src/core/time/sun';
import type { PlanStep } from '../src/core/walkround/plan-step';
import type { OtherRecord } from '../src/db/aircraft/other-kinds';
import { inClub } from '../src/db/kernel/club-transaction';
import { findWalkround } from '../src/db/walkround/walkrounds';
import { must, portsAt } from './making';

/** Seconds that an ordinary step takes. */
const STEP_SECONDS = 9;

/** What is entered at a step where all is fine. */
function measuredAt({ asks }: PlanStep) {
  switch (asks.kind) {
    case 'fuel':
      return { kind: 'figure', amount: '14', unit: 'US gal' } as const;
    case 'figure':
      return { kind: 'figure', amount: '6', unit: 'US qt' } as const;
    case 'sample':
      return { kind: 'sample', result: 'clean' } as const;
    case 'look':
    case 'good':
      return null;
    default: {
      const missing: never = asks;
      throw new RangeError(`no such step: ${JSON.stringify(missing)}`);
    }
  }
}

/**
 * A walk-round of before that found nothing, by the commands that people use.
 * @param hurried a step that its walker passed too fast, by its code
 */
export async function walkRound(
  ports: Ports,
  walker: Actor,
  aircraftId: string,
  begunAt: Instant,
  id: (name: string) => string,
  hurried: string | null,
): Promise<void> {
  const walkroundId = id('walk-round');
  must(
    await beginWalkround(portsAt(ports, begunAt), walker, {
      walkroundId,
      aircraftId,
      flightId: null,
      kind: 'walk-round',
      begunAt,
    }),
  );
  const stored = await inClub(ports.db, walker.clubId, (tx) => findWalkround(tx, walkroundId));
  const steps = stored?.plan.steps ?? [];
  const events = steps.map((step, number) => ({
    eventId: id(`walk-round/${step.key}`),
    number,
    kind: 'answer' as const,
    key: step.key,
    answer: 'fine' as const,
    because: null,
    at: instantText(addSeconds(begunAt, (number + 1) * STEP_SECONDS)),
    took: step.code === hurried ? 400 : STEP_SECONDS * 1000,
    findingId: null,
    measured: measuredAt(step),
  }));
  const endedAt = addSeconds(begunAt, (steps.length + 2) * STEP_SECONDS);
  for (let from = 0; from < events.length; from += MAX_EVENTS)
    must(
      await answerWalkround(
        portsAt(ports, endedAt),
        walker,
        walkroundEventsSchema.parse({
          walkroundId,
          aircraftId,
          events: events.slice(from, from + MAX_EVENTS),
        }),
      ),
    );
  must(
    await endWalkround(portsAt(ports, addSeconds(endedAt, 30)), walker, {
      walkroundId,
      aircraftId,
      how: 'signed',
      at: endedAt,
    }),
  );
}

/** So many days back each cup was taken; those with water let it in again and again. */
const CUPS = [58, 51, 45, 38, 33, 27, 20, 14, 9, 5] as const;
const WET = [51, 33, 14];
/** Micrometres that the nose strut stood out on those days: it sags. */
const STRUT = [84_000, 83_000, 83_500, 81_000, 80_500, 79_000, 78_500, 77_000, 75_500, 75_000];

/** Cups of the left drain that had water again, and a nose strut that sags: what the walk-rounds of two months measured. */
export function wetAndSagging(
  today: CivilDate,
  place: Place,
  id: (name: string) => string,
): readonly OtherRecord[] {
  return CUPS.flatMap((daysAgo, at): readonly OtherRecord[] => {
    const happenedAt = hourOfDay(addDays(today, -daysAgo), 9.5, place);
    const base = (name: string) => ({
      id: id(`ramp/${name}/${daysAgo}`),
      happenedAt,
      recordedAt: addSeconds(happenedAt, 60),
    });
    const cup = (drain: string, isWet: boolean): OtherRecord => {
      const body = base(drain);
      return {
        ...body,
        kind: 'sample',
        body: { ...body, drain, result: isWet ? 'water' : 'clean', cleared: null },
      };
    };
    const strut: Measurement = { ...base('strut'), quantity: 'strut', which: 'nose', value: STRUT[at] ?? 0 };
    return [
      cup('left', WET.includes(daysAgo)),
      cup('right', false),
      cup('strainer', false),
      { ...base('strut'), kind: 'measurement', body: strut },
    ];
  });
}

/** The least that the nose strut of such a trainer stands out, as the demo's handbook says. */
export const STRUT_LIMIT = {
  quantity: 'strut',
  which: 'nose',
  min: 65_000,
  max: null,
  open: false,
  uses: null,
  remedy: 'mechanic',
  everyFlight: false,
} as const;
