import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder-view';
import type { ReleaseView } from '@/queries/releases/release';
import { FormChoice } from '../kit/form-choice';
import { useCommand } from '../data/command';
import { FormPassword } from '../kit/signing-fields';
import { Frame, base } from './release-frame';

/** The daily inspection, signed in two fields. */
export function DailyForm({ folder, view }: { readonly folder: Folder; readonly view: ReleaseView }) {
  const [open, setOpen] = useState(false);
  const [entryId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const own = view.daily.certificates;
  const {
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { isSubmitting },
  } = useForm({ defaultValues: { certificateId: own[0]?.id ?? '', password: '' } });
  if (!open)
    return (
      <Button
        variant="outlined"
        onClick={() => {
          setOpen(true);
        }}
        sx={{ mt: 0.75, minHeight: 48 }}
      >
        Sign the daily inspection
      </Button>
    );
  const submit = async (given: { certificateId: string; password: string }) => {
    if (
      !(await post('POST /api/daily-inspections', { ...base(folder, entryId), ...given }, (path, message) => {
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
      <FormChoice control={control} name="certificateId" label="By">
        {own.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            me, {name}
          </MenuItem>
        ))}
      </FormChoice>
      <FormPassword control={control} name="password" />
    </Frame>
  );
}
