import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Autocomplete from '@mui/material/Autocomplete';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { readMinimumRow, type MinimumItemInput } from '@/contracts/aircraft/minimum-list-rows';
import { EQUIPMENT_KINDS, type EquipmentKind } from '@/core/records/aircraft/equipment';
import { CLOSED_USES, type ClosedUse } from '@/core/records/findings/discrepancy';
import { CLOSED_USE_NAMES, EQUIPMENT_NAMES } from '@/explain/names';
import { FormChoice } from '../kit/form-choice';
import { FieldGrid } from '../kit/layout';

interface Fields {
  readonly item: string;
  readonly name: string;
  readonly equipment: EquipmentKind[];
  readonly category: '' | 'A' | 'B' | 'C' | 'D';
  readonly days: string;
  readonly installed: string;
  readonly required: string;
  readonly operations: string;
  readonly maintenance: string;
  readonly closes: ClosedUse[];
}

/** One item of a minimum equipment list. */
export function MinimumItemForm({
  item,
  onKeep,
  onCancel,
}: {
  readonly item: MinimumItemInput | null;
  readonly onKeep: (item: MinimumItemInput) => void;
  readonly onCancel: () => void;
}) {
  const {
    register,
    control,
    handleSubmit,
    setError,
    formState: { errors },
  } = useForm<Fields>({
    defaultValues: {
      item: item?.code ?? '',
      name: item?.name ?? '',
      equipment: item?.equipment ?? [],
      category: item === null ? 'C' : (item.category ?? ''),
      days: item?.days === undefined ? '' : String(item.days),
      installed: item === null ? '1' : String(item.installed),
      required: item === null ? '0' : String(item.required),
      operations: item?.operations ?? '',
      maintenance: item?.maintenance ?? '',
      closes: item?.closes ?? [],
    },
  });
  const category = useWatch({ control, name: 'category' });
  const keep = (fields: Fields) => {
    const read = readMinimumRow({
      ...fields,
      days: fields.category === 'A' ? fields.days : '',
      equipment: fields.equipment.join(';'),
      closes: fields.closes.join(';'),
    });
    if (read.ok) onKeep(read.item);
    else
      for (const problem of read.problems) {
        const [field = '', ...rest] = problem.split(': ');
        setError(field as keyof Fields, { message: rest.join(': ') });
      }
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
      aria-label={item === null ? 'New item' : `Item ${item.code}`}
      onSubmit={(event) => {
        void handleSubmit(keep)(event);
      }}
      sx={{ borderLeft: '3px solid var(--rule)', pl: 2 }}
    >
      <FieldGrid least={150}>
        <TextField label="Item number" autoFocus {...register('item')} {...field('item')} />
        <TextField label="Name" {...register('name')} {...field('name')} />
        <FormChoice control={control} name="category" label="Repair category">
          <MenuItem value="">none</MenuItem>
          <MenuItem value="A">A, its own days</MenuItem>
          <MenuItem value="B">B, 3 days</MenuItem>
          <MenuItem value="C">C, 10 days</MenuItem>
          <MenuItem value="D">D, 120 days</MenuItem>
        </FormChoice>
        {category === 'A' ? <TextField label="Days" {...register('days')} {...field('days')} /> : null}
        <TextField label="Installed" {...register('installed')} {...field('installed')} />
        <TextField label="Required" {...register('required')} {...field('required')} />
      </FieldGrid>
      <Controller
        control={control}
        name="equipment"
        render={({ field: { value, onChange } }) => (
          <Autocomplete
            multiple
            options={EQUIPMENT_KINDS}
            value={value}
            getOptionLabel={(kind) => EQUIPMENT_NAMES[kind]}
            onChange={(_, chosen) => {
              onChange(chosen);
            }}
            renderInput={(params) => <TextField {...params} label="Equipment" {...field('equipment')} />}
          />
        )}
      />
      <TextField
        label="Operating procedure (may stay empty)"
        multiline
        {...register('operations')}
        {...field('operations')}
      />
      <TextField
        label="Maintenance procedure (may stay empty)"
        multiline
        {...register('maintenance')}
        {...field('maintenance')}
      />
      <Controller
        control={control}
        name="closes"
        render={({ field: { value, onChange } }) => (
          <Autocomplete
            multiple
            options={CLOSED_USES}
            value={value}
            getOptionLabel={(use) => CLOSED_USE_NAMES[use]}
            onChange={(_, chosen) => {
              onChange(chosen);
            }}
            renderInput={(params) => (
              <TextField
                {...params}
                label="Not available meanwhile for (may stay empty)"
                {...field('closes')}
              />
            )}
          />
        )}
      />
      <Stack direction="row" spacing={1}>
        <Button type="submit" variant="outlined">
          {item === null ? 'Add to the list' : 'Change it'}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </Stack>
    </Stack>
  );
}
