import { describe, expect, it } from 'vitest';
import { cleanCase, codes, decideClean } from '@/testing/clean-case';
import { usesIn, isWithin, overlaps } from '../envelope/use-set';
import type { Json } from '@/contracts/kernel/merge-patch';
import { knownAt } from '../records/facts';
import { chosenRules, PACKS } from './register';
import { closedTogether } from './parts/closed-uses';

const SILENT = [
  'open-discrepancies',
  'inoperative-equipment',
  'maintenance-entries',
  'measured-limits',
  'fuel-for-flight',
  'fuel-quality',
  'gauge-and-dip',
  'dispatch-restrictions',
  'tow-rope',
  'open-flights',
  'records-in-order',
  'category-limits',
  'club-fuel-reserve',
  'fuel-samples',
  'oil-trend',
  'stale-records',
  'progressive-programme',
  'refused-inspections',
  'navigation-works',
  'glider-rigging',
  'walk-round',
];
const paper = (id: string, change: Json): Json => ({ documents: { [id]: change } });
const PART_61 = { id: 'us-part91', parameters: { trainingUnder: 'part-61' } };
const signedBy = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-2231',
    validFrom: '2015-06-01',
    validUntil: 'no-expiry',
  },
};
const finding = (change: { readonly [key: string]: Json } = {}): Json => ({
  discrepancies: {
    d: {
      happenedAt: '2026-11-23T12:00:00Z',
      recordedAt: '2026-11-23T12:05:00Z',
      what: 'Nick on blade 2',
      classification: 'ground-until-mechanic',
      ...change,
    },
  },
});
const flight = (change: { readonly [key: string]: Json }): Json => ({
  flight: {
    starts: '2026-11-24T14:00:00Z',
    ends: '2026-11-24T15:00:00Z',
    airborne: 0.8,
    purpose: 'instruction-school-aircraft',
    crew: 'dual',
    rules: 'vfr',
    range: 'local',
    transponderAirspace: false,
    adsbAirspace: false,
    beyondGlideOverWater: false,
    passengers: false,
    ...change,
  },
});

describe('the register', () => {
  it('every rule has an id of its own, a title, a source and an explanation', () => {
    const rules = chosenRules(cleanCase().packs);
    expect(rules.length).toBeGreaterThanOrEqual(30);
    expect(new Set(rules.map(({ rule }) => rule.id)).size).toBe(rules.length);
    for (const { rule } of rules) {
      expect(rule.title.length * rule.explanation.length).toBeGreaterThan(0);
      expect(rule.source.kind === 'regulation' ? rule.source.citation : rule.source.kind).toMatch(
        /14 CFR|club-policy|common-practice|approved-documents/,
      );
    }
  });

  it('a parameter’s default is its strictest value', () => {
    const { parameters } = PACKS['club-policy'];
    for (const parameter of Object.values(parameters))
      if (parameter.kind === 'word') expect(parameter.values.at(-1)).toBe(parameter.strictest);
  });

  it('no rule is silent about an aircraft of which nothing is known', () => {
    const { packs, asOf } = cleanCase();
    const { facts } = cleanCase({
      aircraft: { category: null, firstFlownOn: null, approvedFor: null, ifrNavigation: null },
      documents: null,
      inspections: null,
      meterReadings: null,
      discrepancies: null,
      equipment: null,
      items: null,
      ads: null,
      elts: null,
      clubDocuments: null,
    });
    for (const { rule } of chosenRules(packs)) {
      const { constraints, missing } = rule.judge(knownAt(facts, asOf, 'us'));
      // What these look at is stated by its absence (no discrepancy, no work, no flight out), or belongs to flights alone.
      if (SILENT.includes(rule.id)) continue;
      expect([rule.id, constraints.length > 0, missing.length > 0]).toEqual([rule.id, true, true]);
    }
  });
});

