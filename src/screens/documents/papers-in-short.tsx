import type { Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';
import { DocumentsSection, PAPER_STATES } from './documents';

/** What stands of the documents: those that are not aboard by name, the others as a number. */
export function PapersInShort({ folder }: { readonly folder: Folder }) {
  const aboard = folder.papers.filter(({ state }) => state === 'aboard');
  const others = folder.papers.filter(({ state }) => state === 'missing' || state === 'not-looked-for');
  return (
    <DocumentsSection id="papers" folder={folder}>
      {folder.papers.length === 0 ? null : (
        <PlainList>
          {others.map((paper) => (
            <ListLine key={paper.kind}>
              <b>{paper.name}</b> – {PAPER_STATES[paper.state]}
              <div className="small">seen {paper.seen}</div>
            </ListLine>
          ))}
          {aboard.length === 0 ? null : (
            <ListLine>
              {/* Not 'all': a kind that nobody ever looked for is not in this list. */}
              Aboard: {aboard.map(({ name }) => name).join(', ')}. <a href="#documents">What they say</a>
            </ListLine>
          )}
        </PlainList>
      )}
    </DocumentsSection>
  );
}
