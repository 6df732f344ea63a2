import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Restriction } from '@/core/decision/flight-release';
import type { DispatchFlight } from '@/queries/flights/dispatch';
import type { ReleaseView } from '@/queries/releases/flight-release';
import { ask, send } from '../data/fetching';
import { Confirm } from '../kit/confirm';
import { PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Part } from './part';

/** The restrictions, each ticked as the pilot reads it back. What is not ticked is not signed. */
export function ReadBack({
  restrictions,
  read,
  onRead,
}: {
  readonly restrictions: readonly Restriction[];
  readonly read: ReadonlySet<string>;
  readonly onRead: (key: string, isRead: boolean) => void;
}) {
  return (
    <Part title="Restrictions, read back by the pilot">
      {restrictions.length === 0 ? (
        <p className="small">None: there is nothing to read back.</p>
      ) : (
        <PlainList>
          {restrictions.map(({ key, words, meaning }) => (
            <Box component="li" key={key} sx={{ py: 0.25 }}>
              <FormControlLabel
                control={
                  <Checkbox
                    checked={read.has(key)}
                    onChange={(_, isRead) => {
                      onRead(key, isRead);
                    }}
                  />
                }
                label={words}
              />
              {meaning === '' ? null : <FormHelperText sx={{ ml: 4, mt: -0.75 }}>{meaning}</FormHelperText>}
            </Box>
          ))}
        </PlainList>
      )}
    </Part>
  );
}

function Withdraw({
  flight,
  releaseId,
  onClose,
}: {
  readonly flight: DispatchFlight;
  readonly releaseId: string;
  readonly onClose: () => void;
}) {
  const [why, setWhy] = useState('');
  return (
    <Confirm
      title={`Withdraw the release of ${flight.registration}?`}
      does="Withdraw the release"
      instead="Keep it"
      onConfirm={() =>
        send('POST /api/dispatch/release/withdraw', { aircraftId: flight.aircraftId, releaseId, why })
      }
      onClose={onClose}
    >
      <TextField
        label="Why"
        fullWidth
        required
        value={why}
        onChange={(event) => {
          setWhy(event.target.value);
        }}
        slotProps={{ htmlInput: { maxLength: 400 } }}
      />
    </Confirm>
  );
}

/** Whether it would be decided the same today, from what it was decided from. */
function Replayed({ releaseId }: { readonly releaseId: string }) {
  const { data, error } = useQuery({
    queryKey: ['replay', releaseId],
    queryFn: () => ask('GET /api/dispatch/release/[release]/replay', { params: { release: releaseId } }),
  });
  if (data === undefined)
    return <p className="small">{error === null ? 'Deciding again …' : error.message}</p>;
  return (
    <Alert severity={data.same ? 'success' : 'warning'} sx={{ mt: 1.25 }}>
      Decided again from what was known then: {data.words}
      <div className="small">
        What it was decided from has the SHA-256 <span className="mono">{data.inputsHash}</span>.
      </div>
    </Alert>
  );
}

/** The release of a flight as it was signed, and whether it holds. */
export function SignedRelease({
  flight,
  signed: { card, over, isVoid, path, releaseId },
}: {
  readonly flight: DispatchFlight;
  readonly signed: ReleaseView;
}) {
  const [isAsked, setIsAsked] = useState(false);
  const [isReplayed, setIsReplayed] = useState(false);
  return (
    <Part title="Release">
      <Alert severity={over === null ? 'success' : isVoid ? 'error' : 'warning'} sx={{ mb: 1.25 }}>
        {over === null ? (
          <>
            <b>
              {card.verdict} {card.registration} to {card.flight.person}
            </b>
            , signed by {card.signed.by} {card.signed.at}. Holds until {card.until}, unless something new
            comes up.
          </>
        ) : (
          <>
            <b>{isVoid ? 'The release is void.' : 'The release holds no longer.'}</b> {over}
          </>
        )}
      </Alert>
      {card.restrictions.length === 0 ? null : (
        <PlainList>
          {card.restrictions.map(({ key, words }) => (
            <li key={key}>{words}</li>
          ))}
        </PlainList>
      )}
      <Stack direction="row" spacing={1} sx={{ flexWrap: 'wrap' }}>
        <Button size="small" variant="outlined" component={Link} href={path} target="_blank" rel="noopener">
          Card
        </Button>
        <Button size="small" variant="outlined" component="a" href={`/api${path}/pdf`}>
          Card as PDF
        </Button>
        <Button
          size="small"
          onClick={() => {
            setIsReplayed(true);
          }}
        >
          Decide it again
        </Button>
        {over === null && flight.out === null ? (
          <Button
            size="small"
            onClick={() => {
              setIsAsked(true);
            }}
          >
            Withdraw …
          </Button>
        ) : null}
      </Stack>
      {isReplayed ? <Replayed releaseId={releaseId} /> : null}
      {isAsked ? (
        <Withdraw
          flight={flight}
          releaseId={releaseId}
          onClose={() => {
            setIsAsked(false);
          }}
        />
      ) : null}
    </Part>
  );
}
