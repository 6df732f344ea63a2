'use client';

import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { clubPolicy, USUAL_POLICY } from '@/core/rules/packs/club-policy';
import type { ParameterSpec } from '@/core/rules/packs/pack';
import { usPart91 } from '@/core/rules/packs/us-part91';
import { sentenceCase } from '@/explain/formats';
import { ask, Refusal, send } from '../data/fetching';
import { goTo } from '../data/leave';

interface Fields {
  readonly code: string; readonly person: string; readonly email: string; readonly password: string; readonly again: string;
  readonly club: string; readonly field: string; readonly latitude: string; readonly longitude: string; readonly zone: string;
  readonly authority: 'us-part91' | 'au-maintenance-release'; readonly trainingUnder: 'part-61' | 'part-141'; readonly withPolicy: boolean; readonly policy: Readonly<Record<string, string>>;
}

const POLICY: readonly (readonly [string, ParameterSpec])[] = Object.entries(clubPolicy.parameters);
const two = { display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(280px, 1fr))', gap: 14 } as const;
const zones = (): string[] => Intl.supportedValuesOf('timeZone');
/** Where a refused value stands in the form. */
const PLACES: Readonly<Record<string, keyof Fields>> = { code: 'code', name: 'person', email: 'email', password: 'password', 'club.name': 'club', 'club.field': 'field', 'club.latitude': 'latitude', 'club.longitude': 'longitude', 'club.zone': 'zone' };

function Part({ number, title, children }: { readonly number: number; readonly title: string; readonly children: ReactNode }) {
  return <section aria-labelledby={`part-${number}`} style={{ display: 'grid', gap: 14 }}><h2 id={`part-${number}`} style={{ margin: '10px 0 0' }}>{number}. {title}</h2>{children}</section>;
}

