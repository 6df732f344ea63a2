'use client';

import { useMe, usePeople } from '../data/queries';
import { DeskHeader } from '../shell/desk-header';
import { Trouble } from '../shell/trouble';
import { ClubPart } from './club-part';
import { FleetPart } from './fleet-part';
import { PeoplePart } from './people-part';

/** The club: its field and rules, its aircraft, its people. */
export function ClubScreen() {
  const { data: people, error, refetch } = usePeople();
  const { data: me } = useMe();
  return (
    <>
      <DeskHeader />
      <main style={{ padding: '16px 20px 60px', maxWidth: 1240, margin: '0 auto' }}>
        {people === undefined ? (
          error === null ? (
            <p>Loading …</p>
          ) : (
            <Trouble
              error={error}
              retry={() => {
                void refetch();
              }}
            />
          )
        ) : (
          <>
            <h1 style={{ marginBottom: 4 }}>{people.club.name}</h1>
            <ClubPart rules={people.club.rules} mayChange={people.mayChange} />
            <FleetPart
              mayEnter={me?.roles.some((role) => role === 'administrator' || role === 'dispatcher') ?? false}
            />
            <PeoplePart people={people} />
          </>
        )}
      </main>
    </>
  );
}
