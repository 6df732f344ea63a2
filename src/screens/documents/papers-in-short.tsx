import Button from '@mui/material/Button';
import type { Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Section } from '../kit/section';
import { PAPER_STATES } from './documents';

/** What stands of the documents: those that are not aboard by name, the others as a number. */
export function PapersInShort({ folder }: { readonly folder: Folder }) {
  const aboard = folder.papers.filter(({ state }) => state === 'aboard');
  const others = folder.papers.filter(({ state }) => state === 'missing' || state === 'not-looked-for');
  return (
    <Section
      id="papers"
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
      ) : (
        <PlainList>
          {others.map((paper) => (
            <ListLine key={paper.kind}>
              <b>{paper.name}</b> – {PAPER_STATES[paper.state]}
              <div className="small">seen {paper.seen}</div>
            </ListLine>
          ))}
          {aboard.length === 0 ? null : (
            <ListLine>
              {others.length === 0 ? 'All aboard' : 'Aboard'}: {aboard.map(({ name }) => name).join(', ')}.{' '}
              <a href="#documents">What they say</a>
            </ListLine>
          )}
        </PlainList>
      )}
    </Section>
  );
}
