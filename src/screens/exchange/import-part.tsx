'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import {
  IMPORT_LISTS,
  IMPORT_LIST_NAMES,
  type ImportList,
  type ImportSummary,
  type Mapping,
} from '@/contracts/exchange/csv-lists';
import { More } from '../kit/more';
import { headersOf, rememberedMapping, rememberMapping } from './headers';
import { sendFile } from './import-stream';
import { rejectedFile } from './summary';

const NAMES: Readonly<Record<ImportList, string>> = {
  fleet: 'Fleet',
  documents: 'Document checks of documents',
  inspections: 'Inspections',
  meters: 'Meter readings',
  flights: 'Flights',
};
const OUTCOMES = { new: 'new', there: 'there already', rejected: 'rejected' } as const;
function download(name: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Bringing in a file: which list, which header is which column, what would happen row by row, and then all of it or nothing. */
export function ImportPart() {
  const client = useQueryClient();
  const [list, setList] = useState<ImportList>('flights');
  const [file, setFile] = useState<File | null>(null);
  const [headers, setHeaders] = useState<readonly string[]>([]);
  const [mapping, setMapping] = useState<Mapping>({});
  const [told, setTold] = useState<ImportSummary | null>(null);
  const [running, setRunning] = useState<{ readonly read: number; readonly commit: boolean } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const abort = useRef<AbortController | null>(null);
  const columns = IMPORT_LISTS[list];
  const take = async (next: File | null, of: ImportList) => {
    setTold(null);
    setTrouble(null);
    setFile(next);
    const found = next === null ? [] : await headersOf(next);
    setHeaders(found);
    setMapping(rememberedMapping(of, found));
    if (next !== null && found.length === 0)
      setTrouble(
        'No headers were found in the first line of this file. Save it as CSV with a line of headers.',
      );
  };
  const choose = (name: string, header: string) => {
    const next = { ...mapping, [name]: header === '' ? null : header };
    setMapping(next);
    setTold(null);
    rememberMapping(list, headers, next);
  };
  const run = async (commit: boolean) => {
    if (file === null) return;
    setTrouble(null);
    setRunning({ read: 0, commit });
    abort.current = new AbortController();
    try {
      const summary = await sendFile({ list, file, mapping, commit }, abort.current.signal, (read) => {
        setRunning({ read, commit });
      });
      setTold(summary);
      if (summary.committed) await client.invalidateQueries();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'The file could not be read.');
    }
    setRunning(null);
  };
  const missing = columns.filter(({ name, needed }) => needed && (mapping[name] ?? null) === null);
  return (
    <section aria-labelledby="lists-in">
      <h2 id="lists-in">Import</h2>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
        <TextField
          select
          label="List"
          value={list}
          onChange={(event) => {
            const next = event.target.value as ImportList;
            setList(next);
            void take(file, next);
          }}
          sx={{ minWidth: 220 }}
        >
          {IMPORT_LIST_NAMES.map((name) => (
            <MenuItem key={name} value={name}>
              {NAMES[name]}
            </MenuItem>
          ))}
        </TextField>
        <Box
          component="input"
          type="file"
          aria-label="File"
          accept=".csv,.json,text/csv,application/json"
          sx={{ font: 'inherit', color: 'inherit', maxWidth: 320, py: 1, px: 0 }}
          onChange={(event) => {
            void take(event.target.files?.[0] ?? null, list);
          }}
        />
        <Button
          variant="outlined"
          disabled={file === null || missing.length > 0 || running !== null}
          onClick={() => {
            void run(false);
          }}
        >
          See what would happen
        </Button>
        <Button
          variant="contained"
          disabled={
            told === null || told.committed || told.rejected > 0 || told.added === 0 || running !== null
          }
          onClick={() => {
            void run(true);
          }}
        >
          Import {told === null || told.committed ? '' : told.added}
        </Button>
      </Stack>
      {file === null ? (
        <p className="small">
          Columns of this list:{' '}
          {columns.map(({ name, needed }) => `${name}${needed ? ' (needed)' : ''}`).join(', ')}.
          docs/formats.md says what each holds.
        </p>
      ) : (
        <More
          summary={
            <>
              Which header of the file is which column
              {missing.length === 0 ? '' : `: ${missing.map(({ name }) => name).join(', ')} still needed`}
            </>
          }
          open={missing.length > 0}
          sx={{ mt: 1.5 }}
        >
          <Box
            sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 1.25, mt: 1.25 }}
          >
            {columns.map(({ name, about, needed }) => (
              <TextField
                key={name}
                select
                size="small"
                label={`${name}${needed ? ' (needed)' : ''}`}
                value={mapping[name] ?? ''}
                onChange={(event) => {
                  choose(name, event.target.value);
                }}
                title={about}
              >
                <MenuItem value="">not in the file</MenuItem>
                {headers.map((header) => (
                  <MenuItem key={header} value={header}>
                    {header}
                  </MenuItem>
                ))}
              </TextField>
            ))}
          </Box>
        </More>
      )}
      {running === null ? null : (
        <Stack direction="row" spacing={1.5} role="status" sx={{ alignItems: 'center', mt: 1.5 }}>
          <LinearProgress aria-label="Progress" sx={{ flex: 1 }} />
          <span className="mono">{running.read} rows</span>
          <Button
            onClick={() => {
              abort.current?.abort();
            }}
          >
            Cancel
          </Button>
        </Stack>
      )}
      {trouble === null ? null : (
        <Alert severity="error" role="alert" sx={{ mt: 1.5 }}>
          {trouble}
        </Alert>
      )}
      {told === null ? null : (
        <Box sx={{ mt: 1.5 }}>
          <p role="status">
            <b>{told.committed ? 'Imported.' : 'This would happen:'}</b> {told.rows} rows: {told.added} new,{' '}
            {told.there} there already, {told.rejected} rejected.
            {told.rejected > 0 ? ' Nothing is imported while a row is rejected: all or nothing.' : ''}{' '}
            {told.byAircraft.length === 0
              ? ''
              : `By aircraft: ${told.byAircraft.map(({ registration, added }) => `${registration} ${added}`).join(', ')}.`}
          </p>
          {told.rejected === 0 ? null : (
            <Button
              variant="outlined"
              onClick={() => {
                download(
                  `rejected-${list}.csv`,
                  rejectedFile(
                    told,
                    columns.map(({ name }) => name),
                  ),
                );
              }}
            >
              Download the rejected rows with their reasons
            </Button>
          )}
          <Table sx={{ mt: 1.25, bgcolor: 'var(--card)' }}>
            <TableHead className="small">
              <TableRow>
                {['Line', 'What would happen', 'Row'].map((name) => (
                  <TableCell key={name}>{name}</TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {[...told.sample]
                .sort((a, b) => Number(b.outcome === 'rejected') - Number(a.outcome === 'rejected'))
                .slice(0, 50)
                .map((row) => (
                  <TableRow key={row.line}>
                    <TableCell className="mono">{row.line}</TableCell>
                    <TableCell
                      sx={{ borderLeft: row.outcome === 'rejected' ? '4px solid var(--grounded)' : 'none' }}
                    >
                      <b>{OUTCOMES[row.outcome]}</b>
                    </TableCell>
                    <TableCell>{row.words}</TableCell>
                  </TableRow>
                ))}
            </TableBody>
          </Table>
        </Box>
      )}
    </section>
  );
}
