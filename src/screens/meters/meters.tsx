'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { Folder } from '@/queries/aircraft/folder-view';
import { Boxes } from './boxes';
import { MeterForm } from './meter-form';
import { ReadMeters } from './read-meters';
import { SignedTrouble, useSigned } from '../kit/signed-form';
import { StrikeForm, StruckText } from '../maintenance/strike-form';

/** So many readings are shown at once. */
const SHOWN = 8;

type Gap = Folder['unlogged'][number];

/** Says who flew a stretch that nobody wrote down, and how many landings it had; what is not known stays empty. */
function Attribute({ folder, gap }: { readonly folder: Folder; readonly gap: Gap }) {
  const [attributionId, setAttributionId] = useState(() => crypto.randomUUID());
  const { sign, trouble } = useSigned();
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({
    defaultValues: {
      to: gap.attributedTo ?? gap.lastBy ?? '',
      note: gap.note ?? '',
      landings: '',
      towLaunches: '',
    },
  });
  const tows = gap.asks.includes('tow-launches');
  const count = (text: string) => (text.trim() === '' ? null : Number(text));
  const submit = async (given: { to: string; note: string; landings: string; towLaunches: string }) => {
    const recorded = await sign(
      '/api/unlogged',
      {
        attributionId,
        aircraftId: folder.aircraftId,
        unlogged: gap.id,
        to: given.to,
        note: given.note.trim() === '' ? null : given.note.trim(),
        landings: count(given.landings),
        towLaunches: count(given.towLaunches),
      },
      (path, message) => {
        setError(path as 'to', { message });
      },
    );
    if (recorded) setAttributionId(crypto.randomUUID());
  };
  const number = (name: 'landings' | 'towLaunches', label: string) => (
    <TextField
      size="small"
      label={label}
      {...register(name, {
        validate: (text) =>
          text.trim() === '' || /^\d{1,3}$/.test(text.trim()) || 'A whole number, or empty.',
      })}
      error={errors[name] !== undefined}
      helperText={errors[name]?.message ?? 'empty: not known'}
      style={{ width: 150 }}
      slotProps={{ htmlInput: { inputMode: 'numeric', className: 'figure' } }}
    />
  );
  return (
    <form
      noValidate
      onSubmit={(event) => {
        void handleSubmit(submit)(event);
      }}
      aria-label={`Who flew ${gap.length} on ${gap.name}`}
      style={{ display: 'flex', gap: 8, alignItems: 'flex-start', flexWrap: 'wrap', padding: '12px 0 6px' }}
    >
      <TextField
        size="small"
        label="Flown by"
        {...register('to')}
        error={errors.to !== undefined}
        helperText={errors.to?.message}
      />
      {gap.asks.length === 0 ? null : number('landings', 'Landings')}
      {tows ? number('towLaunches', 'Tow launches') : null}
      <TextField
        size="small"
        label="Note"
        {...register('note')}
        error={errors.note !== undefined}
        helperText={errors.note?.message}
      />
      <Button type="submit" variant="outlined" disabled={isSubmitting}>
        Say so
      </Button>
      <SignedTrouble trouble={trouble} />
    </form>
  );
}

function Reading({
  folder,
  reading,
  keeper,
}: {
  readonly folder: Folder;
  readonly reading: Folder['readings'][number];
  readonly keeper: boolean;
}) {
  return (
    <li style={{ borderTop: '1px solid var(--rule)', padding: '6px 0' }}>
      <div style={{ display: 'flex', gap: 12, alignItems: 'baseline' }}>
        <span className="mono small" style={{ width: 150 }}>
          {reading.when}
        </span>
        <span style={{ flex: 1, textDecoration: reading.struck === null ? 'none' : 'line-through' }}>
          {reading.name} <span className="figure">{reading.shown}</span>{' '}
          <span className="small">{reading.whose}</span>
        </span>
        {keeper && reading.struck === null ? (
          <StrikeForm
            folder={folder}
            recordId={reading.id}
            kind="reading"
            what={`${reading.name} ${reading.shown} of ${reading.when}`}
            shown={reading.shown}
          />
        ) : null}
      </div>
      <StruckText struck={reading.struck} />
    </li>
  );
}

