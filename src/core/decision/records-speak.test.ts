import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { questionOf, type CaseQuestion } from '@/contracts/exchange/case-facts';
import { caseSchema } from '@/contracts/exchange/case-file';
import { mergePatch, type Json } from '@/contracts/kernel/merge-patch';
import { isWithin, sameUses } from '../envelope/use-set';
import type { AircraftFacts } from '../records/facts';
import { addDays, civilDate } from '../time/civil-date';
import { addSeconds } from '../time/instant';
import { decide } from './decide';
import type { Decision } from './decision';

const FOLDER = 'examples/cases';
const whole = (name: string): Json => {
  const { extends: base, ...rest } = JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as {
    readonly [key: string]: Json;
  };
  return typeof base === 'string' ? mergePatch(whole(`${base}.json`), rest) : rest;
};
const CASES: readonly (readonly [string, CaseQuestion])[] = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.json'))
  .map((name) => [name, questionOf(caseSchema.parse(whole(name)))]);

const LONG_AGO = -3650;
const LONG_PAST = civilDate('2000-01-01');
const answers = ({ packs, flight, wanted, asOf }: CaseQuestion, facts: AircraftFacts) =>
  decide(facts, packs, flight, asOf, wanted);
const RANK = { yes: 2, 'yes-after': 1, no: 0 } as const;
/** Nothing that was closed is open now, and no flight is answered better. A permit opens by itself what it covers. */
const opensNothing = (before: Decision, after: Decision): boolean =>
  isWithin(after.open, before.open)
  && (before.flight === null
    || after.flight === null
    || RANK[after.flight.answer] <= RANK[before.flight.answer])
  && (before.wanted === null
    || after.wanted === null
    || RANK[after.wanted.answer] <= RANK[before.wanted.answer]);
/** Ids of records that something in force rests on: they speak against the aircraft, and without them it may be open. */
const speaksAgainst = (decision: Decision): ReadonlySet<string> =>
  new Set(
    [
      ...decision.constraints,
      ...(decision.flight?.own ?? []),
      ...(decision.flight?.exceedances.map(({ constraint }) => constraint) ?? []),
    ].flatMap(({ records }) => records),
  );

interface Named {
  readonly id: string;
}
type Change = readonly [what: string, facts: AircraftFacts];
const without = <T extends Named>(records: readonly T[], id: string): readonly T[] =>
  records.filter((one) => one.id !== id);
const swapped = <T extends Named>(records: readonly T[], id: string, change: (one: T) => T): readonly T[] =>
  records.map((one) => (one.id === id ? change(one) : one));
const older = <
  T extends {
    readonly happenedAt: AircraftFacts['documents'][number]['happenedAt'];
    readonly recordedAt: AircraftFacts['documents'][number]['recordedAt'];
  },
>(
  one: T,
): T => ({
  ...one,
  happenedAt: addSeconds(one.happenedAt, LONG_AGO * 86_400),
  recordedAt: addSeconds(one.recordedAt, LONG_AGO * 86_400),
});

