'use client';

import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { Folder } from '@/queries/aircraft/folder-view';
import { useHash, useSecondInAddress } from '../data/address';
import { useLive, useRenewalAt } from '../data/live';
import { useAircraft, useFolder, useMe } from '../data/queries';
import { PapersInShort } from '../documents/papers-in-short';
import { ClosedFindings, OpenFindings } from '../findings/findings';
import { lazily } from '../kit/lazily';
import { PartPanels } from '../kit/page-parts';
import { DueList } from '../maintenance/due-list';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';
import { Reasons } from '../shell/reasons';
import { AircraftHead, partOf, type PartName } from './aircraft-head';

// What is behind the first part, and what is there seldom, comes when somebody looks at it.
const Papers = lazily(() => import('../documents/documents').then((module) => module.Papers));
const Vouching = lazily(() => import('../documents/vouching').then((module) => module.Vouching));
const Marks = lazily(() => import('../findings/marks').then((module) => module.Marks));
const SuspectFuel = lazily(() => import('../findings/suspect-fuel').then((module) => module.SuspectFuel));
const Flights = lazily(() => import('../flights/flights').then((module) => module.Flights));
const Logbook = lazily(() => import('../maintenance/logbook').then((module) => module.Logbook));
const Meters = lazily(() => import('../meters/meters').then((module) => module.Meters));
const ReleasePart = lazily(() => import('../releases/release-part').then((module) => module.ReleasePart));
const Rules = lazily(() => import('./rules-part').then((module) => module.Rules));
const PermitPart = lazily(() => import('../maintenance/permit-part').then((module) => module.PermitPart));
const WorkPart = lazily(() => import('../maintenance/work-part').then((module) => module.WorkPart));
const Restrictions = lazily(() => import('../flights/restrictions').then((module) => module.Restrictions));
const Trends = lazily(() => import('../walkround/trends').then((module) => module.Trends));
const Story = lazily(() => import('./story-part').then((module) => module.Story));

/** Two columns where there is room, one under another where there is not. */
function Two({ children }: { readonly children: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
        columnGap: 4.5,
      }}
    >
      {children}
    </Box>
  );
}

/** Why the verdict is what it is, and what is worth telling though it closes nothing. */
function Why({ page }: { readonly page: AircraftPage }) {
  return (
    <Box sx={{ mt: 2 }}>
      {page.reasons.length === 0 ? (
        <Box component="p" sx={{ m: 0 }}>
          No reason on record keeps it from flying.
        </Box>
      ) : (
        <Reasons reasons={page.reasons} />
      )}
      {page.notices.length === 0 ? null : (
        <Box component="ul" className="small" aria-label="Told, though it closes nothing" sx={{ mb: 0 }}>
          {page.notices.map(({ id, headline, meaning }) => (
            <li key={id}>
              <b>{headline}</b> {meaning}
            </li>
          ))}
        </Box>
      )}
    </Box>
  );
}

const isAnythingWaiting = ({ logbook, waitingDocuments, waitingReleases }: Folder): boolean =>
  waitingDocuments.length + waitingReleases.length > 0 || logbook.some(({ waits }) => waits);

/** What each part of the page holds. */
function partsOf({
  page,
  folder,
  roles,
}: {
  readonly page: AircraftPage;
  readonly folder: Folder;
  readonly roles: readonly string[];
}): Readonly<Record<PartName, ReactNode>> {
  return {
    now: (
      <>
        <Why page={page} />
        <Two>
          <div>
            {isAnythingWaiting(folder) ? <Vouching folder={folder} /> : null}
            <DueList folder={folder} page={page} />
          </div>
          <div>
            <OpenFindings page={page} />
            {page.suspectFuel.length === 0 ? null : <SuspectFuel page={page} folder={folder} roles={roles} />}
            <WorkPart page={page} />
            <PermitPart page={page} folder={folder} roles={roles} />
            <Restrictions page={page} roles={roles} />
            {folder.release === null ? null : (
              <ReleasePart folder={folder} view={folder.release} roles={roles} />
            )}
            <PapersInShort folder={folder} />
          </div>
        </Two>
      </>
    ),
    maintenance: <Logbook folder={folder} roles={roles} />,
    documents: <Papers folder={folder} />,
    flights: (
      <Two>
        <div>
          <Flights folder={folder} roles={roles} />
        </div>
        <div>
          <Meters folder={folder} roles={roles} />
        </div>
      </Two>
    ),
    marks: (
      <Two>
        <div>
          <ClosedFindings page={page} />
        </div>
        <div>
          <Marks folder={folder} roles={roles} />
        </div>
      </Two>
    ),
    trends: <Trends registration={page.registration} />,
    history: <Story page={page} />,
    rules: <Rules page={page} />,
  };
}

function Aircraft({ registration }: { readonly registration: string | null }) {
  const aircraft = useAircraft(registration);
  const folderQuery = useFolder(registration);
  const { data: me } = useMe();
  const deadSince = useLive();
  const part = partOf(useHash());
  const { data: page } = aircraft;
  const { data: folder } = folderQuery;
  useRenewalAt([page?.holdsUntil ?? null], page?.now, false);
  if (page === undefined)
    return (
      <DeskPage>
        <Coming query={aircraft} />
      </DeskPage>
    );
  return (
    <DeskPage at={page} deadSince={deadSince}>
      <AircraftHead page={page} part={part} />
      {folder === undefined ? (
        <>
          <Why page={page} />
          <Coming query={folderQuery} what="the rest" />
        </>
      ) : (
        <PartPanels parts={partsOf({ page, folder, roles: me?.roles ?? [] })} part={part} />
      )}
    </DeskPage>
  );
}

/** One aircraft: verdict and main acts stay in view; what is behind them in parts, each with an address of its own. */
export function AircraftScreen() {
  const registration = useSecondInAddress();
  // Another aircraft is another page: what was begun for the one is never carried to the other.
  return <Aircraft key={registration} registration={registration} />;
}
