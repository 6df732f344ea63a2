'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { clubPolicy } from '@/core/rules/packs/club-policy';
import { sentenceCase } from '@/explain/formats';
import type { ClubPage, ClubTrial } from '@/queries/club/club';
import { GateMark } from '@/ui/gate-mark';
import { SignedTrouble, useSigned } from '../kit/signed-form';
import { Refusal, send } from '../data/fetching';
import { useClub } from '../data/queries';
import { clubOf, formOf, placeInForm, type ClubForm } from './club-values';
import { FieldFields, RuleFields } from './club-fields';

interface Fields extends ClubForm {
  readonly why: string;
  readonly password: string;
}

const CELL = { textAlign: 'left', padding: '5px 10px', verticalAlign: 'top' } as const;

/** What a change would change, aircraft by aircraft. */
function Trial({ trial }: { readonly trial: ClubTrial }) {
  if (trial.aircraft === 0)
    return (
      <p role="status" style={{ margin: 0 }}>
        There is no aircraft yet that it would change.
      </p>
    );
  if (trial.rows.length === 0)
    return (
      <p role="status" style={{ margin: 0 }}>
        Of {trial.aircraft} aircraft none would be answered otherwise just now. Dates, daylight and flights to
        come may be.
      </p>
    );
  return (
    <div role="status">
      <p style={{ margin: '0 0 6px' }}>
        Of {trial.aircraft} aircraft {trial.rows.length} would be answered otherwise just now:
      </p>
      <table style={{ borderCollapse: 'collapse', width: '100%', background: 'var(--card)' }}>
        <thead className="small">
          <tr>
            {['Aircraft', 'Now', 'Then', 'What comes, and what goes'].map((name) => (
              <th key={name} scope="col" style={CELL}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {trial.rows.map(({ registration, before, after, comes, goes }) => (
            <tr key={registration} style={{ borderTop: '1px solid var(--rule)' }}>
              <th scope="row" className="figure" style={CELL}>
                {registration}
              </th>
              <td style={CELL}>
                <GateMark verdict={before} size={18} /> {before}
              </td>
              <td style={CELL}>
                <GateMark verdict={after} size={18} /> {after}
              </td>
              <td style={CELL}>
                {comes.map((reason) => (
                  <div key={reason}>+ {reason}</div>
                ))}
                {goes.map((reason) => (
                  <div key={reason}>
                    − <s>{reason}</s>
                  </div>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function ChangeClub({ page, onDone }: { readonly page: ClubPage; readonly onDone: () => void }) {
  const [changeId] = useState(() => crypto.randomUUID());
  const [seen, setSeen] = useState(page.changes);
  const { refetch } = useClub();
  const { sign, trouble } = useSigned();
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
        told: await send<ClubTrial>('/api/club/trial', { club: clubOf(given) }),
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
      await sign(
        '/api/club',
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
      <form
        noValidate
        onSubmit={(event) => {
          void handleSubmit(submit)(event);
        }}
        aria-label="Field and rules"
        style={{
          display: 'grid',
          gap: 14,
          borderTop: '1px solid var(--rule)',
          paddingTop: 12,
          marginBottom: 20,
        }}
      >
        <b>Field and rules</b>
        <FieldFields />
        <RuleFields />
        {page.ownRules > 0 ? (
          <p className="small" style={{ margin: 0 }}>
            The club’s {page.ownRules} own {page.ownRules === 1 ? 'rule stands' : 'rules stand'} as they are.
          </p>
        ) : null}
        {trial !== null && current ? <Trial trial={trial.told} /> : null}
        {trial !== null && current ? (
          <div
            style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(280px, 1fr))', gap: 14 }}
          >
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
          </div>
        ) : null}
        {fault === null ? null : (
          <Alert severity="error" role="alert">
            {fault}
          </Alert>
        )}
        <SignedTrouble trouble={trouble} />
        <div style={{ display: 'flex', gap: 8 }}>
          <Button type="submit" variant={current ? 'contained' : 'outlined'} disabled={isSubmitting}>
            {current ? 'Sign the change' : 'See what it would change'}
          </Button>
          <Button onClick={onDone}>Leave it as it is</Button>
        </div>
      </form>
    </FormProvider>
  );
}

const policyWords = (policy: object): string =>
  Object.entries(clubPolicy.parameters)
    .map(([name, spec]) => {
      const value = (policy as Readonly<Record<string, unknown>>)[name];
      return `${spec.title}: ${spec.kind === 'word' ? String(value).replaceAll('-', ' ') : `${String(value)} ${spec.unit}`}`;
    })
    .join('. ');
const side = (value: number, positive: string, negative: string): string =>
  `${Math.abs(value)}° ${value < 0 ? negative : positive}`;

/** What the club says of its field and rules, how it came to say so, and a form for its administrator. */
export function ClubPart({ rules, mayChange }: { readonly rules: string; readonly mayChange: boolean }) {
  const { data: page } = useClub();
  const [changing, setChanging] = useState(false);
  if (page === undefined) return null;
  const { club } = page;
  return (
    <section aria-label="Field and rules">
      <p style={{ marginTop: 0, marginBottom: 6 }}>
        {club.field}, {side(club.latitude, 'north', 'south')}, {side(club.longitude, 'east', 'west')},{' '}
        {club.zone}. Rules: {rules}.{' '}
        {mayChange && !changing ? (
          <Button
            size="small"
            onClick={() => {
              setChanging(true);
            }}
          >
            Change field or rules
          </Button>
        ) : null}
      </p>
      {club.policy === null || changing ? null : (
        <details className="small" style={{ marginBottom: 10 }}>
          <summary>The club’s policy</summary>
          {sentenceCase(policyWords(club.policy))}.
        </details>
      )}
      {page.story.length === 0 ? null : (
        <ul className="small" style={{ margin: '0 0 10px', paddingLeft: 18 }}>
          {page.story.map(({ number, words }) => (
            <li key={number}>{words}</li>
          ))}
        </ul>
      )}
      {changing ? (
        <ChangeClub
          page={page}
          onDone={() => {
            setChanging(false);
          }}
        />
      ) : null}
    </section>
  );
}