describe('documents aboard', () => {
  const whole = ['airworthiness', 'registration', 'manual', 'loading'] as const;
  it.each(whole)('%s: never checked, not known to be aboard, missing and unreadable all ground', (id) => {
    for (const [change, code] of [
      [null, 'document-never-checked'],
      [{ aboard: null }, 'document-aboard-unknown'],
      [{ aboard: false }, 'document-not-aboard'],
      [{ legible: null }, 'document-legibility-unknown'],
      [{ legible: false }, 'document-illegible'],
      [{ happenedAt: '2026-11-20T12:05:01Z' }, 'document-check-ahead-of-itself'],
    ] as const) {
      const decision = decideClean(paper(id, change));
      expect([
        decision.verdict,
        codes(decision)[0] === 'registration-expiry-unknown' ? codes(decision)[1] : codes(decision)[0],
      ]).toEqual(['Grounded', code]);
    }
  });

  it('seeing one document does not prove the one behind it', () => {
    expect(codes(decideClean(paper('registration', null)))).toContain('document-never-checked');
  });

  it.each([
    ['displayed', true, 'Released'],
    ['not displayed', false, 'Grounded'],
    ['display not known', null, 'Grounded'],
  ] as const)('airworthiness certificate %s', (_, displayed, verdict) => {
    expect(decideClean(paper('airworthiness', { displayed })).verdict).toBe(verdict);
  });

  it.each(['airworthiness', 'registration'])(
    '%s of another aircraft grounds; so does one that nobody read',
    (id) => {
      expect(codes(decideClean(paper(id, { registrationShown: 'N07TB' })))).toEqual([
        'document-of-another-aircraft',
      ]);
      expect(codes(decideClean(paper(id, { registrationShown: null })))).toEqual([
        'document-registration-unknown',
      ]);
    },
  );

  it('a missing radio licence closes only flights abroad', () => {
    const decision = decideClean(paper('radio', { aboard: false }));
    expect(decision.verdict).toBe('Restricted');
    expect(overlaps(decision.open, usesIn({ range: ['abroad'] }))).toBe(false);
    expect(
      decideClean({ documents: { radio: { aboard: false } }, ...(flight({}) as object) } as Json).flight
        ?.answer,
    ).toBe('yes');
    expect(
      decideClean({
        documents: { radio: { aboard: false } },
        ...(flight({ range: 'abroad' }) as object),
      } as Json).flight?.answer,
    ).toBe('yes-after');
  });

  it('a cabin tank needs its record; not fitted is a stated value, absent is unknown', () => {
    expect(decideClean(paper('tank', { tankFitted: null })).verdict).toBe('Grounded');
    expect(decideClean(paper('tank', { tankFitted: true })).verdict).toBe('Grounded');
    expect(decideClean(paper('tank', { tankFitted: true, aboard: true, legible: true })).verdict).toBe(
      'Released',
    );
  });

  it('is a step before flight where a document only has to be fetched', () => {
    expect(
      decideClean({ documents: { loading: { aboard: false } }, ...(flight({}) as object) } as Json).flight
        ?.answer,
    ).toBe('yes-after');
    expect(
      decideClean({ documents: { loading: { legible: false } }, ...(flight({}) as object) } as Json).flight
        ?.answer,
    ).toBe('no');
  });
});

describe('registration', () => {
  it.each([
    ['on the day on which it was seen', '2026-11-20', []],
    ['after it was seen', '2026-11-21', ['registration-issued-after-seen']],
  ] as const)('issued %s', (_, issuedOn, expected) => {
    const decision = decideClean(paper('registration', { issuedOn, printedExpiry: '2033-11-30' }));
    expect([decision.verdict, codes(decision)]).toEqual([
      expected.length === 0 ? 'Released' : 'Grounded',
      expected,
    ]);
  });
});

