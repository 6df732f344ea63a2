import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Section } from '../kit/section';

/** How a document stands, in words. */
export const PAPER_STATES = {
  aboard: 'aboard',
  missing: 'missing',
  'not-needed': 'none fitted, so none needed',
  'not-looked-for': 'not looked for',
} as const;

/** Where documents stand, with the way to check them. @param id the heading's */
export function DocumentsSection({
  id,
  folder,
  children,
}: {
  readonly id: string;
  readonly folder: Folder;
  readonly children: ReactNode;
}) {
  return (
    <Section
      id={id}
      title="Documents"
      act={
        <Button
          component={Link}
          href={`/document-check/${folder.registration}`}
          variant="outlined"
          size="small"
        >
          Check documents
        </Button>
      }
    >
      {folder.papers.length === 0 ? (
        <p>No document was ever checked. Until somebody has seen them, they count as missing.</p>
      ) : null}
      {children}
    </Section>
  );
}

/** The documents: where each is kept, what it says, when it was last seen and by whom. */
export function Papers({ folder }: { readonly folder: Folder }) {
  return (
    <DocumentsSection id="documents-all" folder={folder}>
      <PlainList sx={{ m: '8px 0 0' }}>
        {folder.papers.map((paper) => (
          <ListLine key={paper.kind}>
            <b>{paper.name}</b>
            {paper.state === 'aboard' ? null : (
              <Box component="b" sx={{ color: paper.state === 'missing' ? 'var(--grounded)' : undefined }}>
                {' '}
                – {PAPER_STATES[paper.state]}
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
    </DocumentsSection>
  );
}
