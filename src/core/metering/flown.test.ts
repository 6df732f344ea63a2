import { describe, expect, it } from 'vitest';
import { UNSAID, type PlannedFlight } from '../records/flights/planned-flight';
import { addSeconds, instant } from '../time/instant';
import { leavingNow } from './leaving';
import { ranOn } from './ran-on';

describe('a planned flight that leaves', () => {
  const planned = {
    ...UNSAID,
    id: 'f',
    starts: instant('2026-11-24T12:00:00Z'),
    ends: instant('2026-11-24T13:30:00Z'),
    purpose: 'private-rental',
  } as unknown as PlannedFlight;
  it('begins now and keeps its length, whether early or late', () => {
    for (const now of [instant('2026-11-24T11:40:00Z'), instant('2026-11-24T12:25:00Z')])
      expect(leavingNow(planned, now)).toEqual({ ...planned, starts: now, ends: addSeconds(now, 5400) });
  });
  it('part of a second counts as a whole one: lengths round up', () => {
    const now = instant('2026-11-24T12:00:00Z');
    expect(leavingNow({ ...planned, ends: (planned.ends + 1) as typeof planned.ends }, now).ends).toBe(
      addSeconds(now, 5401),
    );
  });
});

describe('what each dial ran', () => {
  const read = (dial: string, value: number, meter: 'block' | 'engine' = 'block') => ({
    dial,
    values: [{ meter, value }],
  });
  it.each([
    [
      'the difference of both ends',
      [
        {
          readings: [read('a', 100), read('b', 10)],
          returned: { readings: [read('b', 25), read('a', 160)] },
        },
      ],
      [
        [
          ['b', 15],
          ['a', 60],
        ],
      ],
    ],
    ['nothing of a flight that is out', [{ readings: [read('a', 100)], returned: null }], []],
    [
      'nothing of a dial that was not read on leaving',
      [{ readings: [], returned: { readings: [read('a', 160)] } }],
      [[]],
    ],
    [
      'nothing of one that counted towards another meter then',
      [{ readings: [read('a', 100, 'engine')], returned: { readings: [read('a', 160)] } }],
      [[]],
    ],
    [
      'nothing of one that counts towards no meter',
      [{ readings: [read('a', 100)], returned: { readings: [{ dial: 'a', values: [] }] } }],
      [[]],
    ],
    [
      'by the same meter of several',
      [
        {
          readings: [
            {
              dial: 'a',
              values: [
                { meter: 'engine' as const, value: 5 },
                { meter: 'block' as const, value: 100 },
              ],
            },
          ],
          returned: { readings: [read('a', 160)] },
        },
      ],
      [[['a', 60]]],
    ],
    [
      'each flight by itself',
      [
        { readings: [read('a', 100)], returned: { readings: [read('a', 160)] } },
        { readings: [read('a', 160)], returned: { readings: [read('a', 170)] } },
      ],
      [[['a', 60]], [['a', 10]]],
    ],
  ] as const)('%s', (_, flights, ran) => {
    expect(ranOn(flights).map((one) => [...one])).toEqual(ran);
  });
});
