'use client';

import { useMemo, useState } from 'react';
import type { Instant } from '@/core/time/instant';
import { kindOf, type PlanKind } from '@/core/walkround/plan-kinds';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { keepNote, type KeptNote } from '../data/kept-walks';
import { DoneForm } from './done-form';
import { ListStart } from './list-start';
import { Consequence } from './notices';
import { sendNow } from './use-outbox';
import { useWalk } from './use-walk';
import { WalkSigned } from './walk-end';
import { WalkScreen } from './walk-screen';
import { WalkStart } from './walk-start';

interface Given {
  readonly view: RampWalk;
  readonly person: { readonly personId: string; readonly name: string; readonly clubId: string | null };
  readonly isOffline: string | null;
  readonly isKept: boolean;
  readonly onReport: () => void;
  readonly onOther: () => void;
}

/** Keeps a note on the phone and has it sent. */
async function keepAndSend(person: Given['person'], note: KeptNote['note']): Promise<void> {
  await keepNote({
    noteId: crypto.randomUUID(),
    personId: person.personId,
    clubId: person.clubId,
    trouble: null,
    note,
  });
  void sendNow(person.personId).catch(() => undefined);
}

/** One list on the ramp, from its start to its signature; the walk-round's start says how the aircraft stands and what was announced. */
function OnRamp({
  view,
  person,
  isOffline,
  isKept,
  onReport,
  onOther,
  onList,
}: Given & { readonly onList: (kind: PlanKind) => void }) {
  const [fuelledHere, setFuelledHere] = useState<Instant | null>(null);
  const walk = useWalk(view, person, fuelledHere);
  const [isWalking, setIsWalking] = useState(false);
  const [doing, setDoing] = useState<string | null>(null);
  const [done, setDone] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const kind = kindOf(view.plan);
  const list = view.lists.find((one) => one.kind === kind);
  const toStart = () => {
    onList('walk-round');
  };
  if (!walk.isLoaded) return <p>Looking for what was kept …</p>;
  if (walk.isSigned && walk.walk !== null)
    return (
      <WalkSigned
        walkroundId={walk.walk.walkroundId}
        kind={kind}
        registration={view.registration}
        onDone={() => {
          walk.close();
          if (kind === 'walk-round') onOther();
          else toStart();
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
          void keepAndSend(person, {
            kind: 'done',
            value: {
              doneId: crypto.randomUUID(),
              aircraftId: view.aircraftId,
              announcedId: chosen.id,
              amount,
              grade,
              at: new Date().toISOString(),
            },
          }).then(() => {
            setDone([...done, chosen.id]);
            if (chosen.act === 'add-fuel') setFuelledHere(Date.now() as Instant);
            setDoing(null);
          });
        }}
      />
    );
  if (walk.walk !== null && isWalking) return <WalkScreen view={view} walk={walk} person={person} />;
  const begin = () => {
    setIsWalking(true);
    if (walk.walk === null)
      walk.begin().catch(() => {
        setIsWalking(false);
        setTrouble('This phone could not keep what you begin: it may be full. Make room, then begin again.');
      });
  };
  const left = walk.walk === null ? null : walk.outcome.steps - walk.outcome.answered;
  return (
    <>
      {trouble === null ? null : <Consequence isBad>{trouble}</Consequence>}
      {list === undefined ? (
        <WalkStart
          view={{ ...view, announced }}
          left={left}
          isOffline={isOffline}
          isKept={isKept}
          onReport={onReport}
          onOther={onOther}
          onAnnounced={setDoing}
          onList={onList}
          onBegin={begin}
        />
      ) : (
        <ListStart
          list={list}
          left={left}
          isOffline={isOffline}
          onBegin={begin}
          onBack={toStart}
          onTakenApart={() =>
            keepAndSend(person, {
              kind: 'taken-apart',
              value: {
                recordId: crypto.randomUUID(),
                aircraftId: view.aircraftId,
                at: new Date().toISOString(),
              },
            })
          }
        />
      )}
    </>
  );
}

/** One aircraft on the ramp: its walk-round, and what else is gone through by a list. */
export function AircraftOnRamp(given: Given) {
  const { view } = given;
  const [kind, setKind] = useState<PlanKind>('walk-round');
  const list = view.lists.find((one) => one.kind === kind);
  const shown = useMemo(
    () => (list === undefined ? view : { ...view, plan: list.plan, current: list.current }),
    [view, list],
  );
  return <OnRamp {...given} key={list?.kind ?? 'walk-round'} view={shown} onList={setKind} />;
}
