import { describe, expect, it } from 'vitest';
import { cleanCase, decideClean, deferredLamp } from '@/testing/clean-case';
import { LESSON } from '@/testing/lesson';
import type { Json } from '@/contracts/kernel/merge-patch';
import type { Reason, ReasonCode } from '../core/rules/parts/reason';
import { hours } from '../core/quantities/hours';
import { volume } from '../core/quantities/volume';
import { civilDate } from '../core/time/civil-date';
import { instant } from '../core/time/instant';
import { zone } from '../core/time/zone';
import { tellConstraint, tellReasons } from './constraint';
import { decisionDocument } from './decision-document';
import { tellFlight } from './flight';
import { clockText, hoursLeftText, hoursOverText, momentText, readingText, timeLeftText } from './formats';
import { dateText, list, sentenceCase } from './wording';
import { ACT_NAMES, entitledText, sourceText } from './remedies';
import { limitName } from './limits';
import { CERTIFICATE_NAMES, FAULT_NAMES } from './names';
import { tellReason, TOLD_CODES } from './reasons';
import { LEDGER_ACTS, type LedgerAct } from '@/core/records/ledger-act';
import { describeHistory } from './history';
import { availabilityText, windowText } from './window-text';

const HALIFAX = zone('America/Halifax');
const DAY = civilDate('2026-03-31');
/** One reason of each code. A new code does not compile until it is here. */
const REASONS: { readonly [C in ReasonCode]: Extract<Reason, { code: C }> } = {
  'document-never-checked': { code: 'document-never-checked', document: 'weight-and-balance' },
  'document-not-aboard': { code: 'document-not-aboard', document: 'radio-licence' },
  'document-aboard-unknown': { code: 'document-aboard-unknown', document: 'weight-and-balance' },
  'document-illegible': { code: 'document-illegible', document: 'weight-and-balance' },
  'document-legibility-unknown': { code: 'document-legibility-unknown', document: 'weight-and-balance' },
  'document-check-ahead-of-itself': {
    code: 'document-check-ahead-of-itself',
    document: 'weight-and-balance',
  },
  'certificate-not-displayed': { code: 'certificate-not-displayed' },
  'certificate-display-unknown': { code: 'certificate-display-unknown' },
  'document-of-another-aircraft': {
    code: 'document-of-another-aircraft',
    document: 'registration-certificate',
    shown: 'N07TB',
    registration: 'N02TB',
  },
  'document-registration-unknown': {
    code: 'document-registration-unknown',
    document: 'registration-certificate',
  },
  'flight-manual-needed': { code: 'flight-manual-needed', firstFlownOn: DAY },
  'first-flight-date-unknown': { code: 'first-flight-date-unknown' },
  'limitations-form-unknown': { code: 'limitations-form-unknown' },
  'cabin-tank-unknown': { code: 'cabin-tank-unknown' },
  'registration-temporary': { code: 'registration-temporary' },
  'registration-expires': { code: 'registration-expires', lastDay: DAY, basis: 'printed' },
  'registration-expiry-unknown': { code: 'registration-expiry-unknown' },
  'registration-dates-contradict': {
    code: 'registration-dates-contradict',
    issuedOn: DAY,
    printedExpiry: DAY,
  },
  'registration-issued-after-seen': { code: 'registration-issued-after-seen', issuedOn: DAY, seenOn: DAY },
  'registration-ended': { code: 'registration-ended', on: DAY, because: 'ownership-transferred' },
  'category-unknown': { code: 'category-unknown' },
  'category-without-rules': { code: 'category-without-rules', category: 'glider' },
  'annual-expires': {
    code: 'annual-expires',
    completedOn: DAY,
    lastDay: DAY,
    discounted: [
      { kind: 'annual', completedOn: DAY, timeInService: null, faults: ['time-in-service-missing'] },
    ],
  },
  'annual-unknown': { code: 'annual-unknown', discounted: [] },
  'inspection-not-signed': {
    code: 'inspection-not-signed',
    kind: 'annual',
    completedOn: DAY,
    faults: ['name-missing'],
  },
  'inspection-outcome-unknown': { code: 'inspection-outcome-unknown', kind: 'annual', completedOn: DAY },
  'inspection-not-approved': { code: 'inspection-not-approved', kind: 'annual', completedOn: DAY },
  'hundred-hour-due': {
    code: 'hundred-hour-due',
    dueAt: hours('1100'),
    lastAt: hours('1006.5'),
    lastKind: 'annual',
    takenOff: hours('6.5'),
    discounted: [],
  },
  'hundred-hour-unknown': { code: 'hundred-hour-unknown', discounted: [] },
  'meter-unknown': { code: 'meter-unknown', meter: 'time-in-service' },
  'meter-contradicts': {
    code: 'meter-contradicts',
    meter: 'landings',
    earlier: 'a',
    later: 'b',
    earlierValue: 12,
    laterValue: 10,
  },
  'meter-ahead-of-itself': { code: 'meter-ahead-of-itself', meter: 'engine', record: 'a' },
  'meter-reading-stale': { code: 'meter-reading-stale', readOn: DAY, days: 60 },
  'discrepancy-open': {
    code: 'discrepancy-open',
    what: 'nick on blade 2.',
    where: 'Propeller',
    classification: 'ground-until-mechanic',
    classified: false,
    closesUses: [],
    foundBy: 'Pia Okoro',
    foundOn: DAY,
  },
  'discrepancy-repair-not-valid': {
    code: 'discrepancy-repair-not-valid',
    what: 'nick',
    where: null,
    faults: ['description-missing'],
    classification: 'ground-until-mechanic',
  },
  'approved-uses-unknown': { code: 'approved-uses-unknown' },
  'particular-unknown': { code: 'particular-unknown', what: 'manual-revision' },
  'category-closes': {
    code: 'category-closes',
    category: 'light-sport',
    what: 'hire-but-lessons-and-towing',
  },
  'manual-revision-differs': { code: 'manual-revision-differs', aboard: '6', inForce: '7' },
  'manual-revision-unknown': { code: 'manual-revision-unknown' },
  'manual-serial-differs': { code: 'manual-serial-differs', shown: 'TB1', serial: 'TB2' },
  'manual-serial-unknown': { code: 'manual-serial-unknown' },
  'placards-missing': { code: 'placards-missing' },
  'placards-unknown': { code: 'placards-unknown' },
  'loading-data-outdated': { code: 'loading-data-outdated', datedOn: DAY, changedOn: DAY },
  'loading-data-date-unknown': { code: 'loading-data-date-unknown' },
  'document-stale': { code: 'document-stale', document: 'radio-licence', seenOn: DAY, days: 90 },
  'club-document-expires': { code: 'club-document-expires', name: 'Insurance', lastDay: DAY },
  'club-document-expiry-unknown': { code: 'club-document-expiry-unknown', name: 'the hangar document' },
  'club-document-missing': { code: 'club-document-missing', kind: 'insurance' },
  'inspection-expires': {
    code: 'inspection-expires',
    kind: 'transponder',
    completedOn: DAY,
    lastDay: DAY,
    discounted: [],
  },
  'inspection-unknown': { code: 'inspection-unknown', kind: 'elt', discounted: [] },
  'test-needed-after-work': { code: 'test-needed-after-work', kind: 'altimeter-static', workedOn: DAY },
  'work-effect-unknown': {
    code: 'work-effect-unknown',
    description: 'Altimeter replaced',
    effect: 'static-system',
  },
  'vor-check-expires': { code: 'vor-check-expires', lastDay: DAY, doneOn: DAY },
  'vor-check-unknown': { code: 'vor-check-unknown' },
  'vor-check-failed': { code: 'vor-check-failed', error: 50, allowed: 40 },
  'vor-check-incomplete': { code: 'vor-check-incomplete', doneOn: DAY },
  'database-expires': { code: 'database-expires', lastDay: DAY },
  'database-not-yet': { code: 'database-not-yet', effectiveOn: DAY },
  'database-unknown': { code: 'database-unknown' },
  'item-expires': {
    code: 'item-expires',
    name: 'Hose',
    kind: 'component-check',
    lastDay: DAY,
    printed: true,
  },
  'item-due': {
    code: 'item-due',
    name: 'Propeller',
    kind: 'overhaul',
    meter: 'propeller',
    dueAt: hours('2000'),
    takenOff: hours('2'),
  },
  'item-overrun-ends': {
    code: 'item-overrun-ends',
    name: 'Service',
    meter: 'time-in-service',
    dueAt: hours('100'),
    overrunTo: hours('105'),
  },
  'item-history-unknown': { code: 'item-history-unknown', name: 'the hose', kind: 'component-check' },
  'item-reading-unknown': { code: 'item-reading-unknown', name: 'the hose', meter: 'landings' },
  'items-unknown': { code: 'items-unknown' },
  'programme-segments-unknown': { code: 'programme-segments-unknown' },
  'oil-change-due': {
    code: 'oil-change-due',
    name: 'Oil change',
    dueAt: hours('130'),
    leaded: hours('5'),
    unleaded: hours('20'),
    unsaid: hours('2'),
  },
  'ads-unknown': { code: 'ads-unknown' },
  'ad-expires': {
    code: 'ad-expires',
    number: '2024-07-11',
    title: 'Wing attachment',
    lastDay: DAY,
    first: true,
  },
  'ad-due': {
    code: 'ad-due',
    number: '2024-07-11',
    title: 'Wing attachment',
    meter: 'time-in-service',
    dueAt: hours('1225'),
    first: false,
  },
  'ad-before-flight': { code: 'ad-before-flight', number: '2024-07-11', title: 'Wing attachment' },
  'ad-unknown': { code: 'ad-unknown', number: '2024-07-11', title: 'Wing attachment', what: 'applicability' },
  'elt-unknown': { code: 'elt-unknown' },
  'elt-battery-expires': { code: 'elt-battery-expires', lastDay: DAY },
  'elt-battery-used': { code: 'elt-battery-used', usedSeconds: 3660 },
  'elt-battery-unknown': { code: 'elt-battery-unknown', what: 'use' },
  'elt-removed': { code: 'elt-removed', removedOn: DAY, lastDay: DAY },
  'elt-removal-incomplete': { code: 'elt-removal-incomplete', lacks: ['date', 'entry', 'placard'] },
  'elt-not-fitted': { code: 'elt-not-fitted' },
  'equipment-list-unknown': { code: 'equipment-list-unknown' },
  'equipment-not-fitted': { code: 'equipment-not-fitted', equipment: 'landing-light', list: 'for-hire' },
  'equipment-unknown': { code: 'equipment-unknown', equipment: 'clock', list: 'ifr' },
  'equipment-expires': { code: 'equipment-expires', equipment: 'flotation', lastDay: DAY },
  'equipment-date-unknown': { code: 'equipment-date-unknown', equipment: 'fire-extinguisher' },
  'flight-not-read': {
    code: 'flight-not-read',
    by: 'J. Sol',
    returnedAt: instant('2026-11-24T12:00:00Z'),
    seconds: hours('2.6'),
  },
  'record-contradicts-itself': {
    code: 'record-contradicts-itself',
    record: 'f',
    kind: 'flight',
    how: 'returned-before-it-left',
  },
  'fuel-suspect': { code: 'fuel-suspect', drain: 'left', why: 'water-again' },
  'fuel-grade-wrong': { code: 'fuel-grade-wrong', grade: 'jet', approved: ['leaded', 'unleaded'] },
  'fuel-grade-unknown': { code: 'fuel-grade-unknown', approved: ['leaded'] },
  'fuel-dip-over-tank': {
    code: 'fuel-dip-over-tank',
    tank: 'left',
    dipped: volume('19', 'US gal'),
    holds: volume('18', 'US gal'),
  },
  'fuel-over-tanks': {
    code: 'fuel-over-tanks',
    planned: volume('40', 'US gal'),
    holds: volume('36', 'US gal'),
  },
  'programme-not-complete': { code: 'programme-not-complete', name: 'Segment 3' },
  'work-not-signed': {
    code: 'work-not-signed',
    name: 'Hose',
    completedOn: DAY,
    faults: ['certificate-missing'],
  },
  'altitude-tested-unknown': { code: 'altitude-tested-unknown' },
  'altitude-over-tested': { code: 'altitude-over-tested', planned: 9000, tested: 8000 },
  'rigging-unknown': { code: 'rigging-unknown' },
  derigged: { code: 'derigged' },
  'rigging-not-checked': { code: 'rigging-not-checked', gaps: ['assembly', 'controls'] },
  'approved-list-missing': { code: 'approved-list-missing' },
  'elt-deactivated': { code: 'elt-deactivated', on: DAY },
  'equipment-inoperative': {
    code: 'equipment-inoperative',
    equipment: 'vor-receiver',
    what: 'Dead',
    list: 'navigation',
  },
  'navigation-not-aboard': {
    code: 'navigation-not-aboard',
    equipment: 'satellite-navigator',
    state: 'not-fitted',
  },
  'item-inoperative': {
    code: 'item-inoperative',
    equipment: ['landing-light'],
    what: 'Landing light dark',
    because: ['operating-rule', 'equipment-list'],
    deferred: false,
  },
  'item-deferred': {
    code: 'item-deferred',
    equipment: ['landing-light'],
    what: 'Landing light dark',
    deferredOn: DAY,
  },
  'item-not-deferred': {
    code: 'item-not-deferred',
    equipment: ['landing-light'],
    what: 'Landing light dark',
  },
  'deferral-not-valid': {
    code: 'deferral-not-valid',
    what: 'Landing light dark',
    faults: ['placard-missing'],
  },
  'deferral-expires': { code: 'deferral-expires', what: 'Landing light dark', lastDay: DAY },
  'deferral-due': { code: 'deferral-due', what: 'Landing light dark', dueAt: hours('1200') },
  'deferral-not-addressed': {
    code: 'deferral-not-addressed',
    what: 'Landing light dark',
    foundOn: DAY,
    inspectedOn: DAY,
  },
  'deferral-holds-to': {
    code: 'deferral-holds-to',
    what: 'Rear belt frayed',
    cap: { quantity: 'persons', bound: 'at-most', value: 2 },
  },
  'watch-due': {
    code: 'watch-due',
    what: 'Small cut in the left tyre',
    lastDay: null,
    dueAt: hours('1200'),
    trigger: 'look-again',
  },
  'work-entry-not-valid': { code: 'work-entry-not-valid', description: '', faults: ['description-missing'] },
  'check-flight-needed': {
    code: 'check-flight-needed',
    description: 'Aileron rigging',
    completedOn: DAY,
    attempted: true,
  },
  'independent-inspection-needed': { code: 'independent-inspection-needed', description: 'Elevator cable' },
  'release-missing': { code: 'release-missing' },
  'release-expires': { code: 'release-expires', lastDay: DAY },
  'release-due': { code: 'release-due', dueAt: hours('4421.5') },
  'release-incomplete': { code: 'release-incomplete', lacks: ['day of issue'] },
  'release-not-in-force': { code: 'release-not-in-force', standing: 'suspended' },
  'release-of-another-aircraft': {
    code: 'release-of-another-aircraft',
    shown: 'VH-TB0X2',
    registration: 'VH-TB0X1',
  },
  'release-work-due': { code: 'release-work-due', what: 'Hose', lastDay: DAY, dueAt: hours('4400') },
  'daily-inspection-due': { code: 'daily-inspection-due', lastOn: DAY },
  'measured-outside': {
    code: 'measured-outside',
    quantity: 'oil',
    which: null,
    value: volume('3', 'US qt'),
    min: volume('4', 'US qt'),
    max: volume('8', 'US qt'),
    remedy: 'top-up',
  },
  'not-measured': { code: 'not-measured', quantity: 'tyre-pressure', which: 'left' },
  'gauge-differs': {
    code: 'gauge-differs',
    tank: 'left',
    gauge: volume('15', 'US gal'),
    dip: volume('9.5', 'US gal'),
    tolerance: volume('1', 'US gal'),
  },
  'sample-not-clean': { code: 'sample-not-clean', result: 'water', drain: 'left' },
  'sample-needed': { code: 'sample-needed', because: 'fuelled-since', drain: null },
  'oil-use-high': { code: 'oil-use-high', perHour: volume('0.6', 'US qt'), limit: volume('0.5', 'US qt') },
  'fuel-below-minimum': {
    code: 'fuel-below-minimum',
    aboard: volume('3', 'US gal'),
    minimum: volume('4', 'US gal'),
  },
  'fuel-short': {
    code: 'fuel-short',
    aboard: volume('20', 'US gal'),
    needed: volume('21', 'US gal'),
    reserveMinutes: 30,
  },
  'fuel-aboard-unknown': { code: 'fuel-aboard-unknown' },
  'fuel-burn-unknown': { code: 'fuel-burn-unknown' },
  'aircraft-out': { code: 'aircraft-out', by: 'R. Dane', since: instant('2026-11-24T13:00:00Z') },
  'two-flights-open': { code: 'two-flights-open', earlier: 'flight a', later: 'flight b' },
  restricted: {
    code: 'restricted',
    why: 'wet grass runway',
    by: 'The dispatcher',
    cap: { quantity: 'load', bound: 'at-most', value: 200_000 },
  },
  'record-ahead-of-itself': { code: 'record-ahead-of-itself', record: 'm1', kind: 'measurement' },
  'tow-rope-unfit': { code: 'tow-rope-unfit', fault: 'tug-link' },
  'student-not-alone': { code: 'student-not-alone' },
  'cap-passed': {
    code: 'cap-passed',
    quantity: 'fuel',
    bound: 'at-least',
    value: volume('10', 'US gal'),
    planned: volume('9', 'US gal'),
  },
  'flight-leaves-open': { code: 'flight-leaves-open', what: 'landings' },
};

