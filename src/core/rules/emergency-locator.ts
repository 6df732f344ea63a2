import { POSITIONING } from '../envelope/ordinary';
import { difference, type UseSet } from '../envelope/use-set';
import { signatureFaults } from '../records/certificate';
import type { Discrepancy } from '../records/discrepancy';
import { latestAll, type KnownFacts } from '../records/facts';
import type { Locator } from '../records/locator';
import type { PlannedFlight } from '../records/planned-flight';
import { addDays } from '../time/civil-date';
import { endOfDay } from '../time/zone';
import { ANYBODY, constraint, from, lift, MECHANICS, PILOT_OR_MECHANIC, RECORD_KEEPER, type Constraint, type RuleResult } from './parts/constraint';
import { datedInspection } from './parts/dated-inspection';
import { inoperative } from './parts/inoperative';
import { BUT_FERRY, BUT_TRAINING, needsLocator } from './parts/locator-uses';
import { each, result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.207' } as const;
const MONTHS = 12;
/** Removed for repair it may stay away so long. Source: 14 CFR 91.207(f)(10) (from memory). */
const DAYS_REMOVED = 90;
/** The battery is replaced when it transmitted for more than this. Source: 91.207(c)(1) (from memory): exactly an hour is not yet more. */
const MOST_USED_SECONDS = 3600;

const record = lift('record-locator', RECORD_KEEPER);
const reinstall = lift('reinstall-locator', MECHANICS);
const battery = lift('replace-locator-battery', MECHANICS);
const deactivate = lift('deactivate-locator', PILOT_OR_MECHANIC, null, BUT_TRAINING);

/** What is missing of the steps by which a locator was taken out or deactivated. */
function stepsLacking({ state, removedOn, removalEntered, removalPlacarded, noHazard }: Locator, { authority }: KnownFacts): readonly ('date' | 'entry' | 'placard' | 'determination')[] {
  const judged = state !== 'deactivated' || (removedOn !== null && signatureFaults(noHazard ?? null, 'no-hazard', removedOn, authority).length === 0);
  return [
    ...(removedOn === null ? ['date' as const] : []), ...(removalEntered === true ? [] : ['entry' as const]), ...(removalPlacarded === true ? [] : ['placard' as const]), ...(judged ? [] : ['determination' as const]),
  ];
}

/** What one record says of the locator as it stands. */
function judgeOne(locator: Locator | null, facts: KnownFacts): RuleResult {
  const records = locator === null ? [] : [locator.id];
  const made = (given: Pick<Constraint, 'key' | 'certainty' | 'reason' | 'lifts'> & Partial<Constraint>) => constraint({ source, records, closes: BUT_FERRY, ...given });
  if (locator?.state == null) return result([made({ key: 'state', certainty: 'unknown', reason: { code: 'locator-unknown' }, lifts: [record] })], ['locators']);
  if (locator.state === 'not-fitted') return result([made({ key: 'state', certainty: 'failed', reason: { code: 'locator-not-fitted' }, closes: BUT_TRAINING, lifts: [reinstall] })]);
  if (locator.state !== 'fitted') {
    const lacks = stepsLacking(locator, facts);
    if (locator.removedOn === null || lacks.length > 0) {
      return result([made({ key: 'removal', certainty: 'failed', reason: { code: 'locator-removal-incomplete', lacks }, closes: locator.state === 'deactivated' ? BUT_FERRY : BUT_TRAINING, lifts: [lift('record-locator-removal', MECHANICS), reinstall] })]);
    }
    if (locator.state === 'deactivated') return result([made({ key: 'state', certainty: 'failed', reason: { code: 'locator-deactivated', on: locator.removedOn }, closes: BUT_TRAINING, lifts: [reinstall] })]);
    const lastDay = addDays(locator.removedOn, DAYS_REMOVED);
    return result([made({ key: 'removal', certainty: 'failed', reason: { code: 'locator-removed', removedOn: locator.removedOn, lastDay }, closes: BUT_TRAINING, begins: from(endOfDay(lastDay, facts.place.zone)), lifts: [reinstall] })]);
  }
  const inspected = datedInspection(facts, { kind: 'locator', months: MONTHS, source: { kind: 'regulation', citation: '14 CFR 91.207(d)' }, closes: BUT_FERRY, act: 'test-locator', by: MECHANICS });
  const constraints: Constraint[] = inspected.constraints.map((one) => ({ ...one, lifts: [...one.lifts, deactivate] }));
  const missing: string[] = [...inspected.missing];
  if (locator.batteryReplaceBy === null) {
    missing.push('locators.batteryReplaceBy');
    constraints.push(made({ key: 'battery', certainty: 'unknown', reason: { code: 'locator-battery-unknown', what: 'date' }, lifts: [lift('record-locator', ANYBODY), battery, deactivate] }));
  } else {
    constraints.push(made({ key: 'battery', certainty: 'failed', reason: { code: 'locator-battery-expires', lastDay: locator.batteryReplaceBy }, begins: from(endOfDay(locator.batteryReplaceBy, facts.place.zone)), lifts: [battery, deactivate] }));
  }
  if (locator.usedSeconds === null) {
    missing.push('locators.usedSeconds');
    constraints.push(made({ key: 'use', certainty: 'unknown', reason: { code: 'locator-battery-unknown', what: 'use' }, lifts: [record, battery] }));
  } else if (locator.usedSeconds > MOST_USED_SECONDS) {
    constraints.push(made({ key: 'use', certainty: 'failed', reason: { code: 'locator-battery-used', usedSeconds: locator.usedSeconds }, lifts: [battery, deactivate] }));
  }
  return result(constraints, missing);
}

/** The emergency locator: inspected every 12 calendar months, its battery in date and not used up, and its removal lawful. */
export const emergencyLocator = rule({
  id: 'emergency-locator',
  title: 'Emergency locator',
  source,
  explanation: 'The locator is inspected every 12 calendar months; its battery is replaced by the date marked on it or after more than an hour of use. Removed for repair, with entry and placard, the aircraft may fly without it for 90 days. Without one it may be ferried to be repaired, with nobody aboard but the crew, and train within 50 NM of its field; so may one whose locator was deactivated with placard, entry and determination. Gliders and one-person aircraft need none.',
  judge: (facts) => {
    if (!needsLocator(facts.aircraft)) return result([]);
    const latest: readonly (Locator | null)[] = latestAll(facts.locators);
    const missing: string[] = [];
    const constraints = each(latest.length === 0 ? [null] : latest, (locator) => { const answer = judgeOne(locator, facts); missing.push(...answer.missing); return answer.constraints; });
    return result(constraints, missing);
  },
  judgeFlight: (facts, _, flight, needs) => {
    const latest = latestAll(facts.locators);
    const found = inoperative(facts, 'emergency-locator');
    return needsLocator(facts.aircraft) ? latest.flatMap((locator) => judgeDistance(locator, found, facts, flight, needs)).slice(0, 1) : [];
  },
});

/** Training was left open for the whole aircraft: a flight has to say that it keeps within 50 NM. */
function judgeDistance(locator: Locator, found: readonly Discrepancy[], facts: KnownFacts, flight: PlannedFlight, needs: UseSet): readonly Constraint[] {
  if (locator.state === 'fitted' && found.length === 0) return [];
  const lawful = locator.state === 'removed-for-repair' && locator.removedOn !== null && stepsLacking(locator, facts).length === 0 && flight.ends <= endOfDay(addDays(locator.removedOn, DAYS_REMOVED), facts.place.zone);
  if (lawful || flight.trainingWithin50Miles === true) return [];
  return [constraint({
    key: 'distance', certainty: flight.trainingWithin50Miles === null ? 'unknown' : 'failed', source: { kind: 'regulation', citation: '14 CFR 91.207(f)(3)' },
    reason: { code: 'locator-not-fitted' }, records: [locator.id, ...found.map(({ id }) => id)], closes: difference(needs, POSITIONING), lifts: [reinstall, lift('state-for-flight', { kind: 'dispatcher' }, 'trainingWithin50Miles')],
  })];
}
