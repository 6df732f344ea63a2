'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { AircraftPage, FindingView } from '@/queries/aircraft/aircraft-page';
import { ListLine, PlainList } from '../kit/layout';
import { ReturnForm } from './return-form';

function Finding({ finding, page }: { readonly finding: FindingView; readonly page: AircraftPage }) {
  const [closing, setClosing] = useState(false);
  return (
    <ListLine sx={{ display: 'flex', gap: 2 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box component="b" sx={{ textDecoration: 'none' }}>
          {finding.what}
        </Box>{' '}
        <span className="small">{finding.where}</span>
        <div className="small">Found {finding.found}.</div>
        {finding.done === null ? <div>{finding.meaning}</div> : <div>{finding.done}</div>}
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

/** Open findings first, then the closed ones; both stay readable. */
export function Findings({ page }: { readonly page: AircraftPage }) {
  const open = page.findings.filter(({ done }) => done === null);
  const closed = page.findings.filter(({ done }) => done !== null);
  return (
    <>
      <section aria-labelledby="open-items">
        <h2 id="open-items">Open items</h2>
        {open.length === 0 ? (
          <p>None.</p>
        ) : (
          <PlainList>
            {open.map((finding) => (
              <Finding key={finding.id} finding={finding} page={page} />
            ))}
          </PlainList>
        )}
      </section>
      {closed.length === 0 ? null : (
        <section aria-labelledby="closed-items">
          <h2 id="closed-items">Closed</h2>
          <PlainList>
            {closed.map((finding) => (
              <Finding key={finding.id} finding={finding} page={page} />
            ))}
          </PlainList>
        </section>
      )}
    </>
  );
}
