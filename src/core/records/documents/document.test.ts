import { describe, expect, it } from 'vitest';
import { addSeconds, instant } from '../../time/instant';
import { latestDocumentCheck, latestDocumentChecks, type AircraftDocument } from './document';

const NOON = instant('2026-11-24T12:00:00Z');
const licence = (id: string, change: Partial<AircraftDocument> = {}): AircraftDocument =>
  ({
    kind: 'radio-licence',
    id,
    happenedAt: NOON,
    recordedAt: NOON,
    aboard: true,
    legible: true,
    ...change,
  }) as AircraftDocument;
const later = addSeconds(NOON, 60);
const weighing = {
  ...licence('w', { happenedAt: addSeconds(NOON, 600) }),
  kind: 'weight-and-balance',
  datedOn: null,
} as AircraftDocument;

const latest = (...documents: readonly AircraftDocument[]) =>
  latestDocumentCheck(documents, 'radio-licence')?.id;
const counting = (...documents: readonly AircraftDocument[]) =>
  latestDocumentChecks(documents, 'radio-licence').map(({ id }) => id);

describe('the latest document check', () => {
  it.each<[string, readonly AircraftDocument[], string | undefined]>([
    ['nobody looked', [], undefined],
    ['nobody looked for this one', [weighing], undefined],
    ['the one that happened later', [licence('a', { happenedAt: later }), licence('b')], 'a'],
    ['of one moment the one recorded later', [licence('a', { recordedAt: later }), licence('b')], 'a'],
    [
      'when it happened comes before when it was recorded',
      [licence('a', { happenedAt: later }), licence('b', { recordedAt: addSeconds(later, 60) })],
      'a',
    ],
    ['of one moment altogether the id that comes last', [licence('a'), licence('b')], 'b'],
    ['whatever was looked for besides', [licence('a'), weighing], 'a'],
  ])('%s', (_, documents, id) => {
    expect([latest(...documents), latest(...[...documents].reverse())]).toEqual([id, id]);
  });
});

describe('the checks of that moment', () => {
  it.each<[string, readonly AircraftDocument[], readonly string[]]>([
    ['nobody looked', [weighing], []],
    ['one', [licence('a'), licence('b', { happenedAt: later }), weighing], ['b']],
    [
      'two of one moment, whenever they were recorded',
      [licence('a'), licence('b', { recordedAt: later })],
      ['a', 'b'],
    ],
    ['the one that somebody vouched for', [licence('a', { vouched: true }), licence('b')], ['a']],
    [
      'both that somebody vouched for',
      [licence('a', { vouched: true }), licence('b', { vouched: true })],
      ['a', 'b'],
    ],
    ['one that waits is none vouched for', [licence('a', { vouched: false }), licence('b')], ['a', 'b']],
  ])('%s', (_, documents, ids) => {
    expect(counting(...documents)).toEqual(ids);
    expect([...counting(...[...documents].reverse())].sort()).toEqual([...ids].sort());
  });
});
