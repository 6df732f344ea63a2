// What several rules stand on, looked at by itself: who is told what, and which record decides, where a rule's own tests have one record only.
import { describe, expect, it } from 'vitest';
import { cleanCase, decideBy, said } from '@/testing/clean-case';
import { seen as on } from '@/testing/rules/equipment';
import { back, dip, flight, ramp, seen, clean } from '@/testing/rules/ramp';
import type { Change } from '@/testing/lesson';
import { ALL_USES, NO_USES, usesIn } from '../envelope/use-set';
import { knownAt, presentFor, type KnownFacts } from '../records/facts';
import { civilDate } from '../time/civil-date';
import { endOfDay } from '../time/zone';
import { constraint, MECHANICS, remedy, type Constraint } from './parts/constraint';
import { closesAtLater, remediesAt } from './parts/due';
import { isRemovedElt } from './parts/elt-uses';
import { drainsOf } from './parts/fuel-drains';
import { fuelAboard } from './parts/fuel-aboard';
import type { Reason } from './parts/reason';
import { each } from './parts/rule';

const known = (change: Change = {}) => {
  const { facts, asOf } = cleanCase(change);
  return knownAt(facts, presentFor(facts, asOf), 'us');
};
const source = { kind: 'regulation', citation: 'none: a test' } as const;
const reason: Reason = { code: 'items-unknown' };

describe('what records of one moment say', () => {
  const says = (key: string, change: Partial<Constraint> = {}): Constraint => ({
    ...constraint({ key, certainty: 'failed', source, reason, closes: ALL_USES, remedies: [] }),
    ...change,
  });
  const keys = (records: readonly (readonly Constraint[])[]) =>
    each(records, (record) => record).map(({ key }) => key);

  it('is all of it, also where one record says two things', () => {
    expect(keys([])).toEqual([]);
    expect(keys([[says('a'), says('a')]])).toEqual(['a', 'a']);
    expect(keys([[says('a')], [says('b')]])).toEqual(['a', 'b']);
  });
  it('is said once where both say the same, whatever record it rests on', () => {
    expect(keys([[says('a', { records: ['one'] })], [says('a', { records: ['two'] })]])).toEqual(['a']);
  });
  it.each<[string, Partial<Constraint>]>([
    ['closes something else', { closes: NO_USES }],
    ['has another way out', { remedies: [remedy('complete-item', MECHANICS, 'x')] }],
    ['is not known', { certainty: 'unknown' }],
  ])('has a key of its own where it %s', (_, change) => {
    expect(keys([[says('a')], [says('a', change)]])).toEqual(['a', 'a~2']);
    // A third that differs from both, and one that is like the second.
    expect(keys([[says('a')], [says('a', change)], [says('a', { condition: true })]])).toEqual([
      'a',
      'a~2',
      'a~3',
    ]);
    expect(keys([[says('a')], [says('a', change)], [says('a', change)]])).toEqual(['a', 'a~2']);
  });
  it('does not take a key that only begins or ends alike for the same', () => {
    expect(keys([[says('a')], [says('ab', { closes: NO_USES })], [says('ba', { closes: NO_USES })]])).toEqual(
      ['a', 'ab', 'ba'],
    );
  });
  it('tells two remedies for different things apart', () => {
    const with2 = (what: string) => says('a', { remedies: [remedy('complete-item', MECHANICS, what)] });
    expect(keys([[with2('x')], [with2('y')]])).toEqual(['a', 'a~2']);
  });
});

