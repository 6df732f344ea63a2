import { describe, expect, it } from 'vitest';
import { cleanCase, codes, decideClean } from '@/testing/clean-case';
import { overlaps, usesIn } from '../../core/envelope/use-set';
import { clubPolicy, policyFrom, USUAL_POLICY } from '../../core/rules/packs/club-policy';
import { decidePrepared } from '../../core/decision/decide';
import { plansToRelease } from '../../core/decision/in-the-way';
import { prepare } from '../../core/decision/prepare';
import { parameterFault } from '../../core/rules/packs/pack';
import { clubChoice, clubPackSchema } from './club-pack';
import type { Json } from '../kernel/merge-patch';
import { problemsOf } from '../kernel/problem';

const PACK = {
  format: 'groval-club-pack',
  version: 2,
  id: 'tern-bay',
  edition: '3',
  title: 'Rules of Tern Bay',
};
const PART_61 = { id: 'us-part91', parameters: { trainingUnder: 'part-61' } };
const FRESH = { documentCheckDays: 400, readingDays: 400 };
const problems = (change: object) => {
  const read = clubPackSchema.safeParse({ ...PACK, ...change });
  return read.success ? [] : problemsOf(read.error);
};
const rule = (change: object): object => ({
  id: 'r',
  title: 'A rule of ours',
  explanation: 'Because.',
  ...change,
});
const ask = (rules: readonly object[], change: object = {}) =>
  decideClean({
    packs: [PART_61, { id: 'club-policy', pack: { ...PACK, parameters: FRESH, rules } }],
    ...change,
  } as unknown as Json);

describe('a club pack', () => {
  it('is read, and what it leaves out takes the strictest word and the usual number', () => {
    const choice = clubChoice(clubPackSchema.parse({ ...PACK, parameters: { reserveDay: 60 } }));
    expect(choice.parameters).toEqual({ ...USUAL_POLICY, reserveDay: 60 });
    expect(choice.own).toEqual({ id: 'tern-bay', version: '3', title: 'Rules of Tern Bay', rules: [] });
  });
  it.each([
    ['reserveDay', 29, 'looser than the 30'],
    ['reserveNight', 44, 'looser than the 45'],
    ['reserveIfr', 0, 'looser than the 45'],
    ['documentCheckDays', 3661, 'looser than the 3660'],
    ['oilUseLimit', 1001, 'looser than the 1000'],
    ['reserveDay', 241, 'at most 240'],
    ['documentCheckDays', 0, 'at least 1'],
    ['reserveDay', 30.5, 'whole number of minutes'],
    ['reserveDay', '60', 'expected'],
    ['hundredHourCovers', 'nothing', 'expected one of hire-and-lessons, rental-and-solo-too'],
  ] as const)('refuses %s %j and says why', (name, value, reason) => {
    expect(problems({ parameters: { [name]: value } })).toEqual([
      { path: `parameters.${name}`, message: expect.stringContaining(reason) as string },
    ]);
  });
  it.each([
    ['reserveDay', 30],
    ['reserveDay', 240],
    ['documentCheckDays', 1],
    ['documentCheckDays', 3660],
    ['fuelSampling', 'after-fuelling'],
    ['insurance', 'not-asked'],
  ] as const)('takes %s %j', (name, value) => {
    expect(problems({ parameters: { [name]: value } })).toEqual([]);
  });
  it.each([
    ['an unknown parameter', { parameters: { colour: 'red' } }, 'parameters.colour'],
    ['an unknown field', { colour: 'red' }, 'colour'],
    ['another version', { version: 1 }, 'version'],
    ['no title', { title: '' }, 'title'],
    [
      'two rules of one id',
      { rules: [rule({ demand: { kind: 'never' } }), rule({ demand: { kind: 'never' } })] },
      'rules',
    ],
    ['an unknown demand', { rules: [rule({ demand: { kind: 'open' } })] }, 'rules.0.demand.kind'],
    [
      'an unknown use',
      { rules: [rule({ uses: [{ light: ['noon'] }], demand: { kind: 'never' } })] },
      'rules.0.uses.0.light.0',
    ],
    [
      'half a person',
      {
        rules: [
          rule({ demand: { kind: 'hold-to', to: { quantity: 'persons', bound: 'at-most', value: 1.5 } } }),
        ],
      },
      'rules.0.demand.to.value',
    ],
  ] as const)('refuses %s and names the place', (_, change, path) => {
    expect(problems(change).map((problem) => problem.path)).toEqual([path]);
  });
  it('both parameters and a pack are one too many', () => {
    expect(() =>
      cleanCase({ packs: [PART_61, { id: 'club-policy', parameters: {}, pack: PACK }] } as unknown as Json),
    ).toThrow('either parameters or a whole pack');
  });
});

