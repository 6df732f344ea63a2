import { POSITIONING } from '../envelope/ordinary';
import { difference, type UseSet } from '../envelope/use-set';
import { signatureFaults } from '../records/club/certificate';
import type { Discrepancy } from '../records/findings/discrepancy';
import { latestAll, type KnownFacts } from '../records/facts';
import type { Elt } from '../records/aircraft/elt';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { addDays } from '../time/civil-date';
import { endOfDay } from '../time/zone';
import {
  ANYBODY,
  constraint,
  from,
  remedy,
  MECHANICS,
  PILOT_OR_MECHANIC,
  RECORD_KEEPER,
  type Constraint,
  type RuleResult,
} from './parts/constraint';
import { datedInspection } from './parts/dated-inspection';
import { inoperative } from './parts/inoperative';
import { BUT_FERRY, BUT_TRAINING, needsElt } from './parts/elt-uses';
import { each, result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.207' } as const;
const MONTHS = 12;
/** Removed for repair it may stay away so long. Source: 14 CFR 91.207(f)(10) (from memory). */
const DAYS_REMOVED = 90;
/** The battery is replaced when it transmitted for more than this. Source: 91.207(c)(1) (from memory): exactly an hour is not yet more. */
const MOST_USED_SECONDS = 3600;

const record = remedy('record-elt', RECORD_KEEPER);
const reinstall = remedy('reinstall-elt', MECHANICS);
const battery = remedy('replace-elt-battery', MECHANICS);
const deactivate = remedy('deactivate-elt', PILOT_OR_MECHANIC, null, BUT_TRAINING);

/** What is missing of the steps by which an ELT was taken out or deactivated. */
function stepsLacking(
  { state, removedOn, removalEntered, removalPlacarded, noHazard }: Elt,
  { authority }: KnownFacts,
): readonly ('date' | 'entry' | 'placard' | 'determination')[] {
  const judged =
    state !== 'deactivated'
    || (removedOn !== null
      && signatureFaults(noHazard ?? null, 'no-hazard', removedOn, authority).length === 0);
  return [
    ...(removedOn === null ? ['date' as const] : []),
    ...(removalEntered === true ? [] : ['entry' as const]),
    ...(removalPlacarded === true ? [] : ['placard' as const]),
    ...(judged ? [] : ['determination' as const]),
  ];
}

/** What one record says of the ELT as it stands. */
function judgeOne(elt: Elt | null, facts: KnownFacts): RuleResult {
  const records = elt === null ? [] : [elt.id];
  const made = (given: Pick<Constraint, 'key' | 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
    constraint({ source, records, closes: BUT_FERRY, ...given });
  if (elt?.state == null)
    return result(
      [made({ key: 'state', certainty: 'unknown', reason: { code: 'elt-unknown' }, remedies: [record] })],
      ['elts'],
    );
  if (elt.state === 'not-fitted')
    return result([
      made({
        key: 'state',
        certainty: 'failed',
        reason: { code: 'elt-not-fitted' },
        closes: BUT_TRAINING,
        remedies: [reinstall],
      }),
    ]);
  if (elt.state !== 'fitted') {
    const lacks = stepsLacking(elt, facts);
    if (elt.removedOn === null || lacks.length > 0) {
      return result([
        made({
          key: 'removal',
          certainty: 'failed',
          reason: { code: 'elt-removal-incomplete', lacks },
          closes: elt.state === 'deactivated' ? BUT_FERRY : BUT_TRAINING,
          remedies: [remedy('record-elt-removal', MECHANICS), reinstall],
        }),
      ]);
    }
    if (elt.state === 'deactivated')
      return result([
        made({
          key: 'state',
          certainty: 'failed',
          reason: { code: 'elt-deactivated', on: elt.removedOn },
          closes: BUT_TRAINING,
          remedies: [reinstall],
        }),
      ]);
    const lastDay = addDays(elt.removedOn, DAYS_REMOVED);
    return result([
      made({
        key: 'removal',
        certainty: 'failed',
        reason: { code: 'elt-removed', removedOn: elt.removedOn, lastDay },
        closes: BUT_TRAINING,
        begins: from(endOfDay(lastDay, facts.place.zone)),
        remedies: [reinstall],
      }),
    ]);
  }
  const inspected = datedInspection(facts, {
    kind: 'elt',
    months: MONTHS,
    source: { kind: 'regulation', citation: '14 CFR 91.207(d)' },
    closes: BUT_FERRY,
    act: 'inspect-elt',
    by: MECHANICS,
  });
  const constraints: Constraint[] = inspected.constraints.map((one) => ({
    ...one,
    remedies: [...one.remedies, deactivate],
  }));
  const missing: string[] = [...inspected.missing];
  if (elt.batteryReplaceBy === null) {
    missing.push('elts.batteryReplaceBy');
    constraints.push(
      made({
        key: 'battery',
        certainty: 'unknown',
        reason: { code: 'elt-battery-unknown', what: 'date' },
        remedies: [remedy('record-elt', ANYBODY), battery, deactivate],
      }),
    );
  } else {
    constraints.push(
      made({
        key: 'battery',
        certainty: 'failed',
        reason: { code: 'elt-battery-expires', lastDay: elt.batteryReplaceBy },
        begins: from(endOfDay(elt.batteryReplaceBy, facts.place.zone)),
        remedies: [battery, deactivate],
      }),
    );
  }
  if (elt.usedSeconds === null) {
    missing.push('elts.usedSeconds');
    constraints.push(
      made({
        key: 'use',
        certainty: 'unknown',
        reason: { code: 'elt-battery-unknown', what: 'use' },
        remedies: [record, battery],
      }),
    );
  } else if (elt.usedSeconds > MOST_USED_SECONDS) {
    constraints.push(
      made({
        key: 'use',
        certainty: 'failed',
        reason: { code: 'elt-battery-used', usedSeconds: elt.usedSeconds },
        remedies: [battery, deactivate],
      }),
    );
  }
  return result(constraints, missing);
}

/** The ELT: inspected every 12 calendar months, its battery in date and not used up, and its removal lawful. */
export const eltRule = rule({
  id: 'elt',
  title: 'ELT (emergency locator transmitter)',
  source,
  explanation:
    'The ELT is inspected every 12 calendar months; its battery is replaced by the date marked on it or after more than an hour of use. Removed for repair, with entry and placard, the aircraft may fly without it for 90 days. Without one it may be ferried to be repaired, with nobody on board but the crew, and train within 50 NM of its field; so may one whose ELT was deactivated with placard, entry and determination. Gliders and one-person aircraft need none.',
  judge: (facts) => {
    if (!needsElt(facts.aircraft)) return result([]);
    const latest: readonly (Elt | null)[] = latestAll(facts.elts);
    const missing: string[] = [];
    const constraints = each(latest.length === 0 ? [null] : latest, (elt) => {
      const answer = judgeOne(elt, facts);
      missing.push(...answer.missing);
      return answer.constraints;
    });
    return result(constraints, missing);
  },
  judgeFlight: (facts, _, flight, needs) => {
    const latest = latestAll(facts.elts);
    const found = inoperative(facts, 'elt');
    return needsElt(facts.aircraft)
      ? latest.flatMap((elt) => judgeDistance(elt, found, facts, flight, needs)).slice(0, 1)
      : [];
  },
});

/** Training was left open for the whole aircraft: a flight has to say that it keeps within 50 NM. */
function judgeDistance(
  elt: Elt,
  found: readonly Discrepancy[],
  facts: KnownFacts,
  flight: PlannedFlight,
  needs: UseSet,
): readonly Constraint[] {
  if (elt.state === 'fitted' && found.length === 0) return [];
  const lawful =
    elt.state === 'removed-for-repair'
    && elt.removedOn !== null
    && stepsLacking(elt, facts).length === 0
    && flight.ends <= endOfDay(addDays(elt.removedOn, DAYS_REMOVED), facts.place.zone);
  if (lawful || flight.trainingWithin50Miles === true) return [];
  return [
    constraint({
      key: 'distance',
      certainty: flight.trainingWithin50Miles === null ? 'unknown' : 'failed',
      source: { kind: 'regulation', citation: '14 CFR 91.207(f)(3)' },
      reason: { code: 'elt-not-fitted' },
      records: [elt.id, ...found.map(({ id }) => id)],
      closes: difference(needs, POSITIONING),
      remedies: [reinstall, remedy('state-for-flight', { kind: 'dispatcher' }, 'trainingWithin50Miles')],
    }),
  ];
}