/** Each record that may speak for the aircraft, taken away, aged by ten years, or without its signature. */
function* lessSaid(facts: AircraftFacts, against: ReadonlySet<string>): Generator<Change> {
  const { ramp } = facts;
  for (const { id } of facts.documents) {
    if (against.has(id)) continue;
    yield [`document ${id} gone`, { ...facts, documents: without(facts.documents, id) }];
    yield [`document ${id} aged`, { ...facts, documents: swapped(facts.documents, id, older) }];
  }
  for (const { id } of facts.inspections) {
    if (against.has(id)) continue;
    yield [`inspection ${id} gone`, { ...facts, inspections: without(facts.inspections, id) }];
    yield [
      `inspection ${id} unsigned`,
      { ...facts, inspections: swapped(facts.inspections, id, (one) => ({ ...one, signedBy: null })) },
    ];
    yield [
      `inspection ${id} aged`,
      {
        ...facts,
        inspections: swapped(facts.inspections, id, (one) => ({
          ...one,
          completedOn: addDays(one.completedOn, LONG_AGO),
          recordedAt: addSeconds(one.recordedAt, LONG_AGO * 86_400),
        })),
      },
    ];
  }
  for (const { id, done } of facts.items ?? [])
    for (const one of done) {
      if (!against.has(one.id))
        yield [
          `done ${one.id} unsigned`,
          {
            ...facts,
            items: swapped(facts.items ?? [], id, (item) => ({
              ...item,
              done: swapped(item.done, one.id, (entry) => ({ ...entry, signedBy: null })),
            })),
          },
        ];
    }
  for (const { id } of facts.work)
    if (!against.has(id))
      yield [
        `work ${id} unsigned`,
        { ...facts, work: swapped(facts.work, id, (one) => ({ ...one, signedBy: null })) },
      ];
  for (const { id, rectification, deferral } of facts.discrepancies) {
    if (rectification !== null)
      yield [
        `repair of ${id} unsigned`,
        {
          ...facts,
          discrepancies: swapped(facts.discrepancies, id, (one) => ({
            ...one,
            rectification: { ...rectification, signedBy: null },
          })),
        },
      ];
    if (deferral !== null)
      yield [
        `deferral of ${id} undetermined`,
        {
          ...facts,
          discrepancies: swapped(facts.discrepancies, id, (one) => ({
            ...one,
            deferral: { ...deferral, noHazard: null },
          })),
        },
      ];
  }
  for (const { id } of facts.vorChecks)
    if (!against.has(id))
      yield [
        `VOR check ${id} unsigned`,
        { ...facts, vorChecks: swapped(facts.vorChecks, id, (one) => ({ ...one, signedBy: null })) },
      ];
  for (const { id } of facts.elts)
    if (!against.has(id)) yield [`ELT ${id} gone`, { ...facts, elts: without(facts.elts, id) }];
  for (const { id } of facts.equipment)
    if (!against.has(id))
      yield [`equipment list ${id} gone`, { ...facts, equipment: without(facts.equipment, id) }];
  for (const { id } of facts.dailyInspections)
    if (!against.has(id))
      yield [
        `daily inspection ${id} unsigned`,
        {
          ...facts,
          dailyInspections: swapped(facts.dailyInspections, id, (one) => ({ ...one, signedBy: null })),
        },
      ];
  for (const { id } of facts.permits)
    if (!against.has(id)) yield [`permit ${id} gone`, { ...facts, permits: without(facts.permits, id) }];
  if (ramp === null) return;
  for (const { id } of ramp.measurements) {
    if (against.has(id)) continue;
    yield [
      `measurement ${id} gone`,
      { ...facts, ramp: { ...ramp, measurements: without(ramp.measurements, id) } },
    ];
    yield [
      `measurement ${id} aged`,
      { ...facts, ramp: { ...ramp, measurements: swapped(ramp.measurements, id, older) } },
    ];
  }
  for (const { id, result } of ramp.samples) {
    if (against.has(id) || result !== 'clean') continue;
    yield [`sample ${id} gone`, { ...facts, ramp: { ...ramp, samples: without(ramp.samples, id) } }];
    yield [`sample ${id} aged`, { ...facts, ramp: { ...ramp, samples: swapped(ramp.samples, id, older) } }];
  }
}

/** Two records of one moment: the facts with both, and with the contrary one alone. */
type Contrary = readonly [what: string, both: AircraftFacts, alone: AircraftFacts];

