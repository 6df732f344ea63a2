import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { over } from '@/testing/rules/equipment';
import type { Row } from '@/testing/rules/row';

const fit = (change: Json, more: Change = {}) => ({ equipment: { list: { items: change } }, ...more });
const policy = (parameters: Change) => ({ packs: [{ id: 'us-part91' }, { id: 'club-policy', parameters }] });

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
