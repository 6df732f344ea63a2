import { describe, expect, it } from 'vitest';
import { cleanCase, decideClean } from '@/testing/clean-case';
import type { Json } from '@/contracts/merge-patch';
import type { Reason, ReasonCode } from '../core/rules/parts/reason';
import { hours } from '../core/quantities/hours';
import { civilDate } from '../core/time/civil-date';
import { instant } from '../core/time/instant';
import { zone } from '../core/time/zone';
import { tellConstraint } from './constraint';
import { decisionDocument } from './decision-document';
import { tellFlight } from './flight';
import { clockText, dateText, hoursLeftText, hoursOverText, list, momentText, readingText, sentenceCase, timeLeftText } from './formats';
import { ACT_NAMES, entitledText, sourceText } from './lifts';
import { limitName } from './limits';
import { CERTIFICATE_NAMES, FAULT_NAMES } from './names';
import { tellReason, TOLD_CODES } from './reasons';
import { tellStory } from './story';
import { openForText, windowText } from './window-text';

const HALIFAX = zone('America/Halifax');
const DAY = civilDate('2026-03-31');
/** One reason of each code. A new code does not compile until it is here. */
const REASONS: { readonly [C in ReasonCode]: Extract<Reason, { code: C }> } = {
  'document-never-sighted': { code: 'document-never-sighted', document: 'weight-and-balance' },
  'document-not-aboard': { code: 'document-not-aboard', document: 'radio-licence' },
  'document-aboard-unknown': { code: 'document-aboard-unknown', document: 'weight-and-balance' },
  'document-illegible': { code: 'document-illegible', document: 'weight-and-balance' },
  'document-legibility-unknown': { code: 'document-legibility-unknown', document: 'weight-and-balance' },
  'document-sighting-ahead-of-itself': { code: 'document-sighting-ahead-of-itself', document: 'weight-and-balance' },
  'certificate-not-displayed': { code: 'certificate-not-displayed' },
  'certificate-display-unknown': { code: 'certificate-display-unknown' },
  'document-of-another-aircraft': { code: 'document-of-another-aircraft', document: 'registration-certificate', shown: 'N07TB', registration: 'N02TB' },
  'document-registration-unknown': { code: 'document-registration-unknown', document: 'registration-certificate' },
  'flight-manual-needed': { code: 'flight-manual-needed', firstFlownOn: DAY },
  'first-flight-date-unknown': { code: 'first-flight-date-unknown' },
  'limitations-form-unknown': { code: 'limitations-form-unknown' },
  'cabin-tank-unknown': { code: 'cabin-tank-unknown' },
  'registration-expires': { code: 'registration-expires', lastDay: DAY, basis: 'printed' },
  'registration-expiry-unknown': { code: 'registration-expiry-unknown' },
  'registration-dates-contradict': { code: 'registration-dates-contradict', issuedOn: DAY, printedExpiry: DAY },
  'registration-issued-after-seen': { code: 'registration-issued-after-seen', issuedOn: DAY, seenOn: DAY },
  'registration-ended': { code: 'registration-ended', on: DAY, because: 'ownership-transferred' },
  'category-unknown': { code: 'category-unknown' },
  'category-without-rules': { code: 'category-without-rules', category: 'glider' },
  'annual-expires': { code: 'annual-expires', completedOn: DAY, lastDay: DAY, discounted: [{ kind: 'annual', completedOn: DAY, faults: ['time-in-service-missing'] }] },
  'annual-unknown': { code: 'annual-unknown', discounted: [] },
  'inspection-not-approved': { code: 'inspection-not-approved', kind: 'annual', completedOn: DAY },
  'hundred-hour-due': { code: 'hundred-hour-due', dueAt: hours('1100'), lastAt: hours('1006.5'), lastKind: 'annual', takenOff: hours('6.5'), discounted: [] },
  'hundred-hour-overrun-ends': { code: 'hundred-hour-overrun-ends', dueAt: hours('1100'), overrunTo: hours('1110') },
  'hundred-hour-unknown': { code: 'hundred-hour-unknown', discounted: [] },
  'time-in-service-unknown': { code: 'time-in-service-unknown' },
  'time-in-service-contradicts': { code: 'time-in-service-contradicts', earlier: 'a', later: 'b', earlierValue: hours('1002'), laterValue: hours('1000') },
  'time-in-service-ahead-of-itself': { code: 'time-in-service-ahead-of-itself', record: 'a' },
  'discrepancy-open': { code: 'discrepancy-open', what: 'nick on blade 2.', where: 'Propeller', classification: 'ground-until-mechanic', classified: false, closesUses: [], foundBy: 'Pia Okoro', foundOn: DAY },
  'discrepancy-repair-not-valid': { code: 'discrepancy-repair-not-valid', what: 'nick', where: null, faults: ['description-missing'], classification: 'ground-until-mechanic' },
  'approved-uses-unknown': { code: 'approved-uses-unknown' },
};

