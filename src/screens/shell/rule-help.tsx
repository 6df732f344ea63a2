'use client';

import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { ask } from '../data/fetching';
import { Coming } from './coming';

/** What rules ask, in plain words, with where they come from. */
export function RuleHelp({ rules }: { readonly rules: readonly string[] }) {
  const { data, error, refetch } = useQuery({
    queryKey: ['rules'],
    queryFn: () => ask('GET /api/rules'),
    staleTime: 10 * 60_000,
    retry: 1,
  });
  if (data === undefined) return <Coming query={{ error, refetch }} />;
  return (
    <Box role="note" sx={{ fontSize: 14, bgcolor: 'var(--sea-tint)', px: 1.5, py: 1, my: 0.75 }}>
      {data.rules
        .filter(({ id }) => rules.includes(id))
        .map(({ id, title, explanation, source }) => (
          <Box key={id} sx={{ '& + &': { mt: 1 } }}>
            <b>{title}.</b> {explanation} <span className="small">{source}</span>
          </Box>
        ))}
    </Box>
  );
}