describe('rules that a club wrote itself', () => {
  it('never closes its uses, and nothing else', () => {
    const { open, verdict } = ask([rule({ uses: [{ range: ['abroad'] }], demand: { kind: 'never' } })]);
    expect([
      verdict,
      overlaps(open, usesIn({ range: ['abroad'] })),
      overlaps(open, usesIn({ range: ['local'] })),
    ]).toEqual(['Restricted', false, true]);
  });
  it.each([
    [{ registrations: ['N07TB'] }, 'Released'],
    [{ registrations: ['N02TB', 'N07TB'] }, 'Grounded'],
    [{ categories: ['glider'] }, 'Released'],
    [{ categories: ['standard'] }, 'Grounded'],
    [{}, 'Grounded'],
  ] as const)('is for %o: %s', (who, verdict) => {
    expect(ask([rule({ ...who, demand: { kind: 'never' } })]).verdict).toBe(verdict);
  });
  it('for a category holds for an aircraft whose category nobody knows', () => {
    expect(
      codes(
        ask([rule({ categories: ['glider'], demand: { kind: 'never' } })], { aircraft: { category: null } }),
      ),
    ).toContain('restricted');
  });
  it('holds to a number without closing', () => {
    const decision = ask([
      rule({ demand: { kind: 'hold-to', to: { quantity: 'persons', bound: 'at-most', value: 2 } } }),
    ]);
    expect([decision.verdict, decision.caps, decision.window.panes['day-vfr']]).toEqual([
      'Restricted',
      [{ quantity: 'persons', bound: 'at-most', value: 2, own: 4 }],
      'open',
    ]);
    expect(
      ask([rule({ demand: { kind: 'hold-to', to: { quantity: 'persons', bound: 'at-most', value: 4 } } })])
        .verdict,
    ).toBe('Released');
  });
  it.each([
    ['stall-warning', 'Released', []],
    ['pyrotechnic-signal', 'Grounded', ['equipment-not-fitted']],
    ['clock', 'Grounded', ['equipment-unknown']],
  ] as const)('asks for equipment: %s', (equipment, verdict, expected) => {
    const decision = ask([rule({ demand: { kind: 'equipment', equipment } })]);
    expect([decision.verdict, codes(decision)]).toEqual([verdict, expected]);
  });
  const paper = (validUntil: Json): object => ({
    clubDocuments: {
      kit: {
        happenedAt: '2026-11-02T12:00:00Z',
        recordedAt: '2026-11-02T12:00:00Z',
        kind: 'club',
        name: 'Winter kit',
        validUntil,
      },
    },
  });
  it.each([
    ['2026-11-24', 'Released'],
    ['2026-11-23', 'Grounded'],
    ['no-expiry', 'Released'],
    [null, 'Grounded'],
  ] as const)('asks for a document that is good until %j', (validUntil, verdict) => {
    expect(
      ask([rule({ demand: { kind: 'club-document', name: 'Winter kit' } })], paper(validUntil)).verdict,
    ).toBe(verdict);
  });
  const washed = (completedOn: string): object => ({
    items: {
      wash: {
        recordedAt: '2026-10-01T00:00:00Z',
        name: 'Wash',
        kind: 'service',
        interval: { days: 400 },
        signedAs: 'service',
        done: {
          last: {
            recordedAt: `${completedOn}T20:00:00Z`,
            completedOn,
            signedBy: {
              name: 'T',
              certificate: { kind: 'pilot', number: 'P', validFrom: '2010-01-01', validUntil: 'no-expiry' },
            },
          },
        },
      },
    },
  });
  it.each([
    ['2026-10-25', 'Released'],
    ['2026-10-24', 'Grounded'],
  ] as const)('asks that an item was done within 30 days: done %s', (completedOn, verdict) => {
    expect(
      ask([rule({ demand: { kind: 'item-within-days', name: 'Wash', days: 30 } })], washed(completedOn))
        .verdict,
    ).toBe(verdict);
  });
  it('an item that nobody knows is overdue', () => {
    expect(codes(ask([rule({ demand: { kind: 'item-within-days', name: 'Wash', days: 30 } })]))).toEqual([
      'item-history-unknown',
    ]);
  });
});

