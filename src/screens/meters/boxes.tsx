'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder-view';
import { useCommand } from '../data/command';
import { ListLine, PlainList } from '../kit/layout';
import { TroubleAlert } from '../kit/trouble-alert';
import { StrikeForm, StruckText } from '../maintenance/strike-form';

function Fit({ folder }: { readonly folder: Folder }) {
  const [open, setOpen] = useState(false);
  const [boxId, setBoxId] = useState(() => crypto.randomUUID());
  const [key, setKey] = useState<string | null>(null);
  const { post, trouble } = useCommand();
  const {
    register,
    handleSubmit,
    setError,
    reset,
    formState: { errors, isSubmitting },
  } = useForm({ defaultValues: { name: '', shows: '0.0' } });
  const submit = async (fields: { name: string; shows: string }) => {
    const fitted = await post(
      'POST /api/boxes',
      { boxId, aircraftId: folder.aircraftId, seenRevision: folder.revision, ...fields },
      (path, message) => {
        setError(path as 'name', { message });
      },
    );
    if (fitted === null) return;
    setKey(fitted.answer.key);
    setBoxId(crypto.randomUUID());
    setOpen(false);
    reset();
  };
  return (
    <>
      {key === null ? null : (
        <Alert severity="success" role="status">
          The box sends with this key. It is shown once; copy it now:{' '}
          <Box component="code" className="mono" sx={{ wordBreak: 'break-all', userSelect: 'all' }}>
            {key}
          </Box>
        </Alert>
      )}
      {!open ? (
        <Button
          size="small"
          onClick={() => {
            setOpen(true);
          }}
        >
          Fit a meter recorder …
        </Button>
      ) : (
        <Stack
          component="form"
          spacing={1.5}
          noValidate
          onSubmit={(event) => {
            void handleSubmit(submit)(event);
          }}
          aria-label="Fit a meter recorder"
          sx={{ py: 1.25, px: 0 }}
        >
          <TextField
            label="Name of the box"
            {...register('name', { validate: (text) => text.trim() !== '' || 'Name it.' })}
            error={errors.name !== undefined}
            helperText={errors.name?.message}
          />
          <TextField
            label="It shows now, hours"
            {...register('shows')}
            error={errors.shows !== undefined}
            helperText={errors.shows?.message ?? 'That is the time in service on record now.'}
            slotProps={{ htmlInput: { inputMode: 'decimal', className: 'figure' } }}
          />
          <TroubleAlert trouble={trouble} />
          <Stack direction="row" spacing={1}>
            <Button type="submit" variant="contained" disabled={isSubmitting}>
              Fit it
            </Button>
            <Button
              onClick={() => {
                setOpen(false);
              }}
            >
              Cancel
            </Button>
          </Stack>
        </Stack>
      )}
    </>
  );
}

function Remove({ folder, box }: { readonly folder: Folder; readonly box: Folder['boxes'][number] }) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  const { post, trouble } = useCommand();
  if (!open)
    return (
      <Button
        size="small"
        aria-label={`Remove ${box.name}`}
        onClick={() => {
          setOpen(true);
        }}
      >
        Remove …
      </Button>
    );
  return (
    <Stack direction="row" spacing={1} sx={{ flexWrap: 'wrap', py: 0.75, px: 0 }}>
      <TextField
        size="small"
        label="Why it was taken out"
        value={why}
        onChange={(event) => {
          setWhy(event.target.value);
        }}
      />
      <Button
        variant="outlined"
        onClick={() => {
          void post(
            'POST /api/boxes/remove',
            { boxId: box.id, aircraftId: folder.aircraftId, seenRevision: folder.revision, why },
            () => undefined,
          ).then((done) => {
            if (done) setOpen(false);
          });
        }}
      >
        Record it
      </Button>
      <Button
        onClick={() => {
          setOpen(false);
        }}
      >
        Cancel
      </Button>
      <TroubleAlert trouble={trouble} />
    </Stack>
  );
}

/** Boxes that ride along and count by themselves: a witness beside the meters, which can bring a limit nearer and takes none away. */
export function Boxes({ folder, keeper }: { readonly folder: Folder; readonly keeper: boolean }) {
  if (folder.boxes.length === 0 && !keeper) return null;
  return (
    <div>
      {folder.boxes.length === 0 ? null : <h3>Meter recorders</h3>}
      <PlainList>
        {folder.boxes.map((box) => (
          <ListLine key={box.id}>
            <Box component="span" sx={{ textDecoration: box.struck === null ? 'none' : 'line-through' }}>
              <b>{box.name}</b> {box.words}.{box.removed ? ' Removed.' : ''}
            </Box>
            {box.ahead === null ? null : (
              <div>
                <Box component="b" className="figure" sx={{ color: 'var(--restricted)' }}>
                  {box.ahead}
                </Box>{' '}
                more than the flights and readings on record. It counts towards every limit.
              </div>
            )}
            <StruckText struck={box.struck} />
            {keeper && box.struck === null ? (
              <Stack direction="row" spacing={0.5}>
                {box.removed ? null : <Remove folder={folder} box={box} />}
                <StrikeForm folder={folder} recordId={box.id} kind="box" what={`what ${box.name} counted`} />
              </Stack>
            ) : null}
          </ListLine>
        ))}
      </PlainList>
      {keeper ? <Fit folder={folder} /> : null}
    </div>
  );
}
