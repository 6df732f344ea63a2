'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useOutdated } from '../data/program';

/** Says that the server was updated, over every screen, with the way to have its own page. What is typed is the person's to finish first. */
export function Outdated() {
  if (!useOutdated()) return null;
  return (
    <Alert
      severity="warning"
      role="alert"
      sx={{ position: 'sticky', top: 0, zIndex: 'tooltip', borderRadius: 0 }}
      action={
        <Button
          color="inherit"
          onClick={() => {
            window.location.reload();
          }}
        >
          Load again
        </Button>
      }
    >
      Groval was updated. What this page shows may be out of date: do not release from it. Note down what you
      have typed, then load the page again.
    </Alert>
  );
}
