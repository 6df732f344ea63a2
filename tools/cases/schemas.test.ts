import { readdirSync, readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import { questionOf } from '@/contracts/exchange/case-facts';
import { decide } from '@/core/decision/decide';
import { decisionDocument } from '@/explain/decision-document';
import type { Json } from '@/contracts/kernel/merge-patch';
import { SCHEMAS } from './published-schemas';
import { CaseRefused, readCase } from './read-case';

type Schema = { readonly [key: string]: unknown };
const schema = (name: string): Schema =>
  JSON.parse(SCHEMAS().find(({ file }) => file.includes(name))?.text ?? '{}') as Schema;
const examples = readdirSync('examples/cases').filter((name) => name.endsWith('.json'));
const example = (name: string): Json => JSON.parse(readFileSync(`examples/cases/${name}`, 'utf8')) as Json;
/** Reference: ajv, an independent JSON Schema implementation. Formats are not checked: the code's own errors say more. */
const validator = (name: string) =>
  new Ajv2020({ strict: false, validateFormats: false, allErrors: true }).compile(schema(name));

function undescribed(node: unknown, path: string): readonly string[] {
  if (typeof node !== 'object' || node === null) return [];
  return Object.entries(node).flatMap(([key, value]) => {
    const below = undescribed(value, `${path}/${key}`);
    if (key !== 'properties' || typeof value !== 'object' || value === null) return below;
    return [
      ...below,
      ...Object.entries(value as Schema)
        .filter(([, field]) => (field as Schema)['description'] === undefined)
        .map(([name]) => `${path}/${name}`),
    ];
  });
}

describe('the published schemas', () => {
  it.each(SCHEMAS().map(({ file, text }) => [file, text] as const))(
    '%s is what the code says',
    (file, text) => {
      expect(readFileSync(file, 'utf8')).toBe(text);
    },
  );
  it('describe every field of a case', () => {
    expect(undescribed(schema('case'), '')).toEqual([]);
    expect(JSON.stringify(schema('case')).split('"description"').length).toBeGreaterThan(100);
  });
});

describe('the example cases', () => {
  const asCase = validator('case');
  const asDecision = validator('decision');
  it('are seen', () => {
    expect(examples.length).toBeGreaterThanOrEqual(16);
  });
  it.each(examples)(
    '%s fits the schema, is decided as its name says, and its answer fits the published output',
    (name) => {
      const given = example(name);
      expect([asCase(given), asCase.errors ?? []]).toEqual([true, []]);
      const { facts, packs, flight, asOf, wanted } = questionOf(readCase(given, 'examples/cases'));
      const document = decisionDocument(decide(facts, packs, flight, asOf, wanted), facts.place.zone, {
        flight: null,
        wanted: null,
        release: null,
      });
      expect([asDecision(document), asDecision.errors ?? []]).toEqual([true, []]);
      const about = (given as { readonly about?: string }).about ?? '';
      const [, expected] = /→ (Released|Restricted|Grounded|yes-after|yes|no)$/.exec(about) ?? [];
      expect(expected, `the about of ${name} ends with what it shows`).toBeDefined();
      expect(document.flight?.answer ?? document.wanted?.answer ?? document.verdict).toBe(expected);
    },
  );
  it('show every rule answering met and not met', () => {
    const answers = new Map<string, Set<string>>();
    for (const name of examples) {
      const { facts, packs, flight, asOf, wanted } = questionOf(readCase(example(name), 'examples/cases'));
      const { rules, flight: answered } = decide(facts, packs, flight, asOf, wanted);
      for (const { id, answer } of rules) answers.set(id, (answers.get(id) ?? new Set()).add(answer));
      // Some rules speak only of a flight.
      for (const { rule, certainty } of answered?.own ?? [])
        answers.set(
          rule,
          (answers.get(rule) ?? new Set()).add(certainty === 'failed' ? 'closes' : 'unknown'),
        );
    }
    expect(answers.size).toBeGreaterThanOrEqual(38);
    // What a club wrote itself is shown by the case with its pack.
    for (const [id, seen] of answers)
      if (!id.startsWith('own.'))
        expect([id, seen.has('met'), seen.has('closes') || seen.has('unknown')]).toEqual([id, true, true]);
  });
  it('the schema refuses what the code refuses', () => {
    const clean = example('clean-trainer.json') as { readonly [key: string]: Json };
    for (const broken of [
      { ...clean, version: 99 },
      { ...clean, place: null },
      { ...clean, aircraft: {} },
      { ...clean, colour: 'red' },
    ]) {
      expect(asCase(broken)).toBe(false);
      expect(() => readCase(broken, '.')).toThrow(CaseRefused);
    }
  });
});
