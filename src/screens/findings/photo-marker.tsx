'use client';

import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';
import { drawnPicture, type Spot } from './picture';

/** The picture as it stands on the phone; the framework's image service has nothing to do with it. */
function Picture({ photo, onTap }: { readonly photo: Blob; readonly onTap: (spot: Spot) => void }) {
  const [url] = useState(() => URL.createObjectURL(photo));
  const picture = useRef<HTMLImageElement>(null);
  useEffect(
    () => () => {
      URL.revokeObjectURL(url);
    },
    [url],
  );
  return (
    <Box
      component="img"
      ref={picture}
      src={url}
      alt="The photo that you took"
      onPointerUp={({ clientX, clientY }: { readonly clientX: number; readonly clientY: number }) => {
        const box = picture.current?.getBoundingClientRect();
        if (box === undefined || box.width === 0 || box.height === 0) return;
        onTap({ x: (clientX - box.left) / box.width, y: (clientY - box.top) / box.height });
      }}
      sx={{ display: 'block', maxWidth: '100%', maxHeight: 260, m: '0 auto' }}
    />
  );
}

/** The photo, with an arrow where it was tapped. */
export function PhotoMarker({
  original,
  onMarked,
}: {
  readonly original: Blob;
  readonly onMarked: (marked: Blob) => void;
}) {
  const [shown, setShown] = useState({ photo: original, count: 0 });
  const mark = async (spot: Spot) => {
    const marked = await drawnPicture(original, spot);
    if (marked === null) return;
    setShown(({ count }) => ({ photo: marked, count: count + 1 }));
    onMarked(marked);
  };
  return (
    <Box sx={{ mb: 1.5 }}>
      <Picture
        key={shown.count}
        photo={shown.photo}
        onTap={(spot) => {
          void mark(spot);
        }}
      />
      <Box component="p" sx={{ m: '4px 0 0', fontSize: 16 }}>
        Tap where it is: an arrow points there. Tap again to move it.
      </Box>
    </Box>
  );
}
