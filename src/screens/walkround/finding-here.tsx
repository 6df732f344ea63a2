'use client';

import Box from '@mui/material/Box';
import { useState } from 'react';
import type { FindingInput } from '@/contracts/findings/report-finding';
import type { Classification } from '@/core/records/findings/discrepancy';
import type { PlanMark, PlanStep } from '@/core/walkround/plan';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { keep, sendKept, type KeptFinding } from '../data/kept-findings';
import { BigButton } from '../findings/big-button';
import { LOOKS } from '../findings/looks';
import { PhotoTaker } from '../findings/photo-taker';
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
  const [asListed, setAsListed] = useState(false);
  const [what, setWhat] = useState('');
  const [photo, setPhoto] = useState<Blob | null>(null);
  const [changed, setChanged] = useState<PlanMark | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isBusy, setIsBusy] = useState(false);
  const finish = async (looks: FindingInput['looks']) => {
    setIsBusy(true);
    const findingId = crypto.randomUUID();
    const kept: KeptFinding = {
      findingId,
      personId: person.personId,
      clubId: person.clubId,
      registration: view.registration,
      ready: 1,
      photo,
      photoId: crypto.randomUUID(),
      wordsSent: false,
      trouble: null,
      finding: {
        findingId,
        aircraftId: view.aircraftId,
        station: step.station,
        side: step.side,
        step: step.code,
        asListed,
        what,
        looks,
        foundAt: new Date().toISOString(),
      },
    };
    try {
      await keep(kept);
    } catch {
      setIsBusy(false);
      setTrouble(
        'This phone could not keep it: it may be full. Leave the photo out, or make room; then tap again.',
      );
      return;
    }
    void sendKept(kept);
    onFound(findingId);
  };
  const title = (text: string) => (
    <Box component="h1" sx={{ fontSize: 26, lineHeight: 1.15, my: 1.5, mx: 0 }}>
      {text}
    </Box>
  );
  switch (question) {
    case 'which':
      return (
        <>
          {title(`${step.title}: what is it?`)}
          <Choices>
            <BigButton
              detail={MEANS[step.listedAs]}
              onClick={() => {
                setAsListed(true);
                setChanged(null);
                setWhat(`${step.title}: ${step.typical}`);
                setQuestion('describe');
              }}
            >
              {step.typical.charAt(0).toUpperCase() + step.typical.slice(1)}
            </BigButton>
            {(step.marks ?? []).map((mark) => (
              <BigButton
                key={mark.id}
                detail="Larger, deeper or otherwise than before. A mechanic has to look before it flies"
                onClick={() => {
                  setAsListed(false);
                  setChanged(mark);
                  setWhat(`Known mark changed (${markWords(mark)}). Now: `);
                  setQuestion('describe');
                }}
              >
                Changed: {mark.what}
              </BigButton>
            ))}
            <BigButton
              detail="You describe it; a mechanic has to look before it flies"
              onClick={() => {
                setAsListed(false);
                setChanged(null);
                setWhat(`${step.title}: `);
                setQuestion('describe');
              }}
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
            <BigButton onClick={onBack}>Back</BigButton>
          </ThumbBar>
        </>
      );
    case 'describe':
      return (
        <>
          {title('What do you see?')}
          {changed === null ? null : <KnownHere marks={[changed]} />}
          <Box component="label" htmlFor="what-here" sx={{ fontSize: 17 }}>
            Where exactly, and how large.
          </Box>
          <Box
            component="textarea"
            id="what-here"
            rows={4}
            maxLength={1000}
            value={what}
            onChange={(event) => {
              setWhat(event.target.value);
            }}
            sx={{
              width: '100%',
              boxSizing: 'border-box',
              font: 'inherit',
              fontSize: 18,
              p: 1.5,
              m: '8px 0 12px',
              border: '2px solid var(--ink)',
              borderRadius: '6px',
              bgcolor: 'var(--card)',
              color: 'var(--ink)',
            }}
          />
          <PhotoTaker photo={photo} onPhoto={setPhoto} />
          <ThumbBar>
            <BigButton
              onClick={() => {
                setQuestion('which');
              }}
            >
              Back
            </BigButton>
            <BigButton
              strong
              disabled={what.trim() === ''}
              onClick={() => {
                setQuestion('looks');
              }}
            >
              Save
            </BigButton>
          </ThumbBar>
        </>
      );
    case 'looks':
      return (
        <>
          {title('How bad does it look to you?')}
          <Box component="p" sx={{ fontSize: 17, m: '0 0 12px' }}>
            Your answer can make it stricter, never softer.
          </Box>
          {asListed ? <Consequence isBad>{MEANS[step.listedAs]}</Consequence> : null}
          {trouble === null ? null : <Consequence isBad>{trouble}</Consequence>}
          <Choices>
            {LOOKS.map(({ value, name, detail }) => (
              <BigButton
                key={value}
                detail={detail}
                disabled={isBusy}
                onClick={() => {
                  void finish(value);
                }}
              >
                {name}
              </BigButton>
            ))}
          </Choices>
          <ThumbBar>
            <BigButton
              disabled={isBusy}
              onClick={() => {
                setQuestion('describe');
              }}
            >
              Back
            </BigButton>
          </ThumbBar>
        </>
      );
    default: {
      const missing: never = question;
      throw new RangeError(`no such question: ${String(missing)}`);
    }
  }
}
