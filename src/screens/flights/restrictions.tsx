import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { may } from '@/contracts/kernel/permissions';
import { CLOSED_USE_NAMES } from '@/explain/names';
import { CLOSED_USES, type ClosedUse } from '@/core/records/findings/discrepancy';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import { useCommand } from '../data/command';
import { FormChoice } from '../kit/form-choice';
import { FormDay } from '../kit/form-day';
import { ListLine, PlainList } from '../kit/layout';
import { Section } from '../kit/section';
import { TroubleAlert } from '../kit/trouble-alert';

function RestrictForm({ page }: { readonly page: AircraftPage }) {
  const { post, trouble } = useCommand();
  const [isOpen, setIsOpen] = useState(false);
  const [id, setId] = useState(() => crypto.randomUUID());
  const {
    register,
    control,
    handleSubmit,
    reset,
    formState: { errors, isSubmitting },
  } = useForm<{ why: string; closes: ClosedUse | 'every'; until: string }>({
    defaultValues: { why: '', closes: 'every', until: '' },
  });
  if (!isOpen)
    return (
      <Button
        variant="outlined"
        size="small"
        onClick={() => {
          setIsOpen(true);
        }}
      >
        Restrict it …
      </Button>
    );
  return (
    <Stack
      component="form"
      spacing={1.5}
      noValidate
      aria-label="Restrict the aircraft"
      sx={{ maxWidth: 560, py: 1.25 }}
      onSubmit={(event) => {
        void handleSubmit(async ({ why, closes, until }) => {
          const done = await post(
            'POST /api/restrictions',
            {
              restrictionId: id,
              aircraftId: page.aircraftId,
              why,
              closes: closes === 'every' ? [] : [closes],
              until: until === '' ? null : until,
            },
            () => undefined,
          );
          if (!done) return;
          reset();
          setId(crypto.randomUUID());
          setIsOpen(false);
        })(event);
      }}
    >
      <FormChoice control={control} name="closes" label="What it closes">
        <MenuItem value="every">Every use</MenuItem>
        {CLOSED_USES.map((use) => (
          <MenuItem key={use} value={use}>
            {CLOSED_USE_NAMES[use]}
          </MenuItem>
        ))}
      </FormChoice>
      <TextField
        label="Why"
        multiline
        minRows={2}
        {...register('why', { validate: (text) => text.trim() !== '' || 'Say why: everybody reads it.' })}
        error={errors.why !== undefined}
        helperText={errors.why?.message}
      />
      <FormDay control={control} name="until" label="Last day (may stay empty)" min={page.today} />
      <TroubleAlert trouble={trouble} />
      <div>
        <Button type="submit" variant="contained" disabled={isSubmitting}>
          Restrict {page.registration}
        </Button>
      </div>
    </Stack>
  );
}

function WithdrawForm({ page, restriction }: { readonly page: AircraftPage; readonly restriction: string }) {
  const { post, trouble } = useCommand();
  const [isOpen, setIsOpen] = useState(false);
  const [id] = useState(() => crypto.randomUUID());
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { why: '' } });
  if (!isOpen)
    return (
      <Button
        size="small"
        onClick={() => {
          setIsOpen(true);
        }}
      >
        Withdraw …
      </Button>
    );
  return (
    <Stack
      component="form"
      spacing={1}
      noValidate
      aria-label="Withdraw the restriction"
      sx={{ maxWidth: 560, py: 1 }}
      onSubmit={(event) => {
        void handleSubmit(({ why }) =>
          post(
            'POST /api/restrictions/withdrawals',
            { withdrawalId: id, aircraftId: page.aircraftId, restrictionId: restriction, why },
            () => undefined,
          ),
        )(event);
      }}
    >
      <TextField
        label="Why it can be withdrawn"
        {...register('why', { validate: (text) => text.trim() !== '' || 'Say why: it stays on record.' })}
        error={errors.why !== undefined}
        helperText={errors.why?.message}
      />
      <TroubleAlert trouble={trouble} />
      <div>
        <Button type="submit" variant="contained" size="small" disabled={isSubmitting}>
          Withdraw it
        </Button>
      </div>
    </Stack>
  );
}

/** What somebody on duty closed beyond the records, and the ways to restrict more and to withdraw. */
export function Restrictions({
  page,
  roles,
}: {
  readonly page: AircraftPage;
  readonly roles: readonly string[];
}) {
  const { restrictions } = page;
  if (restrictions.length === 0 && !may(roles, 'restrict-dispatch')) return null;
  return (
    <Section id="restrictions" title="Restrictions by people on duty">
      {restrictions.length === 0 ? (
        <Box component="p" sx={{ m: '0 0 8px' }}>
          None.
        </Box>
      ) : (
        <PlainList>
          {restrictions.map(({ id, why, by, closes, until }) => (
            <ListLine key={id}>
              <b>{why}</b>{' '}
              <span className="small">
                {by}, {closes}
                {until === null ? ', until somebody withdraws it' : `, until ${until}`}
              </span>
              {may(roles, 'withdraw-restriction') ? <WithdrawForm page={page} restriction={id} /> : null}
            </ListLine>
          ))}
        </PlainList>
      )}
      {may(roles, 'restrict-dispatch') ? <RestrictForm page={page} /> : null}
    </Section>
  );
}
