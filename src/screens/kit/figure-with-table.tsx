'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Papa from 'papaparse';
import { useRef, type ReactNode } from 'react';
import { asPicture, save } from './save-file';

interface Props {
  readonly title: string;
  /** What is counted, and how: below the title. */
  readonly method: string;
  readonly columns: readonly string[];
  /** The figures of the picture, a line each. Numbers stand right. */
  readonly lines: readonly (readonly (string | number)[])[];
  /** The name that files are saved under. */
  readonly file: string;
  readonly children: ReactNode;
}

/** A picture with its figures beside it, both to be taken away: the picture as SVG, the table as CSV. */
export function FigureWithTable({ title, method, columns, lines, file, children }: Props) {
  const picture = useRef<HTMLDivElement | null>(null);
  return (
    <Box component="section" aria-label={title} sx={{ py: 2.5, borderTop: '1px solid var(--rule)' }}>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Box component="h2" sx={{ m: 0, flex: 1 }}>
          {title}
        </Box>
        <Button
          size="small"
          onClick={() => {
            const svg = picture.current?.querySelector('svg');
            if (svg != null) save(`${file}.svg`, asPicture(svg), 'image/svg+xml');
          }}
        >
          Picture as SVG
        </Button>
        <Button
          size="small"
          onClick={() => {
            const text = Papa.unparse([[...columns], ...lines.map((line) => [...line])], {
              escapeFormulae: true,
            });
            save(`${file}.csv`, text, 'text/csv');
          }}
        >
          Table as CSV
        </Button>
      </Stack>
      <p className="small">{method}</p>
      <Box
        sx={{
          display: 'grid',
          gap: 4,
          alignItems: 'start',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1fr)' },
        }}
      >
        <div ref={picture}>{children}</div>
        <Box sx={{ overflowX: 'auto' }}>
          <Table aria-label={title}>
            <TableHead>
              <TableRow>
                {columns.map((column, at) => (
                  <TableCell key={column} align={typeof lines[0]?.[at] === 'number' ? 'right' : 'left'}>
                    {column}
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {lines.map((line) => (
                <TableRow key={line.join('|')}>
                  {line.map((cell, at) => (
                    <TableCell
                      key={columns[at]}
                      align={typeof cell === 'number' ? 'right' : 'left'}
                      {...(typeof cell === 'number' ? { className: 'mono' } : {})}
                    >
                      {cell}
                    </TableCell>
                  ))}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      </Box>
    </Box>
  );
}