/** The meters of an aircraft, what each counts towards, the chain of readings, and the stretches that nobody wrote down. */
export function Meters({ folder, roles }: { readonly folder: Folder; readonly roles: readonly string[] }) {
  const [reading, setReading] = useState(false);
  const keeper = roles.some((role) => role === 'dispatcher' || role === 'mechanic');
  const inUse = folder.dials.filter(({ replaced }) => !replaced);
  const former = folder.dials.filter(({ replaced }) => replaced);
  return (
    <section aria-labelledby="meters">
      <div style={{ display: 'flex', alignItems: 'center', gap: 12, marginTop: 24 }}>
        <h2 id="meters" style={{ margin: 0, flex: 1 }}>
          Meters
        </h2>
        {reading || (folder.panel.dials.length === 0 && folder.panel.service === null) ? null : (
          <Button
            variant="outlined"
            size="small"
            onClick={() => {
              setReading(true);
            }}
          >
            Read the meters …
          </Button>
        )}
      </div>
      {reading ? (
        <ReadMeters
          folder={folder}
          onDone={() => {
            setReading(false);
          }}
        />
      ) : null}
      {inUse.length === 0 ? <p>Nobody has said yet which meters it has.</p> : null}
      <ul style={{ margin: 0, padding: 0, listStyle: 'none' }}>
        {inUse.map((dial) => (
          <li key={dial.id} style={{ borderTop: '1px solid var(--rule)', padding: '8px 0' }}>
            <div style={{ display: 'flex', gap: 12, alignItems: 'baseline' }}>
              <b style={{ flex: 1 }}>{dial.name}</b>
              <span className="figure" style={{ fontSize: 18 }}>
                {dial.shows}
              </span>
            </div>
            <div className="small">
              {dial.counts.map(({ name, stands }) => `${name} ${stands}`).join(' · ')}
              {dial.bills ? ' · flights are billed by it' : ''}
              {dial.why === null ? '' : ` · since ${dial.since}: ${dial.why}`}
            </div>
            {keeper ? <MeterForm folder={folder} dial={dial} /> : null}
          </li>
        ))}
      </ul>
      {former.length === 0 ? null : (
        <p className="small">
          Before: {former.map(({ name, since }) => `${name}, from ${since}`).join('; ')}.
        </p>
      )}
      {keeper ? <MeterForm folder={folder} dial={null} /> : null}
      <Boxes folder={folder} keeper={keeper} />
      {folder.unlogged.length === 0 ? null : (
        <div>
          <h3>Nobody wrote down</h3>
          <ul style={{ margin: 0, padding: 0, listStyle: 'none' }}>
            {folder.unlogged.map((gap) => (
              <li
                key={gap.id}
                style={{
                  borderTop: '1px solid var(--rule)',
                  borderLeft: '4px dashed var(--restricted)',
                  padding: '6px 0 6px 12px',
                }}
              >
                <span style={{ textDecoration: gap.struck === null ? 'none' : 'line-through' }}>
                  <b className="figure">{gap.length}</b> on {gap.name},{' '}
                  <span className="mono">{gap.from}</span> to <span className="mono">{gap.to}</span>; seen{' '}
                  {gap.when}.
                </span>{' '}
                {gap.struck === null ? 'It counts towards every limit.' : ''}
                <StruckText struck={gap.struck} />
                <div className="small">
                  {gap.struck !== null
                    ? ''
                    : gap.attributedTo === null
                      ? `Last before it: ${gap.lastBy ?? 'nobody on record'}. Nobody is named yet.`
                      : `Flown by ${gap.attributedTo}.${gap.note === null ? '' : ` ${gap.note}`}`}
                </div>
                {gap.counts === '' ? null : (
                  <div className="small">
                    <b>{gap.counts}</b>
                  </div>
                )}
                {gap.struck === null
                && (gap.attributedTo === null || gap.asks.length > 0)
                && roles.includes('dispatcher') ? (
                  <Attribute key={gap.attributedTo} folder={folder} gap={gap} />
                ) : null}
              </li>
            ))}
          </ul>
        </div>
      )}
      <h3>Readings</h3>
      <ul style={{ margin: 0, padding: 0, listStyle: 'none' }}>
        {folder.readings.slice(0, SHOWN).map((one) => (
          <Reading key={one.id} folder={folder} reading={one} keeper={keeper} />
        ))}
      </ul>
      {folder.readings.length > SHOWN ? (
        <details>
          <summary style={{ padding: '8px 0', borderTop: '1px solid var(--rule)', cursor: 'pointer' }}>
            {folder.readings.length - SHOWN} earlier
          </summary>
          <ul style={{ margin: 0, padding: 0, listStyle: 'none' }}>
            {folder.readings.slice(SHOWN).map((one) => (
              <Reading key={one.id} folder={folder} reading={one} keeper={keeper} />
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  );
}
