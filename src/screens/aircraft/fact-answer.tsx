import Typography from '@mui/material/Typography';
import { TroubleAlert } from '../kit/trouble-alert';
import type { useFact } from './use-fact';

/** What became of a fact that was sent. */
export function FactAnswer({ trouble, done }: ReturnType<typeof useFact>['answer']) {
  return done ? (
    <Typography role="status" sx={{ fontWeight: 700 }}>
      It is on record.
    </Typography>
  ) : (
    <TroubleAlert trouble={trouble} />
  );
}
