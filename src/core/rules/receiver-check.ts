import type { UseSet } from '../envelope/use-set';
import { latestAll, type KnownFacts } from '../records/facts';
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

/** True for a check with every element that its entry must have. */
const isComplete = ({ method, error, place, signedBy }: ReceiverCheck): boolean => method !== null && error !== null && place !== null && signedBy !== null;
/** By how much a check passed its limit, signed or not; null where it kept it or does not say. */
const beyond = ({ method, error }: ReceiverCheck): { readonly error: number; readonly allowed: number } | null => (method !== null && error !== null && error > ALLOWED[method] ? { error, allowed: ALLOWED[method] } : null);

/** The complete check that counts is the latest; one that was not finished hides no good one, but an error that somebody found counts whoever signed. */
function checksOf({ receiverChecks, place }: KnownFacts, closes: UseSet): RuleResult {
  const good = latestAll(receiverChecks.filter(isComplete));
  const since = good[0]?.happenedAt ?? Number.NEGATIVE_INFINITY;
  const [failed] = receiverChecks.filter((check) => check.happenedAt >= since && beyond(check) !== null);
  const [last = failed ?? latestAll(receiverChecks)[0] ?? null] = failed === undefined ? good : [failed];
  const made = (given: Pick<Constraint, 'certainty' | 'reason'> & Partial<Constraint>) => constraint({ key: 'check', source, records: last === null ? [] : [last.id], closes, lifts: [check], ...given });
  if (last === null) return { constraints: [made({ certainty: 'unknown', reason: { code: 'receiver-check-unknown' } })], missing: ['receiverChecks'] };
  const off = beyond(last);
  if (off !== null) return { constraints: [made({ certainty: 'failed', reason: { code: 'receiver-check-failed', ...off } })], missing: [] };
  const doneOn = civilDateAt(last.happenedAt, place.zone);
  if (!isComplete(last)) return { constraints: [made({ certainty: 'unknown', reason: { code: 'receiver-check-incomplete', doneOn } })], missing: ['receiverChecks'] };
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
