import Button from '@mui/material/Button';
import Link from 'next/link';
import { MonthBars } from '@/charts/month-bars';
import type { Folder } from '@/queries/folder';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** The last flights with their figures, and what was flown month by month. */
export function Flights({ folder }: { readonly folder: Folder }) {
  return (
    <section aria-labelledby="flights">
      <div style={{ display: 'flex', alignItems: 'center', gap: 12, margin: '24px 0 8px' }}><h2 id="flights" style={{ margin: 0, flex: 1 }}>Flights</h2><Button component={Link} href={`/sheet/${folder.registration}`} size="small" variant="outlined">Sheets to print</Button></div>
      {folder.months.length === 0 ? null : <MonthBars title="Hours flown" width={640} height={120} bars={folder.months.map(({ month, hours }) => ({ name: MONTHS[Number(month.slice(5)) - 1] ?? month, value: hours, label: hours.toFixed(0) }))} />}
      {folder.flights.length === 0 ? <p>No flight is on record.</p> : null}
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>{folder.flights.map((flight) => (
        <li key={flight.id} style={{ borderTop: '1px solid var(--rule)', padding: '7px 0' }}>
          <span className="mono small">{flight.left}</span> <b>{flight.person}</b>{flight.out ? <b> – out</b> : null} <span className="small">{[flight.landings === null ? '' : `${flight.landings} ${flight.landings === 1 ? 'landing' : 'landings'}`, flight.billed === '' ? '' : `billing time ${flight.billed}`].filter((text) => text !== '').join(' · ')}</span>
          <div className="small mono">{flight.figures}</div>{flight.remarks === '' || flight.remarks === 'Nothing to report' ? null : <div>{flight.remarks}</div>}
        </li>
      ))}</ul>
    </section>
  );
}
