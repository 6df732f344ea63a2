'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Link from 'next/link';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { useSecondInAddress } from '../data/address';
import { useLive, useRenewalAt } from '../data/live';
import { useAircraft, useFolder, useMe } from '../data/queries';
import { Papers } from '../documents/documents';
import { Vouching } from '../documents/vouching';
import { Findings } from '../findings/findings';
import { Marks } from '../findings/marks';
import { Flights } from '../flights/flights';
import { ListLine, PlainList } from '../kit/layout';
import { More } from '../kit/more';
import { DueList } from '../maintenance/due-list';
import { Logbook } from '../maintenance/logbook';
import { Meters } from '../meters/meters';
import { ReleasePart } from '../releases/release-part';
import { Coming } from '../shell/coming';
import { DeskPage, DeskWaiting } from '../shell/desk-page';
import { Reasons } from '../shell/reasons';

const ANSWERS = {
  met: 'met',
  closes: 'closes uses',
  unknown: 'not known, so closed',
  'not-asked': 'not looked at',
} as const;

const stands = ({ answer }: AircraftPage['rules'][number]): boolean =>
  answer === 'closes' || answer === 'unknown';

function Rules({ page }: { readonly page: AircraftPage }) {
  return (
    <section aria-labelledby="rules">
      <h2 id="rules">What was checked</h2>
      <PlainList>
        {[...page.rules]
          .sort((a, b) => Number(stands(b)) - Number(stands(a)))
          .map((rule) => (
            <ListLine key={rule.id} sx={{ p: 0 }}>
              <More
                summary={
                  <>
                    <b>{rule.title}</b>: {ANSWERS[rule.answer]} <span className="small">{rule.source}</span>
                  </>
                }
                open={stands(rule)}
              >
                <Box className="small" sx={{ pb: 0.875 }}>
                  {rule.explanation}
                </Box>
              </More>
            </ListLine>
          ))}
      </PlainList>
      <p className="small">
        Not checked: {page.notChecked.join('; ')}. Groval advises. The pilot in command, licensed mechanics,
        the aircraft’s documents and local law decide.
      </p>
    </section>
  );
}

/** One aircraft's folder: verdict and why, what is due next, open items, maintenance record, flights; documents, meters, what was checked. */
export function AircraftScreen() {
  const registration = useSecondInAddress();
  const { data: page, error, refetch } = useAircraft(registration);
  const { data: folder, error: folderError, refetch: fetchFolder } = useFolder(registration);
  const { data: me } = useMe();
  const deadSince = useLive();
  useRenewalAt([page?.holdsUntil ?? null], page?.now, false);
  if (page === undefined) return <DeskWaiting query={{ error, refetch }} />;
  return (
    <DeskPage at={page} deadSince={deadSince}>
      <Stack direction="row" spacing={2} sx={{ flexWrap: 'wrap', alignItems: 'center', mb: 1.75 }}>
        <GateMark verdict={page.verdict} size={56} />
        <Box sx={{ flex: '1 1 240px' }}>
          <Box component="h1" sx={{ m: 0 }}>
            {page.verdict} <span className="figure">{page.registration}</span>
          </Box>
          <div>
            {page.typeName}
            {page.timeInService === null ? (
              ''
            ) : (
              <>
                {' '}
                · <span className="mono">{page.timeInService}</span> in service
              </>
            )}
          </div>
          <div className="small">{page.windowText.charAt(0).toUpperCase() + page.windowText.slice(1)}.</div>
        </Box>
        <WindowMark window={page.window} text={page.windowText} scale={2} />
        <Stack spacing={0.75}>
          <Button component={Link} href={`/ramp/${page.registration}`} variant="outlined">
            Report a finding
          </Button>
          <Button component={Link} href={`/facts/${page.registration}`} size="small">
            Aircraft data
          </Button>
        </Stack>
      </Stack>
      {page.reasons.length === 0 ? (
        <p>No reason on record keeps it from flying.</p>
      ) : (
        <Reasons reasons={page.reasons} />
      )}
      {page.notices.length === 0 ? null : (
        <ul className="small" aria-label="Told, though it closes nothing">
          {page.notices.map(({ id, headline, meaning }) => (
            <li key={id}>
              <b>{headline}</b> {meaning}
            </li>
          ))}
        </ul>
      )}
      {folder === undefined ? (
        <Coming query={{ error: folderError, refetch: fetchFolder }} what="the folder" />
      ) : (
        <div className="two-columns">
          <div>
            {folder.release === null ? null : (
              <ReleasePart folder={folder} view={folder.release} roles={me?.roles ?? []} />
            )}
            <Vouching folder={folder} />
            <DueList folder={folder} page={page} />
            <Findings page={page} />
            <Logbook folder={folder} roles={me?.roles ?? []} />
            <Flights folder={folder} />
            <section aria-labelledby="story">
              <h2 id="story">History</h2>
              <PlainList component="ol">
                {page.story.map((line) => (
                  <ListLine key={line.seq}>
                    <span className="mono small">{line.when}</span> <b>{line.who}</b> {line.words}
                  </ListLine>
                ))}
              </PlainList>
            </section>
          </div>
          <div>
            <Papers folder={folder} />
            <Meters folder={folder} roles={me?.roles ?? []} />
            <Marks folder={folder} roles={me?.roles ?? []} />
            <Rules page={page} />
          </div>
        </div>
      )}
    </DeskPage>
  );
}
