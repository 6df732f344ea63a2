import type { Facts } from '@/queries/aircraft/facts';
import { figure, said } from './use-fact';
import { Field, RecordForm, YES_NO, yes } from './record-form';

interface EltFields {
  readonly on: string;
  readonly state: string;
  readonly batteryReplaceBy: string;
  readonly usedMinutes: string;
  readonly removedOn: string;
  readonly removalEntered: string;
  readonly removalPlacarded: string;
}

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
