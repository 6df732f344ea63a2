import { describe, expect, it } from 'vitest';
import { hours } from '../quantities/hours';
import type { Dial } from '../records/meters/dial';
import type { Standings } from '../records/meters/meter-reading';
import { instant } from '../time/instant';
import { asksAtCheckIn, asksAtCheckOut, dialState, lastShown, unanswered, usualRatios } from './desk';

const at = instant('2026-11-24T12:00:00Z');
const dial = (id: string, change: Partial<Dial> = {}): Dial => ({
  id,
  happenedAt: at,
  recordedAt: at,
  name: id,
  unit: 'h',
  counts: [{ meter: 'time-in-service', offset: 0 }],
  bills: false,
  wrapsAt: null,
  replaces: null,
  ...change,
});
const block = dial('block');
const short = dial('short', { wrapsAt: hours('1000') });
const kinds = (asks: readonly { readonly kind: string; readonly dial: string; readonly accept: unknown }[]) =>
  asks.map(({ kind, dial: id, accept }) => `${id} ${kind} ${String(accept)}`);
const HOUR = 3600;

describe('what a dial must show', () => {
  const unknown = { state: 'unknown' } as const;
  const none: Standings = {
    'time-in-service': unknown,
    engine: unknown,
    propeller: unknown,
    block: unknown,
    landings: unknown,
    cycles: unknown,
    'tow-launches': unknown,
  };
  const known = (text: string) => ({ state: 'known', value: hours(text), from: 'r', readAt: at }) as const;
  it.each([
    ['nothing on record', [{ meter: 'engine', offset: 0 }], none, null],
    [
      'a meter with its offset',
      [{ meter: 'engine', offset: hours('10') }],
      { ...none, engine: known('100') },
      hours('90'),
    ],
    [
      'two meters: the higher of both',
      [
        { meter: 'engine', offset: 0 },
        { meter: 'time-in-service', offset: hours('10') },
      ],
      { ...none, engine: known('100'), 'time-in-service': known('112') },
      hours('102'),
    ],
    [
      'two meters, the first the higher',
      [
        { meter: 'engine', offset: 0 },
        { meter: 'time-in-service', offset: hours('20') },
      ],
      { ...none, engine: known('100'), 'time-in-service': known('112') },
      hours('100'),
    ],
    ['exactly zero', [{ meter: 'engine', offset: hours('100') }], { ...none, engine: known('100') }, 0],
    [
      'an offset above what is on record',
      [{ meter: 'engine', offset: hours('101') }],
      { ...none, engine: known('100') },
      null,
    ],
    [
      'records that contradict each other',
      [{ meter: 'engine', offset: 0 }],
      {
        ...none,
        engine: {
          state: 'contradiction',
          earlier: 'a',
          later: 'b',
          earlierValue: 2,
          laterValue: 1,
          highest: 2,
        } as const,
      },
      null,
    ],
  ] as const)('%s', (_, counts, meters, shown) => {
    expect(lastShown({ counts }, meters)).toBe(shown);
  });
});

describe('a dial whose record is disputed', () => {
  const unknown = { state: 'unknown' } as const;
  const disputed = {
    state: 'contradiction',
    earlier: 'a',
    later: 'b',
    earlierValue: hours('110'),
    laterValue: hours('101'),
    highest: hours('112'),
  } as const;
  const meters: Standings = {
    'time-in-service': disputed,
    engine: { state: 'known', value: hours('50'), from: 'r', readAt: at },
    propeller: unknown,
    block: unknown,
    landings: unknown,
    cycles: unknown,
    'tow-launches': unknown,
  };
  const offset = dial('block', { counts: [{ meter: 'time-in-service', offset: hours('10') }] });
  it('shows both figures as it showed them, and what it must show nobody knows', () => {
    expect(dialState(offset, meters)).toEqual({
      dial: offset,
      last: null,
      disputed: { earlier: hours('100'), later: hours('91') },
    });
  });
  it('is asked for at check-out, and no answer will do', () => {
    for (const shown of ['101', '110', '', 'x'])
      expect(kinds(asksAtCheckOut([dialState(offset, meters)], [{ dial: 'block', shown }]))).toEqual([
        'block disputed null',
      ]);
    // One of its meters is enough, though another says what it must show.
    const two = dial('block', {
      counts: [
        { meter: 'engine', offset: 0 },
        { meter: 'time-in-service', offset: 0 },
      ],
    });
    expect([
      dialState(two, meters).last,
      kinds(asksAtCheckOut([dialState(two, meters)], [{ dial: 'block', shown: '50' }])),
    ]).toEqual([hours('50'), ['block disputed null']]);
  });
  it('the question is about what was typed, or about nothing', () => {
    const asked = (entered: readonly { readonly dial: string; readonly shown: string }[]) =>
      asksAtCheckOut([dialState(offset, meters)], entered).map(({ key, shown, intended }) => [
        key,
        shown,
        intended,
      ]);
    expect([asked([{ dial: 'block', shown: '101' }]), asked([])]).toEqual([
      [['disputed/block/101', '101', []]],
      [['disputed/block/', '', []]],
    ]);
  });
  it('comes back from what it showed on leaving, whatever was disputed since; one that is not, from what is on record', () => {
    const left = [
      { meter: 'landings', value: 3 },
      { meter: 'time-in-service', value: hours('111') },
    ] as const;
    expect(dialState(offset, meters, left).last).toBe(hours('101'));
    expect(
      dialState(
        offset,
        { ...meters, 'time-in-service': { state: 'known', value: hours('112'), from: 'r', readAt: at } },
        left,
      ),
    ).toMatchObject({ last: hours('102'), disputed: null });
    expect(
      kinds(asksAtCheckIn([dialState(offset, meters, left)], [{ dial: 'block', shown: '102' }], HOUR, [])),
    ).toEqual([]);
    expect(
      kinds(asksAtCheckIn([dialState(offset, meters, left)], [{ dial: 'block', shown: '100' }], HOUR, [])),
    ).toEqual(['block below null']);
  });
});

