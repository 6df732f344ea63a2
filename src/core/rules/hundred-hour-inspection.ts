import { union, usesIn } from '../envelope/use-set';
import { uncoveredCategory } from './parts/category';
import { hundredHours } from './parts/hundred-hours';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.409(b)' } as const;
const lightSport = {
  kind: 'regulation',
  citation: '14 CFR 91.327(c) and 91.319(g), as before 24 July 2026',
} as const;
const schools = { kind: 'regulation', citation: '14 CFR 141.39(a)' } as const;

/**
 * What the rule itself closes: carrying anybody for hire, and teaching for hire in an aircraft that the school provides.
 * 'Rated pilot' lessons are closed with the dual ones, since an instructor paid by the school may be aboard.
 */
const CLOSES = union(
  usesIn({ purpose: ['carriage-for-hire'] }),
  usesIn({ purpose: ['instruction-school-aircraft'], crew: ['dual', 'rated-pilot'] }),
);
/** Light-sport aircraft need it for teaching and towing for hire. */
const LIGHT_SPORT_CLOSES = union(CLOSES, usesIn({ purpose: ['glider-towing'] }));
/** Under part 141 the aircraft of a course is maintained as for hire: solo and rental in it too. */
const SCHOOL_CLOSES = usesIn({ purpose: ['instruction-school-aircraft'], crew: ['student-solo'] });

/** How a school trains. The second is the stricter. */
export const TRAINING_UNDER = ['part-61', 'part-141'] as const;

/** The hundred-hour inspection by time in service, for the purposes that it applies to. */
export const hundredHourInspection = rule({
  id: 'hundred-hour-inspection',
  title: '100-hour inspection',
  source,
  explanation:
    'For carrying people for hire, and for lessons in the school’s own aircraft, an annual or 100-hour inspection must lie within the last 100 hours in service. With people carried or taught for hire the limit may be exceeded only on the way to the inspection; the excess, at most 10 hours, is taken off the next interval. A flight to the inspection with nobody on board for hire is not limited. A light-sport aircraft needs it for teaching and towing; at a part 141 school solo flights of the course need it too.',
  judge: (facts, { trainingUnder }: { readonly trainingUnder: (typeof TRAINING_UNDER)[number] }) => {
    const { category, particulars } = facts.aircraft;
    const closed = uncoveredCategory(
      category,
      ['standard', 'glider', 'light-sport', 'experimental'],
      source,
      CLOSES,
    );
    if (closed !== null) return result([closed], category === null ? ['aircraft.category'] : []);
    if (particulars.programme === 'progressive') return result([]);
    const light = category === 'light-sport' || category === 'experimental';
    const own = hundredHours(facts, light ? lightSport : source, light ? LIGHT_SPORT_CLOSES : CLOSES);
    if (trainingUnder === 'part-61') return own;
    const school = hundredHours(facts, schools, SCHOOL_CLOSES);
    return result(
      [...own.constraints, ...school.constraints.map((one) => ({ ...one, key: `school-${one.key}` }))],
      own.missing,
    );
  },
});
