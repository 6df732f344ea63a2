'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { GateMark } from '@/ui/gate-mark';
import { useLine } from '../data/queries';
import { lazily } from '../kit/lazily';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Section } from '../kit/section';

const AddAircraft = lazily(() => import('./add-aircraft').then((module) => module.AddAircraft), 200);

/** The club's aircraft, each with a way to what is on record, and a new one. */
export function FleetPart({ mayEnter }: { readonly mayEnter: boolean }) {
  const { data: line } = useLine();
  const [adding, setAdding] = useState(false);
  const rows = line?.rows ?? [];
  return (
    <Section
      id="fleet"
      title="Aircraft"
      act={
        mayEnter && rows.length > 0 && !adding ? (
          <Button
            variant="outlined"
            size="small"
            onClick={() => {
              setAdding(true);
            }}
          >
            Enter an aircraft …
          </Button>
        ) : null
      }
    >
      {adding && rows.length > 0 ? <AddAircraft first={false} /> : null}
      {line !== undefined && rows.length === 0 ? (
        <p>
          There is no aircraft yet. Enter one here, or import a list under{' '}
          <Link href="/import-export">Records</Link>. It stays closed until its documents, inspections,
          meters, equipment and limits are on record, and says which are missing.
        </p>
      ) : null}
      {mayEnter && line !== undefined && rows.length === 0 ? <AddAircraft first /> : null}
      <PlainList
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))', columnGap: 3 }}
      >
        {rows.map((row) => (
          <ListLine key={row.aircraftId} sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}>
            <GateMark verdict={row.verdict} size={24} />
            <Box
              component={Link}
              href={`/aircraft/${row.registration}`}
              className="figure"
              sx={{ color: 'inherit' }}
            >
              {row.registration}
            </Box>
            <Box component="span" sx={{ flex: 1 }}>
              {row.verdict}
            </Box>
            <Link
              href={`/aircraft-data/${row.registration}`}
              aria-label={`Aircraft data of ${row.registration}`}
            >
              Aircraft data
            </Link>
          </ListLine>
        ))}
      </PlainList>
    </Section>
  );
}
