import { usesIn, type UseSet } from '../envelope/use-set';
import type { KnownFacts } from '../records/facts';
import { addDays } from '../time/civil-date';
import { endOfDay } from '../time/zone';
import { ANYBODY, constraint, from, lift, PILOT_OR_MECHANIC, RECORD_KEEPER, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
/** An aeronautical information cycle. */
const CYCLE_DAYS = 28;
const IFR = usesIn({ rules: ['ifr'] });
const update = lift('update-database', PILOT_OR_MECHANIC);

function currency({ databases, place }: KnownFacts, closes: UseSet): { readonly constraints: readonly Constraint[]; readonly missing: readonly string[] } {
  const dated = databases.filter(({ content }) => content === 'navigation').flatMap(({ id, effectiveOn, lastDay }) => {
    const last = lastDay ?? (effectiveOn === null ? null : addDays(effectiveOn, CYCLE_DAYS - 1));
    return last === null ? [] : [{ id, last }];
  }).sort((a, b) => (a.last < b.last ? 1 : a.last > b.last ? -1 : a.id < b.id ? -1 : 1));
  const [newest] = dated;
  if (newest === undefined) return { constraints: [constraint({ key: 'navigation', certainty: 'unknown', source, reason: { code: 'database-unknown' }, closes, lifts: [update] })], missing: ['databases (navigation)'] };
  return { constraints: [constraint({ key: 'navigation', certainty: 'failed', source, reason: { code: 'database-expires', lastDay: newest.last }, records: [newest.id], closes, begins: from(endOfDay(newest.last, place.zone)), lifts: [update] })], missing: [] };
}

/** The navigation database, in its 28-day cycle, for instrument flight that relies on it. Acknowledging it on the screen does not make it current. */
export const navigationDatabase = rule({
  id: 'navigation-database',
  title: 'Navigation database',
  source,
  explanation: 'Instrument flight that relies on the navigation database needs one whose 28-day cycle has not run out. An expired one stays good for visual flight; obstacle and terrain data have their own dates and close nothing.',
  judge: (facts) => {
    const navigation = facts.aircraft.particulars.ifrNavigation;
    if (navigation === 'vor-only' || navigation === 'either') return result([]);
    if (navigation === null) return result([constraint({ key: 'navigation', certainty: 'unknown', source, reason: { code: 'particular-unknown', what: 'ifr-navigation' }, closes: IFR, lifts: [lift('record-particulars', RECORD_KEEPER, 'ifr-navigation')] })], ['aircraft.ifrNavigation']);
    const { constraints, missing } = currency(facts, IFR);
    return result(constraints, missing);
  },
  judgeFlight: (facts, _, flight, needs) => {
    if (facts.aircraft.particulars.ifrNavigation !== 'either' || flight.rules === 'vfr' || flight.reliesOnDatabase === false) return [];
    return currency(facts, needs).constraints.filter(({ begins }) => begins.kind !== 'instant' || flight.ends > begins.at)
      .map((one) => ({ ...one, begins: { kind: 'recorded' as const }, lifts: flight.reliesOnDatabase === null ? [...one.lifts, lift('state-for-flight', ANYBODY, 'reliesOnDatabase')] : one.lifts }));
  },
});
