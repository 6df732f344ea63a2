'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { DispatchFlight } from '@/queries/flights/dispatch';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import { useLive } from '../data/live';
import { useDispatchFlight } from '../data/queries';
import Link from '../kit/link';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';
import { Reasons } from '../shell/reasons';
import { ComingBack } from './coming-back';
import { Leaving } from './leaving';
import { Part } from './part';
import { SignedRelease } from './release';

const ANSWERS = {
  yes: 'This flight can go.',
  'yes-after': 'This flight can go after a step.',
  no: 'This flight cannot go.',
} as const;

function Answer({ flight }: { readonly flight: DispatchFlight }) {
  if (flight.answer === null) return null;
  return (
    <Part title="The answer for this flight, leaving now">
      <Box component="p" sx={{ m: '0 0 10px', fontSize: 18 }}>
        <b>{ANSWERS[flight.answer]}</b> {flight.words}
      </Box>
      {flight.against.length === 0 ? null : <Reasons reasons={flight.against} />}
      {flight.others.length === 0 ? null : (
        <Stack direction="row" spacing={1} sx={{ flexWrap: 'wrap', alignItems: 'center', mt: 1.25 }}>
          <span>Could take it:</span>
          {flight.others.map(({ aircraftId, registration }) => (
            <Button
              key={aircraftId}
              size="small"
              variant="outlined"
              className="figure"
              component={Link}
              href={`/flights#day=${flight.plannedOn ?? ''}&flight=${flight.flightId}&to=${aircraftId}`}
            >
              {registration}
            </Button>
          ))}
        </Stack>
      )}
      <Box component="p" className="small" sx={{ m: '10px 0 0' }}>
        Not checked: {flight.notChecked.join('; ')}. Groval advises. The pilot in command, licensed mechanics,
        the aircraft’s documents and local law decide.
      </Box>
    </Part>
  );
}

const figures = (readings: readonly { readonly name: string; readonly shown: string }[]) =>
  readings.length === 0 ? 'no meter' : readings.map(({ name, shown }) => `${name} ${shown}`).join(' · ');

function Back({
  flight,
  back,
}: {
  readonly flight: DispatchFlight;
  readonly back: NonNullable<DispatchFlight['back']>;
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
    ['Pilot’s report', back.report],
  ];
  return (
    <Part title="Back">
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: '160px minmax(0, 1fr)', gap: '6px 16px', m: 0 }}
      >
        {rows.map(([name, value]) =>
          value === null ? null : (
            <Box key={name} sx={{ display: 'contents' }}>
              <dt className="small">{name}</dt>
              <Box component="dd" sx={{ m: 0 }}>
                {value}
              </Box>
            </Box>
          ),
        )}
      </Box>
      <p className="small">
        Billing time is computed from the meter and shown here; Groval writes no invoice.
      </p>
    </Part>
  );
}

/** One flight from top to bottom: who and what, the answer, documents and meters, out; and the return. */
export function FlightAtDispatch({ flightId }: { readonly flightId: string }) {
  const { data: flight, error, refetch } = useDispatchFlight(flightId);
  const deadSince = useLive();
  if (flight === undefined)
    return (
      <DeskPage>
        <Coming query={{ error, refetch }} />
      </DeskPage>
    );
  const { out, back } = flight;
  const { signed } = flight.release;
  return (
    <DeskPage at={flight} deadSince={deadSince} widest={1000}>
      <Link href="/dispatch">← Dispatch</Link>
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center', m: '10px 0 14px' }}>
        <GateMark verdict={flight.verdict} size={48} />
        <Box sx={{ flex: 1 }}>
          <Box component="h1" sx={{ m: 0 }}>
            {flight.person}{' '}
            <Box component="span" sx={{ fontWeight: 400 }}>
              with
            </Box>{' '}
            <span className="figure">{flight.registration}</span>
          </Box>
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
            <Link href={`/aircraft/${flight.registration}`}>Aircraft</Link>
          </div>
        </Box>
        <WindowMark window={flight.window} text={flight.windowText} scale={1.5} />
      </Stack>
      {flight.elsewhere === null ? null : (
        <Box
          component="p"
          role="alert"
          sx={{
            borderLeft: '5px solid var(--grounded)',
            background: 'var(--grounded-tint)',
            py: 1.25,
            px: 1.75,
          }}
        >
          {flight.elsewhere}
        </Box>
      )}
      {flight.box === null ? null : (
        <Box
          component="p"
          role="status"
          sx={{
            borderLeft: '5px solid var(--restricted)',
            background: 'var(--restricted-tint)',
            py: 1.25,
            px: 1.75,
          }}
        >
          {flight.box}
        </Box>
      )}
      {out === null ? (
        <>
          {signed?.isVoid === true ? <SignedRelease flight={flight} signed={signed} /> : null}
          <Answer flight={flight} />
          <Leaving flight={flight} />
        </>
      ) : (
        <>
          {back === null ? null : <Back flight={flight} back={back} />}
          {signed === null ? null : <SignedRelease flight={flight} signed={signed} />}
          {back === null ? <ComingBack flight={flight} out={out} /> : null}
        </>
      )}
    </DeskPage>
  );
}
