import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideClean } from '@/testing/clean-case';
import { INSPECTION_KINDS } from '../records/maintenance/inspection';

type Change = { readonly [key: string]: Json };
const certificate = (kind: string): Json => ({
  name: 'Rosa Dane',
  certificate: { kind, number: 'X-114', validFrom: '2000-01-01', validUntil: 'no-expiry' },
});
const station = certificate('repair-station');
const PART_61 = [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }];

// 14 CFR 91.7(a) and 43.11(b): from memory.
describe('an inspection that found it not airworthy', () => {
  const refused = (kind: string, change: Change = {}): Change => ({
    inspections: {
      r: {
        kind,
        completedOn: '2026-11-22',
        recordedAt: '2026-11-22T20:00:00Z',
        timeInService: 4150,
        outcome: 'discrepancies-listed',
        signedBy: kind === 'certificate-issue' ? certificate('airworthiness-authority') : station,
        ...change,
      },
    },
  });
  it.each(INSPECTION_KINDS)('%s: closes every use, with the club’s rules and without', (kind) => {
    // A condition inspection of an aircraft that has annuals closes as well: somebody inspected it and did not approve it.
    expect([
      decideClean(refused(kind)).verdict,
      decideClean({ ...refused(kind), packs: PART_61 }).verdict,
    ]).toEqual(['Grounded', 'Grounded']);
  });
  it.each(INSPECTION_KINDS)('%s: cleared, it closes nothing', (kind) => {
    expect(
      decideClean(
        refused(kind, { listCleared: { on: '2026-11-23', by: station, recordedAt: '2026-11-23T20:00:00Z' } }),
      ).verdict,
    ).toBe('Released');
  });
  it.each([
    ['hundred-hour', 'annual', 'Released'],
    ['annual', 'hundred-hour', 'Grounded'],
    ['annual', 'annual', 'Released'],
    ['transponder', 'annual', 'Grounded'],
  ] as const)('a refused %s and a later approved %s', (kind, later, verdict) => {
    const approved = {
      l: {
        kind: later,
        completedOn: '2026-11-23',
        recordedAt: '2026-11-23T20:00:00Z',
        timeInService: 4150,
        outcome: 'approved',
        signedBy: station,
      },
    };
    expect(
      decideClean({ inspections: { ...(refused(kind)['inspections'] as Change), ...approved } }).verdict,
    ).toBe(verdict);
  });
  it('of one day with an approval it holds: nobody knows which came last', () => {
    const approved = {
      l: {
        kind: 'hundred-hour',
        completedOn: '2026-11-22',
        recordedAt: '2026-11-22T21:00:00Z',
        timeInService: 4150,
        outcome: 'approved',
        signedBy: station,
      },
    };
    expect(
      decideClean({ inspections: { ...(refused('hundred-hour')['inspections'] as Change), ...approved } })
        .verdict,
    ).toBe('Grounded');
  });
});

// 14 CFR 43.11(a)(4) and (5): from memory. An entry says whether the aircraft was approved or disapproved.
describe('an inspection that does not say what it found', () => {
  const unsaid = (kind: string, change: Change = {}): Change => ({
    inspections: {
      u: {
        kind,
        completedOn: '2026-11-22',
        recordedAt: '2026-11-22T20:00:00Z',
        timeInService: 4150,
        signedBy: station,
        ...change,
      },
    },
  });
  it.each(INSPECTION_KINDS)('%s: may be a refusal', (kind) => {
    expect(decideClean(unsaid(kind)).constraints.map(({ id }) => id)).toContain(
      `refused-inspections/${kind}.outcome`,
    );
  });
  it('is one that is older than the last that approved it: that one looked since', () => {
    expect(
      decideClean(unsaid('hundred-hour', { completedOn: '2026-10-01', timeInService: 4108 })).verdict,
    ).toBe('Released');
  });
  it('says so after all: approved, or not', () => {
    expect([
      decideClean(unsaid('hundred-hour', { outcome: 'approved' })).verdict,
      decideClean(unsaid('hundred-hour', { outcome: 'discrepancies-listed' })).verdict,
    ]).toEqual(['Released', 'Grounded']);
  });
});

