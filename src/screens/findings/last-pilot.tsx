import Box from '@mui/material/Box';
import type { RampAircraft } from '@/queries/findings/ramp';

/** What the last pilot reported, before anything else: it says where to look. */
export function LastPilot({ report }: { readonly report: RampAircraft['lastReport'] }) {
  if (report === null) return null;
  const { by, when, words, noted } = report;
  return (
    <Box
      component="p"
      sx={{
        m: '12px 0 0',
        py: 1.25,
        px: 1.75,
        borderLeft: '4px solid var(--ink)',
        bgcolor: 'var(--card)',
        fontSize: 17,
        overflowWrap: 'anywhere',
      }}
    >
      <Box component="span" className="small" sx={{ display: 'block' }}>
        The last pilot, {by}, {when}
      </Box>
      {words === null ? noted ? 'Nothing to report.' : 'Nobody noted a report. Ask.' : <b>“{words}”</b>}
    </Box>
  );
}