function Founding({ waiting }: { readonly waiting: string | null }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const { register, handleSubmit, control, setError, formState: { errors, isSubmitting } } = useForm<Fields>({
    defaultValues: { code: '', person: '', email: '', password: '', again: '', club: '', field: '', latitude: '', longitude: '', zone: Intl.DateTimeFormat().resolvedOptions().timeZone, authority: 'us-part91', trainingUnder: 'part-141', withPolicy: true, policy: Object.fromEntries(Object.entries(USUAL_POLICY).map(([name, value]) => [name, String(value)])) },
  });
  const { authority, withPolicy } = useWatch({ control }) as Fields;
  const submit = async (given: Fields) => {
    setTrouble(null);
    const policy = given.withPolicy ? Object.fromEntries(POLICY.map(([name, spec]) => [name, spec.kind === 'word' ? given.policy[name] : Number(given.policy[name])])) : null;
    const club = waiting !== null ? null : {
      name: given.club, field: given.field, latitude: Number(given.latitude.replace(',', '.')), longitude: Number(given.longitude.replace(',', '.')), zone: given.zone,
      authority: given.authority === 'us-part91' ? { id: given.authority, parameters: { trainingUnder: given.trainingUnder } } : { id: given.authority }, policy,
    };
    try {
      await send('/api/founding', { code: given.code, name: given.person, email: given.email, password: given.password, club });
      await send('/api/auth/sign-in/email', { email: given.email.trim().toLowerCase(), password: given.password });
      goTo('/club');
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
      if (error instanceof Refusal) for (const { path, message } of error.details.problems ?? []) {
        const place = PLACES[path] ?? (path.startsWith('club.policy.') ? `policy.${path.slice('club.policy.'.length)}` as 'policy' : null);
        if (place !== null) setError(place, { message });
      }
    }
  };
  const field = (name: Exclude<keyof Fields, 'withPolicy' | 'policy'>, label: string, needed = `Enter ${label.toLowerCase()}.`) => ({ label, ...register(name, { validate: (text) => text.trim() !== '' || needed }), error: errors[name] !== undefined, helperText: errors[name]?.message });
  const coordinate = (name: 'latitude' | 'longitude', most: number) => ({ ...register(name, { validate: (text) => (text.trim() !== '' && Math.abs(Number(text.replace(',', '.'))) <= most) || `Degrees from -${most} to ${most}, such as ${name === 'latitude' ? '44.53' : '-64.02'}.` }), error: errors[name] !== undefined, helperText: errors[name]?.message ?? (name === 'latitude' ? 'North is positive.' : 'East is positive.') });
  return (
    <form noValidate onSubmit={(event) => { void handleSubmit(submit)(event); }} aria-label="New club" style={{ display: 'grid', gap: 20 }}>
      <Part number={1} title="The code">
        <TextField {...field('code', 'One-time code', 'Enter the code that was printed when the server started.')} autoComplete="off" slotProps={{ htmlInput: { className: 'figure' } }} style={{ maxWidth: 420 }} />
      </Part>
      <Part number={2} title="You, its administrator">
        <div style={two}>
          <TextField {...field('person', 'Your name')} autoComplete="name" /><TextField {...field('email', 'Your e-mail address')} type="email" autoComplete="username" />
          <TextField label="Password" type="password" autoComplete="new-password" {...register('password', { validate: (text) => text.length >= 10 || 'Choose at least 10 characters.' })} error={errors.password !== undefined} helperText={errors.password?.message ?? 'At least 10 characters. It is also your signature.'} />
          <TextField label="The password again" type="password" autoComplete="new-password" {...register('again', { validate: (text, all) => text === all.password || 'The two are not the same.' })} error={errors.again !== undefined} helperText={errors.again?.message} />
        </div>
      </Part>
      {waiting !== null ? null : (
        <>
          <Part number={3} title="The club and its field">
            <div style={two}>
              <TextField {...field('club', 'Name of the club')} /><TextField {...field('field', 'Name of the field')} />
              <TextField label="Latitude, degrees" {...coordinate('latitude', 90)} slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }} /><TextField label="Longitude, degrees" {...coordinate('longitude', 180)} slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }} />
              <Controller name="zone" control={control} render={({ field: { value, onChange } }) => (
                <Autocomplete options={zones()} value={value} disableClearable onChange={(_, chosen) => { onChange(chosen); }} renderInput={(params) => <TextField {...params} label="Time zone of the field" error={errors.zone !== undefined} helperText={errors.zone?.message ?? 'Dates hold to local midnight there.'} />} />
              )} />
            </div>
          </Part>
          <Part number={4} title="The rules that hold">
            <div style={two}>
              <TextField select label="Authority" value={authority} {...register('authority')}><MenuItem value="us-part91">{usPart91.title}</MenuItem><MenuItem value="au-maintenance-release">Australian maintenance release</MenuItem></TextField>
              {authority === 'us-part91' ? <Controller name="trainingUnder" control={control} render={({ field: { value, onChange } }) => <TextField select label={usPart91.parameters.trainingUnder.title} value={value} onChange={onChange} helperText={usPart91.parameters.trainingUnder.about}><MenuItem value="part-61">Part 61</MenuItem><MenuItem value="part-141">Part 141</MenuItem></TextField>} /> : null}
            </div>
            <p className="small" style={{ margin: 0 }}>The rules were written down from memory of the published texts, and say so at every answer. Consult the text in force; where the two differ, the text is right.</p>
            <Controller name="withPolicy" control={control} render={({ field: { value, onChange } }) => <FormControlLabel control={<Checkbox checked={value} onChange={(_, checked) => { onChange(checked); }} />} label="The club has rules of its own on top. Each begins at its strictest; none can be looser than the authority’s." />} />
            {withPolicy ? (
              <div style={two}>
                {POLICY.map(([name, spec]) => (
                  <Controller key={name} name={`policy.${name}`} control={control} render={({ field: { value, onChange } }) => (spec.kind === 'word'
                    ? <TextField select label={spec.title} value={value} onChange={onChange} helperText={spec.about}>{spec.values.map((word) => <MenuItem key={word} value={word}>{sentenceCase(word.replaceAll('-', ' '))}</MenuItem>)}</TextField>
                    : <TextField label={`${spec.title}, ${spec.unit}`} value={value} onChange={onChange} helperText={spec.about} slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }} />)} />
                ))}
              </div>
            ) : null}
          </Part>
        </>
      )}
      {trouble === null ? null : <Alert severity="error" role="alert">{trouble}</Alert>}
      <div><Button type="submit" variant="contained" size="large" disabled={isSubmitting}>{waiting === null ? 'Found the club' : `Take charge of ${waiting}`}</Button></div>
    </form>
  );
}

/** An installation without an account asks for its administrator and, where there is none yet, its club. */
export function FoundingScreen() {
  const { data, error } = useQuery({ queryKey: ['founding'], queryFn: () => ask<{ readonly open: boolean; readonly club: string | null }>('/api/founding'), retry: 2 });
  return (
    <main style={{ maxWidth: 980, margin: '0 auto', padding: '28px 20px 60px' }}>
      <h1 style={{ marginTop: 0 }}>{data?.club == null ? 'A new club' : `Take charge of ${data.club}`}</h1>
      {data === undefined ? <p>{error === null ? 'Loading …' : error.message}</p> : !data.open ? <p>Somebody has an account here already. <a href="/sign-in">Sign in</a>, or ask the administrator for a link.</p> : (
        <>
          <p>{data.club === null ? 'This installation is empty. Whoever started the server found a one-time code in its output. With it you become the administrator; afterwards you admit people and enter the first aircraft. No aircraft is released until the facts that matter are on record.' : `The archive of ${data.club} was brought in. Its people have no passwords here yet: with the one-time code from the server’s output you become administrator, and make a link for each of them.`}</p>
          <Founding waiting={data.club} />
        </>
      )}
    </main>
  );
}
