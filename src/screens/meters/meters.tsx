'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { may } from '@/contracts/kernel/permissions';
import type { Folder } from '@/queries/aircraft/folder-view';
import { ListLine, PlainList } from '../kit/layout';
import Link from '../kit/link';
import { Paged } from '../kit/paged';
import { Section } from '../kit/section';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';
import { StrikeForm, StruckText } from '../maintenance/strike-form';
import { Boxes } from './boxes';
import { MeterForm } from './meter-form';
import { ReadMeters } from './read-meters';

type Gap = Folder['unlogged'][number];

/** Says who flew a stretch that nobody wrote down, and how many landings it had; what is not known stays empty. */
function Attribute({ folder, gap }: { readonly folder: Folder; readonly gap: Gap }) {
  const [attributionId, setAttributionId] = useState(() => crypto.randomUUID());
  const { post, trouble } = useCommand();
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({
    defaultValues: {
      to: gap.attributedTo ?? gap.lastBy ?? '',
      note: gap.note ?? '',
      landings: '',
      towLaunches: '',
    },
  });
  const tows = gap.asks.includes('tow-launches');
  const count = (text: string) => (text.trim() === '' ? null : Number(text));
  const submit = async (given: { to: string; note: string; landings: string; towLaunches: string }) => {
    const recorded = await post(
      'POST /api/unlogged',
      {
        attributionId,
        aircraftId: folder.aircraftId,
        unlogged: gap.id,
        to: given.to,
        note: given.note.trim() === '' ? null : given.note.trim(),
        landings: count(given.landings),
        towLaunches: count(given.towLaunches),
      },
      (path, message) => {
        setError(path as 'to', { message });
      },
    );
    if (recorded) setAttributionId(crypto.randomUUID());
  };
  const number = (name: 'landings' | 'towLaunches', label: string) => (
    <TextField
      size="small"
      label={label}
      {...register(name, {
        validate: (text) =>
          text.trim() === '' || /^\d{1,3}$/.test(text.trim()) || 'A whole number, or empty.',
      })}
      error={errors[name] !== undefined}
      helperText={errors[name]?.message ?? 'empty: not known'}
      sx={{ width: 150 }}
      slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
    />
  );
  return (
    <Stack
      component="form"
      direction="row"
      spacing={1}
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label={`Who flew ${gap.length} on ${gap.name}`}
      sx={{ alignItems: 'flex-start', flexWrap: 'wrap', p: '12px 0 6px' }}
    >
      <TextField
        size="small"
        label="Flown by"
        {...register('to')}
        error={errors.to !== undefined}
        helperText={errors.to?.message}
      />
      {gap.asks.length === 0 ? null : number('landings', 'Landings')}
      {tows ? number('towLaunches', 'Tow launches') : null}
      <TextField
        size="small"
        label="Note"
        {...register('note')}
        error={errors.note !== undefined}
        helperText={errors.note?.message}
      />
      <Button type="submit" variant="outlined" disabled={isSubmitting}>
        Save
      </Button>
      <TroubleAlert trouble={trouble} />
    </Stack>
  );
}

function Reading({
  folder,
  reading,
  corrects,
}: {
  readonly folder: Folder;
  readonly reading: Folder['readings'][number];
  readonly corrects: boolean;
}) {
  return (
    <ListLine>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'baseline' }}>
        <Box component="span" className="mono small" sx={{ width: 150 }}>
          {reading.when}
        </Box>
        <Box
          component="span"
          sx={{ flex: 1, textDecoration: reading.struck === null ? 'none' : 'line-through' }}
        >
          {reading.name} <span className="figure">{reading.shown}</span>{' '}
          <span className="small">{reading.whose}</span>
        </Box>
        {corrects && reading.struck === null ? (
          <StrikeForm
            folder={folder}
            recordId={reading.id}
            kind="reading"
            what={`${reading.name} ${reading.shown} of ${reading.when}`}
            shown={reading.shown}
          />
        ) : null}
      </Stack>
      <StruckText struck={reading.struck} />
    </ListLine>
  );
}

