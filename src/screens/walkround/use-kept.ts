'use client';

import { useEffect, useState } from 'react';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { NoSignal, OtherProgram, Refusal } from '../data/fetching';
import { keepPerson, keptPerson, keptView, keepPictures, keepView } from '../data/kept-walks';
import { endForeignDevice } from '../data/own-device';
import { useMe, useRampWalk } from '../data/queries';

/** Who walks round. */
export interface Walker {
  readonly personId: string;
  readonly name: string;
  readonly clubId: string | null;
}

/** Waits no longer than this for the desk before it is shown what the phone keeps, in milliseconds. */
const PATIENCE_MS = 3000;

/** True once something was waited for too long. */
function useLate(isWaiting: boolean): boolean {
  const [isLate, setIsLate] = useState(false);
  useEffect(() => {
    if (!isWaiting) return undefined;
    const timer = setTimeout(() => {
      setIsLate(true);
    }, PATIENCE_MS);
    return () => {
      clearTimeout(timer);
    };
  }, [isWaiting]);
  return isWaiting && isLate;
}

const isAway = (error: Error | null): boolean =>
  error instanceof NoSignal
  || error instanceof OtherProgram
  || (error instanceof Refusal && (error.status === 401 || error.status >= 500));

/**
 * Who uses this phone: the person who is signed in; without signal, or when the session has run out, the person who was last. What they enter is kept for
 * them and sent once they are signed in again.
 */
export function useWalker(): {
  readonly walker: Walker | null;
  readonly isSignedOut: boolean;
  readonly error: Error | null;
  readonly retry: () => void;
} {
  const me = useMe();
  const [kept, setKept] = useState<Walker | null>(null);
  const known = me.data;
  useEffect(() => {
    if (known === undefined) return;
    endForeignDevice(known.personId);
    void keepPerson({ personId: known.personId, name: known.name, clubId: known.clubId });
  }, [known]);
  // The first failure is enough: while it is tried again the person walks on.
  const failure = me.error ?? me.failureReason;
  const isLate = useLate(known === undefined);
  const isAlone = known === undefined && (isLate || (failure !== null && isAway(failure)));
  useEffect(() => {
    if (isAlone)
      void keptPerson().then((person) => {
        setKept(person ?? null);
      });
  }, [isAlone]);
  return {
    walker: known ?? (isAlone ? kept : null),
    isSignedOut: failure instanceof Refusal && failure.status === 401,
    error: known === undefined && kept === null ? me.error : null,
    retry: () => {
      void me.refetch();
    },
  };
}

/** What is known of an aircraft: as the desk has it now, or as it was kept when it was last opened on this phone. */
export function useKeptWalk(
  walker: Walker | null,
  registration: string | null,
): {
  readonly view: RampWalk | null;
  /** As of when, where there is no signal; null with one. */
  readonly asOf: string | null;
  readonly error: Error | null;
  readonly retry: () => void;
} {
  const query = useRampWalk(registration);
  const [kept, setKept] = useState<{ readonly view: RampWalk; readonly at: number } | null>(null);
  const fresh = query.data;
  const { error } = query;
  const personId = walker?.personId ?? null;
  useEffect(() => {
    if (fresh === undefined || personId === null) return;
    void keepView(personId, fresh);
    void keepPictures(fresh);
  }, [fresh, personId]);
  const isLate = useLate(fresh === undefined && registration !== null);
  const isAlone = fresh === undefined && (isLate || (error !== null && isAway(error)));
  useEffect(() => {
    if (!isAlone || personId === null || registration === null) return;
    void keptView(personId, registration).then((found) => {
      setKept(found ?? null);
    });
  }, [isAlone, personId, registration]);
  const own = kept?.view.registration === registration ? kept : null;
  return {
    // Kept by a page of before there were other lists, it has none.
    view:
      fresh ?? (own === null ? null : { ...own.view, lists: (own.view as Partial<RampWalk>).lists ?? [] }),
    asOf: fresh === undefined && own !== null ? own.view.asOf : null,
    error: fresh === undefined && own === null ? error : null,
    retry: () => {
      void query.refetch();
    },
  };
}
