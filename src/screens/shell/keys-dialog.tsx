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

/** What keys do, and where. */
const KEYS = [
  ['Ctrl K', 'Find an aircraft, a flight, a person, or what to do'],
  ['?', 'This list'],
  ['↑ ↓', 'Line and Flights: the aircraft or flight before or after'],
  ['Page up, Page down', 'Line: ten aircraft further'],
  ['Enter', 'Line: open the aircraft that is chosen'],
  ['t', 'Line: move it to another moment'],
  [', .', 'Line at another moment: an hour back or on; with Shift a day'],
  ['← →', 'Flights: the day before or after'],
  ['n', 'Flights: enter a flight'],
  ['m', 'Flights: move the flight that is chosen'],
  ['x', 'Flights: cancel the flight that is chosen'],
  ['↑ ↓', 'New findings: the one before or after'],
  ['1 2 3 4', 'New findings: decide about the one that is chosen'],
  ['Esc', 'Close what is open; the Line comes back to now'],
] as const;

/** The list of keys. */
export default function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys">
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
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
