'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { People } from '@/queries/club/people';
import { ListLine, PlainList } from '../kit/layout';
import { Confirm } from '../kit/confirm';
import { send } from '../data/fetching';
import { lazily } from '../kit/lazily';
import { Section } from '../kit/section';
import { roleName } from './people-words';
import { Person } from './person';

const Admit = lazily(() => import('./admit').then((module) => module.Admit), 220);

function Offer({ offer }: { readonly offer: People['offers'][number] }) {
  const [asking, setAsking] = useState(false);
  return (
    <ListLine>
      <b>{offer.name}</b>, {offer.roles.map(roleName).join(', ')} <span className="small">{offer.words}</span>
      <Button
        size="small"
        aria-label={`Revoke the link of ${offer.name}`}
        onClick={() => {
          setAsking(true);
        }}
      >
        Revoke …
      </Button>
      {asking ? (
        <Confirm
          title={`Revoke the link of ${offer.name}?`}
          does="Revoke the link"
          instead="Keep it"
          onConfirm={() => send('POST /api/people/links/revoke', { invitationId: offer.id })}
          onClose={() => {
            setAsking(false);
          }}
        >
          It does not work any more then. You can make another one.
        </Confirm>
      ) : null}
    </ListLine>
  );
}

/** Everybody of the club: what they may do, what they may sign, and how they get in. */
export function PeoplePart({ people }: { readonly people: People }) {
  const [admitting, setAdmitting] = useState(false);
  return (
    <Section
      id="members"
      title="People"
      act={
        people.mayChange && !admitting ? (
          <Button
            variant="outlined"
            size="small"
            onClick={() => {
              setAdmitting(true);
            }}
          >
            Admit somebody …
          </Button>
        ) : null
      }
    >
      {admitting ? <Admit /> : null}
      <p className="small">
        A role permits screens; a certificate permits signatures. A link for a new password lets the person
        who has it in under that name: it is on record who made it, and the person is signed out everywhere.
      </p>
      <PlainList>
        {people.people.map((person) => (
          <Person key={person.personId} person={person} mayChange={people.mayChange} />
        ))}
      </PlainList>
      {people.offers.length === 0 ? null : (
        <>
          <Box component="p" className="small" sx={{ m: '12px 0 4px' }}>
            Asked to join; they have an account already and are members once they accept:
          </Box>
          <PlainList>
            {people.offers.map((offer) => (
              <Offer key={offer.id} offer={offer} />
            ))}
          </PlainList>
        </>
      )}
      {people.mayChange ? null : (
        <p className="small">The administrator admits people and changes what they may do.</p>
      )}
    </Section>
  );
}