/** The meters of an aircraft, what each counts towards, the chain of readings, and the stretches that nobody wrote down. */
export function Meters({ folder, roles }: { readonly folder: Folder; readonly roles: readonly string[] }) {
  const [reading, setReading] = useState(false);
  const keeper = may(roles, 'keep-meters');
  const corrects = may(roles, 'correct-records');
  const inUse = folder.dials.filter(({ replaced }) => !replaced);
  const former = folder.dials.filter(({ replaced }) => replaced);
  return (
    <Section
      id="meters"
      title="Meters"
      act={
        reading || (folder.panel.dials.length === 0 && folder.panel.service === null) ? null : (
          <Button
            variant="outlined"
            size="small"
            onClick={() => {
              setReading(true);
            }}
          >
            Read the meters …
          </Button>
        )
      }
    >
      {reading ? (
        <ReadMeters
          folder={folder}
          onDone={() => {
            setReading(false);
          }}
        />
      ) : null}
      {inUse.length === 0 ? <p>Nobody has said yet which meters it has.</p> : null}
      <PlainList>
        {inUse.map((dial) => (
          <ListLine key={dial.id}>
            <Stack direction="row" spacing={1.5} sx={{ alignItems: 'baseline' }}>
              <Box component="b" sx={{ flex: 1 }}>
                {dial.name}
              </Box>
              <Box component="span" className="figure" sx={{ fontSize: 18 }}>
                {dial.shows}
              </Box>
            </Stack>
            <div className="small">
              {dial.counts.map(({ name, stands }) => `${name} ${stands}`).join(' · ')}
              {dial.bills ? ' · flights are billed by it' : ''}
              {dial.why === null ? '' : ` · since ${dial.since}: ${dial.why}`}
            </div>
            {keeper ? <MeterForm folder={folder} dial={dial} /> : null}
          </ListLine>
        ))}
      </PlainList>
      {former.length === 0 ? null : (
        <p className="small">
          Before: {former.map(({ name, since }) => `${name}, from ${since}`).join('; ')}.
        </p>
      )}
      {keeper ? <MeterForm folder={folder} dial={null} /> : null}
      <Boxes folder={folder} keeper={keeper} />
      {folder.unlogged.length === 0 ? null : (
        <div>
          <h3>Nobody wrote down</h3>
          <PlainList>
            {folder.unlogged.map((gap) => (
              <ListLine key={gap.id} sx={{ borderLeft: '4px dashed var(--restricted)' }}>
                <Box component="span" sx={{ textDecoration: gap.struck === null ? 'none' : 'line-through' }}>
                  <b className="figure">{gap.length}</b> on {gap.name},{' '}
                  <span className="mono">{gap.from}</span> to <span className="mono">{gap.to}</span>; seen{' '}
                  {gap.when}.
                </Box>{' '}
                {gap.struck === null ? 'It counts towards every limit.' : ''}
                <StruckText struck={gap.struck} />
                <div className="small">
                  {gap.struck !== null
                    ? ''
                    : gap.attributedTo === null
                      ? `Last before it: ${gap.lastBy ?? 'nobody on record'}. Nobody is named yet.`
                      : `Flown by ${gap.attributedTo}.${gap.note === null ? '' : ` ${gap.note}`}`}
                </div>
                {gap.counts === '' ? null : (
                  <div className="small">
                    <b>{gap.counts}</b>
                  </div>
                )}
                {gap.struck === null
                && (gap.attributedTo === null || gap.asks.length > 0)
                && may(roles, 'attribute-unlogged') ? (
                  <Attribute key={gap.attributedTo} folder={folder} gap={gap} />
                ) : null}
              </ListLine>
            ))}
          </PlainList>
        </div>
      )}
      <h3>Readings</h3>
      <Paged items={folder.readings} size={10} what="the readings">
        {(readings) => (
          <PlainList>
            {readings.map((one) => (
              <Reading key={one.id} folder={folder} reading={one} corrects={corrects} />
            ))}
          </PlainList>
        )}
      </Paged>
      {folder.readings.length === 0 ? null : (
        <p>
          <Link href={`/records/${folder.registration}#readings`}>All readings</Link>
        </p>
      )}
    </Section>
  );
}
