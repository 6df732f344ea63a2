import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { ROLES, type Role } from '@/contracts/club/roles';
import type { PersonLine } from '@/queries/club/people';
import { useCommand } from '../data/command';
import { send } from '../data/fetching';
import { ListLine } from '../kit/layout';
import { Confirm } from '../kit/confirm';
import { lazily } from '../kit/lazily';
import { TroubleAlert } from '../kit/trouble-alert';
import { OnceLink } from './once-link';
import { ACCESS, roleName } from './people-words';
import { RoleTicks } from './role-ticks';

const CertificateForm = lazily(
  () => import('./certificate-form').then((module) => module.CertificateForm),
  160,
);

/** Somebody of the club: what they may do and sign, and how they get in. */

export function Person({ person, mayChange }: { readonly person: PersonLine; readonly mayChange: boolean }) {
  const { post, trouble } = useCommand();
  const [path, setPath] = useState<string | null>(null);
  const [changing, setChanging] = useState<'roles' | 'certificate' | 'link' | null>(null);
  const [roles, setRoles] = useState<readonly Role[]>([]);
  const [email, setEmail] = useState(person.email ?? '');
  const begin = () => {
    setRoles(ROLES.filter((role) => person.roles.includes(role)));
    setChanging('roles');
  };
  const change = () => ({
    changeId: crypto.randomUUID(),
    personId: person.personId,
    name: person.name,
    roles,
  });
  const save = async () => {
    if ((await post('POST /api/people/roles', change())) !== null) setChanging(null);
  };
  const link = async () => {
    const done = await post('POST /api/people/links', {
      personId: person.personId,
      email: person.access === 'account' || email.trim() === '' ? null : email.trim(),
    });
    if (done !== null) {
      setPath(done.answer.path);
      setChanging(null);
    } else setChanging('link');
  };
  const [asking, setAsking] = useState<'membership' | 'revoke' | null>(null);
  const [ending, setEnding] = useState<string | null>(null);
  const [why, setWhy] = useState('');
  const end = async () => {
    if ((await post('POST /api/people/certificates/end', { certificateId: ending, why })) !== null) {
      setEnding(null);
      setWhy('');
    }
  };
  const gone = person.roles.length === 0;
  return (
    <ListLine>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Box component="b" sx={{ minWidth: 170, textDecoration: gone ? 'line-through' : 'none' }}>
          {person.name}
        </Box>
        <Box component="span" sx={{ flex: 1 }}>
          {gone ? 'belongs to the club no longer' : person.roles.map(roleName).join(', ')}
        </Box>
        {mayChange ? (
          <>
            <Button size="small" aria-label={`Roles of ${person.name}`} onClick={begin}>
              Roles
            </Button>
            <Button
              size="small"
              aria-label={`Enter a certificate of ${person.name}`}
              onClick={() => {
                setChanging('certificate');
              }}
            >
              Certificate
            </Button>
            {gone || (person.access === 'account' && !person.mayReset) ? null : (
              <Button
                size="small"
                aria-label={`Make a link for ${person.name}`}
                onClick={() => {
                  void link();
                }}
              >
                {person.access === 'account' ? 'New password' : 'Link'}
              </Button>
            )}
          </>
        ) : null}
      </Stack>
      {person.certificates.map((one) => (
        <div key={one.id} className="small">
          <Box component="span" sx={{ textDecoration: one.ended === null ? 'none' : 'line-through' }}>
            {one.text}
          </Box>
          {one.ended !== null ? ` – ended: ${one.ended}` : one.holds ? '' : <b> – does not hold today</b>}
          {mayChange && one.ended === null ? (
            <Button
              size="small"
              aria-label={`End ${one.text}`}
              onClick={() => {
                setEnding(one.id);
              }}
            >
              End
            </Button>
          ) : null}
          {ending === one.id ? (
            <Stack direction="row" spacing={1} sx={{ py: 0.75, px: 0 }}>
              <TextField
                size="small"
                label="Why it ends here"
                value={why}
                onChange={(event) => {
                  setWhy(event.target.value);
                }}
              />
              <Button
                variant="outlined"
                size="small"
                onClick={() => {
                  void end();
                }}
              >
                End it
              </Button>
              <Button
                size="small"
                onClick={() => {
                  setEnding(null);
                }}
              >
                Cancel
              </Button>
            </Stack>
          ) : null}
        </div>
      ))}
      {mayChange ? (
        <div className="small">
          {person.email ?? ''}
          {person.email === null ? '' : ' · '}
          {ACCESS[person.access]}
          {person.link === null ? null : (
            <>
              {' '}
              · {person.link.words}{' '}
              <Button
                size="small"
                aria-label={`Revoke the link of ${person.name}`}
                onClick={() => {
                  setAsking('revoke');
                }}
              >
                Revoke …
              </Button>
            </>
          )}
        </div>
      ) : null}
      {path === null ? null : <OnceLink path={path} name={person.name} />}
      {changing === 'roles' ? (
        <Box sx={{ py: 0.75, px: 0 }}>
          <RoleTicks value={roles} onChange={setRoles} />
          <Stack direction="row" spacing={1}>
            <Button
              variant="outlined"
              size="small"
              onClick={() => {
                if (roles.length === 0) setAsking('membership');
                else void save();
              }}
            >
              {roles.length === 0 ? 'End the membership …' : 'Save roles'}
            </Button>
            <Button
              size="small"
              onClick={() => {
                setChanging(null);
              }}
            >
              Cancel
            </Button>
          </Stack>
        </Box>
      ) : null}
      {changing === 'certificate' ? (
        <CertificateForm
          person={person}
          onDone={() => {
            setChanging(null);
          }}
        />
      ) : null}
      {changing === 'link' && person.access !== 'account' ? (
        <Stack direction="row" spacing={1} sx={{ py: 0.75, px: 0 }}>
          <TextField
            size="small"
            label="E-mail address to sign in by"
            value={email}
            onChange={(event) => {
              setEmail(event.target.value);
            }}
          />
          <Button
            variant="outlined"
            onClick={() => {
              void link();
            }}
          >
            Make a link
          </Button>
        </Stack>
      ) : null}
      {asking === 'membership' ? (
        <Confirm
          title={`End the membership of ${person.name}?`}
          does="End the membership"
          instead="Keep it"
          onConfirm={async () => {
            await send('POST /api/people/roles', change());
            setChanging(null);
          }}
          onClose={() => {
            setAsking(null);
          }}
        >
          They see nothing of the club from now on. What they recorded stays. Admitting them again needs a new
          link.
        </Confirm>
      ) : null}
      {asking === 'revoke' ? (
        <Confirm
          title={`Revoke the link of ${person.name}?`}
          does="Revoke the link"
          instead="Keep it"
          onConfirm={async () => {
            await send('POST /api/people/links/revoke', { invitationId: person.link?.id ?? null });
            setPath(null);
          }}
          onClose={() => {
            setAsking(null);
          }}
        >
          It does not work any more then. You can make another one.
        </Confirm>
      ) : null}
      <TroubleAlert trouble={trouble} />
    </ListLine>
  );
}
