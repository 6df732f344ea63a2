'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useId, useState, type ReactNode } from 'react';

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
  /** Answers what went wrong, or null when it was done. */
  readonly onConfirm: () => Promise<string | null>;
  readonly onClose: () => void;
}) {
  const id = useId();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const confirm = async () => {
    setBusy(true);
    const wrong = await onConfirm();
    setBusy(false);
    setTrouble(wrong);
    if (wrong === null) onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby={id} fullWidth maxWidth="xs">
      <DialogTitle id={id}>{title}</DialogTitle>
      {children === undefined && trouble === null ? null : (
        <DialogContent>
          {children}
          {trouble === null ? null : <p role="alert">{trouble}</p>}
        </DialogContent>
      )}
      <DialogActions>
        <Button autoFocus onClick={onClose}>
          {instead}
        </Button>
        <Button
          variant="contained"
          disabled={busy}
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
