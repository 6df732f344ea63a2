import Box from '@mui/material/Box';
import type { ConstraintWords } from '@/explain/constraint';
import { PlainList } from '../kit/layout';

/** Reasons as sentences: why in bold, what it means, the source small, then each remedy with who may take it. */
export function Reasons({ reasons }: { readonly reasons: readonly ConstraintWords[] }) {
  return (
    <PlainList sx={{ display: 'grid', gap: 1.5 }}>
      {merged(reasons).map((reason) => (
        <Box
          component="li"
          key={reason.id}
          sx={{
            borderLeft: `4px solid ${reason.certainty === 'failed' ? 'var(--grounded)' : 'var(--restricted)'}`,
            pl: 1.5,
          }}
        >
          <b>{reason.headline}</b> {reason.meaning} <span className="small">{reason.source}</span>
          {reason.remedies.length === 0 ? null : (
            <Box sx={{ mt: 0.5, fontSize: 14 }}>
              <span className="small">To clear it: </span>
              {reason.remedies.map((remedy, at) => (
                <span key={remedy.act}>
                  {at === 0 ? '' : '; or '}
                  {remedy.act} <span className="small">({remedy.by})</span>
                </span>
              ))}
            </Box>
          )}
        </Box>
      ))}
    </PlainList>
  );
}

/** One fact may close uses under two rules: it is told once, with both sources. */
export function merged(reasons: readonly ConstraintWords[]): readonly ConstraintWords[] {
  const told = new Map<string, ConstraintWords>();
  for (const reason of reasons) {
    const key = `${reason.headline}|${reason.records.join()}`;
    const known = told.get(key);
    told.set(
      key,
      known === undefined
        ? reason
        : {
            ...known,
            source: known.source.includes(reason.source) ? known.source : `${known.source}; ${reason.source}`,
          },
    );
  }
  return [...told.values()];
}
