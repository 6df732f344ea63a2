import type { UseSet } from '../envelope/use-set';
import { latestOf, type KnownFacts } from '../records/facts';
import type { ReceiverCheck } from '../records/locator';
import { addDays } from '../time/civil-date';
import { civilDateAt, endOfDay } from '../time/zone';
import { constraint, from, lift, PILOT_OR_MECHANIC, type Constraint, type RuleResult } from './parts/constraint';
import { judgeReliance } from './parts/ifr-reliance';
import { rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.171' } as const;
const DAYS = 30;

/** Largest permissible bearing error by method, tenths of a degree. Source: 14 CFR 91.171(b) and (c) (from memory). */
const ALLOWED: Readonly<Record<NonNullable<ReceiverCheck['method']>, number>> = { 'test-signal': 40, 'ground-point': 40, 'airborne-point': 60, airway: 60, dual: 40 };

const check = lift('check-receivers', PILOT_OR_MECHANIC);

function checksOf({ receiverChecks, place }: KnownFacts, closes: UseSet): RuleResult {
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
  ...judgeReliance({ only: 'vor-only', says: 'reliesOnVor', source, find: checksOf }),
});
