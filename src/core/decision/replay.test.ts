import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { questionOf } from '@/contracts/exchange/case-facts';
import { caseSchema } from '@/contracts/exchange/case-file';
import { mergePatch, type Json } from '@/contracts/kernel/merge-patch';
import { canonicalInputs } from './inputs';
import { decideKept, decisionText, replay } from './replay';

const FOLDER = 'examples/cases';
const read = (name: string): Json => {
  const given = JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as { readonly extends?: string };
  const { extends: base, ...change } = given;
  return base === undefined ? (change as Json) : mergePatch(read(`${base}.json`), change as Json);
};
const kept = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.json'))
  .map((name) => {
    const inputs = canonicalInputs(questionOf(caseSchema.parse(read(name))));
    return { name, inputs, decided: decisionText(decideKept(inputs)) };
  });

describe('what was decided once', () => {
  it('is decided the same from what was kept, byte for byte', () => {
    expect(kept.length).toBeGreaterThan(150);
    for (const { inputs, decided } of kept) expect(replay(inputs, decided).same).toBe(true);
  });

  it('is decided otherwise where a record is another, and the difference is named', () => {
    const clean = kept.find(({ name }) => name === 'clean-trainer.json');
    const grounded = kept.find(
      ({ name, decided }) => name !== 'clean-trainer.json' && decided.includes('"Grounded"'),
    );
    const answer = replay(grounded?.inputs ?? '', clean?.decided ?? '');
    expect(answer).toMatchObject({ same: false, verdict: { then: 'Released', now: 'Grounded' } });
    expect(answer.arrived.length).toBeGreaterThan(0);
    expect(answer.parts).toContain('verdict');
  });

  it('under one rule that was changed, exactly what that rule speaks of is another', () => {
    const changed = kept.map(({ inputs, decided }) => {
      const { packs } = JSON.parse(inputs) as { readonly packs: Parameters<typeof replay>[2] };
      if (packs?.authority.id !== 'us-part91') return null;
      const lessons =
        packs.authority.parameters.lessons === 'lessons-are-for-hire'
          ? ('lessons-are-not-for-hire' as const)
          : ('lessons-are-for-hire' as const);
      const authority = { ...packs.authority, parameters: { ...packs.authority.parameters, lessons } };
      return replay(inputs, decided, { ...packs, authority });
    });
    const others = changed.filter((one) => one !== null && !one.same);
    expect(others.length).toBeGreaterThan(0);
    expect(others.length).toBeLessThan(kept.length / 2);
    const named = others.flatMap((one) => [
      ...(one?.arrived ?? []),
      ...(one?.gone ?? []),
      ...(one?.changed ?? []),
    ]);
    // What lessons being for hire or not decides: the landing light at night, and flotation with flares beyond gliding distance.
    expect([...new Set(named.map((id) => id.split('/')[1]))].sort()).toEqual([
      'for-hire.landing-light',
      'light.defer',
      'light.needed',
      'over-water.flotation',
      'over-water.pyrotechnic-signal',
    ]);
  });
});
