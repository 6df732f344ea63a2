import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { Controller, type Control } from 'react-hook-form';
import { FUEL_UNITS, OIL_UNITS } from '@/contracts/flights/amounts';
import type { CheckOutInput } from '@/contracts/flights/dispatch';
import { parseVolume, type VOLUME_UNITS, type VolumeUnit } from '@/core/quantities/volume';
import { FieldGrid } from '../kit/layout';

/** Fuel and oil as a form holds them: fuel by the place of its tank in the aircraft's list. */
export interface FuelAndOil {
  readonly fuel: readonly string[];
  readonly fuelUnit: VolumeUnit;
  readonly oil: string;
  readonly oilUnit: VolumeUnit;
}

/** A form that nobody has typed in. @param tanks by name; none where they are not on record, and then all are one */
export const emptyFuelAndOil = (tanks: readonly string[]): FuelAndOil => ({
  fuel: Array.from({ length: Math.max(1, tanks.length) }, () => ''),
  fuelUnit: 'US gal',
  oil: '',
  oilUnit: 'US qt',
});

/** The same as it is sent; what is empty was not measured. */
export function measuredOf(
  { fuel, fuelUnit, oil, oilUnit }: FuelAndOil,
  tanks: readonly string[],
): Pick<CheckOutInput, 'fuelAboard' | 'oilAboard'> {
  const amount = (text: string, unit: VolumeUnit) => ({ amount: text.trim().replace(',', '.'), unit });
  return {
    fuelAboard: fuel.flatMap((text, at) =>
      text.trim() === '' ? [] : [{ tank: tanks[at] ?? null, measured: amount(text, fuelUnit) }],
    ),
    oilAboard: oil.trim() === '' ? null : amount(oil, oilUnit),
  };
}

const valid = (text: string) =>
  text.trim() === ''
  || parseVolume(text.trim().replace(',', '.'), 'US gal') !== undefined
  || 'An amount such as 12.5.';
const figures = { htmlInput: { inputMode: 'decimal', className: 'figure' } } as const;

/** Fuel tank by tank and oil, each with its unit: what is typed here is judged as the flight leaves. */
export function FuelAndOilFields<F extends FuelAndOil>({
  control: given,
  tanks,
}: {
  readonly control: Control<F>;
  readonly tanks: readonly string[];
}) {
  // The form may hold more than these fields.
  const control = given as unknown as Control<FuelAndOil>;
  const unit = (
    name: 'fuelUnit' | 'oilUnit',
    label: string,
    units: readonly (keyof typeof VOLUME_UNITS)[],
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <TextField select label={label} {...field}>
          {units.map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
  const amount = (name: 'oil' | `fuel.${number}`, label: string) => (
    <Controller
      key={name}
      control={control}
      name={name}
      rules={{ validate: valid }}
      render={({ field, fieldState: { error } }) => (
        <TextField
          label={label}
          {...field}
          error={error !== undefined}
          helperText={error?.message}
          slotProps={figures}
        />
      )}
    />
  );
  return (
    <FieldGrid least={150}>
      {tanks.length === 0
        ? amount('fuel.0', 'Fuel aboard, as dipped')
        : tanks.map((tank, at) => amount(`fuel.${at}`, `Fuel, ${tank}`))}
      {unit('fuelUnit', 'Unit of fuel', FUEL_UNITS)}
      {amount('oil', 'Oil, as read')}
      {unit('oilUnit', 'Unit of oil', OIL_UNITS)}
    </FieldGrid>
  );
}
