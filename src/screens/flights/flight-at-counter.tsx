'use client';

import Link from 'next/link';
import type { CounterFlight } from '@/queries/flights/counter';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { clock, day } from '../data/clock';
import { useLive } from '../data/live';
import { useCounterFlight } from '../data/queries';
import { DeskHeader } from '../shell/desk-header';
import { NotLive } from '../shell/not-live';
import { Reasons } from '../shell/reasons';
import { Trouble } from '../shell/trouble';
import { ComingBack } from './coming-back';
import { Leaving } from './leaving';
import { Part } from './part';

const ANSWERS = {
  yes: 'This flight can go.',
  'yes-after': 'This flight can go after a step.',
  no: 'This flight cannot go.',
} as const;

function Answer({ flight }: { readonly flight: CounterFlight }) {
  if (flight.answer === null) return null;
  return (
    <Part title="The answer for this flight, leaving now">
      <p style={{ margin: '0 0 10px', fontSize: 18 }}>
        <b>{ANSWERS[flight.answer]}</b> {flight.words}
      </p>
      {flight.against.length === 0 ? null : <Reasons reasons={flight.against} />}
      <p className="small" style={{ margin: '10px 0 0' }}>
        Not checked: {flight.notChecked.join('; ')}. Groval advises. The pilot in command, licensed mechanics,
        the aircraft’s documents and local law decide.
      </p>
    </Part>
  );
}

const figures = (readings: readonly { readonly name: string; readonly shown: string }[]) =>
  readings.length === 0 ? 'no meter' : readings.map(({ name, shown }) => `${name} ${shown}`).join(' · ');

function Back({
  flight,
  back,
}: {
  readonly flight: CounterFlight;
  readonly back: NonNullable<CounterFlight['back']>;
}) {
  const rows: readonly (readonly [string, string | null])[] = [
    ['Left', flight.out?.left ?? null],
    ['Meters then', flight.out === null ? null : figures(flight.out.readings)],
    ['Back', back.at],
    ['Meters', figures(back.readings)],
    ['Landings', back.landings === null ? null : String(back.landings)],
    ['Billing time', back.billed],
    ['Fuel added', back.fuelAdded],
    ['Oil added', back.oilAdded],
    ['Pilot’s report', back.remarks],
  ];
  return (
    <Part title="Back">
      <dl
        style={{ display: 'grid', gridTemplateColumns: '160px minmax(0, 1fr)', gap: '6px 16px', margin: 0 }}
      >
        {rows.map(([name, value]) =>
          value === null ? null : (
            <div key={name} style={{ display: 'contents' }}>
              <dt className="small">{name}</dt>
              <dd style={{ margin: 0 }}>{value}</dd>
            </div>
          ),
        )}
      </dl>
      <p className="small">
        Billing time is computed from the meter and shown here; Groval writes no invoice.
      </p>
    </Part>
  );
}

/** One flight from top to bottom: who and what, the answer, documents and meters, out; and the return. */
export function FlightAtCounter({ flightId }: { readonly flightId: string }) {
  const { data: flight, error, refetch } = useCounterFlight(flightId);
  const deadSince = useLive();
  if (flight === undefined)
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
  const { out, back } = flight;
  return (
    <>
      <DeskHeader>
        <span className="mono">
          {day(flight.now, flight.zone)}&nbsp; {clock(flight.now, flight.zone)}
        </span>
      </DeskHeader>
      <NotLive since={deadSince} zone={flight.zone} />
      <main style={{ padding: '16px 20px 60px', maxWidth: 1000, margin: '0 auto' }}>
        <Link href="/counter">← Counter</Link>
        <div style={{ display: 'flex', gap: 16, alignItems: 'center', margin: '10px 0 14px' }}>
          <GateMark verdict={flight.verdict} size={48} />
          <div style={{ flex: 1 }}>
            <h1 style={{ margin: 0 }}>
              {flight.person} <span style={{ fontWeight: 400 }}>with</span>{' '}
              <span className="figure">{flight.registration}</span>
            </h1>
            <div>
              {flight.purpose} · <span className="mono">{flight.plannedWhen}</span>
              {flight.airborne === '' ? (
                ''
              ) : (
                <>
                  {' '}
                  · <span className="mono">{flight.airborne}</span> in the air planned
                </>
              )}
            </div>
            <div className="small">
              {flight.typeName}, {flight.verdict} · {flight.windowText}.{' '}
              <Link href={`/aircraft/${flight.registration}`}>Folder</Link>
            </div>
          </div>
          <WindowMark window={flight.window} text={flight.windowText} scale={1.5} />
        </div>
        {flight.elsewhere === null ? null : (
          <p
            role="alert"
            style={{
              borderLeft: '5px solid var(--grounded)',
              background: 'var(--grounded-tint)',
              padding: '10px 14px',
            }}
          >
            {flight.elsewhere}
          </p>
        )}
        {flight.box === null ? null : (
          <p
            role="status"
            style={{
              borderLeft: '5px solid var(--restricted)',
              background: 'var(--restricted-tint)',
              padding: '10px 14px',
            }}
          >
            {flight.box}
          </p>
        )}
        {out === null ? (
          <>
            <Answer flight={flight} />
            <Leaving flight={flight} />
          </>
        ) : back === null ? (
          <ComingBack flight={flight} out={out} />
        ) : (
          <Back flight={flight} back={back} />
        )}
      </main>
    </>
  );
}
