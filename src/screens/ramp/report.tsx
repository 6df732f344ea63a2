'use client';

import { useEffect, useRef, useState } from 'react';
import type { FindingInput } from '@/contracts/report-finding';
import type { RampAircraft } from '@/queries/ramp';
import { discard, keep, sendKept, unfinished, type KeptFinding, type Sent } from '../data/kept-findings';
import { BigButton } from './big-button';

const LOOKS: readonly { readonly value: FindingInput['looks']; readonly name: string; readonly detail: string }[] = [
  { value: 'would-not-fly', name: 'I would not fly it', detail: 'It stays on the ground until a mechanic has looked' },
  { value: 'not-right', name: 'It is not right', detail: 'Somebody has to decide about it' },
  { value: 'looks-small', name: 'It looks small to me', detail: 'It is judged by what it is, not by how it looks' },
  { value: 'cannot-tell', name: 'I cannot tell', detail: 'An instructor has to look' },
];

type Question = 'station' | 'item' | 'kind' | 'describe' | 'looks' | 'sent';

const fresh = (personId: string, aircraft: RampAircraft): KeptFinding => ({
  findingId: crypto.randomUUID(), personId, registration: aircraft.registration, ready: 0, photo: null, photoId: crypto.randomUUID(), wordsSent: false, trouble: null,
  finding: { findingId: '', aircraftId: aircraft.aircraftId, station: null, side: null, step: null, asListed: false, what: '', looks: null, foundAt: '' },
});

