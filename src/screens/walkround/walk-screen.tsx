'use client';

import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';
import type { SampleResult } from '@/core/records/walkround/measurement';
import type { PlanStep } from '@/core/walkround/plan-step';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { keepNote } from '../data/kept-walks';
import { FindingHere } from './finding-here';
import { LookStep } from './look-step';
import { MeasureStep, type AnnounceWith } from './measure-step';
import { Consequence } from './notices';
import { AFTER_CUP, SampleFound } from './sample-found';
import { placesOf, StationBar } from './station-bar';
import { Unseen } from './unseen';
import { sendNow } from './use-outbox';
import type { Said, Walk } from './use-walk';
import { VerifyStation } from './verify-station';
import { WalkEnd } from './walk-end';

type Ask = 'step' | 'unseen' | 'cup' | 'finding';

/** Minutes with the power on, while it is on; null otherwise. */
function usePowerOn(walk: Walk): number | null {
  const [minutes, setMinutes] = useState<number | null>(null);
  const steps = walk.walk?.plan.steps ?? [];
  const power = steps.filter(({ station }) => station === 'power-on').map(({ key }) => key);
  const off = steps.find(({ code }) => code === 'K069')?.key;
  const said = new Set(walk.said.flatMap((event) => (event.kind === 'answer' ? [event.key] : [])));
  const first = walk.said.find((event) => event.kind === 'answer' && power.includes(event.key));
  const isOn = first !== undefined && off !== undefined && !said.has(off);
  const since = first?.at ?? '';
  useEffect(() => {
    const look = () => {
      setMinutes(isOn ? Math.floor((Date.now() - Date.parse(since)) / 60_000) : null);
    };
    look();
    if (!isOn) return undefined;
    const timer = setInterval(look, 10_000);
    return () => {
      clearInterval(timer);
    };
  }, [isOn, since]);
  return minutes;
}

