'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { WalkroundEventInput } from '@/contracts/walkround/walkround';
import type { Instant } from '@/core/time/instant';
import { kindOf } from '@/core/walkround/plan-kinds';
import type { PlanStep } from '@/core/walkround/plan-step';
import {
  nextStep,
  outcomeOf,
  standingAnswers,
  type NotSeenBecause,
  type WalkEvent,
} from '@/core/walkround/walk';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { eventsOf, keepEvent, keepWalk, newestWalk, type KeptWalk } from '../data/kept-walks';
import { sendNow, sendSoon } from './use-outbox';

type Answer = Extract<WalkroundEventInput, { kind: 'answer' }>;
/** What somebody says at a step. */
export interface Said {
  readonly answer: Answer['answer'];
  readonly because?: NotSeenBecause | null;
  readonly measured?: Answer['measured'];
  readonly findingId?: string | null;
}

interface State {
  readonly walk: KeptWalk;
  readonly events: readonly WalkroundEventInput[];
}

// What this phone wrote itself, in the one form that it writes: the calendar library would be a tenth of the page.
const momentOf = (text: string): Instant => Date.parse(text) as Instant;

/**
 * A walk-round with the plan that the desk keeps for it: one that was begun without signal may have gone by an older one, and what that did not know is
 * still to be done.
 */
function asTheDeskHasIt(
  walk: KeptWalk | undefined,
  currentId: string | null,
  plan: RampWalk['plan'] | null,
): KeptWalk | undefined {
  return plan === null || walk === undefined || walk.walkroundId !== currentId ? walk : { ...walk, plan };
}

/** As the core knows it. */
const coreEvent = (event: WalkroundEventInput): WalkEvent =>
  event.kind === 'interrupted'
    ? { kind: 'interrupted', at: momentOf(event.at) }
    : {
        kind: 'answer',
        key: event.key,
        answer: event.answer,
        because: event.because,
        at: momentOf(event.at),
        took: event.took,
      };

/**
 * A walk-round while it is done. Everything said is kept on the phone before the next step is asked; sent it is meanwhile. Being away for longer than
 * the school lets is an interruption: the last two steps are asked again.
 */
