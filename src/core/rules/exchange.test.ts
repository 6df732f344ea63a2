import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { engineer } from '@/testing/rules/maintenance';
import type { Row } from '@/testing/rules/row';

const mechanic = {
  ...engineer,
  name: 'Tomas Brandl',
  certificate: { ...engineer.certificate, kind: 'mechanic-airframe-powerplant', number: 'AP-1' },
};
const exchanged = (kinds: readonly string[], change: Change = {}) => ({
  aircraft: { approvedFor: 'all' },
  work: {
    w: {
      recordedAt: '2026-11-20T20:00:00Z',
      completedOn: '2026-11-20',
      description: 'Exchanged',
      signedBy: mechanic,
      mayChangeFlight: false,
      flightControls: false,
      staticOpened: false,
      altitudeReportingTouched: false,
      weightChanged: false,
      exchanged: kinds,
      ...change,
    },
  },
});
const NEW_ELT = {
  state: 'fitted',
  batteryReplaceBy: '2030-01-31',
  usedMinutes: 0,
};
const elt = (happenedAt: string) => ({
  elts: { elt: { ...NEW_ELT, happenedAt, recordedAt: '2026-11-21T20:00:00Z' } },
});
const eltInspected = (completedOn: string) => ({
  inspections: { 'elt-2026': { completedOn, recordedAt: `${completedOn}T20:00:00Z` } },
});
const check = (happenedAt: string, errorDegrees = 2) => ({
  aircraft: { approvedFor: 'all' },
  vorChecks: {
    r: {
      happenedAt,
      recordedAt: happenedAt,
      method: 'dual',
      errorDegrees,
      place: 'Tern Bay',
      signedBy: 'A. Verin',
    },
  },
});

// Sources: 14 CFR 91.171, 91.207(c) and (d), 91.411(a), 91.413(a) and (b) (from memory); that an old unit's test
// says nothing of a new one is common practice.
describe('an ELT that was exchanged', () => {
  it.each<Row>([
    [
      'what is on record is of the old one',
      exchanged(['elt']),
      ['state: elt-unknown? 5616 [] record-elt'],
      ['elts'],
    ],
    [
      'entered again, and not inspected since',
      { ...exchanged(['elt']), ...elt('2026-11-20T21:00:00Z') },
      ['elt: inspection-unknown?~ 5616 [] inspect-elt or deactivate-elt'],
      ['inspections (elt)'],
    ],
    [
      'entered again, and inspected when it was fitted',
      { ...exchanged(['elt']), ...elt('2026-11-20T21:00:00Z'), ...eltInspected('2026-11-20') },
      [],
    ],
    [
      'looked at earlier on that day, written down later',
      { ...exchanged(['elt']), ...elt('2026-11-20T12:00:00Z'), ...eltInspected('2026-11-20') },
      ['state: elt-unknown? 5616 [] record-elt'],
      ['elts'],
    ],
    ['another unit was exchanged', exchanged(['clock']), []],
    [
      'an entry that is not signed takes the old one away too',
      exchanged(['elt'], { signedBy: null }),
      ['state: elt-unknown? 5616 [] record-elt'],
      ['elts'],
    ],
    [
      'a later entry about the same work says so',
      exchanged(['clock'], {
        approvals: {
          a: {
            recordedAt: '2026-11-21T20:00:00Z',
            completedOn: '2026-11-21',
            description: 'and the ELT',
            signedBy: mechanic,
            major: false,
            mayChangeFlight: false,
            flightControls: false,
            staticOpened: false,
            altitudeReportingTouched: false,
            weightChanged: false,
            exchanged: ['elt'],
          },
        },
      }),
      ['state: elt-unknown? 5616 [] record-elt'],
      ['elts'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['elt'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('a receiver that was exchanged', () => {
  it.each<Row>([
    [
      'its check is of the old one',
      { ...exchanged(['vor-receiver']), ...check('2026-11-19T20:00:00Z') },
      ['check: vor-check-unknown? 3024 [] check-vor'],
      ['vorChecks'],
    ],
    [
      'a check of that morning',
      { ...exchanged(['vor-receiver']), ...check('2026-11-20T15:00:00Z') },
      ['check: vor-check-unknown? 3024 [] check-vor'],
      ['vorChecks'],
    ],
    [
      'what the old one failed opens nothing',
      { ...exchanged(['vor-receiver']), ...check('2026-11-19T20:00:00Z', 9) },
      ['check: vor-check-unknown? 3024 [] check-vor'],
      ['vorChecks'],
    ],
    ['checked since', { ...exchanged(['vor-receiver']), ...check('2026-11-20T20:00:00Z') }, []],
    ['checked on the next day', { ...exchanged(['vor-receiver']), ...check('2026-11-21T15:00:00Z') }, []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['vor-check'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('instruments on the static system', () => {
  it.each<Row>([
    [
      'an airspeed indicator opens it, whatever the entry says',
      exchanged(['airspeed-indicator']),
      ['opened-w: test-needed-after-work~ 3024 [w] test-static-system'],
    ],
    [
      'an altimeter needs its own test too',
      exchanged(['altimeter']),
      [
        'opened-w: test-needed-after-work~ 3024 [w] test-static-system',
        'altimeter-static: inspection-unknown?~ 3024 [] test-altimeter-static',
      ],
      ['inspections (altimeter-static)'],
    ],
    [
      'a transponder touches what it reports',
      exchanged(['transponder']),
      ['reporting-w: test-needed-after-work~ 3024 [w] test-altimeter-static'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['altimeter-static'], change);
    expect([said(decision), missed(decision)]).toEqual([lines, missing]);
  });
});
