import type { Facts } from '@/queries/aircraft/facts';
import { said } from './use-fact';
import { Field, RecordForm } from './record-form';

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
