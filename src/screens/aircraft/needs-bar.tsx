'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import type { Line } from '@/queries/aircraft/line';
import { needsNow } from './needs';

/** What needs somebody now, soonest first. */
export function NeedsBar({
  line,
  onSelect,
}: {
  readonly line: Line;
  readonly onSelect: (registration: string) => void;
}) {
  const needs = needsNow(line);
  if (needs.length === 0) return null;
  return (
    <Stack
      direction={{ xs: 'column', md: 'row' }}
      spacing={1.5}
      sx={{ p: { xs: 1.5, md: '8px 20px 0' }, pb: 0 }}
    >
      {needs.map((need) => (
        <ButtonBase
          key={need.id}
          onClick={() => {
            onSelect(need.registration);
          }}
          sx={{
            flex: 1,
            display: 'block',
            textAlign: 'left',
            font: 'inherit',
            fontSize: 14,
            bgcolor: 'var(--card)',
            border: '1px solid var(--rule)',
            borderLeft: `5px solid var(--${need.tone})`,
            py: 0.5,
            lineHeight: 1.35,
            px: 1.5,
          }}
        >
          <b>{need.headline}.</b> {need.why}
          {need.way === '' ? null : (
            <Box component="span" sx={{ color: 'var(--soft)' }}>
              {' '}
              → {need.way}
            </Box>
          )}
        </ButtonBase>
      ))}
    </Stack>
  );
}
