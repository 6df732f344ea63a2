'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';

const Palette = dynamic(() => import('./palette'), { ssr: false });
const KeysDialog = dynamic(() => import('./keys-dialog'), { ssr: false });

/** Keys that serve everywhere at the desk. */
export function Shortcuts() {
  const [open, setOpen] = useState<'palette' | 'keys' | null>(null);
  const close = () => {
    setOpen(null);
  };
  useHotkeys(
    'mod+k',
    () => {
      setOpen('palette');
    },
    { enableOnFormTags: true, preventDefault: true },
  );
  useHotkeys(
    '?',
    () => {
      setOpen('keys');
    },
    { useKey: true },
  );
  if (open === null) return null;
  return open === 'palette' ? <Palette onClose={close} /> : <KeysDialog onClose={close} />;
}
