import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { AircraftPage, FindingView } from '@/queries/aircraft/aircraft-page';
import type { DeferralView } from '@/queries/findings/deferral';
import { useDeferral } from '../data/queries';
import { DeferForm } from './defer-form';

/** The four questions with their answers. */
function Questions({ view }: { readonly view: DeferralView }) {
  const items = [...new Set(view.questions.map(({ item }) => item))];
  // Of one item alone its name stands above; a column would say it five times.
  const isOne = items.length === 1;
  return (
    <Table size="small" aria-label="What asks for it" sx={{ bgcolor: 'var(--card)' }}>
      <TableHead>
        <TableRow>
          {isOne ? null : <TableCell>Item</TableCell>}
          <TableCell>{isOne ? `For the ${items[0] ?? ''}` : 'Question'}</TableCell>
          <TableCell>Answer</TableCell>
          <TableCell>Source</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {view.questions.map(({ item, asks, answer, isAskedFor, source }) => (
          <TableRow key={`${item}${asks}`}>
            {isOne ? null : <TableCell>{item}</TableCell>}
            <TableCell>{asks}</TableCell>
            <TableCell sx={{ fontWeight: isAskedFor ? 700 : 400 }}>{answer}</TableCell>
            <TableCell>{source}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** An item that is deferred: its placard and the words for the logbook. */
function Deferred({
  finding,
  deferred,
}: {
  readonly finding: FindingView;
  readonly deferred: NonNullable<DeferralView['deferred']>;
}) {
  return (
    <Box sx={{ mt: 1 }}>
      <b>Deferred{deferred.lastDay === null ? '' : `, at the latest until ${deferred.lastDay}`}.</b> It is
      repaired or inspected at the next required inspection in any case.
      <Box
        component="pre"
        aria-label="Placard"
        sx={{ whiteSpace: 'pre-wrap', border: '2px solid var(--ink)', p: 1, maxWidth: 420, font: 'inherit' }}
      >
        {deferred.placard.join('\n')}
      </Box>
      <Box component="p" sx={{ m: '0 0 8px' }}>
        For the logbook: {deferred.logbook}
      </Box>
      <Button
        component="a"
        href={`/api/deferrals/${finding.id}/placard`}
        download
        variant="outlined"
        size="small"
      >
        Placard as PDF
      </Button>
    </Box>
  );
}

/** The way of deferring a finding: what asks for the item, what stays closed, then what is done and signed. */
export function DeferralPart({
  finding,
  page,
}: {
  readonly finding: FindingView;
  readonly page: AircraftPage;
}) {
  const { data: view, error } = useDeferral(finding.id);
  if (error !== null) return <p role="alert">{error.message}</p>;
  if (view === undefined) return <p>Looking at what asks for it …</p>;
  return (
    <Box sx={{ mt: 1.5, maxWidth: 760 }}>
      <Questions view={view} />
      {view.deferred === null ? null : <Deferred finding={finding} deferred={view.deferred} />}
      {view.deferred !== null ? null : view.refusal !== null ? (
        <p>
          <b>{view.refusal}</b>
        </p>
      ) : (
        <>
          <Box component="p" sx={{ my: 1 }}>
            <b>Once it is deferred:</b> {view.leaves} The aircraft as a whole is {view.verdict.then}; now it
            is {view.verdict.now}.
          </Box>
          {finding.defer === null || finding.defer.certificates.length === 0 ? (
            <p>
              A rated pilot or a mechanic of the desk or the workshop determines that it is no hazard and
              signs. None of your certificates on record may.
            </p>
          ) : (
            <DeferForm
              finding={finding}
              view={view}
              certificates={finding.defer.certificates}
              revision={page.revision}
              today={page.today}
            />
          )}
        </>
      )}
    </Box>
  );
}
