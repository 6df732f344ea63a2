import { readdirSync, readFileSync } from 'node:fs';
import { questionOf } from '../../src/contracts/exchange/case-facts';
import type { Json } from '../../src/contracts/kernel/merge-patch';
import { decidePrepared } from '../../src/core/decision/decide';
import { plansForFlight, plansForWanted, plansToRelease } from '../../src/core/decision/in-the-way';
import { prepare } from '../../src/core/decision/prepare';
import type { RemedyPlans } from '../../src/core/decision/remedy-plans';
import { countUses } from '../../src/core/envelope/use-set';
import { readCase } from './read-case';

const acts = (ways: RemedyPlans | null) =>
  ways?.plans[0]?.actions.map(({ act, on }) => (on === null ? act : `${act} ${on}`)) ?? [];

/** What one case is answered with: what is in force, what is ahead and at which boundary, what a flight meets, the smallest remedy. */
export function shortAnswer(given: Json, folder: string) {
  const { facts, packs, flight, wanted, asOf } = questionOf(readCase(given, folder));
  const prepared = prepare(facts, packs, asOf);
  const decision = decidePrepared(prepared, flight, asOf, undefined, wanted);
  return {
    verdict: decision.verdict,
    open: countUses(decision.open),
    inForce: decision.constraints.map(
      ({ id, reason, certainty, closes, remedies }) =>
        `${id} ${reason.code} ${certainty} ${countUses(closes)} ${remedies.map(({ act }) => act).join('|')}`,
    ),
    ahead: decision.limits.map(({ constraint: { id }, at }) => `${id} ${at}`),
    missing: decision.rules.flatMap(({ id, missing }) => missing.map((one) => `${id}: ${one}`)),
    ...(decision.flight === null
      ? {}
      : {
          flight: {
            answer: decision.flight.answer,
            own: decision.flight.own.map(({ id }) => id),
            exceedances: decision.flight.exceedances.map(({ constraint: { id }, by }) => `${id} ${by}`),
            ways: acts(plansForFlight(prepared, decision, flight)),
          },
        }),
    ...(decision.wanted === null
      ? {}
      : { wanted: { answer: decision.wanted.answer, ways: acts(plansForWanted(prepared, decision)) } }),
    toRelease: acts(plansToRelease(prepared, decision)),
  };
}

/** Every example by its name. */
export function shortAnswers(folder: string) {
  return Object.fromEntries(
    readdirSync(folder)
      .filter((name) => name.endsWith('.json'))
      .map((name) => [
        name,
        shortAnswer(JSON.parse(readFileSync(`${folder}/${name}`, 'utf8')) as Json, folder),
      ]),
  );
}
