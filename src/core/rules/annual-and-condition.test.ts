import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import { alone, light, entry, listed, student, shop, annual } from '@/testing/rules/inspections';
import type { Row } from '@/testing/rules/row';

describe('the annual', () => {
  it.each<Row>([
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? [] record-category'],
      ['aircraft.category'],
    ],
    [
      'a category without rules',
      { aircraft: { category: 'restricted' } },
      ['category: category-without-rules? [] use-covered-category'],
    ],
    [
      'a glider has one too',
      { aircraft: { category: 'glider' }, ...alone({}) },
      ['annual: annual-unknown?~ [] complete-annual'],
      ['inspections (annual)'],
    ],
    ['light-sport has none', { ...light, ...alone({}) }, []],
    ['experimental has none', { aircraft: { category: 'experimental' }, ...alone({}) }, []],
    ['a progressive programme has none', { aircraft: { programme: 'progressive' }, ...alone({}) }, []],
    ['never', alone({}), ['annual: annual-unknown?~ [] complete-annual'], ['inspections (annual)']],
    ['last good day', alone(annual('2025-11-05', 4000)), []],
    ['over', alone(annual('2025-10-31', 4000)), ['annual: annual-expires~ [a] complete-annual']],
    [
      'unsigned and over',
      alone(annual('2026-03-12', 4000, { signedBy: null })),
      ['annual: annual-unknown?~ [] complete-inspection-entry(annual) or complete-annual'],
      ['inspections (annual)'],
    ],
    [
      'unsigned, an older one over',
      alone({
        ...annual('2026-03-12', 4000, { signedBy: student }),
        ...entry('old', 'annual', '2025-03-12', { timeInService: 3900 }),
      }),
      ['annual: annual-expires~ [old] complete-inspection-entry(annual) or complete-annual'],
    ],
    [
      'without its hours',
      alone(annual('2026-03-12', null)),
      ['annual: annual-unknown?~ [] complete-inspection-entry(annual) or complete-annual'],
      ['inspections (annual)'],
    ],
    [
      'two that do not count: the later is completed',
      alone({
        ...annual('2026-03-12', 4000, { signedBy: null }),
        ...entry('b', 'annual', '2026-02-12', { timeInService: 3990, signedBy: null }),
      }),
      ['annual: annual-unknown?~ [] complete-inspection-entry(annual) or complete-annual'],
      ['inspections (annual)'],
    ],
    ['not approved', alone(annual('2026-03-12', 4000, listed)), []],
    [
      'not approved, list cleared',
      alone(
        annual('2026-03-12', 4000, {
          ...listed,
          listCleared: { on: '2026-03-20', by: shop },
          recordedAt: '2026-03-20T20:00:00Z',
        }),
      ),
      [],
    ],
    [
      'not approved, then approved',
      alone({
        ...annual('2026-03-12', 4000, listed),
        ...entry('b', 'annual', '2026-03-15', { timeInService: 4000 }),
      }),
      [],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['annual-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the condition inspection', () => {
  it.each<Row>([
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? [] record-category'],
      ['aircraft.category'],
    ],
    ['standard has none', alone({}), []],
    ['gliders have none', { aircraft: { category: 'glider' }, ...alone({}) }, []],
    [
      'light-sport: never',
      { ...light, ...alone({}) },
      ['condition: inspection-unknown?~ [] complete-condition-inspection'],
      ['inspections (condition)'],
    ],
    [
      'experimental: never',
      { aircraft: { category: 'experimental' }, ...alone({}) },
      ['condition: inspection-unknown?~ [] complete-condition-inspection'],
      ['inspections (condition)'],
    ],
    [
      'over',
      { ...light, ...alone(entry('c', 'condition', '2025-10-31', { timeInService: 4000 })) },
      ['condition: inspection-expires~ [c] complete-condition-inspection'],
    ],
    [
      'last good day',
      { ...light, ...alone(entry('c', 'condition', '2025-11-30', { timeInService: 4000 })) },
      [],
    ],
    [
      'not approved',
      { ...light, ...alone(entry('c', 'condition', '2026-11-01', { timeInService: 4000, ...listed })) },
      [],
    ],
    [
      'signed by a student',
      {
        ...light,
        ...alone(entry('c', 'condition', '2026-11-01', { timeInService: 4000, signedBy: student })),
      },
      [
        'condition: inspection-unknown?~ [] complete-inspection-entry(condition) or complete-condition-inspection',
      ],
      ['inspections (condition)'],
    ],
    [
      'signed by a student, earlier ones twice',
      {
        ...light,
        ...alone({
          ...entry('c', 'condition', '2026-11-01', { timeInService: 4000, signedBy: student }),
          ...entry('b', 'condition', '2026-10-01', { timeInService: 3990, signedBy: student }),
        }),
      },
      [
        'condition: inspection-unknown?~ [] complete-inspection-entry(condition) or complete-condition-inspection',
      ],
      ['inspections (condition)'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['condition-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
