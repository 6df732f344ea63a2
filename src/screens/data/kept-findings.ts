'use client';

import Dexie, { type EntityTable } from 'dexie';
import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import type { FindingInput } from '@/contracts/findings/report-finding';
import { ask, NoSignal, Refusal, send } from './fetching';
import { ofPerson } from './of-person';

/** A finding while it is on the phone. `ready` ones wait to be sent; the others are being written. */
export interface KeptFinding {
  readonly findingId: string;
  readonly personId: string;
  /** The club in which it was written: where it goes, whichever club is chosen by then. Absent in what an older version kept. */
  readonly clubId?: string | null;
  readonly registration: string;
  readonly ready: 0 | 1;
  readonly finding: Omit<FindingInput, 'station' | 'looks'> & {
    readonly station: string | null;
    readonly looks: FindingInput['looks'] | null;
  };
  readonly photo: Blob | null;
  readonly photoId: string;
  /** The words have arrived; only the photo is still to be sent. */
  readonly wordsSent: boolean;
  /** Why the server refused it, until the person has looked. */
  readonly trouble: string | null;
}

const store = new Dexie('groval-ramp') as Dexie & { kept: EntityTable<KeptFinding, 'findingId'> };
store.version(1).stores({ kept: 'findingId, [personId+ready]' });

/** Keeps what was typed or taken so far. */
export const keep = (finding: KeptFinding) => store.kept.put(finding);
/** The unfinished finding of a person on an aircraft, if there is one. */
export const unfinished = (personId: string, registration: string) =>
  store.kept
    .where({ personId, ready: 0 })
    .filter((kept) => kept.registration === registration)
    .first();
/** Throws away a finding that its writer gave up. */
export const discard = (findingId: string) => store.kept.delete(findingId);

/** What came of sending one finding. */
export type Sent =
  | { readonly state: 'sent'; readonly photoTrouble: string | null }
  | { readonly state: 'kept' }
  | { readonly state: 'refused' };

/** Sends one finding, words first. Without signal it stays; a refusal is kept with its reason. */
export async function sendKept(kept: KeptFinding): Promise<Sent> {
  const headers = ofPerson({ personId: kept.personId, clubId: kept.clubId ?? null });
  try {
    if (!kept.wordsSent) await send('POST /api/findings', kept.finding, headers);
  } catch (error) {
    if (
      error instanceof NoSignal
      || (error instanceof Refusal && (error.status === 401 || error.status >= 500))
    )
      return { state: 'kept' };
    const message = error instanceof Error ? error.message : 'It was not accepted.';
    await keep({ ...kept, trouble: message });
    return { state: 'refused' };
  }
  await keep({ ...kept, wordsSent: true, trouble: null });
  if (kept.photo !== null) {
    try {
      await ask('PUT /api/findings/[id]/photos/[photo]', {
        params: { id: kept.findingId, photo: kept.photoId },
        body: kept.photo,
        headers,
      });
    } catch (error) {
      if (!(error instanceof Refusal) || error.status === 401 || error.status >= 500)
        return { state: 'kept' };
      // The photo may exist nowhere else: it stays on the phone until its taker has decided.
      const photoTrouble = error.message;
      await keep({ ...kept, wordsSent: true, trouble: photoTrouble });
      return { state: 'sent', photoTrouble };
    }
  }
  await store.kept.delete(kept.findingId);
  return { state: 'sent', photoTrouble: null };
}

/** Findings of a person that wait on this phone; null until it was looked at. They are sent again when the signal comes back, and every half minute. */
export function useOutbox(personId: string | undefined): readonly KeptFinding[] | null {
  const [waiting, setWaiting] = useState<readonly KeptFinding[] | null>(null);
  useEffect(() => {
    if (personId === undefined) return undefined;
    const watch = liveQuery(() => store.kept.where({ personId, ready: 1 }).toArray()).subscribe({
      next: setWaiting,
      error: () => {
        setWaiting([]);
      },
    });
    let busy = false;
    const sendAll = async () => {
      if (busy) return;
      busy = true;
      try {
        for (const kept of await store.kept.where({ personId, ready: 1 }).toArray())
          if (kept.trouble === null) await sendKept(kept);
      } finally {
        busy = false;
      }
    };
    const again = () => {
      void sendAll();
    };
    again();
    window.addEventListener('online', again);
    const timer = setInterval(again, 30_000);
    return () => {
      watch.unsubscribe();
      window.removeEventListener('online', again);
      clearInterval(timer);
    };
  }, [personId]);
  return waiting;
}
