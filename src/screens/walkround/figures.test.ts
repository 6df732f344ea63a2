import { describe, expect, it } from 'vitest';
import { volume } from '@/core/quantities/volume';
import type { PlanLimit } from '@/core/walkround/plan-step';
import { baseValue, dipValue, gaugeAgainst, inUnit, judged } from './figures';
import { typed } from './key-pad';

const gal = (amount: string) => volume(amount, 'US gal');
const qt = (amount: string) => volume(amount, 'US qt');
const oil: PlanLimit = { min: qt('4'), max: qt('8'), open: false, remedy: 'top-up', uses: null };

describe('big keys', () => {
  it.each([
    ['', '9', '9'],
    ['9', '.', '9.'],
    ['9', ',', '9.'],
    ['', '.', '0.'],
    ['9.', '.', '9.'],
    ['9.5', '⌫', '9.'],
    ['', '⌫', ''],
    ['0', '5', '5'],
    ['12345', '6', '12345'],
    ['1.234', '5', '1.234'],
  ])('%j and %j make %j', (text, key, next) => {
    expect(typed(text, key)).toBe(next);
  });
});

describe('a figure as it is typed', () => {
  it.each([
    ['9.5', 'US gal', gal('9.5')],
    ['9,5', 'US gal', gal('9.5')],
    ['9.', 'US gal', gal('9')],
    ['', 'US gal', null],
    ['9', 'psi', null],
  ])('%j %s', (text, unit, value) => {
    expect(baseValue('fuel-dip', text, unit)).toBe(value);
  });

  it('reads a stick by its table in the stick’s own unit, and any other unit as it is', () => {
    const stick = {
      tank: 'left',
      unit: 'marks',
      points: [
        { reads: 1000, holds: gal('2') },
        { reads: 3000, holds: gal('6') },
      ],
    };
    expect(dipValue(stick, '2', 'marks')).toBe(gal('4'));
    expect(dipValue(stick, '4', 'marks')).toBeNull();
    expect(dipValue(stick, '4', 'US gal')).toBe(gal('4'));
  });

  it.each([
    ['6', false, null, null],
    ['4', false, null, null],
    ['3.5', true, 'Add at least 0.5 US qt', { act: 'add-oil', amount: '0.5', unit: 'US qt' }],
    ['3.95', true, 'Add at least 0.1 US qt', { act: 'add-oil', amount: '0.1', unit: 'US qt' }],
    ['8.5', true, 'never fill over the maximum', null],
  ] as const)('oil at %s qt between 4 and 8', (text, isBad, words, announce) => {
    const says = judged('oil', [oil], text, 'US qt');
    expect([says.isBad, says.announce]).toEqual([isBad, announce]);
    if (words !== null) expect(says.words).toContain(words);
    else expect(says.words).toBeNull();
  });

  it('what a mechanic has to look at is no matter of adding', () => {
    const strut: PlanLimit = { ...oil, min: 100_000, max: null, remedy: 'mechanic' };
    const says = judged('strut', [strut], '9', 'cm');
    expect(says.announce).toBeNull();
    expect(says.words).toContain('until a mechanic has looked');
  });

  it.each([
    ['15', '9.5', 'The gauge said 15 US gal: 5.5 more than the stick.'],
    ['8', '9.5', 'The gauge said 8 US gal: 1.5 less than the stick.'],
    ['10.5', '9.5', null],
    [null, '9.5', null],
  ])('a gauge of %s beside a dip of %s', (gauge, dip, words) => {
    const found = gaugeAgainst(gauge === null ? null : gal(gauge), gal(dip), 'US gal');
    if (words === null) expect(found).toBeNull();
    else expect(found).toContain(words);
  });

  it('shows a figure without zeros at its end', () => {
    expect([inUnit('fuel-dip', gal('9.5'), 'US gal'), inUnit('fuel-dip', gal('18'), 'L', 0)]).toEqual([
      '9.5',
      '68',
    ]);
  });
});
