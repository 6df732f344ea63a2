import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { cleanCase, codes, decideBy } from '@/testing/clean-case';
import { decide } from '../decision/decide';
import { chosenRules } from './register';

type Change = { readonly [key: string]: Json };
const AU: Change = { packs: [{ id: 'au-maintenance-release' }] };
const holder = (kind: string): Change => ({
  name: 'Somebody',
  certificate: { kind, number: 'X-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
});
const NOTHING: Change = {
  ...AU,
  aircraft: { firstFlownOn: null, approvedFor: null, ifrNavigation: null },
  documents: null,
  meterReadings: null,
  equipment: null,
  items: null,
  ads: null,
};
const found = (signedBy: Change): Change => ({
  discrepancies: {
    d: {
      happenedAt: '2026-11-20T12:00:00Z',
      recordedAt: '2026-11-20T12:05:00Z',
      what: 'Nick',
      rectification: {
        recordedAt: '2026-11-21T20:00:00Z',
        work: 'repaired',
        description: 'Dressed',
        completedOn: '2026-11-21',
        signedBy,
      },
    },
  },
});
const work = (signedBy: Change): Change => ({
  work: {
    w: {
      recordedAt: '2026-11-20T20:00:00Z',
      completedOn: '2026-11-20',
      description: 'Cable',
      signedBy,
      mayChangeFlight: false,
      flightControls: false,
      staticOpened: false,
      altitudeReportingTouched: false,
      weightChanged: false,
    },
  },
});
const item = (signedBy: Change): Change => ({
  inspections: null,
  items: {
    i: {
      recordedAt: '2026-01-01T00:00:00Z',
      name: 'Hose',
      kind: 'component-check',
      interval: { months: 12 },
      done: { d: { recordedAt: '2026-09-01T20:00:00Z', completedOn: '2026-09-01', signedBy } },
    },
  },
});
const ad = (signedBy: Change): Change => ({
  ads: {
    x: {
      recordedAt: '2026-01-01T00:00:00Z',
      number: 'D-1',
      title: 'Wing',
      applies: true,
      noFerry: false,
      methods: { end: { name: 'Replace' } },
      done: { d: { recordedAt: '2026-09-01T20:00:00Z', completedOn: '2026-09-01', method: 'end', signedBy } },
    },
  },
});

describe('the rules that both systems have, in Australia', () => {
  it('cite no American regulation, and send nobody to an American mechanic', () => {
    const { facts, packs, asOf } = cleanCase(NOTHING);
    for (const { rule } of chosenRules(packs))
      expect([rule.id, rule.source.kind === 'regulation' ? rule.source.citation : '']).not.toEqual([
        rule.id,
        expect.stringContaining('14 CFR'),
      ]);
    const { constraints } = decide(facts, packs, null, asOf);
    expect(constraints.length).toBeGreaterThan(8);
    for (const { id, source, remedies } of constraints) {
      expect([id, source]).not.toEqual([
        id,
        { kind: 'regulation', citation: expect.stringContaining('14 CFR') as string },
      ]);
      for (const { by } of remedies)
        if (by.kind === 'certificate')
          expect([
            id,
            by.anyOf.filter((kind) =>
              ['mechanic-airframe-powerplant', 'inspection-authorisation', 'light-sport-repairman'].includes(
                kind,
              ),
            ),
          ]).toEqual([id, []]);
    }
  });

  it.each([
    ['a repair', 'open-discrepancies', found],
    ['maintenance', 'maintenance-entries', work],
    ['a service of an item', 'maintenance-items', item],
    ['an AD', 'ads', ad],
  ] as const)(
    '%s counts by the certificates of the system that the aircraft flies under, and no others',
    (_, rule, change) => {
      const counts = (kind: string, packs: Change) =>
        codes(decideBy([rule], { ...change(holder(kind)), ...packs })).length === 0;
      expect([
        counts('mechanic-airframe-powerplant', {}),
        counts('licensed-engineer', {}),
        counts('mechanic-airframe-powerplant', AU),
        counts('licensed-engineer', AU),
        counts('repair-station', {}),
        counts('repair-station', AU),
      ]).toEqual([true, false, false, true, true, true]);
    },
  );

  it('the club’s hundred hours are no rule there: the release has its own', () => {
    expect(
      codes(
        decideBy(['club-hundred-hour'], {
          packs: [{ id: 'au-maintenance-release' }, { id: 'club-policy' }],
          inspections: null,
        }),
      ),
    ).toEqual([]);
  });
});