/** Reporting one finding: one question a screen, everything kept on the phone as it is entered. */
export function Report({ aircraft, personId, onDone }: { readonly aircraft: RampAircraft; readonly personId: string; readonly onDone: () => void }) {
  const [kept, setKept] = useState<KeptFinding | null>(null);
  const [question, setQuestion] = useState<Question>('station');
  const [sent, setSent] = useState<Sent | null>(null);
  const [busy, setBusy] = useState(false);
  const [picture, setPicture] = useState<string | null>(null);
  const heading = useRef<HTMLHeadingElement>(null);

  useEffect(() => {
    let gone = false;
    void unfinished(personId, aircraft.registration).then((known) => {
      if (gone) return;
      setKept(known ?? fresh(personId, aircraft));
      if (known !== undefined) setQuestion(known.finding.station === null ? 'station' : known.finding.what === '' ? 'item' : 'describe');
    });
    return () => { gone = true; };
  }, [aircraft, personId]);
  useEffect(() => { heading.current?.focus(); }, [question]);
  useEffect(() => {
    if (kept?.photo == null) { setPicture(null); return undefined; }
    const url = URL.createObjectURL(kept.photo);
    setPicture(url);
    return () => { URL.revokeObjectURL(url); };
  }, [kept?.photo]);

  if (kept === null) return <p style={{ padding: 16 }}>Looking for what was kept …</p>;
  const change = (part: Partial<KeptFinding['finding']>, more: Partial<KeptFinding> = {}): KeptFinding => {
    const next = { ...kept, ...more, finding: { ...kept.finding, ...part, findingId: kept.findingId, foundAt: kept.finding.foundAt === '' ? new Date().toISOString() : kept.finding.foundAt } };
    setKept(next);
    void keep(next);
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
  const title = (text: string) => <h1 ref={heading} tabIndex={-1} style={{ fontSize: 26, margin: '12px 0', outline: 'none' }}>{text}</h1>;

  switch (question) {
    case 'station': return (
      <>{title('Where on the aircraft?')}
        <div style={{ display: 'grid', gap: 8 }}>
          {aircraft.stations.flatMap(({ id, name, sided }) => (sided ? (['left', 'right'] as const) : [null]).map((side) => (
            <BigButton key={`${id}${side ?? ''}`} onClick={() => { change({ station: id, side, step: null, asListed: false, what: '' }); setQuestion('item'); }}>{side === null ? name : `${name}, ${side}`}</BigButton>
          )))}
        </div></>
    );
    case 'item': return (
      <>{title('What is it about?')}
        <div style={{ display: 'grid', gap: 8 }}>
          <BigButton onClick={() => { change({ step: null, asListed: false, what: '' }); setQuestion('describe'); }} detail="You describe it in your own words">Something else</BigButton>
          {station?.items.map(({ step, item }) => <BigButton key={step} onClick={() => { change({ step, asListed: false, what: '' }); setQuestion('kind'); }}>{item}</BigButton>)}
          <BigButton onClick={() => { setQuestion('station'); }}>Back</BigButton>
        </div></>
    );
    case 'kind': return (
      <>{title(item?.item ?? 'What is it?')}
        <p style={{ fontSize: 16, margin: '0 0 12px' }}>Is it just this?</p>
        <div style={{ display: 'grid', gap: 8 }}>
          {item === undefined ? null : <BigButton onClick={() => { change({ asListed: true, what: `${item.item}: ${item.typical}` }); setQuestion('describe'); }}>{item.typical.charAt(0).toUpperCase() + item.typical.slice(1)}</BigButton>}
          <BigButton onClick={() => { change({ asListed: false, what: item === undefined ? '' : `${item.item}: ` }); setQuestion('describe'); }} detail="You describe it; a mechanic has to look before it flies">Something else, or more than that</BigButton>
          <BigButton onClick={() => { setQuestion('item'); }}>Back</BigButton>
        </div></>
    );
    case 'describe': return (
      <>{title('What do you see?')}
        <label htmlFor="what" style={{ fontSize: 16 }}>{kept.finding.asListed ? 'Add what you see, such as where exactly and how much.' : 'In your words: what, where exactly, how much.'}</label>
        <textarea id="what" rows={4} maxLength={1000} value={kept.finding.what} onChange={(event) => { change({ what: event.target.value }); }} style={{ width: '100%', font: 'inherit', fontSize: 18, padding: 12, margin: '8px 0 12px', border: '2px solid var(--ink)', borderRadius: 8, background: 'var(--card)', color: 'var(--ink)' }} />
        {/* The picture stands on this phone until it was sent; the framework's image service has nothing to do with it. */}
        {picture === null ? null : <img src={picture} alt="The photo that you took" style={{ width: '100%', maxHeight: 220, objectFit: 'contain', marginBottom: 12 }} />}
        <div style={{ display: 'grid', gap: 8 }}>
          <label style={{ display: 'block', minHeight: 56, padding: '14px', fontSize: 18, fontWeight: 700, border: '2px solid var(--ink)', borderRadius: 8, cursor: 'pointer' }}>
            {kept.photo === null ? 'Take a photo' : 'Take another photo'}
            <input type="file" accept="image/*" capture="environment" style={{ position: 'absolute', opacity: 0, width: 1, height: 1 }} onChange={(event) => { const [file] = event.target.files ?? []; if (file !== undefined) change({}, { photo: file, photoId: crypto.randomUUID() }); }} />
          </label>
          <BigButton strong disabled={kept.finding.what.trim() === ''} onClick={() => { setQuestion('looks'); }}>{kept.finding.what.trim() === '' ? 'Say what you see first' : 'Keep this and go on'}</BigButton>
          <BigButton onClick={() => { setQuestion(kept.finding.step === null ? 'item' : 'kind'); }}>Back</BigButton>
        </div></>
    );
    case 'looks': return (
      <>{title('How bad does it look to you?')}
        <p style={{ fontSize: 16, margin: '0 0 12px' }}>Your answer can make it stricter, never softer.</p>
        <div style={{ display: 'grid', gap: 8 }}>
          {LOOKS.map(({ value, name, detail }) => <BigButton key={value} detail={detail} disabled={busy} onClick={() => { void finish(value); }}>{name}</BigButton>)}
          <BigButton disabled={busy} onClick={() => { setQuestion('describe'); }}>Back</BigButton>
        </div></>
    );
    case 'sent': return (
      <>{title(sent?.state === 'sent' ? 'Reported.' : sent?.state === 'kept' ? 'Kept on this phone.' : 'Not accepted.')}
        <p style={{ fontSize: 18 }} role="status">
          {sent?.state === 'sent' ? `The dispatcher sees it now. Wait for an answer before you fly ${aircraft.registration}.` : null}
          {sent?.state === 'kept' ? `It is sent as soon as there is a signal. Nobody has seen it yet: do not fly ${aircraft.registration}, and tell the dispatcher yourself.` : null}
          {sent?.state === 'refused' ? sent.message : null}
        </p>
        {sent?.state === 'sent' && sent.photoTrouble !== null ? <p style={{ fontSize: 16 }}>{sent.photoTrouble}</p> : null}
        <div style={{ display: 'grid', gap: 8 }}>
          {sent?.state === 'refused' ? <BigButton strong onClick={() => { change({}, { ready: 0 }); setQuestion('describe'); }}>Correct it</BigButton> : null}
          {sent?.state === 'refused' ? <BigButton onClick={() => { void discard(kept.findingId); onDone(); }}>Give it up</BigButton> : null}
          <BigButton strong={sent?.state !== 'refused'} onClick={() => { setKept(fresh(personId, aircraft)); setSent(null); setQuestion('station'); }}>Report something else</BigButton>
          <BigButton onClick={onDone}>Another aircraft</BigButton>
        </div></>
    );
    default: {
      const missing: never = question;
      throw new RangeError(`no such question: ${String(missing)}`);
    }
  }
}
