import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'vitest';
import { questionOf } from '@/contracts/exchange/case-facts';
import type { Json } from '@/contracts/kernel/merge-patch';
import { decidePrepared } from '@/core/decision/decide';
import { plansForFlight, plansForWanted, plansToRelease } from '@/core/decision/in-the-way';
import { prepare } from '@/core/decision/prepare';
import { timeline } from '@/core/decision/timeline';
import { isWithin } from '@/core/envelope/use-set';
import { addSeconds } from '@/core/time/instant';
import { decisionDocument } from '@/explain/decision-document';
import { explain, sentences } from '@/explain/tree';
import { CaseRefused, readCase, resolved } from './read-case';

const FOLDER = 'examples/cases';
const CASES: readonly Json[] = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.json'))
  .map((name) => resolved(JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as Json, FOLDER));

/** A small generator of its own, so that a failure can be repeated by its seed. */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const ODD: readonly Json[] = [
  null,
  '',
  ' ',
  'x'.repeat(5000),
  0,
  -1,
  1e21,
  0.1,
  4207.215,
  1e-7,
  true,
  false,
  [],
  {},
  [null],
  { id: null },
  '2026-02-30',
  '2026-11-24',
  '2199-12-31',
  '1900-01-01',
  '2026-11-24T13:00:00Z',
  '2199-12-31T23:59:59Z',
  '1900-01-01T00:00:00Z',
  'no-expiry',
  '__proto__',
  'constructor',
  'all',
  'night',
  'N02TB',
  200_000,
  200_000.01,
  36_600,
  '\u0000',
  '🛩',
];

// Each a copy: two changes must not put one object into itself.
const odd = (random: () => number): Json => structuredClone(ODD[Math.floor(random() * ODD.length)] ?? null);

type Tree = { [key: string]: Json } | Json[];
const isTree = (value: Json | undefined): value is Tree => typeof value === 'object' && value !== null;

/** Changes something somewhere: takes a member out, puts something odd in, doubles it under another name, or swaps two members. */
export function damaged(value: Json, random: () => number): Json {
  const copy = structuredClone(value) as Tree;
  const changes = 1 + Math.floor(random() * 3);
  for (let change = 0; change < changes; change += 1) {
    let node: Tree = copy;
    for (let depth = 0; depth < 8; depth += 1) {
      const below = Object.values(node).filter(isTree);
      const next = below[Math.floor(random() * below.length)];
      if (next === undefined || random() < 0.25) break;
      node = next;
    }
    const keys = Object.keys(node);
    const key = keys[Math.floor(random() * keys.length)];
    const object = node as { [key: string]: Json };
    const pick = random();
    if (key === undefined || pick < 0.1) object[`new${change}`] = odd(random);
    else if (pick < 0.35) {
      if (Array.isArray(node)) node.splice(Number(key), 1);
      else Reflect.deleteProperty(node, key);
    } else if (pick < 0.8) object[key] = odd(random);
    else if (pick < 0.9) object[`${key}2`] = object[key] ?? null;
    else {
      const other = keys[Math.floor(random() * keys.length)] ?? key;
      const held = object[key] ?? null;
      object[key] = object[other] ?? null;
      object[other] = held;
    }
  }
  return copy as Json;
}

const DATES: readonly Json[] = [
  '1900-01-01',
  '1979-03-01',
  '2016-02-29',
  '2024-12-31',
  '2026-10-02',
  '2026-11-23',
  '2026-11-24',
  '2026-11-25',
  '2027-03-31',
  '2199-12-31',
];
const MOMENTS: readonly Json[] = [
  '1900-01-01T00:00:00Z',
  '2026-03-08T06:00:00Z',
  '2026-11-01T05:30:00Z',
  '2026-11-23T12:00:00Z',
  '2026-11-24T12:59:59Z',
  '2026-11-24T13:00:00Z',
  '2026-11-24T13:00:01Z',
  '2199-12-31T23:59:59Z',
];

