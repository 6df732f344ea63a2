'use client';

import Box from '@mui/material/Box';
import { useMe, usePeople } from '../data/queries';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';
import { ClubPart } from './club-part';
import { FleetPart } from './fleet-part';
import { PeoplePart } from './people-part';

/** The club: its field and rules, its aircraft, its people. */
export function ClubScreen() {
  const { data: people, error, refetch } = usePeople();
  const { data: me } = useMe();
  return (
    <DeskPage>
      {people === undefined ? (
        <Coming query={{ error, refetch }} />
      ) : (
        <>
          <Box component="h1" sx={{ mb: 0.5 }}>
            {people.club.name}
          </Box>
          <ClubPart rules={people.club.rules} mayChange={people.mayChange} />
          <FleetPart
            mayEnter={me?.roles.some((role) => role === 'administrator' || role === 'dispatcher') ?? false}
          />
          <PeoplePart people={people} />
        </>
      )}
    </DeskPage>
  );
}
