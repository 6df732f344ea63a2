import type { Facts } from '@/queries/aircraft/facts';
import { said } from './use-fact';
import { Field, RecordForm, YES_NO, yes } from './record-form';

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
