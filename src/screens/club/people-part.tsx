'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { People, PersonLine } from '@/queries/club/people';
import { ListLine, PlainList } from '../kit/layout';
import { Confirm } from '../kit/confirm';
import { send } from '../data/fetching';
import { lazily } from '../kit/lazily';
import { Section } from '../kit/section';
import { ACCESS, roleName } from './people-words';
import { Person } from './person';

const Admit = lazily(() => import('./admit').then((module) => module.Admit), 220);

const LocalTable = lazily(() => import('../kit/local-table').then((module) => module.LocalTable), 420);

const WITHOUT_ACCESS = {
  name: { name: 'Name', least: 170 },
  roles: { name: 'Roles', least: 200 },
  certificates: { name: 'Certificates that hold', share: 2, least: 220 },
};
const COLUMNS = { ...WITHOUT_ACCESS, access: { name: 'Signing in', share: 1.5, least: 200 } };

/** Somebody's line: who they are, what they may do and sign, and how they get in. */
const lineOf = ({ personId, name, roles, certificates, access, email }: PersonLine) => ({
  id: personId,
  name,
  roles: roles.length === 0 ? 'belongs to the club no longer' : roles.map(roleName).join(', '),
  certificates: certificates
    .filter(({ holds, ended }) => holds && ended === null)
    .map(({ text }) => text)
    .join('; '),
  access: [email, ACCESS[access]].filter((text) => text !== null && text !== '').join(' · '),
});

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

/** Brings what was just chosen into view: a list of many people is longer than the screen. */
function Seen({ children }: { readonly children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    box.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return <div ref={box}>{children}</div>;
}

/** Everybody of the club: what they may do, what they may sign, and how they get in. */
export function PeoplePart({ people }: { readonly people: People }) {
  const [admitting, setAdmitting] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const person = people.people.find(({ personId }) => personId === chosen);
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
      <LocalTable
        label="People"
        columns={people.mayChange ? COLUMNS : WITHOUT_ACCESS}
        rows={people.people.map(lineOf)}
        empty="Nobody belongs to the club yet."
        chosen={chosen}
        onChoose={setChosen}
      />
      {person === undefined ? null : (
        <Seen key={person.personId}>
          <PlainList>
            <Person person={person} mayChange={people.mayChange} />
          </PlainList>
        </Seen>
      )}
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
