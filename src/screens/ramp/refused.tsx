'use client';

import { discard, keep, type KeptFinding } from '../data/kept-findings';
import { goTo } from '../data/leave';
import { BigButton } from './big-button';

/** A finding that the server refused after it had waited on the phone: shown until its writer has decided about it. */
export function Refused({ kept }: { readonly kept: KeptFinding }) {
  return (
    <div role="alert" style={{ border: '3px solid var(--grounded)', borderRadius: 6, padding: 12, marginTop: 12 }}>
      <p style={{ margin: '0 0 10px', fontSize: 17 }}><b>{kept.registration}: {kept.finding.what}</b><br />{kept.trouble} Nobody has seen it: do not fly {kept.registration}, and tell the dispatcher yourself.</p>
      <div style={{ display: 'flex', gap: 10 }}>
        <BigButton onClick={() => { void discard(kept.findingId); }}>Give it up</BigButton>
        <BigButton onClick={() => { void keep({ ...kept, ready: 0, trouble: null }).then(() => { goTo(`/ramp/${kept.registration}`); }); }}>Correct it</BigButton>
      </div>
    </div>
  );
}