describe('the club’s parameters', () => {
  it('every number’s usual value is one that may be chosen, and no looser than the loosest', () => {
    for (const [name, spec] of Object.entries(clubPolicy.parameters))
      if (spec.kind === 'number')
        expect([
          name,
          parameterFault(spec, spec.usual),
          parameterFault(spec, spec.loosest),
          parameterFault(spec, spec.limit),
        ]).toEqual([name, null, null, null]);
  });
  it('stored values are checked as written ones are', () => {
    expect(policyFrom({})).toEqual(USUAL_POLICY);
    expect(policyFrom({ reserveDay: 10 })).toMatchObject({ parameter: 'reserveDay' });
    expect(policyFrom({ colour: 'red' })).toMatchObject({ parameter: 'colour' });
    expect(policyFrom({ insurance: 'not-asked', reserveDay: undefined })).toEqual({
      ...USUAL_POLICY,
      insurance: 'not-asked',
    });
  });
});

describe('what acts take in a club', () => {
  // The annual lacks its total time: completing the entry takes two hours where nobody says otherwise, and an annual four days.
  const first = (estimates: Json | null, own: Json = {}) => {
    const { facts, packs, asOf } = cleanCase({
      packs: [
        PART_61,
        {
          id: 'club-policy',
          pack: {
            ...PACK,
            parameters: { documentCheckDays: 400, readingDays: 400 },
            ...(estimates === null ? {} : { estimates }),
          },
        },
      ],
      inspections: { 'annual-2026': { timeInService: null } },
      estimates: own,
    } as Json);
    const prepared = prepare(facts, packs, asOf);
    return plansToRelease(prepared, decidePrepared(prepared, null, asOf))?.plans[0]?.actions.map(
      ({ act, minutes, cents }) => [act, minutes, cents],
    );
  };
  it.each([
    ['nothing said', null, {}, [['complete-inspection-entry', 120, 0]]],
    [
      'an entry that takes a week',
      [{ act: 'complete-inspection-entry', minutes: 10_080, cost: 0 }],
      {},
      [['complete-annual', 5760, 180_000]],
    ],
    [
      'cents, exactly',
      [{ act: 'complete-inspection-entry', minutes: 5, cost: 12.34 }],
      {},
      [['complete-inspection-entry', 5, 1234]],
    ],
    [
      'what is on record of the aircraft comes first',
      [{ act: 'complete-inspection-entry', minutes: 10_080, cost: 0 }],
      { e: { act: 'complete-inspection-entry', minutes: 7, cost: 1 } },
      [['complete-inspection-entry', 7, 100]],
    ],
  ] as const)('%s', (_, estimates, own, expected) => {
    expect(first(estimates as unknown as Json, own as Json)).toEqual(expected);
  });
  it.each([
    [{ act: 'complete-annual', minutes: 1.5, cost: 0 }],
    [{ act: 'complete-annual', minutes: 1, cost: 0.001 }],
    [{ act: 'complete-annual', minutes: -1, cost: 0 }],
    [{ act: 'fly-away', minutes: 1, cost: 0 }],
  ])('refuses %j', (estimate) => {
    expect(problems({ estimates: [estimate] })).toHaveLength(1);
  });
  it('refuses an act that stands twice', () => {
    expect(
      problems({
        estimates: [
          { act: 'measure', minutes: 1, cost: 0 },
          { act: 'measure', minutes: 2, cost: 0 },
        ],
      }),
    ).toHaveLength(1);
  });
});
