'use client';

import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import {
  useForm,
  type FieldValues,
  type Path,
  type UseFormReturn,
  type DefaultValues,
} from 'react-hook-form';
import type { FactInput } from '@/contracts/aircraft/aircraft-entry';
import { sentenceCase } from '@/explain/formats';
import type { FactLine, Facts } from '@/queries/aircraft/facts';
import { FactAnswer } from './fact-answer';
import { figure, said, useFact } from './use-fact';

const grid = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(220px, 1fr))',
  gap: 12,
} as const;

/** A small form for one record: the latest is told above it, and what is saved becomes the latest. */
function RecordForm<F extends FieldValues>({
  facts,
  name,
  lines,
  none,
  empty,
  fact,
  children,
}: {
  readonly facts: Facts;
  readonly name: string;
  readonly lines: readonly FactLine[];
  readonly none: string;
  readonly empty: DefaultValues<F>;
  readonly fact: (fields: F) => FactInput;
  readonly children: (form: UseFormReturn<F>) => ReactNode;
}) {
  const { enter, answer } = useFact(facts);
  const form = useForm<F>({ defaultValues: empty });
  const submit = async (fields: F) => {
    if (
      (await enter(fact(fields), (field, message) => {
        form.setError(field as Path<F>, { message });
      })) !== null
    )
      form.reset(empty);
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        void form.handleSubmit(submit)(event);
      }}
      aria-label={name}
      style={{ display: 'grid', gap: 12 }}
    >
      {lines.length === 0 ? (
        <p style={{ margin: 0 }}>{none}</p>
      ) : (
        <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
          {lines.map((line) => (
            <li key={line.id}>
              <b>{sentenceCase(line.text)}</b> <span className="small">{line.more}</span>
            </li>
          ))}
        </ul>
      )}
      <div style={grid}>{children(form)}</div>
      <FactAnswer {...answer} />
      <div>
        <Button type="submit" variant="outlined" disabled={form.formState.isSubmitting}>
          Save
        </Button>
      </div>
    </form>
  );
}

const shrink = { inputLabel: { shrink: true } } as const;

