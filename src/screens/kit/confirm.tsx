'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useId, type ReactNode } from 'react';
import { useCommand } from '../data/command';
import { TroubleAlert } from './trouble-alert';

/** Asks before something that cannot be taken back. The way out has the focus; what went wrong stays in the dialog. */
export function Confirm({
  title,
  children,
  does,
  instead,
  onConfirm,
  onClose,
}: {
  readonly title: string;
  readonly children?: ReactNode;
  /** What the button does, as its words: `Cancel the flight`. */
  readonly does: string;
  /** What happens otherwise: `Keep it`. */
  readonly instead: string;
  /** Does it; what it throws is told here. */
  readonly onConfirm: () => Promise<unknown>;
  readonly onClose: () => void;
}) {
  const id = useId();
  const { run, trouble, isRunning } = useCommand();
  const confirm = async () => {
    if ((await run(onConfirm)) !== null) onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby={id} fullWidth maxWidth="xs">
      <DialogTitle id={id}>{title}</DialogTitle>
      {children === undefined && trouble === null ? null : (
        <DialogContent>
          {children}
          <TroubleAlert trouble={trouble} sx={{ mt: 2 }} />
        </DialogContent>
      )}
      <DialogActions>
        <Button autoFocus onClick={onClose}>
          {instead}
        </Button>
        <Button
          variant="contained"
          disabled={isRunning}
          onClick={() => {
            void confirm();
          }}
        >
          {does}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
