// What was known at a moment: over everything in all example cases that says when it was written down.
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { questionOf } from '@/contracts/exchange/case-facts';
import { caseSchema } from '@/contracts/exchange/case-file';
import { mergePatch, type Json } from '@/contracts/kernel/merge-patch';
import { cleanCase } from '@/testing/clean-case';
import { civilDate } from '../time/civil-date';
import { addSeconds, instant, type Instant } from '../time/instant';
import {
  knownAt,
  lastReturn,
  latestAll,
  latestOf,
  presentFor,
  type AircraftFacts,
  type KnownFacts,
} from './facts';

const FOLDER = 'examples/cases';
const whole = (name: string): Json => {
  const { extends: base, ...rest } = JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as {
    readonly [key: string]: Json;
  };
  return typeof base === 'string' ? mergePatch(whole(`${base}.json`), rest) : rest;
};
const EXAMPLES = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.json'))
  .map((name) => [name, questionOf(caseSchema.parse(whole(name))).facts] as const);

/** Boxes, unlogged time and descriptions are on record in no case, nor is a restriction that was lifted, or a task of a release that was certified. */
const SEEN = instant('2026-11-20T12:00:00Z');
const [RELEASE] = EXAMPLES.flatMap(([, { releases }]) => releases);
const BY_HAND: AircraftFacts = {
  ...cleanCase().facts,
  descriptions: [
    {
      id: 'd',
      recordedAt: SEEN,
      category: 'standard',
      firstFlownOn: civilDate('1979-03-01'),
      approvedFor: null,
      particulars: cleanCase().facts.aircraft.particulars,
    },
  ],
  boxReadings: [
    { id: 'b', box: 'box', happenedAt: SEEN, recordedAt: SEEN, value: 3600 },
  ] as unknown as AircraftFacts['boxReadings'],
  dispatchRestrictions: [
    { id: 'w', happenedAt: SEEN, recordedAt: SEEN, withdrawn: { recordedAt: SEEN, by: 'M', why: 'over' } },
  ] as unknown as AircraftFacts['dispatchRestrictions'],
  releases: [
    {
      ...RELEASE,
      required: [
        { id: 't', what: 'Hose', certified: { on: civilDate('2026-11-20'), recordedAt: SEEN } },
        { id: 'v', what: 'Filter', certified: { on: civilDate('2026-11-20'), recordedAt: SEEN } },
      ],
    },
  ] as unknown as AircraftFacts['releases'],
  unlogged: [
    { id: 'u', happenedAt: SEEN, recordedAt: SEEN, seconds: 360, unseen: [], said: { recordedAt: SEEN } },
  ] as unknown as AircraftFacts['unlogged'],
};

type Path = readonly (string | number)[];
const isTree = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;
/** Where something says when it was written down. */
function* written(value: unknown, path: Path = []): Generator<Path> {
  if (!isTree(value)) return;
  if ('recordedAt' in value && value['recordedAt'] !== undefined) yield path;
  for (const [key, below] of Object.entries(value)) yield* written(below, [...path, key]);
}
function changed<T>(value: T, [key, ...rest]: Path, change: (part: object) => object): T {
  if (key === undefined) return change(value as object) as T;
  const part = (value as Record<string, unknown>)[key];
  if (Array.isArray(value))
    return value.map((one: unknown, at) =>
      at === Number(key) ? changed(one, rest, change) : one,
    ) as unknown as T;
  return { ...value, [key]: changed(part, rest, change) };
}
function partAt(value: unknown, path: Path): unknown {
  let part = value;
  for (const key of path) part = (part as Record<string, unknown>)[key];
  return part;
}
const patternOf = (path: Path) => path.filter((part) => !/^\d+$/.test(String(part))).join('.');

/** One of each kind of place, from whichever example has it. */
const PLACES = new Map<string, readonly [facts: AircraftFacts, path: Path]>();
for (const [, facts] of [...EXAMPLES, ['by hand', BY_HAND] as const])
  for (const path of written(facts))
    if (!PLACES.has(patternOf(path))) PLACES.set(patternOf(path), [facts, path]);

