import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { useState } from 'react';
import type { ConstraintWords } from '@/explain/constraint';
import { PlainList } from '../kit/layout';
import { lazily } from '../kit/lazily';

const RuleHelp = lazily(() => import('./rule-help').then((module) => module.RuleHelp), 40);

/** What the rule behind a reason asks, for somebody who never read it: it is fetched when somebody wants it. */
function Help({ rules, about }: { readonly rules: readonly string[]; readonly about: string }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      {' '}
      <Link
        component="button"
        type="button"
        aria-expanded={isOpen}
        aria-label={`What the rule says: ${about}`}
        onClick={() => {
          setIsOpen(!isOpen);
        }}
        sx={{ fontSize: 13, verticalAlign: 'baseline' }}
      >
        {isOpen ? 'Close' : 'What the rule says'}
      </Link>
      {isOpen ? <RuleHelp rules={rules} /> : null}
    </>
  );
}

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
          <Help rules={reason.rules} about={reason.headline} />
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
            rules: [...new Set([...known.rules, ...reason.rules])],
          },
    );
  }
  return [...told.values()];
}
