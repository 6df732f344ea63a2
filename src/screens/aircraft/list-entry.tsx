import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { ComponentProps, FormEvent, ReactNode } from 'react';
import { FactAnswer } from './fact-answer';

/** A form that enters one more of a list: a button until somebody wants it. */
export function ListEntry({
  what,
  open,
  onOpen,
  answer,
  busy,
  onSubmit,
  children,
}: {
  /** With its article: 'an AD'. */
  readonly what: string;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly answer: ComponentProps<typeof FactAnswer>;
  readonly busy: boolean;
  readonly onSubmit: (event: FormEvent) => void;
  readonly children: ReactNode;
}) {
  if (!open)
    return (
      <div>
        <Button
          size="small"
          onClick={() => {
            onOpen(true);
          }}
        >
          Enter {what} …
        </Button>
      </div>
    );
  return (
    <Stack component="form" spacing={1.5} noValidate onSubmit={onSubmit} aria-label={`Enter ${what}`}>
      {children}
      <FactAnswer {...answer} />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="contained" disabled={busy}>
          Save
        </Button>
        <Button
          onClick={() => {
            onOpen(false);
          }}
        >
          Cancel
        </Button>
      </Stack>
    </Stack>
  );
}
