'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { may } from '@/contracts/kernel/permissions';
import type { StruckKind } from '@/contracts/maintenance/corrections';
import type { Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Paged } from '../kit/paged';
import { PhotoLinks } from '../kit/photo-field';
import { Section } from '../kit/section';
import { SignedWorkForm } from './signed-work-form';
import { EntryForm } from './entry-form';
import { EntryWording } from './entry-wording';
import { StrikeForm, StruckText } from './strike-form';

/** What was signed of fuel is answered by a new cup, and what was signed of work by a new entry, not by a pen. */
const isStruckOut = (kind: Folder['logbook'][number]['kind']): kind is StruckKind & typeof kind =>
  kind === 'inspection' || kind === 'done' || kind === 'compliance' || kind === 'list-cleared';

function Entry({
  folder,
  entry,
  keeper,
}: {
  readonly folder: Folder;
  readonly entry: Folder['logbook'][number];
  readonly keeper: boolean;
}) {
  return (
    <ListLine>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'baseline' }}>
        <Box component="span" className="mono small" sx={{ width: 100 }}>
          {entry.on}
        </Box>
        <Box sx={{ flex: 1, textDecoration: entry.struck === null ? 'none' : 'line-through' }}>
          <b>{entry.title}</b>
          {entry.reading === '' ? (
            ''
          ) : (
            <>
              {' '}
              at <span className="figure">{entry.reading}</span>
            </>
          )}
          {entry.outcome === '' ? '' : `, ${entry.outcome}`}
          {entry.description === '' ? null : <div>{entry.description}</div>}
          <div className="small">{entry.signed}</div>
          {!entry.copied ? null : (
            <div className="small">
              {entry.waits ? (
                <b>Copied from paper; nobody has vouched for it yet, so it does not count.</b>
              ) : entry.vouchedBy === null ? (
                'Copied from paper.'
              ) : (
                `Copied from paper; ${entry.vouchedBy} vouched for it.`
              )}{' '}
              <PhotoLinks photos={entry.photos} />
            </div>
          )}
        </Box>
        {entry.struck === null && !entry.waits ? (
          <EntryWording what={`${entry.title} of ${entry.on}`} wording={entry.wording} />
        ) : null}
        {keeper && entry.struck === null && isStruckOut(entry.kind) ? (
          <StrikeForm
            folder={folder}
            recordId={entry.id}
            kind={entry.kind}
            what={`${entry.title} of ${entry.on}`}
          />
        ) : null}
      </Stack>
      <StruckText struck={entry.struck} />
    </ListLine>
  );
}

/** The maintenance record as a logbook: newest first, struck out entries readable, and the form for the next one. */
export function Logbook({ folder, roles }: { readonly folder: Folder; readonly roles: readonly string[] }) {
  const [writing, setWriting] = useState(false);
  const writes = may(roles, 'sign-entry') || may(roles, 'copy-entry');
  const keeper = may(roles, 'correct-records');
  return (
    <Section
      id="logbook"
      title="Maintenance record"
      act={
        writes && !writing ? (
          <Button
            variant="outlined"
            size="small"
            onClick={() => {
              setWriting(true);
            }}
          >
            Record maintenance …
          </Button>
        ) : null
      }
    >
      {writing ? (
        <EntryForm
          folder={folder}
          roles={roles}
          onDone={() => {
            setWriting(false);
          }}
        />
      ) : null}
      {folder.openLists.map((list) => (
        <Box key={list.id} sx={{ borderLeft: '4px solid var(--grounded)', p: '6px 0 6px 12px' }}>
          <b>
            The {list.name} of {list.on} did not approve the aircraft.
          </b>{' '}
          Its list has to be cleared.
          {may(roles, 'clear-list') ? (
            <SignedWorkForm
              folder={folder}
              work={{
                opens: 'Every item is cleared …',
                label: `Clear the list of the ${list.name}`,
                describe: 'What was done about each item',
              }}
              send={(post, { id, ...fields }, place) =>
                post(
                  'POST /api/lists',
                  {
                    ...fields,
                    clearanceId: id,
                    aircraftId: folder.aircraftId,
                    seenRevision: folder.revision,
                    inspection: list.id,
                  },
                  place,
                )
              }
            />
          ) : null}
        </Box>
      ))}
      {folder.logbook.length === 0 ? (
        <p>Nothing is entered yet.</p>
      ) : (
        <Paged items={folder.logbook} what="the maintenance record">
          {(entries) => (
            <PlainList>
              {entries.map((entry) => (
                <Entry key={entry.id} folder={folder} entry={entry} keeper={keeper} />
              ))}
            </PlainList>
          )}
        </Paged>
      )}
      {folder.logbook.length === 0 ? null : (
        <p>
          <Link href={`/records/${folder.registration}#work`}>The whole maintenance record</Link>
        </p>
      )}
      <p className="small">
        Kept for as long as the law asks: entries of work until it is repeated or superseded, or for a year;
        total time, life-limited parts, overhauls, inspection status and ADs as long as the aircraft, and
        handed over with it when it is sold (14 CFR 91.417). Groval deletes nothing.
      </p>
    </Section>
  );
}
