import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { IMPORT_LISTS, type ImportList, type ImportSummary } from '@/contracts/exchange/csv-lists';
import { lazily } from '../kit/lazily';
import { rejectedFile } from './summary';

const LocalTable = lazily(() => import('../kit/local-table').then((module) => module.LocalTable), 520);

const OUTCOMES = { new: 'new', there: 'there already', rejected: 'rejected' } as const;
/** So many rows that are in order are shown: they are there to be glanced at. */
const GLANCE = 50;

function download(name: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** A moment is the longest that a cell holds, and the names of the columns come next. */
const leastOf = (name: string): number => (name.endsWith('_at') ? 200 : 30 + 10 * name.length);

/** Rows that cannot come in, each with its reason and with what the file has in it: to look through, to search, and to download and correct. */
function RejectedRows({ list, told }: { readonly list: ImportList; readonly told: ImportSummary }) {
  const names = IMPORT_LISTS[list].map(({ name }) => name);
  const filled = names.filter((name) => told.rejections.some(({ cells }) => (cells[name] ?? '') !== ''));
  return (
    <>
      <Button
        variant="outlined"
        onClick={() => {
          download(`rejected-${list}.csv`, rejectedFile(told, names));
        }}
      >
        Download the rejected rows with their reasons
      </Button>
      {told.rejections.length < told.rejected ? (
        <p className="small">The first {told.rejections.length} of them, here and in the file:</p>
      ) : null}
      <LocalTable
        label="Rejected rows"
        columns={{
          line: { name: 'Line', least: 76, share: 0.4, figures: true },
          why: { name: 'Why', least: 280, share: 3 },
          ...Object.fromEntries(filled.map((name) => [name, { name, least: leastOf(name) }])),
        }}
        rows={told.rejections.map(({ line, why, cells }) => ({ ...cells, id: String(line), line, why }))}
        empty="No row is rejected."
      />
    </>
  );
}

/** Some rows that are in order, as they would be read. */
function SomeRows({ sample }: Pick<ImportSummary, 'sample'>) {
  return (
    <Table sx={{ mt: 1.25, bgcolor: 'var(--card)' }}>
      <TableHead className="small">
        <TableRow>
          {['Line', 'What would happen', 'Row'].map((name) => (
            <TableCell key={name}>{name}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {sample.slice(0, GLANCE).map((row) => (
          <TableRow key={row.line}>
            <TableCell className="mono">{row.line}</TableCell>
            <TableCell>
              <b>{OUTCOMES[row.outcome]}</b>
            </TableCell>
            <TableCell>{row.words}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** What came of a file, or what would come of it. */
export function ImportOutcome({ list, told }: { readonly list: ImportList; readonly told: ImportSummary }) {
  return (
    <Box sx={{ mt: 1.5 }}>
      <p role="status">
        <b>{told.committed ? 'Imported.' : 'This would happen:'}</b> {told.rows} rows: {told.added} new,{' '}
        {told.there} there already, {told.rejected} rejected.
        {told.rejected > 0 ? ' Nothing is imported while a row is rejected: all or nothing.' : ''}{' '}
        {told.byAircraft.length === 0
          ? ''
          : `By aircraft: ${told.byAircraft.map(({ registration, added }) => `${registration} ${added}`).join(', ')}.`}
      </p>
      {told.rejected > 0 ? <RejectedRows list={list} told={told} /> : <SomeRows sample={told.sample} />}
    </Box>
  );
}
