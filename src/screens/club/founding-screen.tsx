'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { useCommand } from '../data/command';
import { ask, send } from '../data/fetching';
import { goAs } from '../data/leave';
import { FieldGrid } from '../kit/layout';
import { TroubleAlert } from '../kit/trouble-alert';
import { FieldFields, RuleFields } from './club-fields';
import { clubOf, emptyClub, placeInForm, type ClubForm } from './club-values';

interface Fields extends ClubForm {
  readonly code: string;
  readonly person: string;
  readonly email: string;
  readonly password: string;
  readonly again: string;
}
/** Where a refused value stands in the form. */
const PLACES: Readonly<Record<string, keyof Fields>> = {
  code: 'code',
  name: 'person',
  email: 'email',
  password: 'password',
};

function Part({
  number,
  title,
  children,
}: {
  readonly number: number;
  readonly title: string;
  readonly children: ReactNode;
}) {
  return (
    <Stack component="section" spacing={1.75} aria-labelledby={`part-${number}`}>
      <Box component="h2" id={`part-${number}`} sx={{ m: '10px 0 0' }}>
        {number}. {title}
      </Box>
      {children}
    </Stack>
  );
}

function Founding({ waiting }: { readonly waiting: string | null }) {
  const { run, trouble } = useCommand();
  const form = useForm<Fields>({
    defaultValues: { code: '', person: '', email: '', password: '', again: '', ...emptyClub() },
  });
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = form;
  const submit = (given: Fields) =>
    run(
      async () => {
        await send('POST /api/founding', {
          code: given.code,
          name: given.person,
          email: given.email,
          password: given.password,
          club: waiting !== null ? null : clubOf(given),
        });
        await send('POST /api/auth/sign-in/email', {
          email: given.email.trim().toLowerCase(),
          password: given.password,
        });
        await goAs('/club');
      },
      (path, message) => {
        const place = PLACES[path] ?? placeInForm(path);
        if (place !== null) setError(place, { message });
      },
    );
  const field = (
    name: 'code' | 'person' | 'email',
    label: string,
    needed = `Enter ${label.toLowerCase()}.`,
  ) => ({
    label,
    ...register(name, { validate: (text) => text.trim() !== '' || needed }),
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <FormProvider {...form}>
      <Stack
        component="form"
        spacing={2.5}
        noValidate
        onSubmit={(event) => {
          void handleSubmit(submit)(event);
        }}
        aria-label="New club"
      >
        <Part number={1} title="The code">
          <TextField
            {...field('code', 'One-time code', 'Enter the code that was printed when the server started.')}
            autoComplete="off"
            slotProps={{ htmlInput: { className: 'figure' } }}
            sx={{ maxWidth: 420 }}
          />
        </Part>
        <Part number={2} title="You, its administrator">
          <FieldGrid least={280}>
            <TextField {...field('person', 'Your name')} autoComplete="name" />
            <TextField {...field('email', 'Your e-mail address')} type="email" autoComplete="username" />
            <TextField
              label="Password"
              type="password"
              autoComplete="new-password"
              {...register('password', {
                validate: (text) => text.length >= 10 || 'Choose at least 10 characters.',
              })}
              error={errors.password !== undefined}
              helperText={errors.password?.message ?? 'At least 10 characters. It is also your signature.'}
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
          </FieldGrid>
        </Part>
        {waiting !== null ? null : (
          <>
            <Part number={3} title="The club and its field">
              <FieldFields />
            </Part>
            <Part number={4} title="The rules that hold">
              <RuleFields />
            </Part>
          </>
        )}
        <TroubleAlert trouble={trouble} />
        <div>
          <Button type="submit" variant="contained" size="large" disabled={isSubmitting}>
            {waiting === null ? 'Found the club' : `Take charge of ${waiting}`}
          </Button>
        </div>
      </Stack>
    </FormProvider>
  );
}

/** An installation without an account asks for its administrator and, where there is none yet, its club. */
export function FoundingScreen() {
  const { data, error } = useQuery({
    queryKey: ['founding'],
    queryFn: () => ask('GET /api/founding'),
    retry: 2,
  });
  return (
    <Box component="main" sx={{ maxWidth: 980, my: 0, mx: 'auto', p: '28px 20px 60px' }}>
      <Box component="h1" sx={{ mt: 0 }}>
        {data?.club == null ? 'A new club' : `Take charge of ${data.club}`}
      </Box>
      {data === undefined ? (
        <p>{error === null ? 'Loading …' : error.message}</p>
      ) : !data.open ? (
        <p>
          Somebody has an account here already. <a href="/sign-in">Sign in</a>, or ask the administrator for a
          link.
        </p>
      ) : (
        <>
          <p>
            {data.club === null
              ? 'This installation is empty. The person who started the server found a one-time code in its output. With it you become the administrator; afterwards you admit people and enter the first aircraft. No aircraft is released until the facts that matter are on record.'
              : `The archive of ${data.club} was imported. Its people have no passwords here yet: with the one-time code from the server’s output you become administrator, and make a link for each of them.`}
          </p>
          <Founding waiting={data.club} />
        </>
      )}
    </Box>
  );
}
