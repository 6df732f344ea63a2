import { describe, expect, it } from 'vitest';
import { cleanCase, codes, decideClean } from '@/testing/clean-case';
import { instant } from '../time/instant';
import { decide } from './decide';

const struck = (record: string, recordedAt = '2026-11-24T12:00:00Z') => ({
  strikes: { s: { recordedAt, record } },
});

describe('a struck out entry', () => {
  it.each([
    ['the annual', 'annual-2026', 'Grounded', 'annual-unknown'],
    ['the only reading', 'today', 'Grounded', 'meter-unknown'],
    ['the registration’s document check', 'registration', 'Grounded', 'document-never-checked'],
    ['the ELT', 'elt', 'Grounded', 'elt-unknown'],
    ['the equipment list', 'list', 'Grounded', 'equipment-list-unknown'],
    ['the insurance', 'insurance', 'Grounded', 'club-document-missing'],
  ])('%s stops counting', (_, record, verdict, code) => {
    const decision = decideClean(struck(record));
    expect([decision.verdict, codes(decision)]).toEqual([verdict, expect.arrayContaining([code]) as unknown]);
  });
  it('the 100-hour inspection that is struck out leaves the annual to stand in', () => {
    const reason = decideClean(struck('hundred-2026-10')).constraints.find(
      (constraint) => constraint.reason.code === 'hundred-hour-due',
    )?.reason;
    expect(reason).toMatchObject({ lastKind: 'annual' });
  });
  it('counts until the moment at which it was struck out', () => {
    const { facts, packs } = cleanCase(struck('annual-2026', '2026-11-24T12:00:00Z'));
    expect([
      decide(facts, packs, null, instant('2026-11-24T11:59:59Z')).verdict,
      decide(facts, packs, null, instant('2026-11-24T12:00:00Z')).verdict,
    ]).toEqual(['Released', 'Grounded']);
  });
  it('a finding is never struck out away, nor what somebody on duty closed', () => {
    const finding = {
      discrepancies: {
        nick: {
          happenedAt: '2026-11-24T10:00:00Z',
          recordedAt: '2026-11-24T10:05:00Z',
          what: 'Nick',
          classification: 'ground-until-mechanic',
        },
      },
    };
    const closing = {
      dispatchRestrictions: {
        storm: {
          happenedAt: '2026-11-24T10:00:00Z',
          recordedAt: '2026-11-24T10:05:00Z',
          by: 'M. Holt',
          why: 'Storm',
        },
      },
    };
    for (const [record, change] of [
      ['nick', finding],
      ['storm', closing],
    ] as const)
      expect([record, decideClean({ ...change, ...struck(record) }).verdict]).toEqual([record, 'Grounded']);
  });
  it('a strike of nothing changes nothing', () => {
    expect(decideClean(struck('nobody')).verdict).toBe('Released');
  });
  it('a wrong reading that is struck out ends the contradiction', () => {
    const wrong = {
      meterReadings: {
        slip: {
          meter: 'time-in-service',
          happenedAt: '2026-11-22T12:00:00Z',
          recordedAt: '2026-11-22T12:01:00Z',
          value: 4510.3,
        },
      },
    };
    expect([
      codes(decideClean(wrong)).includes('meter-contradicts'),
      decideClean({ ...wrong, ...struck('slip') }).verdict,
    ]).toEqual([true, 'Released']);
  });
});
