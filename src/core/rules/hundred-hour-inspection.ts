import { union, usesIn } from '../envelope/use-set';
import { uncoveredCategory } from './parts/category';
import { hundredHours } from './parts/hundred-hours';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.409(b)' } as const;

/**
 * What the rule itself closes: carrying anybody for hire, and teaching for hire in an aircraft that the school provides.
 * 'Rated pilot' lessons are closed with the dual ones, since an instructor paid by the school may be aboard.
 */
const CLOSES = union(
  usesIn({ purpose: ['carriage-for-hire'] }),
  usesIn({ purpose: ['instruction-school-aircraft'], crew: ['dual', 'rated-pilot'] }),
);
const POSITIONING = usesIn({ purpose: ['positioning-to-maintenance'] });

/** The hundred-hour inspection by time in service, for the purposes that it applies to. */
export const hundredHourInspection = rule({
  id: 'hundred-hour-inspection',
  title: '100-hour inspection',
  source,
  explanation: 'For carrying people for hire, and for lessons in the school’s own aircraft, an annual or 100-hour inspection must lie within the last 100 hours in service. It may be flown past by up to 10 hours only on the way to the inspection, and the excess is taken off the next interval.',
  judge: (facts) => {
    const closed = uncoveredCategory(facts.aircraft.category, ['standard'], source, CLOSES);
    if (closed !== null) return result([closed], facts.aircraft.category === null ? ['aircraft.category'] : []);
    return hundredHours(facts, source, CLOSES, POSITIONING);
  },
});
