'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import type { DayPlan } from '@/queries/flights/plan';

/** A place as a form holds it. */
export interface PlaceText {
  readonly name: string;
  readonly latitude: string;
  readonly longitude: string;
  readonly timeZone: string;
}

const number = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.'));

/** The same as it is sent; null while one of them is not complete. */
export function placesOf(
  places: readonly PlaceText[],
): { name: string; latitude: number; longitude: number; timeZone: string }[] | null {
  const sent = places.map(({ name, latitude, longitude, timeZone }) => ({
    name: name.trim(),
    latitude: number(latitude),
    longitude: number(longitude),
    timeZone,
  }));
  return sent.some(
    ({ name, latitude, longitude }) => name === '' || Number.isNaN(latitude) || Number.isNaN(longitude),
  )
    ? null
    : sent;
}

/** Other places that the flight touches: the light there counts too. One that was entered before fills itself in. */
export function PlacesFields({
  places,
  plan,
  onChange,
}: {
  readonly places: readonly PlaceText[];
  readonly plan: Pick<DayPlan, 'places' | 'zone'>;
  readonly onChange: (places: PlaceText[]) => void;
}) {
  const set = (at: number, change: Partial<PlaceText>) => {
    onChange(places.map((one, index) => (index === at ? { ...one, ...change } : one)));
  };
  const choose = (at: number, name: string) => {
    const known = plan.places.find((one) => one.name === name);
    set(
      at,
      known === undefined
        ? { name }
        : {
            name,
            latitude: String(known.latitude),
            longitude: String(known.longitude),
            timeZone: known.zone,
          },
    );
  };
  return (
    <Stack spacing={1}>
      {places.map((place, at) => (
        <Box
          key={at}
          role="group"
          aria-label={`Place ${at + 1}`}
          sx={{ display: 'grid', gridTemplateColumns: '1.4fr 1fr 1fr', gap: 1 }}
        >
          <Autocomplete
            freeSolo
            options={plan.places.map(({ name }) => name)}
            inputValue={place.name}
            onInputChange={(_, name) => {
              choose(at, name);
            }}
            renderInput={(params) => <TextField {...params} label="Also lands at" />}
          />
          <TextField
            label="Latitude"
            value={place.latitude}
            onChange={(event) => {
              set(at, { latitude: event.target.value });
            }}
            slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
          />
          <TextField
            label="Longitude"
            value={place.longitude}
            onChange={(event) => {
              set(at, { longitude: event.target.value });
            }}
            slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
          />
          <Autocomplete
            options={Intl.supportedValuesOf('timeZone')}
            value={place.timeZone}
            disableClearable
            onChange={(_, timeZone) => {
              set(at, { timeZone });
            }}
            renderInput={(params) => <TextField {...params} label="Its time zone" />}
            sx={{ gridColumn: 'span 2' }}
          />
          <Button
            size="small"
            onClick={() => {
              onChange(places.filter((_, index) => index !== at));
            }}
          >
            Remove
          </Button>
        </Box>
      ))}
      {places.length >= 6 ? null : (
        <div>
          <Button
            size="small"
            onClick={() => {
              onChange([...places, { name: '', latitude: '', longitude: '', timeZone: plan.zone }]);
            }}
          >
            {places.length === 0 ? 'Lands elsewhere too …' : 'Another place …'}
          </Button>
        </div>
      )}
    </Stack>
  );
}
