'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { People } from '@/queries/club/people';
import { Admit } from './admit';
import { roleName, useAct } from './people-acts';
import { Person } from './person';

function Offer({ offer }: { readonly offer: People['offers'][number] }) {
  const { act, trouble } = useAct();
  return (
    <li style={{ borderTop: '1px solid var(--rule)', padding: '9px 0' }}>
      <b>{offer.name}</b>, {offer.roles.map(roleName).join(', ')} <span className="small">{offer.words}</span>
      <Button
        size="small"
        aria-label={`Revoke the link of ${offer.name}`}
        onClick={() => {
          void act('/api/people/links/revoke', { invitationId: offer.id });
        }}
      >
        Revoke
      </Button>
      {trouble === null ? null : (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
    </li>
  );
}

/** Everybody of the club: what they may do, what they may sign, and how they get in. */
export function PeoplePart({ people }: { readonly people: People }) {
  return (
    <section aria-labelledby="people">
      <h2 id="people">People</h2>
      <p className="small">
        A role permits screens; a certificate permits signatures. A link for a new password lets the person
        who has it in under that name: it is on record who made it, and the person is signed out everywhere.
      </p>
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {people.people.map((person) => (
          <Person key={person.personId} person={person} mayChange={people.mayChange} />
        ))}
      </ul>
      {people.offers.length === 0 ? null : (
        <>
          <p className="small" style={{ margin: '12px 0 4px' }}>
            Asked to join; they have an account already and are members once they accept:
          </p>
          <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
            {people.offers.map((offer) => (
              <Offer key={offer.id} offer={offer} />
            ))}
          </ul>
        </>
      )}
      {people.mayChange ? (
        <Admit />
      ) : (
        <p className="small">The administrator admits people and changes what they may do.</p>
      )}
    </section>
  );
}
