import { difference, isEmpty, NO_USES, union, usesIn, type UseSet } from '../envelope/use-set';
import { constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const lightSport = { kind: 'regulation', citation: '14 CFR 91.327(a), as before 24 July 2026' } as const;
const experimental = { kind: 'regulation', citation: '14 CFR 91.319, as before 24 July 2026' } as const;

const HIRE = usesIn({ purpose: ['carriage-for-hire'] });
const EXPERIMENTAL_HIRE = usesIn({
  purpose: ['carriage-for-hire', 'private-rental', 'instruction-school-aircraft', 'glider-towing'],
});
/** Night and instruments, as far as the limitations do not authorise them. */
const notAuthorised = (authorised: readonly ('night' | 'instruments')[]): UseSet =>
  union(
    authorised.includes('night') ? NO_USES : usesIn({ light: ['dusk', 'night'] }),
    authorised.includes('instruments') ? NO_USES : usesIn({ rules: ['ifr'] }),
  );

/**
 * What a certification category allows. Light-sport aircraft carry nobody for hire but may tow gliders and teach; experimental
 * ones may not be used for hire at all and fly by day and visually, unless their own operating limitations, as they are on record,
 * authorise night or instruments.
 */
export const categoryLimits = rule({
  id: 'category-limits',
  title: 'What the certification category allows',
  source: { kind: 'regulation', citation: '14 CFR 91.327 and 91.319, as before 24 July 2026' },
  explanation:
    'A light-sport aircraft may not carry people for hire; towing gliders and teaching are allowed. An experimental aircraft may not be used for hire, and flies by day and visually unless its operating limitations authorise more.',
  judge: ({
    aircraft: {
      category,
      particulars: { authorised = [] },
    },
  }) => {
    if (category === 'light-sport') {
      return result([
        constraint({
          key: 'hire',
          certainty: 'failed',
          source: lightSport,
          reason: { code: 'category-closes', category, what: 'hire-but-lessons-and-towing' },
          closes: HIRE,
          remedies: [],
        }),
      ]);
    }
    if (category === 'experimental') {
      return result([
        constraint({
          key: 'hire',
          certainty: 'failed',
          source: experimental,
          reason: { code: 'category-closes', category, what: 'hire' },
          closes: EXPERIMENTAL_HIRE,
          remedies: [],
        }),
        ...[notAuthorised(authorised)]
          .filter((closes) => !isEmpty(closes))
          .map((closes) =>
            constraint({
              key: 'night',
              certainty: 'failed',
              source: experimental,
              reason: { code: 'category-closes', category, what: 'night-and-instruments' },
              closes: difference(closes, EXPERIMENTAL_HIRE),
              remedies: [],
            }),
          ),
      ]);
    }
    return result([]);
  },
});