/** Changes a leaf to another of its own kind, or takes it out: such a case mostly still fits the format. */
export function nudged(value: Json, random: () => number): Json {
  const copy = structuredClone(value) as Tree;
  const leaves: { readonly node: { [key: string]: Json }; readonly key: string }[] = [];
  const visit = (node: Tree): void => {
    for (const [key, below] of Object.entries(node))
      if (isTree(below)) visit(below);
      else leaves.push({ node: node as { [key: string]: Json }, key });
  };
  visit(copy);
  for (let change = 0; change < 1 + Math.floor(random() * 4); change += 1) {
    const leaf = leaves[Math.floor(random() * leaves.length)];
    if (leaf === undefined) continue;
    const { node, key } = leaf;
    const before = node[key];
    const one = (list: readonly Json[]): Json => list[Math.floor(random() * list.length)] ?? null;
    if (!Array.isArray(node) && random() < 0.25) Reflect.deleteProperty(node, key);
    else if (typeof before === 'boolean') node[key] = !before;
    else if (typeof before === 'number')
      node[key] = one([
        0,
        1,
        2,
        before + 1,
        Math.max(0, before - 1),
        Math.round(before * 2 * 100) / 100,
        12,
        4150.3,
        199_999,
      ]);
    else if (typeof before === 'string' && /^\d{4}-\d\d-\d\dT/.test(before)) node[key] = one(MOMENTS);
    else if (typeof before === 'string' && /^\d{4}-\d\d-\d\d$/.test(before)) node[key] = one(DATES);
  }
  return copy as Json;
}

/**
 * Changes examples again and again: each is refused with a path and words, or decided and told.
 * @param change how one is changed @param rounds how often @param seed another seed makes other changes @returns how many were refused and how many decided
 */
export function fuzz(
  change: (value: Json, random: () => number) => Json,
  rounds: number,
  seed: number,
): { readonly refused: number; readonly decided: number } {
  const random = randomFrom(seed);
  let refused = 0;
  let decided = 0;
  for (let round = 0; round < rounds; round += 1) {
    const base = CASES[Math.floor(random() * CASES.length)];
    if (base === undefined) throw new Error('no cases');
    const given = change(base, random);
    try {
      decideAndTell(given, round % 5 === 0);
      decided += 1;
    } catch (error) {
      if (!(error instanceof CaseRefused)) {
        process.stderr.write(`round ${round}: ${JSON.stringify(given).slice(0, 3000)}\n`);
        throw error;
      }
      refused += 1;
      expect(error.problems.length).toBeGreaterThan(0);
      for (const { path, message } of error.problems) {
        expect(message).not.toBe('');
        expect(message).not.toBe('Invalid input');
        expect(typeof path).toBe('string');
      }
    }
  }
  return { refused, decided };
}

function decideAndTell(given: Json, whole: boolean): void {
  const question = questionOf(readCase(given, FOLDER));
  const { facts, packs, flight, wanted, asOf } = question;
  const prepared = prepare(facts, packs, asOf);
  const decision = decidePrepared(prepared, flight, asOf, undefined, wanted);
  expect(['Released', 'Restricted', 'Grounded']).toContain(decision.verdict);
  expect(isWithin(decision.open, decision.full)).toBe(true);
  if (!whole) return;
  const ways = {
    flight: plansForFlight(prepared, decision, flight),
    wanted: plansForWanted(prepared, decision),
    release: plansToRelease(prepared, decision),
  };
  expect(decisionDocument(decision, facts.place.zone, ways).format).toBe('groval-decision');
  expect(sentences(explain(decision, facts.place.zone, ways)).join('\n')).not.toMatch(
    /undefined|NaN|\[object/,
  );
  timeline(
    prepared,
    [...question.flights, ...(flight === null ? [] : [flight])],
    asOf,
    addSeconds(asOf, 400 * 86_400),
  );
}