// 14 CFR 1.1 (an inspection is maintenance) and 91.407(a): from memory.
describe('an inspection that nobody entitled signed', () => {
  const entered = (kind: string, change: Change = {}): Change => ({
    inspections: {
      u: {
        kind,
        completedOn: '2026-11-22',
        recordedAt: '2026-11-22T20:00:00Z',
        timeInService: 4150,
        outcome: 'approved',
        ...change,
      },
    },
  });
  const closed = (change: Change) =>
    decideClean(change)
      .constraints.filter(({ reason }) => reason.code === 'inspection-not-signed')
      .map(({ key }) => key);
  it.each(['annual', 'hundred-hour', 'transponder', 'altimeter-static', 'elt'])(
    '%s: keeps it down, though an earlier one is still in its time',
    (kind) => {
      expect([
        decideClean(entered(kind)).verdict,
        closed(entered(kind)),
        decideClean(entered(kind, { signedBy: station })).verdict,
      ]).toEqual(['Grounded', [`${kind}.unsigned`], 'Released']);
    },
  );
  it('by a certificate that may not sign it as by none', () => {
    expect(closed(entered('annual', { signedBy: certificate('mechanic-airframe-powerplant') }))).toEqual([
      'annual.unsigned',
    ]);
  });
  it('done before the last that approved it, or on that day, it is past', () => {
    expect([
      closed(entered('hundred-hour', { completedOn: '2026-10-02' })),
      closed(entered('hundred-hour', { completedOn: '2026-10-03' })),
    ]).toEqual([[], ['hundred-hour.unsigned']]);
  });
  it('without an earlier one the rule of its own says that it does not count', () => {
    expect(closed({ inspections: { 'annual-2026': { signedBy: null } } })).toEqual([]);
  });
  it('a later one that looks at more clears it', () => {
    const annual = {
      a: {
        kind: 'annual',
        completedOn: '2026-11-23',
        recordedAt: '2026-11-23T20:00:00Z',
        timeInService: 4150.1,
        outcome: 'approved',
        signedBy: station,
      },
    };
    expect(
      closed({ inspections: { ...(entered('hundred-hour')['inspections'] as Change), ...annual } }),
    ).toEqual([]);
  });
  it('an entry that lacks something else is not unsigned', () => {
    expect(closed(entered('annual', { signedBy: station, timeInService: null }))).toEqual([]);
  });
});

