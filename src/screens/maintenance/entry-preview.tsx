import Box from '@mui/material/Box';
import { sentenceCase } from '@/explain/wording';
import type { EntryPreview } from '@/queries/maintenance/entry-preview';

/** What an entry comes to. @param isOpen where nobody has said yet what the work may have changed: then the verdict is open too */
export function Preview({
  preview,
  copied,
  isOpen,
}: {
  readonly preview: EntryPreview;
  readonly copied: boolean;
  readonly isOpen: boolean;
}) {
  return (
    <Box
      role="status"
      sx={{ borderLeft: '4px solid var(--sea)', background: 'var(--sea-tint)', py: 1.25, px: 1.75 }}
    >
      <b>{copied ? 'Once somebody vouches for it.' : 'Before you sign.'}</b>{' '}
      {isOpen
        ? 'What it comes to depends on what the work may have changed.'
        : preview.verdict.before === preview.verdict.after
          ? `The aircraft stays ${preview.verdict.after}.`
          : `The aircraft changes from ${preview.verdict.before} to ${preview.verdict.after}.`}
      {preview.waits.map((words) => (
        <div key={words}>{words}</div>
      ))}
      {preview.moved.length === 0 ? (
        <div>Nothing that is due next changes.</div>
      ) : (
        <Box component="ul" sx={{ m: '6px 0 0', pl: 2.25 }}>
          {preview.moved.map((one) => (
            <li key={one.name + one.after}>
              <b>{sentenceCase(one.name)}</b>: <span className="mono">{one.before}</span> →{' '}
              <b className="mono">{one.after}</b>
              <div className="small">{one.sum}</div>
            </li>
          ))}
        </Box>
      )}
      {preview.faults.length === 0 ? null : (
        <Box sx={{ color: 'var(--grounded)', fontWeight: 700 }}>
          It would not count yet: {preview.faults.join('; ')}.
        </Box>
      )}
      <Box className="small" sx={{ mt: 0.75 }}>
        May be signed by: {preview.signs}.
      </Box>
    </Box>
  );
}
