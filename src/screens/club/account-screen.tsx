'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Container from '@mui/material/Container';
import Divider from '@mui/material/Divider';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useCommand } from '../data/command';
import { send } from '../data/fetching';
import { goTo } from '../data/leave';
import { useMe, type Me } from '../data/queries';
import { TroubleAlert } from '../kit/trouble-alert';
import { Coming } from '../shell/coming';
import { DeskHeader } from '../shell/desk-header';

/** Changes one's own password: every other session ends. */
function PasswordForm() {
  const [done, setDone] = useState(false);
  const { post, trouble } = useCommand();
  const {
    register,
    handleSubmit,
    setError,
    reset,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { current: '', password: '', again: '' } });
  const submit = async ({ current, password }: { readonly current: string; readonly password: string }) => {
    setDone(false);
    const changed = await post('POST /api/me/password', { current, password }, (path, message) => {
      setError(path as 'current', { message });
    });
    if (changed === null) return;
    reset();
    setDone(true);
  };
  const field = (name: 'current' | 'password' | 'again') => ({
    type: 'password',
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <Stack
      component="form"
      noValidate
      spacing={2}
      aria-label="Change your password"
      sx={{ maxWidth: 420 }}
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
    >
      <Typography variant="h6" component="h2">
        Password
      </Typography>
      <TextField
        label="The password that you have now"
        autoComplete="current-password"
        {...register('current', { required: 'Enter the password that you have now.' })}
        {...field('current')}
      />
      <TextField
        label="New password"
        autoComplete="new-password"
        {...register('password', {
          validate: (text) => text.length >= 10 || 'Choose at least 10 characters.',
        })}
        {...field('password')}
      />
      <TextField
        label="The new password again"
        autoComplete="new-password"
        {...register('again', {
          validate: (text, all) => text === all.password || 'The two are not the same.',
        })}
        {...field('again')}
      />
      {done ? (
        <Alert severity="success" role="status">
          Your password is changed. You are signed out everywhere else.
        </Alert>
      ) : (
        <TroubleAlert trouble={trouble} />
      )}
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Change the password
        </Button>
      </div>
    </Stack>
  );
}

/** The clubs of somebody who is in several, and which one they work in. */
function Clubs({ me }: { readonly me: Me }) {
  const { run, trouble } = useCommand();
  const choose = (clubId: string) =>
    run(async () => {
      await send('POST /api/me/club', { clubId });
      // Nothing of the other club stays in memory.
      goTo('/account');
    });
  return (
    <Stack spacing={1}>
      <Typography variant="h6" component="h2">
        {me.clubs.length > 1 ? 'Clubs' : 'Club'}
      </Typography>
      {me.clubs.length === 0 ? (
        <Typography>You belong to no club. Ask the club’s administrator for a link.</Typography>
      ) : null}
      {me.clubs.map((club) => (
        <Stack key={club.id} direction="row" spacing={2} sx={{ alignItems: 'center' }}>
          <Typography sx={{ flex: 1, fontWeight: club.id === me.clubId ? 700 : 400 }}>{club.name}</Typography>
          {me.clubs.length < 2 ? null : club.id === me.clubId && me.chosen ? (
            <Typography>you work in it</Typography>
          ) : (
            <Button
              variant="outlined"
              onClick={() => {
                void choose(club.id);
              }}
            >
              Work in {club.name}
            </Button>
          )}
        </Stack>
      ))}
      <TroubleAlert trouble={trouble} />
    </Stack>
  );
}

/** One's own account: which club, password, and what is kept about oneself. */
export function AccountScreen() {
  const { data: me, error, refetch } = useMe();
  return (
    <>
      <DeskHeader />
      <Container component="main" maxWidth="sm" sx={{ py: 3 }}>
        {me === undefined ? (
          <Coming query={{ error, refetch }} />
        ) : (
          <Stack spacing={3} divider={<Divider />}>
            <div>
              <Typography variant="h4" component="h1">
                {me.name}
              </Typography>
              <Typography>
                {me.email}
                {me.roles.length === 0
                  ? ''
                  : ` · ${me.roles.map((role) => role.replace('-', ' ')).join(', ')}`}
              </Typography>
            </div>
            <Clubs me={me} />
            <PasswordForm />
            <Stack spacing={1}>
              <Typography variant="h6" component="h2">
                What is kept about you
              </Typography>
              <Typography variant="body2">
                Your name, roles and certificates, your flights, what you found, signed and entered in this
                club. Records of maintenance are kept as the law asks, also after you have left. The
                administrator or the person who runs this server removes your account and address.
              </Typography>
              {me.clubId === null ? null : (
                <div>
                  <Button variant="outlined" component="a" href="/api/me/data" download="my-data.json">
                    Save what is kept about me
                  </Button>
                </div>
              )}
            </Stack>
          </Stack>
        )}
      </Container>
    </>
  );
}
