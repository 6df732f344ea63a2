'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';

const Palette = dynamic(() => import('./palette'), { ssr: false });

/** What keys do, and where. */
const KEYS = [
  ['Ctrl K', 'Find an aircraft, a flight, a person, or what to do'],
  ['?', 'This list'],
  ['↑ ↓', 'Line and Plan: the aircraft or flight before or after'],
  ['Page up, Page down', 'Line: ten aircraft further'],
  ['Enter', 'Line: open the aircraft that is chosen'],
  ['← →', 'Plan: the day before or after'],
  ['n', 'Plan: enter a flight'],
  ['m', 'Plan: move the flight that is chosen'],
  ['x', 'Plan: cancel the flight that is chosen'],
  ['Esc', 'Close what is open'],
] as const;

/** Keys that serve everywhere at the desk. */
export function Shortcuts() {
  const [open, setOpen] = useState<'palette' | 'keys' | null>(null);
  const close = () => {
    setOpen(null);
  };
  useHotkeys(
    'mod+k',
    () => {
      setOpen('palette');
    },
    { enableOnFormTags: true, preventDefault: true },
  );
  useHotkeys(
    '?',
    () => {
      setOpen('keys');
    },
    { useKey: true },
  );
  if (open === 'palette') return <Palette onClose={close} />;
  return (
    <Dialog open={open === 'keys'} onClose={close} aria-labelledby="keys">
      <DialogTitle id="keys">Keys</DialogTitle>
      <DialogContent>
        <Table>
          <TableBody>
            {KEYS.map(([key, what]) => (
              <TableRow key={key}>
                <TableCell className="mono" sx={{ whiteSpace: 'nowrap' }}>
                  {key}
                </TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
