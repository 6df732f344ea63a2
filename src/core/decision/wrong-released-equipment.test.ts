import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideClean } from '@/testing/clean-case';
import { classifyFinding, equipmentAt } from '../walkround/classify';
import { STEPS } from '../walkround/steps';

type Change = { readonly [key: string]: Json };
const certificate = (kind: string): Json => ({
  name: 'Rosa Dane',
  certificate: { kind, number: 'P-114', validFrom: '2010-01-01', validUntil: 'no-expiry' },
});
const steps: Change = {
  recordedAt: '2026-11-23T18:00:00Z',
  deferredOn: '2026-11-23',
  action: 'deactivated',
  placarded: true,
  entered: 'not-maintenance',
  noHazard: certificate('pilot'),
};
const found = (change: Change): Change => ({
  discrepancies: {
    d: {
      happenedAt: '2026-11-23T12:00:00Z',
      recordedAt: '2026-11-23T12:05:00Z',
      what: 'Dark',
      classification: 'deferral-path',
      ...change,
    },
  },
});
const list = (items: Change): Change => ({ equipment: { list: { items } } });
const asked = (kind: string, change: Change = {}): Change =>
  list({
    [kind]: {
      fitted: true,
      typeCertification: false,
      equipmentList: 'no',
      kindsOfOperation: 'no',
      ...change,
    },
  });
const vfr = (light: string, purpose = 'private-rental'): Change => ({
  wanted: [{ light: [light], rules: ['vfr'], purpose: [purpose], overWater: ['within-glide'] }],
});
const answer = (change: Change) => decideClean(change).wanted?.answer;

// 14 CFR 91.213(d): from memory.
describe('a finding of the walk-round list', () => {
  it('is never open before it is deferred, whatever step of the list it comes from', () => {
    for (const step of STEPS.filter(({ firstAction }) => firstAction === 'deferral-path')) {
      const { classification, closesUses, equipment } = classifyFinding(step, true, 'not-right');
      const finding = found({ classification, closesUses: [...closesUses], equipment: [...equipment] });
      expect([step.code, decideClean(finding).verdict]).toEqual([step.code, 'Grounded']);
    }
  });
  it('that names no equipment on the deferral path closes everything, deferred or not', () => {
    expect([
      decideClean(found({ closesUses: ['night'] })).verdict,
      decideClean(found({ closesUses: ['night'], deferral: steps })).verdict,
    ]).toEqual(['Grounded', 'Grounded']);
  });
  it('carries the equipment of its step also where it is something else than the list says', () => {
    for (const step of STEPS)
      expect(classifyFinding(step, false, 'cannot-tell').equipment).toEqual(equipmentAt(step));
  });
  it('keeps what the list says needs it closed after it was deferred, and opens the rest', () => {
    const deferred = {
      ...found({ equipment: ['position-lights'], closesUses: ['dusk', 'night'], deferral: steps }),
    };
    expect([
      answer({ ...deferred, ...vfr('day') }),
      answer({ ...deferred, ...vfr('dusk') }),
      answer({ ...deferred, ...vfr('night') }),
    ]).toEqual(['yes', 'no', 'no']);
  });
  it('asks the four questions for each kind that it names', () => {
    const two = {
      ...found({ equipment: ['exhaust-gas-gauge', 'airspeed-indicator'], deferral: steps }),
      ...asked('exhaust-gas-gauge'),
    };
    expect([
      decideClean(two).verdict,
      decideClean({
        ...found({ equipment: ['exhaust-gas-gauge'], deferral: steps }),
        ...asked('exhaust-gas-gauge'),
      }).verdict,
    ]).toEqual(['Grounded', 'Released']);
  });
  it.each([
    ['before it was found', '2026-10-02', 'Grounded'],
    ['since', '2026-11-24', 'Restricted'],
  ] as const)('of a thing that the list says is not there, compared %s', (_, day, verdict) => {
    const lists = list({ 'position-lights': 'not-fitted' })['equipment'] as { readonly list: Change };
    expect(
      decideClean({
        ...found({ equipment: ['position-lights'], closesUses: ['dusk', 'night'] }),
        equipment: {
          list: { ...lists.list, happenedAt: `${day}T10:00:00Z`, recordedAt: `${day}T10:30:00Z` },
        },
      }).verdict,
    ).toBe(verdict);
  });
  it.each([
    ['placarded', null],
    ['entered', null],
    ['noHazard', null],
    ['action', null],
    ['noHazard', certificate('student-pilot')],
  ] as const)('with %s %j it is not deferred', (field, value) => {
    expect(
      decideClean({
        ...found({ equipment: ['exhaust-gas-gauge'], deferral: { ...steps, [field]: value } }),
        ...asked('exhaust-gas-gauge'),
      }).verdict,
    ).toBe('Grounded');
  });
});

