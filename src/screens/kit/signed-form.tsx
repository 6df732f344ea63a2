'use client';

import Alert from '@mui/material/Alert';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Refusal, send } from '../data/fetching';
import { lazily } from './lazily';

/** What others did meanwhile: read and told only where there is something, which is seldom. */
const Meanwhile = lazily(() => import('./meanwhile').then((module) => module.Meanwhile), 24);

/** Sends something that is signed. What was typed stays when it is refused; what changed meanwhile is told. */
export function useSigned() {
  const client = useQueryClient();
  const [trouble, setTrouble] = useState<{
    readonly message: string;
    readonly changes: readonly unknown[];
  } | null>(null);
  /** Answers whether it was recorded. @param tell gets each problem with the field that it is about */
  const sign = async (
    path: string,
    value: unknown,
    tell: (path: string, message: string) => void,
  ): Promise<boolean> => {
    setTrouble(null);
    try {
      await send(path, value);
      await client.invalidateQueries();
      return true;
    } catch (error) {
      if (error instanceof Refusal)
        for (const problem of error.details.problems ?? []) tell(problem.path, problem.message);
      setTrouble({
        message: error instanceof Error ? error.message : 'It was not recorded. Try again.',
        changes: error instanceof Refusal ? (error.details.changes ?? []) : [],
      });
      // Not waited for: the person who types on meanwhile must not lose it to what the form does after a refusal.
      void client.invalidateQueries({ queryKey: ['aircraft'] });
      return false;
    }
  };
  return { sign, trouble };
}

/** Why something was not recorded, with what others did meanwhile. */
export function SignedTrouble({ trouble }: { readonly trouble: ReturnType<typeof useSigned>['trouble'] }) {
  if (trouble === null) return null;
  return (
    <Alert severity="error" role="alert">
      {trouble.message}
      {trouble.changes.length === 0 ? null : <Meanwhile changes={trouble.changes} />}
    </Alert>
  );
}
