import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { sentenceCase } from '@/explain/wording';
import { Refusal, send } from '../data/fetching';

export const ACCESS = {
  account: 'has an account',
  invited: 'admitted, has not chosen a password yet',
  'link-too-old': 'the link is too old',
  none: 'cannot sign in: has no link',
} as const;
export const roleName = (role: string) => sentenceCase(role.replace('-', ' '));

/** Sends something about people, shows what went wrong, and has the list read again. */
export function useAct() {
  const client = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const act = async <T,>(
    path: string,
    value: unknown,
    tell?: (field: string, message: string) => void,
  ): Promise<T | null> => {
    setTrouble(null);
    try {
      const done = await send<T>(path, value);
      await client.invalidateQueries({ queryKey: ['people'] });
      await client.invalidateQueries({ queryKey: ['me'] });
      return done;
    } catch (error) {
      if (error instanceof Refusal)
        for (const problem of error.details.problems ?? []) tell?.(problem.path, problem.message);
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
      return null;
    }
  };
  return { act, trouble };
}
