import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hours } from '../../quantities/hours';
import { instant } from '../../time/instant';
import { boxAhead, withBoxes, type BoxReading } from './box-reading';
import type { Standings } from './meter-reading';

const SEEN = instant('2026-11-24T12:00:00Z');
const known = (value: string) => ({ state: 'known', value: hours(value), from: 'r', readAt: SEEN }) as const;
const meters = (service: Standings['time-in-service']): Standings => ({
  'time-in-service': service,
  engine: known('900'),
  propeller: known('5'),
  block: known('4200'),
  landings: { state: 'unknown' },
  cycles: { state: 'unknown' },
  'tow-launches': { state: 'unknown' },
});
const counted = (value: string, id = value): BoxReading => ({
  id,
  box: 'b',
  value: hours(value),
  happenedAt: SEEN,
  recordedAt: SEEN,
});
const unknown = { state: 'unknown' } as const;
const disputed = {
  state: 'contradiction',
  earlier: 'a',
  later: 'b',
  earlierValue: hours('2'),
  laterValue: hours('1'),
  highest: hours('2'),
} as const;

// That a box is a witness beside the meters is common practice, no source.
describe('what boxes counted beside the meters', () => {
  it('brings the time in service to the highest that any of them says, and nothing else', () => {
    expect(
      withBoxes(meters(known('4150.3')), [counted('4150.9'), counted('4152.1'), counted('4151')]),
    ).toEqual({
      ...meters(known('4150.3')),
      'time-in-service': { state: 'known', value: hours('4152.1'), from: '4152.1', readAt: SEEN },
    });
  });
  it.each([
    ['less', '4149'],
    ['the same', '4150.3'],
  ])('changes nothing where it is %s', (_, value) => {
    const given = meters(known('4150.3'));
    expect(withBoxes(given, [counted(value)])).toBe(given);
  });
  it('changes nothing where there is none', () => {
    const given = meters(known('4150.3'));
    expect(withBoxes(given, [])).toBe(given);
  });
  it.each([
    ['makes nothing known', unknown],
    ['settles no contradiction', disputed],
  ])('%s', (_, service) => {
    const given = meters(service);
    expect(withBoxes(given, [counted('4152.1')])).toBe(given);
  });
  it('never says less than the meters', () => {
    const tenths = fc.integer({ min: 0, max: 99_999 }).map((n) => (n / 10).toFixed(1));
    fc.assert(
      fc.property(tenths, fc.array(tenths, { maxLength: 6 }), (service, values) => {
        const answer = withBoxes(
          meters(known(service)),
          values.map((value, n) => counted(value, String(n))),
        )['time-in-service'];
        expect(answer.state === 'known' ? answer.value : null).toBe(
          Math.max(hours(service), ...values.map((value) => hours(value))),
        );
      }),
    );
  });
  it.each([
    ['more', known('4152.3'), known('4150.3'), 7200],
    ['the same', known('4150.3'), known('4150.3'), null],
    ['less', known('4150.2'), known('4150.3'), null],
    ['more than nothing known', known('4150.3'), unknown, null],
    ['nothing', unknown, known('4150.3'), null],
  ] as const)('are ahead by %s', (_, all, own, seconds) => {
    expect(boxAhead(meters(all), meters(own))).toBe(seconds);
  });
});

describe('by how much the boxes are ahead', () => {
  it.each<[string, Standings['time-in-service'], Standings['time-in-service'], number | null]>([
    ['counted more', known('11'), known('10'), hours('1')],
    ['counted the same', known('10'), known('10'), null],
    ['counted less', known('9'), known('10'), null],
    ['nothing is on record', known('11'), unknown, null],
    ['nothing is known', unknown, known('10'), null],
    ['the record contradicts itself', disputed, known('10'), null],
    ['the record contradicted itself before', known('11'), disputed, null],
  ])('%s', (_, all, own, ahead) => {
    expect(boxAhead(meters(all), meters(own))).toBe(ahead);
  });
  it.each([
    ['unknown', unknown],
    ['disputed', disputed],
  ])('a box alone settles nothing: %s', (_, service) => {
    const standing = meters(service);
    expect(withBoxes(standing, [counted('9999')])).toBe(standing);
  });
});
