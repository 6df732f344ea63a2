'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { ROLES, type Role } from '@/contracts/club/people';
import { CERTIFICATE_KINDS } from '@/core/records/club/certificate';
import { sentenceCase } from '@/explain/formats';
import { CERTIFICATE_CHOICES } from '@/explain/names';
import type { People, PersonLine } from '@/queries/club/people';
import { Refusal, send } from '../data/fetching';

const ACCESS = {
  account: 'has an account',
  invited: 'admitted, has not chosen a password yet',
  'link-too-old': 'the link is too old',
  none: 'cannot sign in: has no link',
} as const;
const roleName = (role: string) => sentenceCase(role.replace('-', ' '));

/** Sends something about people, shows what went wrong, and has the list read again. */
function useAct() {
  const client = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const act = async <T,>(
    path: string,
    value: unknown,
    tell?: (field: string, message: string) => void,
  ): Promise<T | null> => {
    setTrouble(null);
    try {
      const done = await send<T>(path, value);
      await client.invalidateQueries({ queryKey: ['people'] });
      await client.invalidateQueries({ queryKey: ['me'] });
      return done;
    } catch (error) {
      if (error instanceof Refusal)
        for (const problem of error.details.problems ?? []) tell?.(problem.path, problem.message);
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
      return null;
    }
  };
  return { act, trouble };
}

/** A link, shown once. */
function OnceLink({ path, name }: { readonly path: string; readonly name: string }) {
  return (
    <Alert severity="success" role="status">
      Give this link to {name} yourself; it is shown once, works once, and the person who has it chooses the
      password.{' '}
      <code className="mono" style={{ wordBreak: 'break-all', display: 'block', userSelect: 'all' }}>
        {new URL(path, window.location.href).toString()}
      </code>
    </Alert>
  );
}

