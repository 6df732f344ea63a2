import { fuellings } from '@/core/records/walkround/measurement';
import { lastReturn, type AircraftFacts } from '@/core/records/facts';
import { outcomeOf, type NotSeenBecause, type Unseen } from '@/core/walkround/walk';
import { isWalkround, kindOf } from '@/core/walkround/plan-kinds';
import type { Instant } from '@/core/time/instant';
import { readWalkroundRows, since, walkroundsOf, type StoredWalkround } from '@/db/walkround/walkrounds';
import type { ClubTransaction } from '@/db/kernel/connection';
import { clockText, momentText } from '@/explain/formats';
import { announcedWords, PLAN_NAMES } from '@/explain/walkround';
import type { ZoneId } from '@/core/time/zone';

/** A walk-round as the desk sees it, from the first step on. */
export interface WalkProgress {
  readonly walkroundId: string;
  /** What it is: 'walk-round', 'run-up'. */
  readonly name: string;
  readonly by: string;
  readonly list: 'whole' | 'short';
  readonly begun: string;
  readonly steps: number;
  readonly answered: number;
  readonly signed: string | null;
  readonly lastAt: string | null;
  readonly unseen: readonly {
    readonly title: string;
    readonly place: string;
    readonly answer: Unseen['answer'];
    readonly because: NotSeenBecause | null;
    readonly matters: boolean;
  }[];
  readonly found: readonly { readonly title: string; readonly place: string }[];
  readonly tooFast: readonly { readonly title: string; readonly place: string }[];
  readonly interruptions: number;
}

/** What was announced on the ramp and is not done yet. */
export interface OpenAnnouncement {
  readonly id: string;
  readonly words: string;
  readonly act: string;
  readonly by: string;
  readonly when: string;
}

/** The walk-round since the last flight, and what was announced. */
export interface RampProgress {
  readonly walkround: WalkProgress | null;
  /** What else was gone through since the last flight: the run-up, the briefing, the rigging. */
  readonly lists: readonly WalkProgress[];
  readonly announced: readonly OpenAnnouncement[];
}

/** What one came to by now. */
function progressOf(
  { plan, events, end, by, begunAt, walkroundId }: StoredWalkround,
  fuelled: readonly Instant[],
  zone: ZoneId,
): WalkProgress {
  const outcome = outcomeOf(plan.steps, events, fuelled);
  const named = (keys: readonly string[]) =>
    plan.steps.filter(({ key }) => keys.includes(key)).map(({ title, place }) => ({ title, place }));
  const last = events.at(-1);
  return {
    walkroundId,
    name: PLAN_NAMES[kindOf(plan)],
    by,
    list: plan.list,
    begun: momentText(begunAt, zone),
    steps: outcome.steps,
    answered: outcome.answered,
    signed: end?.how === 'signed' ? momentText(end.at, zone) : null,
    lastAt: last === undefined ? null : clockText(last.at, zone),
    unseen: outcome.unseen.map(({ title, place, answer, because, matters }) => ({
      title,
      place,
      answer,
      because,
      matters,
    })),
    found: named(outcome.found),
    tooFast: named(outcome.tooFast),
    interruptions: outcome.interruptions,
  };
}

/** What the desk sees of the ramp: the walk-round since the last flight, step by step, and what was announced. */
export async function rampProgress(
  tx: ClubTransaction,
  aircraftId: string,
  facts: Pick<AircraftFacts, 'flightsOut' | 'ramp'>,
  zone: ZoneId,
): Promise<RampProgress> {
  const begun = since(walkroundsOf(await readWalkroundRows(tx, { aircraft: aircraftId })), lastReturn(facts));
  const fuelled = fuellings(facts.ramp?.uplifts ?? []);
  const progress = (one: StoredWalkround) => progressOf(one, fuelled, zone);
  const walkround = begun.find(({ plan }) => isWalkround(plan));
  const announced = (facts.ramp?.announced ?? []).map(({ id, act, which, amount, by, happenedAt }) => ({
    id,
    act,
    words: announcedWords(act, which, amount),
    by,
    when: momentText(happenedAt, zone),
  }));
  return {
    announced,
    walkround: walkround === undefined ? null : progress(walkround),
    lists: begun.filter(({ plan }) => !isWalkround(plan)).map(progress),
  };
}
