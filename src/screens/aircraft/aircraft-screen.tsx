'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { useSecondInAddress } from '../data/address';
import { clock, day } from '../data/clock';
import { useLive, useRenewalAt } from '../data/live';
import { useAircraft, useFolder, useMe } from '../data/queries';
import { DeskHeader } from '../shell/desk-header';
import { NotLive } from '../shell/not-live';
import { Reasons } from '../shell/reasons';
import { Trouble } from '../shell/trouble';
import { Findings } from '../findings/findings';
import { DueList } from '../maintenance/due-list';
import { Flights } from '../flights/flights';
import { Logbook } from '../maintenance/logbook';
import { Marks } from '../findings/marks';
import { Meters } from '../meters/meters';
import { Papers } from '../documents/documents';
import { ReleasePart } from '../releases/release-part';
import { Vouching } from '../documents/vouching';

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
      <ul style={{ margin: 0, padding: 0, listStyle: 'none' }}>
        {[...page.rules]
          .sort((a, b) => Number(stands(b)) - Number(stands(a)))
          .map((rule) => (
            <li key={rule.id} style={{ borderTop: '1px solid var(--rule)' }}>
              <details open={stands(rule)}>
                <summary style={{ padding: '7px 0', cursor: 'pointer' }}>
                  <b>{rule.title}</b>: {ANSWERS[rule.answer]} <span className="small">{rule.source}</span>
                </summary>
                <div className="small" style={{ paddingBottom: 7 }}>
                  {rule.explanation}
                </div>
              </details>
            </li>
          ))}
      </ul>
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
  if (page === undefined)
    return (
      <>
        <DeskHeader />
        <main>
          {error === null ? (
            <p style={{ padding: 24 }}>Loading …</p>
          ) : (
            <Trouble
              error={error}
              retry={() => {
                void refetch();
              }}
            />
          )}
        </main>
      </>
    );
  return (
    <>
      <DeskHeader>
        <span className="mono">
          {day(page.now, page.zone)}&nbsp; {clock(page.now, page.zone)}
        </span>
      </DeskHeader>
      <NotLive since={deadSince} zone={page.zone} />
      <main style={{ padding: '16px 20px 40px', maxWidth: 1240, margin: '0 auto' }}>
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 16, alignItems: 'center', marginBottom: 14 }}>
          <GateMark verdict={page.verdict} size={56} />
          <div style={{ flex: '1 1 240px' }}>
            <h1 style={{ margin: 0 }}>
              {page.verdict} <span className="figure">{page.registration}</span>
            </h1>
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
          </div>
          <WindowMark window={page.window} text={page.windowText} scale={2} />
          <div style={{ display: 'grid', gap: 6 }}>
            <Button component={Link} href={`/ramp/${page.registration}`} variant="outlined">
              Report a finding
            </Button>
            <Button component={Link} href={`/facts/${page.registration}`} size="small">
              Aircraft data
            </Button>
          </div>
        </div>
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
          folderError === null ? (
            <p>Loading the folder …</p>
          ) : (
            <Trouble
              error={folderError}
              retry={() => {
                void fetchFolder();
              }}
            />
          )
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
                <ol style={{ margin: 0, padding: 0, listStyle: 'none' }}>
                  {page.story.map((line) => (
                    <li key={line.seq} style={{ borderTop: '1px solid var(--rule)', padding: '7px 0' }}>
                      <span className="mono small">{line.when}</span> <b>{line.who}</b> {line.words}
                    </li>
                  ))}
                </ol>
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
      </main>
    </>
  );
}
