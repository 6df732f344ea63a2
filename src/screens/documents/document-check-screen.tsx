'use client';
import Alert from '@mui/material/Alert';
import { useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import type { DocumentCheckList, DocumentToCheck } from '@/queries/documents/document-check';
import { useSecondInAddress } from '../data/address';
import { send } from '../data/fetching';
import { useDocumentCheckList } from '../data/queries';
import { BigButton } from '../findings/big-button';
import { Trouble } from '../shell/trouble';
import { Answers, NOTHING, type Tapped, question, seenOf } from './document-answers';
import { WaitingPhotos } from './waiting-photos';

function Round({ list }: { readonly list: DocumentCheckList }) {
  const client = useQueryClient();
  const [tapped, setTapped] = useState<Readonly<Partial<Record<DocumentToCheck['kind'], Tapped>>>>({});
  // What was tapped again is another round: one of which the answer got lost stands as it was sent.
  const fresh = () => Object.fromEntries(list.papers.map(({ kind }) => [kind, crypto.randomUUID()]));
  const [ids, setIds] = useState(fresh);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [done, setDone] = useState(false);
  const [sending, setSending] = useState(false);
  const [waiting, setWaiting] = useState<readonly { readonly id: string; readonly name: string }[]>([]);
  const answered = list.papers.filter(({ kind }) => tapped[kind] !== undefined);
  const wrong = answered.filter(
    ({ kind }) => tapped[kind]?.answer !== 'ours' && tapped[kind]?.answer !== 'no-tank',
  );
  const submit = async () => {
    setSending(true);
    setTrouble(null);
    try {
      const { waiting: waitingIds } = await send<{ readonly waiting: readonly string[] }>(
        '/api/document-check',
        {
          aircraftId: list.aircraftId,
          seenAt: new Date().toISOString(),
          documentChecks: answered.flatMap((paper) => {
            const one = tapped[paper.kind];
            return one === undefined ? [] : [seenOf(paper, one, list, ids[paper.kind] ?? '')];
          }),
        },
      );
      await client.invalidateQueries();
      setWaiting(
        list.papers
          .filter(({ kind }) => waitingIds.includes(ids[kind] ?? ''))
          .map(({ kind, name }) => ({ id: ids[kind] ?? '', name })),
      );
      setDone(true);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'It was not recorded. Try again.');
    }
    setSending(false);
  };
  if (done)
    return (
      <main style={{ padding: 20 }}>
        <h1>Recorded.</h1>
        <p role="status">
          {wrong.length === 0
            ? waiting.length === 0
              ? 'Every document that you looked at is there and belongs to this aircraft.'
              : 'Your check is recorded.'
            : `${wrong.map(({ name }) => name).join(', ')}: what is missing closes its uses from now on. The dispatcher sees it.`}
        </p>
        <WaitingPhotos waiting={waiting} />
        <Link href={`/aircraft/${list.registration}`}>Folder of {list.registration}</Link>
      </main>
    );
  return (
    <main style={{ padding: '12px 16px 120px', maxWidth: 640, margin: '0 auto' }}>
      <h1>
        The documents of <span className="figure">{list.registration}</span>
      </h1>
      <p>Take each into your hand. One behind another gets its own answer.</p>
      {list.papers.map((paper) => (
        <section
          key={paper.kind}
          aria-label={paper.name}
          style={{ borderTop: '1px solid var(--rule)', padding: '12px 0' }}
        >
          <h2 style={{ margin: 0 }}>{paper.name}</h2>
          <div className="small" style={{ fontSize: 15 }}>
            {[paper.keptWhere ?? 'place not recorded', paper.lastWords]
              .filter((text) => text !== '')
              .join(' · ')}
          </div>
          <p style={{ margin: '8px 0' }}>{question(paper, list)}</p>
          <Answers
            paper={paper}
            list={list}
            tapped={tapped[paper.kind]}
            onTap={(change) => {
              setIds(fresh());
              setTapped((now) => ({
                ...now,
                [paper.kind]: { answer: 'ours', ...NOTHING, ...now[paper.kind], ...change },
              }));
            }}
          />
        </section>
      ))}
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <div
        style={{
          position: 'fixed',
          left: 0,
          right: 0,
          bottom: 0,
          background: 'var(--paper)',
          borderTop: '1px solid var(--rule)',
          padding: 12,
        }}
      >
        <div style={{ maxWidth: 640, margin: '0 auto', display: 'flex' }}>
          <BigButton
            strong
            disabled={answered.length === 0 || sending}
            onClick={() => {
              void submit();
            }}
          >
            {answered.length === 0
              ? 'Tap what you see'
              : `Keep ${answered.length} of ${list.papers.length}${wrong.length === 0 ? '' : `, ${wrong.length} not in order`}`}
          </BigButton>
        </div>
      </div>
    </main>
  );
}

/** One pass over the documents of an aircraft, with taps: aboard and this aircraft's, or not. */
export function DocumentCheckScreen() {
  const registration = useSecondInAddress();
  const { data: list, error, refetch } = useDocumentCheckList(registration);
  return (
    <div className="stark" style={{ minHeight: '100vh' }}>
      <header
        style={{ background: 'var(--bar)', color: 'var(--bar-ink)', padding: '12px 16px', fontWeight: 700 }}
      >
        <Link
          href={registration === null ? '/line' : `/aircraft/${registration}`}
          style={{ color: 'inherit', textDecoration: 'none' }}
        >
          ← {registration ?? 'Groval'}
        </Link>
      </header>
      {list === undefined ? (
        error === null ? (
          <p style={{ padding: 16 }}>Loading …</p>
        ) : (
          <Trouble
            error={error}
            retry={() => {
              void refetch();
            }}
          />
        )
      ) : (
        <Round key={list.aircraftId} list={list} />
      )}
    </div>
  );
}
