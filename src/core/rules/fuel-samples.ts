import { lastReturn, latestOf } from '../records/facts';
import { startOfDay, civilDateAt } from '../time/zone';
import { ANYBODY, constraint, lift, type Constraint } from './parts/constraint';
import type { Reason } from './parts/reason';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
const sample = lift('sample-fuel', ANYBODY);

/** How often fuel is sampled, from the loosest to the strictest. */
export const FUEL_SAMPLING = ['after-fuelling', 'first-of-day-and-after-fuelling', 'every-flight-and-after-fuelling'] as const;

/** Fuel sampled clean of every drain, as often as the club asks and after any fuelling. */
export const fuelSamples = rule({
  id: 'fuel-samples',
  title: 'Fuel samples',
  source,
  explanation: 'After any fuelling every drain is sampled before the aircraft moves; schools differ on whether also before every flight or only before the first of the day. The strictest is the default.',
  judge: ({ ramp }) => (ramp === null ? NOT_ASKED : result([])),
  judgeFlight: (facts, { fuelSampling }: { readonly fuelSampling: (typeof FUEL_SAMPLING)[number] }, flight, needs): readonly Constraint[] => {
    const { ramp, aircraft, place } = facts;
    if (ramp === null || aircraft.category === 'glider' || aircraft.particulars.engine === 'none') return [];
    const needed = (because: Extract<Reason, { code: 'sample-needed' }>['because']) => [constraint({ key: 'sample', certainty: 'failed', source, reason: { code: 'sample-needed', because }, closes: needs, lifts: [sample], condition: true })];
    const last = latestOf(ramp.samples.filter(({ result: found }) => found === 'clean'));
    if (last === null) return needed('none');
    if (last.everyDrain !== true) return needed('not-every-drain');
    // Of the same moment counts as fuelled after it: nobody knows which came first.
    if (ramp.uplifts.some(({ what, happenedAt }) => what === 'fuel' && happenedAt >= last.happenedAt)) return needed('fuelled-since');
    const returned = lastReturn(facts);
    if (fuelSampling === 'every-flight-and-after-fuelling' && returned !== null && returned > last.happenedAt) return needed('flown-since');
    if (fuelSampling !== 'after-fuelling' && last.happenedAt < startOfDay(civilDateAt(flight.starts, place.zone), place.zone)) return needed('not-today');
    return [];
  },
});
