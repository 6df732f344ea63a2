import { describe, expect, it } from 'vitest';
import { codes, decideBy, decideClean } from '@/testing/clean-case';
import { registrationValidity } from '@/core/rules/registration-validity';
import { civilDate } from '@/core/time/civil-date';
import { source } from './source';

const validity = (issuedOn: string | null, printedExpiry: string | null) =>
  registrationValidity({
    issuedOn: issuedOn === null ? null : civilDate(issuedOn),
    printedExpiry: printedExpiry === null ? null : civilDate(printedExpiry),
  });

describe(source.section, () => {
  it.each([
    [
      'issued 2023-02-10, seven years from the end of its month',
      '2023-02-10',
      null,
      '2030-02-28',
      'issue-date',
    ],
    // Read literally 2032-02-28, by month end 2032-02-29: the earlier is used (a settled reading of this project).
    ['issued 2025-02-01, the earlier of two readings', '2025-02-01', null, '2032-02-28', 'issue-date'],
    ['a three-year date stretched in 2023', '2021-05-14', '2024-05-31', '2028-05-31', 'printed-extended'],
    ['the printed date wins over computing it', '2024-05-14', '2031-05-31', '2031-05-31', 'printed'],
    ['a printed date alone', null, '2031-05-31', '2031-05-31', 'printed'],
    [
      'a printed date alone is not stretched: nobody knows that it was a three-year one',
      null,
      '2024-05-31',
      '2024-05-31',
      'printed',
    ],
  ] as const)('%s', (_, issued, printed, lastDay, basis) => {
    expect(validity(issued, printed)).toEqual({ lastDay, basis });
  });

  it('dates that cannot both be right are a contradiction', () => {
    expect(validity('2024-05-14', '2024-05-13')).toHaveProperty('contradiction');
    expect(validity('2024-05-14', '2031-12-01')).toHaveProperty('contradiction');
    expect(validity(null, null)).toBeNull();
  });

  it.each([
    ['2031-05-31', 'Released'],
    ['2031-06-01', 'Grounded'],
  ] as const)('asked on %s', (date, verdict) => {
    const seen = { happenedAt: `${date}T12:00:00Z`, recordedAt: `${date}T12:00:00Z` };
    const annual = {
      a: {
        kind: 'annual',
        completedOn: '2031-05-01',
        recordedAt: '2031-05-01T20:00:00Z',
        timeInService: 4160,
        outcome: 'approved',
        signedBy: {
          name: 'Ida Quell',
          certificate: {
            kind: 'repair-station',
            number: 'RS-1',
            validFrom: '2015-01-01',
            validUntil: 'no-expiry',
          },
        },
      },
    };
    const decision = decideBy(['registration-validity', 'annual-inspection'], {
      asOf: `${date}T12:00:00Z`,
      inspections: annual,
      meterReadings: { today: { ...seen, value: 4160 } },
      documents: {
        airworthiness: seen,
        registration: seen,
        manual: seen,
        loading: seen,
        radio: seen,
        tank: seen,
      },
    });
    expect(decision.verdict).toBe(verdict);
  });

  it('47.41(a): sold, it ends at once though a later date is printed on it', () => {
    const sold = (on: string) =>
      decideClean({ documents: { registration: { ended: { on, because: 'ownership-transferred' } } } });
    expect(codes(sold('2026-11-24'))).toEqual(['registration-ended']);
    expect(sold('2026-11-24').verdict).toBe('Grounded');
    expect(sold('2026-11-25').verdict).toBe('Released');
  });
  it('47.41(a): seeing the old certificate aboard once more does not undo a sale; a new one does', () => {
    const later = {
      kind: 'registration-certificate',
      happenedAt: '2026-11-23T12:00:00Z',
      recordedAt: '2026-11-23T12:05:00Z',
      aboard: true,
      legible: true,
      registrationShown: 'N02TB',
    };
    const sold = { registration: { ended: { on: '2026-11-20', because: 'ownership-transferred' } } };
    expect(
      codes(
        decideClean({
          documents: { ...sold, later: { ...later, issuedOn: '2024-05-14', printedExpiry: '2031-05-31' } },
        }),
      ),
    ).toEqual(['registration-ended']);
    expect(
      decideClean({
        documents: { ...sold, later: { ...later, issuedOn: '2026-11-22', printedExpiry: '2033-11-30' } },
      }).verdict,
    ).toBe('Released');
  });
  it('47.41(a): a holder’s death ends it after 30 days', () => {
    const died = (on: string) =>
      decideClean({ documents: { registration: { ended: { on, because: 'holder-died' } } } }).verdict;
    expect([died('2026-10-26'), died('2026-10-25')]).toEqual(['Released', 'Grounded']);
  });
});
