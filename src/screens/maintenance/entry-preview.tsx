import { sentenceCase } from '@/explain/formats';
import type { EntryPreview } from '@/queries/maintenance/entry-preview';

export function Preview({ preview, copied }: { readonly preview: EntryPreview; readonly copied: boolean }) {
  return (
    <div
      role="status"
      style={{ borderLeft: '4px solid var(--sea)', background: 'var(--sea-tint)', padding: '10px 14px' }}
    >
      <b>{copied ? 'Once somebody vouches for it.' : 'Before you sign.'}</b>{' '}
      {preview.verdict.before === preview.verdict.after
        ? `The aircraft stays ${preview.verdict.after}.`
        : `The aircraft changes from ${preview.verdict.before} to ${preview.verdict.after}.`}
      {preview.moved.length === 0 ? (
        <div>Nothing that is due next changes.</div>
      ) : (
        <ul style={{ margin: '6px 0 0', paddingLeft: 18 }}>
          {preview.moved.map((one) => (
            <li key={one.name + one.after}>
              <b>{sentenceCase(one.name)}</b>: <span className="mono">{one.before}</span> →{' '}
              <b className="mono">{one.after}</b>
              <div className="small">{one.sum}</div>
            </li>
          ))}
        </ul>
      )}
      {preview.faults.length === 0 ? null : (
        <div style={{ color: 'var(--grounded)', fontWeight: 700 }}>
          It would not count yet: {preview.faults.join('; ')}.
        </div>
      )}
      <div className="small" style={{ marginTop: 6 }}>
        May be signed by: {preview.signs}.
      </div>
    </div>
  );
}
