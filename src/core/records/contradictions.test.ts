// Two times of one record that cannot both be right. Each row stands on one side of what is still possible.
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { questionOf } from '@/contracts/exchange/case-facts';
import { caseSchema } from '@/contracts/exchange/case-file';
import { mergePatch, type Json } from '@/contracts/kernel/merge-patch';
import { contradictions } from './contradictions';
import { knownAt } from './facts';

const whole = (name: string): Json => {
  const { extends: base, ...rest } = JSON.parse(readFileSync(`examples/cases/${name}.json`, 'utf8')) as {
    readonly [key: string]: Json;
  };
  return typeof base === 'string' ? mergePatch(whole(base), rest) : rest;
};
/** What is said of an example with some of it changed. */
function told(example: string, change: Json): readonly string[] {
  const { facts, asOf } = questionOf(caseSchema.parse(mergePatch(whole(example), change)));
  return contradictions(knownAt(facts, asOf, 'us')).map(({ id, kind, how }) => `${kind} ${id}: ${how}`);
}
/** Some of one record: `in('permits', 'permit', {…})`. */
const within = (list: string, id: string, change: Json): Json => ({ [list]: { [id]: change } });

const certified = (on: string): Json => ({
  on,
  recordedAt: '2026-03-11T18:00:00Z',
  by: {
    name: 'Owen Hart',
    certificate: {
      kind: 'licensed-engineer',
      number: 'L-77',
      validFrom: '2010-01-01',
      validUntil: 'no-expiry',
    },
  },
});

