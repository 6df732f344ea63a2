'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { Controller, useFormContext, useWatch } from 'react-hook-form';
import { REGULATION_POLICY, USUAL_POLICY, policyFrom } from '@/core/rules/packs/club-policy';
import { usPart91 } from '@/core/rules/packs/us-part91';
import { ACTS } from '@/core/rules/parts/constraint';
import { sentenceCase } from '@/explain/wording';
import { policyCloses } from '@/explain/policy';
import { ACT_NAMES } from '@/explain/remedies';
import { FormChoice } from '../kit/form-choice';
import { FormTick } from '../kit/form-tick';
import { FieldGrid } from '../kit/layout';
import { More } from '../kit/more';
import { type ClubForm, POLICY, degrees, textsOf, whole } from './club-values';

/** The club's name, field and zone. Inside of a form that holds a ClubForm. */
export function FieldFields() {
  const {
    register,
    control,
    formState: { errors },
  } = useFormContext<ClubForm>();
  const text = (name: 'club' | 'field', label: string) => ({
    label,
    ...register(name, { validate: (given) => given.trim() !== '' || `Enter ${label.toLowerCase()}.` }),
    error: errors[name] !== undefined,
    helperText: errors[name]?.message,
  });
  const coordinate = (name: 'latitude' | 'longitude', most: number) => ({
    ...register(name, {
      validate: (given) =>
        (given.trim() !== '' && Math.abs(degrees(given)) <= most)
        || `Degrees from -${most} to ${most}, such as ${name === 'latitude' ? '44.53' : '-64.02'}.`,
    }),
    error: errors[name] !== undefined,
    helperText:
      errors[name]?.message
      ?? (name === 'latitude' ? 'North is positive.' : 'East is positive, west negative.'),
    slotProps: { htmlInput: { inputMode: 'decimal' as const, className: 'figure' } },
  });
  return (
    <FieldGrid least={280}>
      <TextField {...text('club', 'Name of the club')} />
      <TextField {...text('field', 'Name of the field')} />
      <TextField label="Latitude, degrees" {...coordinate('latitude', 90)} />
      <TextField label="Longitude, degrees" {...coordinate('longitude', 180)} />
      <Controller
        name="zone"
        control={control}
        render={({ field: { value, onChange } }) => (
          <Autocomplete
            options={Intl.supportedValuesOf('timeZone')}
            value={value}
            disableClearable
            onChange={(_, chosen) => {
              onChange(chosen);
            }}
            renderInput={(params) => (
              <TextField
                {...params}
                label="Time zone of the field"
                error={errors.zone !== undefined}
                helperText={errors.zone?.message ?? 'Dates hold to local midnight there.'}
              />
            )}
          />
        )}
      />
    </FieldGrid>
  );
}

