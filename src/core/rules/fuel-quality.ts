import { ALL_USES } from '../envelope/use-set';
import { latestAll, type KnownFacts } from '../records/facts';
import { ANYBODY, constraint, remedy, MECHANICS, RECORD_KEEPER, type Constraint } from './parts/constraint';
import { isDealtWith } from './parts/dealt-with';
import { drainsOf, latestSamples, type SampledDrain } from './parts/fuel-drains';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
/** So many samples of one drain with water are no longer drained away: a mechanic finds where it comes from. Common practice, no source. */
const WET_SAMPLES = 3;

const made = (given: Pick<Constraint, 'key' | 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
  constraint({ source, closes: ALL_USES, ...given });
const mechanic = remedy('deal-with-suspect-fuel', MECHANICS, 'fuel');

/** What of a drain is no matter of draining again: a wrong colour or smell ever, and water three times. */
function suspect({ drain, samples }: SampledDrain, facts: KnownFacts): readonly Constraint[] {
  const open = samples.filter((one) => !isDealtWith(one, facts));
  const wrong = open.filter(({ result: found }) => found === 'wrong-colour' || found === 'wrong-smell');
  const wet = open.filter(({ result: found }) => found === 'water');
  return [
    ...wrong.map((one) =>
      made({
        key: `suspect.${one.id}`,
        certainty: 'failed',
        reason: {
          code: 'fuel-suspect',
          drain,
          why: one.result === 'wrong-smell' ? 'wrong-smell' : 'wrong-colour',
        },
        records: [one.id],
        remedies: [mechanic],
      }),
    ),
    ...(wet.length < WET_SAMPLES
      ? []
      : [
          made({
            key: `wet.${drain ?? ''}`,
            certainty: 'failed',
            reason: { code: 'fuel-suspect', drain, why: 'water-again' },
            records: wet.map(({ id }) => id).sort(),
            remedies: [mechanic],
          }),
        ]),
  ];
}

/** The latest sample of a drain has to be clean: what another drain showed says nothing of it. */
function latest(sampled: SampledDrain): readonly Constraint[] {
  const { drain } = sampled;
  const [dirty] = latestSamples(sampled).filter(({ result: found }) => found !== 'clean');
  if (dirty === undefined || dirty.result === 'clean') return [];
  return [
    made({
      // One that speaks for several drains is told once.
      key: dirty.drain === drain && drain !== null ? `clean.${drain}` : 'clean',
      certainty: dirty.result === null ? 'unknown' : 'failed',
      reason: { code: 'sample-not-clean', result: dirty.result, drain: dirty.drain === drain ? drain : null },
      records: [dirty.id],
      remedies: [remedy('sample-fuel', ANYBODY), remedy('repair-and-return-to-service', MECHANICS, 'fuel')],
      condition: true,
    }),
  ];
}

/** What went in has to be a grade that the engine may have. */
function grades(facts: KnownFacts): {
  readonly constraints: readonly Constraint[];
  readonly missing: readonly string[];
} {
  const {
    ramp,
    aircraft: { particulars },
  } = facts;
  const fuelled = (ramp?.uplifts ?? []).filter(({ what }) => what === 'fuel');
  if (fuelled.length === 0) return { constraints: [], missing: [] };
  const approved = particulars.fuel?.grades ?? null;
  if (approved === null) {
    // Nobody said what went in either: there is nothing to compare.
    if (fuelled.every(({ grade }) => grade === null)) return { constraints: [], missing: [] };
    return {
      constraints: [
        made({
          key: 'grades',
          certainty: 'unknown',
          reason: { code: 'particular-unknown', what: 'fuel-grades' },
          remedies: [remedy('record-particulars', RECORD_KEEPER, 'fuel-grades')],
        }),
      ],
      missing: ['aircraft.fuel.grades'],
    };
  }
  const wrong = fuelled.filter(
    (one) => one.grade !== null && !approved.includes(one.grade) && !isDealtWith(one, facts),
  );
  const unsaid = latestAll(fuelled).filter((one) => one.grade === null && !isDealtWith(one, facts));
  return {
    constraints: [
      ...wrong.map((one) =>
        made({
          key: `grade.${one.id}`,
          certainty: 'failed',
          reason: { code: 'fuel-grade-wrong', grade: one.grade ?? 'jet', approved },
          records: [one.id],
          remedies: [mechanic],
        }),
      ),
      ...unsaid.map((one) =>
        made({
          key: `grade.${one.id}`,
          certainty: 'unknown',
          reason: { code: 'fuel-grade-unknown', approved },
          records: [one.id],
          remedies: [remedy('correct-record', RECORD_KEEPER, one.id), mechanic],
        }),
      ),
    ],
    missing: unsaid.map(({ id }) => `ramp.uplifts.${id}.grade`),
  };
}

/** Fuel that is clean at every drain, and a grade that the engine may have. */
export const fuelQuality = rule({
  id: 'fuel-quality',
  title: 'Clean fuel',
  source,
  explanation:
    'Water or dirt in a fuel sample keeps the aircraft on the ground until a new sample of the same drain, from a clean vessel, shows clean fuel; what another drain shows says nothing of it. A wrong colour or smell, a grade that the engine may not have, or water in three samples of one drain is not cured by draining again: a mechanic deals with it.',
  judge: (facts) => {
    if (facts.ramp === null) return NOT_ASKED;
    const drains = drainsOf(facts);
    const fuelled = grades(facts);
    // A sample of which nobody knows the drain speaks for several: its fault is told once.
    const found = new Map(
      [...drains.flatMap((one) => [...suspect(one, facts), ...latest(one)])].map(
        (one) => [one.key, one] as const,
      ),
    );
    return result([...found.values(), ...fuelled.constraints], fuelled.missing);
  },
});
