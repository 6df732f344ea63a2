import { describe, expect, it } from 'vitest';
import { instant } from '../../time/instant';
import { zone } from '../../time/zone';
import { chronicDefects, type Occurrence } from './chronic';

const ZONE = zone('America/New_York');
const HOUR = 3600;
let count = 0;

/** Found on a day of 2026 at a time in service in hours, and returned to service the day after unless told otherwise. */
function time(day: string, flown: number | null, more: Partial<Occurrence> = {}): Occurrence {
  count += 1;
  const at = instant(`2026-${day}T15:00:00Z`);
  return {
    id: `o${count}`,
    aircraftId: 'a',
    part: 'X001',
    what: 'Nose tyre flat',
    side: null,
    at,
    flown: flown === null ? null : flown * HOUR,
    returned: {
      at: instant(`2026-${day}T21:00:00Z`),
      flown: flown === null ? null : flown * HOUR,
      work: 'repaired',
    },
    ...more,
  };
}
const hours = (entries: Record<string, number>) =>
  new Map(Object.entries(entries).map(([id, each]) => [id, each * HOUR] as const));
const FLEET = hours({ a: 300, b: 400, c: 500 });
const because = (all: readonly Occurrence[], flown = FLEET) =>
  chronicDefects(all, flown, ZONE).map((one) => [one.aircraftId, one.times.length, ...one.because]);

describe('a chronic defect', () => {
  const often = [time('02-01', 100), time('05-01', 200), time('08-01', 300)];

  it('comes more often than on the other aircraft, by the whole interval', () => {
    expect(because(often)).toEqual([['a', 3, 'often']]);
    const [found] = chronicDefects(often, FLEET, ZONE);
    expect(found?.rate?.rate).toBeCloseTo(3 / (300 * HOUR), 12);
    expect(found?.others).toMatchObject({ events: 0, exposure: 900 * HOUR });
  });
  it('does not where the others have as many, in as many hours', () => {
    const others = ['b', 'c'].flatMap((aircraftId) =>
      often.map((one) => ({ ...one, id: `${one.id}${aircraftId}`, aircraftId })),
    );
    expect(because([...often, ...others])).toEqual([]);
  });
  it('is not a matter of times alone: twice is none, and three times in most of the hours flown is none', () => {
    expect(because(often.slice(1))).toEqual([]);
    expect(because(often, hours({ a: 900, b: 50 }))).toEqual([]);
  });
  it('without other aircraft is known by its return alone', () => {
    expect(because(often, hours({ a: 300 }))).toEqual([]);
    expect(because([time('02-01', 100), time('02-20', 124.9)], hours({ a: 300 }))).toEqual([
      ['a', 2, 'back-soon'],
    ]);
  });
  it('is back within 25 hours in service of its return, not after them', () => {
    expect(because([time('02-01', 100), time('02-20', 125)])).toEqual([['a', 2, 'back-soon']]);
    expect(because([time('02-01', 100), time('02-20', 125.1)])).toEqual([]);
    expect(because([time('02-01', null), time('02-20', 101)])).toEqual([]);
  });
  it('counts from the return to service, not from when it was found', () => {
    const long = time('02-01', 100);
    const returned = { at: instant('2026-04-01T15:00:00Z'), flown: 140 * HOUR, work: 'repaired' as const };
    expect(because([{ ...long, returned }, time('04-20', 160)])).toEqual([['a', 2, 'back-soon']]);
  });
  it('on one side is not the one on the other; where nobody said a side it may be', () => {
    const [left, right] = [time('02-01', 100, { side: 'left' }), time('02-20', 101, { side: 'right' })];
    expect(because([left, right])).toEqual([]);
    expect(because([left, { ...right, side: null }])).toEqual([['a', 2, 'back-soon']]);
  });
  it('of another part or another aircraft is none', () => {
    expect(because([time('02-01', 100), time('02-20', 101, { part: 'X002' })])).toEqual([]);
    expect(because([time('02-01', 100), time('02-20', 101, { aircraftId: 'b' })])).toEqual([]);
  });
  it('counts once what was reported again while it was open, or twice on one day', () => {
    const open = time('02-01', 100, { returned: null });
    expect(because([open, time('03-01', 110), time('04-01', 120), time('05-01', 130)])).toEqual([]);
    expect(because([time('02-01', 100), time('02-01', 100), time('02-01', 100)])).toEqual([]);
  });
  it('is there where twice no fault was found', () => {
    const none = { at: instant('2026-02-02T15:00:00Z'), flown: null, work: 'no-fault-found' as const };
    const later = { ...none, at: instant('2026-06-02T15:00:00Z') };
    expect(because([time('02-01', 10, { returned: none }), time('06-01', 100, { returned: later })])).toEqual(
      [['a', 2, 'no-fault-found']],
    );
    expect(because([time('02-01', 10, { returned: none }), time('06-01', 100)])).toEqual([]);
  });
  it('stands the higher the surer it is', () => {
    const surer = [...often, time('10-01', 380)].map((one) => ({ ...one, id: `${one.id}s`, part: 'X003' }));
    expect(chronicDefects([...often, ...surer], FLEET, ZONE).map(({ part }) => part)).toEqual([
      'X003',
      'X001',
    ]);
  });
});
