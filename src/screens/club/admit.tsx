import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { ROLES, type Role } from '@/contracts/club/people';
import { OnceLink } from './once-link';
import { roleName, useAct } from './people-acts';

export function RoleTicks({
  value,
  onChange,
}: {
  readonly value: readonly Role[];
  readonly onChange: (roles: Role[]) => void;
}) {
  return (
    <div role="group" aria-label="Roles">
      {ROLES.map((role) => (
        <FormControlLabel
          key={role}
          control={
            <Checkbox
              size="small"
              checked={value.includes(role)}
              onChange={(_, on) => {
                onChange(ROLES.filter((one) => (one === role ? on : value.includes(one))));
              }}
            />
          }
          label={roleName(role)}
        />
      ))}
    </div>
  );
}

export function Admit() {
  const { act, trouble } = useAct();
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
    const done = await act<{ readonly path: string }>(
      '/api/people',
      { admissionId, name, email, roles },
      (path, message) => {
        setError(path as 'name', { message });
      },
    );
    if (done === null) return;
    setMade({ path: done.path, name });
    setAdmissionId(crypto.randomUUID());
    reset();
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Admit somebody"
      style={{ display: 'grid', gap: 12, borderTop: '1px solid var(--rule)', paddingTop: 12 }}
    >
      <b>Admit somebody</b>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
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
      </div>
      <Controller
        control={control}
        name="roles"
        rules={{ validate: (roles) => roles.length > 0 || 'Tick at least one role.' }}
        render={({ field: { value, onChange } }) => <RoleTicks value={value} onChange={onChange} />}
      />
      {errors.roles === undefined ? null : (
        <div role="alert" style={{ color: 'var(--grounded)', fontWeight: 700 }}>
          {errors.roles.message}
        </div>
      )}
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      {made === null ? null : <OnceLink {...made} />}
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Admit and make a link
        </Button>
      </div>
    </form>
  );
}
