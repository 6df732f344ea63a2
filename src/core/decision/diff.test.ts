import { describe, expect, it } from 'vitest';
import { cleanCase, decideClean, deferredLamp } from '@/testing/clean-case';
import { isEmpty, usesIn, isWithin } from '../envelope/use-set';
import { canonicalJson, type Plain } from './canonical';
import { ENGINE_VERSION } from './decide';
import { diffDecisions } from './diff';
import { canonicalInputs } from './inputs';
import { tellDiff } from '@/explain/timeline-document';

const before = decideClean();
const lamp = (closesUses: readonly string[]) => decideClean(deferredLamp('lamp', 'Lamp dark', closesUses));

describe('what changed between two decisions', () => {
  it('nothing', () => {
    const diff = diffDecisions(before, decideClean());
    expect([diff.same, isEmpty(diff.opened), isEmpty(diff.closed), tellDiff(diff)]).toEqual([
      true,
      true,
      true,
      ['Nothing changed.'],
    ]);
  });
  it('a finding that closes uses, and its repair the other way round', () => {
    const diff = diffDecisions(before, lamp(['night']));
    expect(diff).toMatchObject({
      same: false,
      verdict: { before: 'Released', after: 'Restricted' },
      began: [{ id: 'inoperative-equipment/lamp.needed' }],
      ended: [],
      altered: [],
      limits: [],
    });
    expect([isEmpty(diff.opened), isWithin(diff.closed, usesIn({ light: ['night'] }))]).toEqual([true, true]);
    expect(tellDiff(diff)).toEqual(['Released before, Restricted now.', 'New: Lamp dark: deferred.']);
    const back = diffDecisions(lamp(['night']), before);
    expect([back.ended.map(({ id }) => id), isEmpty(back.closed), isEmpty(back.opened)]).toEqual([
      ['inoperative-equipment/lamp.needed'],
      true,
      false,
    ]);
  });
  it('a constraint that says something else, and a limit that moved', () => {
    const altered = diffDecisions(lamp(['night']), lamp(['night', 'dusk']));
    expect(altered.altered.map(({ after }) => after.id)).toEqual(['inoperative-equipment/lamp.needed']);
    const moved = diffDecisions(
      before,
      decideClean({
        inspections: {
          'annual-2026': {
            completedOn: '2026-05-12',
            recordedAt: '2026-05-12T20:00:00Z',
            timeInService: 4108.7,
          },
        },
      }),
    );
    expect(moved.limits.map(({ id }) => id)).toEqual(['annual-inspection/annual']);
    expect(tellDiff(moved)).toEqual(['Still Released.', 'Moved: annual.']);
  });
  it('hours flown, other rules, another aircraft', () => {
    const flown = diffDecisions(before, decideClean({ meterReadings: { today: { value: 4152 } } }));
    expect(flown.meters).toMatchObject([{ meter: 'time-in-service' }]);
    expect(tellDiff(flown)).toEqual(['Still Released.', 'The time in service was 4150.3 h and is 4152.0 h.']);
    expect(
      diffDecisions(
        before,
        decideClean({ packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }] }),
      ).otherRules,
    ).toBe(true);
    const other = decideClean({
      aircraft: { registration: 'N07TB' },
      documents: {
        airworthiness: { registrationShown: 'N07TB' },
        registration: { registrationShown: 'N07TB' },
      },
    });
    expect(tellDiff(diffDecisions(before, other))[0]).toContain('two aircraft');
  });
});

