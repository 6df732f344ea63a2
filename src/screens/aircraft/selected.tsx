import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { LineRow } from '@/queries/aircraft/line';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { clock, day, wallClockOf } from '../data/clock';
import { lazily } from '../kit/lazily';
import Link from '../kit/link';
import { Reasons } from '../shell/reasons';

const WaysFold = lazily(() => import('../flights/ways-fold').then((module) => module.WaysFold), 44);

/**
 * The selected aircraft's verdict in full.
 * @param at another moment that it is about; null is now
 * @param date the day whose flights it shows
 */
export function Selected({
  row,
  zone,
  at,
  date,
  isOver,
}: {
  readonly row: LineRow;
  readonly zone: string;
  readonly at: number | null;
  readonly date: string;
  /** Whether that moment is over: nothing can be done about its flights. */
  readonly isOver: boolean;
}) {
  const refused = row.flights.filter(({ words }) => words !== '');
  return (
    <Stack
      component="aside"
      spacing={1.5}
      aria-label={`Verdict for ${row.registration}`}
      sx={{ bgcolor: 'var(--card)', border: '1px solid var(--rule)', p: 2, overflowY: 'auto' }}
    >
      {at === null ? null : (
        <Box sx={{ fontWeight: 700 }}>
          Not now: {day(at, zone)} {wallClockOf(at, zone).date.slice(0, 4)}, {clock(at, zone)}
        </Box>
      )}
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
        <GateMark verdict={row.verdict} size={46} />
        <Box sx={{ flex: 1 }}>
          <Box component="h2" sx={{ m: 0, fontSize: 24 }}>
            {row.verdict}
          </Box>
          <div>
            <Box component="span" className="figure" sx={{ fontSize: 17 }}>
              {row.registration}
            </Box>{' '}
            {row.typeName}
          </div>
        </Box>
        <WindowMark window={row.window} text={row.windowText} scale={1.5} />
      </Stack>
      {row.out === null ? null : (
        <Box sx={{ borderLeft: '4px solid var(--sea)', pl: 1.5 }}>
          <b>{row.out}.</b> Until its return is recorded nobody else can take it.
          {at === null ? (
            <>
              {' '}
              <Link href="/dispatch">Dispatch</Link>
            </>
          ) : null}
        </Box>
      )}
      <Box sx={{ fontSize: 14 }}>{row.openFor}</Box>
      {row.measured === null ? null : <div className="small">{row.measured}</div>}
      {row.reasons.length === 0 ? (
        <div>Available for every use that it is approved for. No reason on record keeps it from flying.</div>
      ) : (
        <Reasons reasons={row.reasons} />
      )}
      {refused.map(({ id, name, words, starts, answer }) => (
        <Box
          key={id}
          sx={{ borderLeft: `4px dashed var(--${answer === 'no' ? 'grounded' : 'restricted'})`, pl: 1.5 }}
        >
          <b>
            <span className="mono">{clock(starts, zone)}</span> {name}.
          </b>{' '}
          {words}
          {answer === 'past' || isOver ? null : <WaysFold flightId={id} day={date} />}
        </Box>
      ))}
      <Button component={Link} href={`/aircraft/${row.registration}`} variant="contained">
        Open {row.registration}
        {at === null ? '' : ' as it is now'}
      </Button>
      <div className="small">
        Not checked: {row.notChecked.join('; ')}. Groval advises. The pilot in command, licensed mechanics,
        the aircraft’s documents and local law decide.
      </div>
    </Stack>
  );
}
