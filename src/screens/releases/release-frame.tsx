import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import type { Folder } from '@/queries/aircraft/folder-view';
import type { Trouble } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';

export const hours = { htmlInput: { inputMode: 'decimal', className: 'figure' } } as const;
export const number = (text: string): number | null =>
  text.trim() === '' ? null : Number(text.trim().replace(',', '.'));
export const base = (folder: Folder, entryId: string) => ({
  entryId,
  aircraftId: folder.aircraftId,
  seenRevision: folder.revision,
});

export function Frame({
  name,
  send,
  onSubmit,
  onDone,
  busy,
  trouble,
  children,
}: {
  readonly name: string;
  readonly send: string;
  readonly onSubmit: () => void;
  readonly onDone: () => void;
  readonly busy: boolean;
  readonly trouble: Trouble | null;
  readonly children: ReactNode;
}) {
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
      aria-label={name}
      sx={{ py: 1.5, px: 0, maxWidth: 720 }}
    >
      {children}
      <TroubleAlert trouble={trouble} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={busy}>
          {send}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </Stack>
    </Stack>
  );
}
