import type { Facts } from '@/queries/aircraft/facts';
import { said } from './use-fact';
import { Field, RecordForm } from './record-form';

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
