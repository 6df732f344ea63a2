import { describe, expect, it } from 'vitest';
import { decideBy, missed, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { seen, flight } from '@/testing/rules/ramp';
import type { Row } from '@/testing/rules/row';

const gone = (change: Change = {}) => ({
  elts: {
    elt: {
      ...seen('01T12:00'),
      state: 'removed-for-repair',
      removedOn: '2026-10-25',
      removalEntered: true,
      removalPlacarded: true,
      batteryReplaceBy: null,
      usedMinutes: null,
      ...change,
    },
  },
});
const either = (change: Change = {}) => ({
  aircraft: { approvedFor: 'all', ifrNavigation: 'either' },
  ...flight({ rules: 'ifr', ...change }),
});

describe('a flight without the ELT', () => {
  it.each<Row>([
    ['fitted', flight(), []],
    ['removed in time', { ...gone(), ...flight() }, []],
    [
      'not fitted, far unsaid',
      { ...gone({ state: 'not-fitted' }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'not fitted, within 50',
      { ...gone({ state: 'not-fitted' }), ...flight({ trainingWithin50Miles: true }) },
      [],
    ],
    [
      'not fitted, further',
      { ...gone({ state: 'not-fitted' }), ...flight({ trainingWithin50Miles: false }) },
      ['distance: elt-not-fitted 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed too long ago',
      { ...gone({ removedOn: '2026-08-25' }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, its last day over by the flight’s end',
      {
        ...gone({ removedOn: '2026-08-26' }),
        ...flight({ starts: '2026-11-25T03:00:00Z', ends: '2026-11-25T04:01:00Z' }),
      },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, ending with its last day',
      {
        ...gone({ removedOn: '2026-08-26' }),
        ...flight({ starts: '2026-11-25T03:00:00Z', ends: '2026-11-25T04:00:00Z' }),
      },
      [],
    ],
    [
      'removed, not entered',
      { ...gone({ removalEntered: false }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, not placarded',
      { ...gone({ removalPlacarded: null }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    [
      'removed, no day',
      { ...gone({ removedOn: null }), ...flight() },
      ['distance: elt-not-fitted? 1 [elt] reinstall-elt or state-for-flight(trainingWithin50Miles)'],
    ],
    ['a glider', { ...gone({ state: 'not-fitted' }), aircraft: { category: 'glider' }, ...flight() }, []],
    ['one seat', { ...gone({ state: 'not-fitted' }), aircraft: { seats: 1 }, ...flight() }, []],
    ['none on record', { elts: null, ...flight() }, [], ['elts']],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['elt'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('a flight and who has the aircraft', () => {
  it.each<Row>([
    ['here', flight(), []],
    [
      'out',
      { flightsOut: { f: { ...seen('24T12:00'), by: 'Rosa Dane' } }, ...flight() },
      ['out: aircraft-out 1 [f] record-return(f)'],
    ],
    [
      'two out',
      {
        flightsOut: {
          f: { ...seen('24T12:00'), by: 'Rosa Dane' },
          g: { ...seen('24T12:01'), by: 'Pia Okoro' },
        },
        ...flight(),
      },
      ['out: aircraft-out 1 [f] record-return(f)'],
    ],
    ['as many as there are seats', flight({ persons: 4 }), []],
    ['one more', flight({ persons: 5 }), ['seats: cap-passed! 1 [] change-flight(persons)']],
    [
      'seats unknown',
      { aircraft: { seats: null }, ...flight({ persons: 2 }) },
      ['seats: particular-unknown? 1 [] record-particulars(seats)'],
    ],
    ['nobody said how many', { aircraft: { seats: null }, ...flight() }, []],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['open-flights', 'approved-uses'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});

describe('what instruments rely on', () => {
  it.each<Row>([
    ['visual flight', { ...either({ rules: 'vfr' }) }, []],
    [
      'nobody said',
      either(),
      [
        'check: vor-check-unknown? 1 [] check-vor or state-for-flight(reliesOnVor)',
        'navigation: database-unknown? 1 [] update-database or state-for-flight(reliesOnDatabase)',
      ],
    ],
    [
      'on receivers alone',
      either({ reliesOnVor: true, reliesOnDatabase: false }),
      ['check: vor-check-unknown? 1 [] check-vor'],
    ],
    [
      'on the database alone',
      either({ reliesOnVor: false, reliesOnDatabase: true }),
      ['navigation: database-unknown? 1 [] update-database'],
    ],
    [
      'on neither',
      either({ reliesOnVor: false, reliesOnDatabase: false }),
      [
        'neither: flight-leaves-open?! 1 [] state-for-flight(reliesOnVor) or state-for-flight(reliesOnDatabase)',
        'neither: flight-leaves-open?! 1 [] state-for-flight(reliesOnVor) or state-for-flight(reliesOnDatabase)',
      ],
    ],
    [
      'receivers checked, over by the end',
      {
        ...either({
          reliesOnVor: true,
          reliesOnDatabase: false,
          starts: '2026-11-25T03:00:00Z',
          ends: '2026-11-25T04:01:00Z',
        }),
        vorChecks: {
          r: {
            happenedAt: '2026-10-25T12:00:00Z',
            recordedAt: '2026-10-25T12:05:00Z',
            method: 'dual',
            errorDegrees: 4,
            place: 'Tern Bay',
            signedBy: 'A. Verin',
          },
        },
      },
      ['check: vor-check-expires 1 [r] check-vor'],
    ],
    [
      'receivers checked, ending in time',
      {
        ...either({
          reliesOnVor: true,
          reliesOnDatabase: false,
          starts: '2026-11-25T03:00:00Z',
          ends: '2026-11-25T04:00:00Z',
        }),
        vorChecks: {
          r: {
            happenedAt: '2026-10-25T12:00:00Z',
            recordedAt: '2026-10-25T12:05:00Z',
            method: 'dual',
            errorDegrees: 4,
            place: 'Tern Bay',
            signedBy: 'A. Verin',
          },
        },
      },
      [],
    ],
    [
      'not by either',
      { ...either({ reliesOnVor: true }), aircraft: { approvedFor: 'all', ifrNavigation: 'vor-only' } },
      [],
      ['vorChecks'],
    ],
    [
      'a database that is not yet',
      {
        ...either({ reliesOnVor: false, reliesOnDatabase: true }),
        databases: { d: { ...seen('20T12:00'), content: 'navigation', effectiveOn: '2026-11-26' } },
      },
      ['not-yet: database-not-yet 1 [d] update-database'],
    ],
    [
      'obstacles are no navigation',
      {
        ...either({ reliesOnVor: false, reliesOnDatabase: true }),
        databases: { d: { ...seen('20T12:00'), content: 'obstacles', effectiveOn: '2026-10-29' } },
      },
      ['navigation: database-unknown? 1 [] update-database'],
    ],
  ])('%s', (_, change, lines, missing = []) => {
    const decision = decideBy(['vor-check', 'navigation-database'], change);
    expect([said({ constraints: decision.flight?.own ?? [] }), missed(decision)]).toEqual([lines, missing]);
  });
});
