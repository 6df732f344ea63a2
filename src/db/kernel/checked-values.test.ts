import { describe, expect, it } from 'vitest';
import { storedBoxes, storedCounts, storedReadings } from './checked-values';

describe('what is stored as a list', () => {
  const values = [{ meter: 'engine', value: 3600 }];
  const reading = { dial: 'tach', name: 'Tach', shown: '1.0', values };
  it('is read as it was written', () => {
    expect(storedReadings([reading])).toEqual([reading]);
    expect(storedCounts([{ meter: 'landings', offset: -3 }])).toEqual([{ meter: 'landings', offset: -3 }]);
  });
  // A row that is damaged, or that another program wrote: nothing may be decided from it.
  it.each<[about: string, read: (value: unknown) => unknown, value: unknown, says: string]>([
    ['readings that are no list', storedReadings, { 0: reading }, 'list of readings'],
    ['a reading that is none', storedReadings, [null], 'stored reading'],
    ['a reading without its meter', storedReadings, [{ ...reading, dial: undefined }], 'reading’s meter'],
    ['a reading that is a number', storedReadings, [{ ...reading, shown: 1 }], 'stored reading'],
    ['a reading of nothing', storedReadings, [{ ...reading, values: null }], 'what meters stood at'],
    [
      'a meter that is not known',
      storedReadings,
      [{ ...reading, values: [{ meter: 'warp', value: 1 }] }],
      'meter',
    ],
    [
      'a figure that is a text',
      storedReadings,
      [{ ...reading, values: [{ meter: 'engine', value: '1' }] }],
      'figure',
    ],
    ['a count without its offset', storedCounts, [{ meter: 'engine' }], 'offset'],
    ['a count of no meter', storedCounts, [{ offset: 1 }], 'meter'],
    ['uses that are no list', storedBoxes, 'all', 'approved uses'],
  ])('%s is an error and never a guess', (_, read, value, says) => {
    expect(() => read(value)).toThrow(says);
  });
});
