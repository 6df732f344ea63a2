'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Refusal } from '../data/fetching';
import Link from '../kit/link';

/** What to show when an answer did not come: what is wrong and what to do, with the way to do it. */
export function Trouble({ error, retry }: { readonly error: Error; readonly retry: () => void }) {
  const signedOut = error instanceof Refusal && error.status === 401;
  return (
    <Box role="alert" sx={{ p: 3, maxWidth: 560 }}>
      <Box component="h1" sx={{ fontSize: 20 }}>
        {error.message}
      </Box>
      {signedOut ? (
        <Button variant="contained" component={Link} href="/sign-in">
          Sign in
        </Button>
      ) : (
        <Button variant="outlined" onClick={retry}>
          Try again
        </Button>
      )}
    </Box>
  );
}
