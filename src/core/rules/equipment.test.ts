import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';

type Change = { readonly [key: string]: Json };
/** What is changed of the clean trainer, what is then in force (see said()), and which facts were missed. */
type Row = readonly [string, Change, readonly string[], (readonly string[])?];

const seen = (day: string) => ({ happenedAt: `${day}T12:00:00Z`, recordedAt: `${day}T12:05:00Z` });
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
const fit = (change: Json, more: Change = {}) => ({ equipment: { list: { items: change } }, ...more });
const over = (purpose: Json = 'all') => ({
  aircraft: {
    approvedFor: [
      {
        light: 'all',
        rules: ['vfr'],
        purpose,
        crew: 'all',
        range: 'all',
        transponderAirspace: 'all',
        adsbAirspace: 'all',
        overWater: 'all',
        passengers: 'all',
      },
    ],
  },
});
const elt = (change: Change) => ({ elts: { elt: change } });
const gone = (change: Change = {}) =>
  elt({
    ...seen('2026-09-01'),
    state: 'removed-for-repair',
    removedOn: '2026-09-01',
    removalEntered: true,
    removalPlacarded: true,
    batteryReplaceBy: null,
    usedMinutes: null,
    ...change,
  });
const rope = (change: Change) => ({
  ...over(['glider-towing', 'private-rental']),
  towRopes: {
    r: {
      ...seen('2026-11-20'),
      strength: 1100,
      gliderWeight: 1040,
      sound: true,
      gliderLink: 'none',
      tugLink: 'none',
      ...change,
    },
  },
});
const check = (change: Change) => ({
  aircraft: { approvedFor: 'all' },
  vorChecks: {
    r: {
      ...seen('2026-11-20'),
      method: 'dual',
      errorDegrees: 4,
      place: 'Tern Bay',
      signedBy: 'A. Verin',
      ...change,
    },
  },
});
const policy = (parameters: Change) => ({ packs: [{ id: 'us-part91' }, { id: 'club-policy', parameters }] });

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

