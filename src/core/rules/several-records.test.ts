// What instrument flight relies on, and what is measured, where several records say different things of it.
import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { over, seen } from '@/testing/rules/equipment';
import { flight, ramp, seen as today } from '@/testing/rules/ramp';
import type { Row } from '@/testing/rules/row';

const IFR = { approvedFor: 'all' };

describe('VOR checks of several days', () => {
  const one = (day: string, change: Change = {}) => ({
    ...seen(day),
    method: 'dual',
    errorDegrees: 2,
    place: 'Tern Bay',
    signedBy: 'A. Verin',
    ...change,
  });
  const failed = { errorDegrees: 7 };
  it.each<[string, Change, readonly string[]]>([
    ['a failed one after a good one', { a: one('2026-11-10'), b: one('2026-11-20', failed) }, ['b']],
    ['a good one after a failed one', { a: one('2026-11-20'), b: one('2026-11-10', failed) }, []],
    ['both of one moment', { a: one('2026-11-20'), b: one('2026-11-20', failed) }, ['b']],
    [
      'both of one moment, the other on record first',
      { b: one('2026-11-20'), a: one('2026-11-20', failed) },
      ['a'],
    ],
    [
      'a failed one that nobody signed, after a good one',
      { a: one('2026-11-10'), b: one('2026-11-20', { ...failed, signedBy: null }) },
      ['b'],
    ],
    [
      'a failed one that nobody signed, before a good one',
      { a: one('2026-11-20'), b: one('2026-11-10', { ...failed, signedBy: null }) },
      [],
    ],
    [
      'one that nobody finished, after a good one',
      { a: one('2026-11-10'), b: one('2026-11-20', { place: null }) },
      [],
    ],
    [
      'one that nobody finished, after one that is too old',
      { a: one('2026-10-01'), b: one('2026-11-20', { place: null }) },
      ['a'],
    ],
  ])('%s', (_, vorChecks, records) => {
    const lines = said(decideBy(['vor-check'], { aircraft: IFR, vorChecks }));
    expect(lines.map((line) => /\[(.*)\]/.exec(line)?.[1])).toEqual(records);
  });
});

describe('databases of several cycles', () => {
  const one = (effectiveOn: string | null, lastDay: string | null = null) => ({
    ...seen('2026-11-01'),
    content: 'navigation',
    effectiveOn,
    lastDay,
  });
  const judged = (databases: Json | undefined) => {
    const decision = decideBy(['navigation-database'], {
      aircraft: { ...IFR, ifrNavigation: 'satellite-only' },
      databases: databases ?? {},
    });
    return [said(decision), missed(decision)];
  };
  const EXPIRED = (id: string) => [`navigation: database-expires 3024 [${id}] update-database`];
  const NOT_YET = (...ids: readonly string[]) => [
    `not-yet: database-not-yet 3024 [${ids.join()}] update-database`,
  ];
  // The answer is as of 24 November 2026.
  it.each<Row>([
    ['none', {}, ['navigation: database-unknown? 3024 [] update-database'], ['databases (navigation)']],
    [
      'one of terrain alone',
      { t: { ...one('2026-11-01'), content: 'terrain' } },
      ['navigation: database-unknown? 3024 [] update-database'],
      ['databases (navigation)'],
    ],
    [
      'one without any day',
      { a: one(null, null) },
      ['navigation: database-unknown? 3024 [] update-database'],
      ['databases (navigation)'],
    ],
    ['in its cycle', { a: one('2026-11-01') }, []],
    ['on the last day of it', { a: one('2026-10-28') }, []],
    ['a day after it', { a: one('2026-10-27') }, EXPIRED('a')],
    ['a day after it, though a later day was read off', { a: one('2026-10-27', '2026-12-24') }, EXPIRED('a')],
    [
      'after the day that was read off, though the cycle goes on',
      { a: one('2026-11-01', '2026-11-23') },
      EXPIRED('a'),
    ],
    ['on the day that was read off', { a: one(null, '2026-11-24') }, []],
    ['the next cycle alone', { a: one('2026-11-25') }, NOT_YET('a')],
    ['the next cycle beside one that runs up to it', { b: one('2026-11-25'), a: one('2026-10-28') }, []],
    [
      'the next cycle beside one that ended',
      { b: one('2026-11-25'), a: one('2026-10-27') },
      NOT_YET('b', 'a'),
    ],
    [
      'the same, the older on record first',
      { a: one('2026-10-27'), z: one('2026-11-25') },
      NOT_YET('z', 'a'),
    ],
    [
      'two that end on one day: the one that has begun says nothing of the other',
      { a: one('2026-11-25', '2026-12-10'), b: one('2026-11-20', '2026-12-10') },
      [],
    ],
    [
      'an old one and the present one, whichever is on record first',
      { z: one('2026-09-01'), a: one('2026-11-01') },
      [],
    ],
    ['the same, turned round', { a: one('2026-09-01'), z: one('2026-11-01') }, []],
  ])('%s', (_, databases, lines, missing = []) => {
    expect(judged(databases)).toEqual([lines, missing]);
  });
});

