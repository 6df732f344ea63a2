'use client';

import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';

/** The photo as it stands on the phone; the framework's image service has nothing to do with it. */
function Picture({ photo }: { readonly photo: Blob }) {
  const [url] = useState(() => URL.createObjectURL(photo));
  useEffect(
    () => () => {
      URL.revokeObjectURL(url);
    },
    [url],
  );
  return (
    <Box
      component="img"
      src={url}
      alt="The photo that you took"
      sx={{ width: '100%', maxHeight: 220, objectFit: 'contain', mb: 1.5 }}
    />
  );
}

/** Takes a photo, or another one, and shows it. */
export function PhotoTaker({
  photo,
  onPhoto,
}: {
  readonly photo: Blob | null;
  readonly onPhoto: (photo: Blob) => void;
}) {
  const [taken, setTaken] = useState(0);
  return (
    <>
      {photo === null ? null : <Picture key={taken} photo={photo} />}
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
            if (file === undefined) return;
            setTaken((count) => count + 1);
            onPhoto(file);
          }}
        />
      </Box>
    </>
  );
}
