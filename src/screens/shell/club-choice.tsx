'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogContentText from '@mui/material/DialogContentText';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { send } from '../data/fetching';
import { useMe } from '../data/queries';

/** Asks somebody who belongs to several clubs, once a session, in which one they work. Until then it is the one that they joined first. */
export function ClubChoice() {
  const { data: me } = useMe();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [later, setLater] = useState(false);
  if (me === undefined || me.chosen || later) return null;
  const choose = async (clubId: string) => {
    try {
      await send('/api/me/club', { clubId });
      window.location.reload();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  return (
    <Dialog open aria-labelledby="club-choice">
      <DialogTitle id="club-choice">In which club do you work?</DialogTitle>
      <DialogContent>
        <DialogContentText>You can switch under Account at any time.</DialogContentText>
        <Stack spacing={1} sx={{ mt: 2 }}>
          {me.clubs.map((club) => (
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
        {trouble === null ? null : (
          <Alert severity="error" role="alert">
            {trouble}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button
          onClick={() => {
            setLater(true);
          }}
        >
          Later
        </Button>
      </DialogActions>
    </Dialog>
  );
}
