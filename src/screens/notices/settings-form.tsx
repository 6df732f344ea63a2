import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { NoticesPage } from '@/queries/notices/notices';
import { useCommand } from '../data/command';
import { FormTick } from '../kit/form-tick';
import { FieldGrid } from '../kit/layout';
import { TroubleAlert } from '../kit/trouble-alert';

interface Fields {
  readonly mail: boolean;
  readonly from: string;
  readonly until: string;
  readonly digestAt: string;
}

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/u;
const clockOrEmpty = (text: string) =>
  text.trim() === '' || CLOCK.test(text.trim()) || 'A time such as 22:00, or nothing.';

/** By mail or not, when not, and one at a time or one a day. Times are on the field's clock. */
export function SettingsForm({ page }: { readonly page: NoticesPage }) {
  const { settings, mailIsSet, zone } = page;
  const { post, trouble } = useCommand();
  const [settingId, setSettingId] = useState(() => crypto.randomUUID());
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting, isDirty },
  } = useForm<Fields>({
    defaultValues: {
      mail: settings.mail,
      from: settings.quiet?.from ?? '',
      until: settings.quiet?.until ?? '',
      digestAt: settings.digestAt ?? '',
    },
  });
  const mail = useWatch({ control, name: 'mail' });
  const save = async ({ from, until, digestAt, ...fields }: Fields) => {
    const [first, last, digest] = [from.trim(), until.trim(), digestAt.trim()];
    if ((first === '') !== (last === '')) {
      setError(first === '' ? 'from' : 'until', {
        message: 'Give both ends of the quiet hours, or neither.',
      });
      return;
    }
    const done = await post(
      'POST /api/notices/settings',
      {
        settingId,
        settings: {
          ...fields,
          quiet: first === '' ? null : { from: first, until: last },
          digestAt: digest === '' ? null : digest,
        },
      },
      () => undefined,
    );
    if (done) setSettingId(crypto.randomUUID());
  };
  const field = (name: keyof Fields) => ({
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      aria-label="How you are told"
      sx={{ maxWidth: 720 }}
      onSubmit={(event) => {
        void handleSubmit(save)(event);
      }}
    >
      {mailIsSet ? null : <p className="small">This installation sends no mail: you are told here alone.</p>}
      <FormTick control={control} name="mail" label="By mail too" />
      {mail ? (
        <FieldGrid least={200}>
          <TextField
            label="Quiet from"
            {...register('from', { validate: clockOrEmpty })}
            {...field('from')}
            placeholder="22:00"
          />
          <TextField
            label="until"
            {...register('until', { validate: clockOrEmpty })}
            {...field('until')}
            placeholder="06:00"
          />
          <TextField
            label="One mail a day, at"
            {...register('digestAt', { validate: clockOrEmpty })}
            error={errors.digestAt !== undefined}
            helperText={errors.digestAt?.message ?? 'Empty: each as it comes.'}
            placeholder="18:00"
          />
        </FieldGrid>
      ) : null}
      <p className="small">
        Times in {zone.replaceAll('_', ' ')}. A mail about a flight that starts before the quiet hours end
        goes anyway.
      </p>
      <TroubleAlert trouble={trouble} />
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting || !isDirty}>
          Save
        </Button>
      </div>
    </Stack>
  );
}