describe('a finding on an ELT that was taken away since', () => {
  const removal = (day: string, change: Change = {}) => ({
    ...on(day),
    state: 'removed-for-repair',
    removedOn: day,
    removalEntered: true,
    removalPlacarded: true,
    ...change,
  });
  const finding = (equipment: readonly string[]) => ({
    d: {
      ...on('2026-11-09'),
      what: 'No signal in the self test',
      classification: 'deferral-path',
      equipment: [...equipment],
    },
  });
  it.each<[string, readonly string[], Change, boolean]>([
    ['is told by the ELT’s own rule', ['elt'], { elt: removal('2026-11-10') }, true],
    ['stays where it was taken away before', ['elt'], { elt: removal('2026-11-08') }, false],
    ['stays where both are of one moment', ['elt'], { elt: removal('2026-11-09') }, false],
    [
      'stays where it is about something else too',
      ['elt', 'transponder'],
      { elt: removal('2026-11-10') },
      false,
    ],
    ['stays where it is about something else', ['transponder'], { elt: removal('2026-11-10') }, false],
    ['stays where the ELT came back', ['elt'], { elt: { ...removal('2026-11-10'), state: 'fitted' } }, false],
    [
      'stays where two records of one moment differ',
      ['elt'],
      { elt: removal('2026-11-10'), other: { ...removal('2026-11-10'), state: 'fitted' } },
      false,
    ],
    [
      'goes by the latest record',
      ['elt'],
      { elt: { ...removal('2026-11-10'), state: 'fitted' }, other: removal('2026-11-11') },
      true,
    ],
  ])('%s', (_, equipment, elts, wanted) => {
    const facts = known({ discrepancies: finding(equipment), elts });
    const [discrepancy] = facts.discrepancies;
    if (discrepancy === undefined) throw new Error('the finding is not there');
    expect(isRemovedElt(discrepancy, facts)).toBe(wanted);
  });
  it('stays where no ELT is on record', () => {
    const facts = known({ discrepancies: finding(['elt']), elts: null });
    expect(facts.discrepancies.map((one) => isRemovedElt(one, facts))).toEqual([false]);
  });
  it('stays for the rule as well', () => {
    const lines = (elts: Change) =>
      said(decideBy(['inoperative-equipment'], { discrepancies: finding(['elt']), elts }));
    expect(lines({ elt: removal('2026-11-10') })).toEqual([]);
    expect(lines({ elt: removal('2026-11-08') })).not.toEqual([]);
  });
});

describe('drains', () => {
  const sampled = (samples: Change, drains: readonly string[] | null) => {
    const facts = known({
      ramp: { measurements: {}, samples },
      aircraft: { fuel: { drains: drains === null ? null : [...drains] } },
    });
    return drainsOf(facts).map(({ drain, samples: of }) => [drain, of.map(({ id }) => id).sort()]);
  };
  const of = (drain: string | null) => ({ ...seen('24T12:40'), result: 'clean', drain });

  it('are those on record, each with its own samples, those of every drain and those of nobody knows which', () => {
    expect(
      sampled({ l: of('left'), r: of('right'), e: of('every'), n: of(null) }, ['left', 'right', 'strainer']),
    ).toEqual([
      ['left', ['e', 'l', 'n']],
      ['right', ['e', 'n', 'r']],
      ['strainer', ['e', 'n']],
    ]);
  });
  it('are, where none is on record, those that somebody named in their order, once each, and whatever others there are', () => {
    expect(
      sampled({ r: of('right'), l: of('left'), l2: of('left'), e: of('every'), n: of(null) }, null),
    ).toEqual([
      ['left', ['e', 'l', 'l2', 'n']],
      ['right', ['e', 'n', 'r']],
      [null, ['e', 'n']],
    ]);
    expect(sampled({ e: of('every') }, null)).toEqual([[null, ['e']]]);
  });
  it('are the same where nobody looked and where nothing of the fuel is on record', () => {
    const drains = (change: Change) => drainsOf(known(change)).map(({ drain }) => drain);
    expect(drains({ ramp: null })).toEqual(['left', 'right', 'strainer']);
    expect(drains({ ramp: null, aircraft: { fuel: null } })).toEqual([null]);
  });
});

describe('fuel aboard by dips', () => {
  const litres = (change: Change, starts: Parameters<typeof fuelAboard>[1] = null) => {
    const found = fuelAboard(known(change), starts);
    return found === null ? null : [...found.records].sort();
  };
  it('is that of every tank, each by its latest dip', () => {
    expect(litres({ ...ramp(dip(6, 6)) })).toEqual(['left', 'right']);
    expect(
      litres({
        ramp: {
          measurements: { ...dip(6, 6), later: { ...dip(5).left, ...seen('24T12:35') } },
          samples: clean,
        },
      }),
    ).toEqual(['later', 'right']);
  });
  it.each<[string, Change]>([
    ['nobody looked', { ramp: null }],
    ['there are no figures of the tanks', { ...ramp(dip(6, 6)), aircraft: { fuel: null } }],
    ['a tank was not dipped', ramp({ left: dip(6).left })],
    ['it was flown since', { ...ramp(dip(6, 6)), ...back('24T12:31') }],
  ])('is nobody’s to say where %s', (_, change) => {
    expect(litres(change)).toBeNull();
  });
  it('of an earlier day says nothing of a flight, and something of no flight', () => {
    const { facts, flight: planned } = cleanCase({ ...ramp(dip(6, 6, '23T12:30')), ...flight() });
    const all = knownAt(facts, presentFor(facts, cleanCase().asOf), 'us');
    expect(planned).not.toBeNull();
    expect(fuelAboard(all, planned?.starts ?? null)).toBeNull();
    expect(fuelAboard(all)).not.toBeNull();
  });
  it('counts the lower of two dips of one moment, whichever is on record first', () => {
    const volume = (first: number, second: number) =>
      fuelAboard(
        known({
          ramp: {
            measurements: { ...dip(first, 6), z: { ...dip(second).left } },
            samples: clean,
          },
        }),
      )?.volume;
    expect(volume(6, 4)).toBe(volume(4, 6));
    expect(volume(6, 4)).toBe(fuelAboard(known(ramp(dip(4, 6))))?.volume);
  });
});

