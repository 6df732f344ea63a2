'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import type { ClubPage, ClubTrial } from '@/queries/club/club';
import { GateMark } from '@/ui/gate-mark';
import { Refusal, send } from '../data/fetching';
import { useClub } from '../data/queries';
import { FieldGrid } from '../kit/layout';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';
import { FieldFields, RuleFields } from './club-fields';
import { clubOf, formOf, placeInForm, type ClubForm } from './club-values';

interface Fields extends ClubForm {
  readonly why: string;
  readonly password: string;
}

/** What a change would change, aircraft by aircraft. */
function Trial({ trial }: { readonly trial: ClubTrial }) {
  if (trial.aircraft === 0)
    return <Typography role="status">There is no aircraft yet that it would change.</Typography>;
  if (trial.rows.length === 0)
    return (
      <Typography role="status">
        Of {trial.aircraft} aircraft none would be answered otherwise just now. Dates, daylight and flights to
        come may be.
      </Typography>
    );
  return (
    <div role="status">
      <Box component="p" sx={{ m: '0 0 6px' }}>
        Of {trial.aircraft} aircraft {trial.rows.length} would be answered otherwise just now:
      </Box>
      <Table sx={{ bgcolor: 'var(--card)' }}>
        <TableHead className="small">
          <TableRow>
            {['Aircraft', 'Now', 'Then', 'What comes, and what goes'].map((name) => (
              <TableCell key={name}>{name}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {trial.rows.map(({ registration, before, after, comes, goes }) => (
            <TableRow key={registration}>
              <TableCell component="th" scope="row" className="figure">
                {registration}
              </TableCell>
              <TableCell>
                <GateMark verdict={before} size={18} /> {before}
              </TableCell>
              <TableCell>
                <GateMark verdict={after} size={18} /> {after}
              </TableCell>
              <TableCell>
                {comes.map((reason) => (
                  <div key={reason}>+ {reason}</div>
                ))}
                {goes.map((reason) => (
                  <div key={reason}>
                    − <s>{reason}</s>
                  </div>
                ))}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </div>
  );
}

/** The form for the club's field and rules: what a change would change is seen before anybody signs for it. */
export function ChangeClub({ page, onDone }: { readonly page: ClubPage; readonly onDone: () => void }) {
  const [changeId] = useState(() => crypto.randomUUID());
  const [seen, setSeen] = useState(page.changes);
  const { refetch } = useClub();
  const { post, trouble } = useCommand();
  const [trial, setTrial] = useState<{ readonly of: string; readonly told: ClubTrial } | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm<Fields>({ defaultValues: { ...formOf(page.club), why: '', password: '' } });
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = form;
  const tell = (path: string, message: string) => {
    const place = placeInForm(path) ?? (path === 'why' || path === 'password' ? path : null);
    if (place !== null) setError(place, { message });
  };
  const look = async (given: Fields): Promise<boolean> => {
    setFault(null);
    try {
      setTrial({
        of: JSON.stringify(clubOf(given)),
        told: await send('POST /api/club/trial', { club: clubOf(given) }),
      });
      return true;
    } catch (error) {
      setTrial(null);
      if (error instanceof Refusal)
        for (const { path, message } of error.details.problems ?? []) tell(path, message);
      setFault(error instanceof Error ? error.message : 'That did not work. Try again.');
      return false;
    }
  };
  const submit = async (given: Fields) => {
    // Nobody signs for something else than what was shown to them.
    if (trial?.of !== JSON.stringify(clubOf(given))) {
      await look(given);
      return;
    }
    if (given.why.trim() === '') {
      setError('why', { message: 'Say why: it stands in every aircraft’s history.' });
      return;
    }
    if (given.password === '') {
      setError('password', { message: 'Sign with your password.' });
      return;
    }
    if (
      await post(
        'POST /api/club',
        { changeId, seen, club: clubOf(given), why: given.why, password: given.password },
        tell,
      )
    ) {
      onDone();
      return;
    }
    // Where somebody else was first, what they changed is shown above, and what this would change is looked at once more.
    const stands = (await refetch()).data?.changes ?? seen;
    if (stands !== seen) {
      setSeen(stands);
      setTrial(null);
    }
  };
  const shown = useWatch({ control: form.control }) as Fields;
  const current = trial?.of === JSON.stringify(clubOf(shown));
  return (
    <FormProvider {...form}>
      <Stack
        component="form"
        spacing={1.75}
        noValidate
        onSubmit={(event) => {
          void handleSubmit(submit)(event);
        }}
        aria-label="Field and rules"
        sx={{ borderTop: '1px solid var(--rule)', pt: 1.5, mb: 2.5 }}
      >
        <b>Field and rules</b>
        <FieldFields />
        <RuleFields />
        {page.ownRules > 0 ? (
          <Typography className="small">
            The club’s {page.ownRules} own {page.ownRules === 1 ? 'rule stands' : 'rules stand'} as they are.
          </Typography>
        ) : null}
        {trial !== null && current ? <Trial trial={trial.told} /> : null}
        {trial !== null && current ? (
          <FieldGrid least={280}>
            <TextField
              label="Why it changes"
              {...register('why')}
              error={errors.why !== undefined}
              helperText={errors.why?.message ?? 'Stands in every aircraft’s history.'}
            />
            <TextField
              label="Your password, to sign it"
              type="password"
              autoComplete="current-password"
              {...register('password')}
              error={errors.password !== undefined}
              helperText={errors.password?.message}
            />
          </FieldGrid>
        ) : null}
        {fault === null ? null : (
          <Alert severity="error" role="alert">
            {fault}
          </Alert>
        )}
        <TroubleAlert trouble={trouble} />
        <Stack direction="row" spacing={1}>
          <Button type="submit" variant={current ? 'contained' : 'outlined'} disabled={isSubmitting}>
            {current ? 'Sign the change' : 'See what it would change'}
          </Button>
          <Button onClick={onDone}>Cancel</Button>
        </Stack>
      </Stack>
    </FormProvider>
  );
}