function RoleTicks({
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

function Admit() {
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

function CertificateForm({ person, onDone }: { readonly person: PersonLine; readonly onDone: () => void }) {
  const { act, trouble } = useAct();
  const [certificateId] = useState(() => crypto.randomUUID());
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { kind: 'pilot', number: '', validFrom: '', validUntil: '' } });
  const submit = async ({
    validUntil,
    ...given
  }: {
    kind: string;
    number: string;
    validFrom: string;
    validUntil: string;
  }) => {
    if (
      (await act(
        '/api/people/certificates',
        {
          certificateId,
          personId: person.personId,
          ...given,
          validUntil: validUntil === '' ? 'no-expiry' : validUntil,
        },
        (path, message) => {
          setError(path as 'number', { message });
        },
      )) !== null
    )
      onDone();
  };
  const field = (name: 'number' | 'validFrom' | 'validUntil') => ({
    ...register(name),
    error: errors[name] !== undefined,
  });
  return (
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label={`Certificate of ${person.name}`}
      style={{ display: 'grid', gap: 10, padding: '8px 0' }}
    >
      <p className="small" style={{ margin: 0 }}>
        Enter it from the certificate itself: the person who has it here signs by it.
      </p>
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(200px, 1fr))', gap: 10 }}>
        <Controller
          control={control}
          name="kind"
          render={({ field: { value, onChange } }) => (
            <TextField select label="Kind" value={value} onChange={onChange}>
              {CERTIFICATE_KINDS.map((kind) => (
                <MenuItem key={kind} value={kind}>
                  {sentenceCase(CERTIFICATE_CHOICES[kind])}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
        <TextField label="Number" {...field('number')} helperText={errors.number?.message} />
        <TextField
          label="Valid from"
          type="date"
          slotProps={{ inputLabel: { shrink: true } }}
          {...field('validFrom')}
          helperText={errors.validFrom?.message}
        />
        <TextField
          label="Valid until"
          type="date"
          slotProps={{ inputLabel: { shrink: true } }}
          {...field('validUntil')}
          helperText={errors.validUntil?.message ?? 'Empty: it does not expire.'}
        />
      </div>
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <div style={{ display: 'flex', gap: 8 }}>
        <Button type="submit" variant="outlined" disabled={isSubmitting}>
          Save
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}

function Person({ person, mayChange }: { readonly person: PersonLine; readonly mayChange: boolean }) {
  const { act, trouble } = useAct();
  const [path, setPath] = useState<string | null>(null);
  const [changing, setChanging] = useState<'roles' | 'certificate' | 'link' | null>(null);
  const [roles, setRoles] = useState<readonly Role[]>([]);
  const [email, setEmail] = useState(person.email ?? '');
  const begin = () => {
    setRoles(ROLES.filter((role) => person.roles.includes(role)));
    setChanging('roles');
  };
  const save = async () => {
    if (
      (await act('/api/people/roles', {
        changeId: crypto.randomUUID(),
        personId: person.personId,
        name: person.name,
        roles,
      })) !== null
    )
      setChanging(null);
  };
  const link = async () => {
    const done = await act<{ readonly path: string }>('/api/people/links', {
      personId: person.personId,
      email: person.access === 'account' || email.trim() === '' ? null : email.trim(),
    });
    if (done !== null) {
      setPath(done.path);
      setChanging(null);
    } else setChanging('link');
  };
  const [ending, setEnding] = useState<string | null>(null);
  const [why, setWhy] = useState('');
  const end = async () => {
    if ((await act('/api/people/certificates/end', { certificateId: ending, why })) !== null) {
      setEnding(null);
      setWhy('');
    }
  };
  const gone = person.roles.length === 0;
  return (
    <li style={{ borderTop: '1px solid var(--rule)', padding: '9px 0' }}>
      <div style={{ display: 'flex', gap: 12, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <b style={{ minWidth: 170, textDecoration: gone ? 'line-through' : 'none' }}>{person.name}</b>
        <span style={{ flex: 1 }}>
          {gone ? 'belongs to the club no longer' : person.roles.map(roleName).join(', ')}
        </span>
        {mayChange ? (
          <>
            <Button size="small" aria-label={`Roles of ${person.name}`} onClick={begin}>
              Roles
            </Button>
            <Button
              size="small"
              aria-label={`Enter a certificate of ${person.name}`}
              onClick={() => {
                setChanging('certificate');
              }}
            >
              Certificate
            </Button>
            {gone || (person.access === 'account' && !person.mayReset) ? null : (
              <Button
                size="small"
                aria-label={`Make a link for ${person.name}`}
                onClick={() => {
                  void link();
                }}
              >
                {person.access === 'account' ? 'New password' : 'Link'}
              </Button>
            )}
          </>
        ) : null}
      </div>
      {person.certificates.map((one) => (
        <div key={one.id} className="small">
          <span style={{ textDecoration: one.ended === null ? 'none' : 'line-through' }}>{one.text}</span>
          {one.ended !== null ? ` – ended: ${one.ended}` : one.holds ? '' : <b> – does not hold today</b>}
          {mayChange && one.ended === null ? (
            <Button
              size="small"
              aria-label={`End ${one.text}`}
              onClick={() => {
                setEnding(one.id);
              }}
            >
              End
            </Button>
          ) : null}
          {ending === one.id ? (
            <div style={{ display: 'flex', gap: 8, padding: '6px 0' }}>
              <TextField
                size="small"
                label="Why it ends here"
                value={why}
                onChange={(event) => {
                  setWhy(event.target.value);
                }}
              />
              <Button
                variant="outlined"
                size="small"
                onClick={() => {
                  void end();
                }}
              >
                End it
              </Button>
              <Button
                size="small"
                onClick={() => {
                  setEnding(null);
                }}
              >
                Cancel
              </Button>
            </div>
          ) : null}
        </div>
      ))}
      {mayChange ? (
        <div className="small">
          {person.email ?? ''}
          {person.email === null ? '' : ' · '}
          {ACCESS[person.access]}
          {person.link === null ? null : (
            <>
              {' '}
              · {person.link.words}{' '}
              <Button
                size="small"
                aria-label={`Revoke the link of ${person.name}`}
                onClick={() => {
                  void act('/api/people/links/revoke', { invitationId: person.link?.id });
                  setPath(null);
                }}
              >
                Revoke
              </Button>
            </>
          )}
        </div>
      ) : null}
      {path === null ? null : <OnceLink path={path} name={person.name} />}
      {changing === 'roles' ? (
        <div style={{ padding: '6px 0' }}>
          <RoleTicks value={roles} onChange={setRoles} />
          <div style={{ display: 'flex', gap: 8 }}>
            <Button
              variant="outlined"
              size="small"
              onClick={() => {
                void save();
              }}
            >
              {roles.length === 0 ? 'End the membership' : 'Keep these roles'}
            </Button>
            <Button
              size="small"
              onClick={() => {
                setChanging(null);
              }}
            >
              Cancel
            </Button>
          </div>
        </div>
      ) : null}
      {changing === 'certificate' ? (
        <CertificateForm
          person={person}
          onDone={() => {
            setChanging(null);
          }}
        />
      ) : null}
      {changing === 'link' && person.access !== 'account' ? (
        <div style={{ display: 'flex', gap: 8, padding: '6px 0' }}>
          <TextField
            size="small"
            label="E-mail address to sign in by"
            value={email}
            onChange={(event) => {
              setEmail(event.target.value);
            }}
          />
          <Button
            variant="outlined"
            onClick={() => {
              void link();
            }}
          >
            Make a link
          </Button>
        </div>
      ) : null}
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
    </li>
  );
}

function Offer({ offer }: { readonly offer: People['offers'][number] }) {
  const { act, trouble } = useAct();
  return (
    <li style={{ borderTop: '1px solid var(--rule)', padding: '9px 0' }}>
      <b>{offer.name}</b>, {offer.roles.map(roleName).join(', ')} <span className="small">{offer.words}</span>
      <Button
        size="small"
        aria-label={`Revoke the link of ${offer.name}`}
        onClick={() => {
          void act('/api/people/links/revoke', { invitationId: offer.id });
        }}
      >
        Revoke
      </Button>
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
    </li>
  );
}

/** Everybody of the club: what they may do, what they may sign, and how they get in. */
export function PeoplePart({ people }: { readonly people: People }) {
  return (
    <section aria-labelledby="people">
      <h2 id="people">People</h2>
      <p className="small">
        A role permits screens; a certificate permits signatures. A link for a new password lets the person
        who has it in under that name: it is on record who made it, and the person is signed out everywhere.
      </p>
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {people.people.map((person) => (
          <Person key={person.personId} person={person} mayChange={people.mayChange} />
        ))}
      </ul>
      {people.offers.length === 0 ? null : (
        <>
          <p className="small" style={{ margin: '12px 0 4px' }}>
            Asked to join; they have an account already and are members once they accept:
          </p>
          <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
            {people.offers.map((offer) => (
              <Offer key={offer.id} offer={offer} />
            ))}
          </ul>
        </>
      )}
      {people.mayChange ? (
        <Admit />
      ) : (
        <p className="small">The administrator admits people and changes what they may do.</p>
      )}
    </section>
  );
}
