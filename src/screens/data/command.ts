'use client';

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Given, JsonRoute } from '@/contracts/kernel/routes';
import { Refusal, send } from './fetching';

/** Why something was not done, with what others did meanwhile. */
export interface Trouble {
  readonly message: string;
  readonly changes: readonly unknown[];
}

/** Gets each problem of a refusal with the path of what was sent that it is about. */
export type TellProblem = (path: string, message: string) => void;

/** Where the signal is weak nothing waits longer for the schemas, in milliseconds. */
const SCHEMAS_MS = 2000;

/**
 * Checks what is to be sent by the route's own schema, so that what is missing is said at once and without a connection. The schemas come
 * when somebody sends first; where they do not come, the server checks alone, as it does anyway. Throws Refusal.
 */
async function check<N extends JsonRoute>(name: N, value: Given<N>): Promise<void> {
  const schemas = await Promise.race([
    import('@/contracts/kernel/check-sent').catch(() => null),
    new Promise<null>((resolve) => {
      setTimeout(() => {
        resolve(null);
      }, SCHEMAS_MS);
    }),
  ]);
  // As it will arrive: JSON leaves out what is undefined.
  const checked = schemas?.checkSent(name, JSON.parse(JSON.stringify(value))) ?? { ok: true };
  if (!checked.ok) throw new Refusal(422, checked.message, { code: 'invalid', problems: checked.problems });
}

/** Pages that name a revision: read again after a refusal, since it may be what has changed. */
const CHANGES_MEANWHILE = [['aircraft'], ['counter'], ['triage']];

/**
 * Does what the server may refuse. What was typed stays; why it was refused is `trouble`, each problem goes to its field, and
 * once it is done everything that is shown is read again.
 */
export function useCommand() {
  const client = useQueryClient();
  const { mutateAsync, isPending } = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    // Without a connection it is refused at once. Held back it would be sent later, when nobody looks any more.
    networkMode: 'always',
  });
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  /** Several steps that are one act for the person. Answers what they came to, or null where one was refused. */
  const run = async <T>(
    work: () => Promise<T>,
    tell?: TellProblem,
  ): Promise<{ readonly answer: T } | null> => {
    setTrouble(null);
    try {
      // The library hands the answer of `work` through, and has one type for all of them.
      const answer = (await mutateAsync(work)) as T;
      await client.invalidateQueries();
      return { answer };
    } catch (error) {
      const { problems = [], changes = [] } = error instanceof Refusal ? error.details : {};
      for (const problem of problems) tell?.(problem.path, problem.message);
      setTrouble({
        message: error instanceof Error ? error.message : 'That did not work. Try again.',
        changes,
      });
      // Not waited for: the person who types on meanwhile must not lose it to what the form does after a refusal.
      for (const queryKey of CHANGES_MEANWHILE) void client.invalidateQueries({ queryKey });
      return null;
    }
  };
  /** Sends one command. Answers what the server answered, or null where it refused or could not be reached. */
  const post = <N extends JsonRoute>(name: N, value: Given<N>, tell?: TellProblem) =>
    run(async () => {
      await check(name, value);
      return send(name, value);
    }, tell);
  /** Tells what was found before anything was sent; null takes back what was told. */
  const say = (message: string | null) => {
    setTrouble(message === null ? null : { message, changes: [] });
  };
  return { post, run, say, trouble, isRunning: isPending };
}
