import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { seen } from '@/testing/rules/equipment';
import type { Row } from '@/testing/rules/row';

const pilot = {
  name: 'Rosa Dane',
  certificate: { kind: 'pilot', number: 'P-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const mechanic = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-1',
    validFrom: '2010-01-01',
    validUntil: 'no-expiry',
  },
};
const lawful = {
  recordedAt: '2026-11-10T20:00:00Z',
  deferredOn: '2026-11-10',
  action: 'deactivated',
  placarded: true,
  entered: 'not-maintenance',
  noHazard: pilot,
};
const line = (kind: string, change: Change = {}) => ({
  [kind]: { fitted: true, typeCertification: false, equipmentList: 'no', kindsOfOperation: 'no', ...change },
});
const dead = (
  equipment: string,
  deferral: Json = lawful,
  change: Change = {},
  lines: Json = line(equipment),
) => ({
  inspections: null,
  discrepancies: {
    d: {
      ...seen('2026-11-09'),
      what: 'Dead',
      classification: 'deferral-path',
      equipment: [equipment],
      deferral,
      ...change,
    },
  },
  equipment: { list: { items: lines } },
});
const NIGHT = [{ light: ['night'] }];
const inspected = (day: string) => ({
  a: {
    kind: 'annual',
    completedOn: day,
    recordedAt: `${day}T23:00:00Z`,
    timeInService: 4140,
    outcome: 'approved',
    signedBy: {
      name: 'I',
      certificate: { kind: 'repair-station', number: 'R', validFrom: '2000-01-01', validUntil: 'no-expiry' },
    },
  },
});
const mel = { aircraft: { minimumEquipmentList: 'approved' } };

describe('inoperative items', () => {
  it.each<Row>([
    ['a gauge that nothing asks for, deferred', dead('exhaust-gas-gauge'), []],
    [
      'not deferred',
      dead('exhaust-gas-gauge', null),
      ['d.defer: item-not-deferred!~ [d] defer-item(d) or repair-and-return-to-service(d)'],
    ],
    [
      'type certification asks for it',
      dead('exhaust-gas-gauge', lawful, {}, line('exhaust-gas-gauge', { typeCertification: true })),
      ['d.needed: item-inoperative~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'a list that does not name it',
      dead('exhaust-gas-gauge', lawful, {}, { 'exhaust-gas-gauge': null }),
      ['d.needed: item-inoperative~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'no equipment list',
      { ...dead('exhaust-gas-gauge'), equipment: null },
      ['d.needed: item-inoperative~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'its equipment list asks by night',
      dead('exhaust-gas-gauge', lawful, {}, line('exhaust-gas-gauge', { equipmentList: NIGHT })),
      ['d.needed: item-inoperative~ 2016 [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'its kinds of operation ask always',
      dead('exhaust-gas-gauge', lawful, {}, line('exhaust-gas-gauge', { kindsOfOperation: 'always' })),
      ['d.needed: item-inoperative~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'they do not say',
      dead('exhaust-gas-gauge', lawful, {}, line('exhaust-gas-gauge', { kindsOfOperation: null })),
      ['d.needed: item-inoperative~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'anticollision lights of an old aircraft',
      dead('anticollision-lights'),
      ['d.needed: item-inoperative~ 2016 [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    ['a gear indicator of a fixed gear', dead('gear-position-indicator'), []],
    [
      'a manifold gauge, engine unknown',
      { ...dead('manifold-pressure-gauge'), aircraft: { engine: null } },
      ['d.needed: item-inoperative~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'a landing light',
      dead('landing-light'),
      ['d.needed: item-inoperative~ 864 [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'repaired',
      dead('exhaust-gas-gauge', null, {
        rectification: {
          recordedAt: '2026-11-12T20:00:00Z',
          work: 'repaired',
          description: 'Replaced',
          completedOn: '2026-11-12',
          signedBy: mechanic,
        },
      }),
      [],
    ],
    [
      'repaired by a pilot',
      dead('exhaust-gas-gauge', null, {
        rectification: {
          recordedAt: '2026-11-12T20:00:00Z',
          work: 'repaired',
          description: 'Replaced',
          completedOn: '2026-11-12',
          signedBy: pilot,
        },
      }),
      ['d.defer: item-not-deferred!~ [d] defer-item(d) or repair-and-return-to-service(d)'],
    ],
    ['until a day, reached', dead('exhaust-gas-gauge', { ...lawful, until: '2026-11-24' }), []],
    [
      'until a day, over',
      dead('exhaust-gas-gauge', { ...lawful, until: '2026-11-23' }),
      ['d.until: deferral-expires~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'until some hours',
      dead('exhaust-gas-gauge', { ...lawful, untilTimeInService: 4150.3 }),
      ['d.hours: deferral-due~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    ['until more hours', dead('exhaust-gas-gauge', { ...lawful, untilTimeInService: 4150.4 }), []],
    [
      'closes more by itself',
      dead('exhaust-gas-gauge', { ...lawful, closes: NIGHT }),
      ['d.own: item-inoperative~ 2016 [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'holds to two people',
      dead('exhaust-gas-gauge', { ...lawful, cap: { quantity: 'persons', bound: 'at-most', value: 2 } }),
      ['d.cap: deferral-holds-to~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'holds to a load',
      dead('exhaust-gas-gauge', { ...lawful, cap: { quantity: 'load', bound: 'at-most', value: 120 } }),
      ['d.cap: deferral-holds-to~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'not placarded',
      dead('exhaust-gas-gauge', { ...lawful, placarded: false }),
      ['d.defer: deferral-not-valid!~ [d,d.deferral] defer-item(d) or repair-and-return-to-service(d)'],
    ],
    [
      'undated',
      dead('exhaust-gas-gauge', { ...lawful, deferredOn: null }),
      ['d.defer: deferral-not-valid!~ [d,d.deferral] defer-item(d) or repair-and-return-to-service(d)'],
    ],
    [
      'by an approved list',
      { ...dead('exhaust-gas-gauge', { ...lawful, listed: { category: 'C' } }), ...mel },
      ['d.until: deferral-expires~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'the own day before the list’s',
      { ...dead('exhaust-gas-gauge', { ...lawful, until: '2026-11-15', listed: { category: 'C' } }), ...mel },
      ['d.until: deferral-expires~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'the list’s day before its own',
      { ...dead('exhaust-gas-gauge', { ...lawful, until: '2026-12-15', listed: { category: 'B' } }), ...mel },
      ['d.until: deferral-expires~ [d,d.deferral] repair-and-return-to-service(d)'],
    ],
    [
      'not by the approved list',
      { ...dead('exhaust-gas-gauge'), ...mel },
      ['d.defer: deferral-not-valid!~ [d,d.deferral] defer-item(d) or repair-and-return-to-service(d)'],
    ],
    [
      'by a list that is not approved',
      dead('exhaust-gas-gauge', { ...lawful, listed: { category: 'C' } }),
      ['d.defer: deferral-not-valid!~ [d,d.deferral] defer-item(d) or repair-and-return-to-service(d)'],
    ],
    [
      'inspected since',
      { ...dead('exhaust-gas-gauge'), inspections: inspected('2026-11-11') },
      ['d.inspection: deferral-not-addressed~ [d,d.deferral,a] repair-and-return-to-service(d)'],
    ],
    [
      'inspected on the day of the deferral',
      { ...dead('exhaust-gas-gauge'), inspections: inspected('2026-11-10') },
      [],
    ],
    [
      'grounding things are not deferred',
      dead('exhaust-gas-gauge', lawful, { classification: 'ground-until-mechanic' }),
      [],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['inoperative-equipment'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
