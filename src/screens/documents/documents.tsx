import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Link from 'next/link';
import type { Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';

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
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', mt: 3 }}>
        <Box component="h2" id="documents" sx={{ m: 0, flex: 1 }}>
          Documents
        </Box>
        <Button
          component={Link}
          href={`/document-check/${folder.registration}`}
          variant="outlined"
          size="small"
        >
          Check documents
        </Button>
      </Stack>
      {folder.papers.length === 0 ? (
        <p>No document was ever checked. Until somebody has seen them, they count as missing.</p>
      ) : null}
      <PlainList sx={{ m: '8px 0 0' }}>
        {folder.papers.map((paper) => (
          <ListLine key={paper.kind}>
            <b>{paper.name}</b>
            {paper.state === 'aboard' ? null : (
              <Box component="b" sx={{ color: paper.state === 'missing' ? 'var(--grounded)' : undefined }}>
                {' '}
                – {STATES[paper.state]}
              </Box>
            )}
            <div className="small">
              {[paper.number === null ? '' : `number ${paper.number}`, paper.details]
                .filter((text) => text !== '')
                .join(', ')}
            </div>
            <div className="small">
              {paper.keptWhere} · seen {paper.seen}
            </div>
          </ListLine>
        ))}
      </PlainList>
    </section>
  );
}
