'use client';

import Button from '@mui/material/Button';
import { type ReactNode, useState } from 'react';

/** A button that opens a form in its place. @param open whether it is open at first @param children the form, given what closes it */
export function Opener({
  label,
  open = false,
  children,
}: {
  readonly label: string;
  readonly open?: boolean;
  readonly children: (close: () => void) => ReactNode;
}) {
  const [opened, setOpened] = useState(open);
  if (opened)
    return children(() => {
      setOpened(false);
    });
  return (
    <Button
      variant="outlined"
      size="small"
      sx={{ my: 1.5, alignSelf: 'center' }}
      onClick={() => {
        setOpened(true);
      }}
    >
      {label}
    </Button>
  );
}
