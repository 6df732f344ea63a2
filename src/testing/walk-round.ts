import { randomUUID } from 'node:crypto';
import { walkroundEventsSchema, type WalkroundEventInput } from '@/contracts/walkround/walkround';
import { answerWalkround } from '@/commands/walkround/answer';
import { beginWalkround } from '@/commands/walkround/begin';
import { endWalkround } from '@/commands/walkround/end';
import { decide } from '@/core/decision/decide';
import { hours } from '@/core/quantities/hours';
import { UNSAID, type PlannedFlight } from '@/core/records/flights/planned-flight';
import { QUANTITIES } from '@/core/records/walkround/measurement';
import { addSeconds, instantText } from '@/core/time/instant';
import type { PlanKind } from '@/core/walkround/plan-kinds';
import type { PlanStep } from '@/core/walkround/plan-step';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { findWalkround } from '@/db/walkround/walkrounds';
import { good, type testClub } from './database';

export type TestClub = Awaited<ReturnType<typeof testClub>>;
type Role = Parameters<TestClub['actor']>[0];

/** An aircraft with two tanks and three drains, for a test club. */
export const TANKS = {
  fuel: {
    minimum: { amount: 4, unit: 'US gal' },
    burnPerHour: { amount: 8, unit: 'US gal' },
    tanks: [
      { id: 'left', usable: { amount: 18, unit: 'US gal' } },
      { id: 'right', usable: { amount: 18, unit: 'US gal' } },
    ],
    drains: ['left', 'right', 'strainer'],
  },
};

const UNITS = {
  pL: ['mL', 1e9],
  um: ['mm', 1000],
  mV: ['V', 1000],
  Pa: ['kPa', 1000],
  rpm: ['rpm', 1],
  good: ['good', 1],
} as const;
/** A figure inside every limit of a step. */
function figureInside({ quantity, limits }: Extract<PlanStep['asks'], { kind: 'figure' }>) {
  const [unit, factor] = UNITS[QUANTITIES[quantity]];
  const least = Math.max(0, ...limits.map(({ min, open }) => (min ?? 0) + (open ? factor : 0)));
  return { kind: 'figure', amount: String(Math.ceil(least / factor)), unit } as const;
}

/** Walk-rounds of a test club's aircraft, by the commands that people use. @param clubNow the club of the test that runs */
export function walking(clubNow: () => TestClub) {
  const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) =>
    inClub(clubNow().ports.db, clubNow().clubId, work);
  const later = (seconds: number) => {
    clubNow().ports.at = addSeconds(clubNow().ports.at, seconds);
  };
  const begin = (walkroundId: string = randomUUID(), who: Role = 'renter', kind: PlanKind = 'walk-round') =>
    beginWalkround(clubNow().ports, clubNow().actor(who), {
      walkroundId,
      aircraftId: clubNow().aircraftId,
      flightId: null,
      kind,
      begunAt: clubNow().ports.now(),
    });
  const stored = async () => {
    const [one] = await inTx((tx) => loadAircraft(tx, clubNow().place, clubNow().aircraftId, true));
    if (one === undefined) throw new Error('no aircraft');
    return one;
  };
  /** What the aircraft answers for a flight in half an hour. */
  const flightAnswer = async () => {
    const { facts } = await stored();
    const now = clubNow().ports.now();
    const flight: PlannedFlight = {
      id: randomUUID(),
      starts: addSeconds(now, 1800),
      ends: addSeconds(now, 5400),
      airborne: hours('0.8'),
      purpose: 'private-rental',
      crew: 'rated-pilot',
      rules: 'vfr',
      range: 'local',
      light: null,
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      ...UNSAID,
    };
    return decide(facts, clubNow().packs, flight, now);
  };
  const codes = async () => {
    const decision = await flightAnswer();
    return [...decision.constraints, ...(decision.flight?.own ?? [])].map(({ reason }) => reason.code);
  };
  let count = 0;
  const answerOf = (
    step: PlanStep,
    change: Partial<Extract<WalkroundEventInput, { kind: 'answer' }>> = {},
  ): Extract<WalkroundEventInput, { kind: 'answer' }> => ({
    eventId: randomUUID(),
    number: (count += 1),
    kind: 'answer',
    key: step.key,
    answer: 'fine',
    because: null,
    at: instantText(clubNow().ports.now()),
    took: 4000,
    findingId: null,
    measured:
      step.asks.kind === 'fuel'
        ? { kind: 'figure', amount: '17', unit: 'US gal' }
        : step.asks.kind === 'figure'
          ? figureInside(step.asks)
          : step.asks.kind === 'sample'
            ? { kind: 'sample', result: 'clean' }
            : null,
    ...change,
  });
  const send = (walkroundId: string, events: readonly WalkroundEventInput[], who: Role = 'renter') =>
    answerWalkround(
      clubNow().ports,
      clubNow().actor(who),
      walkroundEventsSchema.parse({ walkroundId, aircraftId: clubNow().aircraftId, events }),
    );
  const planOf = async (walkroundId: string) =>
    (await inTx((tx) => findWalkround(tx, walkroundId)))?.plan.steps ?? [];
  const sign = (
    walkroundId: string,
    who: Role = 'renter',
    how: 'signed' | 'given-up' = 'signed',
    helper: string | null = null,
  ) =>
    endWalkround(clubNow().ports, clubNow().actor(who), {
      walkroundId,
      aircraftId: clubNow().aircraftId,
      how,
      helper,
      at: clubNow().ports.now(),
    });
  /** A whole walk-round, or another list, all fine but what is changed by step. */
  const walk = async (
    change: Readonly<Record<string, Partial<Extract<WalkroundEventInput, { kind: 'answer' }>>>> = {},
    kind: PlanKind = 'walk-round',
    who: Role = 'renter',
  ) => {
    const id = randomUUID();
    good(await begin(id, who, kind));
    later(60);
    const steps = await planOf(id);
    const events = steps.map((step) => answerOf(step, change[step.key] ?? {}));
    for (let at = 0; at < events.length; at += 150) good(await send(id, events.slice(at, at + 150), who));
    later(60);
    return { id, steps, events };
  };
  return { inTx, later, begin, stored, flightAnswer, codes, answerOf, send, planOf, sign, walk };
}
