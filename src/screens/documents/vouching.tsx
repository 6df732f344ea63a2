'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder-view';
import { PhotoLinks } from '../kit/photo-field';
import { useCommand } from '../data/command';
import { FormPassword } from '../kit/signing-fields';
import { TroubleAlert } from '../kit/trouble-alert';

/** One record that waits, in words, and whether this reader may vouch for it. */
interface Waiting {
  readonly id: string;
  readonly title: string;
  readonly words: string;
  readonly photos: readonly string[];
  readonly mine: boolean;
}

function waitingOf({ logbook, waitingDocuments, waitingReleases, mayVouch }: Folder): readonly Waiting[] {
  return [
    ...logbook
      .filter(({ waits }) => waits)
      .map((entry) => ({
        id: entry.id,
        title: `${entry.title} of ${entry.on}`,
        words: `Copied from the logbook. Signed there by ${entry.signed}.`,
        photos: entry.photos,
        mine: mayVouch.copies,
      })),
    ...waitingReleases.map((release) => ({
      id: release.id,
      title: 'Maintenance release',
      words: `Copied from paper, ${release.when}.`,
      photos: release.photos,
      mine: mayVouch.copies,
    })),
    ...waitingDocuments.map((document) => ({
      id: document.id,
      title: document.name,
      words: `Seen ${document.seen}${document.details === '' ? '' : `: ${document.details}`}.`,
      photos: document.photos,
      mine: mayVouch.documents,
    })),
  ];
}

/** Copies from paper and what members saw of documents: they count once somebody entitled has compared them and signs for it. */
export function Vouching({ folder }: { readonly folder: Folder }) {
  const waiting = waitingOf(folder);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const { post, trouble } = useCommand();
  const {
    register,
    control,
    handleSubmit,
    setValue,
    reset,
    setError,
    formState: { isSubmitting },
  } = useForm({ defaultValues: { note: '', password: '' } });
  if (waiting.length === 0) return null;
  const mine = waiting.filter((one) => one.mine);
  const chosen = ticked.filter((id) => mine.some((one) => one.id === id));
  const submit = async ({ note, password }: { readonly note: string; readonly password: string }) => {
    const entry = {
      aircraftId: folder.aircraftId,
      seenRevision: folder.revision,
      records: chosen.map((recordId) => ({ vouchId: crypto.randomUUID(), recordId })),
      note: note.trim() === '' ? null : note,
      password,
    };
    const done = await post('POST /api/vouchings', entry, (path, message) => {
      if (path === 'password') setError('password', { message });
    });
    if (done) {
      setTicked([]);
      reset();
    } else setValue('password', '');
  };
  return (
    <Paper
      component="section"
      variant="outlined"
      aria-labelledby="waiting"
      sx={{ p: 2, mt: 3, borderLeft: 4 }}
    >
      <Typography id="waiting" variant="h6" component="h2" sx={{ m: 0 }}>
        Waiting to be vouched for
      </Typography>
      <Typography variant="body2">
        These do not count yet. Somebody entitled compares each with the document or its photo, and signs for
        it.
      </Typography>
      <Stack component="ul" spacing={1} sx={{ listStyle: 'none', p: 0, my: 1.5 }}>
        {waiting.map((one) => (
          <Stack component="li" key={one.id} direction="row" spacing={1} sx={{ alignItems: 'baseline' }}>
            {one.mine ? (
              <FormControlLabel
                sx={{ flex: 1, alignItems: 'flex-start' }}
                control={
                  <Checkbox
                    checked={ticked.includes(one.id)}
                    onChange={(_, on) => {
                      setTicked((before) =>
                        on ? [...before, one.id] : before.filter((id) => id !== one.id),
                      );
                    }}
                  />
                }
                label={
                  <>
                    <b>{one.title}</b>
                    <br />
                    {one.words}
                  </>
                }
              />
            ) : (
              <Typography sx={{ flex: 1 }}>
                <b>{one.title}</b>
                <br />
                {one.words}
              </Typography>
            )}
            <PhotoLinks photos={one.photos} />
          </Stack>
        ))}
      </Stack>
      {mine.length === 0 ? (
        <Typography variant="body2">
          Copies of signed entries: a mechanic or the administrator. Documents: a dispatcher, a mechanic or
          the administrator.
        </Typography>
      ) : (
        <Stack
          component="form"
          noValidate
          spacing={1.5}
          aria-label="Vouch"
          sx={{ maxWidth: 520 }}
          onSubmit={(event) => {
            void handleSubmit(submit)(event);
          }}
        >
          <TextField label="What you compared it with (if you want to say)" {...register('note')} />
          <FormPassword control={control} name="password" />
          <TroubleAlert trouble={trouble} />
          <Stack direction="row" spacing={1}>
            <Button type="submit" variant="contained" disabled={isSubmitting || chosen.length === 0}>
              {chosen.length === 0 ? 'Tick what you vouch for' : `Vouch for ${chosen.length}`}
            </Button>
            {mine.length > 1 ? (
              <Button
                onClick={() => {
                  setTicked(mine.map(({ id }) => id));
                }}
              >
                Tick all
              </Button>
            ) : null}
          </Stack>
        </Stack>
      )}
    </Paper>
  );
}
