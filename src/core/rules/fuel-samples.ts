import { isWithoutEngine } from '../records/aircraft/aircraft';
import { lastReturn } from '../records/facts';
import { isAsked } from '../records/walkround/measurement';
import { startOfDay, civilDateAt } from '../time/zone';
import { ANYBODY, constraint, remedy, type Constraint } from './parts/constraint';
import { drainsOf, type SampledDrain } from './parts/fuel-drains';
import type { Reason } from './parts/reason';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
type Because = Extract<Reason, { code: 'sample-needed' }>['because'];

const sample = remedy('sample-fuel', ANYBODY);

/** How often fuel is sampled, from the loosest to the strictest. */
export const FUEL_SAMPLING = [
  'after-fuelling',
  'first-of-day-and-after-fuelling',
  'every-flight-and-after-fuelling',
] as const;

/** Fuel sampled clean at every drain, each by itself, as often as the club asks and after any fuelling. */
export const fuelSamples = rule({
  id: 'fuel-samples',
  title: 'Fuel samples',
  source,
  explanation:
    'After any fuelling every drain is sampled before the aircraft moves; schools differ on whether also before every flight or only before the first of the day. The strictest is the default.',
  judge: ({ ramp }) => (isAsked(ramp) ? result([]) : NOT_ASKED),
  judgeFlight: (
    facts,
    { fuelSampling }: { readonly fuelSampling: (typeof FUEL_SAMPLING)[number] },
    flight,
    needs,
  ): readonly Constraint[] => {
    const { ramp, aircraft, place } = facts;
    if (!isAsked(ramp) || isWithoutEngine(aircraft)) return [];
    const fuelled = ramp.uplifts.filter(({ what }) => what === 'fuel');
    const returned = lastReturn(facts);
    const today = startOfDay(civilDateAt(flight.starts, place.zone), place.zone);
    const lacks = (sampled: SampledDrain): Because | null => {
      // A sample of which nobody knows the drain is good for none.
      const clean = sampled.samples.filter((one) => one.result === 'clean' && one.drain !== null);
      const last = clean.reduce(
        (latest, { happenedAt }) => Math.max(latest, happenedAt),
        Number.NEGATIVE_INFINITY,
      );
      if (clean.length === 0)
        return ramp.samples.some(({ result: found }) => found === 'clean') ? 'not-every-drain' : 'none';
      // Of the same moment counts as fuelled after it: nobody knows which came first.
      if (fuelled.some(({ happenedAt }) => happenedAt >= last)) return 'fuelled-since';
      if (fuelSampling === 'every-flight-and-after-fuelling' && returned !== null && returned > last)
        return 'flown-since';
      return fuelSampling !== 'after-fuelling' && last < today ? 'not-today' : null;
    };
    for (const sampled of drainsOf(facts)) {
      const because = lacks(sampled);
      if (because !== null)
        return [
          constraint({
            key: 'sample',
            certainty: 'failed',
            source,
            reason: { code: 'sample-needed', because, drain: sampled.drain },
            closes: needs,
            remedies: [sample],
            condition: true,
          }),
        ];
    }
    return [];
  },
});
