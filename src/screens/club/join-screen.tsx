'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { skipToken, useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { useForm } from 'react-hook-form';
import type { LinkView } from '@/queries/kernel/answers';
import { useCommand } from '../data/command';
import { send } from '../data/fetching';
import { goAs, goTo } from '../data/leave';
import { useMe } from '../data/queries';
import { TroubleAlert } from '../kit/trouble-alert';

const onHash = (changed: () => void) => {
  window.addEventListener('hashchange', changed);
  return () => {
    window.removeEventListener('hashchange', changed);
  };
};

/** What a link carries behind its hash sign: the club and the secret. */
function useLink(): { readonly club: string; readonly secret: string } | null {
  const hash = useSyncExternalStore(
    onHash,
    () => window.location.hash.slice(1),
    () => '',
  );
  const found = /^([0-9a-f-]{36})\.([0-9a-f]{64})$/.exec(hash);
  return found === null ? null : { club: found[1] ?? '', secret: found[2] ?? '' };
}

function Choose({
  link,
  whose,
}: {
  readonly link: { readonly club: string; readonly secret: string };
  readonly whose: LinkView;
}) {
  const { run, trouble } = useCommand();
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { password: '', again: '' } });
  const submit = ({ password }: { readonly password: string }) =>
    run(
      async () => {
        const { email } = await send('POST /api/join/take-up', { ...link, password });
        await send('POST /api/auth/sign-in/email', { email, password });
        await goAs('/');
      },
      (path, message) => {
        if (path === 'password') setError('password', { message });
      },
    );
  return (
    <Stack
      component="form"
      spacing={2}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label="Choose a password"
    >
      <Typography>
        {whose.kind === 'join'
          ? `${whose.club} admits you, ${whose.name}.`
          : `${whose.name}, this sets a new password and signs you out everywhere.`}{' '}
        You sign in as <b>{whose.email ?? ''}</b>. Your password is also your signature: keep it to yourself.
      </Typography>
      <TextField
        label="Password"
        type="password"
        autoComplete="new-password"
        {...register('password', {
          validate: (text) => text.length >= 10 || 'Choose at least 10 characters.',
        })}
        error={errors.password !== undefined}
        helperText={errors.password?.message ?? 'At least 10 characters.'}
      />
      <TextField
        label="The password again"
        type="password"
        autoComplete="new-password"
        {...register('again', {
          validate: (text, all) => text === all.password || 'The two are not the same.',
        })}
        error={errors.again !== undefined}
        helperText={errors.again?.message}
      />
      <TroubleAlert trouble={trouble} />
      <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
        Save password
      </Button>
    </Stack>
  );
}

/** Joining a club with the account that one has: signed in, by one tap. */
function Accept({
  link,
  whose,
}: {
  readonly link: { readonly club: string; readonly secret: string };
  readonly whose: LinkView;
}) {
  const { data: me } = useMe();
  const { run, trouble } = useCommand();
  const accept = () =>
    run(async () => {
      await send('POST /api/join/accept', link);
      goTo('/account');
    });
  return (
    <Stack spacing={2}>
      <Typography>
        {whose.club} admits you, {whose.name}. You have an account already, <b>{whose.email ?? ''}</b>: you
        join with it, and your password and your other club stay as they are.
      </Typography>
      {me?.email === whose.email ? (
        <Button
          variant="contained"
          size="large"
          onClick={() => {
            void accept();
          }}
        >
          Join {whose.club}
        </Button>
      ) : (
        <>
          <Typography>
            {me === undefined
              ? 'Sign in first.'
              : `You are signed in as ${me.email}. Sign out, and sign in as ${whose.email ?? ''}.`}{' '}
            Then open this link again.
          </Typography>
          <Button variant="outlined" href="/sign-in">
            Sign in
          </Button>
        </>
      )}
      <TroubleAlert trouble={trouble} />
    </Stack>
  );
}

/** Choosing a password by a link from the administrator. */
export function JoinScreen() {
  const link = useLink();
  const { data, error } = useQuery({
    queryKey: ['join', link],
    queryFn: link === null ? skipToken : () => send('POST /api/join', link),
    retry: false,
    refetchOnWindowFocus: false,
  });
  return (
    <Box component="main" sx={{ maxWidth: 480, my: 0, mx: 'auto', py: 5, px: 2.5 }}>
      <Box component="h1" sx={{ mt: 0 }}>
        {data?.kind === 'second-club' ? 'Join a club' : 'Choose a password'}
      </Box>
      {link === null ? (
        <p>This address is not complete. Open the whole link that the administrator gave you.</p>
      ) : data !== undefined ? (
        data.kind === 'second-club' ? (
          <Accept link={link} whose={data} />
        ) : (
          <Choose link={link} whose={data} />
        )
      ) : error === null ? (
        <p>Loading …</p>
      ) : (
        <Box component="p" role="alert" sx={{ color: 'var(--grounded)', fontWeight: 700 }}>
          {error.message}
        </Box>
      )}
    </Box>
  );
}