// 14 CFR 21.197 and 21.199: from memory. A permit covers what was on record when it was issued.
describe('a special flight permit', () => {
  const permit = (change: Change = {}): Change => ({
    permits: {
      p: {
        recordedAt: '2026-11-24T10:00:00Z',
        number: 'P-1',
        registrationShown: 'N02TB',
        validFrom: '2026-11-24',
        validUntil: '2026-11-26',
        aboard: true,
        safeForFlight: { on: '2026-11-24', by: certificate('mechanic-airframe-powerplant') },
        ...change,
      },
    },
  });
  const ferry = {
    starts: '2026-11-24T14:00:00Z',
    ends: '2026-11-24T15:00:00Z',
    airborne: 0.8,
    purpose: 'positioning-to-maintenance',
    crew: 'rated-pilot',
    rules: 'vfr',
    range: 'local',
    transponderAirspace: false,
    adsbAirspace: false,
    beyondGlideOverWater: false,
    passengers: false,
  };
  const fly = (change: Change, own: Change = {}) =>
    decideClean({ ...permit(own), ...change, flight: ferry }).flight?.answer;
  const before = '2026-11-24T09:00:00Z';
  const after = '2026-11-24T11:00:00Z';
  const both = (of: (recordedAt: string) => Change) => [fly(of(before)), fly(of(after))];
  it('covers work on record, not later work', () => {
    expect(
      both((recordedAt) => ({
        work: {
          w: {
            recordedAt,
            completedOn: '2026-11-24',
            description: 'Cowl off',
            mayChangeFlight: false,
            flightControls: false,
            staticOpened: false,
            altitudeReportingTouched: false,
            weightChanged: false,
          },
        },
      })),
    ).toEqual(['yes', 'no']);
  });
  it('covers a refusal on record, not a later one', () => {
    expect(
      both((recordedAt) => ({
        inspections: {
          r: {
            kind: 'annual',
            completedOn: '2026-11-24',
            recordedAt,
            timeInService: 4150.3,
            outcome: 'discrepancies-listed',
            signedBy: station,
          },
        },
      })),
    ).toEqual(['yes', 'no']);
  });
  it('covers an item overdue on record, not one entered later', () => {
    expect(
      both((recordedAt) => ({
        items: { i: { recordedAt, name: 'Hose', kind: 'life-limit', until: '2026-10-01' } },
      })),
    ).toEqual(['yes', 'no']);
  });
  it('covers a find on record, not the same find with a repair entry that came later and does not count', () => {
    const crack = (rectification: Json): Change => ({
      discrepancies: {
        c: {
          happenedAt: '2026-11-24T08:00:00Z',
          recordedAt: '2026-11-24T08:05:00Z',
          what: 'Crack',
          classification: 'ground-until-mechanic',
          rectification,
        },
      },
    });
    expect([
      fly(crack(null)),
      fly(crack({ recordedAt: after, work: 'repaired', description: 'Drilled', completedOn: '2026-11-24' })),
    ]).toEqual(['yes', 'no']);
  });
  it('covers no removal that came later', () => {
    const gone = (recordedAt: string): Change => ({
      equipment: {
        list: {
          happenedAt: '2026-11-24T08:30:00Z',
          recordedAt,
          items: { 'airspeed-indicator': 'not-fitted' },
        },
      },
    });
    expect([fly(gone(before)), fly(gone(after))]).toEqual(['yes', 'no']);
  });
  it('covers no measurement that came later', () => {
    const strut = (recordedAt: string): Change => ({
      ramp: {
        measurements: {
          s: {
            happenedAt: '2026-11-24T08:30:00Z',
            recordedAt,
            quantity: 'strut',
            which: 'left',
            value: 2,
            unit: 'in',
          },
          o: {
            happenedAt: '2026-11-24T08:30:00Z',
            recordedAt: '2026-11-24T08:31:00Z',
            quantity: 'oil',
            value: 6,
            unit: 'US qt',
          },
        },
      },
    });
    // Fuel and samples have their own conditions: only what closes without being a step is looked at.
    const closing = (recordedAt: string) =>
      decideClean({ ...permit(), ...strut(recordedAt), flight: ferry }).flight?.closedBy.filter((id) =>
        id.startsWith('measured-limits'),
      ).length;
    expect([closing(before), closing(after)]).toEqual([0, 1]);
  });
  it('covers nothing of a later day than the mechanic’s statement', () => {
    const crack: Change = {
      discrepancies: {
        c: {
          happenedAt: '2026-11-23T08:00:00Z',
          recordedAt: '2026-11-23T08:05:00Z',
          what: 'Crack',
          classification: 'ground-until-mechanic',
        },
      },
    };
    const looked = (on: string) =>
      fly(crack, { safeForFlight: { on, by: certificate('mechanic-airframe-powerplant') } });
    expect([looked('2026-11-22'), looked('2026-11-23'), looked('2026-11-24')]).toEqual(['no', 'yes', 'yes']);
  });
  // 91.209(a), 91.215(b): operating rules bind a ferry flight like any other.
  it.each([
    [
      'position lights dark, to be deferred',
      { equipment: ['position-lights'], classification: 'deferral-path' },
    ],
    [
      'position lights dark, a mechanic has to look',
      { equipment: ['position-lights'], classification: 'ground-until-mechanic' },
    ],
    [
      'position lights dark that type certification asks for',
      { equipment: ['position-lights'], classification: 'deferral-path' },
      {
        equipment: {
          list: {
            items: {
              'position-lights': {
                fitted: true,
                typeCertification: true,
                equipmentList: 'no',
                kindsOfOperation: 'no',
              },
            },
          },
        },
      },
    ],
  ] as readonly (readonly [string, Change, Change?])[])(
    '%s: by day, not by night',
    (_, find, change = {}) => {
      const found: Change = {
        ...(change as Change),
        discrepancies: {
          d: {
            happenedAt: '2026-11-24T08:00:00Z',
            recordedAt: '2026-11-24T08:05:00Z',
            what: 'Light',
            ...(find as Change),
          },
        },
      };
      const night = { ...ferry, starts: '2026-11-24T23:00:00Z', ends: '2026-11-25T00:00:00Z' };
      expect([fly(found), decideClean({ ...permit(), ...found, flight: night }).flight?.answer]).toEqual([
        'yes',
        'no',
      ]);
    },
  );
  it('position lights that are not there: by day, not by night', () => {
    const none: Change = { equipment: { list: { items: { 'position-lights': 'not-fitted' } } } };
    const night = { ...ferry, starts: '2026-11-24T23:00:00Z', ends: '2026-11-25T00:00:00Z' };
    expect([fly(none), decideClean({ ...permit(), ...none, flight: night }).flight?.answer]).toEqual([
      'yes',
      'no',
    ]);
  });
  it('a dead transponder: outside the airspace that asks for it, not inside', () => {
    const dead: Change = {
      discrepancies: {
        d: {
          happenedAt: '2026-11-24T08:00:00Z',
          recordedAt: '2026-11-24T08:05:00Z',
          what: 'Transponder',
          classification: 'ground-until-mechanic',
          equipment: ['transponder'],
        },
      },
    };
    expect([
      fly(dead),
      decideClean({ ...permit(), ...dead, flight: { ...ferry, transponderAirspace: true } }).flight?.answer,
    ]).toEqual(['yes', 'no']);
  });
  it('that was written down after its first day knows what was on record when that day began', () => {
    const crack: Change = {
      discrepancies: {
        c: {
          happenedAt: '2026-11-23T08:00:00Z',
          recordedAt: '2026-11-23T08:05:00Z',
          what: 'Crack',
          classification: 'ground-until-mechanic',
        },
      },
    };
    expect([fly(crack, { validFrom: '2026-11-23' }), fly(crack, { validFrom: '2026-11-24' })]).toEqual([
      'no',
      'yes',
    ]);
  });
});