describe('receivers that an instrument flight relies on', () => {
  const fitted = (items: Readonly<Record<string, boolean | null>>) => ({
    equipment: {
      list: {
        items: Object.fromEntries(
          Object.entries(items).map(([kind, is]) => [
            kind,
            { fitted: is, typeCertification: false, equipmentList: 'no', kindsOfOperation: 'no' },
          ]),
        ),
      },
    },
  });
  const judged = (navigation: string | null, change: Change) =>
    said(decideBy(['navigation-works'], { aircraft: { ...IFR, ifrNavigation: navigation }, ...change }));
  it.each<[string, string, Change, readonly string[]]>([
    ['works', 'vor-only', fitted({ 'vor-receiver': true }), []],
    [
      'is not fitted',
      'vor-only',
      fitted({ 'vor-receiver': false }),
      ['vor-receiver: navigation-not-aboard~ 3024 [list] install-equipment(vor-receiver)'],
    ],
    [
      'may not be fitted',
      'vor-only',
      fitted({ 'vor-receiver': null }),
      ['vor-receiver: navigation-not-aboard?~ 3024 [list] record-equipment'],
    ],
    ['is the other', 'satellite-only', fitted({ 'vor-receiver': false, 'satellite-navigator': true }), []],
    ['is one of two', 'either', fitted({ 'vor-receiver': false, 'satellite-navigator': true }), []],
    [
      'is neither of two',
      'either',
      fitted({ 'vor-receiver': false, 'satellite-navigator': false }),
      [
        'satellite-navigator: navigation-not-aboard~ 3024 [list] install-equipment(satellite-navigator)',
        'vor-receiver: navigation-not-aboard~ 3024 [list] install-equipment(vor-receiver)',
      ],
    ],
  ])('%s', (_, navigation, change, lines) => {
    expect([...judged(navigation, change)].sort()).toEqual(lines);
  });
  it('is not on record where no equipment is', () => {
    expect(judged('vor-only', { equipment: null })).toEqual([
      'vor-receiver: navigation-not-aboard?~ 3024 [] record-equipment',
    ]);
  });
  it('nobody knows: that is asked by other rules', () => {
    expect(judged(null, fitted({ 'vor-receiver': false }))).toEqual([]);
  });
  const planned = (
    navigation: string,
    relies: Change,
    items = fitted({ 'vor-receiver': false, 'satellite-navigator': true }),
  ) =>
    decideBy(['navigation-works'], {
      aircraft: { ...IFR, ifrNavigation: navigation },
      ...items,
      ...flight({ rules: 'ifr', ...relies }),
    }).flight?.own.map(({ key, condition, remedies }) => [
      key,
      condition ? 'a step' : 'closed',
      remedies.map(({ act }) => act).join(),
    ]);
  it.each<[string, string, Change, readonly (readonly string[])[]]>([
    ['says no', 'either', { reliesOnVor: false }, []],
    [
      'says yes',
      'either',
      { reliesOnVor: true },
      [['flight.vor-receiver', 'closed', 'install-equipment,state-for-flight']],
    ],
    ['does not say', 'either', {}, [['flight.vor-receiver', 'closed', 'install-equipment,state-for-flight']]],
    [
      'says yes where the aircraft navigates by the other alone',
      'satellite-only',
      { reliesOnVor: true },
      [['flight.vor-receiver', 'a step', 'state-for-flight']],
    ],
    ['does not say where the aircraft navigates by the other alone', 'satellite-only', {}, []],
    ['is visual', 'either', { rules: 'vfr', reliesOnVor: true }, []],
  ])('of a flight that %s', (_, navigation, relies, lines) => {
    expect(planned(navigation, relies)).toEqual(lines);
  });
});

