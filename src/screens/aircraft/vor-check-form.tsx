import type { Facts } from '@/queries/aircraft/facts';
import { figure, said } from './use-fact';
import { Field, RecordForm } from './record-form';

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
