'use client';

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { Controller, useFieldArray, useForm, useWatch } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder';
import type { ReleaseView } from '@/queries/releases/release';
import { SignedTrouble, useSigned } from '../kit/signed-form';
import { firstSigner, SignerFields, signerOf, type SignerText } from '../kit/signer-fields';

const shrink = { inputLabel: { shrink: true } } as const;
const two = { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 } as const;
const hours = { htmlInput: { inputMode: 'decimal', className: 'figure' } } as const;
const number = (text: string): number | null =>
  text.trim() === '' ? null : Number(text.trim().replace(',', '.'));
const base = (folder: Folder, entryId: string) => ({
  entryId,
  aircraftId: folder.aircraftId,
  seenRevision: folder.revision,
});

function Frame({
  name,
  send,
  onSubmit,
  onDone,
  busy,
  trouble,
  children,
}: {
  readonly name: string;
  readonly send: string;
  readonly onSubmit: () => void;
  readonly onDone: () => void;
  readonly busy: boolean;
  readonly trouble: ReturnType<typeof useSigned>['trouble'];
  readonly children: ReactNode;
}) {
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
      aria-label={name}
      style={{ display: 'grid', gap: 12, padding: '12px 0', maxWidth: 720 }}
    >
      {children}
      <SignedTrouble trouble={trouble} />
      <div style={{ display: 'flex', gap: 8 }}>
        <Button type="submit" variant="contained" disabled={busy}>
          {send}
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}

interface IssueFields {
  readonly issuedOn: string;
  readonly issuedAt: string;
  readonly expiresOn: string;
  readonly expiresAt: string;
  readonly registrationShown: string;
  readonly aboard: 'yes' | 'no';
  readonly required: readonly { readonly what: string; readonly by: string; readonly at: string }[];
  readonly signer: SignerText;
  readonly password: string;
}

/** A release as it was issued, signed here or copied from the document. */
export function IssueForm({
  folder,
  view,
  copies,
  onDone,
}: {
  readonly folder: Folder;
  readonly view: ReleaseView;
  readonly copies: boolean;
  readonly onDone: () => void;
}) {
  const [entryId] = useState(() => crypto.randomUUID());
  const { sign, trouble } = useSigned();
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<IssueFields>({
    defaultValues: {
      issuedOn: folder.today,
      issuedAt: '',
      expiresOn: '',
      expiresAt: '',
      registrationShown: '',
      aboard: 'no',
      required: [],
      signer: firstSigner(view.mayIssue, copies, 'licensed-engineer'),
      password: '',
    },
  });
  const required = useFieldArray({ control, name: 'required' as never });
  const signer = useWatch({ control, name: 'signer' });
  const submit = async (given: IssueFields) => {
    const done = await sign(
      '/api/releases',
      {
        ...base(folder, entryId),
        registrationShown: given.registrationShown.trim().toUpperCase(),
        issuedOn: given.issuedOn,
        issuedAt: number(given.issuedAt),
        expiresOn: given.expiresOn,
        expiresAt: number(given.expiresAt),
        aboard: given.aboard === 'yes',
        required: given.required.map(({ what, by, at }, place) => ({
          id: `work-${place + 1}`,
          what,
          by: by === '' ? null : by,
          at: number(at),
        })),
        signer: signerOf(given.signer),
        password: given.password,
      },
      (path, message) => {
        setError((path.startsWith('signer') ? 'signer' : (path.split('.')[0] ?? path)) as keyof IssueFields, {
          message,
        });
      },
    );
    if (done) onDone();
    else setValue('password', '');
  };
  const field = (
    name: 'issuedOn' | 'issuedAt' | 'expiresOn' | 'expiresAt' | 'registrationShown' | 'password',
  ) => ({ ...register(name), error: errors[name] !== undefined, helperText: errors[name]?.message });
  return (
    <Frame
      name="Enter a release"
      send="Sign the release"
      onSubmit={() => {
        void handleSubmit(submit)();
      }}
      onDone={onDone}
      busy={isSubmitting}
      trouble={trouble}
    >
      <div style={two}>
        <TextField
          label="Issued on"
          type="date"
          slotProps={{ ...shrink, htmlInput: { max: folder.today } }}
          {...field('issuedOn')}
        />
        <TextField label="Time in service then, hours" slotProps={hours} {...field('issuedAt')} />
        <TextField
          label="Expires on, that day included"
          type="date"
          slotProps={shrink}
          {...field('expiresOn')}
        />
        <TextField label="Expires at time in service, hours" slotProps={hours} {...field('expiresAt')} />
        <TextField label="Registration on it" {...field('registrationShown')} />
        <Controller
          control={control}
          name="aboard"
          render={({ field: { value, onChange } }) => (
            <TextField select label="Carried aboard" value={value} onChange={onChange}>
              <MenuItem value="yes">yes, I saw it there</MenuItem>
              <MenuItem value="no">no</MenuItem>
            </TextField>
          )}
        />
      </div>
      <div style={{ display: 'grid', gap: 8 }}>
        <b>Maintenance required before it expires</b>
        {required.fields.map(({ id }, at) => (
          <div key={id} style={{ display: 'flex', gap: 8 }}>
            <TextField label="Work" {...register(`required.${at}.what`)} style={{ flex: 1 }} />
            <TextField label="By" type="date" slotProps={shrink} {...register(`required.${at}.by`)} />
            <TextField
              label="At hours"
              slotProps={hours}
              {...register(`required.${at}.at`)}
              style={{ width: 110 }}
            />
            <Button
              size="small"
              onClick={() => {
                required.remove(at);
              }}
            >
              Remove
            </Button>
          </div>
        ))}
        <div>
          <Button
            size="small"
            onClick={() => {
              required.append({ what: '', by: '', at: '' } as never);
            }}
          >
            Another one
          </Button>
        </div>
      </div>
      <SignerFields
        own={view.mayIssue}
        copies={copies}
        value={signer}
        onChange={(value) => {
          setValue('signer', value);
        }}
        error={errors.signer?.message}
      />
      <TextField
        label="Your password, as your signature"
        type="password"
        autoComplete="current-password"
        {...field('password')}
      />
    </Frame>
  );
}

