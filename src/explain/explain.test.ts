import { describe, expect, it } from 'vitest';
import { cleanCase, decideClean, deferredLamp } from '@/testing/clean-case';
import { LESSON } from '@/testing/lesson';
import type { Json } from '@/contracts/kernel/merge-patch';
import { instant } from '../core/time/instant';
import { tellAgainstFlight, tellConstraint, tellReasons } from './constraint';
import { decisionDocument } from './decision-document';
import { tellFlight } from './flight';
import { limitName } from './limits';
import { LEDGER_ACTS, type LedgerAct } from '@/core/records/ledger-act';
import { describeHistory } from './history';
import { availabilityText, windowText } from './window-text';
import { HALIFAX } from '@/testing/reasons';

describe('a reason that several rules have', () => {
  it('is one sentence, with what all of them close and cite', () => {
    const decision = decideClean({ meterReadings: { today: { value: 4208.8 } } });
    const told = tellReasons(decision.constraints).filter(({ headline }) => headline.startsWith('100-hour'));
    expect(decision.constraints.filter(({ reason }) => reason.code === 'hundred-hour-due')).toHaveLength(2);
    expect(told.map(({ headline, source }) => [headline, source])).toEqual([
      [
        '100-hour inspection overdue since 4208.7 h: no private rental, lessons or carriage for hire.',
        '14 CFR 91.409(b); club policy',
      ],
    ]);
    expect(told[0]?.remedies.map(({ act }) => act)).toEqual([
      'Complete and sign the 100-hour inspection',
      'Complete and sign the annual inspection',
    ]);
  });
  it('is told apart from another in the same words, and from one that is only ahead', () => {
    const decision = decideClean({
      discrepancies: {
        a: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:00:00Z', what: 'Nick' },
        b: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:00:00Z', what: 'Nick' },
      },
    });
    expect(
      tellReasons(decision.constraints)
        .map(({ headline }) => headline)
        .sort(),
    ).toEqual(['Nick.', 'Nick.']);
    expect(
      tellReasons(
        decision.limits.map(({ constraint }) => constraint),
        'ahead',
      )[0]?.headline,
    ).toBe('100-hour inspection due at 4208.7 h.');
  });
});

const AT = '2026-11-23T12:00:00Z';
describe('what stands against a flight', () => {
  const against = (change: Json, isFerry: boolean) =>
    tellAgainstFlight(decideClean(change).constraints, isFerry).map(({ headline, remedies }) => [
      headline.slice(0, 20),
      remedies.some(({ act }) => act.includes('special flight permit')),
    ]);
  // 14 CFR 21.197(a) (from memory): a permit is for an aircraft that is not airworthy, and fit for that flight.
  it('names the permit for a ferry flight, where one may cover it', () => {
    const worn = { discrepancies: { a: { happenedAt: AT, recordedAt: AT, what: 'Nick in the blade' } } };
    expect(against(worn, true)).toEqual([['Nick in the blade.', true]]);
    expect(against(worn, false)).toEqual([['Nick in the blade.', false]]);
  });
  it('and not where none may: papers are put aboard', () => {
    expect(against({ documents: { loading: { aboard: false } } }, true)).toEqual([
      ['The weight-and-balan', false],
    ]);
  });
});

