'use client';

import { useState } from 'react';
import type { FactInput } from '@/contracts/aircraft/aircraft-entry';
import type { Facts } from '@/queries/aircraft/facts';
import { useCommand } from '../data/command';

/** Sends one fact. What was typed stays when it is refused; sent again after a lost answer, it is recorded once. */
export function useFact({ aircraftId }: Pick<Facts, 'aircraftId'>) {
  const [factId, setFactId] = useState(() => crypto.randomUUID());
  const [done, setDone] = useState(false);
  const { post, trouble } = useCommand();
  /** Answers the id under which it was recorded; null where it was not. @param tell gets each problem with the last part of its path */
  const enter = async (
    fact: FactInput,
    tell: (field: string, message: string) => void = () => {
      /* the message says it */
    },
  ): Promise<string | null> => {
    setDone(false);
    const went = await post('POST /api/facts', { factId, aircraftId, fact }, (path, message) => {
      tell(path.split('.').at(-1) ?? path, message);
    });
    if (!went) return null;
    setDone(true);
    setFactId(crypto.randomUUID());
    return factId;
  };
  return { enter, answer: { trouble, done } };
}

/**
 * What a form that replaces the whole of something stands for: what was on record when it was opened. What somebody else put there since
 * is told before it is covered; sent once more, it is meant.
 */
export function useInstead(latest: string | null) {
  const [opened, setOpened] = useState<{ readonly id: string | null } | 'latest'>({ id: latest });
  return {
    instead: opened === 'latest' ? latest : opened.id,
    recorded: (id: string) => {
      setOpened({ id });
    },
    told: (field: string) => {
      if (field === 'instead') setOpened('latest');
    },
  };
}

/** An empty text says nothing. */
export const said = (text: string): string | undefined => (text.trim() === '' ? undefined : text.trim());
/** A number as people write it; what is no number goes on as it is, so that the server says what it expected. */
export const figure = (text: string): number | undefined =>
  text.trim() === '' ? undefined : Number(text.trim().replace(',', '.'));
