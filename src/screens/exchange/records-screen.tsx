'use client';

import Box from '@mui/material/Box';
import { may } from '@/contracts/kernel/permissions';
import { useMe } from '../data/queries';
import { DeskPage } from '../shell/desk-page';
import { CalendarPart } from './calendar-part';
import { ImportPart } from './import-part';

const OUT = [
  ['fleet', 'Fleet'],
  ['documents', 'Document checks of documents'],
  ['inspections', 'Inspections'],
  ['meters', 'Meter readings'],
  ['flights', 'Flights'],
  ['findings', 'Findings'],
  ['plan', 'Planned flights'],
  ['due', 'What is due'],
] as const;

/** Lists that say who flew or will fly: for the desk, the administrator and the safety officer. */
const NAMES: readonly string[] = ['flights', 'plan'];

/** The club's records in and out: lists as CSV, the whole club as one file, and what is due as a calendar. */
export function RecordsScreen() {
  const { data: me } = useMe();
  const roles = me?.roles ?? [];
  const link = { display: 'inline-block', py: 1.125, px: 0, mr: 2.75 } as const;
  return (
    <DeskPage>
      <h1>Records</h1>
      <section aria-labelledby="take-out">
        <h2 id="take-out">Take out</h2>
        <div>
          {OUT.filter(([list]) => !NAMES.includes(list) || may(roles, 'export-flights')).map(
            ([list, name]) => (
              <Box component="a" key={list} href={`/api/export/${list}.csv`} download sx={link}>
                {name} as CSV
              </Box>
            ),
          )}
        </div>
        {may(roles, 'export-club') ? (
          <p>
            <Box component="a" href="/api/export/club.json" download sx={link}>
              The whole club as one file
            </Box>{' '}
            <span className="small">
              Every record with both of its times, struck out entries and the ledger included; no passwords.
              It can be brought into an empty installation and decides there exactly as here.
            </span>
          </p>
        ) : null}
      </section>
      <CalendarPart />
      {may(roles, 'import-rows') ? (
        <ImportPart />
      ) : (
        <p className="small">A dispatcher can import lists here.</p>
      )}
    </DeskPage>
  );
}
