'use client';

import { useEffect } from 'react';
import { setHash, useHash } from '../data/address';
import { useMe } from '../data/queries';
import { textOf, viewFrom, type LineView } from './line-view';

const keyOf = (personId: string) => `groval.line-view.${personId}`;

/** The hash of the address with its view, and its moment where it has one. */
function hashWith(view: LineView, at: string | null): string {
  return [at === null ? '' : `at=${at}`, textOf(view)].filter((part) => part !== '').join('&');
}

/**
 * How the reader looks at the Line, and the moment it is moved to: both stand in the address. Without a view in the address it is the one
 * that this person chose last on this computer, which is put there.
 */
export function useLineView() {
  const hash = useHash();
  const { data: me } = useMe();
  const said = new URLSearchParams(hash);
  const view = viewFrom(hash);
  const text = said.get('at');
  const moment = text === null ? Number.NaN : Date.parse(text);
  const isSaid = ['show', 'order', 'type'].some((name) => said.has(name));
  const personId = me?.personId;
  useEffect(() => {
    if (personId === undefined || isSaid) return;
    const kept = localStorage.getItem(keyOf(personId)) ?? '';
    if (kept !== '') setHash(hashWith(viewFrom(kept), text), 'the same');
    // Everything, once it is chosen, is kept as nothing: then nothing is put there.
  }, [personId, isSaid, text]);
  const choose = (next: LineView) => {
    if (personId !== undefined) localStorage.setItem(keyOf(personId), textOf(next));
    setHash(hashWith(next, text), 'the same');
  };
  const move = (to: number | null) => {
    setHash(hashWith(view, to === null ? null : new Date(to).toISOString()), 'the same');
  };
  return { view, choose, at: Number.isNaN(moment) ? null : moment, move };
}
