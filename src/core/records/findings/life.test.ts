import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { engineer, found } from '@/testing/rules/maintenance';
import { AIRCRAFT_ACTS } from '../ledger-act';
import { knownAt } from '../facts';
import { FINDING_STATES, FINDING_STEPS, isFindingStep, stateOfFinding } from './life';

const mechanic = {
  ...engineer,
  certificate: { ...engineer.certificate, kind: 'mechanic-airframe-powerplant', number: 'AP-1' },
};
const at = { recordedAt: '2026-11-21T18:00:00Z' };
const watching = { ...at, decision: 'watch', signedBy: mechanic, watch: { recheckBy: '2026-12-20' } };
const repaired = {
  ...at,
  work: 'repaired',
  description: 'Dressed',
  completedOn: '2026-11-21',
  signedBy: mechanic,
};
const LAMP = { classification: 'deferral-path', equipment: ['landing-light'] };
const deferral = {
  ...at,
  deferredOn: '2026-11-21',
  action: 'deactivated',
  placarded: true,
  entered: 'not-maintenance',
  noHazard: mechanic,
};
const stateOf = (change: Change) => {
  const { facts, asOf } = cleanCase(found(change));
  const [one] = knownAt(facts, asOf, 'us').discrepancies;
  if (one === undefined) throw new Error('no finding');
  return stateOfFinding(one, facts.place.zone, 'us');
};

describe('two decisions to watch of one moment', () => {
  it('hold by the earlier of their limits, whatever their ids', () => {
    const early = { ...watching, watch: { recheckBy: '2026-12-01', correctBy: '2027-03-01' } };
    const late = { ...watching, watch: { recheckBy: '2026-12-20', correctBy: '2027-01-01' } };
    const watchOf = (triage: Change) => {
      const { facts, asOf } = cleanCase(found({ triage }));
      return knownAt(facts, asOf, 'us').discrepancies[0]?.watch;
    };
    for (const triage of [
      { a: early, b: late },
      { a: late, b: early },
    ])
      expect(watchOf(triage)).toMatchObject({ recheckBy: '2026-12-01', correctBy: '2027-01-01' });
  });
});

describe('where a finding stands', () => {
  it.each([
    ['reported', {}],
    ['decided', { triage: { t: { ...at, decision: 'stays' } } }],
    ['grounded', { triage: { t: { ...at, decision: 'grounds' } } }],
    ['watched', { triage: { t: watching } }],
    ['watched', { triage: { t: watching, u: { recordedAt: '2026-11-21T19:00:00Z', decision: 'stays' } } }],
    ['grounded', { triage: { t: watching, u: { recordedAt: '2026-11-21T19:00:00Z', decision: 'grounds' } } }],
    ['decided', { triage: { t: { ...watching, signedBy: null } } }],
    ['same-as-another', { triage: { t: { ...at, decision: 'same-as', sameAs: 'e' } } }],
    // Of one moment the stricter holds, whatever the ids.
    ['grounded', { triage: { a: watching, b: { ...at, decision: 'grounds' } } }],
    ['grounded', { triage: { b: watching, a: { ...at, decision: 'grounds' } } }],
    [
      'grounded',
      { triage: { a: { ...at, decision: 'same-as', sameAs: 'e' }, b: { ...at, decision: 'grounds' } } },
    ],
    [
      'grounded',
      { triage: { b: { ...at, decision: 'same-as', sameAs: 'e' }, a: { ...at, decision: 'grounds' } } },
    ],
    [
      'decided',
      {
        triage: {
          a: { ...at, decision: 'same-as', sameAs: 'e' },
          b: { ...at, decision: 'same-as', sameAs: 'f' },
        },
      },
    ],
    ['deferred', { ...LAMP, deferral }],
    ['reported', { ...LAMP, deferral: { ...deferral, placarded: false } }],
    ['grounded', { ...LAMP, deferral, triage: { t: { ...at, decision: 'grounds' } } }],
    ['closed', { rectification: repaired }],
    ['closed', { rectification: repaired, triage: { t: watching } }],
    ['entry-not-valid', { rectification: { ...repaired, signedBy: null } }],
  ] as const)('%s: %j', (state, change) => {
    expect(stateOf(change as unknown as Change)).toBe(state);
  });
});

describe('the steps of a finding', () => {
  it('lead from and to states that there are, by acts that the ledger knows', () => {
    for (const { act, from, to } of FINDING_STEPS) {
      expect(AIRCRAFT_ACTS).toContain(act);
      expect(Object.keys(FINDING_STATES)).toContain(to);
      for (const state of from) expect([...Object.keys(FINDING_STATES), 'nothing']).toContain(state);
    }
  });
  it('reach every state but that of an entry that does not count, which no command writes', () => {
    const reached = new Set(FINDING_STEPS.map(({ to }) => to));
    expect(Object.keys(FINDING_STATES).filter((state) => !reached.has(state as never))).toEqual([
      'entry-not-valid',
    ]);
  });
  it('never lead out of what is closed, and never to watched or closed without a signature', () => {
    expect(FINDING_STEPS.filter(({ from }) => from.includes('closed'))).toEqual([]);
    for (const { act, from, to, signs } of FINDING_STEPS)
      if ((to === 'watched' || to === 'closed' || to === 'deferred') && act !== 'triage-finding')
        expect(signs).not.toBeNull();
      else if (to === 'watched' && !from.includes('watched')) expect(signs).not.toBeNull();
  });
  it('a watched finding is not deferred, and a grounded one neither', () => {
    expect(isFindingStep('defer-finding', 'watched', 'deferred')).toBe(false);
    expect(isFindingStep('defer-finding', 'grounded', 'deferred')).toBe(false);
    expect(isFindingStep('defer-finding', 'reported', 'deferred')).toBe(true);
  });
});