// Halifax is four hours behind UTC in November: the day of 2026-11-24 ends at 04:00 UTC on the 25th.
const ROWS: readonly (readonly [what: string, example: string, change: Json, expected: readonly string[]])[] =
  [
    [
      'a flight that is back at the moment it left',
      'aircraft-returned',
      within('flightsOut', 'earlier', {
        happenedAt: '2026-11-24T12:25:00Z',
        recordedAt: '2026-11-24T12:25:00Z',
      }),
      [],
    ],
    [
      'a flight that is back a second before it left',
      'aircraft-returned',
      within('flightsOut', 'earlier', {
        happenedAt: '2026-11-24T12:25:01Z',
        recordedAt: '2026-11-24T12:25:01Z',
      }),
      ['flight earlier: returned-before-it-left'],
    ],
    [
      'a return written down at its moment',
      'aircraft-returned',
      within('flightsOut', 'earlier', { returned: { at: '2026-11-24T12:30:00Z' } }),
      [],
    ],
    [
      'a return written down before its moment',
      'aircraft-returned',
      within('flightsOut', 'earlier', { returned: { at: '2026-11-24T12:30:01Z' } }),
      ['flight earlier: returned-after-recorded'],
    ],
    [
      'a restriction to its own moment',
      'restricted',
      within('dispatchRestrictions', 'wind', { until: '2026-11-24T11:00:00Z' }),
      [],
    ],
    [
      'a restriction to a second before its moment',
      'restricted',
      within('dispatchRestrictions', 'wind', { until: '2026-11-24T10:59:59Z' }),
      ['dispatch restriction wind: ends-before-it-begins'],
    ],
    ['a permit of one day', 'permit-ferry', within('permits', 'permit', { validUntil: '2026-11-24' }), []],
    [
      'a permit that ends the day before it begins',
      'permit-ferry',
      within('permits', 'permit', { validUntil: '2026-11-23' }),
      ['permit permit: ends-before-it-begins'],
    ],
    ['a permit without its last day', 'permit-ferry', within('permits', 'permit', { validUntil: null }), []],
    ['a permit without its first day', 'permit-ferry', within('permits', 'permit', { validFrom: null }), []],
    [
      'declared safe on the day after it was written down',
      'permit-ferry',
      within('permits', 'permit', { safeForFlight: { on: '2026-11-25' } }),
      ['permit permit: done-after-recorded'],
    ],
    [
      'a permit that nobody declared the aircraft safe for',
      'permit-ferry',
      within('permits', 'permit', { safeForFlight: null }),
      [],
    ],
    [
      'a list cleared on the day of the inspection',
      'hundred-hour-refused-cleared',
      within('inspections', 'hundred-2026-11', { listCleared: { on: '2026-11-23' } }),
      [],
    ],
    [
      'a list cleared the day before it',
      'hundred-hour-refused-cleared',
      within('inspections', 'hundred-2026-11', { listCleared: { on: '2026-11-22' } }),
      ['inspection hundred-2026-11: cleared-before-done'],
    ],
    [
      'a list cleared on the day after it was written down',
      'hundred-hour-refused-cleared',
      within('inspections', 'hundred-2026-11', { listCleared: { on: '2026-11-25' } }),
      ['inspection hundred-2026-11: done-after-recorded'],
    ],
    [
      'an inspection of the day on which it was written down',
      'hundred-hour-refused-cleared',
      within('inspections', 'hundred-2026-11', { recordedAt: '2026-11-24T03:59:59Z' }),
      [],
    ],
    [
      'an inspection of the day after',
      'hundred-hour-refused-cleared',
      within('inspections', 'hundred-2026-11', {
        completedOn: '2026-11-24',
        recordedAt: '2026-11-24T03:59:59Z',
      }),
      ['inspection hundred-2026-11: done-after-recorded'],
    ],
    [
      'work on an item on the day after it was written down',
      'item-last-month',
      within('items', 'prop', { done: { last: { completedOn: '2020-11-11' } } }),
      ['entry last: done-after-recorded'],
    ],
    [
      'compliance with an AD on the day after it was written down',
      'ad-recurring',
      within('ads', 'wing', { done: { first: { completedOn: '2025-11-25' } } }),
      ['entry first: done-after-recorded'],
    ],
    [
      'a repair of the day of the find',
      'discrepancy-repaired',
      within('discrepancies', 'nick', { rectification: { completedOn: '2026-11-23' } }),
      [],
    ],
    [
      'a repair of the day before the find',
      'discrepancy-repaired',
      within('discrepancies', 'nick', { rectification: { completedOn: '2026-11-22' } }),
      ['repair entry nick: done-before-found'],
    ],
    [
      'a repair written down before the find',
      'discrepancy-repaired',
      within('discrepancies', 'nick', { rectification: { recordedAt: '2026-11-23T11:59:59Z' } }),
      ['repair entry nick: done-before-found'],
    ],
    [
      'a repair on the day after it was written down',
      'discrepancy-repaired',
      within('discrepancies', 'nick', { rectification: { completedOn: '2026-11-24' } }),
      ['repair entry nick: done-after-recorded'],
    ],
    [
      'a deferral of the day before the find',
      'inoperative-deferred',
      within('discrepancies', 'light', { deferral: { deferredOn: '2026-11-22' } }),
      ['deferral light: done-before-found'],
    ],
    [
      'a deferral on the day after it was written down',
      'inoperative-deferred',
      within('discrepancies', 'light', { deferral: { deferredOn: '2026-11-24' } }),
      ['deferral light: done-after-recorded'],
    ],
    [
      'an ELT taken out on the day after it was written down',
      'elt-removed',
      within('elts', 'removed', { removedOn: '2026-08-27' }),
      ['elt removed: removed-after-recorded'],
    ],
    [
      'a second inspection before the work',
      'second-inspection-done',
      within('work', 'job', { independentInspection: { on: '2026-11-01' } }),
      ['work entry job: cleared-before-done'],
    ],
    [
      'a second inspection on the day after it was written down',
      'second-inspection-done',
      within('work', 'job', { independentInspection: { on: '2026-11-22' } }),
      ['work entry job: done-after-recorded'],
    ],
    ['work without its day', 'second-inspection-done', within('work', 'job', { completedOn: null }), []],
    ['a release of one day', 'clean-release', within('releases', 'release', { expiresOn: '2026-03-10' }), []],
    [
      'a release that expires before it is issued',
      'clean-release',
      within('releases', 'release', { expiresOn: '2026-03-09' }),
      ['maintenance release release: ends-before-it-begins'],
    ],
    [
      'a release without its last day',
      'clean-release',
      within('releases', 'release', { expiresOn: null }),
      [],
    ],
    [
      'a release without its first day',
      'clean-release',
      within('releases', 'release', { issuedOn: null }),
      [],
    ],
    [
      'a release of the day after it was written down',
      'clean-release',
      within('releases', 'release', { issuedOn: '2026-03-12' }),
      ['maintenance release release: done-after-recorded'],
    ],
    [
      'a task of a release certified on the day of issue',
      'clean-release',
      within('releases', 'release', { required: { hose: { certified: certified('2026-03-10') } } }),
      [],
    ],
    [
      'a task of a release certified the day before',
      'clean-release',
      within('releases', 'release', { required: { hose: { certified: certified('2026-03-09') } } }),
      ['maintenance release release: cleared-before-done'],
    ],
    ['fuel dealt with on the day on which it was found', 'fuel-suspect-dealt-with', {}, []],
    [
      'fuel dealt with the day before',
      'fuel-suspect-dealt-with',
      { ramp: { samples: { smell: { cleared: { on: '2026-11-23' } } } } },
      ['fuel smell: done-before-found'],
    ],
    [
      'fuel dealt with on the day after it was written down',
      'fuel-suspect-dealt-with',
      { ramp: { samples: { smell: { cleared: { on: '2026-11-25' } } } } },
      ['fuel smell: done-after-recorded'],
    ],
    [
      'fuel dealt with before it was found, by the clock',
      'fuel-suspect-dealt-with',
      { ramp: { samples: { smell: { cleared: { recordedAt: '2026-11-24T11:00:00Z' } } } } },
      ['fuel smell: done-before-found'],
    ],
  ];

describe('a record that contradicts itself', () => {
  it.each(ROWS)('%s', (_, example, change, expected) => {
    expect(told(example, change)).toEqual(expected);
  });
  it('no example does but those that are made to', () => {
    expect(told('clean-trainer', {})).toEqual([]);
    expect(told('clean-tourer', {})).toEqual([]);
    expect(told('clean-release', {})).toEqual([]);
  });
});

describe('a navigation database', () => {
  const dated = (effectiveOn: string | null, lastDay: string | null) => {
    const base = whole('clean-tourer') as { readonly databases: { readonly [id: string]: Json } };
    const [id = ''] = Object.keys(base.databases);
    return told('clean-tourer', { databases: { [id]: { effectiveOn, lastDay } } }).map((text) =>
      text.replace(id, 'it'),
    );
  };
  it.each([
    ['of one day', '2026-11-20', '2026-11-20', []],
    ['that ends before it begins', '2026-11-20', '2026-11-19', ['database it: ends-before-it-begins']],
    ['without its first day', null, '2026-11-19', []],
    ['without its last day', '2026-11-20', null, []],
  ] as const)('%s', (_, effectiveOn, lastDay, expected) => {
    expect(dated(effectiveOn, lastDay)).toEqual(expected);
  });
});