describe('open discrepancies', () => {
  it('grounds until an entry that counts has closed it', () => {
    expect(decideClean(finding()).verdict).toBe('Grounded');
    const done = {
      recordedAt: '2026-11-23T20:00:00Z',
      work: 'repaired',
      description: 'Blended within limits.',
      completedOn: '2026-11-23',
      signedBy,
    };
    expect(decideClean(finding({ rectification: done })).verdict).toBe('Released');
    for (const missing of ['work', 'description', 'completedOn', 'signedBy'] as const) {
      const decision = decideClean(finding({ rectification: { ...done, [missing]: null } }));
      expect([missing, decision.verdict, codes(decision)]).toEqual([
        missing,
        'Grounded',
        ['discrepancy-repair-not-valid'],
      ]);
    }
  });

  it('a repair written down later does not change what was known before', () => {
    const done = {
      recordedAt: '2026-11-24T13:00:01Z',
      work: 'repaired',
      description: 'Blended.',
      completedOn: '2026-11-23',
      signedBy,
    };
    expect(decideClean(finding({ rectification: done })).verdict).toBe('Grounded');
    expect(
      decideClean({
        ...(finding({ rectification: { ...done, recordedAt: '2026-11-24T13:00:00Z' } }) as object),
      } as Json).verdict,
    ).toBe('Released');
  });

  it.each([
    [null, [], 'Grounded'],
    ['service-before-flight', [], 'Grounded'],
    ['tell-instructor', [], 'Grounded'],
    ['deferral-path', [], 'Grounded'],
    // On the deferral path without a word of which equipment nobody can answer the four questions.
    ['deferral-path', ['dusk', 'night'], 'Grounded'],
    ['deferral-path', ['ifr'], 'Grounded'],
    ['watch', [], 'Released'],
    ['note', [], 'Released'],
  ] as const)('%s %j', (classification, closesUses, verdict) => {
    expect(decideClean(finding({ classification, closesUses: [...closesUses] })).verdict).toBe(verdict);
  });

  it('night alone leaves dusk open only where dusk was not named', () => {
    const closed = closedTogether(['night']);
    expect(isWithin(usesIn({ light: ['night'] }), closed)).toBe(true);
    expect(overlaps(usesIn({ light: ['dusk'] }), closed)).toBe(false);
  });

  it('is a step before flight where servicing or an instructor’s look is enough', () => {
    for (const [classification, answer] of [
      ['service-before-flight', 'yes-after'],
      ['tell-instructor', 'yes-after'],
      ['ground-until-mechanic', 'no'],
    ] as const) {
      expect(
        decideClean({ ...(finding({ classification }) as object), ...(flight({}) as object) } as Json).flight
          ?.answer,
      ).toBe(answer);
    }
  });
});

describe('category and approved uses', () => {
  it.each(['restricted', 'provisional'])('%s has no rules yet and is closed, not guessed', (category) => {
    const decision = decideClean({ aircraft: { category } });
    expect(decision.verdict).toBe('Grounded');
    expect(codes(decision)).toContain('category-without-rules');
  });
  it('an unknown category grounds', () => {
    expect(codes(decideClean({ aircraft: { category: null } }))).toContain('category-unknown');
  });
  it('unknown approved uses leave nothing open', () => {
    expect(decideClean({ aircraft: { approvedFor: null } }).verdict).toBe('Grounded');
  });
  it('an aircraft approved for maintenance flights only has no ordinary use left', () => {
    const box = {
      light: 'all',
      rules: 'all',
      purpose: ['positioning-to-maintenance'],
      crew: 'all',
      range: 'all',
      transponderAirspace: 'all',
      adsbAirspace: 'all',
      overWater: 'all',
      passengers: 'all',
    };
    expect(decideClean({ aircraft: { approvedFor: [box] } }).verdict).toBe('Grounded');
  });
});

describe('the club’s own hundred-hour limit', () => {
  const past = { meterReadings: { today: { value: 4208.7 } } };
  const policy = (hundredHourCovers: string): Json => ({
    ...past,
    packs: [
      PART_61,
      { id: 'club-policy', parameters: { hundredHourCovers, documentCheckDays: 400, readingDays: 400 } },
    ],
  });
  it('by default closes rental and solo too, and says that it is club policy', () => {
    const decision = decideClean(past);
    expect(decision.verdict).toBe('Grounded');
    expect(decision.constraints.find(({ pack }) => pack === 'club-policy')?.source).toEqual({
      kind: 'club-policy',
    });
  });
  it('may apply only the regulation: rental stays open, lessons and hire do not', () => {
    const decision = decideClean(policy('hire-and-lessons'));
    expect(decision.verdict).toBe('Restricted');
    expect(decision.window.sills).toMatchObject({ rental: 'open', lesson: 'partly', hire: 'closed' });
  });
  it('without a club pack the regulation alone decides', () => {
    expect(decideClean({ ...past, packs: [PART_61] }).verdict).toBe('Restricted');
  });
});
