import { describe, expect, it } from 'vitest';
import { NO_EFFECTS } from '@/testing/work';
import { checkInSchema } from '../flights/dispatch';
import { findingSchema } from '../findings/report-finding';
import { problemsOf, problemText } from './problem';
import { returnToServiceSchema } from '../findings/return-to-service';
import { hoursSchema, registrationSchema, textSchema } from './scalars';

const ID = '0b9df6c4-3d8f-4c6e-9f0a-6a1d1f6f3f11';
const finding = {
  findingId: ID,
  aircraftId: ID,
  station: 'propeller',
  side: null,
  step: 'K217',
  asListed: true,
  what: 'New nick',
  looks: 'not-right',
  foundAt: '2026-11-24T13:30:00Z',
};
const closing = {
  rectificationId: ID,
  discrepancyId: ID,
  seenRevision: 3,
  work: 'repaired',
  description: 'Blended.',
  completedOn: '2026-11-24',
  certificateId: ID,
  password: 'x',
  effects: NO_EFFECTS,
  workId: ID,
};

const complaints = (
  schema: { safeParse: (value: unknown) => { success: boolean; error?: unknown } },
  value: unknown,
) => {
  const checked = schema.safeParse(value) as
    { success: true } | { success: false; error: Parameters<typeof problemsOf>[0] };
  return checked.success ? [] : problemsOf(checked.error).map(problemText);
};

describe('what a phone sends', () => {
  it('is read as it is meant', () => {
    expect(complaints(findingSchema, finding)).toEqual([]);
  });
  it.each([
    [{ station: 'hangar' }, 'station: choose where on the aircraft it is'],
    [{ looks: null }, 'looks: say how bad it looks to you'],
    [{ what: '   ' }, 'what: expected some text'],
    [{ what: 'x'.repeat(1001) }, 'what: expected at most 1000 characters'],
    [{ step: 'X1' }, 'step: choose what it is'],
    [
      { foundAt: 'soon' },
      "foundAt: expected a moment, ISO 8601 with Z or an offset, 1900 to 2199, got 'soon'",
    ],
    [
      { classification: 'note' },
      'classification: is no field of this format: remove it, or see the format’s page for the name that was meant',
    ],
  ])('%j', (change, complaint) => {
    expect(complaints(findingSchema, { ...finding, ...change })).toContain(complaint);
  });
  it('everything that is wrong is named at once', () => {
    expect(complaints(findingSchema, {}).length).toBeGreaterThanOrEqual(7);
  });
});

describe('what a mechanic enters', () => {
  it('is read as it is meant', () => {
    expect(complaints(returnToServiceSchema, closing)).toEqual([]);
  });
  it.each([
    [{ password: '' }, 'password: enter your password: it is your signature'],
    [{ description: '' }, 'description: expected some text'],
    [{ certificateId: '' }, 'certificateId: choose the certificate that you sign by'],
    [{ work: 'fixed' }, 'work: say what was done'],
    [{ effects: null }, 'effects: say of a repair what it may have changed'],
    [{ work: 'serviced' }, 'effects: say of a repair what it may have changed'],
    [
      { effects: { ...NO_EFFECTS, mayChangeFlight: true } },
      'effects.groundTestsConclusive: say whether tests on the ground showed that nothing changed',
    ],
    [
      { effects: { ...NO_EFFECTS, flightControls: null } },
      'effects.flightControls: say whether flight controls were worked on',
    ],
    [
      { completedOn: '2026-02-29' },
      "completedOn: expected a day that exists, YYYY-MM-DD, 1900 to 2199, got '2026-02-29'",
    ],
  ])('%j', (change, complaint) => {
    expect(complaints(returnToServiceSchema, { ...closing, ...change })).toContain(complaint);
  });
});

describe('what the dispatch page takes back', () => {
  const back = {
    flightId: ID,
    aircraftId: ID,
    at: { date: '2026-11-24', clock: '11:00' },
    readings: [],
    accepted: [],
    airborne: null,
    landings: 2,
    towLaunches: null,
    fuelAdded: null,
    oilAdded: null,
    remarks: 'nothing-to-report',
    defects: [],
  };
  const untold =
    'remarks: say that none of it is a defect, or enter the defect: words alone keep no aircraft on the ground';
  const defect = { findingId: ID, what: 'Left brake soft' };
  it.each([
    [{}, []],
    [{ remarks: { words: 'Bumpy', noDefect: true } }, []],
    [{ remarks: { words: 'Left brake soft', noDefect: false }, defects: [defect] }, []],
    [{ remarks: { words: 'Bumpy', noDefect: true }, defects: [defect] }, []],
    [{ remarks: { words: 'Left brake soft', noDefect: false } }, [untold]],
  ])('%j', (change, wrong) => {
    expect(complaints(checkInSchema, { ...back, ...change })).toEqual(wrong);
  });
  it('words of which nobody said whether they are a defect, and no words at all, are refused', () => {
    for (const remarks of [{ words: 'Left brake soft' }, { words: '', noDefect: true }, '', null])
      expect(complaints(checkInSchema, { ...back, remarks }).length).toBeGreaterThan(0);
  });
});

describe('scalars', () => {
  it.each([
    [0, true],
    [4150.3, true],
    [4150.35, true],
    [4150.305, false],
    [-0.1, false],
    [200000, true],
    [200000.01, false],
    ['4150.3', false],
    [Number.NaN, false],
  ])('hours %j: %s', (value, fine) => {
    expect(hoursSchema.safeParse(value).success).toBe(fine);
  });
  it.each([
    ['N07TB', true],
    ['VH-TB0X1', true],
    ['n07tb', false],
    ['N', false],
    ['N07 TB', false],
  ])('registration %s: %s', (value, fine) => {
    expect(registrationSchema.safeParse(value).success).toBe(fine);
  });
  it('trims text', () => {
    expect(textSchema(10).parse('  a  ')).toBe('a');
  });
});