// 14 CFR 91.207 and 91.209(a): from memory.
describe('the class of an aircraft is not the category of its certificate', () => {
  const built = (category: string, aircraftClass: string | null): Change => ({
    packs: PART_61,
    aircraft: { category, approvedFor: 'all', ...(aircraftClass === null ? {} : { aircraftClass }) },
  });
  const closes = (change: Change, rule: string, light = 'day') =>
    decideClean({
      ...change,
      wanted: [{ light: [light], rules: ['vfr'], purpose: ['private-rental'], overWater: ['within-glide'] }],
    }).wanted?.closedBy.some((id) => id.startsWith(rule));
  it.each([
    ['experimental', 'glider', false],
    ['light-sport', 'glider', false],
    ['standard', 'glider', false],
    ['glider', null, false],
    ['experimental', null, true],
    ['light-sport', 'aeroplane', true],
  ] as const)('%s %s is asked for an ELT: %s', (category, aircraftClass, expected) => {
    expect(closes({ ...built(category, aircraftClass), elts: null }, 'elt')).toBe(expected);
  });
  it.each([
    ['experimental', 'glider'],
    ['light-sport', 'glider'],
    ['glider', null],
    ['experimental', null],
    ['standard', null],
  ] as const)('%s %s without position lights does not fly at dusk', (category, aircraftClass) => {
    const dark = {
      ...built(category, aircraftClass),
      equipment: { list: { items: { 'position-lights': 'not-fitted' } } },
    };
    expect([
      closes(dark, 'required-equipment/sunset', 'dusk'),
      closes(dark, 'required-equipment/sunset', 'night'),
      closes(dark, 'required-equipment/sunset', 'day'),
    ]).toEqual([true, true, false]);
  });
});

// 14 CFR 91.207(f)(3): from memory.
describe('an ELT whose inspection is overdue', () => {
  const overdue: Change = {
    inspections: { 'elt-2026': { completedOn: '2025-10-31', recordedAt: '2025-10-31T20:00:00Z' } },
  };
  const deactivated = (change: Change = {}): Change => ({
    elts: {
      l: {
        happenedAt: '2026-11-23T12:00:00Z',
        recordedAt: '2026-11-23T12:05:00Z',
        state: 'deactivated',
        removedOn: '2026-11-23',
        removalEntered: true,
        removalPlacarded: true,
        noHazard: certificate('pilot'),
        ...change,
      },
    },
  });
  const lesson = (within: boolean | null, change: Change = {}): Change => ({
    flight: {
      starts: '2026-11-24T14:00:00Z',
      ends: '2026-11-24T15:00:00Z',
      purpose: 'instruction-school-aircraft',
      crew: 'dual',
      rules: 'vfr',
      range: 'cross-country',
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      ...(within === null ? {} : { trainingWithin50Miles: within }),
      ...change,
    },
  });
  const closed = (change: Change) => {
    const { flight } = decideClean(change);
    return [...(flight?.closedBy ?? []), ...(flight?.own.map(({ id }) => id) ?? [])].some((id) =>
      id.startsWith('elt'),
    );
  };
  it.each([
    ['overdue, within 50 NM', { ...overdue, ...lesson(true) }, true],
    [
      'deactivated with its steps, within 50 NM, whatever the club calls local',
      { ...overdue, ...deactivated(), ...lesson(true) },
      false,
    ],
    ['deactivated, beyond', { ...deactivated(), ...lesson(false) }, true],
    ['deactivated, nothing said', { ...deactivated(), ...lesson(null) }, true],
    [
      'deactivated, rental',
      { ...deactivated(), ...lesson(true, { purpose: 'private-rental', crew: 'rated-pilot' }) },
      true,
    ],
    ['deactivated without placard', { ...deactivated({ removalPlacarded: null }), ...lesson(true) }, true],
    ['deactivated without a determination', { ...deactivated({ noHazard: null }), ...lesson(true) }, true],
    [
      'judged by a student',
      { ...deactivated({ noHazard: certificate('student-pilot') }), ...lesson(true) },
      true,
    ],
  ] as const)('%s: closed %s', (_, change, expected) => {
    expect(closed(change as unknown as Change)).toBe(expected);
  });
});
