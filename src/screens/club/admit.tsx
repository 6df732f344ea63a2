import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import type { Role } from '@/contracts/club/roles';
import { useCommand } from '../data/command';
import { FieldGrid } from '../kit/layout';
import { TroubleAlert } from '../kit/trouble-alert';
import { OnceLink } from './once-link';
import { RoleTicks } from './role-ticks';

/** The form that admits somebody and makes their link. */
export function Admit() {
  const { post, trouble } = useCommand();
  const [made, setMade] = useState<{ readonly path: string; readonly name: string } | null>(null);
  const [admissionId, setAdmissionId] = useState(() => crypto.randomUUID());
  const {
    register,
    control,
    handleSubmit,
    reset,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<{ name: string; email: string; roles: Role[] }>({
    defaultValues: { name: '', email: '', roles: [] },
  });
  const submit = async ({ name, email, roles }: { name: string; email: string; roles: Role[] }) => {
    const done = await post('POST /api/people', { admissionId, name, email, roles }, (path, message) => {
      setError(path as 'name', { message });
    });
    if (done === null) return;
    setMade({ path: done.answer.path, name });
    setAdmissionId(crypto.randomUUID());
    reset();
  };
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Admit somebody"
      sx={{ borderTop: '1px solid var(--rule)', pt: 1.5 }}
    >
      <b>Admit somebody</b>
      <FieldGrid>
        <TextField
          label="Name"
          {...register('name', { validate: (text) => text.trim() !== '' || 'Enter a name.' })}
          error={errors.name !== undefined}
          helperText={errors.name?.message}
        />
        <TextField
          label="E-mail address to sign in by"
          type="email"
          {...register('email')}
          error={errors.email !== undefined}
          helperText={errors.email?.message ?? 'Nothing is sent to it.'}
        />
      </FieldGrid>
      <Controller
        control={control}
        name="roles"
        rules={{ validate: (roles) => roles.length > 0 || 'Tick at least one role.' }}
        render={({ field: { value, onChange } }) => <RoleTicks value={value} onChange={onChange} />}
      />
      {errors.roles === undefined ? null : (
        <Box role="alert" sx={{ color: 'var(--grounded)', fontWeight: 700 }}>
          {errors.roles.message}
        </Box>
      )}
      <TroubleAlert trouble={trouble} />
      {made === null ? null : <OnceLink {...made} />}
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Admit and make a link
        </Button>
      </div>
    </Stack>
  );
}