// 14 CFR 91.209(b): the reading is ours.
describe('a dead anticollision light', () => {
  const old = { aircraft: { certificatedOn: '1996-03-11' } };
  const young = { aircraft: { certificatedOn: '1996-03-12' } };
  const dead = (deferral: Json) => ({
    ...found({ equipment: ['anticollision-lights'], deferral }),
    ...asked('anticollision-lights'),
  });
  it.each([
    ['before its steps, old', old, null, 'day', 'no'],
    ['after its steps, old, by day', old, steps, 'day', 'yes'],
    ['after its steps, old, by night', old, steps, 'night', 'no'],
    ['after its steps, young, by day', young, steps, 'day', 'no'],
  ] as const)('%s', (_, built, deferral, light, expected) => {
    expect(answer({ ...dead(deferral), ...built, ...vfr(light) })).toBe(expected);
  });
});

// 14 CFR 91.405(c): from memory.
describe('an item that a required inspection passed over', () => {
  const inspected = (day: string, kind = 'hundred-hour') => ({
    inspections: {
      since: {
        kind,
        completedOn: day,
        recordedAt: `${day}T20:00:00Z`,
        timeInService: 4140,
        outcome: 'approved',
        signedBy: certificate('repair-station'),
      },
    },
  });
  const gauge = (deferredOn: string) => ({
    ...asked('exhaust-gas-gauge'),
    discrepancies: {
      d: {
        happenedAt: '2026-11-09T12:00:00Z',
        recordedAt: '2026-11-09T12:05:00Z',
        what: 'Dark',
        classification: 'deferral-path',
        equipment: ['exhaust-gas-gauge'],
        deferral: { ...steps, deferredOn, recordedAt: `${deferredOn}T21:00:00Z` },
      },
    },
  });
  it.each([
    ['deferred, not inspected since', '2026-11-10', '2026-11-08', 'Released'],
    ['inspected after the deferral', '2026-11-10', '2026-11-12', 'Grounded'],
    ['deferred again after the inspection', '2026-11-14', '2026-11-12', 'Grounded'],
    ['deferred at the inspection', '2026-11-12', '2026-11-12', 'Released'],
    ['found on the day of the inspection', '2026-11-10', '2026-11-09', 'Released'],
  ] as const)('%s', (_, deferredOn, day, verdict) => {
    expect(decideClean({ ...gauge(deferredOn), ...inspected(day) }).verdict).toBe(verdict);
  });
  it('is not offered another deferral', () => {
    const remedies = decideClean({ ...gauge('2026-11-14'), ...inspected('2026-11-12') }).constraints.flatMap(
      (one) => one.remedies.map(({ act }) => act),
    );
    expect([remedies.includes('repair-and-return-to-service'), remedies.includes('defer-item')]).toEqual([
      true,
      false,
    ]);
  });
  it('nor before it was ever deferred', () => {
    const decision = decideClean({
      ...asked('exhaust-gas-gauge'),
      discrepancies: { d: { ...gauge('2026-11-10').discrepancies.d, deferral: null } },
      ...inspected('2026-11-12'),
    });
    expect(
      decision.constraints.flatMap((one) => one.remedies.map(({ act }) => act)).includes('defer-item'),
    ).toBe(false);
  });
  it('by a segment of a progressive programme as by any other', () => {
    const segment = (on: string) => ({
      items: {
        s: {
          recordedAt: '2020-01-01T00:00:00Z',
          name: 'Segment 1',
          kind: 'service',
          signedAs: 'progressive-segment',
          interval: { months: 12 },
          done: {
            a: { recordedAt: `${on}T20:00:00Z`, completedOn: on, signedBy: certificate('repair-station') },
          },
        },
      },
      aircraft: { programme: 'progressive' },
    });
    expect([
      codes(decideClean({ ...gauge('2026-11-10'), ...segment('2026-11-08') })),
      codes(decideClean({ ...gauge('2026-11-10'), ...segment('2026-11-12') })),
    ]).toEqual([[], ['deferral-not-addressed']]);
  });
});

