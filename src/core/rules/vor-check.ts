import type { UseSet } from '../envelope/use-set';
import { latestAll, type KnownFacts } from '../records/facts';
import type { VorCheck } from '../records/aircraft/elt';
import { addDays } from '../time/civil-date';
import { civilDateAt, endOfDay } from '../time/zone';
import {
  constraint,
  from,
  remedy,
  PILOT_OR_MECHANIC,
  type Constraint,
  type RuleResult,
} from './parts/constraint';
import { judgeReliance } from './parts/ifr-reliance';
import { rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.171' } as const;
const DAYS = 30;

/** Largest permissible bearing error by method, tenths of a degree. Source: 14 CFR 91.171(b) and (c) (from memory). */
const ALLOWED: Readonly<Record<NonNullable<VorCheck['method']>, number>> = {
  'test-signal': 40,
  'ground-point': 40,
  'airborne-point': 60,
  airway: 60,
  dual: 40,
};

const check = remedy('check-vor', PILOT_OR_MECHANIC);

/** True for a check with every element that its entry must have. */
const isComplete = ({ method, error, place, signedBy }: VorCheck): boolean =>
  method !== null && error !== null && place !== null && signedBy !== null;
/** What no method allows. */
const MOST = Math.max(...Object.values(ALLOWED));

/** By how much a check passed its limit, signed or not; null where it kept it or does not say. */
function beyond({ method, error }: VorCheck): { readonly error: number; readonly allowed: number } | null {
  const allowed = method === null ? MOST : ALLOWED[method];
  return error !== null && error > allowed ? { error, allowed } : null;
}

/** The complete check that counts is the latest; one that was not finished hides no good one, but an error that somebody found counts no matter who signed. */
function checksOf({ vorChecks, place }: KnownFacts, closes: UseSet): RuleResult {
  const good = latestAll(vorChecks.filter(isComplete));
  const since = good[0]?.happenedAt ?? Number.NEGATIVE_INFINITY;
  const [failed] = vorChecks.filter((check) => check.happenedAt >= since && beyond(check) !== null);
  const [last = failed ?? latestAll(vorChecks)[0] ?? null] = failed === undefined ? good : [failed];
  const made = (given: Pick<Constraint, 'certainty' | 'reason'> & Partial<Constraint>) =>
    constraint({
      key: 'check',
      source,
      records: last === null ? [] : [last.id],
      closes,
      remedies: [check],
      ...given,
    });
  if (last === null)
    return {
      constraints: [made({ certainty: 'unknown', reason: { code: 'vor-check-unknown' } })],
      missing: ['vorChecks'],
    };
  const off = beyond(last);
  if (off !== null)
    return {
      constraints: [made({ certainty: 'failed', reason: { code: 'vor-check-failed', ...off } })],
      missing: [],
    };
  const doneOn = civilDateAt(last.happenedAt, place.zone);
  if (!isComplete(last))
    return {
      constraints: [made({ certainty: 'unknown', reason: { code: 'vor-check-incomplete', doneOn } })],
      missing: ['vorChecks'],
    };
  const lastDay = addDays(doneOn, DAYS);
  return {
    constraints: [
      made({
        certainty: 'failed',
        reason: { code: 'vor-check-expires', lastDay, doneOn },
        begins: from(endOfDay(lastDay, place.zone)),
      }),
    ],
    missing: [],
  };
}

/** A VOR check within 30 days, for instrument flight that relies on them. */
export const vorCheck = rule({
  id: 'vor-check',
  title: 'VOR check',
  source,
  explanation:
    'Instrument flight that relies on VOR needs a VOR check within the last 30 days, within its limit of error, with date, place, bearing error and signature on record. An aircraft that can navigate without VOR is not available only for a flight that relies on it.',
  ...judgeReliance({ only: 'vor-only', says: 'reliesOnVor', source, find: checksOf }),
});
