import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { may } from '@/contracts/kernel/permissions';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import type { Folder } from '@/queries/aircraft/folder-view';
import { DayField } from '../kit/day-field';
import { Section } from '../kit/section';
import { lazily } from '../kit/lazily';

const SignedWorkForm = lazily(
  () => import('./signed-work-form').then((module) => module.SignedWorkForm),
  240,
);

/**
 * The special flight permits that are not over; and the form for one more, for the mechanic who states that the
 * aircraft is safe for its flight, where something grounds it. Nothing where there is neither.
 */
export function PermitPart({
  page,
  folder,
  roles,
}: {
  readonly page: AircraftPage;
  readonly folder: Folder;
  readonly roles: readonly string[];
}) {
  const [number, setNumber] = useState('');
  const [shown, setShown] = useState(page.registration);
  const [validFrom, setValidFrom] = useState(page.today);
  const [validUntil, setValidUntil] = useState('');
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const isOffered = page.verdict === 'Grounded' && may(roles, 'enter-permit');
  if (!isOffered && page.permits.length === 0) return null;
  const text = (name: string, label: string, value: string, change: (value: string) => void) => (
    <TextField
      label={label}
      value={value}
      onChange={({ target }) => {
        change(target.value);
      }}
      error={faults[name] !== undefined}
      helperText={faults[name]}
    />
  );
  return (
    <Section id="permit" title="Special flight permit">
      <p>
        It opens a flight by day to where the aircraft is corrected, with nobody aboard but required crew, and
        nothing that an AD forbids.
      </p>
      {page.permits.length === 0 ? null : (
        <Stack component="ul" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0, mb: 1.5 }}>
          {page.permits.map(({ id, number, conditions, tells, by }) => (
            <li key={id}>
              <b>{number}</b>
              {conditions === '' ? '' : `: ${conditions}`}
              <div className="small">
                {tells}
                {by === '' ? '' : ` Signed as safe for this flight by ${by}.`}
              </div>
            </li>
          ))}
        </Stack>
      )}
      {!isOffered ? null : (
        <SignedWorkForm
          folder={folder}
          work={{
            opens: 'Enter a permit …',
            label: 'Special flight permit',
            describe: 'Route and conditions, as they stand on it',
            signs: 'Sign: safe for this flight',
            day: 'Aircraft looked at on',
          }}
          send={async (post, { id, description, ...fields }, place) => {
            setFaults({});
            const done = await post(
              'POST /api/permits',
              {
                ...fields,
                permitId: id,
                aircraftId: folder.aircraftId,
                seenRevision: folder.revision,
                number,
                registrationShown: shown,
                validFrom,
                validUntil,
                untilTimeInService: null,
                aboard: true,
                conditions: description,
              },
              (path, message) => {
                setFaults((before) => ({ ...before, [path]: message }));
                place(path === 'conditions' ? 'description' : path, message);
              },
            );
            if (done !== null) {
              setNumber('');
              setValidUntil('');
            }
            return done;
          }}
        >
          <Stack spacing={1.5}>
            {text('number', 'Number of the permit', number, setNumber)}
            {text('registrationShown', 'Registration that it shows', shown, setShown)}
            <DayField
              label="Valid from"
              value={validFrom}
              onChange={setValidFrom}
              error={faults['validFrom']}
            />
            <DayField
              label="Valid until"
              value={validUntil}
              onChange={setValidUntil}
              min={page.today}
              error={faults['validUntil']}
            />
            <p className="small">By entering it you say that the permit is on board.</p>
          </Stack>
        </SignedWorkForm>
      )}
    </Section>
  );
}
