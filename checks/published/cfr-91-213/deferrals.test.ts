import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { codes, decideBy } from '@/testing/clean-case';
import { source } from './source';

type Change = { readonly [key: string]: Json };
const pilot = {
  name: 'Rosa Dane',
  certificate: { kind: 'pilot', number: 'P-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const student = {
  name: 'Pia Okoro',
  certificate: { kind: 'student-pilot', number: 'S-1', validFrom: '2010-01-01', validUntil: 'no-expiry' },
};
const lawful: Change = {
  recordedAt: '2025-01-10T20:00:00Z',
  deferredOn: '2025-01-10',
  action: 'deactivated',
  placarded: true,
  entered: 'not-maintenance',
  noHazard: pilot,
};
const line = (change: Change = {}): Json => ({
  fitted: true,
  typeCertification: false,
  equipmentList: 'no',
  kindsOfOperation: 'no',
  ...change,
});
const ask = (
  deferral: Json,
  equipment: string,
  asOf = '2025-01-11T12:00:00Z',
  own: Change = {},
  more: Change = {},
  foundOn = '2025-01-10',
) =>
  decideBy(['inoperative-equipment', 'approved-uses'], {
    asOf,
    inspections: null,
    discrepancies: {
      d: {
        happenedAt: `${foundOn}T12:00:00Z`,
        recordedAt: `${foundOn}T12:05:00Z`,
        what: 'Dead',
        classification: 'deferral-path',
        equipment: [equipment],
        deferral,
      },
    },
    equipment: {
      list: {
        happenedAt: '2024-01-01T00:00:00Z',
        recordedAt: '2024-01-01T00:00:00Z',
        items: { [equipment]: line(own) },
      },
    },
    ...more,
  });
const wanted = (light: string, purpose: string): Change => ({
  wanted: [{ light: [light], purpose: [purpose], rules: ['vfr'], overWater: ['within-glide'] }],
});

describe(source.section, () => {
  it.each([
    ['day', 'carriage-for-hire', 'yes'],
    ['night', 'private-rental', 'yes'],
    ['night', 'carriage-for-hire', 'no'],
  ] as const)('a landing light out, deferred: %s, %s: %s', (light, purpose, answer) => {
    expect(ask(lawful, 'landing-light', undefined, {}, wanted(light, purpose)).wanted?.answer).toBe(answer);
  });
  it('before it is placarded, deactivated and judged no hazard, nothing is open', () => {
    expect(codes(ask(null, 'landing-light'))).toEqual(['item-inoperative', 'item-not-deferred']);
  });
  it.each([
    ['placarded', false],
    ['action', null],
    ['noHazard', null],
    ['entered', null],
    ['deferredOn', null],
    ['noHazard', student],
    ['deferredOn', '2025-01-09'],
    ['deferredOn', '2025-01-11'],
  ] as const)('(d)(3) and (4): with %s %j it is not lawful', (field, value) => {
    expect(codes(ask({ ...lawful, [field]: value as Json }, 'exhaust-gas-gauge'))).toEqual([
      'deferral-not-valid',
    ]);
  });
  it('taking an item out is maintenance and needs its entry', () => {
    expect(codes(ask({ ...lawful, action: 'removed' }, 'exhaust-gas-gauge'))).toEqual(['deferral-not-valid']);
  });

  // Every combination of the four questions: only where none asks for the item is nothing closed.
  it('(d)(2): over all answers of the four questions, exactly one leaves everything open', () => {
    let allowed = 0;
    for (const typeCertification of [false, true])
      for (const equipmentList of ['no', 'always'])
        for (const kindsOfOperation of ['no', 'always'])
          for (const equipment of ['exhaust-gas-gauge', 'altimeter'])
            for (const known of [true, false]) {
              const decision = ask(
                lawful,
                equipment,
                undefined,
                { typeCertification, equipmentList, kindsOfOperation },
                known ? {} : { ads: null },
              );
              const expected =
                !typeCertification
                && equipmentList === 'no'
                && kindsOfOperation === 'no'
                && equipment === 'exhaust-gas-gauge'
                && known;
              expect([
                typeCertification,
                equipmentList,
                kindsOfOperation,
                equipment,
                known,
                decision.verdict,
              ]).toEqual([
                typeCertification,
                equipmentList,
                kindsOfOperation,
                equipment,
                known,
                expected ? 'Released' : 'Grounded',
              ]);
              if (decision.verdict === 'Released') allowed += 1;
            }
    expect(allowed).toBe(1);
  });
  it.each([
    ['that wants it in working order', { applies: true, equipment: ['exhaust-gas-gauge'] }, 'Grounded'],
    ['that wants another', { applies: true, equipment: ['stall-warning'] }, 'Released'],
    ['that wants none', { applies: true, equipment: [] }, 'Released'],
    ['that nobody read for it', { applies: true }, 'Grounded'],
    ['of another aircraft', { applies: false, equipment: ['exhaust-gas-gauge'] }, 'Released'],
    ['that nobody judged', { equipment: ['exhaust-gas-gauge'] }, 'Grounded'],
  ] as const)('(d)(2)(iv): an AD %s', (_, own, verdict) => {
    // Only what it asks of the item: the AD itself has been complied with for good.
    const ad = {
      recordedAt: '2024-01-01T00:00:00Z',
      number: 'D-1',
      title: 'Gauge',
      noFerry: false,
      methods: {},
      ...own,
    } as Json;
    const decision = ask(lawful, 'exhaust-gas-gauge', undefined, {}, { ads: { d: ad } });
    expect([decision.verdict, decision.constraints.map(({ records }) => records.includes('d'))]).toEqual([
      verdict,
      verdict === 'Grounded' ? [true] : [],
    ]);
  });
  it('an item that the equipment list does not name is asked for always', () => {
    expect(ask(lawful, 'exhaust-gas-gauge', undefined, { typeCertification: null }).verdict).toBe('Grounded');
  });

  const listed = (
    category: string,
    deferredOn: string,
    asOf: string,
    change: Change = {},
    foundOn = deferredOn,
  ) =>
    ask(
      { ...lawful, deferredOn, recordedAt: `${deferredOn}T23:00:00Z`, listed: { category, ...change } },
      'exhaust-gas-gauge',
      `${asOf}T16:00:00Z`,
      {},
      { aircraft: { minimumEquipmentList: 'approved' } },
      foundOn,
    ).verdict;
  it.each([
    ['B', '2025-01-26', '2025-01-29', '2025-01-30'],
    ['C', '2025-01-10', '2025-01-20', '2025-01-21'],
    ['D', '2025-01-10', '2025-05-10', '2025-05-11'],
  ] as const)('category %s recorded %s: last day %s', (category, recorded, last, over) => {
    expect([listed(category, recorded, last), listed(category, recorded, over)]).toEqual([
      'Released',
      'Grounded',
    ]);
  });
  it('the days run from the day of discovery: to defer late wins none', () => {
    expect([
      listed('B', '2025-01-28', '2025-01-29', {}, '2025-01-26'),
      listed('B', '2025-01-28', '2025-01-30', {}, '2025-01-26'),
    ]).toEqual(['Released', 'Grounded']);
  });
  it('category A holds as long as it states, and not at all without', () => {
    expect([
      listed('A', '2025-01-10', '2025-01-15', { days: 5 }),
      listed('A', '2025-01-10', '2025-01-16', { days: 5 }),
      listed('A', '2025-01-10', '2025-01-11'),
    ]).toEqual(['Released', 'Grounded', 'Grounded']);
  });
  it('who holds an approved list may not fall back on deferring without it', () => {
    expect(
      ask(lawful, 'exhaust-gas-gauge', undefined, {}, { aircraft: { minimumEquipmentList: 'approved' } })
        .verdict,
    ).toBe('Grounded');
  });
  it('91.405(c): one left open past the next required inspection comes back', () => {
    const annual = (completedOn: string) => ({
      inspections: {
        a: {
          kind: 'annual',
          completedOn,
          recordedAt: `${completedOn}T23:00:00Z`,
          timeInService: 4000,
          outcome: 'approved',
          signedBy: {
            name: 'I',
            certificate: {
              kind: 'repair-station',
              number: 'R',
              validFrom: '2000-01-01',
              validUntil: 'no-expiry',
            },
          },
        },
      },
    });
    expect([
      ask(lawful, 'exhaust-gas-gauge', '2025-02-01T12:00:00Z', {}, annual('2025-01-09')).verdict,
      ask(lawful, 'exhaust-gas-gauge', '2025-02-01T12:00:00Z', {}, annual('2025-01-20')).verdict,
    ]).toEqual(['Released', 'Grounded']);
  });
});

describe('14 CFR 91.213(d) and 91.405(c): what comes before any use opens, and after the next inspection', () => {
  const finding = (change: Change) =>
    decideBy(['inoperative-equipment', 'open-discrepancies', 'approved-uses'], {
      asOf: '2025-01-25T12:00:00Z',
      inspections: null,
      discrepancies: {
        d: {
          happenedAt: '2025-01-10T12:00:00Z',
          recordedAt: '2025-01-10T12:05:00Z',
          what: 'Dark',
          classification: 'deferral-path',
          ...(change['discrepancy'] as Change),
        },
      },
      equipment: {
        list: {
          happenedAt: '2024-01-01T00:00:00Z',
          recordedAt: '2024-01-01T00:00:00Z',
          items: { 'position-lights': line(), 'exhaust-gas-gauge': line(), 'landing-light': line() },
        },
      },
      ...(change['more'] as Change | undefined),
    });
  it('a finding on the deferral path that names no equipment closes everything', () => {
    expect(finding({ discrepancy: { closesUses: ['night'] } }).verdict).toBe('Grounded');
  });
  it('a dark position light closes the day too until the steps are done, then from sunset on', () => {
    expect(finding({ discrepancy: { equipment: ['position-lights'], closesUses: ['night'] } }).verdict).toBe(
      'Grounded',
    );
    const deferred = finding({
      discrepancy: { equipment: ['position-lights'], closesUses: ['night'], deferral: lawful },
      more: {
        wanted: [
          { light: ['day'], rules: ['vfr'], purpose: ['private-rental'], overWater: ['within-glide'] },
        ],
      },
    });
    expect([deferred.verdict, deferred.wanted?.answer]).toEqual(['Restricted', 'yes']);
  });
  it('what names several kinds is asked the four questions for each', () => {
    const uses = (equipment: readonly string[]) =>
      finding({ discrepancy: { equipment: [...equipment], deferral: lawful } }).verdict;
    expect([
      uses(['exhaust-gas-gauge']),
      uses(['exhaust-gas-gauge', 'landing-light']),
      uses(['exhaust-gas-gauge', 'altimeter']),
    ]).toEqual(['Released', 'Restricted', 'Grounded']);
  });
  const station = {
    name: 'I',
    certificate: { kind: 'repair-station', number: 'R', validFrom: '2000-01-01', validUntil: 'no-expiry' },
  };
  const annual = {
    a: {
      kind: 'annual',
      completedOn: '2025-01-20',
      recordedAt: '2025-01-20T23:00:00Z',
      timeInService: 4000,
      outcome: 'approved',
      signedBy: station,
    },
  };
  it('what an inspection passed over is not opened by deferring it again, and that is not offered', () => {
    const again = finding({
      discrepancy: {
        equipment: ['exhaust-gas-gauge'],
        deferral: { ...lawful, deferredOn: '2025-01-22', recordedAt: '2025-01-22T20:00:00Z' },
      },
      more: { inspections: annual },
    });
    expect([
      again.verdict,
      again.constraints.flatMap(({ remedies }) => remedies.map(({ act }) => act)),
    ]).toEqual(['Grounded', ['repair-and-return-to-service']]);
  });
  it('deferred on the day of the inspection, by its list, it is lawful', () => {
    expect(
      finding({
        discrepancy: {
          equipment: ['exhaust-gas-gauge'],
          deferral: { ...lawful, deferredOn: '2025-01-20', recordedAt: '2025-01-20T23:30:00Z' },
        },
        more: { inspections: annual },
      }).verdict,
    ).toBe('Released');
  });
  it('a segment of a progressive programme is a required inspection too', () => {
    const segment = (completedOn: string) => ({
      items: {
        s: {
          recordedAt: '2024-01-01T00:00:00Z',
          name: 'Segment 1',
          kind: 'service',
          signedAs: 'progressive-segment',
          interval: { months: 12 },
          done: { d: { recordedAt: `${completedOn}T23:00:00Z`, completedOn, signedBy: station } },
        },
      },
    });
    const deferred = (completedOn: string) =>
      finding({
        discrepancy: { equipment: ['exhaust-gas-gauge'], deferral: lawful },
        more: segment(completedOn),
      }).verdict;
    expect([deferred('2025-01-09'), deferred('2025-01-20')]).toEqual(['Released', 'Grounded']);
  });
});
