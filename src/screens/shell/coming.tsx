'use client';

import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Trouble } from './trouble';

/** An answer that has not come yet, or not at all. */
export interface Awaited {
  readonly error: Error | null;
  readonly refetch: () => unknown;
}

/** In place of what has not come yet: where it will stand; or why it did not come, with the way to ask again. */
export function Coming({ query, what = '' }: { readonly query: Awaited; readonly what?: string }) {
  if (query.error !== null)
    return (
      <Trouble
        error={query.error}
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
