'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import type { DocumentCheckList, DocumentToCheck } from '@/queries/documents/document-check';
import { useSecondInAddress } from '../data/address';
import { useCommand } from '../data/command';
import { useDocumentCheckList } from '../data/queries';
import { BigButton } from '../findings/big-button';
import Link from '../kit/link';
import { TroubleAlert } from '../kit/trouble-alert';
import { Coming } from '../shell/coming';
import { Answers, NOTHING, type Tapped, question, seenOf } from './document-answers';
import { WaitingPhotos } from './waiting-photos';

function Round({ list }: { readonly list: DocumentCheckList }) {
  const [tapped, setTapped] = useState<Readonly<Partial<Record<DocumentToCheck['kind'], Tapped>>>>({});
  // What was tapped again is another round: one of which the answer got lost stands as it was sent.
  const fresh = () => Object.fromEntries(list.papers.map(({ kind }) => [kind, crypto.randomUUID()]));
  const [ids, setIds] = useState(fresh);
  const { post, trouble, isRunning } = useCommand();
  const [done, setDone] = useState(false);
  const [waiting, setWaiting] = useState<readonly { readonly id: string; readonly name: string }[]>([]);
  const answered = list.papers.filter(({ kind }) => tapped[kind] !== undefined);
  const wrong = answered.filter(
    ({ kind }) => tapped[kind]?.answer !== 'ours' && tapped[kind]?.answer !== 'no-tank',
  );
  const submit = async () => {
    const checked = await post('POST /api/document-check', {
      aircraftId: list.aircraftId,
      seenAt: new Date().toISOString(),
      documentChecks: answered.flatMap((paper) => {
        const one = tapped[paper.kind];
        return one === undefined ? [] : [seenOf(paper, one, list, ids[paper.kind] ?? '')];
      }),
    });
    if (checked === null) return;
    setWaiting(
      list.papers
        .filter(({ kind }) => checked.answer.waiting.includes(ids[kind] ?? ''))
        .map(({ kind, name }) => ({ id: ids[kind] ?? '', name })),
    );
    setDone(true);
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
      <TroubleAlert trouble={trouble} />
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
            disabled={answered.length === 0 || isRunning}
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
