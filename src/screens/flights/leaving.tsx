'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useForm } from 'react-hook-form';
import { asksAtCheckOut, unanswered } from '@/core/metering/desk';
import type { DispatchFlight } from '@/queries/flights/dispatch';
import { useCommand } from '../data/command';
import { PlainList } from '../kit/layout';
import { TroubleAlert } from '../kit/trouble-alert';
import { emptyFuelAndOil, FuelAndOilFields, measuredOf, type FuelAndOil } from './fuel-and-oil';
import { RampProgressPart } from '../walkround/ramp-progress';
import { LastWord } from './last-word';
import { Part } from './part';
import { enteredOf, ReadingFields, useReadings } from './readings';

interface Fields extends FuelAndOil {
  readonly remarks: string;
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
    formState: { isSubmitting },
  } = useForm<Fields>({ defaultValues: { ...emptyFuelAndOil(flight.tanks), remarks: '' } });
  const { dials } = flight;
  const entered = enteredOf(dials, state.readings);
  const asks = asksAtCheckOut(dials, entered);
  const submit = async ({ remarks, ...measured }: Fields) => {
    state.leave(dials.map(({ dial }) => dial.id));
    if (unanswered(asks, state.readings.accepted).length > 0) {
      say('Nothing was recorded yet: the meters ask something above.');
      return;
    }
    const words = (text: string) => (text.trim() === '' ? null : text.trim());
    await post('POST /api/dispatch/out', {
      flightId: flight.flightId,
      aircraftId: flight.aircraftId,
      seenRevision: flight.revision,
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
        void handleSubmit(submit)(event);
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
      <TroubleAlert trouble={trouble} sx={{ mb: 1.5 }} />
      <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
        Check out {flight.registration} to {flight.person}
      </Button>
    </form>
  );
}