describe('reasons in words', () => {
  it('every code has words, and there is one example of each here', () => {
    expect([...TOLD_CODES].sort()).toEqual(Object.keys(REASONS).sort());
    expect(TOLD_CODES.length).toBeGreaterThan(100);
  });
  it.each(Object.values(REASONS))('$code is told in whole sentences, without codes', (reason) => {
    for (const tense of ['in-force', 'ahead', 'unsure'] as const) {
      const { headline, meaning } = tellReason(reason, tense);
      for (const sentence of [headline, meaning]) {
        expect(sentence).toMatch(/^[A-Z0-9“].*[.”]$/);
        expect(sentence).not.toMatch(
          /undefined|null|\[object|NaN|\b[a-z]+-[a-z]+-[a-z]+\b(?<!weight-and-balance)/,
        );
      }
    }
  });
  it('says what lies ahead as ahead, what is past as past, and what nobody knows as not known', () => {
    const tell = (tense: 'in-force' | 'ahead' | 'unsure') =>
      tellReason(REASONS['hundred-hour-due'], tense).headline;
    expect([tell('ahead'), tell('in-force'), tell('unsure')]).toEqual([
      '100-hour inspection due at 1100.0 h.',
      '100-hour inspection overdue since 1100.0 h.',
      '100-hour inspection due at 1100.0 h; whether that has come is not known.',
    ]);
  });
  it('a find that has a colon of its own gets no second', () => {
    const tell = (what: string) => tellReason({ ...REASONS['item-not-deferred'], what }, 'in-force').headline;
    expect([tell('Pitot heat: cold.'), tell('landing light dark')]).toEqual([
      'Pitot heat: cold; inoperative and not yet deferred.',
      'Landing light dark: inoperative and not yet deferred.',
    ]);
  });
  it('names the arithmetic: the excess that was taken off, and the entry that did not count', () => {
    expect(tellReason(REASONS['hundred-hour-due'], 'ahead').meaning).toContain(
      '6.5 h late, which is taken off',
    );
    expect(tellReason(REASONS['annual-expires'], 'ahead').meaning).toContain(
      'does not count: the entry lacks the total time in service (43.11(a))',
    );
  });
});

describe('formats', () => {
  it.each([
    [dateText(DAY), '31 Mar 2026'],
    [momentText(instant('2026-11-24T13:42:59Z'), HALIFAX), '24 Nov 2026 09:42'],
    [clockText(instant('2026-11-24T13:42:59Z'), HALIFAX), '09:42'],
    [readingText(hours('1100')), '1100.0 h'],
    [readingText(hours('1100.05')), '1100.05 h'],
    [hoursLeftText(hours('1.69')), '1.6 h'],
    [hoursOverText(hours('0.41')), '0.5 h'],
    [timeLeftText(59 * 60_000), '59 min'],
    [timeLeftText(47 * 3_600_000), '47 h'],
    [timeLeftText(48 * 3_600_000), '2 days'],
    [timeLeftText(731 * 86_400_000), '731 days'],
    [timeLeftText(1100 * 86_400_000), '3 years'],
    [list([]), ''],
    [list(['a']), 'a'],
    [list(['a', 'b']), 'a and b'],
    [list(['a', 'b', 'c'], 'or'), 'a, b or c'],
    [sentenceCase('left wing'), 'Left wing'],
  ])('%s', (ours, expected) => {
    expect(ours).toBe(expected);
  });
});

describe('names', () => {
  it('are there for every act, certificate and fault', () => {
    for (const names of [ACT_NAMES, CERTIFICATE_NAMES, FAULT_NAMES])
      for (const name of Object.values(names)) expect(name).not.toBe('');
    expect(entitledText({ kind: 'certificate', anyOf: ['pilot', 'flight-instructor'] })).toBe(
      'pilot or flight instructor',
    );
    expect([
      entitledText({ kind: 'owner' }),
      entitledText({ kind: 'anybody-at-the-aircraft' }),
      entitledText({ kind: 'record-keeper' }),
    ]).toEqual(['the owner', 'anybody at the aircraft', 'a record keeper']);
    expect([
      sourceText({ kind: 'club-policy' }),
      sourceText({ kind: 'common-practice' }),
      sourceText({ kind: 'regulation', citation: '14 CFR 91.7' }),
    ]).toEqual(['club policy', 'common practice', '14 CFR 91.7']);
  });
});

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
