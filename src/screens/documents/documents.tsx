import Button from '@mui/material/Button';
import Link from 'next/link';
import type { Folder } from '@/queries/aircraft/folder-view';

const STATES = {
  aboard: 'aboard',
  missing: 'missing',
  'not-needed': 'none fitted, so none needed',
  'not-looked-for': 'not looked for',
} as const;

/** The documents: where each is kept, what it says, when it was last seen and by whom. */
export function Papers({ folder }: { readonly folder: Folder }) {
  return (
    <section aria-labelledby="documents">
      <div style={{ display: 'flex', alignItems: 'center', gap: 12, marginTop: 24 }}>
        <h2 id="documents" style={{ margin: 0, flex: 1 }}>
          Documents
        </h2>
        <Button
          component={Link}
          href={`/document-check/${folder.registration}`}
          variant="outlined"
          size="small"
        >
          Check documents
        </Button>
      </div>
      {folder.papers.length === 0 ? (
        <p>No document was ever checked. Until somebody has seen them, they count as missing.</p>
      ) : null}
      <ul style={{ margin: '8px 0 0', padding: 0, listStyle: 'none' }}>
        {folder.papers.map((paper) => (
          <li key={paper.kind} style={{ borderTop: '1px solid var(--rule)', padding: '7px 0' }}>
            <b>{paper.name}</b>
            {paper.state === 'aboard' ? null : (
              <b style={{ color: paper.state === 'missing' ? 'var(--grounded)' : undefined }}>
                {' '}
                – {STATES[paper.state]}
              </b>
            )}
            <div className="small">
              {[paper.number === null ? '' : `number ${paper.number}`, paper.details]
                .filter((text) => text !== '')
                .join(', ')}
            </div>
            <div className="small">
              {paper.keptWhere} · seen {paper.seen}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