export function useWalk(
  view: RampWalk,
  person: { readonly personId: string; readonly name: string; readonly clubId: string | null },
  fuelledHere: Instant | null,
) {
  const { fuelledAt, registration } = view;
  const currentId = view.current?.walkroundId ?? null;
  const plan = view.current?.plan ?? null;
  const kind = kindOf(view.plan);
  const fuelled = useMemo(
    () => [...(fuelledAt === null ? [] : [fuelledAt]), ...(fuelledHere === null ? [] : [fuelledHere])],
    [fuelledAt, fuelledHere],
  );
  const [state, setState] = useState<State | null>(null);
  const [isLoaded, setIsLoaded] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [wasAway, setWasAway] = useState(false);
  const shownAt = useRef(0);
  const now = useRef<State | null>(null);

  const put = useCallback((next: State | null) => {
    now.current = next;
    setState(next);
  }, []);

  /** Keeps it on the phone, then shows it. Where the phone is full nothing goes on. */
  const keep = useCallback(
    async (event: WalkroundEventInput): Promise<boolean> => {
      const before = now.current;
      if (before === null) return false;
      const walk = { ...before.walk, touchedAt: Date.now() };
      put({ walk, events: [...before.events, event] });
      try {
        await keepEvent({
          eventId: event.eventId,
          walkroundId: walk.walkroundId,
          personId: walk.personId,
          event,
          state: 0,
          trouble: null,
        });
        setTrouble(null);
        sendSoon(walk.personId);
        return true;
      } catch {
        put(before);
        setTrouble(
          'This phone could not keep your answer: it may be full. Make room, for example delete pictures, then answer again. Nothing before is lost.',
        );
        return false;
      }
    },
    [put],
  );

  const interrupt = useCallback(
    () =>
      keep({
        eventId: crypto.randomUUID(),
        number: now.current?.events.length ?? 0,
        kind: 'interrupted',
        at: new Date().toISOString(),
      }),
    [keep],
  );

  /** Interrupted where nobody touched the screen for longer than the school lets. */
  const lookAway = useCallback(async () => {
    const current = now.current;
    if (current === null || current.events.length === 0) return;
    const { touchedAt, plan } = current.walk;
    if (Date.now() - touchedAt <= plan.interruptedAfter * 1000) return;
    if (current.events.at(-1)?.kind === 'interrupted') return;
    setWasAway(await interrupt());
  }, [interrupt]);

  useEffect(() => {
    let isGone = false;
    const isOver = () => isGone;
    const load = async () => {
      const newest = asTheDeskHasIt(await newestWalk(person.personId, registration, kind), currentId, plan);
      const events =
        newest === undefined ? [] : (await eventsOf(newest.walkroundId)).map(({ event }) => event);
      // A signed one is taken up again where it is still the one that counts and fuelling opened steps of it.
      const isOpen =
        newest !== undefined
        && (newest.signedAt === null
          || (currentId === newest.walkroundId
            && nextStep(newest.plan.steps, events.map(coreEvent), fuelled) !== null));
      if (isOver()) return;
      const here = now.current;
      // While somebody walks, what is in their hand is newer than what was read: the desk's plan is taken, and nothing else.
      if (here !== null && here.walk.walkroundId === newest?.walkroundId) {
        put({ ...here, walk: { ...here.walk, plan: newest.plan } });
        return;
      }
      // The walk itself is kept where it is begun and signed: what was said last says when somebody last touched it.
      const touchedAt = Math.max(newest?.touchedAt ?? 0, ...events.slice(-1).map(({ at }) => Date.parse(at)));
      put(newest === undefined || !isOpen ? null : { walk: { ...newest, touchedAt }, events });
      setIsLoaded(true);
      shownAt.current = Date.now();
      await lookAway();
    };
    void load();
    const back = () => {
      if (document.visibilityState === 'visible') void lookAway();
      else shownAt.current = Date.now();
    };
    document.addEventListener('visibilitychange', back);
    return () => {
      isGone = true;
      document.removeEventListener('visibilitychange', back);
    };
  }, [person.personId, registration, kind, currentId, plan, fuelled, put, lookAway]);

  const begin = async () => {
    const walk: KeptWalk = {
      walkroundId: crypto.randomUUID(),
      personId: person.personId,
      personName: person.name,
      clubId: person.clubId,
      aircraftId: view.aircraftId,
      registration: view.registration,
      flightId: view.flight?.flightId ?? null,
      begunAt: new Date().toISOString(),
      plan: view.plan,
      sent: 0,
      signedAt: null,
      signSent: 0,
      touchedAt: Date.now(),
      trouble: null,
    };
    put({ walk, events: [] });
    shownAt.current = Date.now();
    await keepWalk(walk);
    void sendNow(walk.personId).catch(() => undefined);
  };

  const say = (step: PlanStep, { answer, because = null, measured = null, findingId = null }: Said) => {
    const at = Date.now();
    const took = Math.max(0, at - shownAt.current);
    shownAt.current = at;
    setWasAway(false);
    return keep({
      eventId: crypto.randomUUID(),
      number: now.current?.events.length ?? 0,
      kind: 'answer',
      key: step.key,
      answer,
      because,
      at: new Date(at).toISOString(),
      took,
      findingId,
      measured,
    });
  };

  /** @param helper who held the surfaces of a glider */
  const sign = async (helper: string | null = null) => {
    const before = now.current;
    if (before === null) return;
    const walk = { ...before.walk, helper, signedAt: new Date().toISOString() };
    put({ ...before, walk });
    await keepWalk(walk);
    void sendNow(walk.personId).catch(() => undefined);
  };

  const events = (state?.events ?? []).map(coreEvent);
  const isReopened = state !== null && nextStep(state.walk.plan.steps, events, fuelled) !== null;
  const steps = state?.walk.plan.steps ?? [];
  return {
    isLoaded,
    walk: state?.walk ?? null,
    said: state?.events ?? [],
    next: nextStep(steps, events, fuelled),
    outcome: outcomeOf(steps, events, fuelled),
    answered: new Set(standingAnswers(events, fuelled).keys()),
    /** Signed, with nothing opened again since. */
    isSigned: state?.walk.signedAt != null && !isReopened,
    trouble,
    wasAway,
    begin,
    say,
    sign,
    interrupt: async () => {
      setWasAway(await interrupt());
      shownAt.current = Date.now();
    },
    close: () => {
      put(null);
    },
  };
}

export type Walk = ReturnType<typeof useWalk>;
