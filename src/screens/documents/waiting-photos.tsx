import Alert from '@mui/material/Alert';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { list as listed } from '@/explain/wording';
import { sendPhoto } from '../data/photos';
import { PhotoField } from '../kit/photo-field';

/** What was seen beyond what is on record: it waits, and a photo lets the person who decides about it see it. */
export function WaitingPhotos({
  waiting,
}: {
  readonly waiting: readonly { readonly id: string; readonly name: string }[];
}) {
  const [sent, setSent] = useState<Readonly<Record<string, string>>>({});
  if (waiting.length === 0) return null;
  const take = async (id: string, photo: File | null) => {
    if (photo === null) return;
    try {
      await sendPhoto(id, photo);
      setSent((before) => ({ ...before, [id]: 'The photo is recorded.' }));
    } catch (error) {
      setSent((before) => ({
        ...before,
        [id]: error instanceof Error ? error.message : 'The photo was not sent. Take it again.',
      }));
    }
  };
  return (
    <Alert severity="warning" sx={{ my: 2 }}>
      <b>Does not count yet:</b> {listed(waiting.map(({ name }) => name.toLowerCase()))}. It was missing,
      expired or another aircraft’s before, or you entered a new date or number. A dispatcher or mechanic
      decides; a photo lets them see it from the desk.
      <Stack spacing={1.5} sx={{ mt: 1.5 }}>
        {waiting.map(({ id, name }) => (
          <div key={id}>
            <b>{name}</b>
            <PhotoField
              words={`Photo of the ${name.toLowerCase()}`}
              photo={null}
              onChange={(photo) => {
                void take(id, photo);
              }}
            />
            {sent[id] === undefined ? null : <span role="status">{sent[id]}</span>}
          </div>
        ))}
      </Stack>
    </Alert>
  );
}
