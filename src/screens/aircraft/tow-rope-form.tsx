import type { Facts } from '@/queries/aircraft/facts';
import { Field, RecordForm, YES_NO, yes } from './record-form';

interface RopeFields {
  readonly on: string;
  readonly strength: string;
  readonly sound: string;
  readonly gliderWeight: string;
  readonly gliderLink: string;
  readonly tugLink: string;
}

/**
 * Whole pounds as somebody typed them; undefined where nothing is known. What is no number is sent as it is, so that it is refused with
 * why.
 */
const pounds = (text: string): number | undefined => (text.trim() === '' ? undefined : Number(text.trim()));
/** A link: its strength, none, or not known. */
const link = (text: string): number | 'none' | undefined =>
  text.trim().toLowerCase() === 'none' ? 'none' : pounds(text);

/** The rope and its links for a tow, and the glider that they are to fit. */
export function TowRopeForm({ facts }: { readonly facts: Facts }) {
  return (
    <RecordForm<RopeFields>
      facts={facts}
      name="Tow rope"
      lines={facts.towRope === null ? [] : [facts.towRope]}
      none="No tow rope is on record."
      empty={{ on: facts.today, strength: '', sound: '', gliderWeight: '', gliderLink: '', tugLink: '' }}
      fact={(fields) => ({
        kind: 'tow-rope',
        on: fields.on,
        rope: {
          strength: pounds(fields.strength),
          sound: yes(fields.sound),
          gliderWeight: pounds(fields.gliderWeight),
          gliderLink: link(fields.gliderLink),
          tugLink: link(fields.tugLink),
        },
      })}
    >
      {(form) => (
        <>
          <Field form={form} name="on" label="Looked at on" type="date" />
          <Field form={form} name="strength" label="Breaking strength of the rope, lb" />
          <Field form={form} name="sound" label="No knot, no broken strand, rings good" options={YES_NO} />
          <Field
            form={form}
            name="gliderWeight"
            label="Maximum weight of the glider, lb"
            help="The certificated operating weight; the heaviest where several are towed."
          />
          <Field form={form} name="gliderLink" label="Weak link at the glider, lb" help="Or “none”." />
          <Field form={form} name="tugLink" label="Weak link at the tug, lb" help="Or “none”." />
        </>
      )}
    </RecordForm>
  );
}
