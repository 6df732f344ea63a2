'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { ask, send } from '../data/fetching';
import { goTo } from '../data/leave';
import type { Me } from '../data/queries';

const formSchema = z.object({
  email: z.string().trim().min(3, 'Enter your e-mail address.'),
  password: z.string().min(1, 'Enter your password.'),
});

interface DemoPerson {
  readonly email: string;
  readonly name: string;
}

/** Opens the first screen of the person who signed in: the ramp for those who fly, the Line for the others. */
async function goHome(): Promise<void> {
  const { roles } = await ask<Me>('/api/me');
  const flies = roles.every((role) => role === 'renter' || role === 'student');
  goTo(flies ? '/ramp' : '/line');
}

/** Signing in; in the demo, one tap on one of its people. */
export function SignIn() {
  const { data: demo } = useQuery({
    queryKey: ['demo'],
    queryFn: () => ask<{ people: readonly DemoPerson[] }>('/api/demo'),
  });
  const { data: founding } = useQuery({
    queryKey: ['founding'],
    queryFn: () => ask<{ readonly open: boolean }>('/api/founding'),
  });
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: zodResolver(formSchema), defaultValues: { email: '', password: '' } });
  const [trouble, setTrouble] = useState<string | null>(null);
  const attempt = async (work: () => Promise<unknown>) => {
    setTrouble(null);
    try {
      await work();
      await goHome();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'Signing in did not work. Try again.');
    }
  };
  return (
    <main
      style={{
        maxWidth: 880,
        margin: '0 auto',
        padding: '40px 20px',
        display: 'grid',
        gap: 32,
        gridTemplateColumns: 'repeat(auto-fit, minmax(300px, 1fr))',
      }}
    >
      <section>
        <h1 style={{ marginTop: 0 }}>Groval</h1>
        <p>Whether an aircraft may go, for what, why, for how long, and what would change that.</p>
        <form
          noValidate
          onSubmit={(event) => {
            void handleSubmit((values) => attempt(() => send('/api/auth/sign-in/email', values)))(event);
          }}
          style={{ display: 'grid', gap: 16 }}
        >
          <TextField
            label="E-mail address"
            type="email"
            autoComplete="username"
            {...register('email')}
            error={errors.email !== undefined}
            helperText={errors.email?.message}
          />
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            {...register('password')}
            error={errors.password !== undefined}
            helperText={errors.password?.message}
          />
          <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
            Sign in
          </Button>
        </form>
        {founding?.open === true ? (
          <p>
            Nobody has an account here yet. The person who started the server{' '}
            <a href="/founding">founds the club</a> with the code that it printed.
          </p>
        ) : null}
        {trouble === null ? null : (
          <p role="alert" style={{ color: 'var(--grounded)', fontWeight: 700 }}>
            {trouble}
          </p>
        )}
      </section>
      {demo === undefined || demo.people.length === 0 ? null : (
        <section aria-labelledby="demo-people">
          <h2 id="demo-people" style={{ marginTop: 6 }}>
            Or be somebody in the demo
          </h2>
          <div style={{ display: 'grid', gap: 10 }}>
            {demo.people.map(({ email, name }) => (
              <Button
                key={email}
                variant="outlined"
                size="large"
                style={{ justifyContent: 'space-between', minHeight: 52 }}
                onClick={() => {
                  void attempt(() => send('/api/demo', { email }));
                }}
              >
                <span>{name}</span>
                <span style={{ fontWeight: 400 }}>
                  {email.split('@')[0]?.replaceAll('-', ' ').replace('.', ', ')}
                </span>
              </Button>
            ))}
          </div>
        </section>
      )}
    </main>
  );
}
