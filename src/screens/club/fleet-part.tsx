'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { CATEGORIES } from '@/core/records/aircraft/aircraft';
import { sentenceCase } from '@/explain/formats';
import { CATEGORY_NAMES } from '@/explain/names';
import { GateMark } from '@/ui/gate-mark';
import { goTo } from '../data/leave';
import { useLine } from '../data/queries';
import { FormDay } from '../kit/day-field';
import { FieldGrid, ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { SignedTrouble, useSigned } from '../kit/signed-form';

interface Fields {
  readonly registration: string;
  readonly typeName: string;
  readonly category: string;
  readonly firstFlownOn: string;
  readonly serialNumber: string;
}

function AddAircraft({ first }: { readonly first: boolean }) {
  const [aircraftId] = useState(() => crypto.randomUUID());
  const { sign, trouble } = useSigned();
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<Fields>({
    defaultValues: { registration: '', typeName: '', category: '', firstFlownOn: '', serialNumber: '' },
  });
  const submit = async (fields: Fields) => {
    const registration = fields.registration.trim().toUpperCase();
    const given = {
      aircraftId,
      registration,
      typeName: fields.typeName,
      category: fields.category === '' ? null : fields.category,
      firstFlownOn: fields.firstFlownOn === '' ? null : fields.firstFlownOn,
      serialNumber: fields.serialNumber.trim() === '' ? null : fields.serialNumber,
    };
    if (
      await sign('/api/fleet', given, (path, message) => {
        setError(path as keyof Fields, { message });
      })
    )
      goTo(`/facts/${registration}`);
  };
  const field = (name: keyof Fields) => ({
    ...register(name),
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Enter an aircraft"
      sx={{ borderTop: '1px solid var(--rule)', pt: 1.5 }}
    >
      <b>{first ? 'Enter the first aircraft' : 'Enter an aircraft'}</b>
      <FieldGrid least={210}>
        <TextField
          label="Registration, as painted"
          {...field('registration')}
          slotProps={{ htmlInput: { className: 'figure', autoCapitalize: 'characters' } }}
        />
        <TextField label="Type" {...field('typeName')} />
        <Controller
          control={control}
          name="category"
          render={({ field: { value, onChange } }) => (
            <TextField
              select
              label="Category of its certificate"
              value={value}
              onChange={onChange}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">not known</MenuItem>
              {CATEGORIES.map((one) => (
                <MenuItem key={one} value={one}>
                  {sentenceCase(CATEGORY_NAMES[one])}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
        <FormDay control={control} name="firstFlownOn" label="First flown on" />
        <TextField label="Serial number" {...field('serialNumber')} />
      </FieldGrid>
      <SignedTrouble trouble={trouble} />
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Enter it
        </Button>
      </div>
    </Stack>
  );
}

/** The club's aircraft, each with a way to what is on record, and a new one. */
export function FleetPart({ mayEnter }: { readonly mayEnter: boolean }) {
  const { data: line } = useLine();
  const rows = line?.rows ?? [];
  return (
    <section aria-labelledby="fleet">
      <h2 id="fleet">Aircraft</h2>
      {line !== undefined && rows.length === 0 ? (
        <p>
          There is no aircraft yet. Enter one here, or import a list under{' '}
          <Link href="/records">Records</Link>. It stays closed until its documents, inspections, meters,
          equipment and limits are on record, and says which are missing.
        </p>
      ) : null}
      <PlainList
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))', columnGap: 3 }}
      >
        {rows.map((row) => (
          <ListLine key={row.aircraftId} sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}>
            <GateMark verdict={row.verdict} size={24} />
            <Box
              component={Link}
              href={`/aircraft/${row.registration}`}
              className="figure"
              sx={{ color: 'inherit' }}
            >
              {row.registration}
            </Box>
            <Box component="span" sx={{ flex: 1 }}>
              {row.verdict}
            </Box>
            <Link href={`/facts/${row.registration}`} aria-label={`What is on record of ${row.registration}`}>
              on record
            </Link>
          </ListLine>
        ))}
      </PlainList>
      {mayEnter && line !== undefined ? <AddAircraft first={rows.length === 0} /> : null}
    </section>
  );
}
