'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { listedAs } from '@/contracts/aircraft/aircraft-entry';
import { EQUIPMENT_KINDS } from '@/core/records/aircraft/equipment';
import { EQUIPMENT_NAMES } from '@/explain/names';
import { sentenceCase } from '@/explain/wording';
import type { Facts } from '@/queries/aircraft/facts';
import type { ASKED, Line, Lines } from './equipment-lines';

const answered = (value: boolean | undefined, yes: string, no: string): string =>
  value === undefined ? 'not known' : value ? yes : no;

function asked(line: Line, column: (typeof ASKED)[number]): string {
  const value = line[column];
  if (value === undefined) return 'not known';
  return value === 'no' ? 'no' : value === 'always' ? 'yes' : 'for some uses';
}

/** The equipment list as it is on record, for those who may read it and not replace it. */
export function EquipmentShown({ facts }: { readonly facts: Facts }) {
  const lines = listedAs(facts.equipment?.items ?? []) as Lines;
  const said = EQUIPMENT_KINDS.flatMap((kind) => {
    const line = lines[kind];
    return line === undefined ? [] : [{ kind, line }];
  });
  return (
    <>
      <p>
        What nobody has said stays unknown, and closes what needs it. A mechanic or the administrator replaces
        this list.
      </p>
      <TableContainer>
        <Table size="small" aria-label="Equipment list">
          <TableHead>
            <TableRow>
              <TableCell>Equipment</TableCell>
              <TableCell>Fitted</TableCell>
              <TableCell>By the type</TableCell>
              <TableCell>Its equipment list</TableCell>
              <TableCell>Kinds of operation</TableCell>
              <TableCell>Its own date</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {said.map(({ kind, line }) => (
              <TableRow key={kind}>
                <TableCell component="th" scope="row" sx={{ fontWeight: 600 }}>
                  {sentenceCase(EQUIPMENT_NAMES[kind])}
                </TableCell>
                <TableCell>{answered(line.fitted, 'fitted', 'not fitted')}</TableCell>
                {line.fitted === true ? (
                  <>
                    <TableCell>{answered(line.typeCertification, 'yes', 'no')}</TableCell>
                    <TableCell>{asked(line, 'equipmentList')}</TableCell>
                    <TableCell>{asked(line, 'kindsOfOperation')}</TableCell>
                    <TableCell>
                      {line.expiresOn === 'no-expiry' ? 'no expiry' : (line.expiresOn ?? '')}
                    </TableCell>
                  </>
                ) : (
                  <TableCell colSpan={4} />
                )}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </>
  );
}
