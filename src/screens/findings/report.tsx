'use client';

import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';
import type { FindingInput } from '@/contracts/findings/report-finding';
import type { RampAircraft } from '@/queries/findings/ramp';
import { keep, sendKept, unfinished, type KeptFinding, type Sent } from '../data/kept-findings';
import type { Me } from '../data/queries';
import { BigButton } from './big-button';
import { LastPilot } from './last-pilot';
import { Asked, changedFinding, Describe, freshFinding, HowBad } from './questions';
import { Choices, ThumbBar } from './ramp-frame';

type Question = 'station' | 'item' | 'kind' | 'describe' | 'looks' | 'sent';

/** Who writes, and in which club. */
type Writer = Pick<Me, 'personId' | 'clubId'>;

/** Reporting one finding: one question a screen, everything kept on the phone as it is entered. */
export function Report({
  aircraft,
  personId,
  clubId,
  onDone,
}: Writer & { readonly aircraft: RampAircraft; readonly onDone: () => void }) {
  const [kept, setKept] = useState<KeptFinding | null>(null);
  const [question, setQuestion] = useState<Question>('station');
  const [sent, setSent] = useState<Sent | null>(null);
  const [busy, setBusy] = useState(false);
  const heading = useRef<HTMLHeadingElement>(null);

  useEffect(() => {
    let gone = false;
    void unfinished(personId, aircraft.registration).then((known) => {
      if (gone) return;
      setKept(known ?? freshFinding({ personId, clubId }, aircraft));
      if (known !== undefined)
        setQuestion(
          known.finding.station === null ? 'station' : known.finding.what === '' ? 'item' : 'describe',
        );
    });
    return () => {
      gone = true;
    };
  }, [aircraft, personId, clubId]);
  useEffect(() => {
    heading.current?.focus();
  }, [question]);

  if (kept === null)
    return (
      <Box component="p" sx={{ p: 2 }}>
        Looking for what was kept …
      </Box>
    );
  const change = (part: Partial<KeptFinding['finding']>, more: Partial<KeptFinding> = {}): KeptFinding => {
    const { next } = changedFinding(kept, part, more);
    setKept(next);
    return next;
  };
  const station = aircraft.stations.find(({ id }) => id === kept.finding.station);
  const item = station?.items.find(({ step }) => step === kept.finding.step);
  const finish = async (looks: FindingInput['looks']) => {
    setBusy(true);
    const ready = change({ looks }, { ready: 1, trouble: null });
    await keep(ready);
    setSent(await sendKept(ready));
    setBusy(false);
    setQuestion('sent');
  };
  const title = (text: string) => <Asked heading={heading}>{text}</Asked>;
  const to = (next: Question) => () => {
    setQuestion(next);
  };
  const back = (before: Question) => <BigButton onClick={to(before)}>Back</BigButton>;

  switch (question) {
    case 'station':
      return (
        <>
          <LastPilot report={aircraft.lastReport} />
          {title('Where on the aircraft?')}
          <Choices columns={2}>
            {byColumns(aircraft.stations).flatMap(({ id, places }) =>
              places.map(({ side, name }) => (
                <BigButton
                  key={`${id}${side ?? ''}`}
                  onClick={() => {
                    change({ station: id, side, step: null, asListed: false, what: '' });
                    setQuestion('item');
                  }}
                >
                  {name}
                </BigButton>
              )),
            )}
          </Choices>
          <ThumbBar>
            <BigButton onClick={onDone}>Another aircraft</BigButton>
          </ThumbBar>
        </>
      );
    case 'item':
      return (
        <>
          {title('What is it about?')}
          <Choices>
            <BigButton
              onClick={() => {
                change({ step: null, asListed: false, what: '' });
                setQuestion('describe');
              }}
              detail="You describe it in your own words"
            >
              Something that is not on this list
            </BigButton>
            {station?.items.map(({ step, item: name }) => (
              <BigButton
                key={step}
                onClick={() => {
                  change({ step, asListed: false, what: '' });
                  setQuestion('kind');
                }}
              >
                {name}
              </BigButton>
            ))}
          </Choices>
          <ThumbBar>{back('station')}</ThumbBar>
        </>
      );
    case 'kind':
      return (
        <>
          {title(item?.item ?? 'What is it?')}
          <Box component="p" sx={{ fontSize: 17, m: '0 0 12px' }}>
            Is it just this?
          </Box>
          <Choices>
            {item === undefined ? null : (
              <BigButton
                onClick={() => {
                  change({ asListed: true, what: `${item.item}: ${item.typical}` });
                  setQuestion('describe');
                }}
              >
                {item.typical.charAt(0).toUpperCase() + item.typical.slice(1)}
              </BigButton>
            )}
            <BigButton
              onClick={() => {
                change({ asListed: false, what: item === undefined ? '' : `${item.item}: ` });
                setQuestion('describe');
              }}
              detail="You describe it; a mechanic has to look before it flies"
            >
              Something else, or more than that
            </BigButton>
          </Choices>
          <ThumbBar>{back('item')}</ThumbBar>
        </>
      );
    case 'describe':
      return (
        <Describe
          kept={kept}
          heading={heading}
          hint={
            kept.finding.asListed
              ? 'Add what you see, such as where exactly and how much.'
              : 'In your words: what, where exactly, how much.'
          }
          onWhat={(what) => {
            change({ what });
          }}
          onPhoto={(photo) => {
            change({}, { photo, photoId: crypto.randomUUID() });
          }}
          onBack={to(kept.finding.step === null ? 'item' : 'kind')}
          onSave={to('looks')}
        />
      );
    case 'looks':
      return (
        <HowBad
          heading={heading}
          note="Your answer can make it stricter, never softer. It is sent with this tap."
          isBusy={busy}
          onLooks={(looks) => {
            void finish(looks);
          }}
          onBack={to('describe')}
        />
      );
    case 'sent':
      return (
        <>
          {title(
            sent?.state === 'sent'
              ? 'Reported.'
              : sent?.state === 'kept'
                ? 'Kept on this phone.'
                : 'Not accepted.',
          )}
          <Box role="status" sx={{ fontSize: 19, lineHeight: 1.35 }}>
            {sent === null ? null : <Outcome sent={sent} registration={aircraft.registration} />}
          </Box>
          <ThumbBar>
            <BigButton onClick={onDone}>Another aircraft</BigButton>
            <BigButton
              strong
              onClick={() => {
                setKept(freshFinding({ personId, clubId }, aircraft));
                setSent(null);
                setQuestion('station');
              }}
            >
              Report more
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

/** What came of sending it, and what that means for flying. */
function Outcome({ sent, registration }: { readonly sent: Sent; readonly registration: string }) {
  switch (sent.state) {
    case 'sent':
      return (
        <>
          <p>The dispatcher sees it now. Wait for an answer before you fly {registration}.</p>
          {sent.photoTrouble === null ? null : (
            <p>The photo was not accepted; it stands above until you decide about it.</p>
          )}
        </>
      );
    case 'kept':
      return (
        <p>
          It is sent as soon as there is a signal. <b>Nobody has seen it yet:</b> do not fly {registration},
          and tell the dispatcher yourself.
        </p>
      );
    case 'refused':
      return <p>It stands above until you decide about it.</p>;
    default: {
      const missing: never = sent;
      throw new RangeError(`no such outcome: ${JSON.stringify(missing)}`);
    }
  }
}

/** Stations with no sides first in pairs, so that the sided ones fill both columns of their rows. */
function byColumns(stations: RampAircraft['stations']): RampAircraft['stations'] {
  const single = stations.filter(({ places }) => places.length === 1);
  return [
    ...single.slice(0, single.length - (single.length % 2)),
    ...stations.filter(({ places }) => places.length > 1),
    ...single.slice(single.length - (single.length % 2)),
  ];
}
