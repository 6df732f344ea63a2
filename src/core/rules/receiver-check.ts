import { usesIn, type UseSet } from '../envelope/use-set';
import { latestOf, type KnownFacts } from '../records/facts';
import type { ReceiverCheck } from '../records/locator';
import { addDays } from '../time/civil-date';
import { civilDateAt, endOfDay } from '../time/zone';
import { ANYBODY, constraint, from, lift, PILOT_OR_MECHANIC, RECORD_KEEPER, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.171' } as const;
const DAYS = 30;
const IFR = usesIn({ rules: ['ifr'] });

/** Largest permissible bearing error by method, tenths of a degree. Source: 14 CFR 91.171(b) and (c) (from memory). */
const ALLOWED: Readonly<Record<NonNullable<ReceiverCheck['method']>, number>> = { 'test-signal': 40, 'ground-point': 40, 'airborne-point': 60, airway: 60, dual: 40 };

const check = lift('check-receivers', PILOT_OR_MECHANIC);

function checksOf({ receiverChecks, place }: KnownFacts, closes: UseSet): { readonly constraints: readonly Constraint[]; readonly missing: readonly string[] } {
  const last = latestOf(receiverChecks);
  const made = (given: Pick<Constraint, 'certainty' | 'reason'> & Partial<Constraint>) => constraint({ key: 'check', source, records: last === null ? [] : [last.id], closes, lifts: [check], ...given });
  if (last === null) return { constraints: [made({ certainty: 'unknown', reason: { code: 'receiver-check-unknown' } })], missing: ['receiverChecks'] };
  const doneOn = civilDateAt(last.happenedAt, place.zone);
  if (last.method === null || last.error === null || last.place === null || last.signedBy === null) {
    return { constraints: [made({ certainty: 'unknown', reason: { code: 'receiver-check-incomplete', doneOn } })], missing: ['receiverChecks'] };
  }
  const allowed = ALLOWED[last.method];
  if (last.error > allowed) return { constraints: [made({ certainty: 'failed', reason: { code: 'receiver-check-failed', error: last.error, allowed } })], missing: [] };
  const lastDay = addDays(doneOn, DAYS);
  return { constraints: [made({ certainty: 'failed', reason: { code: 'receiver-check-expires', lastDay, doneOn }, begins: from(endOfDay(lastDay, place.zone)) })], missing: [] };
}

/** A check of the VOR receivers within 30 days, for instrument flight that relies on them. */
export const receiverCheck = rule({
  id: 'receiver-check',
  title: 'VOR receiver check',
  source,
  explanation: 'Instrument flight that relies on VOR receivers needs a check of them within the last 30 days, within its limit of error, with date, place, error and signature on record. An aircraft that can navigate without them is closed only for a flight that relies on them.',
  judge: (facts) => {
    const navigation = facts.aircraft.particulars.ifrNavigation;
    if (navigation === 'satellite-only' || navigation === 'either') return result([]);
    if (navigation === null) {
      return result([constraint({ key: 'navigation', certainty: 'unknown', source, reason: { code: 'particular-unknown', what: 'ifr-navigation' }, closes: IFR, lifts: [lift('record-particulars', RECORD_KEEPER, 'ifr-navigation')] })], ['aircraft.ifrNavigation']);
    }
    const { constraints, missing } = checksOf(facts, IFR);
    return result(constraints, missing);
  },
  judgeFlight: (facts, _, flight, needs) => {
    if (facts.aircraft.particulars.ifrNavigation !== 'either' || flight.rules === 'vfr' || flight.reliesOnVor === false) return [];
    return checksOf(facts, needs).constraints.filter(({ begins }) => begins.kind !== 'instant' || flight.ends > begins.at)
      .map((one) => ({ ...one, begins: { kind: 'recorded' as const }, lifts: flight.reliesOnVor === null ? [...one.lifts, lift('state-for-flight', ANYBODY, 'reliesOnVor')] : one.lifts }));
  },
});
