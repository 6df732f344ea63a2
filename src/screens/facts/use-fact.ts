'use client';

import { useState } from 'react';
import type { FactInput } from '@/contracts/aircraft-entry';
import type { Facts } from '@/queries/facts';
import { useSigned } from '../aircraft/signed-form';

/**
 * Sends one fact. What was typed stays when it is refused; sent again after a lost answer, it is recorded once.
 * @param whole true for a form that replaces the whole of something: it stands for what was on record when it was opened, so that what
 * others changed since is told before it is covered; sent once more, it is meant
 */
export function useFact({ aircraftId, revision }: Pick<Facts, 'aircraftId' | 'revision'>, whole = false) {
  const [factId, setFactId] = useState(() => crypto.randomUUID());
  const [opened, setOpened] = useState(revision);
  const { sign, trouble } = useSigned();
  /** Answers whether it was recorded. @param tell gets each problem with the last part of its path */
  const enter = async (fact: FactInput, tell: (field: string, message: string, path: string) => void = () => { /* the message says it */ }): Promise<boolean> => {
    const done = await sign('/api/facts', { factId, aircraftId, seenRevision: whole ? opened : revision, fact }, (path, message) => { tell(path.split('.').at(-1) ?? path, message, path); }, setOpened);
    if (done) setFactId(crypto.randomUUID());
    return done;
  };
  return { enter, trouble };
}

/** An empty text says nothing. */
export const said = (text: string): string | undefined => (text.trim() === '' ? undefined : text.trim());
/** A number as people write it; what is no number goes on as it is, so that the server says what it expected. */
export const figure = (text: string): number | undefined => (text.trim() === '' ? undefined : Number(text.trim().replace(',', '.')));
