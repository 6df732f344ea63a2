import { describe, expect, it } from 'vitest';
import { OTHER_KINDS } from './other-kinds';
import { storedBody } from './other-bodies';

const elt = {
  id: 'e',
  happenedAt: 1,
  recordedAt: 2,
  state: 'fitted',
  batteryReplaceBy: '2027-01-31',
  usedSeconds: 0,
  removedOn: null,
  removalEntered: null,
  removalPlacarded: null,
};

describe('the stored body of a record', () => {
  it('is what was written, also without what may be absent', () => {
    expect(storedBody('elt', elt, 'r')).toEqual(elt);
    expect('noHazard' in storedBody('elt', elt, 'r')).toBe(false);
  });
  it.each<[string, unknown, string]>([
    ['no fields', null, 'it holds no fields'],
    ['a text', 'elt', 'it holds no fields'],
    ['a list', [elt], 'it holds no fields'],
    ['no id', { ...elt, id: undefined }, 'id'],
    // Of some fields null is no limit: what is not there is not null.
    ['no field that may be unknown', { ...elt, usedSeconds: undefined }, 'usedSeconds'],
    ['null where nothing is unknown', { ...elt, recordedAt: null }, 'recordedAt'],
    ['a text for a figure', { ...elt, usedSeconds: '0' }, 'usedSeconds'],
    ['a figure for a text', { ...elt, state: 1 }, 'state'],
    ['a text for yes or no', { ...elt, removalEntered: 'yes' }, 'removalEntered'],
    ['a list for a group', { ...elt, noHazard: [] }, 'noHazard'],
  ])('with %s is not read: nothing is decided from it', (_, body, what) => {
    expect(() => storedBody('elt', body, 'r')).toThrow(`the stored record r (elt) cannot be read: ${what}`);
  });
  it('takes a text or a figure where either may stand, and nothing else', () => {
    const rope = {
      id: 'e',
      happenedAt: 1,
      recordedAt: 2,
      strength: 1100,
      sound: true,
      gliderLink: 'none',
      tugLink: 900,
      gliderWeight: 1040,
    };
    expect(storedBody('tow-rope', rope, 'r')).toEqual(rope);
    expect(() => storedBody('tow-rope', { ...rope, tugLink: true }, 'r')).toThrow('tugLink');
  });
  it.each(OTHER_KINDS)('of kind %s needs something', (kind) => {
    expect(() => storedBody(kind, {}, 'r')).toThrow('cannot be read');
  });
});
