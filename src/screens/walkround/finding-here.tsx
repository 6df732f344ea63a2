'use client';

import { useState } from 'react';
import type { FindingInput } from '@/contracts/findings/report-finding';
import type { Classification } from '@/core/records/findings/discrepancy';
import type { PlanMark, PlanStep } from '@/core/walkround/plan-step';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { discard, sendKept, type KeptFinding } from '../data/kept-findings';
import { BigButton } from '../findings/big-button';
import { Asked, changedFinding, Describe, freshFinding, HowBad } from '../findings/questions';
import { Choices, ThumbBar } from '../findings/ramp-frame';
import { KnownHere } from './known-here';
import { Consequence } from './notices';

/** What a finding means for now, to the person who found it. */
const MEANS: Readonly<Record<Classification, string>> = {
  'ground-until-mechanic':
    'The aircraft stays until a mechanic has looked. Do not fly it and do not try to mend it.',
  'service-before-flight': 'It is put right before anybody flies, and looked at again.',
  'tell-instructor': 'Nobody flies until an instructor or a mechanic has judged it. Tell one now.',
  'deferral-path':
    'What needs it is not available until it is mended or lawfully deferred. Do not operate it again to see.',
  watch: 'It is watched, and looked at again on each walk-round.',
  note: 'It is written down.',
};

const markWords = ({ what, size }: PlanMark) => (size === null ? what : `${what}: ${size}`);

type Question = 'which' | 'describe' | 'looks';

/** Something found at a step: what it is, a picture, how it looks to its finder. Everything is kept on the phone as it is entered. */
export function FindingHere({
  step,
  view,
  person,
  onFound,
  onBack,
}: {
  readonly step: PlanStep;
  readonly view: RampWalk;
  readonly person: { readonly personId: string; readonly clubId: string | null };
  readonly onFound: (findingId: string) => void;
  readonly onBack: () => void;
}) {
  const [question, setQuestion] = useState<Question>('which');
  const [kept, setKept] = useState(() =>
    freshFinding(person, view, { station: step.station, side: step.side, step: step.code }),
  );
  const [begun, setBegun] = useState('');
  const [changed, setChanged] = useState<PlanMark | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isBusy, setIsBusy] = useState(false);
  const full = () => {
    setTrouble(
      'This phone could not keep it: it may be full. Leave the photo out, or make room; then tap again.',
    );
  };
  /** Kept with every letter: a page that is closed now comes back with it. */
  const change = (part: Partial<KeptFinding['finding']>, more: Partial<KeptFinding> = {}) => {
    const { next, isKept } = changedFinding(kept, part, more);
    setKept(next);
    isKept.catch(full);
  };
  const begin = (asListed: boolean, what: string, mark: PlanMark | null) => () => {
    change({ asListed, what });
    setBegun(what);
    setChanged(mark);
    setQuestion('describe');
  };
  const finish = async (looks: FindingInput['looks']) => {
    setIsBusy(true);
    const { next, isKept } = changedFinding(kept, { looks }, { ready: 1 });
    try {
      await isKept;
    } catch {
      setIsBusy(false);
      full();
      return;
    }
    void sendKept(next);
    onFound(next.findingId);
  };
  const giveUp = () => {
    // What a tap alone began is nobody's words; what somebody wrote or took stays, and the start page offers it.
    if (kept.finding.what === begun && kept.photo === null) void discard(kept.findingId);
    onBack();
  };
  const { typical } = step;
  switch (question) {
    case 'which':
      return (
        <>
          <Asked>{step.title}: what is it?</Asked>
          <Choices>
            <BigButton detail={MEANS[step.listedAs]} onClick={begin(true, `${step.title}: ${typical}`, null)}>
              {typical.charAt(0).toUpperCase() + typical.slice(1)}
            </BigButton>
            {(step.marks ?? []).map((mark) => (
              <BigButton
                key={mark.id}
                detail="Larger, deeper or otherwise than before. A mechanic has to look before it flies"
                onClick={begin(false, `Known mark changed (${markWords(mark)}). Now: `, mark)}
              >
                Changed: {mark.what}
              </BigButton>
            ))}
            <BigButton
              detail="You describe it; a mechanic has to look before it flies"
              onClick={begin(false, `${step.title}: `, null)}
            >
              Something else, or more than that
            </BigButton>
            {view.open.map(({ id, what: known, where, since }) => (
              <BigButton
                key={id}
                detail={`Open since ${since}, ${where}`}
                onClick={() => {
                  onFound(id);
                }}
              >
                It is this one, unchanged: {known}
              </BigButton>
            ))}
          </Choices>
          <ThumbBar>
            <BigButton onClick={giveUp}>Back</BigButton>
          </ThumbBar>
        </>
      );
    case 'describe':
      return (
        <Describe
          kept={kept}
          hint="Where exactly, and how large."
          onWhat={(what) => {
            change({ what });
          }}
          onPhoto={(photo) => {
            change({}, { photo, photoId: crypto.randomUUID() });
          }}
          onBack={() => {
            setQuestion('which');
          }}
          onSave={() => {
            setQuestion('looks');
          }}
        >
          {changed === null ? null : <KnownHere marks={[changed]} />}
          {trouble === null ? null : <Consequence isBad>{trouble}</Consequence>}
        </Describe>
      );
    case 'looks':
      return (
        <HowBad
          note="Your answer can make it stricter, never softer."
          isBusy={isBusy}
          onLooks={(looks) => {
            void finish(looks);
          }}
          onBack={() => {
            setQuestion('describe');
          }}
        >
          {kept.finding.asListed ? <Consequence isBad>{MEANS[step.listedAs]}</Consequence> : null}
          {trouble === null ? null : <Consequence isBad>{trouble}</Consequence>}
        </HowBad>
      );
    default: {
      const missing: never = question;
      throw new RangeError(`no such question: ${String(missing)}`);
    }
  }
}
