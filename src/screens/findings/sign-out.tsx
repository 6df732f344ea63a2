'use client';

import { leave } from '../data/leave';
import { BigButton } from './big-button';

/** Ends the session on this phone. */
export function SignOut() {
  return (
    <BigButton
      onClick={() => {
        void leave();
      }}
    >
      Sign out
    </BigButton>
  );
}
