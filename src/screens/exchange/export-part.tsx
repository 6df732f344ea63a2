import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { may } from '@/contracts/kernel/permissions';
import { Section } from '../kit/section';

/** Lists, with what a row of each is. */
const LISTS = [
  ['fleet', 'Fleet', 'an aircraft with its meters'],
  ['documents', 'Document checks', 'a document as somebody saw it'],
  ['inspections', 'Inspections', 'an entry with who signed it'],
  ['meters', 'Meter readings', 'a reading of a meter'],
  ['flights', 'Flights flown', 'a flight from leaving to return'],
  ['findings', 'Findings', 'a finding with what was done about it'],
  ['plan', 'Planned flights', 'a flight that is planned'],
  ['due', 'What is due', 'a limit with what is left of it'],
] as const;

/** Lists that say who flew or will fly: for the desk, the administrator and the safety officer. */
const NAMES: readonly string[] = ['flights', 'plan'];

/** The club's records as files to take along: each list as CSV, and everything as one file. */
export function ExportPart({ roles }: { readonly roles: readonly string[] }) {
  return (
    <Section id="export" title="Export">
      <Table size="small" aria-label="Lists" sx={{ maxWidth: 760, bgcolor: 'var(--card)' }}>
        <TableHead>
          <TableRow>
            <TableCell>List</TableCell>
            <TableCell>Each row</TableCell>
            <TableCell>File</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {LISTS.filter(([list]) => !NAMES.includes(list) || may(roles, 'export-flights')).map(
            ([list, name, row]) => (
              <TableRow key={list}>
                <TableCell component="th" scope="row">
                  {name}
                </TableCell>
                <TableCell>{row}</TableCell>
                <TableCell>
                  <a href={`/api/export/${list}.csv`} download aria-label={`${name} as CSV`}>
                    CSV
                  </a>
                </TableCell>
              </TableRow>
            ),
          )}
        </TableBody>
      </Table>
      {may(roles, 'export-club') ? (
        <Box sx={{ maxWidth: 760, mt: 3 }}>
          <Button component="a" href="/api/export/club.json" download variant="outlined">
            Export the whole club
          </Button>
          <p className="small">
            One file with every record and both of its times, struck-out entries and the ledger included; no
            passwords. Imported into an empty installation it decides there exactly as here.
          </p>
        </Box>
      ) : null}
    </Section>
  );
}