/** Two sets of choices to begin with, and what the choices as they stand close beyond the regulation. */
function Presets() {
  const { control, setValue } = useFormContext<ClubForm>();
  const { policy } = useWatch<ClubForm>({ control }) as ClubForm;
  const chosen = policyFrom(
    Object.fromEntries(
      POLICY.map(([name, spec]) => [name, spec.kind === 'word' ? policy[name] : Number(policy[name])]),
    ),
  );
  const closes = 'fault' in chosen ? null : policyCloses(chosen);
  const take = (preset: object) => {
    for (const [name, value] of Object.entries(textsOf(preset)))
      setValue(`policy.${name}`, value, { shouldDirty: true });
  };
  return (
    <div>
      <Stack direction="row" spacing={1} sx={{ flexWrap: 'wrap' }}>
        <Button
          size="small"
          variant="outlined"
          onClick={() => {
            take(REGULATION_POLICY);
          }}
        >
          As the regulation
        </Button>
        <Button
          size="small"
          variant="outlined"
          onClick={() => {
            take(USUAL_POLICY);
          }}
        >
          As careful clubs do
        </Button>
      </Stack>
      {closes === null ? null : closes.length === 0 ? (
        <p className="small">These choices close nothing that the regulation leaves open.</p>
      ) : (
        <div className="small">
          <Box component="p" sx={{ mb: 0.5 }}>
            Beyond the regulation these choices close:
          </Box>
          <Box component="ul" sx={{ m: 0 }}>
            {closes.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </Box>
        </div>
      )}
    </div>
  );
}

/** What each act takes: what is usual until the club says otherwise. It orders remedies and decides nothing. */
function Estimates() {
  const {
    register,
    formState: { errors },
  } = useFormContext<ClubForm>();
  const figure = (label: string) => ({
    htmlInput: { inputMode: 'decimal' as const, className: 'figure', 'aria-label': label },
  });
  const valid = (text: string) => (Number.isFinite(whole(text)) && whole(text) >= 0) || 'A number from 0.';
  return (
    <More summary="What acts take: minutes out of service, and cost">
      <p className="small">
        Estimates. They put remedies in order, the shortest first, and decide nothing. Change what your
        workshop does faster or dearer.
      </p>
      <Table size="small" aria-label="What acts take">
        <TableHead>
          <TableRow>
            <TableCell>Act</TableCell>
            <TableCell>Minutes</TableCell>
            <TableCell>Cost</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {ACTS.map((act) => {
            const fault = errors.estimates?.[act];
            return (
              <TableRow key={act}>
                <TableCell>{ACT_NAMES[act]}</TableCell>
                <TableCell>
                  <TextField
                    size="small"
                    {...register(`estimates.${act}.minutes`, { validate: valid })}
                    error={fault?.minutes !== undefined}
                    helperText={fault?.minutes?.message}
                    slotProps={figure(`Minutes: ${ACT_NAMES[act]}`)}
                  />
                </TableCell>
                <TableCell>
                  <TextField
                    size="small"
                    {...register(`estimates.${act}.cost`, { validate: valid })}
                    error={fault?.cost !== undefined}
                    helperText={fault?.cost?.message}
                    slotProps={figure(`Cost: ${ACT_NAMES[act]}`)}
                  />
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </More>
  );
}

/** Whose rules hold, and the club's own choices. Inside of a form that holds a ClubForm. */
export function RuleFields() {
  const {
    register,
    control,
    formState: { errors },
  } = useFormContext<ClubForm>();
  const { authority, withPolicy } = useWatch<ClubForm>({ control }) as ClubForm;
  return (
    <>
      <FieldGrid least={280}>
        <TextField select label="Authority" value={authority} {...register('authority')}>
          <MenuItem value="us-part91">{usPart91.title}</MenuItem>
          <MenuItem value="au-maintenance-release">Australian maintenance release</MenuItem>
        </TextField>
        {authority === 'us-part91' ? (
          <FormChoice
            name="trainingUnder"
            control={control}
            label={usPart91.parameters.trainingUnder.title}
            helperText={usPart91.parameters.trainingUnder.about}
          >
            <MenuItem value="part-61">Part 61</MenuItem>
            <MenuItem value="part-141">Part 141</MenuItem>
          </FormChoice>
        ) : null}
        {authority === 'us-part91' ? (
          <FormChoice
            name="lessons"
            control={control}
            label={usPart91.parameters.lessons.title}
            helperText={usPart91.parameters.lessons.about}
          >
            <MenuItem value="lessons-are-for-hire">Lessons count as for hire</MenuItem>
            <MenuItem value="lessons-are-not-for-hire">Lessons do not count as for hire</MenuItem>
          </FormChoice>
        ) : null}
      </FieldGrid>
      <Typography className="small">
        The rules were written down from memory of the published texts, and say so at every answer. Consult
        the text in force; where the two differ, the text is right.
      </Typography>
      <FormTick
        name="withPolicy"
        control={control}
        label="The club has rules of its own on top. None can be looser than the authority’s."
      />
      {withPolicy ? <Presets /> : null}
      {withPolicy ? (
        <FieldGrid least={280}>
          {POLICY.map(([name, spec]) => (
            <Controller
              key={name}
              name={`policy.${name}`}
              control={control}
              render={({ field: { value, onChange } }) => {
                const fault = errors.policy?.[name]?.message;
                return spec.kind === 'word' ? (
                  <TextField
                    select
                    label={spec.title}
                    value={value}
                    onChange={onChange}
                    error={fault !== undefined}
                    helperText={fault ?? spec.about}
                  >
                    {spec.values.map((word) => (
                      <MenuItem key={word} value={word}>
                        {sentenceCase(word.replaceAll('-', ' '))}
                      </MenuItem>
                    ))}
                  </TextField>
                ) : (
                  <TextField
                    label={spec.title}
                    value={value}
                    onChange={onChange}
                    error={fault !== undefined}
                    helperText={fault ?? `In ${spec.unit}. ${spec.about}`}
                    slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
                  />
                );
              }}
            />
          ))}
        </FieldGrid>
      ) : null}
      <Estimates />
    </>
  );
}