const LATER = instant('2031-05-06T07:08:09Z');
const before = addSeconds(LATER, -1);
/** Whether anything that was written down at a moment is in what was known; descriptions and strikes are read by their own times. */
const isIn = ({ descriptions: _, strikes: __, ...known }: KnownFacts, moment: Instant): boolean =>
  [...written(known)].some(
    (path) => (partAt(known, path) as { readonly recordedAt: Instant }).recordedAt === moment,
  );
const later = ([facts, path]: readonly [AircraftFacts, Path]) =>
  changed(facts, path, (part) => ({ ...part, recordedAt: LATER }));

describe('what is written down later', () => {
  it('is looked for in every kind of record, and in what is inside of records', () => {
    expect([...PLACES.keys()].sort()).toEqual([
      'ads',
      'ads.done',
      'boxReadings',
      'clubDocuments',
      'dailyInspections',
      'databases',
      'descriptions',
      'discrepancies',
      'discrepancies.deferral',
      'discrepancies.rectification',
      'dispatchRestrictions',
      'dispatchRestrictions.withdrawn',
      'documents',
      'elts',
      'equipment',
      'flightsOut',
      'flightsOut.returned',
      'fuelStretches',
      'inspections',
      'inspections.listCleared',
      'items',
      'items.done',
      'permits',
      'ramp.announced',
      'ramp.measurements',
      'ramp.samples',
      'ramp.samples.cleared',
      'ramp.uplifts',
      'ramp.walkround',
      'readings',
      'releases',
      'releases.required.certified',
      'riggings',
      'towRopes',
      'unlogged',
      'unlogged.said',
      'vorChecks',
      'work',
      'work.checkFlight',
      'work.independentInspection',
    ]);
  });
  it.each([...PLACES])('%s: is not known before, and is from that moment on', (pattern, place) => {
    if (pattern === 'descriptions') return;
    const facts = later(place);
    expect([isIn(knownAt(facts, before, 'us'), LATER), isIn(knownAt(facts, LATER, 'us'), LATER)]).toEqual([
      false,
      true,
    ]);
  });
  it.each([...PLACES])(
    '%s: a clock that was ahead moves the present on to it, and never back',
    (_, place) => {
      const facts = later(place);
      expect([presentFor(facts, before), presentFor(facts, addSeconds(LATER, 1))]).toEqual([
        LATER,
        addSeconds(LATER, 1),
      ]);
    },
  );
});

/** Whether a record is among what was known. */
const has = ({ descriptions: _, strikes: __, ...known }: KnownFacts, id: string): boolean =>
  [...written(known)].some((path) => (partAt(known, path) as { readonly id?: string }).id === id);

describe('what is struck out', () => {
  /** What somebody found, what somebody closed, and what nobody can strike. */
  const STAYS = ['discrepancies', 'dispatchRestrictions', 'descriptions', 'boxReadings'];
  const strikable = [...PLACES].filter(
    ([pattern, [facts, path]]) =>
      !STAYS.includes(pattern) && (partAt(facts, path) as { readonly id?: string }).id !== undefined,
  );
  it.each(strikable)('%s: counts until then and not from then on', (_, [facts, path]) => {
    const { id } = partAt(facts, path) as { readonly id: string };
    const struck = {
      ...facts,
      strikes: [{ id: 's', record: id, recordedAt: LATER }] as unknown as AircraftFacts['strikes'],
    };
    expect([has(knownAt(struck, before, 'us'), id), has(knownAt(struck, LATER, 'us'), id)]).toEqual([
      true,
      false,
    ]);
  });
  it('a box takes with it all that it sent', () => {
    const struck = {
      ...BY_HAND,
      strikes: [{ id: 's', record: 'box', recordedAt: LATER }] as unknown as AircraftFacts['strikes'],
    };
    expect([
      knownAt(struck, before, 'us').boxReadings.length,
      knownAt(struck, LATER, 'us').boxReadings.length,
    ]).toEqual([1, 0]);
  });
  it('a finding and a dispatch restriction stay: a repair closes the one, and lifting it the other', () => {
    for (const pattern of ['discrepancies', 'dispatchRestrictions'] as const) {
      const [facts] = PLACES.get(pattern) ?? [];
      if (facts === undefined) throw new Error(`no example has ${pattern}`);
      const strikes = facts[pattern].map(({ id }) => ({ id: `s${id}`, record: id, recordedAt: LATER }));
      const struck = { ...facts, strikes: strikes as unknown as AircraftFacts['strikes'] };
      expect(knownAt(struck, LATER, 'us')[pattern].map(({ id }) => id)).toEqual(
        facts[pattern].map(({ id }) => id),
      );
    }
  });
});
describe('what the aircraft is', () => {
  const described = (recordedAt: string, category: string) =>
    ({ ...BY_HAND.descriptions[0], recordedAt: instant(recordedAt), category }) as never;
  const facts: AircraftFacts = {
    ...BY_HAND,
    // They stand as they were written down, whatever their clocks say.
    descriptions: [
      described('2026-11-20T12:00:00Z', 'standard'),
      described('2026-11-22T12:00:00Z', 'experimental'),
    ],
  };
  const at = (text: string) => knownAt(facts, instant(text), 'us').aircraft;
  it('is what was last said of it by then, and nothing but its registration before', () => {
    expect([
      at('2026-11-20T11:59:59.999Z').category,
      at('2026-11-20T12:00:00Z').category,
      at('2026-11-22T11:59:59.999Z').category,
      at('2026-11-22T12:00:00Z').category,
    ]).toEqual([null, 'standard', 'standard', 'experimental']);
    expect(at('2026-11-20T11:59:59.999Z')).toMatchObject({
      registration: facts.aircraft.registration,
      approvedFor: null,
      firstFlownOn: null,
    });
  });
  it('is what the case says where nobody ever described it', () => {
    const { facts: undescribed } = cleanCase();
    expect(knownAt(undescribed, SEEN, 'us').aircraft).toBe(undescribed.aircraft);
  });
});