describe('the drop of two ignitions', () => {
  const drop = (which: string, value: number, time = '24T12:30') => ({
    ...today(time),
    quantity: 'ignition-drop',
    which,
    value,
    unit: 'rpm',
  });
  const judged = (measurements: Change) =>
    said(decideBy(['measured-limits'], { ...ramp({ ...measurements }), ...over('all') })).filter((line) =>
      line.startsWith('ignition'),
    );
  it.each<[string, Change, readonly string[]]>([
    ['close together', { l: drop('left', 100), r: drop('right', 60) }, []],
    [
      'too far apart',
      { l: drop('left', 160), r: drop('right', 30, '24T12:31') },
      ['ignition-difference...125: measured-outside~ [r] service-measured-item(ignition-difference)'],
    ],
    [
      'too far apart the other way, seen later on the left',
      { l: drop('left', 30, '24T12:32'), r: drop('right', 160) },
      ['ignition-difference...125: measured-outside~ [l] service-measured-item(ignition-difference)'],
    ],
    [
      'of one moment twice: the farther apart counts',
      { l: drop('left', 100), l2: drop('left', 160), r: drop('right', 30) },
      ['ignition-difference...125: measured-outside~ [r] service-measured-item(ignition-difference)'],
    ],
    [
      'measured again and better',
      { l: drop('left', 160), l2: drop('left', 100, '24T12:40'), r: drop('right', 30) },
      [],
    ],
    ['of one alone', { l: drop('left', 160) }, []],
  ])('%s', (_, measurements, lines) => {
    expect(judged(measurements)).toEqual(lines);
  });
});

describe('oil that was added since it was measured', () => {
  const judged = (measured: number, ...added: readonly (readonly [string, string, number])[]) =>
    said(
      decideBy(['measured-limits'], {
        ramp: {
          measurements: { o: { ...today('24T12:30'), quantity: 'oil', value: measured, unit: 'US qt' } },
          samples: {},
          uplifts: Object.fromEntries(
            added.map(([time, what, amount], at) => [
              `u${at}`,
              { ...today(time), what, added: { amount, unit: what === 'oil' ? 'US qt' : 'US gal' } },
            ]),
          ),
        },
      }),
    )
      .filter((line) => line.startsWith('oil'))
      .map((line) => line.slice(line.indexOf(': ') + 2));
  const TOO_MUCH = ['measured-outside! [o] remove-oil(oil)'];
  const TOO_LITTLE = ['measured-outside! [o] add-oil(oil)'];
  // The clean trainer holds 4 to 8 quarts.
  it('takes it over the maximum, and not to it', () => {
    expect(judged(7)).toEqual([]);
    expect(judged(7, ['24T12:35', 'oil', 1])).toEqual([]);
    expect(judged(7, ['24T12:35', 'oil', 1.1])).toEqual(TOO_MUCH);
    expect(judged(7, ['24T12:35', 'oil', 0.6], ['24T12:36', 'oil', 0.6])).toEqual(TOO_MUCH);
    expect(judged(7, ['24T12:30', 'oil', 1.1])).toEqual(TOO_MUCH);
  });
  it('says nothing where it was added before, or was fuel', () => {
    expect(judged(7, ['24T12:29', 'oil', 1.1])).toEqual([]);
    expect(judged(7, ['24T12:35', 'fuel', 5])).toEqual([]);
  });
  it('clears nothing: who added it looks again', () => {
    expect(judged(3.9)).toEqual(TOO_LITTLE);
    expect(judged(3.9, ['24T12:35', 'oil', 1])).toEqual(TOO_LITTLE);
    expect(judged(8.1)).toEqual(TOO_MUCH);
  });
});

