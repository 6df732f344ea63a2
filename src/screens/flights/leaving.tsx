'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { asksAtCheckOut, unanswered } from '@/core/metering/desk';
import type { DispatchFlight } from '@/queries/flights/dispatch';
import { useCommand } from '../data/command';
import { PlainList } from '../kit/layout';
import { FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';
import { emptyFuelAndOil, FuelAndOilFields, measuredOf, type FuelAndOil } from './fuel-and-oil';
import { RampProgressPart } from '../walkround/ramp-progress';
import { LastWord } from './last-word';
import { Part } from './part';
import { ReadBack, SignedRelease } from './release';
import { enteredOf, ReadingFields, useReadings } from './readings';

interface Fields extends FuelAndOil {
  readonly remarks: string;
  readonly password: string;
}

/**
 * Handing out: documents, the meters compared with the record, fuel and oil, and the aircraft is out. What is
 * typed stays when it is refused.
 */
export function Leaving({ flight }: { readonly flight: DispatchFlight }) {
  const state = useReadings();
  const { post, say, trouble } = useCommand();
  const {
    register,
    control,
    handleSubmit,
    setError,
    setValue,
    formState: { isSubmitting },
  } = useForm<Fields>({ defaultValues: { ...emptyFuelAndOil(flight.tanks), remarks: '', password: '' } });
  const { dials } = flight;
  const entered = enteredOf(dials, state.readings);
  const asks = asksAtCheckOut(dials, entered);
  const [releaseId, setReleaseId] = useState(() => crypto.randomUUID());
  const [read, setRead] = useState<ReadonlySet<string>>(new Set());
  const { signed, toSign } = flight.release;
  const isReleased = signed?.over === null;
  /** Signs the release; the revision after it, or null where it was refused. */
  const release = async (measured: FuelAndOil, password: string): Promise<number | null> => {
    const done = await post(
      'POST /api/dispatch/release',
      {
        releaseId,
        flightId: flight.flightId,
        aircraftId: flight.aircraftId,
        seenRevision: flight.revision,
        ...measuredOf(measured, flight.tanks),
        readBack: (toSign?.restrictions ?? []).map(({ key }) => key).filter((key) => read.has(key)),
        password,
      },
      (path, message) => {
        if (path === 'password') setError('password', { message });
      },
    );
    setValue('password', '');
    if (done === null) return null;
    setReleaseId(crypto.randomUUID());
    return done.answer.revision;
  };
  const submit = async (
    { remarks, password, ...measured }: Fields,
    { stays }: { readonly stays: boolean } = { stays: false },
  ) => {
    state.leave(dials.map(({ dial }) => dial.id));
    if (unanswered(asks, state.readings.accepted).length > 0) {
      say('Nothing was recorded yet: the meters ask something above.');
      return;
    }
    const words = (text: string) => (text.trim() === '' ? null : text.trim());
    const seenRevision = isReleased || toSign === null ? flight.revision : await release(measured, password);
    if (seenRevision === null || stays) return;
    await post('POST /api/dispatch/out', {
      flightId: flight.flightId,
      aircraftId: flight.aircraftId,
      seenRevision,
      readings: entered,
      accepted: state.readings.accepted,
      ...measuredOf(measured, flight.tanks),
      remarks: words(remarks),
    });
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit((fields) => submit(fields))(event);
      }}
      aria-label="Check out"
    >
      <LastWord report={flight.lastReport} registration={flight.registration} />
      <RampProgressPart flight={flight} />
      <Part title="Documents aboard">
        <PlainList sx={{ columns: { sm: 2 }, columnGap: 4 }}>
          {flight.papers.map(({ name, keptWhere, checked }) => (
            <Box component="li" key={name} sx={{ breakInside: 'avoid', py: 0.5, px: 0 }}>
              {name} <span className="small">{keptWhere}</span>
              <div className="small">{checked}</div>
            </Box>
          ))}
        </PlainList>
        {flight.papers.length === 0 ? <p className="small">No document was ever checked.</p> : null}
        {/* In a page of its own: what is typed here stays, and what is seen arrives here by itself. */}
        <Button
          size="small"
          component="a"
          href={`/document-check/${flight.registration}`}
          target="_blank"
          rel="noopener"
        >
          Check them now, in a new tab
        </Button>
      </Part>
      <Part title="Meters">
        {dials.length === 0 ? (
          <p className="small">
            {flight.category === 'glider'
              ? 'It carries no meter: its hours come from launch and landing.'
              : 'Nobody has said yet which meters it has. Enter them in its folder first.'}
          </p>
        ) : null}
        <ReadingFields
          dials={dials}
          asks={asks}
          state={state}
          beside={({ lastText }) => `on record: ${lastText}`}
        />
      </Part>
      <Part title="Fuel, oil, remarks">
        {flight.engine ? (
          <>
            <FuelAndOilFields control={control} tanks={flight.tanks} />
            <p className="small">
              What is entered here is judged as the flight leaves: enough for it and its reserve, and oil
              within its limits.
            </p>
          </>
        ) : null}
        <TextField label="Remarks" multiline minRows={1} fullWidth {...register('remarks')} />
      </Part>
      {signed === null || signed.isVoid ? null : <SignedRelease flight={flight} signed={signed} />}
      {isReleased || toSign === null ? null : (
        <>
          <ReadBack
            restrictions={toSign.restrictions}
            read={read}
            onRead={(key, isRead) => {
              setRead(new Set(isRead ? [...read, key] : [...read].filter((one) => one !== key)));
            }}
          />
          <Box sx={{ maxWidth: 420, display: 'grid', mb: 1.5 }}>
            <FormPassword control={control} name="password" />
          </Box>
        </>
      )}
      <TroubleAlert trouble={trouble} sx={{ mb: 1.5 }} />
      <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
        {isReleased || toSign === null ? 'Check out' : 'Sign the release and check out'} {flight.registration}{' '}
        to {flight.person}
      </Button>
      {isReleased || toSign === null ? null : (
        <Button
          size="large"
          disabled={isSubmitting}
          onClick={() => {
            void handleSubmit((fields) => submit(fields, { stays: true }))();
          }}
        >
          Sign the release only
        </Button>
      )}
    </form>
  );
}