describe('a copy from the paper logbook', () => {
  const vouchedAt = (recordedAt: Instant) => {
    const { facts } = cleanCase();
    const [first, ...rest] = facts.inspections;
    if (first?.signedBy == null) throw new Error('nobody signed the first inspection');
    const vouched = { by: 'v', recordedAt };
    return {
      ...facts,
      inspections: [{ ...first, signedBy: { ...first.signedBy, vouched } }, ...rest],
    } as unknown as AircraftFacts;
  };
  it('counts from the moment at which somebody vouched for it', () => {
    const signed = (moment: Instant) =>
      knownAt(vouchedAt(LATER), moment, 'us').inspections[0]?.signedBy?.vouched;
    expect([signed(before), signed(LATER)]).toEqual(['nobody', { by: 'v', recordedAt: LATER }]);
  });
  it('moves the present on to that moment too', () => {
    expect(presentFor(vouchedAt(LATER), before)).toBe(LATER);
  });
});

describe('the last of several', () => {
  const record = (id: string, happened: number, recorded = happened) => ({
    id,
    happenedAt: addSeconds(SEEN, happened),
    recordedAt: addSeconds(SEEN, recorded),
  });
  const last = (...records: readonly ReturnType<typeof record>[]) => latestOf(records)?.id ?? null;
  it('is that which happened last, of one moment that written down last, then that of the last id', () => {
    expect([
      last(),
      last(record('a', 2), record('b', 1, 9)),
      last(record('b', 1, 9), record('a', 2)),
      last(record('b', 1, 2), record('a', 1, 3)),
      last(record('a', 1, 3), record('b', 1, 2)),
      last(record('a', 1), record('b', 1)),
      last(record('b', 1), record('a', 1)),
    ]).toEqual([null, 'a', 'a', 'a', 'a', 'b', 'b']);
  });
  it('are all those of the last moment where the stricter is to hold', () => {
    const all = [record('a', 1), record('b', 2), record('c', 2, 9), record('d', 0)];
    expect([latestAll(all).map(({ id }) => id), latestAll([])]).toEqual([['b', 'c'], []]);
  });
  it('return counts, and one that is still out is none', () => {
    const flight = (at: number | null) => ({ returned: at === null ? null : { at: addSeconds(SEEN, at) } });
    const back = (...times: readonly (number | null)[]) =>
      lastReturn({ flightsOut: times.map(flight) as unknown as AircraftFacts['flightsOut'] });
    expect([back(), back(null), back(1, 3, 2, null), back(null, 2)]).toEqual([
      null,
      null,
      addSeconds(SEEN, 3),
      addSeconds(SEEN, 2),
    ]);
  });
});
