import Button from '@mui/material/Button';
import Link from 'next/link';
import type { LineRow } from '@/queries/aircraft/line';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { clock } from '../data/clock';
import { Reasons } from '../shell/reasons';

/** The selected aircraft's verdict in full. */
export function Selected({ row, zone }: { readonly row: LineRow; readonly zone: string }) {
  const refused = row.flights.filter(({ words }) => words !== '');
  return (
    <aside
      aria-label={`Verdict for ${row.registration}`}
      style={{
        background: 'var(--card)',
        border: '1px solid var(--rule)',
        padding: 16,
        display: 'flex',
        flexDirection: 'column',
        gap: 12,
        overflowY: 'auto',
      }}
    >
      <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
        <GateMark verdict={row.verdict} size={46} />
        <div style={{ flex: 1 }}>
          <h2 style={{ margin: 0, fontSize: 24 }}>{row.verdict}</h2>
          <div>
            <span className="figure" style={{ fontSize: 17 }}>
              {row.registration}
            </span>{' '}
            {row.typeName}
          </div>
        </div>
        <WindowMark window={row.window} text={row.windowText} scale={1.5} />
      </div>
      {row.out === null ? null : (
        <div style={{ borderLeft: '4px solid var(--sea)', paddingLeft: 12 }}>
          <b>{row.out}.</b> Until its return is recorded nobody else can take it.{' '}
          <Link href="/counter">Counter</Link>
        </div>
      )}
      <div style={{ fontSize: 14 }}>{row.openFor}</div>
      {row.reasons.length === 0 ? (
        <div>Available for every use that it is approved for. No reason on record keeps it from flying.</div>
      ) : (
        <Reasons reasons={row.reasons} />
      )}
      {refused.map(({ id, name, words, starts, answer }) => (
        <div
          key={id}
          style={{
            borderLeft: `4px dashed var(--${answer === 'no' ? 'grounded' : 'restricted'})`,
            paddingLeft: 12,
          }}
        >
          <b>
            <span className="mono">{clock(starts, zone)}</span> {name}.
          </b>{' '}
          {words}
        </div>
      ))}
      <Button component={Link} href={`/aircraft/${row.registration}`} variant="contained">
        Open {row.registration}
      </Button>
      <div className="small">
        Not checked: {row.notChecked.join('; ')}. Groval advises. The pilot in command, licensed mechanics,
        the aircraft’s documents and local law decide.
      </div>
    </aside>
  );
}
