'use client';

import Box from '@mui/material/Box';
import { useState } from 'react';
import { PhotoMarker } from './photo-marker';
import { drawnPicture } from './picture';

/**
 * Takes a photo, or another one, shows it and lets an arrow be put on it. What is no picture is told at once, while its finder still
 * stands there.
 */
export function PhotoTaker({
  photo,
  onPhoto,
}: {
  readonly photo: Blob | null;
  readonly onPhoto: (photo: Blob) => void;
}) {
  // As it was when this opened, or as it was taken: arrows are drawn on this.
  const [original, setOriginal] = useState(photo);
  const [taken, setTaken] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async (file: File) => {
    const picture = await drawnPicture(file, null);
    if (picture === null) {
      setTrouble(
        'This phone cannot read that file as a picture. Take the photo again; what you wrote is kept.',
      );
      return;
    }
    setTrouble(null);
    setOriginal(picture);
    setTaken((count) => count + 1);
    onPhoto(picture);
  };
  return (
    <>
      {original === null ? null : <PhotoMarker key={taken} original={original} onMarked={onPhoto} />}
      {trouble === null ? null : (
        <Box component="p" role="alert" sx={{ m: '0 0 8px', fontWeight: 700 }}>
          {trouble}
        </Box>
      )}
      <Box
        component="label"
        sx={{
          display: 'block',
          minHeight: 56,
          boxSizing: 'border-box',
          p: 1.75,
          fontSize: 18,
          fontWeight: 700,
          border: '2px solid var(--ink)',
          borderRadius: '6px',
          cursor: 'pointer',
          position: 'relative',
        }}
      >
        {photo === null ? 'Take a photo' : 'Take another photo'}
        <Box
          component="input"
          type="file"
          accept="image/*"
          capture="environment"
          sx={{ position: 'absolute', opacity: 0, width: '1px', height: '1px' }}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file !== undefined) void take(file);
          }}
        />
      </Box>
    </>
  );
}
