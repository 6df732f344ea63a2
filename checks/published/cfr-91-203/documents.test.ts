import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideClean } from '@/testing/clean-case';
import { source } from './source';

describe(source.section, () => {
  it.each([
    [
      'certificate aboard but not displayed fails (b)',
      { documents: { airworthiness: { displayed: false } } },
      'certificate-not-displayed',
    ],
    [
      'airworthiness certificate not aboard fails (a)(1)',
      { documents: { airworthiness: { aboard: false } } },
      'document-not-aboard',
    ],
    [
      'registration not aboard fails (a)(2)',
      { documents: { registration: { aboard: false } } },
      'document-not-aboard',
    ],
    ['weight and balance not aboard', { documents: { loading: { aboard: false } } }, 'document-not-aboard'],
    [
      'a cabin tank without its Form 337 aboard fails (c)',
      { documents: { tank: { tankFitted: true, aboard: false, legible: false } } },
      'document-not-aboard',
    ],
    [
      'first flown 1980 with placards only fails 91.9(b)(1)',
      { aircraft: { firstFlownOn: '1980-06-01' }, documents: { manual: { form: 'placards-and-markings' } } },
      'flight-manual-needed',
    ],
    [
      'first flown on 1 March 1979: a manual is needed',
      { aircraft: { firstFlownOn: '1979-03-01' }, documents: { manual: { form: 'placards-and-markings' } } },
      'flight-manual-needed',
    ],
  ] as const)('%s', (_, change, code) => {
    const decision = decideClean(change as unknown as Json);
    expect([decision.verdict, codes(decision)]).toEqual(['Grounded', [code]]);
  });
  it.each([['1978-05-02'], ['1979-02-28']])(
    'first flown %s: placards and markings may do (91.9(b)(2))',
    (firstFlownOn) => {
      expect(
        decideClean({ aircraft: { firstFlownOn }, documents: { manual: { form: 'placards-and-markings' } } })
          .verdict,
      ).toBe('Released');
    },
  );
  it('the radio licence is needed only abroad', () => {
    expect(decideClean({ documents: { radio: { aboard: false } } }).verdict).toBe('Restricted');
  });
});
