'use client';

import { useState } from 'react';
import type { Instant } from '@/core/time/instant';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { keepNote } from '../data/kept-walks';
import { Consequence } from './notices';
import { DoneForm } from './done-form';
import { sendNow } from './use-outbox';
import { useWalk } from './use-walk';
import { WalkScreen } from './walk-screen';
import { WalkStart } from './walk-start';
import { WalkSigned } from './walk-end';

/** One aircraft on the ramp: how it stands, its walk-round, and what was announced. */
export function AircraftOnRamp({
  view,
  person,
  isOffline,
  isKept,
  onReport,
  onOther,
}: {
  readonly view: RampWalk;
  readonly person: { readonly personId: string; readonly name: string; readonly clubId: string | null };
  readonly isOffline: string | null;
  readonly isKept: boolean;
  readonly onReport: () => void;
  readonly onOther: () => void;
}) {
  const [fuelledHere, setFuelledHere] = useState<Instant | null>(null);
  const walk = useWalk(view, person, fuelledHere);
  const [isWalking, setIsWalking] = useState(false);
  const [doing, setDoing] = useState<string | null>(null);
  const [done, setDone] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (!walk.isLoaded) return <p>Looking for what was kept …</p>;
  if (walk.isSigned && walk.walk !== null)
    return (
      <WalkSigned
        walkroundId={walk.walk.walkroundId}
        onDone={() => {
          walk.close();
          onOther();
        }}
      />
    );
  const announced = view.announced.filter(({ id }) => !done.includes(id));
  const chosen = announced.find(({ id }) => id === doing);
  if (chosen !== undefined)
    return (
      <DoneForm
        announced={chosen}
        onBack={() => {
          setDoing(null);
        }}
        onDone={(amount, grade) => {
          void keepNote({
            noteId: crypto.randomUUID(),
            personId: person.personId,
            clubId: person.clubId,
            trouble: null,
            note: {
              kind: 'done',
              value: {
                doneId: crypto.randomUUID(),
                aircraftId: view.aircraftId,
                announcedId: chosen.id,
                amount,
                grade,
                at: new Date().toISOString(),
              },
            },
          }).then(() => {
            setDone([...done, chosen.id]);
            if (chosen.act === 'add-fuel') setFuelledHere(Date.now() as Instant);
            setDoing(null);
            void sendNow(person.personId).catch(() => undefined);
          });
        }}
      />
    );
  if (walk.walk !== null && isWalking) return <WalkScreen view={view} walk={walk} person={person} />;
  return (
    <>
      {trouble === null ? null : <Consequence isBad>{trouble}</Consequence>}
      <WalkStart
        view={{ ...view, announced }}
        left={walk.walk === null ? null : walk.outcome.steps - walk.outcome.answered}
        isOffline={isOffline}
        isKept={isKept}
        onReport={onReport}
        onOther={onOther}
        onAnnounced={setDoing}
        onBegin={() => {
          setIsWalking(true);
          if (walk.walk === null)
            walk.begin().catch(() => {
              setIsWalking(false);
              setTrouble(
                'This phone could not keep a walk-round: it may be full. Make room, then begin again.',
              );
            });
        }}
      />
    </>
  );
}
