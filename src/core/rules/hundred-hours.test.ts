import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { alone, light, entry, listed, student, annual } from '@/testing/rules/inspections';
import type { Row } from '@/testing/rules/row';

const at = (value: number) => ({ meterReadings: { today: { value } } });
const hundred = (day: string, hours: number | null, change: Change = {}) =>
  entry('h', 'hundred-hour', day, { timeInService: hours, ...change });

describe('the hundred hours', () => {
  it.each<Row>([
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? 1440 [] record-category'],
      ['aircraft.category'],
    ],
    [
      'a category without rules',
      { aircraft: { category: 'provisional' } },
      ['category: category-without-rules? 1440 [] use-covered-category'],
    ],
    ['a progressive programme has none', { aircraft: { programme: 'progressive' }, ...alone({}) }, []],
    [
      'never',
      alone({}),
      ['inspection: hundred-hour-unknown?~ 1440 [] complete-hundred-hour or complete-annual'],
      ['inspections (hundred-hour or annual)'],
    ],
    ['an annual stands in', alone(annual('2026-06-12', 4060)), []],
    [
      'an annual 100 h ago',
      alone(annual('2026-06-12', 4060), at(4160)),
      ['due: hundred-hour-due~ 1440 [a] complete-hundred-hour or complete-annual'],
    ],
    [
      'the overrun ended too',
      alone(hundred('2026-06-12', 4060), at(4170)),
      ['due: hundred-hour-due~ 1440 [h] complete-hundred-hour or complete-annual'],
    ],
    [
      'the same with a student’s signature',
      alone(hundred('2026-06-12', 4060, { signedBy: student })),
      [
        'inspection: hundred-hour-unknown?~ 1440 [] complete-inspection-entry(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'without its hours',
      alone(hundred('2026-06-12', null)),
      [
        'inspection: hundred-hour-unknown?~ 1440 [] complete-inspection-entry(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'two that do not count',
      alone({
        ...hundred('2026-06-12', 4060, { signedBy: null }),
        ...entry('g', 'hundred-hour', '2026-05-12', { timeInService: 4050, signedBy: null }),
      }),
      [
        'inspection: hundred-hour-unknown?~ 1440 [] complete-inspection-entry(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'late without a reason',
      alone(
        {
          ...entry('g', 'hundred-hour', '2026-01-12', { timeInService: 3940 }),
          ...hundred('2026-06-12', 4050),
        },
        at(4140),
      ),
      [
        'due: hundred-hour-due~ 1440 [h] record-excess-reason(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
    ],
    [
      'late on uses without the limit',
      alone(
        {
          ...entry('g', 'hundred-hour', '2026-01-12', { timeInService: 3940 }),
          ...hundred('2026-06-12', 4050, { excess: 'flown-on-uses-without-the-limit' }),
        },
        at(4140),
      ),
      [],
    ],
    [
      'late on the way to it',
      alone(
        {
          ...entry('g', 'hundred-hour', '2026-01-12', { timeInService: 3940 }),
          ...hundred('2026-06-12', 4050, { excess: 'en-route-to-inspection' }),
        },
        at(4140),
      ),
      ['due: hundred-hour-due~ 1440 [h] complete-hundred-hour or complete-annual'],
    ],
    [
      'not approved',
      alone({ ...annual('2026-03-12', 4010.2), ...hundred('2026-10-02', 4108.7, listed) }),
      [
        'due: hundred-hour-due~ 1440 [a] clear-inspection-list(hundred-hour) or complete-hundred-hour or complete-annual',
      ],
    ],
    [
      'the annual not approved is the annual’s affair',
      alone({ ...hundred('2026-10-02', 4108.7), ...annual('2026-10-03', 4109, listed) }),
      [],
    ],
    [
      'light-sport by its condition inspection',
      { ...light, ...alone(entry('c', 'condition', '2026-06-12', { timeInService: 4060 }), at(4161)) },
      ['due: hundred-hour-due~ 2304 [c] complete-hundred-hour or complete-condition-inspection'],
    ],
    [
      'experimental by its condition inspection',
      {
        aircraft: { category: 'experimental' },
        ...alone(entry('c', 'condition', '2026-06-12', { timeInService: 4060 }), at(4161)),
      },
      ['due: hundred-hour-due~ 2304 [c] complete-hundred-hour or complete-condition-inspection'],
    ],
    [
      'meter unknown',
      { meterReadings: null },
      [
        'meter-time-in-service: meter-unknown? 1440 [] record-meter-reading(time-in-service)',
        'due: hundred-hour-due?~ 1440 [hundred-2026-10] record-meter-reading(time-in-service)',
      ],
      ['meterReadings (time-in-service)'],
    ],
    [
      'meter ahead of itself',
      { meterReadings: { today: { happenedAt: '2026-11-23T21:13:00Z' } } },
      [
        'meter-time-in-service: meter-ahead-of-itself? 1440 [today] correct-meter-reading(time-in-service)',
        'due: hundred-hour-due?~ 1440 [hundred-2026-10] correct-meter-reading(time-in-service)',
      ],
    ],
    [
      'meter backwards',
      {
        meterReadings: {
          old: {
            meter: 'time-in-service',
            happenedAt: '2026-11-20T12:00:00Z',
            recordedAt: '2026-11-20T12:00:00Z',
            value: 4151,
          },
        },
      },
      [
        'meter-time-in-service: meter-contradicts? 1440 [old,today] correct-meter-reading(time-in-service)',
        'due: hundred-hour-due?~ 1440 [hundred-2026-10] correct-meter-reading(time-in-service)',
      ],
    ],
    [
      'part 141: solo too',
      { packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-141' } }], ...at(4210) },
      [
        'due: hundred-hour-due~ 1440 [hundred-2026-10] complete-hundred-hour or complete-annual',
        'school-due: hundred-hour-due~ 288 [hundred-2026-10] complete-hundred-hour or complete-annual',
      ],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['hundred-hour-inspection'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('the club’s hundred hours', () => {
  it.each<Row>([
    ['in time', {}, []],
    [
      'out',
      at(4210),
      ['due: hundred-hour-due~ 1152 [hundred-2026-10] complete-hundred-hour or complete-annual'],
    ],
    [
      'category unknown',
      { aircraft: { category: null } },
      ['category: category-unknown? 1152 [] record-category'],
      ['aircraft.category'],
    ],
    [
      'gliders',
      { aircraft: { category: 'glider' }, ...at(4210) },
      ['due: hundred-hour-due~ 1152 [hundred-2026-10] complete-hundred-hour or complete-annual'],
    ],
    [
      'never',
      alone({}),
      ['inspection: hundred-hour-unknown?~ 1152 [] complete-hundred-hour or complete-annual'],
      ['inspections (hundred-hour or annual)'],
    ],
    [
      'for hire and lessons alone',
      {
        packs: [
          { id: 'us-part91' },
          { id: 'club-policy', parameters: { hundredHourCovers: 'hire-and-lessons' } },
        ],
        ...at(4210),
      },
      [],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['club-hundred-hour'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
