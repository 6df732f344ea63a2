'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useEffect, useState } from 'react';
import { discard, keep, type KeptFinding } from '../data/kept-findings';
import { goTo } from '../data/leave';
import { BigButton } from './big-button';

/** Offers the photo as a file: it may exist nowhere else. */
function SavePhoto({ photo, registration }: { readonly photo: Blob; readonly registration: string }) {
  const [url] = useState(() => URL.createObjectURL(photo));
  useEffect(
    () => () => {
      URL.revokeObjectURL(url);
    },
    [url],
  );
  return (
    <Box
      component="a"
      href={url}
      download={`${registration} finding`}
      sx={{
        flex: 1,
        minHeight: 58,
        boxSizing: 'border-box',
        py: 1,
        px: 1.5,
        fontSize: 18,
        fontWeight: 700,
        border: '2px solid var(--ink)',
        borderRadius: '6px',
        color: 'var(--ink)',
        display: 'flex',
        alignItems: 'center',
      }}
    >
      Save the photo
    </Box>
  );
}

/** A finding, or its photo, that the server refused: shown until its writer has decided about it. */
export function Refused({ kept }: { readonly kept: KeptFinding }) {
  const { registration, finding, trouble, wordsSent, photo, findingId } = kept;
  // Written again it is another finding: what was refused may have been received before, and stands.
  const correct = async () => {
    const id = crypto.randomUUID();
    await keep({
      ...kept,
      findingId: id,
      finding: { ...finding, findingId: id },
      photoId: crypto.randomUUID(),
      ready: 0,
      trouble: null,
    });
    await discard(findingId);
  };
  return (
    <Box role="alert" sx={{ border: '3px solid var(--grounded)', borderRadius: '6px', p: 1.5, mt: 1.5 }}>
      <Box component="p" sx={{ m: '0 0 10px', fontSize: 17 }}>
        <b>
          {registration}: {finding.what}
        </b>
        <br />
        {trouble}{' '}
        {wordsSent
          ? 'The words have arrived; only the photo has not.'
          : `Nobody has seen it: do not fly ${registration}, and tell the dispatcher yourself.`}
      </Box>
      <Stack direction="row" spacing={1.25}>
        <BigButton
          onClick={() => {
            void discard(findingId);
          }}
        >
          {wordsSent ? 'Leave the photo out' : 'Give it up'}
        </BigButton>
        {wordsSent ? (
          photo === null ? null : (
            <SavePhoto photo={photo} registration={registration} />
          )
        ) : (
          <BigButton
            onClick={() => {
              void correct().then(() => {
                goTo(`/ramp/${registration}`);
              });
            }}
          >
            Correct it
          </BigButton>
        )}
      </Stack>
    </Box>
  );
}
