'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { CERTIFICATE_KINDS } from '@/core/records/club/certificate';
import { sentenceCase } from '@/explain/wording';
import { CERTIFICATE_CHOICES } from '@/explain/names';
import { DayField } from './day-field';
import { FieldGrid } from './layout';

/** Who signs, as a form holds it. */
export interface SignerText {
  readonly by: string;
  readonly name: string;
  readonly kind: string;
  readonly number: string;
  readonly from: string;
  readonly until: string;
}

const COPIED = 'copied';

/** A first choice: an own certificate where there is one. */
export const firstSigner = (
  own: readonly { readonly id: string }[],
  copies: boolean,
  kind: string,
): SignerText => ({
  by: own[0]?.id ?? (copies ? COPIED : ''),
  name: '',
  kind,
  number: '',
  from: '',
  until: '',
});

/** The same as it is sent. */
export function signerOf({ by, name, kind, number, from, until }: SignerText) {
  return by === COPIED
    ? {
        by: 'copied-from-logbook',
        name,
        kind,
        number,
        validFrom: from,
        validUntil: until === '' ? 'no-expiry' : until,
      }
    : { by: 'own-certificate', certificateId: by };
}

/** By an own certificate, or copied from paper with who signed there. */
export function SignerFields({
  own,
  copies,
  value,
  onChange,
  error,
}: {
  readonly own: readonly { readonly id: string; readonly name: string }[];
  readonly copies: boolean;
  readonly value: SignerText;
  readonly onChange: (value: SignerText) => void;
  readonly error?: string | undefined;
}) {
  const set = (change: Partial<SignerText>) => {
    onChange({ ...value, ...change });
  };
  const text = (name: 'name' | 'number', label: string) => (
    <TextField
      label={label}
      value={value[name]}
      onChange={(event) => {
        set({ [name]: event.target.value });
      }}
    />
  );
  const day = (name: 'from' | 'until', label: string) => (
    <DayField
      label={label}
      value={value[name]}
      onChange={(day) => {
        set({ [name]: day });
      }}
    />
  );
  return (
    <>
      <TextField
        select
        label="Signed by"
        value={value.by}
        onChange={(event) => {
          set({ by: event.target.value });
        }}
        error={error !== undefined}
        helperText={error}
      >
        {own.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            me, {name}
          </MenuItem>
        ))}
        {copies ? <MenuItem value={COPIED}>somebody else, on paper: I copy it</MenuItem> : null}
        {own.length === 0 && !copies ? (
          <MenuItem value="" disabled>
            none of your certificates may sign this
          </MenuItem>
        ) : null}
      </TextField>
      {value.by !== COPIED ? null : (
        <FieldGrid>
          {text('name', 'Who signed there')}
          <TextField
            select
            label="Kind of certificate"
            value={value.kind}
            onChange={(event) => {
              set({ kind: event.target.value });
            }}
          >
            {CERTIFICATE_KINDS.map((kind) => (
              <MenuItem key={kind} value={kind}>
                {sentenceCase(CERTIFICATE_CHOICES[kind])}
              </MenuItem>
            ))}
          </TextField>
          {text('number', 'Certificate number')}
          <span />
          {day('from', 'Valid from')}
          {day('until', 'Valid until (empty: does not expire)')}
        </FieldGrid>
      )}
    </>
  );
}
