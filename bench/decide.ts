// One decision against the same rules in a general rules engine, side by side in one run; the timeline; memory.
import { Engine, type RuleProperties } from 'json-rules-engine';
import { decide, decidePrepared } from '../src/core/decision/decide';
import { plansToRelease } from '../src/core/decision/in-the-way';
import { prepare, type Prepared } from '../src/core/decision/prepare';
import { timeline } from '../src/core/decision/timeline';
import { addSeconds } from '../src/core/time/instant';
import { decisionDocument } from '../src/explain/decision-document';
import { medianMicroseconds, type Figure } from './measure';
import { ADS, FINDINGS, ITEMS, plannedFlights, richAircraft } from './rich-aircraft';

const DAYS = 400;
const MANY = 1_000_000;

/** The same constraints as that engine knows rules: a condition over the moment or a meter each, one event for each that bites. */
function sameRules({ constraints }: Prepared): readonly RuleProperties[] {
  return constraints.map(({ constraint: { id, begins } }): RuleProperties => ({
    event: { type: 'closes', params: { id } },
    conditions: {
      all: [
        begins.kind === 'recorded'
          ? { fact: 'recorded', operator: 'equal', value: true }
          : begins.kind === 'instant'
            ? { fact: 'now', operator: 'greaterThanInclusive', value: begins.at }
            : { fact: begins.meter, operator: 'greaterThanInclusive', value: begins.at },
      ],
    },
  }));
}

/** Heap in use after collecting what can be, in megabytes. */
function heapNow(): number {
  globalThis.gc?.();
  return process.memoryUsage().heapUsed / 1_048_576;
}

/** Microseconds of each part, medians of many rounds taken in turn. */
export async function benchDecide(): Promise<readonly Figure[]> {
  const { facts, packs, asOf } = richAircraft();
  const prepared = prepare(facts, packs, asOf);
  const decision = decidePrepared(prepared, null, asOf);
  const engine = new Engine([...sameRules(prepared)]);
  const sameFacts = {
    recorded: true,
    now: asOf,
    'time-in-service': prepared.meters['time-in-service'],
    engine: 0,
    landings: 0,
  };
  const events = (await engine.run(sameFacts)).events.length;
  const closing = decision.constraints.length;
  if (events !== closing)
    throw new Error(`the two sides answer differently: ${events} against ${closing} constraints in force`);
  const ways = { flight: null, wanted: null, release: plansToRelease(prepared, decision) };
  const flights = plannedFlights(asOf);
  const until = addSeconds(asOf, DAYS * 86_400);
  const changes = timeline(prepared, flights, asOf, until).changes.length;
  const [ours, theirs, preparing, whole, withdrawing, words, going] = await medianMicroseconds(
    [
      () => {
        decidePrepared(prepared, null, asOf);
      },
      async () => {
        await engine.run(sameFacts);
      },
      () => {
        prepare(facts, packs, asOf);
      },
      () => {
        decide(facts, packs, null, asOf);
      },
      () => {
        plansToRelease(prepared, decision);
      },
      () => {
        decisionDocument(decision, facts.place.zone, ways);
      },
      () => {
        timeline(prepared, flights, asOf, until);
      },
    ],
    60,
  );
  const ratio = (theirs ?? 0) / (ours ?? 1);
  const share = (going ?? 0) / (changes + flights.length) / (ours ?? 1);
  const before = heapNow();
  for (let run = 0; run < MANY; run += 1) decidePrepared(prepared, null, addSeconds(asOf, run % 1000));
  const grown = heapNow() - before;
  return [
    {
      name: `decide(prepared): ${prepared.constraints.length} constraints`,
      value: `${ours?.toFixed(1)} µs`,
      note: `${ITEMS} items, ${FINDINGS} discrepancies, ${ADS} ADs`,
    },
    {
      name: 'the same rules in json-rules-engine',
      value: `${theirs?.toFixed(0)} µs`,
      note: `${ratio.toFixed(0)} times as long; wanted at least 50`,
      met: ratio >= 50,
    },
    {
      name: `timeline of ${DAYS} days with ${flights.length} flights`,
      value: `${going?.toFixed(0)} µs`,
      note: `${changes} changes and ${flights.length} flights looked at; ${share.toFixed(2)} of a decision each; wanted at most 0.5`,
      met: share <= 0.5,
    },
    { name: 'prepare (once for each change of records)', value: `${preparing?.toFixed(0)} µs` },
    { name: 'decide from the facts (prepare and decide)', value: `${whole?.toFixed(0)} µs` },
    { name: 'remedies: the smallest sets of acts', value: `${withdrawing?.toFixed(0)} µs` },
    { name: 'words: the whole decision document', value: `${words?.toFixed(0)} µs` },
    {
      name: `memory after ${MANY} decisions more`,
      value: `${grown.toFixed(1)} MB`,
      note: 'wanted flat: at most 5 MB',
      met: grown <= 5,
    },
  ];
}
