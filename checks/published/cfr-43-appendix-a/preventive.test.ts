import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/kernel/merge-patch';
import { CERTIFICATE_KINDS, mayBeSignedBy, type CertificateKind } from '@/core/records/club/certificate';
import { PREVENTIVE_MAINTENANCE, PREVENTIVE_TASKS } from '@/core/records/maintenance/preventive-maintenance';
import { codes, decideBy } from '@/testing/clean-case';
import { source } from './source';

type Change = { readonly [key: string]: Json };
const signed = (kind: string): Json => ({
  name: 'Rosa Dane',
  certificate: { kind, number: 'X-1', validFrom: '2000-01-01', validUntil: 'no-expiry' },
});
const found = (classification: string, change: Change): Change => ({
  discrepancies: {
    d: {
      happenedAt: '2026-11-23T12:00:00Z',
      recordedAt: '2026-11-23T12:05:00Z',
      what: 'Position light dark',
      classification,
      equipment: classification === 'deferral-path' ? ['position-lights'] : [],
      rectification: {
        recordedAt: '2026-11-23T18:00:00Z',
        work: 'repaired',
        description: 'Bulb replaced',
        completedOn: '2026-11-23',
        ...change,
      },
    },
  },
});
const verdict = (change: Change) =>
  decideBy(['open-discrepancies', 'inoperative-equipment', 'approved-uses'], change).verdict;

describe(source.section, () => {
  it('has the 32 items of paragraph (c), numbered as there', () => {
    expect(PREVENTIVE_TASKS).toEqual(Array.from({ length: 32 }, (_, place) => `c${place + 1}`));
    expect(
      [
        PREVENTIVE_MAINTENANCE.c1,
        PREVENTIVE_MAINTENANCE.c17,
        PREVENTIVE_MAINTENANCE.c20,
        PREVENTIVE_MAINTENANCE.c24,
        PREVENTIVE_MAINTENANCE.c32,
      ].map((words) => words.split(/[ ,]/)[0]),
    ).toEqual(['Landing', 'Bulbs', 'Spark', 'Batteries', 'Software']);
  });
  it.each([
    [
      'a bulb by a private pilot',
      'deferral-path',
      { preventive: 'c17', signedBy: signed('pilot') },
      'Released',
    ],
    [
      'the same, not said to be preventive maintenance',
      'deferral-path',
      { signedBy: signed('pilot') },
      'Grounded',
    ],
    ['by a student', 'deferral-path', { preventive: 'c17', signedBy: signed('student-pilot') }, 'Grounded'],
    [
      'by a recreational pilot',
      'deferral-path',
      { preventive: 'c17', signedBy: signed('recreational-pilot') },
      'Grounded',
    ],
    [
      'by a sport pilot on a standard aircraft',
      'deferral-path',
      { preventive: 'c17', signedBy: signed('sport-pilot') },
      'Grounded',
    ],
    ['unsigned', 'deferral-path', { preventive: 'c17' }, 'Grounded'],
    [
      'by a mechanic',
      'deferral-path',
      { preventive: 'c17', signedBy: signed('mechanic-airframe-powerplant') },
      'Released',
    ],
    [
      'a tyre by a private pilot',
      'service-before-flight',
      { preventive: 'c1', signedBy: signed('pilot') },
      'Released',
    ],
    // What a mechanic or an instructor has to look at first stays theirs. Common practice, no source.
    [
      'what a mechanic looks at first',
      'ground-until-mechanic',
      { preventive: 'c17', signedBy: signed('pilot') },
      'Grounded',
    ],
    [
      'what an instructor judges',
      'tell-instructor',
      { preventive: 'c17', signedBy: signed('pilot') },
      'Grounded',
    ],
  ] as const)('%s', (_, classification, change, expected) => {
    expect(verdict(found(classification, change))).toBe(expected);
  });
  it.each([
    ['c17', ['artificial-horizon'], 'Grounded'],
    ['c31', ['transponder'], 'Grounded'],
    ['c31', ['two-way-radio'], 'Released'],
    ['c20', ['altimeter'], 'Grounded'],
  ] as const)('item %s puts %j right: %s', (preventive, equipment, expected) => {
    const change = found('deferral-path', { preventive, signedBy: signed('pilot') });
    expect(
      verdict({
        discrepancies: {
          d: { ...(change['discrepancies'] as { readonly d: Change }).d, equipment: [...equipment] },
        },
      }),
    ).toBe(expected);
  });
  it('a sport pilot does on a light-sport aircraft (43.7(g))', () => {
    const light = (kind: string) =>
      verdict({
        ...found('service-before-flight', { preventive: 'c1', signedBy: signed(kind) }),
        aircraft: { category: 'light-sport' },
      });
    expect([light('sport-pilot'), light('recreational-pilot'), light('student-pilot')]).toEqual([
      'Released',
      'Grounded',
      'Grounded',
    ]);
  });
  const work = (kind: string, change: Change = {}): Change => ({
    work: {
      w: {
        recordedAt: '2026-11-20T20:00:00Z',
        completedOn: '2026-11-20',
        description: 'Oil changed',
        signedBy: signed(kind),
        mayChangeFlight: false,
        flightControls: false,
        staticOpened: false,
        altitudeReportingTouched: false,
        weightChanged: false,
        ...change,
      },
    },
  });
  it.each([
    ['pilot', { preventive: 'c23' }, []],
    ['pilot', {}, ['work-entry-not-valid']],
    ['mechanic-airframe-powerplant', {}, []],
    ['mechanic-airframe-powerplant', { major: true }, ['work-entry-not-valid']],
    ['inspection-authorisation', { major: true }, []],
    ['repair-station', { major: true }, []],
    ['pilot', { major: true, preventive: 'c23' }, ['work-entry-not-valid']],
  ] as const)('work signed by a %s %j', (kind, change, expected) => {
    expect(codes(decideBy(['maintenance-entries'], work(kind, change)))).toEqual(expected);
  });
  it('a major repair of a find needs the same (65.95)', () => {
    expect([
      verdict(
        found('ground-until-mechanic', { major: true, signedBy: signed('mechanic-airframe-powerplant') }),
      ),
      verdict(found('ground-until-mechanic', { major: true, signedBy: signed('inspection-authorisation') })),
    ]).toEqual(['Grounded', 'Released']);
  });
  const signers = (kinds: readonly CertificateKind[]) =>
    CERTIFICATE_KINDS.filter((kind) => kinds.includes(kind));
  it('91.407(b): a check flight is flown by a private pilot or above', () => {
    expect(signers(mayBeSignedBy('check-flight', 'us'))).toEqual(['flight-instructor', 'pilot']);
  });
  it('91.213(d)(4): any rated pilot determines that it is no hazard, a student does not', () => {
    expect(mayBeSignedBy('no-hazard', 'us')).toEqual(
      expect.arrayContaining(['pilot', 'recreational-pilot', 'sport-pilot']),
    );
    expect(mayBeSignedBy('no-hazard', 'us')).not.toContain('student-pilot');
  });
  it('91.327(c)(1): a repairman with a maintenance rating signs the 100-hour of a light-sport aircraft, and of no other', () => {
    expect([
      mayBeSignedBy('hundred-hour-inspection', 'us-light-sport').includes('light-sport-repairman'),
      mayBeSignedBy('hundred-hour-inspection', 'us').includes('light-sport-repairman'),
      mayBeSignedBy('hundred-hour-inspection', 'us-light-sport').includes('light-sport-inspector'),
    ]).toEqual([true, false, false]);
  });
});