/** One step a screen, from the first to the look from a distance, and the signature. */
export function WalkScreen({
  view,
  walk,
  person,
}: {
  readonly view: RampWalk;
  readonly walk: Walk;
  readonly person: { readonly personId: string; readonly name: string; readonly clubId: string | null };
}) {
  const [ask, setAsk] = useState<Ask>('step');
  const [again, setAgain] = useState<PlanStep | null>(null);
  const minutes = usePowerOn(walk);
  const steps = walk.walk?.plan.steps ?? [];
  const step = again ?? walk.next;
  const { answered } = walk;
  const limit = walk.walk?.plan.batteryMinutes ?? null;
  const open = (next: PlanStep | null) => {
    setAsk('step');
    setAgain(next);
  };
  const say = async (said: Said, announce: AnnounceWith | null = null, at: PlanStep | null = step) => {
    if (at === null) return;
    if (!(await walk.say(at, said))) return;
    open(null);
    if (announce !== null) {
      await keepNote({
        noteId: crypto.randomUUID(),
        personId: person.personId,
        clubId: person.clubId,
        trouble: null,
        note: {
          kind: 'announced',
          value: {
            announcedId: crypto.randomUUID(),
            aircraftId: view.aircraftId,
            act: announce.act,
            which: announce.which,
            amount: { amount: announce.amount, unit: announce.unit },
            at: new Date().toISOString(),
          },
        },
      });
      void sendNow(person.personId).catch(() => undefined);
    }
  };
  const top = (
    <>
      <StationBar steps={steps} answered={answered} outcome={walk.outcome} at={step?.key ?? null} />
      {walk.trouble === null ? null : <Consequence isBad>{walk.trouble}</Consequence>}
      {walk.wasAway ? (
        <Consequence isBad={false}>You were away: two steps back. Look at this one again.</Consequence>
      ) : null}
      {minutes === null ? null : (
        <Consequence isBad={limit !== null && minutes >= limit}>
          Power on for {minutes} min
          {limit !== null && minutes >= limit
            ? ': finish the lamps and switch off, the battery is for the start'
            : ''}
          .
        </Consequence>
      )}
    </>
  );
  if (step === null)
    return (
      <>
        {top}
        <WalkEnd
          walk={walk}
          name={person.name}
          onAgain={open}
          onSign={(helper) => {
            void walk.sign(helper);
          }}
        />
      </>
    );
  const place = placesOf(steps).find(({ keys }) => keys.includes(step.key));
  const here = `${step.place.charAt(0).toUpperCase()}${step.place.slice(1)}, ${(place?.keys.indexOf(step.key) ?? 0) + 1} of ${place?.keys.length ?? 1}`;
  const [before] = [...walk.said].reverse().filter((event) => event.kind === 'answer');
  const back =
    before?.kind !== 'answer'
      ? null
      : () => {
          const last = steps.find(({ key }) => key === before.key);
          if (last !== undefined && again === null) open(last);
          else open(null);
        };
  const cup = lastCup(walk, step);
  switch (ask) {
    case 'unseen':
      return (
        <Unseen
          title={step.title}
          matters={step.matters}
          onSay={(said) => {
            void say(said);
          }}
          onBack={() => {
            setAsk('step');
          }}
        />
      );
    case 'finding':
      return (
        <FindingHere
          step={step}
          view={view}
          person={person}
          onFound={(findingId) => {
            void say({ answer: 'found', findingId });
          }}
          onBack={() => {
            setAsk('step');
          }}
        />
      );
    case 'cup':
      return (
        <SampleFound
          drain={step.asks.kind === 'sample' ? step.asks.drain : ''}
          onResult={(result) => {
            void walk.say(step, { answer: 'found', measured: { kind: 'sample', result } }).then(() => {
              // Drained again at once; a wrong colour or smell is not cured by it.
              setAsk('step');
              setAgain(result === 'water' || result === 'dirt' ? step : null);
            });
          }}
          onOther={() => {
            setAsk('finding');
          }}
          onBack={() => {
            setAsk('step');
          }}
        />
      );
    case 'step':
      break;
    default: {
      const missing: never = ask;
      throw new RangeError(`no such question: ${String(missing)}`);
    }
  }
  if (walk.walk?.plan.mode === 'do-then-verify' && again === null && place !== undefined)
    return (
      <>
        {top}
        <VerifyStation
          place={place.place}
          steps={steps.filter(({ key }) => place.keys.includes(key))}
          answered={answered}
          onFine={(at) => {
            void say({ answer: 'fine' }, null, at);
          }}
          onOpen={open}
          onInterrupted={() => {
            void walk.interrupt();
          }}
        />
      </>
    );
  const shared = {
    step,
    here,
    view,
    onUnseen: () => {
      setAsk('unseen');
    },
    onBack: back,
  };
  const { asks } = step;
  if (asks.kind === 'fuel' || asks.kind === 'figure')
    return (
      <Box key={step.key} sx={{ display: 'contents' }}>
        {top}
        <MeasureStep
          {...shared}
          walk={walk}
          onSay={(said, announce) => {
            void say(said, announce);
          }}
          onFound={() => {
            setAsk('finding');
          }}
        />
      </Box>
    );
  const isCup = asks.kind === 'sample';
  return (
    <>
      {top}
      <LookStep
        {...shared}
        fine={isCup ? `Clean: ${view.fuelColour}, clear, no water, no dirt` : fineOf(step)}
        note={
          cup === null
            ? isCup
              ? `Fill for at least ${asks.seconds} s. ${disposal(walk)}`
              : null
            : AFTER_CUP[cup]
        }
        isBad={cup !== null}
        onFine={() => {
          void say({ answer: 'fine', measured: isCup ? { kind: 'sample', result: 'clean' } : null });
        }}
        onFound={() => {
          setAsk(isCup ? 'cup' : 'finding');
        }}
        onInterrupted={() => {
          void walk.interrupt();
        }}
      />
    </>
  );
}

/** The answer that says that a step is as it should be, its known marks with it. */
function fineOf({ marks = [] }: PlanStep): string {
  return marks.length === 0
    ? 'Fine'
    : marks.length === 1
      ? 'Fine, and the mark is the same'
      : `Fine, and all ${marks.length} marks are the same`;
}

/** Where what is in the cup goes. */
function disposal({ walk }: Walk): string {
  const { drum = null, clearFuelBack = false } = walk?.plan ?? {};
  return `${clearFuelBack ? 'Clear fuel may go back through a strainer; the' : 'The'} rest goes into ${drum ?? 'this field’s drum; ask where it stands'}.`;
}

/** What the last cup of a drain showed, where it was not clean; null otherwise. */
function lastCup({ said }: Walk, { key }: PlanStep): Exclude<SampleResult, 'clean'> | null {
  const last = [...said].reverse().find((event) => event.kind === 'answer' && event.key === key);
  if (last?.kind !== 'answer' || last.measured?.kind !== 'sample' || last.measured.result === 'clean')
    return null;
  return last.measured.result;
}
