'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { useCommand } from '../data/command';
import { ask, send } from '../data/fetching';
import { goAs } from '../data/leave';
import { TroubleAlert } from '../kit/trouble-alert';

const formSchema = z.object({
  email: z.string().trim().min(3, 'Enter your e-mail address.'),
  password: z.string().min(1, 'Enter your password.'),
});

/** Opens the first screen of the person who signed in: the ramp for those who fly, the Line for the others. */
async function goHome(): Promise<void> {
  const { roles } = await ask('GET /api/me');
  const flies = roles.every((role) => role === 'renter' || role === 'student');
  await goAs(flies ? '/ramp' : '/line');
}

/** Signing in; in the demo, one tap on one of its people. */
export function SignIn() {
  const { data: demo } = useQuery({
    queryKey: ['demo'],
    queryFn: () => ask('GET /api/demo'),
  });
  const { data: founding } = useQuery({
    queryKey: ['founding'],
    queryFn: () => ask('GET /api/founding'),
  });
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: zodResolver(formSchema), defaultValues: { email: '', password: '' } });
  const { run, trouble } = useCommand();
  const attempt = (work: () => Promise<unknown>) =>
    run(async () => {
      await work();
      await goHome();
    });
  return (
    <Box
      component="main"
      sx={{
        maxWidth: 880,
        my: 0,
        mx: 'auto',
        py: 5,
        px: 2.5,
        display: 'grid',
        gap: 4,
        gridTemplateColumns: 'repeat(auto-fit, minmax(300px, 1fr))',
      }}
    >
      <section>
        <Box component="h1" sx={{ mt: 0 }}>
          Groval
        </Box>
        <p>Whether an aircraft may go, for what, why, for how long, and what would change that.</p>
        <Stack
          component="form"
          spacing={2}
          noValidate
          onSubmit={(event) => {
            void handleSubmit((values) => attempt(() => send('POST /api/auth/sign-in/email', values)))(event);
          }}
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
          <TroubleAlert trouble={trouble} />
          <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
            Sign in
          </Button>
        </Stack>
        {founding?.open === true ? (
          <p>
            Nobody has an account here yet. The person who started the server{' '}
            <a href="/founding">founds the club</a> with the code that it printed.
          </p>
        ) : null}
      </section>
      {demo === undefined || demo.people.length === 0 ? null : (
        <section aria-labelledby="demo-people">
          <Box component="h2" id="demo-people" sx={{ mt: 0.75 }}>
            Or be somebody in the demo
          </Box>
          <Stack spacing={1.25}>
            {demo.people.map(({ email, name }) => (
              <Button
                key={email}
                variant="outlined"
                size="large"
                sx={{ justifyContent: 'space-between', minHeight: 52 }}
                onClick={() => {
                  void attempt(() => send('POST /api/demo', { email }));
                }}
              >
                <span>{name}</span>
                <Box component="span" sx={{ fontWeight: 400 }}>
                  {email.split('@')[0]?.replaceAll('-', ' ').replace('.', ', ')}
                </Box>
              </Button>
            ))}
          </Stack>
        </section>
      )}
    </Box>
  );
}
