'use client';

import Alert, { type AlertProps } from '@mui/material/Alert';
import type { Trouble } from '../data/command';
import { lazily } from './lazily';

/** What others did meanwhile: read and told only where there is something, which is seldom. */
const Meanwhile = lazily(() => import('./meanwhile').then((module) => module.Meanwhile), 24);

/** Why something was not done, with what others did meanwhile. */
export function TroubleAlert({
  trouble,
  ...rest
}: Pick<AlertProps, 'sx'> & { readonly trouble: Trouble | null }) {
  if (trouble === null) return null;
  return (
    <Alert severity="error" role="alert" {...rest}>
      {trouble.message}
      {trouble.changes.length === 0 ? null : <Meanwhile changes={trouble.changes} />}
    </Alert>
  );
}
