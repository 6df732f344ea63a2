'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogContentText from '@mui/material/DialogContentText';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import { useCommand } from '../data/command';
import { send } from '../data/fetching';
import type { useMe } from '../data/queries';
import { TroubleAlert } from '../kit/trouble-alert';

/** In which of their clubs somebody works now. */
export default function ClubChoiceDialog({
  clubs,
  onLater,
}: {
  readonly clubs: NonNullable<ReturnType<typeof useMe>['data']>['clubs'];
  readonly onLater: () => void;
}) {
  const { run, trouble } = useCommand();
  const choose = (clubId: string) =>
    run(async () => {
      await send('POST /api/me/club', { clubId });
      window.location.reload();
    });
  return (
    <Dialog open aria-labelledby="club-choice">
      <DialogTitle id="club-choice">In which club do you work?</DialogTitle>
      <DialogContent>
        <DialogContentText>You can switch under Account at any time.</DialogContentText>
        <Stack spacing={1} sx={{ mt: 2 }}>
          {clubs.map((club) => (
            <Button
              key={club.id}
              variant="outlined"
              size="large"
              onClick={() => {
                void choose(club.id);
              }}
            >
              {club.name}
            </Button>
          ))}
        </Stack>
        <TroubleAlert trouble={trouble} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onLater}>Later</Button>
      </DialogActions>
    </Dialog>
  );
}
