import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';
import type { PlanMark } from '@/core/walkround/plan-step';
import { AircraftDrawing, MarkOnDrawing } from '@/ui/aircraft-drawing';
import { keptPicture } from '../data/kept-walks';

/** A picture of a mark as this phone keeps it, or as the desk has it; without either it says so. */
function MarkPicture({ photoId, what }: { readonly photoId: string; readonly what: string }) {
  const [url, setUrl] = useState<string | null>(null);
  const [isMissing, setIsMissing] = useState(false);
  useEffect(() => {
    let made: string | null = null;
    let isGone = false;
    void keptPicture(photoId).then((kept) => {
      if (isGone) return;
      made = kept === undefined ? null : URL.createObjectURL(kept.picture);
      setUrl(made ?? `/api/photos/${photoId}`);
    });
    return () => {
      isGone = true;
      if (made !== null) URL.revokeObjectURL(made);
    };
  }, [photoId]);
  if (isMissing) return <span className="small">Its picture is not on this phone.</span>;
  return url === null ? null : (
    <Box
      component="img"
      src={url}
      alt={`How it looked when it was accepted: ${what}`}
      onError={() => {
        setIsMissing(true);
      }}
      sx={{ width: '100%', maxHeight: 170, objectFit: 'cover', borderRadius: '6px', display: 'block', mt: 1 }}
    />
  );
}

/** The marks that are compared at a step: where each is, how large it was, and what it looked like. */
export function KnownHere({ marks }: { readonly marks: readonly PlanMark[] }) {
  if (marks.length === 0) return null;
  const spots = marks.flatMap(({ id, x, y }, at) =>
    x === null || y === null ? [] : [<MarkOnDrawing key={id} x={x} y={y} number={at + 1} scale={4} />],
  );
  return (
    <Box
      component="section"
      aria-label="Known marks"
      sx={{ m: '10px 0 0', p: 1.25, border: '2px solid var(--ink)', borderRadius: '6px', fontSize: 17 }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start' }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Box component="h2" sx={{ fontSize: 17, m: 0 }}>
            Known here: compare
          </Box>
          {marks.map(({ id, what, size }, at) => (
            <Box key={id} component="p" sx={{ m: '4px 0 0' }}>
              <b className="figure">{at + 1}</b> {what}
              {size === null ? '' : `: ${size}`}
            </Box>
          ))}
        </Box>
        {spots.length === 0 ? null : (
          <Box sx={{ width: 104, flex: 'none' }}>
            <AircraftDrawing label="Where on the aircraft, from above and from the left">
              {spots}
            </AircraftDrawing>
          </Box>
        )}
      </Box>
      {marks.flatMap(({ id, what, photos }) =>
        photos.slice(-1).map((photoId) => <MarkPicture key={id} photoId={photoId} what={what} />),
      )}
    </Box>
  );
}
