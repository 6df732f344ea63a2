'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { DocumentCheckList, DocumentToCheck } from '@/queries/documents/document-check';
import { useSecondInAddress } from '../data/address';
import { send } from '../data/fetching';
import { useDocumentCheckList } from '../data/queries';
import { BigButton } from '../findings/big-button';
import Link from '../kit/link';
import { Coming } from '../shell/coming';
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
      <Box component="main" sx={{ p: 2.5 }}>
        <h1>Recorded.</h1>
        <p role="status">
          {wrong.length === 0
            ? waiting.length === 0
              ? 'Every document that you looked at is there and belongs to this aircraft.'
              : 'Your check is recorded.'
            : `${wrong.map(({ name }) => name).join(', ')}: what is missing closes its uses from now on. The dispatcher sees it.`}
        </p>
        <WaitingPhotos waiting={waiting} />
        <Link href={`/aircraft/${list.registration}`}>Aircraft {list.registration}</Link>
      </Box>
    );
  return (
    <Box component="main" sx={{ p: '12px 16px 120px', maxWidth: 640, my: 0, mx: 'auto' }}>
      <h1>
        The documents of <span className="figure">{list.registration}</span>
      </h1>
      <p>Take each into your hand. One behind another gets its own answer.</p>
      {list.papers.map((paper) => (
        <Box
          component="section"
          key={paper.kind}
          aria-label={paper.name}
          sx={{ borderTop: '1px solid var(--rule)', py: 1.5, px: 0 }}
        >
          <Box component="h2" sx={{ m: 0 }}>
            {paper.name}
          </Box>
          <Box className="small" sx={{ fontSize: 15 }}>
            {[paper.keptWhere ?? 'place not recorded', paper.lastWords]
              .filter((text) => text !== '')
              .join(' · ')}
          </Box>
          <Box component="p" sx={{ my: 1, mx: 0 }}>
            {question(paper, list)}
          </Box>
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
        </Box>
      ))}
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <Box
        sx={{
          position: 'fixed',
          left: 0,
          right: 0,
          bottom: 0,
          background: 'var(--paper)',
          borderTop: '1px solid var(--rule)',
          p: 1.5,
        }}
      >
        <Stack direction="row" sx={{ maxWidth: 640, my: 0, mx: 'auto' }}>
          <BigButton
            strong
            disabled={answered.length === 0 || sending}
            onClick={() => {
              void submit();
            }}
          >
            {answered.length === 0
              ? 'Tap what you see'
              : `Save ${answered.length} of ${list.papers.length}${wrong.length === 0 ? '' : `, ${wrong.length} not in order`}`}
          </BigButton>
        </Stack>
      </Box>
    </Box>
  );
}

/** One pass over the documents of an aircraft, with taps: aboard and this aircraft's, or not. */
export function DocumentCheckScreen() {
  const registration = useSecondInAddress();
  const { data: list, error, refetch } = useDocumentCheckList(registration);
  return (
    <Box className="stark" sx={{ minHeight: '100vh' }}>
      <Box
        component="header"
        sx={{ background: 'var(--bar)', color: 'var(--bar-ink)', py: 1.5, px: 2, fontWeight: 700 }}
      >
        <Box
          component={Link}
          href={registration === null ? '/line' : `/aircraft/${registration}`}
          sx={{ color: 'inherit', textDecoration: 'none' }}
        >
          ← {registration ?? 'Groval'}
        </Box>
      </Box>
      {list === undefined ? (
        <Coming query={{ error, refetch }} />
      ) : (
        <Round key={list.aircraftId} list={list} />
      )}
    </Box>
  );
}
