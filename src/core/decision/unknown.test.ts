import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { questionOf } from '@/contracts/exchange/case-facts';
import { caseSchema, type CaseFile } from '@/contracts/exchange/case-file';
import { mergePatch, type Json } from '@/contracts/kernel/merge-patch';
import { isWithin } from '../envelope/use-set';
import { decide } from './decide';

const FOLDER = 'examples/cases';
const whole = (name: string): Json => {
  const { extends: base, ...rest } = JSON.parse(readFileSync(`${FOLDER}/${name}.json`, 'utf8')) as {
    readonly [key: string]: Json;
  };
  return typeof base === 'string' ? mergePatch(whole(base), rest) : rest;
};

/** Every member of a case, as the keys that lead to it. */
function members(value: Json, path: readonly string[] = []): readonly (readonly string[])[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return [];
  return Object.entries(value).flatMap(([key, below]) => [
    [...path, key],
    ...members(below as Json, [...path, key]),
  ]);
}

function without(value: Json, [key, ...rest]: readonly string[]): Json {
  if (key === undefined || typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const object = value as { readonly [name: string]: Json };
  if (rest.length === 0) return Object.fromEntries(Object.entries(object).filter(([name]) => name !== key));
  return { ...object, [key]: without(object[key] ?? null, rest) };
}

/** Facts whose absence states something by itself, as the format's page says of each: leaving them out is no loss of knowledge. */
const STATES_BY_ABSENCE = [
  /^aircraft\.measured/,
  /^aircraft\.fuel\.minimum$/,
  /^aircraft\.programme$/,
  /^discrepancies/,
  /^work/,
  /^flightsOut/,
  /^dispatchRestrictions/,
  /^towRopes\.[^.]+\.(gliderLink|tugLink)$/,
  /^releases\.[^.]+\.required/,
  /\.uses$/,
  /^documents\.[^.]+\.ended/,
  /^estimates/,
  /^about$/,
  /^(ads|items)\.[^.]+$/,
  // Rules of the club that are not chosen do not hold.
  /^packs/,
];

const asked = (given: CaseFile) => {
  const { facts, packs, asOf } = questionOf(given);
  return decide(facts, packs, null, asOf);
};

describe('a fact that is taken away', () => {
  it.each([
    'clean-trainer',
    'clean-tourer',
    'clean-tug',
    'clean-glider',
    'clean-light-sport',
    'clean-experimental',
    'clean-release',
    'ad-recurring',
    'item-last-month',
    'life-limit-landings',
    'oil-change-mixed',
    'progressive-programme',
    'inoperative-deferred',
    'permit-ferry',
    'check-flight-flown',
    'second-inspection-done',
    'elt-removed',
  ])('%s: opens nothing, wherever it stood', (name) => {
    const given = whole(name);
    const before = asked(caseSchema.parse(given));
    let decided = 0;
    for (const path of members(given)) {
      const at = path.join('.');
      if (STATES_BY_ABSENCE.some((one) => one.test(at))) continue;
      const less = caseSchema.safeParse(without(given, path));
      if (!less.success) continue;
      decided += 1;
      const after = asked(less.data);
      // Compared within what it had before: an aircraft of which less is approved has less to open.
      expect([at, isWithin(after.open, before.open)]).toEqual([at, true]);
    }
    expect(decided).toBeGreaterThan(40);
  });

  it.each(['inoperative-deferred', 'check-flight-flown', 'second-inspection-done'])(
    '%s: nor does one inside of what was done',
    (name) => {
      const given = whole(name);
      const before = asked(caseSchema.parse(given)).open;
      const inside = members(given).filter((path) =>
        /^(discrepancies\.[^.]+\.(deferral|rectification)|work\.[^.]+)\./.test(path.join('.')),
      );
      expect(inside.length).toBeGreaterThan(8);
      for (const path of inside) {
        const less = caseSchema.safeParse(without(given, path));
        if (less.success)
          expect([path.join('.'), isWithin(asked(less.data).open, before)]).toEqual([path.join('.'), true]);
      }
    },
  );
});
