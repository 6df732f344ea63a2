// One decision against the same rules in a general rules engine, side by side in one run.
import { Engine, type RuleProperties } from 'json-rules-engine';
import clean from '../examples/cases/clean-trainer.json';
import { questionOf } from '../src/contracts/case-facts';
import { caseSchema } from '../src/contracts/case-file';
import { mergePatch, type Json } from '../src/contracts/merge-patch';
import { decide, decidePrepared } from '../src/core/decision/decide';
import { prepare } from '../src/core/decision/prepare';
import { decisionDocument } from '../src/explain/decision-document';
import { medianMicroseconds, type Figure } from './measure';

const FINDINGS = 25;
const classes = ['deferral-path', 'watch', 'note', 'deferral-path', 'watch'] as const;
const discrepancies: Json = Object.fromEntries(Array.from({ length: FINDINGS }, (_, at) => [`d${at}`, {
  happenedAt: '2026-11-20T12:00:00Z', recordedAt: '2026-11-20T12:05:00Z', what: `Finding ${at}`, classification: classes[at % classes.length] ?? 'note', closesUses: at % 2 === 0 ? ['night'] : ['dusk', 'night'],
}]));

/** The rules of the slice as that engine knows rules: conditions over facts, one event for each trouble. */
function sameRules(): readonly RuleProperties[] {
  const trouble = (fact: string, operator: string, value: unknown): RuleProperties => ({ conditions: { any: [{ fact, operator, value }] }, event: { type: 'closes', params: { fact } } });
  const papers = ['airworthiness', 'registration', 'manual', 'loading', 'radio'].flatMap((paper) => [trouble(`${paper}.aboard`, 'notEqual', true), trouble(`${paper}.legible`, 'notEqual', true)]);
  return [
    ...papers, trouble('tank.fitted', 'notEqual', false), trouble('airworthiness.displayed', 'notEqual', true), trouble('airworthiness.shown', 'notEqual', 'N02TB'), trouble('registration.shown', 'notEqual', 'N02TB'), trouble('manual.form', 'notEqual', 'flight-manual'),
    trouble('registration.until', 'lessThan', Date.UTC(2026, 10, 24, 13)), trouble('annual.until', 'lessThan', Date.UTC(2026, 10, 24, 13)), trouble('hours.left', 'lessThanInclusive', 0), trouble('hours.overrun', 'lessThanInclusive', 0), trouble('category', 'notEqual', 'standard'), trouble('approved', 'notEqual', true),
    ...Array.from({ length: FINDINGS }, (_, at) => trouble(`d${at}`, 'in', ['ground-until-mechanic', 'service-before-flight', 'tell-instructor', 'deferral-path'])),
  ];
}

const sameFacts = {
  ...Object.fromEntries(['airworthiness', 'registration', 'manual', 'loading', 'radio'].flatMap((paper) => [[`${paper}.aboard`, true], [`${paper}.legible`, true]])), 'tank.fitted': false, 'airworthiness.displayed': true, 'airworthiness.shown': 'N02TB', 'registration.shown': 'N02TB', 'manual.form': 'flight-manual',
  'registration.until': Date.UTC(2031, 5, 1), 'annual.until': Date.UTC(2027, 3, 1), 'hours.left': 58.4, 'hours.overrun': 68.4, category: 'standard', approved: true,
  ...Object.fromEntries(Array.from({ length: FINDINGS }, (_, at) => [`d${at}`, classes[at % classes.length]])),
};

/** Microseconds of each part, medians of many rounds taken in turn. */
export async function benchDecide(): Promise<readonly Figure[]> {
  const { facts, packs, asOf } = questionOf(caseSchema.parse(mergePatch(clean, { discrepancies })));
  const prepared = prepare(facts, packs, asOf);
  const decision = decidePrepared(prepared, null, asOf);
  const engine = new Engine([...sameRules()]);
  const events = (await engine.run(sameFacts)).events.length;
  const closing = decision.constraints.length;
  if (events !== closing) throw new Error(`the two sides answer differently: ${events} against ${closing} constraints in force`);
  const [ours, theirs, preparing, whole, words] = await medianMicroseconds([
    () => { decidePrepared(prepared, null, asOf); }, async () => { await engine.run(sameFacts); }, () => { prepare(facts, packs, asOf); }, () => { decide(facts, packs, null, asOf); }, () => { decisionDocument(decision, facts.place.zone, { flight: null, wanted: null, release: null }); },
  ], 120);
  const ratio = (theirs ?? 0) / (ours ?? 1);
  return [
    { name: `decide(prepared), 7 rules, ${FINDINGS} discrepancies`, value: `${ours?.toFixed(1)} µs` },
    { name: 'the same rules in json-rules-engine', value: `${theirs?.toFixed(1)} µs`, note: `${ratio.toFixed(0)} times as long; wanted at least 50`, met: ratio >= 50 },
    { name: 'prepare (once for each change of records)', value: `${preparing?.toFixed(1)} µs` },
    { name: 'decide from the facts (prepare and decide)', value: `${whole?.toFixed(1)} µs` },
    { name: 'words: the whole decision document', value: `${words?.toFixed(1)} µs` },
  ];
}