describe('a decision in words', () => {
  it('tells each constraint with its source and its remedies', () => {
    const [constraint] = decideClean({ documents: { loading: { aboard: false } } }).constraints;
    if (constraint === undefined) throw new Error('nothing closes');
    expect(tellConstraint(constraint, 'in-force')).toMatchObject({
      headline: 'The weight-and-balance data is not on board.',
      source: '14 CFR 91.9(a) and 91.103',
      remedies: [{ act: 'Put the document on board and record the check', by: 'anybody at the aircraft' }],
    });
    expect(limitName(decideClean().limits[0]?.constraint ?? constraint)).toBe('100-hour');
  });
  it('is one document, in a stable order', () => {
    const { facts, asOf } = cleanCase();
    const document = decisionDocument(
      decideClean({ documents: { loading: { aboard: false } } }),
      facts.place.zone,
      { flight: null, wanted: null, release: null },
    );
    expect(document).toMatchObject({
      format: 'groval-decision',
      asOf: '2026-11-24T13:00:00Z',
      verdict: 'Grounded',
      conditions: [{ words: 'Put the document on board and record the check' }],
      firstLimit: { hours: { left: 58.4, leftText: '58.4 h' } },
    });
    expect(document.advice).toContain('pilot in command');
    expect(asOf).toBe(instant(document.asOf));
  });
  it('tells what is open in words', () => {
    const { window, open, full } = decideClean(deferredLamp('d', 'Lamp', ['dusk', 'night']));
    expect(windowText(window)).toBe(
      'open: day VFR; partly open: rental, lessons and hire; closed: dusk and night VFR; not fitted or approved: day IFR, dusk and night IFR and towing',
    );
    expect(availabilityText(open, full)).toBe('Day VFR: all uses. Night VFR: none.');
    const said = (change: Json) => {
      const decision = decideClean(change);
      return availabilityText(decision.open, decision.full);
    };
    expect(said({})).toBe('Day VFR and Night VFR: all uses.');
    expect(said({ documents: { loading: null } })).toBe('Not available for any use.');
    expect(said({ equipment: { list: { items: { 'landing-light': 'not-fitted' } } } })).toBe(
      'Day VFR: all uses. Night VFR: private rental, lessons (dusk only) and carriage for hire (dusk only).',
    );
    expect(said({ meterReadings: { today: { value: 4208.7 } } })).toBe('Ferry flight to maintenance only.');
    const restricted = (...uses: readonly Json[]): Json => ({
      dispatchRestrictions: Object.fromEntries(
        uses.map((box, at) => [
          `r${at}`,
          {
            happenedAt: '2026-11-24T10:00:00Z',
            recordedAt: '2026-11-24T10:01:00Z',
            by: 'M',
            why: 'wind',
            uses: [box],
          },
        ]),
      ),
    });
    const regulation = { packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }] };
    const expired = {
      inspections: { 'transponder-2026': { completedOn: '2024-10-10', recordedAt: '2024-10-10T20:00:00Z' } },
    };
    expect(said({ ...regulation, ...expired })).toBe(
      'Day VFR and Night VFR: all uses, outside transponder and ADS-B airspace.',
    );
    expect(said(restricted({ crew: ['student-solo'] }))).toBe(
      'Day VFR and Night VFR: all uses, dual or rated pilot only.',
    );
    expect(said(restricted({ range: ['cross-country', 'abroad'] }, { passengers: ['aboard'] }))).toBe(
      'Day VFR and Night VFR: all uses, local only, without passengers.',
    );
    expect(said(restricted({ purpose: ['carriage-for-hire'] }))).toBe(
      'Day VFR and Night VFR: private rental and lessons only.',
    );
    expect(said({ ...regulation, meterReadings: { today: { value: 4208.8 } } })).toBe(
      'Day VFR and Night VFR: private rental and lessons (student solo only).',
    );
    // No sentence by dimensions says it.
    expect(said(restricted({ purpose: ['private-rental'], crew: ['student-solo'], range: ['abroad'] }))).toBe(
      'Day VFR and Night VFR: private rental in part (see the reasons), lessons and carriage for hire.',
    );
  });

  it.each<readonly [string, Json, string]>([
    ['can go', {}, ''],
    [
      'exceeds hours',
      { meterReadings: { today: { value: 4207.6 } } },
      'Exceeds the 100-hour limit by 0.4 h (due 4208.7 h, lands at 4209.1 h).',
    ],
    [
      'exceeds a date',
      { flight: { ...LESSON, starts: '2027-04-01T02:00:00Z', ends: '2027-04-01T04:00:00Z' } },
      'Ends after 1 Apr 2027 00:00, the annual limit.',
    ],
    [
      'waits for a step',
      { documents: { loading: { aboard: false } } },
      'Yes, after: Put the document on board and record the check (weight-and-balance data).',
    ],
    [
      'waits for several steps',
      { documents: { loading: { aboard: false }, manual: { aboard: false } } },
      'Yes, after: Put the document on board and record the check (flight manual or operating limitations; weight-and-balance data).',
    ],
    [
      'waits for a mechanic',
      {
        discrepancies: {
          d: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:00:00Z', what: 'Nick' },
        },
      },
      'Nick.',
    ],
    [
      'was never approved',
      { flight: { ...LESSON, rules: 'ifr' } },
      'This aircraft is not approved or fitted for such a flight.',
    ],
    [
      'contradicts itself',
      { flight: { ...LESSON, ends: '2026-11-24T13:30:00Z' } },
      'Its times contradict each other.',
    ],
  ])('a flight that %s', (_, change, words) => {
    const decision = decideClean({ flight: LESSON, ...(change as object) } as Json);
    if (decision.flight === null) throw new Error('no flight');
    expect(tellFlight(decision.flight, decision, HALIFAX)).toBe(words);
  });
});

describe('the history', () => {
  it('has a sentence for everything that the ledger tells of', () => {
    for (const act of LEDGER_ACTS) expect([act, describeHistory(act, {}).length > 3]).toEqual([act, true]);
  });
  it.each<readonly [LedgerAct, object, string]>([
    ['report-finding', { what: 'nick', station: 'wing', side: 'left' }, 'reported: nick (left wing)'],
    ['add-photo', {}, 'added a photo to the finding'],
    [
      'return-to-service',
      {
        work: 'repaired',
        found: 'nick',
        description: 'Blended.',
        completedOn: '2026-03-31',
        certificate: { kind: 'mechanic-airframe-powerplant', number: 'AP-1' },
      },
      'repaired “nick”: Blended, completed 31 Mar 2026. Signed as A&P mechanic, AP-1.',
    ],
    ['plan-flight', { person: 'J. Sol' }, 'planned a flight for J. Sol'],
    ['load-folder', {}, 'brought in the aircraft with its folder'],
    [
      'load-records',
      { documents: 6, inspections: 1, readings: 0 },
      'brought in records: 6 document checks and 1 inspection',
    ],
  ])('%s', (act, record, words) => {
    expect(describeHistory(act, record)).toBe(words);
  });
});