/** What somebody wants to do about a release. */
export interface ReleaseAct {
  readonly to: 'suspended' | 'cancelled' | 'seen' | 'required' | 'done' | 'in-force';
  readonly required: string | null;
}

const SENDS: Readonly<Record<ReleaseAct['to'], string>> = {
  suspended: 'Suspend it',
  cancelled: 'Cancel it',
  seen: 'Save',
  required: 'Put it on its list',
  done: 'Sign that it was done',
  'in-force': 'Sign that it is in force again',
};
interface ChangeFields {
  readonly why: string;
  readonly aboard: 'yes' | 'no';
  readonly registrationShown: string;
  readonly what: string;
  readonly by: string;
  readonly at: string;
  readonly on: string;
  readonly signer: SignerText;
  readonly password: string;
}

/** One change of the release that counts. */
export function ReleaseChangeForm({
  folder,
  view,
  releaseId,
  act,
  copies,
  onDone,
}: {
  readonly folder: Folder;
  readonly view: ReleaseView;
  readonly releaseId: string;
  readonly act: ReleaseAct;
  readonly copies: boolean;
  readonly onDone: () => void;
}) {
  const [entryId] = useState(() => crypto.randomUUID());
  const { sign, trouble } = useSigned();
  const own = act.to === 'done' ? view.mayCertify : view.mayIssue;
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm<ChangeFields>({
    defaultValues: {
      why: '',
      aboard: view.release?.aboard === true ? 'no' : 'yes',
      registrationShown: '',
      what: '',
      by: '',
      at: '',
      on: folder.today,
      signer: firstSigner(own, copies, 'licensed-engineer'),
      password: '',
    },
  });
  const signer = useWatch({ control, name: 'signer' });
  const signs = act.to === 'done' || act.to === 'in-force';
  const changeOf = (given: ChangeFields): unknown => {
    const signature = { signer: signerOf(given.signer), password: given.password };
    switch (act.to) {
      case 'suspended':
      case 'cancelled':
        return { to: act.to, why: given.why };
      case 'in-force':
        return { to: act.to, why: given.why, ...signature };
      case 'seen':
        return {
          to: act.to,
          aboard: given.aboard === 'yes',
          registrationShown:
            given.registrationShown.trim() === '' ? null : given.registrationShown.trim().toUpperCase(),
        };
      case 'required':
        return { to: act.to, what: given.what, by: given.by === '' ? null : given.by, at: number(given.at) };
      case 'done':
        return { to: act.to, required: act.required, on: given.on, ...signature };
      default: {
        const missing: never = act.to;
        throw new RangeError(String(missing));
      }
    }
  };
  const submit = async (given: ChangeFields) => {
    const done = await sign(
      '/api/releases/change',
      { ...base(folder, entryId), releaseId, change: changeOf(given) },
      (path, message) => {
        const last = path.split('.').at(-1) ?? path;
        setError((path.includes('signer') ? 'signer' : last) as keyof ChangeFields, { message });
      },
    );
    if (done) onDone();
    else setValue('password', '');
  };
  const field = (name: Exclude<keyof ChangeFields, 'signer' | 'aboard'>) => ({
    ...register(name),
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <Frame
      name={SENDS[act.to]}
      send={SENDS[act.to]}
      onSubmit={() => {
        void handleSubmit(submit)();
      }}
      onDone={onDone}
      busy={isSubmitting}
      trouble={trouble}
    >
      {act.to === 'suspended' || act.to === 'cancelled' || act.to === 'in-force' ? (
        <TextField label="Why" {...field('why')} />
      ) : null}
      {act.to !== 'seen' ? null : (
        <div style={two}>
          <Controller
            control={control}
            name="aboard"
            render={({ field: { value, onChange } }) => (
              <TextField select label="The release is aboard" value={value} onChange={onChange}>
                <MenuItem value="yes">yes</MenuItem>
                <MenuItem value="no">no</MenuItem>
              </TextField>
            )}
          />
          <TextField label="Registration on it, where you read it" {...field('registrationShown')} />
        </div>
      )}
      {act.to !== 'required' ? null : (
        <>
          <TextField label="Work" {...field('what')} />
          <div style={two}>
            <TextField label="By" type="date" slotProps={shrink} {...field('by')} />
            <TextField label="At time in service, hours" slotProps={hours} {...field('at')} />
          </div>
          <p className="small" style={{ margin: 0 }}>
            Without a day or hours it is due before the next flight.
          </p>
        </>
      )}
      {act.to === 'done' ? (
        <TextField
          label="Done on"
          type="date"
          slotProps={{ ...shrink, htmlInput: { max: folder.today } }}
          {...field('on')}
        />
      ) : null}
      {signs ? (
        <>
          <SignerFields
            own={own}
            copies={copies}
            value={signer}
            onChange={(value) => {
              setValue('signer', value);
            }}
            error={errors.signer?.message}
          />
          <TextField
            label="Your password, as your signature"
            type="password"
            autoComplete="current-password"
            {...field('password')}
          />
        </>
      ) : null}
    </Frame>
  );
}

/** The daily inspection, signed in two fields. */
export function DailyForm({ folder, view }: { readonly folder: Folder; readonly view: ReleaseView }) {
  const [open, setOpen] = useState(false);
  const [entryId] = useState(() => crypto.randomUUID());
  const { sign, trouble } = useSigned();
  const own = view.daily.certificates;
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { certificateId: own[0]?.id ?? '', password: '' } });
  if (!open)
    return (
      <Button
        variant="outlined"
        onClick={() => {
          setOpen(true);
        }}
        style={{ marginTop: 6, minHeight: 48 }}
      >
        Sign the daily inspection
      </Button>
    );
  const submit = async (given: { certificateId: string; password: string }) => {
    if (
      !(await sign('/api/daily-inspections', { ...base(folder, entryId), ...given }, (path, message) => {
        setError(path as 'password', { message });
      }))
    )
      setValue('password', '');
  };
  return (
    <Frame
      name="Daily inspection"
      send="Inspected and fit for today’s flights"
      onSubmit={() => {
        void handleSubmit(submit)();
      }}
      onDone={() => {
        setOpen(false);
      }}
      busy={isSubmitting}
      trouble={trouble}
    >
      <Controller
        control={control}
        name="certificateId"
        render={({ field: { value, onChange } }) => (
          <TextField
            select
            label="By"
            value={value}
            onChange={onChange}
            error={errors.certificateId !== undefined}
            helperText={errors.certificateId?.message}
          >
            {own.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                me, {name}
              </MenuItem>
            ))}
          </TextField>
        )}
      />
      <TextField
        label="Your password, as your signature"
        type="password"
        autoComplete="current-password"
        {...register('password')}
        error={errors.password !== undefined}
        helperText={errors.password?.message}
      />
    </Frame>
  );
}
