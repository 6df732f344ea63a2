import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { DueRow, Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';
import { More } from '../kit/more';
import { Section } from '../kit/section';

/** How much of a ruler is drawn: 60 hours, or 400 days. */
const HOURS = 60;
const DAYS = 400;
/** So many are shown at once; the rest can be opened. */
const SHOWN = 7;

/** What is left, drawn up to the wall at which it ends. */
function Ruler({ row }: { readonly row: DueRow }) {
  if (row.hoursLeft === null && row.daysLeft === null) return null;
  const share = Math.max(0, row.hoursLeft === null ? (row.daysLeft ?? 0) / DAYS : row.hoursLeft / HOURS);
  const wall = Math.min(1, share) * 100;
  return (
    <svg
      width="100%"
      height={14}
      role="img"
      aria-label={`${row.left} left of ${row.interval === '' ? 'its time' : row.interval}`}
      style={{ display: 'block', margin: '4px 0' }}
    >
      <rect x="0" y="4" width={`${wall}%`} height="6" fill="var(--plan)" />
      <rect x={`${wall}%`} y="4" width={`${100 - wall}%`} height="6" fill="var(--rule)" opacity="0.5" />
      {share <= 1 ? (
        <rect x={`${Math.min(99, wall)}%`} y="0" width="4" height="14" fill="var(--grounded)" />
      ) : null}
    </svg>
  );
}

function Rows({ rows }: { readonly rows: readonly DueRow[] }) {
  return (
    <PlainList>
      {rows.map((row) => (
        <ListLine key={row.id}>
          <Stack direction="row" spacing={1.25} sx={{ alignItems: 'baseline' }}>
            <Box
              component="span"
              className="figure"
              sx={{ fontSize: 18, minWidth: 104, color: row.left === 'now' ? 'var(--grounded)' : undefined }}
            >
              {row.left}
            </Box>
            <Box component="b" sx={{ flex: 1 }}>
              {row.name}
            </Box>
            <span className="mono">{row.next}</span>
          </Stack>
          <Ruler row={row} />
          <div className="small">
            {[
              row.interval,
              row.last === '' ? '' : `last done ${row.last}`,
              row.signs === '' ? '' : `signs: ${row.signs}`,
            ]
              .filter((text) => text !== '')
              .join(' · ')}
          </div>
        </ListLine>
      ))}
    </PlainList>
  );
}

/** What is due next, nearest first: how often, last done, next, what is left drawn against its limit, and who may sign it. */
export function DueList({ folder, page }: { readonly folder: Folder; readonly page: AircraftPage }) {
  const steps = page.limits.filter(({ step }) => step);
  const more = folder.due.slice(SHOWN);
  return (
    <Section id="due" title="What is due next">
      {folder.due.length === 0 ? (
        <p>Nothing on record comes due.</p>
      ) : (
        <Rows rows={folder.due.slice(0, SHOWN)} />
      )}
      {more.length === 0 ? null : (
        <More summary={<>{more.length} later</>}>
          <Rows rows={more} />
        </More>
      )}
      {steps.length === 0 ? null : (
        <More summary={<>{steps.length} to be looked at or measured again</>}>
          <PlainList>
            {steps.map((step) => (
              <ListLine key={step.id}>
                <span className="figure">{step.figure}</span> {step.headline}
                <div className="small">{step.meaning}</div>
              </ListLine>
            ))}
          </PlainList>
        </More>
      )}
    </Section>
  );
}
