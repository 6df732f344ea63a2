import { describe, expect, it } from 'vitest';
import { REGULATION_POLICY, USUAL_POLICY, policyFrom } from '@/core/rules/packs/club-policy';
import { decideClean } from '@/testing/clean-case';
import { policyCloses } from './policy';

const bare = {
  clubDocuments: null,
  equipment: { list: { items: { 'fire-extinguisher': 'not-fitted', 'monoxide-detector': 'not-fitted' } } },
};
const verdict = (parameters: object) =>
  decideClean({
    ...bare,
    packs: [
      { id: 'us-part91', parameters: { trainingUnder: 'part-61' } },
      { id: 'club-policy', parameters: { ...parameters } },
    ],
  }).verdict;

describe('the rules that a club begins with', () => {
  it('as the regulation close nothing that the authority leaves open, and say so', () => {
    expect(policyFrom({ ...REGULATION_POLICY })).toEqual(REGULATION_POLICY);
    expect([verdict(REGULATION_POLICY), policyCloses(REGULATION_POLICY)]).toEqual(['Released', []]);
  });
  it('as careful clubs do close more, each with its words', () => {
    expect(verdict(USUAL_POLICY)).toBe('Grounded');
    expect(policyCloses(USUAL_POLICY)).toHaveLength(9);
    expect(policyCloses(USUAL_POLICY)).toContain('every flight without insurance on record');
  });
  it('each choice by itself is told alone', () => {
    for (const name of Object.keys(USUAL_POLICY) as readonly (keyof typeof USUAL_POLICY)[]) {
      const one = { ...REGULATION_POLICY, [name]: USUAL_POLICY[name] };
      expect([name, policyCloses(one).length]).toEqual([
        name,
        USUAL_POLICY[name] === REGULATION_POLICY[name] ? 0 : 1,
      ]);
    }
  });
});