describe('limits of which the later decides', () => {
  const parts = {
    key: 'k',
    source,
    records: ['r'],
    closes: usesIn({ light: ['night'] }),
    remedies: [],
    permitMayCover: true,
  };
  const words = {
    at: (): Reason => ({ code: 'items-unknown' }),
    after: (): Reason => ({ code: 'elt-unknown' }),
  };
  const facts = known();
  const hours = facts.meters['time-in-service'];
  if (hours.state !== 'known') throw new Error('the clean case knows its hours');
  const now = hours.value;
  const day = civilDate('2026-12-31');
  const over = endOfDay(day, facts.place.zone);
  const tell = (lastDay: typeof day | null, ...at: readonly (number | null)[]) => {
    const meters = at.map((value, index) => ({
      meter: index === 0 ? ('time-in-service' as const) : ('landings' as const),
      at: value,
    }));
    const found = closesAtLater(facts, { lastDay, meters }, words, parts);
    return found === null ? null : [found.key, found.begins.kind, found.notBefore, found.reason.code];
  };
  it('are none where nothing is known', () => {
    expect(tell(null)).toBeNull();
    expect(tell(null, null)).toBeNull();
  });
  it('are the day where no reading is, or where the reading has come', () => {
    expect(tell(day)).toEqual(['k.date', 'instant', null, 'elt-unknown']);
    expect(tell(day, null)).toEqual(['k.date', 'instant', null, 'elt-unknown']);
    expect(tell(day, now)).toEqual(['k.date', 'instant', null, 'elt-unknown']);
    expect(tell(day, now - 1)).toEqual(['k.date', 'instant', null, 'elt-unknown']);
  });
  it('are the reading, and not before the day, where it is ahead', () => {
    expect(tell(day, now + 1)).toEqual(['k.time-in-service', 'meter', over, 'items-unknown']);
  });
  it('are the reading alone where there is no day, ahead or not', () => {
    expect(tell(null, now + 1)).toEqual(['k.time-in-service', 'meter', null, 'items-unknown']);
    expect(tell(null, now - 1)).toEqual(['k.time-in-service', 'meter', null, 'items-unknown']);
  });
  it('go by a reading that nobody knows: it may have come', () => {
    const { landings } = facts.meters;
    expect(landings.state).not.toBe('known');
    expect(tell(day, now - 1, 5)).toEqual(['k.landings', 'meter', over, 'items-unknown']);
  });
});

describe('remedies of a limit on a meter', () => {
  const acts = (facts: KnownFacts, at: number) =>
    remediesAt(facts, 'time-in-service', at, []).map(({ act }) => act);
  const standing = (facts: KnownFacts) => {
    const [most, read] = [facts.meters['time-in-service'], facts.accounted['time-in-service']];
    if (most.state !== 'known' || read.state !== 'known') throw new Error('the hours are known here');
    return [most.value, read.value] as const;
  };
  it('are to read the meters where only a flight that nobody read has reached it', () => {
    const facts = known(back('24T13:00'));
    const [most, read] = standing(facts);
    expect(facts.unread).toHaveLength(1);
    expect(most).toBeGreaterThan(read);
    expect(acts(facts, most)).toEqual(['record-meter-reading']);
    expect(acts(facts, read + 1)).toEqual(['record-meter-reading']);
    // The reading has reached it as well; and nothing has.
    expect(acts(facts, read)).toEqual([]);
    expect(acts(facts, most + 1)).toEqual([]);
  });
  it('are those of the limit alone where all is read', () => {
    const facts = known();
    const [most] = standing(facts);
    expect(facts.unread).toEqual([]);
    expect(acts(facts, most)).toEqual([]);
  });
});
