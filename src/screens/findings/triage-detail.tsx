import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import type { TriageRow } from '@/queries/findings/triage';
import type { Trouble } from '../data/command';
import { usePassedChecks } from '../data/queries';
import Link from '../kit/link';
import { TroubleAlert } from '../kit/trouble-alert';
import { lazily } from '../kit/lazily';

const WatchForm = lazily(() => import('./watch-form').then((module) => module.WatchForm), 240);

/** What somebody can decide about a finding, each with the key that does it. */
export const WAYS = [
  { key: '1', way: 'stays', words: 'Stays as it is' },
  { key: '2', way: 'grounds', words: 'Grounds the aircraft' },
  { key: '3', way: 'watch', words: 'Watch it …' },
  { key: '4', way: 'same-as', words: 'Same as …' },
] as const;
export type Way = (typeof WAYS)[number]['way'];

/** The ways that are open for a finding to this reader. */
export function openWays(row: TriageRow): readonly (typeof WAYS)[number][] {
  return WAYS.filter(({ way }) =>
    way === 'grounds'
      ? !row.grounds
      : way === 'watch'
        ? (row.watch ?? []).length > 0
        : way === 'same-as'
          ? row.similar.length > 0
          : true,
  );
}

const times = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/** The walk-rounds that said “fine” where it was found, while it may have been there. */
function PassedBy({ finding }: { readonly finding: string }) {
  const { data } = usePassedChecks(finding);
  const checks = data?.checks ?? [];
  const [last] = checks;
  if (last === undefined) return null;
  const names = [...new Set(checks.flatMap(({ by }) => (by === null ? [] : [by])))];
  return (
    <p className="small">
      {checks.length === 1 ? 'One walk-round' : `${checks.length} walk-rounds`} passed it
      {data?.absent == null ? '' : ` since ${data.absent}`}, the last on {last.when}
      {names.length === 0 ? '' : ` (${names.join(', ')})`}. It may not have been there yet.
    </p>
  );
}

/** One finding with what is known around it, and the ways that are open to the reader. */
export function TriageDetail({
  row,
  today,
  mayDecide,
  open,
  trouble,
  busy,
  onWay,
  onSameAs,
  onClose,
}: {
  readonly row: TriageRow;
  readonly today: string;
  readonly mayDecide: boolean;
  /** The way whose form is open. */
  readonly open: Way | null;
  readonly trouble: Trouble | null;
  readonly busy: boolean;
  readonly onWay: (way: Way) => void;
  readonly onSameAs: (id: string) => void;
  readonly onClose: (isDone: boolean) => void;
}) {
  const { here, type } = row.before;
  return (
    <Box component="section" aria-label={row.what}>
      <Box component="h2" sx={{ m: 0, fontSize: 22 }}>
        {row.what}
      </Box>
      <p className="small">
        {row.registration} · {row.typeName} · {row.where}
        {row.item === '' ? '' : ` · ${row.item}`}
        <br />
        Found {row.found}.
      </p>
      <p>
        <b>{row.meaning}</b>
        {row.holdsUp === ''
          ? ' No flight of it is planned.'
          : ` Its next flight is planned for ${row.holdsUp}.`}
      </p>
      <p className="small">
        {here === 0
          ? 'Never before on this aircraft at this item.'
          : `Before on this aircraft at this item: ${times(here)}.`}{' '}
        {type === 0 ? '' : `On others of its type: ${times(type)}.`}{' '}
        <Link href="/chronic">Chronic defects</Link>
      </p>
      <PassedBy finding={row.id} />
      {row.similar.length === 0 ? null : (
        <p className="small">
          Open at the same place, and perhaps the same:{' '}
          {row.similar.map(({ what }) => `“${what}”`).join(', ')}.
        </p>
      )}
      <Stack direction="row" spacing={1} useFlexGap sx={{ flexWrap: 'wrap', my: 1 }}>
        {row.photos.map((photo) => (
          <a key={photo} href={`/api/photos/${photo}`} target="_blank" rel="noreferrer">
            <Box
              component="img"
              src={`/api/photos/${photo}`}
              alt={`Photo of: ${row.what}`}
              sx={{ width: 220, height: 165, objectFit: 'cover', border: '1px solid var(--rule)' }}
            />
          </a>
        ))}
      </Stack>
      {mayDecide && open === null ? (
        <Stack direction="row" spacing={1} useFlexGap sx={{ flexWrap: 'wrap', my: 1.5 }}>
          {openWays(row).map(({ key, way, words }) => (
            <Button
              key={way}
              variant="outlined"
              disabled={busy}
              aria-keyshortcuts={key}
              onClick={() => {
                onWay(way);
              }}
            >
              {words}
              <Box component="kbd" aria-hidden sx={{ ml: 1, fontSize: 12, color: 'text.secondary' }}>
                {key}
              </Box>
            </Button>
          ))}
        </Stack>
      ) : null}
      {open === 'watch' ? <WatchForm key={row.id} row={row} today={today} onDone={onClose} /> : null}
      {open === 'same-as' ? (
        <Stack direction="row" spacing={1} sx={{ my: 1.5, maxWidth: 620 }}>
          <TextField
            select
            fullWidth
            label="It is the same as"
            value=""
            onChange={({ target }) => {
              onSameAs(target.value);
            }}
          >
            {row.similar.map(({ id, what }) => (
              <MenuItem key={id} value={id}>
                {what}
              </MenuItem>
            ))}
          </TextField>
          <Button
            onClick={() => {
              onClose(false);
            }}
          >
            Cancel
          </Button>
        </Stack>
      ) : null}
      <TroubleAlert trouble={trouble} />
      <p>
        <Link href={`/aircraft/${row.registration}#open-items`}>
          {row.isDeferrable ? 'Repair or deferral, on its page' : 'Repair, on its page'}
        </Link>
      </p>
    </Box>
  );
}