describe('required equipment', () => {
  it.each<Row>([
    ['no list', { equipment: null }, ['list: equipment-list-unknown? [] record-equipment'], ['equipment']],
    [
      'a gauge not fitted',
      fit({ 'oil-pressure-gauge': 'not-fitted' }),
      ['day-vfr.oil-pressure-gauge: equipment-not-fitted~ [list] install-equipment(oil-pressure-gauge)'],
    ],
    [
      'a gauge unknown',
      fit({ 'oil-pressure-gauge': null }),
      ['day-vfr.oil-pressure-gauge: equipment-unknown?~ [list] record-equipment'],
      ['equipment.oil-pressure-gauge'],
    ],
    [
      'engine unknown',
      { ...fit({ 'oil-temperature-gauge': 'not-fitted' }), aircraft: { engine: null } },
      [
        'day-vfr.coolant-temperature-gauge: particular-unknown?~ [list] record-particulars(engine)',
        'day-vfr.manifold-pressure-gauge: particular-unknown?~ [list] record-particulars(engine)',
        'day-vfr.oil-temperature-gauge: particular-unknown?~ [list] record-particulars(engine)',
      ],
      ['aircraft.engine'],
    ],
    ['no coolant to measure', fit({ 'coolant-temperature-gauge': 'not-fitted' }), []],
    [
      'a gear that folds',
      { ...fit({ 'gear-position-indicator': 'not-fitted' }), aircraft: { gear: 'retractable' } },
      [
        'day-vfr.gear-position-indicator: equipment-not-fitted~ [list] install-equipment(gear-position-indicator)',
      ],
    ],
    [
      'position lights',
      fit({ 'position-lights': 'not-fitted' }),
      [
        'sunset-to-sunrise.position-lights: equipment-not-fitted~ 4032 [list] install-equipment(position-lights)',
      ],
    ],
    [
      'a transponder',
      fit({ transponder: 'not-fitted' }),
      [
        'ads-b-airspace.transponder: equipment-not-fitted~ 3024 [list] install-equipment(transponder)',
        'transponder-airspace.transponder: equipment-not-fitted~ 3024 [list] install-equipment(transponder)',
      ],
    ],
    [
      'ADS-B Out',
      fit({ 'ads-b-out': 'not-fitted' }),
      ['ads-b-airspace.ads-b-out: equipment-not-fitted~ 3024 [list] install-equipment(ads-b-out)'],
    ],
    [
      'harnesses of an old aircraft',
      { ...fit({ 'all-seat-harnesses': 'not-fitted' }), aircraft: { manufacturedOn: '1986-12-12' } },
      [],
    ],
    [
      'harnesses of the day after',
      { ...fit({ 'all-seat-harnesses': 'not-fitted' }), aircraft: { manufacturedOn: '1986-12-13' } },
      ['day-vfr.all-seat-harnesses: equipment-not-fitted~ [list] install-equipment(all-seat-harnesses)'],
    ],
    [
      'harnesses, manufacture unknown',
      { ...fit({ 'all-seat-harnesses': 'not-fitted' }), aircraft: { manufacturedOn: null } },
      ['day-vfr.all-seat-harnesses: particular-unknown?~ [list] record-particulars(manufactured-on)'],
      ['aircraft.manufactured-on'],
    ],
    [
      'anticollision lights, certificated 1996-03-11',
      { ...fit({ 'anticollision-lights': 'not-fitted' }), aircraft: { certificatedOn: '1996-03-11' } },
      [
        'night-vfr.anticollision-lights: equipment-not-fitted~ 2016 [list] install-equipment(anticollision-lights)',
      ],
    ],
    [
      'anticollision lights, a day later',
      { ...fit({ 'anticollision-lights': 'not-fitted' }), aircraft: { certificatedOn: '1996-03-12' } },
      [
        'day-vfr.anticollision-lights: equipment-not-fitted~ [list] install-equipment(anticollision-lights)',
        'night-vfr.anticollision-lights: equipment-not-fitted~ 2016 [list] install-equipment(anticollision-lights)',
      ],
    ],
    [
      'over water for hire',
      { ...fit({ flotation: 'not-fitted', 'pyrotechnic-signal': 'fitted' }), ...over() },
      [
        'over-water.flotation: equipment-not-fitted~ 1296 [list] install-equipment(flotation)',
        'dated.pyrotechnic-signal: equipment-date-unknown? 1296 [list] record-equipment',
        'towing.tow-hook: equipment-unknown?~ 864 [list] record-equipment',
      ],
      ['equipment.tow-hook'],
    ],
    [
      'over water, dates unknown',
      { ...fit({ flotation: 'fitted', 'pyrotechnic-signal': 'fitted' }), ...over() },
      [
        'dated.flotation: equipment-date-unknown? 3024 [list] record-equipment',
        'dated.pyrotechnic-signal: equipment-date-unknown? 1296 [list] record-equipment',
        'towing.tow-hook: equipment-unknown?~ 864 [list] record-equipment',
      ],
      ['equipment.tow-hook'],
    ],
    [
      'over water, one over',
      {
        ...fit({
          flotation: { fitted: true, expiresOn: '2026-11-23' },
          'pyrotechnic-signal': { fitted: true, expiresOn: 'no-expiry' },
        }),
        ...over(),
      },
      [
        'dated.flotation: equipment-expires 3024 [list] service-measured-item(flotation)',
        'towing.tow-hook: equipment-unknown?~ 864 [list] record-equipment',
      ],
      ['equipment.tow-hook'],
    ],
    [
      'never over water',
      fit({ flotation: { fitted: true, expiresOn: '2026-11-23' }, 'pyrotechnic-signal': 'fitted' }),
      [],
    ],
    [
      'gliders need no gauges',
      { ...fit({ 'oil-pressure-gauge': 'not-fitted' }), aircraft: { category: 'glider' } },
      [],
    ],
    [
      'approvals unknown',
      { ...fit({ transponder: 'not-fitted' }), aircraft: { approvedFor: null } },
      [
        'ads-b-airspace.transponder: equipment-not-fitted~ 3024 [list] install-equipment(transponder)',
        'transponder-airspace.transponder: equipment-not-fitted~ 3024 [list] install-equipment(transponder)',
        'over-water.flotation: equipment-not-fitted~ 1296 [list] install-equipment(flotation)',
        'over-water.pyrotechnic-signal: equipment-not-fitted~ 1296 [list] install-equipment(pyrotechnic-signal)',
        'ifr.artificial-horizon: equipment-unknown?~ 3024 [list] record-equipment',
        'ifr.clock: equipment-unknown?~ 3024 [list] record-equipment',
        'ifr.directional-gyro: equipment-unknown?~ 3024 [list] record-equipment',
        'ifr.generator: equipment-unknown?~ 3024 [list] record-equipment',
        'ifr.ifr-navigation: equipment-unknown?~ 3024 [list] record-equipment',
        'ifr.rate-of-turn: equipment-unknown?~ 3024 [list] record-equipment',
        'ifr.sensitive-altimeter: equipment-unknown?~ 3024 [list] record-equipment',
        'ifr.slip-skid: equipment-unknown?~ 3024 [list] record-equipment',
        'towing.tow-hook: equipment-unknown?~ 864 [list] record-equipment',
      ],
      [
        'equipment.ifr-navigation',
        'equipment.rate-of-turn',
        'equipment.slip-skid',
        'equipment.sensitive-altimeter',
        'equipment.clock',
        'equipment.generator',
        'equipment.artificial-horizon',
        'equipment.directional-gyro',
        'equipment.tow-hook',
      ],
    ],
    [
      'a tug without a hook',
      { ...fit({ 'tow-hook': 'not-fitted' }), ...over(['glider-towing']), ...{} },
      [
        'over-water.flotation: equipment-not-fitted~ 1296 [list] install-equipment(flotation)',
        'over-water.pyrotechnic-signal: equipment-not-fitted~ 1296 [list] install-equipment(pyrotechnic-signal)',
        'towing.tow-hook: equipment-not-fitted~ 864 [list] install-equipment(tow-hook)',
      ],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['required-equipment'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('safety equipment', () => {
  it.each<Row>([
    ['in order', {}, []],
    [
      'no list',
      { equipment: null },
      [
        'fire-extinguisher: equipment-unknown? [] record-equipment',
        'monoxide-detector: equipment-unknown? [] record-equipment',
      ],
      ['equipment.monoxide-detector', 'equipment.fire-extinguisher'],
    ],
    [
      'unknown',
      fit({ 'fire-extinguisher': null }),
      ['fire-extinguisher: equipment-unknown? [list] record-equipment'],
      ['equipment.fire-extinguisher'],
    ],
    [
      'not fitted',
      fit({ 'fire-extinguisher': 'not-fitted' }),
      ['fire-extinguisher: equipment-not-fitted [list] install-equipment(fire-extinguisher)'],
    ],
    [
      'date unknown',
      fit({ 'monoxide-detector': 'fitted' }),
      ['monoxide-detector: equipment-date-unknown? [list] record-equipment'],
      ['equipment.monoxide-detector.expiresOn'],
    ],
    [
      'over',
      fit({ 'monoxide-detector': { fitted: true, expiresOn: '2026-11-23' } }),
      ['monoxide-detector: equipment-expires [list] service-measured-item(monoxide-detector)'],
    ],
    ['no expiry', fit({ 'monoxide-detector': { fitted: true, expiresOn: 'no-expiry' } }), []],
    [
      'not asked',
      { ...fit({ 'fire-extinguisher': 'not-fitted' }), ...policy({ fireExtinguisher: 'not-asked' }) },
      [],
    ],
    [
      'passengers alone',
      {
        ...fit({ 'fire-extinguisher': 'not-fitted' }),
        ...policy({ fireExtinguisher: 'no-passengers-without' }),
      },
      ['fire-extinguisher: equipment-not-fitted 3024 [list] install-equipment(fire-extinguisher)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['safety-equipment'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the ELT', () => {
  it.each<Row>([
    ['in order', {}, []],
    ['not on record', { elts: null }, ['state: elt-unknown? 5616 [] record-elt'], ['elts']],
    ['state unknown', elt({ state: null }), ['state: elt-unknown? 5616 [elt] record-elt'], ['elts']],
    ['gliders need none', { elts: null, aircraft: { category: 'glider' } }, []],
    ['one seat needs none', { elts: null, aircraft: { seats: 1 } }, []],
    ['not fitted', elt({ state: 'not-fitted' }), ['state: elt-not-fitted 4464 [elt] reinstall-elt']],
    ['removed for repair', gone(), []],
    [
      'removed too long ago',
      gone({ removedOn: '2026-08-25' }),
      ['removal: elt-removed 4464 [elt] reinstall-elt'],
    ],
    ['the ninetieth day', gone({ removedOn: '2026-08-26' }), []],
    [
      'no entry',
      gone({ removalEntered: null }),
      ['removal: elt-removal-incomplete 4464 [elt] record-elt-removal or reinstall-elt'],
    ],
    [
      'no placard',
      gone({ removalPlacarded: false }),
      ['removal: elt-removal-incomplete 4464 [elt] record-elt-removal or reinstall-elt'],
    ],
    [
      'no date',
      gone({ removedOn: null }),
      ['removal: elt-removal-incomplete 4464 [elt] record-elt-removal or reinstall-elt'],
    ],
    [
      'battery date unknown',
      elt({ batteryReplaceBy: null }),
      ['battery: elt-battery-unknown? 5616 [elt] record-elt or replace-elt-battery or deactivate-elt'],
      ['elts.batteryReplaceBy'],
    ],
    [
      'battery over',
      elt({ batteryReplaceBy: '2026-11-23' }),
      ['battery: elt-battery-expires 5616 [elt] replace-elt-battery or deactivate-elt'],
    ],
    [
      'use unknown',
      elt({ usedMinutes: null }),
      ['use: elt-battery-unknown? 5616 [elt] record-elt or replace-elt-battery'],
      ['elts.usedSeconds'],
    ],
    ['used an hour', elt({ usedMinutes: 60 }), []],
    [
      'used longer',
      elt({ usedMinutes: 61 }),
      ['use: elt-battery-used 5616 [elt] replace-elt-battery or deactivate-elt'],
    ],
    [
      'never inspected',
      { inspections: null },
      ['elt: inspection-unknown?~ 5616 [] inspect-elt or deactivate-elt'],
      ['inspections (elt)'],
    ],
    [
      'inspection over',
      { inspections: { 'elt-2026': { completedOn: '2025-10-31', recordedAt: '2025-10-31T20:00:00Z' } } },
      ['elt: inspection-expires~ 5616 [elt-2026] inspect-elt or deactivate-elt'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['elt'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('tow ropes', () => {
  it.each<Row>([
    [
      'none',
      { ...over(['glider-towing']) },
      ['rope: tow-rope-unfit?! 864 [] replace-tow-rope'],
      ['towRopes'],
    ],
    ['sound and strong', rope({}), []],
    [
      'strength unknown',
      rope({ strength: null }),
      ['rope: tow-rope-unfit?! 864 [r] replace-tow-rope'],
      ['towRopes'],
    ],
    [
      'sound unknown',
      rope({ sound: null }),
      ['rope: tow-rope-unfit?! 864 [r] replace-tow-rope'],
      ['towRopes'],
    ],
    [
      'weight unknown',
      rope({ gliderWeight: null }),
      ['rope: tow-rope-unfit?! 864 [r] replace-tow-rope'],
      ['towRopes'],
    ],
    ['a knot', rope({ sound: false }), ['rope: tow-rope-unfit! 864 [r] replace-tow-rope']],
    ['too weak', rope({ strength: 831 }), ['rope: tow-rope-unfit! 864 [r] replace-tow-rope']],
    ['just strong enough', rope({ strength: 832 }), []],
    ['twice the weight', rope({ strength: 2080 }), []],
    ['stronger, without links', rope({ strength: 2081 }), ['rope: tow-rope-unfit! 864 [r] replace-tow-rope']],
    [
      'links unknown',
      rope({ strength: 2081, gliderLink: null }),
      ['rope: tow-rope-unfit?! 864 [r] replace-tow-rope'],
      ['towRopes'],
    ],
    [
      'one link',
      rope({ strength: 2081, gliderLink: 900 }),
      ['rope: tow-rope-unfit! 864 [r] replace-tow-rope'],
    ],
    ['both links', rope({ strength: 3000, gliderLink: 900, tugLink: 1000 }), []],
    [
      'the glider’s link too strong',
      rope({ strength: 3000, gliderLink: 2081, tugLink: 2090 }),
      ['rope: tow-rope-unfit! 864 [r] replace-tow-rope'],
    ],
    [
      'the tug’s link no stronger',
      rope({ strength: 3000, gliderLink: 1000, tugLink: 1000 }),
      ['rope: tow-rope-unfit! 864 [r] replace-tow-rope'],
    ],
    ['the tug’s link a quarter stronger', rope({ strength: 3000, gliderLink: 1000, tugLink: 1250 }), []],
    [
      'the tug’s link stronger than that',
      rope({ strength: 3000, gliderLink: 1000, tugLink: 1251 }),
      ['rope: tow-rope-unfit! 864 [r] replace-tow-rope'],
    ],
    [
      'the glider’s link too weak',
      rope({ strength: 3000, gliderLink: 831, tugLink: 900 }),
      ['rope: tow-rope-unfit! 864 [r] replace-tow-rope'],
    ],
    [
      'one unknown',
      rope({ strength: 3000, gliderLink: 900, tugLink: null }),
      ['rope: tow-rope-unfit?! 864 [r] replace-tow-rope'],
      ['towRopes'],
    ],
    [
      'no link at the tug',
      rope({ strength: 3000, gliderLink: 900 }),
      ['rope: tow-rope-unfit! 864 [r] replace-tow-rope'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['tow-rope'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('receivers', () => {
  it.each<Row>([
    ['never', check({ method: null }), ['check: vor-check-incomplete? 3024 [r] check-vor'], ['vorChecks']],
    ['in order', check({}), []],
    ['thirty days', check(seen('2026-10-25')), []],
    ['thirty-one', check(seen('2026-10-24')), ['check: vor-check-expires 3024 [r] check-vor']],
    ['too far off', check({ errorDegrees: 4.1 }), ['check: vor-check-failed 3024 [r] check-vor']],
    [
      'too far off by any method',
      check({ method: null, errorDegrees: 6.1 }),
      ['check: vor-check-failed 3024 [r] check-vor'],
    ],
    [
      'off by what some method allows, nobody knows which',
      check({ method: null, errorDegrees: 6 }),
      ['check: vor-check-incomplete? 3024 [r] check-vor'],
      ['vorChecks'],
    ],
    ['in the air', check({ method: 'airborne-point', errorDegrees: 6 }), []],
    [
      'on the ground',
      check({ method: 'ground-point', errorDegrees: 4.1 }),
      ['check: vor-check-failed 3024 [r] check-vor'],
    ],
    ['no place', check({ place: null }), ['check: vor-check-incomplete? 3024 [r] check-vor'], ['vorChecks']],
    ['nobody', check({ signedBy: null }), ['check: vor-check-incomplete? 3024 [r] check-vor'], ['vorChecks']],
    [
      'error unknown',
      check({ errorDegrees: null }),
      ['check: vor-check-incomplete? 3024 [r] check-vor'],
      ['vorChecks'],
    ],
    [
      'none at all',
      { aircraft: { approvedFor: 'all' } },
      ['check: vor-check-unknown? 3024 [] check-vor'],
      ['vorChecks'],
    ],
    [
      'navigation unknown',
      { aircraft: { approvedFor: 'all', ifrNavigation: null } },
      ['navigation: particular-unknown? 3024 [] record-particulars(ifr-navigation)'],
      ['aircraft.ifrNavigation'],
    ],
    ['satellite alone', { aircraft: { approvedFor: 'all', ifrNavigation: 'satellite-only' } }, []],
    ['either', { aircraft: { approvedFor: 'all', ifrNavigation: 'either' } }, []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['vor-check'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
