import { describe, expect, it } from 'vitest';
import { decideClean } from '@/testing/clean-case';
import { source } from './source';

const open = (classification: string | null) => decideClean({ discrepancies: { d: { happenedAt: '2026-11-22T12:00:00Z', recordedAt: '2026-11-22T12:00:00Z', what: 'Fuel streak under the wing', classification } } });

describe(source.section, () => {
  it('91.7(a): not airworthy may not be operated, for any purpose', () => {
    const decision = open('ground-until-mechanic');
    expect(decision.verdict).toBe('Grounded');
    expect(decision.open.every((bits) => bits === 0)).toBe(true);
  });
  it('91.405(a): stays closed until it was repaired, however long ago it was found', () => {
    const old = decideClean({ discrepancies: { d: { happenedAt: '2024-01-01T12:00:00Z', recordedAt: '2024-01-01T12:00:00Z', what: 'Crack' } } });
    expect(old.verdict).toBe('Grounded');
  });
  it('91.407(a): two conditions, the approval and the entry; work without a signature is neither', () => {
    const decision = decideClean({ discrepancies: { d: { happenedAt: '2026-11-22T12:00:00Z', recordedAt: '2026-11-22T12:00:00Z', what: 'Crack', rectification: { recordedAt: '2026-11-23T12:00:00Z', work: 'repaired', description: 'Stop-drilled and patched.', completedOn: '2026-11-23' } } } });
    expect(decision.verdict).toBe('Grounded');
  });
});