describe('what is the same before and after is not told', () => {
  const annual = (completedOn: string) => ({
    inspections: {
      'annual-2026': { completedOn, recordedAt: `${completedOn}T20:00:00Z`, timeInService: 4108.7 },
    },
  });
  const both = (...changes: readonly object[]) =>
    decideClean(Object.assign({}, ...(changes as never[])) as never);
  const diffOf = (a: ReturnType<typeof both>, b: ReturnType<typeof both>) => {
    const { same, began, ended, altered, limits, meters } = diffDecisions(a, b);
    return [same, began.length, ended.length, altered.length, limits.length, meters.length];
  };
  const night = deferredLamp('lamp', 'Lamp dark', ['night']);
  it('a constraint that stays beside one that comes or goes', () => {
    const withRack = both(night, { documents: { loading: { aboard: false } } });
    expect(diffOf(both(night), withRack)).toEqual([false, 1, 0, 0, 0, 0]);
    expect(diffOf(withRack, both(night))).toEqual([false, 0, 1, 0, 0, 0]);
  });
  it('another thing that closes the same uses is a change', () => {
    expect(diffOf(both(night), both(deferredLamp('second', 'Lamp dark', ['night'])))).toEqual([
      false,
      1,
      1,
      0,
      0,
      0,
    ]);
  });
  it('one end and one new wording, a limit and a reading: never taken for nothing', () => {
    const loading = { documents: { loading: { aboard: false } } };
    expect(diffOf(both(night, loading), both(deferredLamp('lamp', 'Lamp flickers', ['night'])))[0]).toBe(
      false,
    );
    expect(diffOf(both(night), both(deferredLamp('lamp', 'Lamp flickers', ['night'])))).toEqual([
      false,
      0,
      0,
      1,
      0,
      0,
    ]);
    expect(
      diffOf(both(), both(annual('2026-05-12'), { meterReadings: { today: { value: 4150.4 } } })),
    ).toEqual([false, 0, 0, 0, 1, 1]);
    expect(
      diffOf(both(night), both(deferredLamp('lamp', 'Lamp flickers', ['night']), annual('2026-05-12'))),
    ).toEqual([false, 0, 0, 1, 1, 0]);
  });
  it('limits that come and go, by id', () => {
    const item = (name: string) => ({
      [name]: {
        recordedAt: '2020-01-01T00:00:00Z',
        name,
        kind: 'service',
        interval: { hours: [{ meter: 'time-in-service', every: 60 }] },
        done: {
          d: {
            recordedAt: '2026-10-02T20:00:00Z',
            completedOn: '2026-10-02',
            readings: { hours: { 'time-in-service': 4108.7 } },
            signedBy: {
              name: 'Cape Reach Workshop',
              certificate: {
                kind: 'repair-station',
                number: 'RS-0417',
                validFrom: '2009-04-01',
                validUntil: 'no-expiry',
              },
            },
          },
        },
      },
    });
    const two = both({ items: { ...item('Zip'), ...item('Arm') } });
    expect(
      diffDecisions(before, two).limits.map(({ id, before: was, after }) => [id, was, after?.at]),
    ).toEqual([
      ['maintenance-items/Arm.time-in-service', null, 4168.7 * 3600],
      ['maintenance-items/Zip.time-in-service', null, 4168.7 * 3600],
    ]);
    expect(diffDecisions(two, before).limits.map(({ after }) => after)).toEqual([null, null]);
  });
  it('another engine is other rules, with the same packs', () => {
    const older = diffDecisions({ ...before, engine: '0.0.1' }, before);
    expect([older.otherRules, older.same, diffDecisions(before, before).otherRules]).toEqual([
      true,
      false,
      false,
    ]);
  });
  it('a verdict alone, or a registration alone, is a change', () => {
    expect(diffDecisions({ ...before, verdict: 'Restricted' }, before).same).toBe(false);
    expect(diffDecisions({ ...before, registration: 'N99TB' }, before).same).toBe(false);
  });
});

describe('the canonical inputs', () => {
  const inputs = (change: Parameters<typeof cleanCase>[0] = {}) => {
    const { facts, packs, flight, wanted, asOf } = cleanCase(change);
    return { facts, packs, flight, wanted, asOf };
  };
  it('are the same for shuffled records, byte for byte, and name engine and pack versions', () => {
    const { facts, ...rest } = inputs();
    const turned = {
      ...facts,
      documents: [...facts.documents].reverse(),
      inspections: [...facts.inspections].reverse(),
      equipment: facts.equipment.map((list) => list),
    };
    expect(canonicalInputs({ facts: turned, ...rest })).toBe(canonicalInputs({ facts, ...rest }));
    expect(canonicalInputs({ facts, ...rest })).toContain(
      `"engine":${canonicalJson(ENGINE_VERSION as Plain)}`,
    );
    expect(canonicalInputs({ facts, ...rest })).toContain(
      '"versions":[{"id":"club-policy","version":"3"},{"id":"us-part91","version":"8"}]',
    );
  });
  it.each([
    ['a reading', { meterReadings: { today: { value: 4150.31 } } }],
    ['a parameter', { packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-141' } }] }],
    ['the moment', { asOf: '2026-11-24T13:00:01Z' }],
    ['a fact that becomes unknown', { aircraft: { seats: null } }],
    ['wanted uses', { wanted: [{ light: ['day'] }] }],
  ] as const)('differ by %s', (_, change) => {
    expect(canonicalInputs(inputs(change as never))).not.toBe(canonicalInputs(inputs()));
  });
  it('lists without ids keep their order, which may mean something; so do lists in which only some have one', () => {
    const { facts, ...rest } = inputs();
    const textOf = (list: readonly unknown[]) =>
      canonicalInputs({ facts: { ...facts, estimates: list as never }, ...rest });
    expect(textOf(['b', 'a'])).toContain('"estimates":["b","a"]');
    expect(textOf([{ id: 'b' }, { id: 'a' }])).toContain('"estimates":[{"id":"a"},{"id":"b"}]');
    expect(textOf([{ id: 'b' }, null, { id: 'a' }])).toContain('"estimates":[{"id":"b"},null,{"id":"a"}]');
    expect(textOf([{ id: 2 }, { id: 1 }])).toContain('"estimates":[{"id":2},{"id":1}]');
    expect(textOf([{ id: 'b' }, { name: 'a' }])).toContain('"estimates":[{"id":"b"},{"name":"a"}]');
  });
});