describe('asked at check-out', () => {
  const last = { dial: block, last: hours('4177.5'), disputed: null };
  it.each([
    ['the same', '4177.5', []],
    ['the same with a zero more', '4177.50', []],
    ['nothing', '', ['block missing null']],
    ['words', 'about 4178', ['block unreadable null']],
    ['a tenth more', '4177.6', ['block gap flown-unlogged']],
    ['a hundredth less', '4177.49', ['block below null']],
  ])('%s', (_, shown, asked) => {
    expect(kinds(asksAtCheckOut([last], [{ dial: 'block', shown }]))).toEqual(asked);
  });
  it('a dial that nobody read', () => {
    expect(
      kinds(
        asksAtCheckOut(
          [last, { dial: dial('engine'), last: null, disputed: null }],
          [{ dial: 'block', shown: '4177.5' }],
        ),
      ),
    ).toEqual(['engine missing null']);
  });
  it('says how long nobody wrote anything down, and what was probably meant', () => {
    expect(asksAtCheckOut([last], [{ dial: 'block', shown: '4717.5' }])).toMatchObject([
      {
        kind: 'gap',
        last: hours('4177.5'),
        length: hours('540'),
        intended: [{ text: '4177.5', slip: 'transposed' }],
      },
    ]);
  });
  it('offers what was probably meant for what is no number, where there is something to compare it with', () => {
    const intended = (last: number | null, shown: string) =>
      asksAtCheckOut([{ dial: block, last, disputed: null }], [{ dial: 'block', shown }]).map((one) =>
        one.intended.map(({ text }) => text),
      );
    expect([
      intended(hours('4177.5'), '41x7.5'),
      intended(null, '41x7.5'),
      intended(hours('4177.5'), ''),
    ]).toEqual([[['4177.5']], [[]], [[]]]);
  });
  it('a dial that never was read has nothing to compare with', () => {
    expect(
      asksAtCheckOut([{ dial: block, last: null, disputed: null }], [{ dial: 'block', shown: '12' }]),
    ).toEqual([]);
  });
  it('one that started again from zero', () => {
    expect(
      asksAtCheckOut(
        [{ dial: short, last: hours('999.9'), disputed: null }],
        [{ dial: 'short', shown: '0.4' }],
      ),
    ).toMatchObject([{ kind: 'below', run: hours('0.5'), accept: 'started-again-from-zero' }]);
  });
});

