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
      '"versions":[{"id":"club-policy","version":"2"},{"id":"us-part91","version":"5"}]',
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
});
