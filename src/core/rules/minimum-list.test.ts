import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { countingList, type MinimumEquipmentList } from '../records/aircraft/minimum-list';
import { instant } from '../time/instant';
import { civilDate } from '../time/civil-date';
import { codes, decideBy } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { seen } from '@/testing/rules/equipment';

const signer = (kind: string) => ({
  name: 'Somebody',
  certificate: { kind, number: '1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
});
const lawful = {
  recordedAt: '2026-11-21T20:00:00Z',
  deferredOn: '2026-11-21',
  action: 'deactivated',
  placarded: true,
  entered: 'not-maintenance',
  noHazard: signer('pilot'),
  listed: { item: '33-1', category: 'C' },
};
const gauge = {
  code: '33-1',
  name: 'Gauge',
  equipment: ['exhaust-gas-gauge'],
  category: 'C',
  installed: 2,
  required: 1,
};
const found = (deferral: Json = lawful, equipment: readonly string[] = ['exhaust-gas-gauge']) => ({
  ...seen('2026-11-20'),
  what: 'Dead',
  classification: 'deferral-path',
  equipment: [...equipment],
  deferral,
});
const aircraft = (items: readonly Json[] = [gauge], change: Change = {}): Change => ({
  inspections: null,
  aircraft: { minimumEquipmentList: 'approved' },
  minimumLists: { m: { ...seen('2026-01-10'), revision: '3', approvedOn: '2026-01-02', items: [...items] } },
  discrepancies: { d: found() },
  equipment: {
    list: {
      items: {
        'exhaust-gas-gauge': {
          fitted: true,
          typeCertification: false,
          equipmentList: 'no',
          kindsOfOperation: 'no',
        },
      },
    },
  },
  ...change,
});
const judged = (change: Change) => decideBy(['inoperative-equipment'], change);
const faults = (change: Change) =>
  judged(change).constraints.flatMap(({ reason }) =>
    reason.code === 'deferral-not-valid' ? [...reason.faults] : [],
  );

describe('a minimum equipment list on record', () => {
  it('lets an item of it be deferred, by its category', () => {
    expect(codes(judged(aircraft()))).toEqual([]);
    // Ten calendar days from the day after discovery: the 30th is the last.
    expect(codes(judged(aircraft([gauge], { asOf: '2026-11-30T17:00:00Z' })))).toEqual([]);
    expect(codes(judged(aircraft([gauge], { asOf: '2026-12-01T17:00:00Z' })))).toEqual(['deferral-expires']);
  });
  it.each<readonly [string, Change, readonly string[]]>([
    [
      'an item that is not on it',
      { d: found({ ...lawful, listed: { item: '33-2', category: 'C' } }) },
      ['not-on-minimum-list'],
    ],
    ['no item', { d: found({ ...lawful, listed: { category: 'C' } }) }, ['not-on-minimum-list']],
    ['no list followed', { d: found({ ...lawful, listed: null }) }, ['list-not-followed']],
    [
      'another category',
      { d: found({ ...lawful, listed: { item: '33-1', category: 'D' } }) },
      ['list-gives-another-category'],
    ],
    [
      'no category, where it has one',
      { d: found({ ...lawful, listed: { item: '33-1' } }) },
      ['list-gives-another-category'],
    ],
    [
      'other equipment beside it',
      { d: found(lawful, ['exhaust-gas-gauge', 'stall-warning']) },
      ['list-means-other-equipment'],
    ],
  ])('does not let %s be', (_, discrepancies, expected) => {
    expect(faults(aircraft([gauge], { discrepancies }))).toEqual(expected);
    expect(judged(aircraft([gauge], { discrepancies })).verdict).toBe('Grounded');
  });
  it('counts how many work: with the second of two out, neither deferral stands', () => {
    const both = { d: found(), e: found() };
    expect(faults(aircraft([gauge], { discrepancies: both }))).toEqual([
      'fewer-than-required',
      'fewer-than-required',
    ]);
    expect(faults(aircraft([{ ...gauge, required: 0 }], { discrepancies: both }))).toEqual([]);
    expect(faults(aircraft([{ ...gauge, required: 2 }]))).toEqual(['fewer-than-required']);
  });
  it('does not count one that is repaired', () => {
    const repaired = {
      ...found(),
      rectification: {
        recordedAt: '2026-11-21T21:00:00Z',
        work: 'repaired',
        description: 'Replaced',
        completedOn: '2026-11-21',
        signedBy: signer('mechanic-airframe-powerplant'),
      },
    };
    expect(faults(aircraft([gauge], { discrepancies: { d: found(), e: repaired } }))).toEqual([]);
  });
  it('with a maintenance procedure asks for a mechanic', () => {
    const items = [{ ...gauge, maintenance: 'Cap and stow the lead' }];
    expect(faults(aircraft(items))).toEqual(['list-needs-mechanic']);
    const byMechanic = found({ ...lawful, entered: true, noHazard: signer('mechanic-airframe-powerplant') });
    expect(faults(aircraft(items, { discrepancies: { d: byMechanic } }))).toEqual([]);
  });
  it('closes what its remarks close, and tells the pilot its procedure', () => {
    const closed = judged(aircraft([{ ...gauge, closes: ['night'], operations: 'Lean by the tachometer' }]));
    expect(codes(closed)).toEqual(['item-inoperative']);
    const told = judged(aircraft([{ ...gauge, operations: 'Lean by the tachometer' }]));
    expect(told.notices.map(({ reason }) => reason)).toMatchObject([
      { code: 'item-deferred', operations: 'Lean by the tachometer' },
    ]);
  });
  it('gives an item without a category no days of its own: the next required inspection ends it', () => {
    const without = Object.fromEntries(Object.entries(gauge).filter(([name]) => name !== 'category'));
    const deferral = { ...lawful, listed: { item: '33-1' } };
    expect(codes(judged(aircraft([without], { discrepancies: { d: found(deferral) } })))).toEqual([]);
  });
  it('for category A gives its own days, and no others', () => {
    const items = [{ ...gauge, category: 'A', days: 5 }];
    const with_ = (days: number) =>
      aircraft(items, {
        discrepancies: { d: found({ ...lawful, listed: { item: '33-1', category: 'A', days } }) },
      });
    expect(codes(judged(with_(5)))).toEqual([]);
    expect(codes(judged({ ...with_(5), asOf: '2026-11-26T17:00:00Z' }))).toEqual(['deferral-expires']);
    expect(faults(with_(50))).toEqual(['list-gives-another-category']);
  });
  it('gives nothing where the aircraft’s data do not say that it is approved, and binds anyway', () => {
    for (const state of ['none', null])
      for (const deferral of [lawful, { ...lawful, listed: null }])
        expect(
          faults(
            aircraft([gauge], {
              aircraft: { minimumEquipmentList: state },
              discrepancies: { d: found(deferral) },
            }),
          ),
        ).toEqual(['list-not-followed']);
  });
  it('counts a unit once: one finding that is the same as another is not a second unit', () => {
    const merge = {
      t: { recordedAt: '2026-11-20T21:00:00Z', decision: 'same-as', sameAs: 'd' },
    };
    const same = { ...found(null), triage: merge };
    expect(faults(aircraft([gauge], { discrepancies: { d: found(), e: same } }))).toEqual([]);
    // Without a word of the merge it is a second unit, once it is deferred.
    expect(faults(aircraft([gauge], { discrepancies: { d: found(), e: found() } }))).toHaveLength(2);
  });
  it('withdrawn is none: what was deferred by it is deferred no longer, and the four questions decide again', () => {
    const none = { ...seen('2026-11-21'), revision: '3', approvedOn: '2026-01-02', items: [] };
    const lists = {
      m: { ...seen('2026-01-10'), revision: '3', approvedOn: '2026-01-02', items: [gauge] },
      n: none,
    };
    const state = { aircraft: { minimumEquipmentList: 'none' }, minimumLists: lists };
    expect(faults(aircraft([gauge], state))).toEqual(['list-not-followed']);
    expect(
      faults(aircraft([gauge], { ...state, discrepancies: { d: found({ ...lawful, listed: null }) } })),
    ).toEqual([]);
  });
  it('is the latest: an item that a revision leaves out is deferred no longer', () => {
    const later = {
      ...seen('2026-11-12'),
      revision: '4',
      approvedOn: '2026-11-11',
      items: [{ ...gauge, code: '33-9' }],
    };
    const lists = {
      m: { ...seen('2026-01-10'), revision: '3', approvedOn: '2026-01-02', items: [gauge] },
      n: later,
    };
    expect(faults(aircraft([gauge], { minimumLists: lists }))).toEqual(['not-on-minimum-list']);
  });
});

describe('of two lists of one moment', () => {
  const at = instant('2026-01-10T12:00:00Z');
  const list = (id: string, required: number): MinimumEquipmentList => ({
    id,
    happenedAt: at,
    recordedAt: at,
    revision: '1',
    approvedOn: civilDate('2026-01-02'),
    items: [
      {
        ...gauge,
        equipment: ['exhaust-gas-gauge'],
        category: 'C',
        days: null,
        operations: '',
        maintenance: '',
        closes: [],
        required,
      },
    ],
  });
  it('only what both say alike counts', () => {
    expect(countingList([list('a', 1), list('b', 1)])?.items).toHaveLength(1);
    expect(countingList([list('a', 1), list('b', 0)])?.items).toEqual([]);
    expect(countingList([])).toBeNull();
    expect(countingList([{ ...list('a', 1), items: [] }])).toBeNull();
    // One of two that says that there is none takes every item away, and leaves the list.
    expect(countingList([list('a', 1), { ...list('b', 1), items: [] }])?.items).toEqual([]);
  });
});
