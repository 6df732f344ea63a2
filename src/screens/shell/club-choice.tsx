'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useMe } from '../data/queries';

const ClubChoiceDialog = dynamic(() => import('./club-choice-dialog'), { ssr: false });

/** Asks somebody who belongs to several clubs, once a session, in which one they work. Until then it is the one that they joined first. */
export function ClubChoice() {
  const { data: me } = useMe();
  const [later, setLater] = useState(false);
  if (me === undefined || me.chosen || later) return null;
  return (
    <ClubChoiceDialog
      clubs={me.clubs}
      onLater={() => {
        setLater(true);
      }}
    />
  );
}
