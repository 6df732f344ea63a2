import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { questionOf, type CaseQuestion } from '@/contracts/exchange/case-facts';
import { caseSchema } from '@/contracts/exchange/case-file';
import { mergePatch, type Json } from '@/contracts/kernel/merge-patch';
import { applyRemedy, NOT_APPLIED } from '@/testing/apply-remedy';
import { intersection, isEmpty, isWithin, sameUses, without } from '../envelope/use-set';
import { authorityOf, chosenRules } from '../rules/register';
import { addSeconds } from '../time/instant';
import { bites, decide, decidePrepared } from './decide';
import { plansForFlight, plansForWanted, plansToRelease } from './in-the-way';
import { prepare } from './prepare';

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

describe('every example', () => {
  it('is seen', () => {
    expect(CASES.length).toBeGreaterThan(120);
  });

  it.each(CASES)(
    '%s: every closed use has a reason, and what is open is closed by none',
    (_, { facts, packs, flight, wanted, asOf }) => {
      const decision = decide(facts, packs, flight, asOf, wanted);
      const closing = decision.constraints.filter(({ cap }) => cap === null);
      const closed = without(decision.full, [decision.open]);
      expect(
        isEmpty(
          without(
            closed,
            closing.map(({ closes }) => closes),
          ),
        ),
      ).toBe(true);
      // Only a permit in force lets a use be open that a constraint closes, and only one that it may cover.
      const spared = decision.reliefs.map(({ uses }) => uses);
      for (const { closes, permitMayCover } of closing)
        expect(isEmpty(without(intersection(closes, decision.open), permitMayCover ? spared : []))).toBe(
          true,
        );
    },
  );

  it.each(CASES)('%s: no rule opens a use', (_, { facts, packs, asOf }) => {
    const rules = chosenRules(packs);
    const all = decidePrepared(prepare(facts, packs, asOf, rules), null, asOf).open;
    for (const one of rules)
      expect(
        isWithin(
          all,
          decidePrepared(
            prepare(
              facts,
              packs,
              asOf,
              rules.filter((other) => other !== one),
            ),
            null,
            asOf,
          ).open,
        ),
      ).toBe(true);
  });

  it.each(CASES)(
    '%s: every remedy, applied, removes its reason',
    (_, { facts, packs, flight, wanted, asOf }) => {
      const decision = decide(facts, packs, flight, asOf, wanted);
      const later = addSeconds(asOf, 60);
      for (const constraint of decision.constraints) {
        for (const remedy of constraint.remedies) {
          if (
            NOT_APPLIED.includes(remedy.act)
            || (remedy.holds !== null && bites(remedy.holds, asOf, decision.meters))
          )
            continue;
          const after = decide(
            applyRemedy(facts, remedy, constraint, later, authorityOf(packs)),
            packs,
            null,
            later,
          );
          const still = after.constraints.find(
            ({ id, reason }) => id === constraint.id && reason.code === constraint.reason.code,
          );
          // What a remedy leaves behind may stay.
          const gone =
            still === undefined || (remedy.leaves !== null && isWithin(still.closes, remedy.leaves));
          expect([constraint.id, remedy.act, gone]).toEqual([constraint.id, remedy.act, true]);
        }
      }
    },
  );

  it.each(CASES)(
    '%s: the smallest remedy, done, opens what it says',
    (_, { facts, packs, flight, wanted, asOf }) => {
      const prepared = prepare(facts, packs, asOf);
      const decision = decidePrepared(prepared, flight, asOf, undefined, wanted);
      const later = addSeconds(asOf, 60);
      for (const [plans, target] of [
        [plansForWanted(prepared, decision), wanted],
        [plansToRelease(prepared, decision), prepared.ordinary],
      ] as const) {
        const [way] = plans?.plans ?? [];
        if (way === undefined || target === null || way.actions.some(({ act }) => NOT_APPLIED.includes(act)))
          continue;
        let changed = facts;
        for (const action of way.actions) {
          const constraint = decision.constraints.find(({ id }) => action.remedies.includes(id));
          if (constraint === undefined) throw new Error(`${action.act} clears nothing`);
          changed = applyRemedy(
            changed,
            { ...action, leaves: null, holds: null },
            constraint,
            later,
            authorityOf(packs),
          );
        }
        expect(isWithin(target, decide(changed, packs, null, later).open)).toBe(true);
      }
      expect(plansForFlight(prepared, decision, flight)?.plans.length ?? 0).toBeLessThanOrEqual(5);
    },
  );

  it.each(CASES)('%s: shuffled records change nothing', (_, { facts, packs, flight, wanted, asOf }) => {
    const turned = Object.fromEntries(
      Object.entries(facts).map(([key, value]) => [
        key,
        Array.isArray(value) ? [...(value as readonly unknown[])].reverse() : value,
      ]),
    ) as unknown as typeof facts;
    const [a, b] = [decide(facts, packs, flight, asOf, wanted), decide(turned, packs, flight, asOf, wanted)];
    expect(b.constraints).toEqual(a.constraints);
    expect(b.limits).toEqual(a.limits);
    expect([b.verdict, sameUses(a.open, b.open), b.flight?.answer]).toEqual([
      a.verdict,
      true,
      a.flight?.answer,
    ]);
  });
});