// 14 CFR 91.205(d)(2) and 91.213(d)(2)(iii): from memory.
describe('navigation that instrument flight relies on', () => {
  const all = (navigation: string): Change => ({
    aircraft: { approvedFor: 'all', ifrNavigation: navigation },
  });
  const fitted: Change = {
    'vor-receiver': { fitted: true, typeCertification: false, equipmentList: 'no', kindsOfOperation: 'no' },
    'satellite-navigator': {
      fitted: true,
      typeCertification: false,
      equipmentList: 'no',
      kindsOfOperation: 'no',
    },
  };
  const ifr = (says: Change): Change => ({
    flight: {
      starts: '2026-11-24T14:00:00Z',
      ends: '2026-11-24T15:00:00Z',
      purpose: 'private-rental',
      crew: 'rated-pilot',
      rules: 'ifr',
      range: 'local',
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      ...says,
    },
  });
  const closing = (change: Change) => {
    const { flight, constraints } = decideClean(change);
    return [...(flight?.own ?? []), ...constraints.filter(({ id }) => flight?.closedBy.includes(id))]
      .filter(({ rule }) => rule === 'navigation-works')
      .map(({ reason }) => reason.code);
  };
  it.each([
    ['fitted and working', all('vor-only'), fitted, { reliesOnVor: true, reliesOnDatabase: false }, []],
    [
      'not fitted',
      all('vor-only'),
      { ...fitted, 'vor-receiver': 'not-fitted' },
      { reliesOnVor: true, reliesOnDatabase: false },
      ['navigation-not-aboard'],
    ],
    [
      'not on the list',
      all('satellite-only'),
      { 'satellite-navigator': null },
      { reliesOnVor: false, reliesOnDatabase: true },
      ['navigation-not-aboard'],
    ],
    [
      'relied on though the aircraft has the other alone',
      all('vor-only'),
      fitted,
      { reliesOnVor: false, reliesOnDatabase: true },
      ['navigation-not-aboard'],
    ],
    [
      'one of two, not relied on',
      all('either'),
      { ...fitted, 'vor-receiver': 'not-fitted' },
      { reliesOnVor: false, reliesOnDatabase: true },
      [],
    ],
    [
      'one of two, relied on',
      all('either'),
      { ...fitted, 'vor-receiver': 'not-fitted' },
      { reliesOnVor: true, reliesOnDatabase: false },
      ['navigation-not-aboard'],
    ],
    [
      'one of two, nothing said',
      all('either'),
      { ...fitted, 'vor-receiver': 'not-fitted' },
      {},
      ['navigation-not-aboard'],
    ],
  ] as const)('%s', (_, aircraft, items, says, expected) => {
    expect(closing({ ...aircraft, ...list(items as Change), ...ifr(says) })).toEqual(expected);
  });
  it.each([
    ['found dead', null],
    ['deferred', steps],
  ] as const)('%s it cannot be relied on', (_, deferral) => {
    expect(
      closing({
        ...all('vor-only'),
        ...list(fitted),
        ...found({ equipment: ['vor-receiver'], deferral }),
        ...ifr({ reliesOnVor: true, reliesOnDatabase: false }),
      }),
    ).toContain('equipment-inoperative');
  });
  it('with both of two dead no instrument flight goes', () => {
    const decision = decideClean({
      ...all('either'),
      ...list({ 'vor-receiver': 'not-fitted', 'satellite-navigator': 'not-fitted' }),
      wanted: [{ rules: ['ifr'] }],
    });
    expect(codes(decision).filter((code) => code === 'navigation-not-aboard')).toHaveLength(2);
  });
});

