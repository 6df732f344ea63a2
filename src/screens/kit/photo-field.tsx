'use client';

import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRef } from 'react';

/** Takes or chooses one picture. @param words what it is of */
export function PhotoField({
  words,
  photo,
  onChange,
}: {
  readonly words: string;
  readonly photo: Blob | null;
  readonly onChange: (photo: File | null) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <Stack direction="row" spacing={1} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
      <Button
        variant="outlined"
        sx={{ minHeight: 48 }}
        onClick={() => {
          input.current?.click();
        }}
      >
        {photo === null ? words : 'Take another'}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={words}
        hidden
        onChange={(event) => {
          onChange(event.target.files?.[0] ?? null);
        }}
      />
      {photo === null ? null : (
        <Typography role="status" variant="body2">
          A photo is chosen.
        </Typography>
      )}
    </Stack>
  );
}

/** Pictures as links that open in another window. */
export function PhotoLinks({ photos }: { readonly photos: readonly string[] }) {
  return (
    <>
      {photos.map((photo, at) => (
        <Button
          key={photo}
          size="small"
          component="a"
          href={`/api/photos/${photo}`}
          target="_blank"
          rel="noreferrer"
        >
          {photos.length === 1 ? 'Photo' : `Photo ${at + 1}`}
        </Button>
      ))}
    </>
  );
}