describe('asked at check-in', () => {
  const out = { dial: block, last: hours('4177.5'), disputed: null };
  it.each([
    ['an hour', '4178.5', []],
    ['two digits swapped', '4187.5', ['block doubt read-again']],
    ['backwards', '4170.0', ['block below null']],
    ['nothing', ' ', ['block missing null']],
    ['no number', '4178,5', ['block unreadable null']],
  ])('%s', (_, shown, asked) => {
    expect(kinds(asksAtCheckIn([out], [{ dial: 'block', shown }], HOUR, []))).toEqual(asked);
  });
  it('offers what was probably meant', () => {
    expect(
      asksAtCheckIn([out], [{ dial: 'block', shown: '4718.5' }], HOUR, [])[0]?.intended.map(
        ({ text }) => text,
      ),
    ).toEqual(['4178.5']);
  });
  it('a dial that was never read has nothing to run on from, and says nothing about another', () => {
    const never = { dial: dial('air'), last: null, disputed: null };
    const usual = [{ dial: 'block', other: 'air', least: 0.7, most: 1 }];
    expect(
      asksAtCheckIn(
        [never, out],
        [
          { dial: 'air', shown: '100' },
          { dial: 'block', shown: '4178.5' },
        ],
        HOUR,
        usual,
      ),
    ).toEqual([]);
    expect(asksAtCheckIn([never], [{ dial: 'air', shown: 'x' }], HOUR, [])).toMatchObject([
      { kind: 'unreadable', intended: [] },
    ]);
  });
  it('asks about the dial that is in doubt, and not about the one before it', () => {
    const two = [out, { dial: dial('air'), last: hours('100'), disputed: null }];
    expect(
      asksAtCheckIn(
        two,
        [
          { dial: 'block', shown: '4178.5' },
          { dial: 'air', shown: '99' },
        ],
        HOUR,
        [],
      ),
    ).toMatchObject([{ kind: 'below', dial: 'air', last: hours('100'), accept: null }]);
    expect(
      asksAtCheckIn(
        two,
        [
          { dial: 'block', shown: '4178.5' },
          { dial: 'air', shown: '1001' },
        ],
        HOUR,
        [],
      ),
    ).toMatchObject([
      {
        kind: 'doubt',
        dial: 'air',
        intended: [
          { text: '100.1', slip: 'point-left-out' },
          { text: '101', slip: 'digit-doubled' },
          { text: '100', slip: 'digit-doubled' },
        ],
      },
    ]);
  });
  it('over its highest figure it makes sense to what the clock allows, and no further', () => {
    // 0.1 h to zero and 1.0 h on: the hour by the clock and a tenth.
    const at999 = { dial: short, last: hours('999.9'), disputed: null };
    const asked = (shown: string) =>
      asksAtCheckIn([at999], [{ dial: 'short', shown }], HOUR, []).map(({ kind, accept, intended }) => [
        kind,
        accept,
        intended.length,
      ]);
    expect([
      asked('1.0'),
      kinds(asksAtCheckIn([at999], [{ dial: 'short', shown: '1.01' }], HOUR, [])),
    ]).toEqual([[['below', 'started-again-from-zero', 0]], ['short below null']]);
  });
  it('a dial over its highest figure is asked about once, and then counts on', () => {
    const at999 = { dial: short, last: hours('999.9'), disputed: null };
    expect(kinds(asksAtCheckIn([at999], [{ dial: 'short', shown: '0.8' }], HOUR, []))).toEqual([
      'short below started-again-from-zero',
    ]);
    expect(kinds(asksAtCheckIn([at999], [{ dial: 'short', shown: '500.0' }], HOUR, []))).toEqual([
      'short below null',
    ]);
  });
  it('the usual share of one dial in another', () => {
    const two = [{ dial: dial('air'), last: hours('100'), disputed: null }, out];
    const usual = usualRatios(
      Array.from(
        { length: 5 },
        (_, n) =>
          new Map([
            ['air', 2880 + 60 * n],
            ['block', HOUR],
          ]),
      ),
    );
    expect(usual).toEqual([
      { dial: 'air', other: 'block', least: 0.8 - 0.05, most: (2880 + 240) / HOUR + 0.05 },
    ]);
    const asked = (air: string) =>
      kinds(
        asksAtCheckIn(
          two,
          [
            { dial: 'air', shown: air },
            { dial: 'block', shown: '4178.5' },
          ],
          HOUR,
          usual,
        ),
      );
    expect([asked('100.8'), asked('100.6')]).toEqual([[], ['air doubt read-again']]);
  });
  it('of what is usual only flights say something on which both dials ran long enough', () => {
    const five = Array.from(
      { length: 5 },
      () =>
        new Map([
          ['b', HOUR],
          ['a', HOUR],
        ]),
    );
    const odd = (a: number, b: number | null) =>
      usualRatios([...five, new Map([['a', a], ...(b === null ? [] : [['b', b] as const])])])[0];
    expect([odd(1079, HOUR), odd(HOUR, 1079), odd(HOUR, null)]).toEqual(
      [1, 1, 1].map(() => ({ dial: 'a', other: 'b', least: 1 - 0.05, most: 1 + 0.05 })),
    );
    expect([odd(1080, HOUR)?.least, odd(HOUR, 1080)?.most]).toEqual([0.3 - 0.05, HOUR / 1080 + 0.05]);
    expect(usualRatios([...five.slice(1), new Map([['a', HOUR]]), new Map([['b', HOUR]])])).toEqual([]);
  });
  it('four flights say nothing of what is usual', () => {
    expect(
      usualRatios(
        Array.from(
          { length: 4 },
          () =>
            new Map([
              ['a', HOUR],
              ['b', HOUR],
            ]),
        ),
      ),
    ).toEqual([]);
  });
});

describe('an answer', () => {
  const asks = asksAtCheckOut(
    [{ dial: block, last: hours('10'), disputed: null }],
    [{ dial: 'block', shown: '10.5' }],
  );
  it('holds for the figure that was asked about, and no other', () => {
    expect(
      unanswered(
        asks,
        asks.map(({ key }) => key),
      ),
    ).toEqual([]);
    expect(
      unanswered(
        asksAtCheckOut(
          [{ dial: block, last: hours('10'), disputed: null }],
          [{ dial: 'block', shown: '10.6' }],
        ),
        asks.map(({ key }) => key),
      ),
    ).toHaveLength(1);
  });
  it('does not help where only another reading will do', () => {
    const below = asksAtCheckOut(
      [{ dial: block, last: hours('10'), disputed: null }],
      [{ dial: 'block', shown: '9' }],
    );
    expect(
      unanswered(
        below,
        below.map(({ key }) => key),
      ),
    ).toHaveLength(1);
  });
});