/** Common practice, no source: one figure never speaks for another. */
describe('one limit for several struts', () => {
  const strut = (which: string | null, value: number, time = '24T12:30') => ({
    ...today(time),
    quantity: 'strut',
    ...(which === null ? {} : { which }),
    value,
    unit: 'in',
  });
  const limit = { quantity: 'strut', unit: 'in', min: 4, remedy: 'mechanic' };
  const records = (measurements: Change, measured: readonly Json[] = [limit]) =>
    said(
      decideBy(['measured-limits'], {
        aircraft: { engine: 'none', measured: [...measured] },
        ...ramp(measurements),
      }),
    ).map((line) => /\[(.*)\]/.exec(line)?.[1]);
  it.each<[string, Change, readonly string[]]>([
    ['both good', { l: strut('left', 5), r: strut('right', 5, '24T12:35') }, []],
    [
      'the left one flat, the right one good after it',
      { l: strut('left', 1), r: strut('right', 5, '24T12:35') },
      ['l'],
    ],
    [
      'the right one flat after a good left one',
      { l: strut('left', 5), r: strut('right', 1, '24T12:35') },
      ['r'],
    ],
    [
      'the flat one measured again',
      { l: strut('left', 1), r: strut('right', 5, '24T12:35'), again: strut('left', 5, '24T12:40') },
      [],
    ],
    ['one flat that nobody named, before both', { u: strut(null, 1), l: strut('left', 5, '24T12:35') }, []],
    ['one flat that nobody named, of their moment', { u: strut(null, 1), l: strut('left', 5) }, ['u']],
    ['one flat that nobody named, after them', { u: strut(null, 1, '24T12:50'), l: strut('left', 5) }, ['u']],
    [
      'one good that nobody named, after a flat one',
      { u: strut(null, 5, '24T12:50'), l: strut('left', 1) },
      [],
    ],
  ])('%s', (_, measurements, held) => {
    expect(records(measurements)).toEqual(held);
  });
  it('one with a limit of its own is held to that alone', () => {
    const nose = { ...limit, which: 'nose', min: 2 };
    expect(records({ n: strut('nose', 3), l: strut('left', 5) }, [limit, nose])).toEqual([]);
    expect(records({ n: strut('nose', 1), l: strut('left', 5) }, [limit, nose])).toEqual(['n']);
  });
  it('of fuel holds for all of it: what one tank holds says nothing', () => {
    const fuel = { quantity: 'fuel-dip', unit: 'US gal', max: 30, remedy: 'top-up', everyFlight: true };
    const dip = (which: string) => ({
      ...today('24T12:30'),
      quantity: 'fuel-dip',
      which,
      value: 18,
      unit: 'US gal',
    });
    expect(records({ l: dip('left'), r: dip('right') }, [fuel])).toEqual(['']);
  });
  it('before each flight each of them has to be measured since the last', () => {
    const every = { ...limit, everyFlight: true };
    expect(records({ l: strut('left', 5), r: strut('right', 5) }, [every])).toEqual([]);
    expect(records({ l: strut('left', 5, '23T12:30'), r: strut('right', 5) }, [every])).toEqual(['l']);
  });
});
