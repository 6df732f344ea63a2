import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { seen, over } from '@/testing/rules/equipment';
import type { Row } from '@/testing/rules/row';

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
