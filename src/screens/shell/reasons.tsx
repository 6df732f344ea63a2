import type { ConstraintWords } from '@/explain/constraint';

/** Reasons as sentences: why in bold, what it means, the source small, then each remedy with who may take it. */
export function Reasons({ reasons }: { readonly reasons: readonly ConstraintWords[] }) {
  return (
    <ul style={{ listStyle: 'none', margin: 0, padding: 0, display: 'grid', gap: 12 }}>
      {merged(reasons).map((reason) => (
        <li
          key={reason.id}
          style={{
            borderLeft: `4px solid ${reason.certainty === 'failed' ? 'var(--grounded)' : 'var(--restricted)'}`,
            paddingLeft: 12,
          }}
        >
          <b>{reason.headline}</b> {reason.meaning} <span className="small">{reason.source}</span>
          {reason.remedies.length === 0 ? null : (
            <div style={{ marginTop: 4, fontSize: 14 }}>
              <span className="small">To clear it: </span>
              {reason.remedies.map((remedy, at) => (
                <span key={remedy.act}>
                  {at === 0 ? '' : '; or '}
                  {remedy.act} <span className="small">({remedy.by})</span>
                </span>
              ))}
            </div>
          )}
        </li>
      ))}
    </ul>
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