function Field<F extends FieldValues>({
  form,
  name,
  label,
  type = 'text',
  options,
  help = '',
}: {
  readonly form: UseFormReturn<F>;
  readonly name: Path<F>;
  readonly label: string;
  readonly type?: 'text' | 'date';
  readonly options?: readonly (readonly [string, string])[];
  readonly help?: string;
}) {
  const error = form.formState.errors[name];
  const shared = {
    label,
    error: error !== undefined,
    helperText: typeof error?.message === 'string' ? error.message : help,
    ...(type === 'date' || options !== undefined
      ? { slotProps: { ...shrink, ...(options === undefined ? {} : { select: { displayEmpty: true } }) } }
      : {}),
  };
  if (options === undefined) return <TextField {...shared} type={type} {...form.register(name)} />;
  return (
    <TextField select {...shared} value={form.watch(name) as string} {...form.register(name)}>
      {options.map(([key, words]) => (
        <MenuItem key={key} value={key}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface EltFields {
  readonly on: string;
  readonly state: string;
  readonly batteryReplaceBy: string;
  readonly usedMinutes: string;
  readonly removedOn: string;
  readonly removalEntered: string;
  readonly removalPlacarded: string;
}
const YES_NO = [
  ['', 'not known'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;
const yes = (text: string): boolean | undefined => (text === '' ? undefined : text === 'yes');

/** The ELT as it stands. */
export function EltForm({ facts }: { readonly facts: Facts }) {
  return (
    <RecordForm<EltFields>
      facts={facts}
      name="ELT"
      lines={facts.elt === null ? [] : [facts.elt]}
      none="Nobody has said whether one is fitted."
      empty={{
        on: facts.today,
        state: '',
        batteryReplaceBy: '',
        usedMinutes: '',
        removedOn: '',
        removalEntered: '',
        removalPlacarded: '',
      }}
      fact={(fields) => ({
        kind: 'elt',
        on: fields.on,
        elt: {
          state: said(fields.state) as 'fitted' | undefined,
          batteryReplaceBy: said(fields.batteryReplaceBy),
          usedMinutes: figure(fields.usedMinutes),
          removedOn: said(fields.removedOn),
          removalEntered: yes(fields.removalEntered),
          removalPlacarded: yes(fields.removalPlacarded),
        },
      })}
    >
      {(form) => (
        <>
          <Field form={form} name="on" label="As of" type="date" />
          <Field
            form={form}
            name="state"
            label="It is"
            options={[
              ['', 'not known'],
              ['fitted', 'fitted'],
              ['removed-for-repair', 'removed for repair'],
              ['not-fitted', 'not fitted'],
            ]}
          />
          <Field
            form={form}
            name="batteryReplaceBy"
            label="Battery to be replaced by"
            type="date"
            help="The date marked on its outside."
          />
          <Field
            form={form}
            name="usedMinutes"
            label="Minutes used since"
            help="0 where it never transmitted."
          />
          {form.watch('state') !== 'removed-for-repair' ? null : (
            <>
              <Field form={form} name="removedOn" label="Removed on" type="date" />
              <Field
                form={form}
                name="removalEntered"
                label="Removal entered in the record"
                options={YES_NO}
              />
              <Field form={form} name="removalPlacarded" label="Placard up" options={YES_NO} />
            </>
          )}
        </>
      )}
    </RecordForm>
  );
}

interface CheckFields {
  readonly on: string;
  readonly method: string;
  readonly errorDegrees: string;
  readonly place: string;
  readonly signedBy: string;
}

/** A VOR check that instrument flight relies on. */
export function VorCheckForm({ facts }: { readonly facts: Facts }) {
  return (
    <RecordForm<CheckFields>
      facts={facts}
      name="VOR check"
      lines={facts.vorCheck === null ? [] : [facts.vorCheck]}
      none="No check is on record: flights by instruments that rely on the receivers stay closed."
      empty={{ on: facts.today, method: '', errorDegrees: '', place: '', signedBy: '' }}
      fact={(fields) => ({
        kind: 'vor-check',
        on: fields.on,
        check: {
          method: said(fields.method) as 'dual' | undefined,
          errorDegrees: figure(fields.errorDegrees),
          place: said(fields.place),
          signedBy: said(fields.signedBy),
        },
      })}
    >
      {(form) => (
        <>
          <Field form={form} name="on" label="Checked on" type="date" />
          <Field
            form={form}
            name="method"
            label="How"
            options={[
              ['', 'not known'],
              ['test-signal', 'test signal'],
              ['ground-point', 'point on the ground'],
              ['airborne-point', 'point in the air'],
              ['airway', 'on an airway'],
              ['dual', 'one against the other'],
            ]}
          />
          <Field form={form} name="errorDegrees" label="Largest error, degrees" />
          <Field form={form} name="place" label="Where" />
          <Field form={form} name="signedBy" label="Who checked" />
        </>
      )}
    </RecordForm>
  );
}

interface DatabaseFields {
  readonly on: string;
  readonly content: string;
  readonly effectiveOn: string;
  readonly lastDay: string;
}

/** A database aboard, by the dates on its screen. */
export function DatabaseForm({ facts }: { readonly facts: Facts }) {
  return (
    <RecordForm<DatabaseFields>
      facts={facts}
      name="Database"
      lines={facts.databases}
      none="No database is on record."
      empty={{ on: facts.today, content: 'navigation', effectiveOn: '', lastDay: '' }}
      fact={(fields) => ({
        kind: 'database',
        on: fields.on,
        database: {
          content: fields.content as 'navigation',
          effectiveOn: said(fields.effectiveOn),
          lastDay: said(fields.lastDay),
        },
      })}
    >
      {(form) => (
        <>
          <Field form={form} name="on" label="Seen on" type="date" />
          <Field
            form={form}
            name="content"
            label="What it holds"
            options={[
              ['navigation', 'navigation'],
              ['obstacles', 'obstacles'],
              ['terrain', 'terrain'],
              ['charts', 'charts'],
            ]}
          />
          <Field form={form} name="effectiveOn" label="In force from" type="date" />
          <Field form={form} name="lastDay" label="Last day, as shown" type="date" />
        </>
      )}
    </RecordForm>
  );
}

interface RiggingFields {
  readonly on: string;
  readonly state: string;
  readonly assemblyCheckedBy: string;
  readonly controlsCheckedBy: string;
  readonly toolsComplete: string;
}

/** That a glider was rigged, and who checked it. */
export function RiggingForm({ facts }: { readonly facts: Facts }) {
  return (
    <RecordForm<RiggingFields>
      facts={facts}
      name="Rigging"
      lines={facts.rigging === null ? [] : [facts.rigging]}
      none="No rigging is on record."
      empty={{
        on: facts.today,
        state: 'rigged',
        assemblyCheckedBy: '',
        controlsCheckedBy: '',
        toolsComplete: '',
      }}
      fact={(fields) => ({
        kind: 'rigging',
        on: fields.on,
        rigging: {
          state: fields.state as 'rigged',
          ...(fields.state === 'derigged'
            ? {}
            : {
                assemblyCheckedBy: said(fields.assemblyCheckedBy),
                controlsCheckedBy: said(fields.controlsCheckedBy),
                toolsComplete: yes(fields.toolsComplete),
              }),
        },
      })}
    >
      {(form) => (
        <>
          <Field form={form} name="on" label="On" type="date" />
          <Field
            form={form}
            name="state"
            label="It was"
            options={[
              ['rigged', 'rigged'],
              ['derigged', 'derigged'],
            ]}
          />
          {form.watch('state') === 'derigged' ? null : (
            <>
              <Field
                form={form}
                name="assemblyCheckedBy"
                label="Critical assemblies checked by"
                help="By the maker’s list, without interruption."
              />
              <Field
                form={form}
                name="controlsCheckedBy"
                label="Controls checked by"
                help="Surfaces held against the controls, with a helper."
              />
              <Field
                form={form}
                name="toolsComplete"
                label="Tools and parts counted, none missing"
                options={YES_NO}
              />
            </>
          )}
        </>
      )}
    </RecordForm>
  );
}

interface PaperFields {
  readonly on: string;
  readonly kind: string;
  readonly name: string;
  readonly validUntil: string;
  readonly noExpiry: string;
}

/** Insurance, and documents that the club itself asks for. */
export function ClubDocumentForm({ facts }: { readonly facts: Facts }) {
  return (
    <RecordForm<PaperFields>
      facts={facts}
      name="Club document"
      lines={facts.clubDocuments}
      none="No insurance and no club document is on record."
      empty={{ on: facts.today, kind: 'insurance', name: 'Insurance', validUntil: '', noExpiry: 'no' }}
      fact={(fields) => ({
        kind: 'club-document',
        on: fields.on,
        paper: {
          kind: fields.kind as 'insurance',
          name: fields.name,
          validUntil: fields.noExpiry === 'yes' ? 'no-expiry' : said(fields.validUntil),
        },
      })}
    >
      {(form) => (
        <>
          <Field form={form} name="on" label="Seen on" type="date" />
          <Field
            form={form}
            name="kind"
            label="Kind"
            options={[
              ['insurance', 'insurance'],
              ['club', 'club document'],
            ]}
          />
          <Field form={form} name="name" label="Name" />
          <Field form={form} name="validUntil" label="Valid to, that day included" type="date" />
          <Field
            form={form}
            name="noExpiry"
            label="It states no expiry"
            options={[
              ['no', 'no'],
              ['yes', 'yes'],
            ]}
          />
        </>
      )}
    </RecordForm>
  );
}