describe('what a club asks for has to work', () => {
  const own = (equipment: string): Json => ({
    packs: [
      { id: 'us-part91', parameters: { trainingUnder: 'part-61' } },
      {
        id: 'club-policy',
        pack: {
          format: 'groval-club-pack',
          version: 2,
          id: 'tern-bay',
          edition: '1',
          title: 'Tern Bay',
          parameters: { documentCheckDays: 400, readingDays: 400 },
          rules: [
            {
              id: 'egt',
              title: 'Exhaust gas gauge',
              explanation: 'Ours.',
              demand: { kind: 'equipment', equipment },
            },
          ],
        },
      },
    ],
  });
  it.each([
    ['no find', {}, 'Released'],
    ['dead', found({ equipment: ['exhaust-gas-gauge'] }), 'Grounded'],
    ['dead and deferred', found({ equipment: ['exhaust-gas-gauge'], deferral: steps }), 'Grounded'],
  ] as const)('%s', (_, change, verdict) => {
    expect(
      decideClean({ ...asked('exhaust-gas-gauge'), ...change, ...(own('exhaust-gas-gauge') as Change) })
        .verdict,
    ).toBe(verdict);
  });
  it('an extinguisher too', () => {
    const extinguisher = asked('fire-extinguisher', { expiresOn: '2028-06-30' });
    expect([
      decideClean(extinguisher).verdict,
      decideClean({ ...extinguisher, ...found({ equipment: ['fire-extinguisher'], deferral: steps }) })
        .verdict,
    ]).toEqual(['Released', 'Grounded']);
  });
});

// 14 CFR 91.205(b)(12) and (c)(4): from memory. Whether a lesson is for hire is the school's statement, strict by default.
describe('lessons and hire', () => {
  const lessons = (word: string | null): Change => ({
    packs: [
      {
        id: 'us-part91',
        parameters: { trainingUnder: 'part-61', ...(word === null ? {} : { lessons: word }) },
      },
      { id: 'club-policy', parameters: { documentCheckDays: 400, readingDays: 400 } },
    ],
  });
  const dark = list({ 'landing-light': 'not-fitted' });
  it.each([
    ['by default', null, 'instruction-school-aircraft', 'no'],
    ['where they are for hire', 'lessons-are-for-hire', 'instruction-school-aircraft', 'no'],
    ['where they are not', 'lessons-are-not-for-hire', 'instruction-school-aircraft', 'yes'],
    ['carriage, where lessons are not', 'lessons-are-not-for-hire', 'carriage-for-hire', 'no'],
    ['rental', 'lessons-are-for-hire', 'private-rental', 'yes'],
  ] as const)('without a landing light at night, %s', (_, word, purpose, expected) => {
    expect(answer({ ...lessons(word), ...dark, ...vfr('night', purpose) })).toBe(expected);
  });
  const water = (word: string, purpose: string) =>
    decideClean({
      ...lessons(word),
      aircraft: { approvedFor: 'all' },
      wanted: [{ light: ['day'], rules: ['vfr'], purpose: [purpose], overWater: ['beyond-glide'] }],
    });
  it.each([
    ['lessons-are-for-hire', 'instruction-school-aircraft', true],
    ['lessons-are-not-for-hire', 'instruction-school-aircraft', false],
    ['lessons-are-not-for-hire', 'glider-towing', true],
    ['lessons-are-for-hire', 'private-rental', false],
  ] as const)('flotation, %s, %s: asked for %s', (word, purpose, expected) => {
    const decision = water(word, purpose);
    expect(decision.wanted?.closedBy.includes('required-equipment/over-water.flotation')).toBe(expected);
  });
});