/** Each record once more at the same moment, saying the contrary; under an id that comes first and one that comes last. */
function* contradicted(facts: AircraftFacts): Generator<Contrary> {
  const { ramp } = facts;
  type Key =
    | 'documents'
    | 'inspections'
    | 'equipment'
    | 'elts'
    | 'vorChecks'
    | 'clubDocuments'
    | 'towRopes'
    | 'flightsOut';
  for (const id of ['!', '~']) {
    const of = function* <K extends Key>(
      key: K,
      what: string,
      contrary: (one: AircraftFacts[K][number]) => object | null,
    ): Generator<Contrary> {
      const records = facts[key] as readonly AircraftFacts[K][number][];
      for (const one of records) {
        const change = contrary(one);
        if (change === null) continue;
        const other = { ...one, ...change, id };
        yield [
          `${one.id} ${what}`,
          { ...facts, [key]: [...records, other] },
          { ...facts, [key]: records.map((record) => (record === one ? other : record)) },
        ];
      }
    };
    yield* of('documents', 'not aboard', (one) => ({
      aboard: false,
      vouched: false,
      ...(one.kind === 'cabin-tank-form-337' ? { tankFitted: null } : {}),
    }));
    yield* of('documents', 'not readable', () => ({ legible: null }));
    yield* of('documents', 'of another aircraft', (one) =>
      one.kind === 'airworthiness-certificate' || one.kind === 'registration-certificate'
        ? { registrationShown: 'N99XX' }
        : null,
    );
    yield* of('documents', 'expired', (one) =>
      one.kind === 'registration-certificate'
        ? { printedExpiry: addDays(one.issuedOn ?? LONG_PAST, 1) }
        : null,
    );
    yield* of('inspections', 'refused', () => ({ outcome: 'discrepancies-listed', listCleared: null }));
    yield* of('equipment', 'with nothing fitted', (one) => ({
      items: one.items.map((line) => ({ ...line, fitted: false })),
    }));
    yield* of('elts', 'not fitted', () => ({ state: 'not-fitted' }));
    yield* of('elts', 'with a battery that is over', (one) =>
      one.state === 'fitted' ? { batteryReplaceBy: LONG_PAST } : null,
    );
    yield* of('vorChecks', 'too far off', () => ({ error: 900 }));
    yield* of('clubDocuments', 'over', () => ({ validUntil: LONG_PAST }));
    yield* of('towRopes', 'knotted', () => ({ sound: false }));
    yield* of('flightsOut', 'back before it left', (one) => ({
      returned: { recordedAt: one.recordedAt, at: addSeconds(one.happenedAt, -60) },
    }));
    if (ramp === null) continue;
    for (const one of ramp.measurements)
      for (const value of [0, one.value * 1000]) {
        const other = { ...one, id, value };
        yield [
          `measurement ${one.id} ${value}`,
          { ...facts, ramp: { ...ramp, measurements: [...ramp.measurements, other] } },
          {
            ...facts,
            ramp: {
              ...ramp,
              measurements: ramp.measurements.map((record) => (record === one ? other : record)),
            },
          },
        ];
      }
    for (const one of ramp.samples)
      for (const result of ['dirt', 'clean', 'wrong-smell'] as const) {
        const other = { ...one, id, result };
        yield [
          `sample ${one.id} ${result}`,
          { ...facts, ramp: { ...ramp, samples: [...ramp.samples, other] } },
          {
            ...facts,
            ramp: { ...ramp, samples: ramp.samples.map((record) => (record === one ? other : record)) },
          },
        ];
      }
  }
}

/** The same facts with every record under another name, in the contrary order of names. Methods, tanks and drains are no records. */
function renamed<T>(value: T, path = ''): T {
  if (Array.isArray(value)) return value.map((one) => renamed(one as unknown, path)) as unknown as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, part]) => [
      key,
      (key === 'id' || key === 'record')
      && typeof part === 'string'
      && !/methods|aircraft|required/.test(path)
        ? otherName(part)
        : renamed(part as unknown, `${path}/${key}`),
    ]),
  ) as T;
}
const otherName = (id: string): string =>
  `r${[...id].map((letter) => String(999 - letter.charCodeAt(0))).join('-')}`;

describe('every example', () => {
  let [taken, added] = [0, 0];
  it.each(CASES)('%s: what speaks for it, taken away, aged or unsigned, opens nothing', (_, question) => {
    const before = answers(question, question.facts);
    for (const [what, facts] of lessSaid(question.facts, speaksAgainst(before))) {
      taken += 1;
      expect([what, opensNothing(before, answers(question, facts))]).toEqual([what, true]);
    }
  });
  it.each(CASES)(
    '%s: of two records of one moment the stricter holds, whatever their names',
    (_, question) => {
      const before = answers(question, question.facts);
      // Alone it is answered once, whatever its name: that names change nothing is said below.
      const answered = new Map<string, Decision>();
      for (const [what, both, alone] of contradicted(question.facts)) {
        added += 1;
        const after = answers(question, both);
        const other = answered.get(what) ?? answers(question, alone);
        answered.set(what, other);
        expect([what, opensNothing(before, after), opensNothing(other, after)]).toEqual([what, true, true]);
      }
    },
  );
  it.each(CASES)('%s: other names of its records change nothing', (_, question) => {
    const [a, b] = [answers(question, question.facts), answers(question, renamed(question.facts))];
    const told = ({ verdict, constraints, limits, flight, wanted }: Decision) => ({
      verdict,
      codes: constraints.map(({ reason, certainty }) => `${reason.code} ${certainty}`).sort(),
      limits: limits.map(({ currency, at }) => `${currency} ${at}`).sort(),
      flight: flight?.answer,
      wanted: wanted?.answer,
    });
    expect([told(b), sameUses(a.open, b.open)]).toEqual([told(a), true]);
  });
  it('was tried with many', () => {
    expect([taken > 2000, added > 4000]).toEqual([true, true]);
  });
});
