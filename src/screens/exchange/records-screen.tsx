'use client';

import { may } from '@/contracts/kernel/permissions';
import { useMe } from '../data/queries';
import { DeskHeader } from '../shell/desk-header';
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
  const link = { display: 'inline-block', padding: '9px 0', marginRight: 22 } as const;
  return (
    <>
      <DeskHeader />
      <main style={{ padding: '16px 20px 40px', maxWidth: 1240, margin: '0 auto' }}>
        <h1>Records</h1>
        <section aria-labelledby="take-out">
          <h2 id="take-out">Take out</h2>
          <div>
            {OUT.filter(([list]) => !NAMES.includes(list) || may(roles, 'export-flights')).map(
              ([list, name]) => (
                <a key={list} href={`/api/export/${list}.csv`} download style={link}>
                  {name} as CSV
                </a>
              ),
            )}
          </div>
          {may(roles, 'export-club') ? (
            <p>
              <a href="/api/export/club.json" download style={link}>
                The whole club as one file
              </a>{' '}
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
          <p className="small">A dispatcher can bring in lists here.</p>
        )}
      </main>
    </>
  );
}
