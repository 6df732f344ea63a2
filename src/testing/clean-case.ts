// The shipped clean case as the core's own arguments, for tests only.
import clean from '../../examples/cases/clean-trainer.json';
import { questionOf, type CaseQuestion } from '@/contracts/exchange/case-facts';
import { caseSchema } from '@/contracts/exchange/case-file';
import { mergePatch, type Json } from '@/contracts/kernel/merge-patch';
import { decide, decidePrepared } from '@/core/decision/decide';
import { ALL_USES, countUses } from '@/core/envelope/use-set';
import { prepare } from '@/core/decision/prepare';
import { chosenRules } from '@/core/rules/register';
import type { Decision } from '@/core/decision/decision';

/** The clean trainer with some of it changed, as a case that `extends` it would say (null removes). */
export function cleanCase(change: Json = {}): CaseQuestion {
  return questionOf(caseSchema.parse(mergePatch(clean, change)));
}

/** The decision on the clean trainer with some of it changed. */
export function decideClean(change: Json = {}): Decision {
  const { facts, packs, flight, wanted, asOf } = cleanCase(change);
  return decide(facts, packs, flight, asOf, wanted);
}

/** The decision by some rules alone: for checks of one rule, on days on which the others would have more to say. */
export function decideBy(rules: readonly string[], change: Json = {}): Decision {
  const { facts, packs, flight, wanted, asOf } = cleanCase(change);
  const chosen = chosenRules(packs).filter(({ rule }) => rules.includes(rule.id));
  if (chosen.length === 0) throw new Error(`no such rules: ${rules.join()}`);
  return decidePrepared(prepare(facts, packs, asOf, chosen), flight, asOf, undefined, wanted);
}

/** A change of the clean trainer: a lamp that no list asks for is out, lawfully deferred, and closes the named uses until it is repaired. */
export const deferredLamp = (
  id: string,
  what: string,
  closesUses: readonly string[],
): { readonly [key: string]: Json } => ({
  discrepancies: {
    [id]: {
      happenedAt: '2026-11-23T12:00:00Z',
      recordedAt: '2026-11-23T12:00:00Z',
      what,
      classification: 'deferral-path',
      closesUses: [...closesUses],
      equipment: ['instrument-lights'],
      deferral: {
        recordedAt: '2026-11-23T18:00:00Z',
        deferredOn: '2026-11-23',
        action: 'deactivated',
        placarded: true,
        entered: 'not-maintenance',
        noHazard: {
          name: 'Rosa Dane',
          certificate: { kind: 'pilot', number: 'P-114', validFrom: '2010-01-01', validUntil: 'no-expiry' },
        },
      },
    },
  },
  equipment: {
    list: {
      items: {
        'instrument-lights': {
          fitted: true,
          typeCertification: false,
          equipmentList: 'no',
          kindsOfOperation: 'no',
        },
      },
    },
  },
});

/** Reason codes in force, in the decision's order. */
export const codes = (decision: Decision): readonly string[] =>
  decision.constraints.map(({ reason }) => reason.code);

/**
 * Everything that is in force, a line each: its key and reason, `?` where it is not known, `!` for a step before flight, `~` where a
 * special permit may cover it, how many uses it closes (nothing said: all), the records that it rests on, and the acts that clear it.
 */
export const said = (decision: Pick<Decision, 'constraints'>): readonly string[] =>
  decision.constraints.map(
    ({ key, reason: { code }, certainty, condition, permitMayCover, closes, records, remedies }) => {
      const what = key === code || key.endsWith(`.${code}`) ? key : `${key}: ${code}`;
      const signs = `${certainty === 'unknown' ? '?' : ''}${condition ? '!' : ''}${permitMayCover ? '~' : ''}`;
      const uses = countUses(closes);
      return `${what}${signs} ${uses === countUses(ALL_USES) ? '' : `${uses} `}[${records.join()}] ${remedies.map(({ act, on }) => (on === null ? act : `${act}(${on})`)).join(' or ')}`;
    },
  );

/** What the rules missed, each once. */
export const missed = (decision: Decision): readonly string[] => [
  ...new Set(decision.rules.flatMap(({ missing }) => missing)),
];
