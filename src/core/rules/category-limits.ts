import { difference, union, usesIn } from '../envelope/use-set';
import { constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const lightSport = { kind: 'regulation', citation: '14 CFR 91.327(a), as before 24 July 2026' } as const;
const experimental = { kind: 'regulation', citation: '14 CFR 91.319, as before 24 July 2026' } as const;

const HIRE = usesIn({ purpose: ['carriage-for-hire'] });
const EXPERIMENTAL_HIRE = usesIn({ purpose: ['carriage-for-hire', 'private-rental', 'instruction-school-aircraft', 'glider-towing'] });
const NOT_DAY_VFR = union(usesIn({ light: ['dusk', 'night'] }), usesIn({ rules: ['ifr'] }));

/**
 * What a certification category allows. Light-sport aircraft carry nobody for hire but may tow gliders and teach; experimental
 * ones may not be used for hire at all and fly by day and visually, unless their own limitations say more: those stand in the
 * approved uses, and this rule answers the strict text.
 */
export const categoryLimits = rule({
  id: 'category-limits',
  title: 'What the certification category allows',
  source: { kind: 'regulation', citation: '14 CFR 91.327 and 91.319, as before 24 July 2026' },
  explanation: 'A light-sport aircraft may not carry people for hire; towing gliders and teaching are allowed. An experimental aircraft may not be used for hire, and flies by day and visually.',
  judge: ({ aircraft: { category } }) => {
    if (category === 'light-sport') {
      return result([constraint({ key: 'hire', certainty: 'failed', source: lightSport, reason: { code: 'category-closes', category, what: 'hire-but-lessons-and-towing' }, closes: HIRE, lifts: [] })]);
    }
    if (category === 'experimental') {
      return result([
        constraint({ key: 'hire', certainty: 'failed', source: experimental, reason: { code: 'category-closes', category, what: 'hire' }, closes: EXPERIMENTAL_HIRE, lifts: [] }),
        constraint({ key: 'night', certainty: 'failed', source: experimental, reason: { code: 'category-closes', category, what: 'night-and-instruments' }, closes: difference(NOT_DAY_VFR, EXPERIMENTAL_HIRE), lifts: [] }),
      ]);
    }
    return result([]);
  },
});
