import { describe, expect, it } from 'vitest';
import { DIMENSIONS } from '../../envelope/dimensions';
import { civilDate } from '../../time/civil-date';
import { addSeconds, instant } from '../../time/instant';
import { endOfDay, startOfDay, zone } from '../../time/zone';
import type { Signature } from '../club/certificate';
import { isFerryFlight, reliefsOf } from './permit';
import type { FlightPermit } from './work-entry';

const AT = zone('America/Halifax');
const [MONDAY, TUESDAY, THURSDAY] = [
  civilDate('2026-11-23'),
  civilDate('2026-11-24'),
  civilDate('2026-11-26'),
];
const WRITTEN = instant('2026-11-24T12:00:00Z');
const mechanic: Signature = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'A-11',
    validFrom: civilDate('2000-01-01'),
    validUntil: 'no-expiry',
  },
};
const permit: FlightPermit = {
  id: 'p',
  recordedAt: WRITTEN,
  number: 'P-1',
  registrationShown: 'N02TB',
  validFrom: TUESDAY,
  validUntil: THURSDAY,
  aboard: true,
  uses: [DIMENSIONS],
  untilTimeInService: null,
  safeForFlight: { on: TUESDAY, by: mechanic },
};
const count = (change: Partial<FlightPermit>) => reliefsOf([{ ...permit, ...change }], 'N02TB', AT, 'us');

// 14 CFR 21.197(a)(1) and 21.199 (from memory): the permit with its limits, and the mechanic's statement. What is not on record does not count.
describe('a special flight permit', () => {
  it.each<[string, Partial<FlightPermit>, 0 | 1]>([
    ['in order', {}, 1],
    ['without a number', { number: null }, 0],
    ['with blanks for a number', { number: '  ' }, 0],
    ['of another aircraft', { registrationShown: 'N03TB' }, 0],
    ['of an aircraft that it does not say', { registrationShown: null }, 0],
    ['without a first day', { validFrom: null }, 0],
    ['without a last day', { validUntil: null }, 0],
    ['over before it begins', { validUntil: MONDAY }, 0],
    ['of one day', { validUntil: TUESDAY }, 1],
    ['not aboard', { aboard: false }, 0],
    ['not known to be aboard', { aboard: null }, 0],
    ['without a statement', { safeForFlight: null }, 0],
    [
      'with a statement that nobody signed',
      { safeForFlight: { on: TUESDAY, by: { name: null, certificate: null } } },
      0,
    ],
    [
      'with one of the day after it was written down',
      { safeForFlight: { on: civilDate('2026-11-25'), by: mechanic } },
      0,
    ],
    ['with one of that day', { safeForFlight: { on: TUESDAY, by: mechanic } }, 1],
  ])('%s', (_, change, counts) => {
    expect(count(change)).toHaveLength(counts);
  });
  it('counts from its first day, or from the statement where that is later, to the end of its last', () => {
    const [early, late] = [
      count({ safeForFlight: { on: MONDAY, by: mechanic } })[0],
      count({ validFrom: MONDAY })[0],
    ];
    expect([early?.from, late?.from]).toEqual([startOfDay(TUESDAY, AT), startOfDay(TUESDAY, AT)]);
    expect(count({})[0]?.until).toBe(endOfDay(THURSDAY, AT));
  });
  it('knows what was on record when it was written down, and nothing of a later day than the statement', () => {
    const later = { recordedAt: addSeconds(WRITTEN, 2 * 86_400) };
    expect([
      count({})[0]?.knows,
      count(later)[0]?.knows,
      count({ safeForFlight: { on: MONDAY, by: mechanic } })[0]?.knows,
    ]).toEqual([WRITTEN, startOfDay(TUESDAY, AT), endOfDay(MONDAY, AT)]);
  });
});

describe('a ferry flight', () => {
  const ferry = { purpose: 'positioning-to-maintenance', passengers: false, rules: 'vfr' } as const;
  it.each([
    ['to the workshop, visually, alone', {}, true],
    ['with passengers', { passengers: true }, false],
    ['where nobody said whether there are any', { passengers: null }, false],
    ['by instruments', { rules: 'ifr' }, false],
    ['for a lesson', { purpose: 'instruction-school-aircraft' }, false],
  ] as const)('is one %s: %s', (_, change, isFerry) => {
    expect(isFerryFlight({ ...ferry, ...change })).toBe(isFerry);
  });
});
