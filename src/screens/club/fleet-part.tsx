'use client';

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { CATEGORIES } from '@/core/records/aircraft/aircraft';
import { sentenceCase } from '@/explain/formats';
import { CATEGORY_NAMES } from '@/explain/names';
import { GateMark } from '@/ui/gate-mark';
import { SignedTrouble, useSigned } from '../kit/signed-form';
import { goTo } from '../data/leave';
import { useLine } from '../data/queries';

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
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Enter an aircraft"
      style={{ display: 'grid', gap: 12, borderTop: '1px solid var(--rule)', paddingTop: 12 }}
    >
      <b>{first ? 'Enter the first aircraft' : 'Enter an aircraft'}</b>
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(210px, 1fr))', gap: 12 }}>
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
        <TextField
          label="First flown on"
          type="date"
          {...field('firstFlownOn')}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField label="Serial number" {...field('serialNumber')} />
      </div>
      <SignedTrouble trouble={trouble} />
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Enter it
        </Button>
      </div>
    </form>
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
      <ul
        style={{
          listStyle: 'none',
          margin: 0,
          padding: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))',
          columnGap: 24,
        }}
      >
        {rows.map((row) => (
          <li
            key={row.aircraftId}
            style={{
              borderTop: '1px solid var(--rule)',
              padding: '7px 0',
              display: 'flex',
              gap: 10,
              alignItems: 'center',
            }}
          >
            <GateMark verdict={row.verdict} size={24} />
            <Link href={`/aircraft/${row.registration}`} className="figure" style={{ color: 'inherit' }}>
              {row.registration}
            </Link>
            <span style={{ flex: 1 }}>{row.verdict}</span>
            <Link href={`/facts/${row.registration}`} aria-label={`What is on record of ${row.registration}`}>
              on record
            </Link>
          </li>
        ))}
      </ul>
      {mayEnter && line !== undefined ? <AddAircraft first={rows.length === 0} /> : null}
    </section>
  );
}
