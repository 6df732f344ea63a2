import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { Given } from '@/contracts/kernel/routes';
import type { Folder } from '@/queries/aircraft/folder-view';
import type { ReleaseView } from '@/queries/releases/release';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { useCommand } from '../data/command';
import { SignerFields, type SignerText, firstSigner, signerOf } from '../kit/signer-fields';
import { FormPassword } from '../kit/signing-fields';
import { Frame, base, hours, number } from './release-frame';

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
  const { post, trouble } = useCommand();
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
  const changeOf = (given: ChangeFields): Given<'POST /api/releases/change'>['change'] => {
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
    const done = await post(
      'POST /api/releases/change',
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
        <FieldGrid>
          <FormChoice control={control} name="aboard" label="The release is aboard">
            <MenuItem value="yes">yes</MenuItem>
            <MenuItem value="no">no</MenuItem>
          </FormChoice>
          <TextField label="Registration on it, where you read it" {...field('registrationShown')} />
        </FieldGrid>
      )}
      {act.to !== 'required' ? null : (
        <>
          <TextField label="Work" {...field('what')} />
          <FieldGrid>
            <FormDay control={control} name="by" label="By" />
            <TextField label="At time in service, hours" slotProps={hours} {...field('at')} />
          </FieldGrid>
          <Typography className="small">Without a day or hours it is due before the next flight.</Typography>
        </>
      )}
      {act.to === 'done' ? <FormDay control={control} name="on" label="Done on" max={folder.today} /> : null}
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
          <FormPassword control={control} name="password" />
        </>
      ) : null}
    </Frame>
  );
}