describe('reasons in words', () => {
  it('every code has words, and there is one example of each here', () => {
    expect([...TOLD_CODES].sort()).toEqual(Object.keys(REASONS).sort());
    expect(TOLD_CODES.length).toBeGreaterThan(25);
  });
  it.each(Object.values(REASONS))('$code is told in whole sentences, without codes', (reason) => {
    for (const tense of ['in-force', 'ahead', 'unsure'] as const) {
      const { headline, meaning } = tellReason(reason, tense);
      for (const sentence of [headline, meaning]) {
        expect(sentence).toMatch(/^[A-Z0-9“].*[.”]$/);
        expect(sentence).not.toMatch(/undefined|null|\[object|NaN|\b[a-z]+-[a-z]+-[a-z]+\b(?<!weight-and-balance)/);
      }
    }
  });
  it('says what lies ahead as ahead, what is past as past, and what nobody knows as not known', () => {
    const tell = (tense: 'in-force' | 'ahead' | 'unsure') => tellReason(REASONS['hundred-hour-due'], tense).headline;
    expect([tell('ahead'), tell('in-force'), tell('unsure')]).toEqual(['The 100 hours end at 1100.0 h.', 'The 100 hours ended at 1100.0 h.', 'The 100 hours end at 1100.0 h; whether that has come is not known.']);
  });
  it('names the arithmetic: the excess that was taken off, and the entry that did not count', () => {
    expect(tellReason(REASONS['hundred-hour-due'], 'ahead').meaning).toContain('6.5 h late, which is taken off');
    expect(tellReason(REASONS['annual-expires'], 'ahead').meaning).toContain('does not count: no total time in service');
  });
});

describe('formats', () => {
  it.each([[dateText(DAY), '31 Mar 2026'], [momentText(instant('2026-11-24T13:42:59Z'), HALIFAX), '24 Nov 2026 09:42'], [clockText(instant('2026-11-24T13:42:59Z'), HALIFAX), '09:42'], [readingText(hours('1100')), '1100.0 h'], [readingText(hours('1100.05')), '1100.05 h'],
    [hoursLeftText(hours('1.69')), '1.6 h'], [hoursOverText(hours('0.41')), '0.5 h'], [timeLeftText(59 * 60_000), '59 min'], [timeLeftText(47 * 3_600_000), '47 h'], [timeLeftText(48 * 3_600_000), '2 days'], [timeLeftText(731 * 86_400_000), '731 days'], [timeLeftText(1100 * 86_400_000), '3 years'],
    [list([]), ''], [list(['a']), 'a'], [list(['a', 'b']), 'a and b'], [list(['a', 'b', 'c'], 'or'), 'a, b or c'], [sentenceCase('left wing'), 'Left wing'],
  ])('%s', (ours, expected) => { expect(ours).toBe(expected); });
});

describe('names', () => {
  it('are there for every act, certificate and fault', () => {
    for (const names of [ACT_NAMES, CERTIFICATE_NAMES, FAULT_NAMES]) for (const name of Object.values(names)) expect(name).not.toBe('');
    expect(entitledText({ kind: 'certificate', anyOf: ['pilot', 'flight-instructor'] })).toBe('pilot or flight instructor');
    expect([entitledText({ kind: 'owner' }), entitledText({ kind: 'anybody-at-the-aircraft' }), entitledText({ kind: 'record-keeper' })]).toEqual(['the owner', 'anybody at the aircraft', 'whoever keeps the records']);
    expect([sourceText({ kind: 'club-policy' }), sourceText({ kind: 'common-practice' }), sourceText({ kind: 'regulation', citation: '14 CFR 91.7' })]).toEqual(['club policy', 'common practice', '14 CFR 91.7']);
  });
});

describe('a decision in words', () => {
  it('tells each constraint with its source and its ways out', () => {
    const [constraint] = decideClean({ documents: { loading: { aboard: false } } }).constraints;
    if (constraint === undefined) throw new Error('nothing closes');
    expect(tellConstraint(constraint, 'in-force')).toMatchObject({ headline: 'The weight-and-balance data is not aboard.', source: '14 CFR 91.9(a) and 91.103', lifts: [{ act: 'Put the paper aboard and record that it was seen', by: 'anybody at the aircraft' }] });
    expect(limitName(decideClean().limits[0]?.constraint ?? constraint)).toBe('100-hour');
  });
  it('is one document, in a stable order', () => {
    const { facts, asOf } = cleanCase();
    const document = decisionDocument(decideClean({ documents: { loading: { aboard: false } } }), facts.place.zone);
    expect(document).toMatchObject({ format: 'groval-decision', asOf: '2026-11-24T13:00:00Z', verdict: 'Grounded', conditions: [{ words: 'Put the paper aboard and record that it was seen' }], firstLimit: { hours: { left: 58.4, leftText: '58.4 h' } } });
    expect(document.advice).toContain('pilot in command');
    expect(asOf).toBe(instant(document.asOf));
  });
  it('tells what is open in words', () => {
    const window = decideClean({ discrepancies: { d: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:00:00Z', what: 'Lamp', classification: 'deferral-path', closesUses: ['dusk', 'night'] } } }).window;
    expect(windowText(window)).toBe('open: day VFR; partly open: rental, lessons and hire; closed: dusk and night VFR; not fitted or approved: day IFR, dusk and night IFR and towing');
    expect(openForText(window)).toBe('open for day VFR, part of rental, part of lessons and part of hire');
    expect(openForText(decideClean({ documents: { loading: null } }).window)).toBe('open for nothing');
  });

  const flight = { starts: '2026-11-24T14:00:00Z', ends: '2026-11-24T16:00:00Z', airborne: 1.5, purpose: 'instruction-school-aircraft', crew: 'dual', rules: 'vfr', range: 'local', transponderAirspace: false, broadcastAirspace: false, beyondGlideOverWater: false, passengers: false };
  it.each<readonly [string, Json, string]>([
    ['can go', {}, ''],
    ['outruns hours', { meterReadings: { today: { value: 4207.6 } } }, 'Outruns the 100-hour by 0.4 h.'],
    ['outruns a date', { flight: { ...flight, starts: '2027-04-01T02:00:00Z', ends: '2027-04-01T04:00:00Z' } }, 'Ends after 1 Apr 2027 00:00, when the annual ends.'],
    ['waits for a step', { documents: { loading: { aboard: false } } }, 'Yes, after: Put the paper aboard and record that it was seen.'],
    ['waits for a mechanic', { discrepancies: { d: { happenedAt: '2026-11-23T12:00:00Z', recordedAt: '2026-11-23T12:00:00Z', what: 'Nick' } } }, 'Nick.'],
    ['was never approved', { flight: { ...flight, rules: 'ifr' } }, 'This aircraft is not approved or fitted for such a flight.'],
    ['contradicts itself', { flight: { ...flight, ends: '2026-11-24T13:30:00Z' } }, 'Its times contradict each other.'],
  ])('a flight that %s', (_, change, words) => {
    const decision = decideClean({ flight, ...change as object } as Json);
    if (decision.flight === null) throw new Error('no flight');
    expect(tellFlight(decision.flight, decision, HALIFAX)).toBe(words);
  });
});

describe('the story', () => {
  it.each([
    ['report-finding', { what: 'nick', station: 'wing', side: 'left' }, 'reported: nick (left wing)'],
    ['add-photo', {}, 'added a photo to the finding'],
    ['return-to-service', { work: 'repaired', found: 'nick', description: 'Blended.', completedOn: '2026-03-31', certificate: { kind: 'mechanic-airframe-powerplant', number: 'AP-1' } }, 'repaired “nick”: Blended, completed 31 Mar 2026. Signed as mechanic (airframe and powerplant), AP-1.'],
    ['record-meter-reading', { entered: '4150.3' }, 'read the meter: 4150.3 h'],
    ['plan-flight', { person: 'J. Sol' }, 'planned a flight for J. Sol'],
    ['load-folder', {}, 'brought in the aircraft with its folder'],
    ['load-records', { documents: 6, inspections: 1, readings: 0 }, 'brought in records: 6 sightings of papers and 1 inspection'],
  ])('%s', (act, record, words) => { expect(tellStory(act, record)).toBe(words); });
});
