'use client';

import Box from '@mui/material/Box';
import { may } from '@/contracts/kernel/permissions';
import { useHash } from '../data/address';
import { useMe, usePeople } from '../data/queries';
import { lazily } from '../kit/lazily';
import { PartPanels, PartTabs } from '../kit/page-parts';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';
import { FleetPart } from './fleet-part';

const PeoplePart = lazily(() => import('./people-part').then((module) => module.PeoplePart), 320);
const WalkRoundPart = lazily(
  () => import('../walkround/method-form').then((module) => module.WalkRoundPart),
  320,
);
const ClubPart = lazily(() => import('./club-part').then((module) => module.ClubPart), 320);

const PARTS = {
  aircraft: 'Aircraft',
  people: 'People',
  rules: 'Field and rules',
  'walk-round': 'Walk-round',
} as const;
const isPart = (name: string): name is keyof typeof PARTS => Object.hasOwn(PARTS, name);

/** The club: its aircraft, its people, its field and rules. */
export function ClubScreen() {
  const { data: people, error, refetch } = usePeople();
  const { data: me } = useMe();
  const hash = useHash();
  const part = isPart(hash) ? hash : 'aircraft';
  return (
    <DeskPage>
      {people === undefined ? (
        <Coming query={{ error, refetch }} />
      ) : (
        <>
          <Box component="h1" sx={{ mb: 0.5 }}>
            {people.club.name}
          </Box>
          <PartTabs names={PARTS} part={part} label="Parts of the club" />
          <PartPanels
            part={part}
            parts={{
              aircraft: <FleetPart mayEnter={may(me?.roles ?? [], 'add-aircraft')} />,
              people: <PeoplePart people={people} />,
              rules: <ClubPart rules={people.club.rules} mayChange={people.mayChange} />,
              'walk-round': <WalkRoundPart mayChange={may(me?.roles ?? [], 'set-walk-round-method')} />,
            }}
          />
        </>
      )}
    </DeskPage>
  );
}
