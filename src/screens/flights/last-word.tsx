import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { DispatchFlight } from '@/queries/flights/dispatch';
import Link from '../kit/link';
import { Part } from './part';

/** What the last pilot reported, before the next one takes the aircraft: what nobody followed up is a finding now. */
export function LastWord({
  report,
  registration,
}: {
  readonly report: DispatchFlight['lastReport'];
  readonly registration: string;
}) {
  if (report === null) return null;
  const { by, when, words, noted } = report;
  return (
    <Part title="What the last pilot reported">
      <Typography>
        {by}, <span className="mono">{when}</span>:{' '}
        {words === null ? (
          <>{noted ? 'nothing to report.' : <b>nobody noted anything. Ask.</b>}</>
        ) : (
          <b>“{words}”</b>
        )}
      </Typography>
      {words === null ? null : (
        <Box component="p" className="small" sx={{ m: '6px 0 0' }}>
          Is it something on the aircraft, and did nobody follow it up?{' '}
          <Link href={`/ramp/${registration}#report`}>Report it as a finding</Link> before it leaves.
        </Box>
      )}
    </Part>
  );
}
