import { union, usesIn } from '../envelope/use-set';
import { uncoveredCategory } from './parts/category';
import { hundredHours } from './parts/hundred-hours';
import { result, rule } from './parts/rule';

const source = { kind: 'club-policy' } as const;

/** Rental to a pilot, and a student alone: the regulation leaves both open past 100 hours. */
const CLOSES = union(
  usesIn({ purpose: ['private-rental'] }),
  usesIn({ purpose: ['instruction-school-aircraft'], crew: ['student-solo'] }),
);

/** How far a club takes the 100-hour limit. The second is the stricter. */
export const HUNDRED_HOUR_COVERS = ['hire-and-lessons', 'rental-and-solo-too'] as const;

/** The club's own widening of the hundred-hour limit. Schools differ; common practice has both. */
export const clubHundredHour = rule({
  id: 'club-hundred-hour',
  title: '100-hour limit for rental and solo',
  source,
  explanation:
    'By club policy an aircraft whose 100-hour inspection is overdue is not available for rental and student solo either, which the regulation allows. A club may choose to apply only the regulation.',
  judge: (
    facts,
    { hundredHourCovers }: { readonly hundredHourCovers: (typeof HUNDRED_HOUR_COVERS)[number] },
  ) => {
    // The Australian release has hours of its own, for every use.
    if (hundredHourCovers === 'hire-and-lessons' || facts.authority === 'au') return result([]);
    const closed = uncoveredCategory(
      facts.aircraft.category,
      ['standard', 'glider', 'light-sport', 'experimental'],
      source,
      CLOSES,
    );
    if (closed !== null)
      return result([closed], facts.aircraft.category === null ? ['aircraft.category'] : []);
    if (facts.aircraft.particulars.programme === 'progressive') return result([]);
    return hundredHours(facts, source, CLOSES);
  },
});
