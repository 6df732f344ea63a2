import { describe, expect, it } from 'vitest';
import { civilDate } from '../../time/civil-date';
import { addSeconds, instant } from '../../time/instant';
import {
  samePerson,
  signatureFaults,
  signatureKnownAt,
  type Certificate,
  type Signature,
  type SignatureFault,
} from './certificate';

const DAY = civilDate('2026-11-24');
const certificate: Certificate = {
  kind: 'mechanic-airframe-powerplant',
  number: 'A-11',
  validFrom: civilDate('2020-01-01'),
  validUntil: 'no-expiry',
};
const signature: Signature = { name: 'Tomas Brandl', certificate };
const by = (change: Partial<Certificate>): Signature => ({
  name: 'Tomas Brandl',
  certificate: { ...certificate, ...change },
});

describe('the faults of a signature', () => {
  // 14 CFR 43.9(a)(4), 43.11(a)(3): signature, certificate number and kind (from memory). The rest is ours.
  it.each<[string, Signature | null, readonly SignatureFault[]]>([
    ['in order', signature, []],
    ['nobody signed', null, ['name-missing', 'certificate-missing']],
    ['no name', { ...signature, name: null }, ['name-missing']],
    ['blanks for a name', { ...signature, name: '  ' }, ['name-missing']],
    ['no certificate', { ...signature, certificate: null }, ['certificate-missing']],
    ['neither', { name: '', certificate: null }, ['name-missing', 'certificate-missing']],
    ['no number', by({ number: null }), ['certificate-number-missing']],
    ['blanks for a number', by({ number: ' ' }), ['certificate-number-missing']],
    ['not entitled', by({ kind: 'student-pilot' }), ['certificate-kind-not-entitled']],
    ['valid from not known', by({ validFrom: null }), ['certificate-validity-unknown']],
    ['valid until not known', by({ validUntil: null }), ['certificate-validity-unknown']],
    ['valid from that day on', by({ validFrom: DAY }), []],
    ['valid from the day after', by({ validFrom: civilDate('2026-11-25') }), ['certificate-not-valid-then']],
    ['valid to that day', by({ validUntil: DAY }), []],
    ['valid to the day before', by({ validUntil: civilDate('2026-11-23') }), ['certificate-not-valid-then']],
    [
      'not valid yet, without an end',
      by({ validFrom: civilDate('2026-11-25'), validUntil: 'no-expiry' }),
      ['certificate-not-valid-then'],
    ],
    ['a copy for which nobody vouched', { ...signature, vouched: 'nobody' }, ['copy-not-vouched']],
    [
      'a copy for which somebody vouched',
      { ...signature, vouched: { recordedAt: instant('2026-11-24T12:00:00Z') } },
      [],
    ],
    [
      'everything at once',
      {
        name: ' ',
        certificate: { ...certificate, kind: 'student-pilot', number: '', validUntil: null },
        vouched: 'nobody',
      },
      [
        'copy-not-vouched',
        'name-missing',
        'certificate-kind-not-entitled',
        'certificate-number-missing',
        'certificate-validity-unknown',
      ],
    ],
  ])('%s', (_, given, faults) => {
    expect(signatureFaults(given, 'return-to-service', DAY, 'us')).toEqual(faults);
  });
});

describe('a signature as it was known at a moment', () => {
  const moment = instant('2026-11-24T12:00:00Z');
  const vouchedAt = (at: typeof moment): Signature => ({ ...signature, vouched: { recordedAt: at } });
  it.each<[string, Signature | null, Signature | null]>([
    ['nobody signed', null, null],
    ['given here', signature, signature],
    ['a copy', { ...signature, vouched: 'nobody' }, { ...signature, vouched: 'nobody' }],
    ['vouched for just then', vouchedAt(moment), vouchedAt(moment)],
    ['vouched for before', vouchedAt(addSeconds(moment, -1)), vouchedAt(addSeconds(moment, -1))],
    ['vouched for later', vouchedAt(addSeconds(moment, 1)), { ...signature, vouched: 'nobody' }],
  ])('%s', (_, given, known) => {
    expect(signatureKnownAt(given, moment)).toEqual(known);
  });
});

describe('whether two signatures are one person’s', () => {
  const other = by({ number: 'B-7' });
  const ines: Signature = { ...other, name: 'Ines Marrow' };
  it.each<[string, Signature | null, Signature | null, boolean]>([
    ['another name and number', signature, ines, false],
    ['one number, however it is spelt', signature, { ...by({ number: ' a.11 ' }), name: 'T. Brand' }, true],
    ['one name, however it is spelt', signature, { ...other, name: 'TOMAS  brandl ' }, true],
    [
      'a name with stops and dashes',
      { ...ines, name: 'I.-Marrow' },
      { ...other, name: 'i marrow', certificate: { ...certificate, number: 'C-3' } },
      true,
    ],
    ['no number is said', signature, { ...ines, certificate: null }, true],
    ['no name is said', signature, { ...ines, name: null }, true],
    ['blanks for a number', { ...signature, certificate: { ...certificate, number: ' ' } }, ines, true],
    ['nobody', signature, null, false],
    ['nobody at all', null, null, false],
  ])('%s', (_, a, b, same) => {
    expect([samePerson(a, b), samePerson(b, a)]).toEqual([same, same]);
  });
});
