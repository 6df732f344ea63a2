import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import { coreFlight } from '@/testing/core-flight';
import { addSeconds } from '../time/instant';
import { decideAhead, metersAt } from './ahead';
import { prepare } from './prepare';

const { facts, packs, asOf } = cleanCase({});
const prepared = prepare(facts, packs, asOf);
const flight = (id: string, startsIn: number, airborne: number) =>
  coreFlight(id, addSeconds(asOf, startsIn), airborne, airborne);

describe('a moment to come', () => {
  const now = prepared.meters['time-in-service'] ?? 0;
  const two = [flight('a', 3600, 3600), flight('b', 10_000, 1800)];

  it.each([
    ['before a flight', 0, 0],
    ['a moment before it ends', 7199, 0],
    ['as it ends', 7200, 3600],
    ['after both', 20_000, 5400],
  ])('%s, %i s from now, counts %i s more', (_, seconds, more) => {
    expect(metersAt(prepared, two, addSeconds(asOf, seconds))['time-in-service']).toBe(now + more);
  });
  it('does not know a meter that is not known now', () => {
    const unknown = { ...prepared, meters: { ...prepared.meters, landings: null } };
    expect(metersAt(unknown, two, addSeconds(asOf, 20_000)).landings).toBeNull();
  });
  it('closes what an inspection by hours closes, from the flight on that reaches it and not before', () => {
    const left = decideAhead(prepared, [], asOf).firstLimit.hours;
    if (left?.currency !== 'hours') throw new Error('the clean case has a limit in hours ahead');
    const reaches = [flight('long', 3600, left.left)];
    const [ends] = reaches.map((one) => one.ends);
    if (ends === undefined) throw new Error('there is a flight');
    const inForce = (seconds: number) =>
      decideAhead(prepared, reaches, addSeconds(ends, seconds)).constraints.some(
        ({ id }) => id === left.constraint.id,
      );
    expect([inForce(-1), inForce(0)]).toEqual([false, true]);
  });
  it('is never one before what is known', () => {
    expect(() => decideAhead(prepared, [], addSeconds(asOf, -1))).toThrow(RangeError);
  });
});
