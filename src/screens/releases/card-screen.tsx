'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { ReleaseCard } from '@/core/decision/flight-release';
import { GateMark } from '@/ui/gate-mark';
import { useSecondInAddress } from '../data/address';
import { ask } from '../data/fetching';
import { PlainList } from '../kit/layout';

/** So often a card that is open asks whether it still holds, in milliseconds. */
const ASKED_EVERY = 1000;

function Lines({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <Box component="section" aria-label={title} sx={{ borderTop: '1px solid var(--rule)', py: 1.25 }}>
      <Typography component="h2" variant="subtitle2">
        {title}
      </Typography>
      <PlainList>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </PlainList>
    </Box>
  );
}

function Card({ card }: { readonly card: ReleaseCard }) {
  const restrictions = card.restrictions.map(({ words, meaning }) => `${words} ${meaning}`.trim());
  return (
    <>
      <Lines title="Flight" lines={[`${card.flight.person}, ${card.flight.purpose}`, card.flight.when]} />
      <Lines title="Restrictions, read back" lines={restrictions.length === 0 ? ['None.'] : restrictions} />
      <Lines title="Uses" lines={[card.window]} />
      <Lines title="First limits" lines={card.limits} />
      <Lines title="Walk-round" lines={[card.walkRound]} />
      <Lines title="Measured" lines={card.measured} />
      <Lines title="Compare on the aircraft" lines={card.compare} />
      <Lines title="Documents" lines={card.documents} />
      <Lines title="Not checked" lines={card.notChecked} />
    </>
  );
}

/** One release for anybody who scans its code: what was signed, and whether it still holds. Nothing else of the club is here. */
export function CardScreen() {
  const address = useSecondInAddress();
  const { data, error, refetch, dataUpdatedAt } = useQuery({
    queryKey: ['card', address],
    queryFn: () => ask('GET /api/card/[address]', { params: { address: address ?? '' } }),
    enabled: address !== null,
    refetchInterval: ASKED_EVERY,
    retry: false,
  });
  return (
    <Box component="main" sx={{ maxWidth: 620, mx: 'auto', p: 2 }}>
      {data === undefined ? null : (
        <>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mb: 1.5 }}>
            <GateMark
              verdict={data.over === null && error === null ? data.card.verdict : 'Grounded'}
              size={56}
            />
            <div>
              <Typography component="h1" variant="h5">
                {error !== null ? 'Not known' : data.over === null ? data.card.verdict : 'Not released'}{' '}
                <span className="figure">{data.card.registration}</span>
              </Typography>
              <div className="small">
                {data.card.typeName} · {data.card.field}
              </div>
            </div>
          </Box>
          <Alert
            severity={error !== null ? 'warning' : data.over === null ? 'success' : 'error'}
            sx={{ mb: 1.5 }}
          >
            {error !== null
              ? `Whether it still holds is not known: no answer since ${new Date(dataUpdatedAt).toLocaleTimeString('en-GB')}. Ask at the desk.`
              : data.over === null
                ? `This release holds until ${data.card.until}, unless something new comes up. Signed by ${data.card.signed.by} ${data.card.signed.at}.`
                : `This release holds no longer. ${data.over}`}
          </Alert>
          <Card card={data.card} />
          <p className="small">
            The pilot in command decides; licensed mechanics, the aircraft’s documents and local law come
            first.
          </p>
        </>
      )}
      {data === undefined && error !== null ? (
        <Alert
          severity="warning"
          action={
            <Button
              onClick={() => {
                void refetch();
              }}
            >
              Try again
            </Button>
          }
        >
          <h1>{error.message}</h1>
        </Alert>
      ) : null}
    </Box>
  );
}
