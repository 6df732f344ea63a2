import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder-view';
import type { ReleaseView } from '@/queries/releases/release';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { FieldGrid } from '../kit/layout';
import { useCommand } from '../data/command';
import { SignerFields, type SignerText, firstSigner, signerOf } from '../kit/signer-fields';
import { FormPassword } from '../kit/signing-fields';
import { Frame, base, hours, number } from './release-frame';

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
  const { post, trouble } = useCommand();
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
    const done = await post(
      'POST /api/releases',
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
      <FieldGrid>
        <FormDay control={control} name="issuedOn" label="Issued on" max={folder.today} />
        <TextField label="Time in service then, hours" slotProps={hours} {...field('issuedAt')} />
        <FormDay control={control} name="expiresOn" label="Expires on, that day included" />
        <TextField label="Expires at time in service, hours" slotProps={hours} {...field('expiresAt')} />
        <TextField label="Registration on it" {...field('registrationShown')} />
        <FormChoice control={control} name="aboard" label="Carried aboard">
          <MenuItem value="yes">yes, I saw it there</MenuItem>
          <MenuItem value="no">no</MenuItem>
        </FormChoice>
      </FieldGrid>
      <Stack spacing={1}>
        <b>Maintenance required before it expires</b>
        {required.fields.map(({ id }, at) => (
          <Stack direction="row" spacing={1} key={id}>
            <TextField label="Work" {...register(`required.${at}.what`)} sx={{ flex: 1 }} />
            <FormDay control={control} name={`required.${at}.by`} label="By" />
            <TextField
              label="At hours"
              slotProps={hours}
              {...register(`required.${at}.at`)}
              sx={{ width: 110 }}
            />
            <Button
              size="small"
              onClick={() => {
                required.remove(at);
              }}
            >
              Remove
            </Button>
          </Stack>
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
      </Stack>
      <SignerFields
        own={view.mayIssue}
        copies={copies}
        value={signer}
        onChange={(value) => {
          setValue('signer', value);
        }}
        error={errors.signer?.message}
      />
      <FormPassword control={control} name="password" />
    </Frame>
  );
}
