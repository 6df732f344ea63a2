'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
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
import { ImportOutcome } from './import-outcome';

const NAMES: Readonly<Record<ImportList, string>> = {
  fleet: 'Fleet',
  documents: 'Document checks',
  inspections: 'Inspections',
  meters: 'Meter readings',
  flights: 'Flights',
};
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
      {told === null ? null : <ImportOutcome list={list} told={told} />}
    </section>
  );
}
