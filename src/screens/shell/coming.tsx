'use client';

import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Trouble } from './trouble';

/** An answer that has not come yet, or not at all. */
export interface Awaited {
  readonly error: Error | null;
  readonly refetch: () => unknown;
}

/** In place of what has not come yet: where it will stand; or why it did not come, with the way to ask again. */
export function Coming({ query, what = '' }: { readonly query: Awaited; readonly what?: string }) {
  // Asked for again, a query forgets why it failed: the page keeps saying it until there is an answer, and does not flicker.
  const [last, setLast] = useState(query.error);
  if (query.error !== null && query.error !== last) setLast(query.error);
  const error = query.error ?? last;
  if (error !== null)
    return (
      <Trouble
        error={error}
        retry={() => {
          void query.refetch();
        }}
      />
    );
  return (
    <Stack role="status" spacing={1} sx={{ py: 3, maxWidth: 720 }}>
      <Typography>Loading{what === '' ? '' : ` ${what}`} …</Typography>
      <Skeleton variant="rectangular" height={44} />
      <Skeleton variant="rectangular" height={44} />
      <Skeleton variant="rectangular" height={44} width="70%" />
    </Stack>
  );
}
