'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { AircraftPage, FindingView } from '@/queries/aircraft/aircraft-page';
import { ListLine, PlainList } from '../kit/layout';
import { Paged } from '../kit/paged';
import { Section } from '../kit/section';
import { lazily } from '../kit/lazily';

const DeferralPart = lazily(() => import('./deferral').then((module) => module.DeferralPart), 240);
const ReturnForm = lazily(() => import('./return-form').then((module) => module.ReturnForm), 240);

function Finding({ finding, page }: { readonly finding: FindingView; readonly page: AircraftPage }) {
  const [closing, setClosing] = useState(false);
  const [deferring, setDeferring] = useState(false);
  return (
    <ListLine sx={{ display: 'flex', gap: 2 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box component="b" sx={{ textDecoration: 'none' }}>
          {finding.what}
        </Box>{' '}
        <span className="small">{finding.where}</span>
        <div className="small">Found {finding.found}.</div>
        {finding.done === null ? (
          <div>
            {finding.meaning} {finding.decided}
          </div>
        ) : (
          <div>{finding.done}</div>
        )}
        {finding.done === null && finding.closings.length > 0 && !closing ? (
          <Button
            variant="outlined"
            sx={{ mt: 1 }}
            onClick={() => {
              setClosing(true);
            }}
          >
            Record what was done …
          </Button>
        ) : null}
        {finding.defer !== null && !deferring ? (
          <Button
            variant="outlined"
            sx={{ mt: 1, ml: finding.closings.length > 0 && !closing ? 1 : 0 }}
            onClick={() => {
              setDeferring(true);
            }}
          >
            Deferral …
          </Button>
        ) : null}
        {deferring && finding.defer !== null ? <DeferralPart finding={finding} page={page} /> : null}
        {closing && finding.done === null ? (
          <ReturnForm finding={finding} revision={page.revision} today={page.today} />
        ) : null}
      </Box>
      {/* Photos are the club's own and come from its database, already bounded in size. */}
      {finding.photos.map((photo) => (
        <a key={photo} href={`/api/photos/${photo}`} target="_blank" rel="noreferrer">
          <Box
            component="img"
            src={`/api/photos/${photo}`}
            alt={`Photo of: ${finding.what}`}
            sx={{ width: 140, height: 105, objectFit: 'cover', border: '1px solid var(--rule)' }}
          />
        </a>
      ))}
    </ListLine>
  );
}

function List({
  findings,
  page,
}: {
  readonly findings: readonly FindingView[];
  readonly page: AircraftPage;
}) {
  return (
    <PlainList>
      {findings.map((finding) => (
        <Finding key={finding.id} finding={finding} page={page} />
      ))}
    </PlainList>
  );
}

/** What was found and is not closed yet, with the way to record what was done. */
export function OpenFindings({ page }: { readonly page: AircraftPage }) {
  const open = page.findings.filter(({ done }) => done === null);
  return (
    <Section id="open-items" title="Open items">
      {open.length === 0 ? <p>None.</p> : <List findings={open} page={page} />}
    </Section>
  );
}

/** What was found and closed; it stays readable. */
export function ClosedFindings({ page }: { readonly page: AircraftPage }) {
  const closed = page.findings.filter(({ done }) => done !== null);
  return (
    <Section id="closed-items" title="Closed">
      {closed.length === 0 ? (
        <p>No finding is closed yet. What is open stands under Now.</p>
      ) : (
        <Paged items={closed} what="the closed findings">
          {(shown) => <List findings={shown} page={page} />}
        </Paged>
      )}
    </Section>
  );
}
