'use client';

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
    <a
      href={url}
      download={`${registration} finding`}
      style={{
        flex: 1,
        minHeight: 58,
        boxSizing: 'border-box',
        padding: '8px 12px',
        fontSize: 18,
        fontWeight: 700,
        border: '2px solid var(--ink)',
        borderRadius: 6,
        color: 'var(--ink)',
        display: 'flex',
        alignItems: 'center',
      }}
    >
      Save the photo
    </a>
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
    <div
      role="alert"
      style={{ border: '3px solid var(--grounded)', borderRadius: 6, padding: 12, marginTop: 12 }}
    >
      <p style={{ margin: '0 0 10px', fontSize: 17 }}>
        <b>
          {registration}: {finding.what}
        </b>
        <br />
        {trouble}{' '}
        {wordsSent
          ? 'The words have arrived; only the photo has not.'
          : `Nobody has seen it: do not fly ${registration}, and tell the dispatcher yourself.`}
      </p>
      <div style={{ display: 'flex', gap: 10 }}>
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
      </div>
    </div>
  );
}
