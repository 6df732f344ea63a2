import {
  DIMENSION_NAMES,
  DIMENSIONS,
  type Box,
  type Dimension,
  type Purpose,
  type ValueOf,
} from '../core/envelope/dimensions';
import { MAINTENANCE_USES, ORDINARY_USES, POSITIONING } from '../core/envelope/ordinary';
import {
  intersection,
  isEmpty,
  isWithin,
  overlaps,
  rememberedOfUses,
  usesIn,
  type UseSet,
} from '../core/envelope/use-set';
import type { Pane, PaneState, Sill, WindowPicture } from '../core/envelope/window-picture';
import { list } from './wording';
import { USE_NAMES } from './names';

const PANE_NAMES: Readonly<Record<Pane, string>> = {
  'day-vfr': 'day VFR',
  'night-vfr': 'dusk and night VFR',
  'day-ifr': 'day IFR',
  'night-ifr': 'dusk and night IFR',
};
const SILL_NAMES: Readonly<Record<Sill, string>> = {
  rental: 'rental',
  lesson: 'lessons',
  hire: 'hire',
  tow: 'towing',
};

function withState(window: WindowPicture, state: PaneState): readonly string[] {
  return [
    ...(Object.keys(PANE_NAMES) as Pane[])
      .filter((pane) => window.panes[pane] === state)
      .map((pane) => PANE_NAMES[pane]),
    ...(Object.keys(SILL_NAMES) as Sill[])
      .filter((sill) => window.sills[sill] === state)
      .map((sill) => SILL_NAMES[sill]),
  ];
}

/** The text equivalent of the window picture: what is open, partly open, closed, and what the aircraft never had. */
export function windowText(window: WindowPicture): string {
  const parts: readonly (readonly [string, PaneState])[] = [
    ['open', 'open'],
    ['partly open', 'partly'],
    ['closed', 'closed'],
    ['not fitted or approved', 'absent'],
  ];
  return parts
    .map(([word, state]) => [word, withState(window, state)] as const)
    .filter(([, names]) => names.length > 0)
    .map(([word, names]) => `${word}: ${list(names)}`)
    .join('; ');
}

const PANES: readonly (readonly [string, Box])[] = [
  ['Day VFR', { light: ['day'], rules: ['vfr'] }],
  ['Night VFR', { light: ['dusk', 'night'], rules: ['vfr'] }],
  ['Day IFR', { light: ['day'], rules: ['ifr'] }],
  ['Night IFR', { light: ['dusk', 'night'], rules: ['ifr'] }],
];

/** What of a pane is open, in words: all uses, some purposes only, or none; null where the aircraft has nothing there. */
function openIn(pane: Box, open: UseSet, full: UseSet): string | null {
  const has = intersection(intersection(full, ORDINARY_USES), usesIn(pane));
  if (isEmpty(has)) return null;
  if (isWithin(has, open)) return 'all uses';
  if (!overlaps(has, open)) return 'none';
  const within = limitsOf(has, open);
  if (within !== null) {
    const purposes = within.purpose;
    return [
      purposes === null ? 'all uses' : `${list(purposes.map((purpose) => USE_NAMES[purpose]))} only`,
      ...within.words,
    ].join(', ');
  }
  // No one sentence says it: each purpose by itself.
  return list(
    DIMENSIONS.purpose.flatMap((purpose) => {
      const own = intersection(has, usesIn({ purpose: [purpose] }));
      if (isEmpty(own) || !overlaps(own, open)) return [];
      const limits = isWithin(own, open) ? { words: [] } : limitsOf(own, open);
      return [
        `${USE_NAMES[purpose]}${limits === null ? ' in part (see the reasons)' : limits.words.length === 0 ? '' : ` (${limits.words.join(', ')})`}`,
      ];
    }),
  );
}

/** How a dimension beside light, rules and purpose limits what is open. */
const LIMITS = {
  crew: (values) =>
    `${list(
      values.map(
        (value) => ({ 'student-solo': 'student solo', dual: 'dual', 'rated-pilot': 'rated pilot' })[value],
      ),
      'or',
    )} only`,
  range: (values) =>
    `${list(
      values.map((value) => ({ local: 'local', 'cross-country': 'cross-country', abroad: 'abroad' })[value]),
      'or',
    )} only`,
  transponderAirspace: ([value]) =>
    value === 'outside' ? 'outside transponder airspace' : 'inside transponder airspace',
  adsbAirspace: ([value]) => (value === 'outside' ? 'outside ADS-B airspace' : 'inside ADS-B airspace'),
  overWater: ([value]) =>
    value === 'within-glide'
      ? 'within gliding distance of the shore'
      : 'beyond gliding distance of the shore',
  passengers: ([value]) => (value === 'none' ? 'without passengers' : 'with passengers'),
  light: (values) => `${list(values, 'or')} only`,
} as const satisfies {
  readonly [D in Exclude<Dimension, 'rules' | 'purpose'>]: (values: readonly ValueOf<D>[]) => string;
};

/** What is open of `has`, where it is what has certain values of each dimension: the purposes (null is all of them) and the limits in words. Null where it is not. */
function limitsOf(
  has: UseSet,
  open: UseSet,
): { readonly purpose: readonly Purpose[] | null; readonly words: readonly string[] } | null {
  const opened = intersection(has, open);
  const values = <D extends Dimension>(name: D, set: UseSet) =>
    (DIMENSIONS[name] as readonly ValueOf<D>[]).filter((value) =>
      overlaps(usesIn({ [name]: [value] } as Box), set),
    );
  const box = Object.fromEntries(DIMENSION_NAMES.map((name) => [name, values(name, opened)])) as Box;
  if (!isWithin(intersection(has, usesIn(box)), open)) return null;
  const limits = <D extends Dimension>(name: D) => {
    const left = values(name, opened);
    return left.length === values(name, has).length ? null : left;
  };
  const told = (Object.keys(LIMITS) as (keyof typeof LIMITS)[]).flatMap((name) => {
    const left = limits(name);
    return left === null ? [] : [(LIMITS[name] as (values: readonly string[]) => string)(left)];
  });
  const airspaces = ['outside transponder airspace', 'outside ADS-B airspace'];
  const words = airspaces.every((one) => told.includes(one))
    ? [...told.filter((one) => !airspaces.includes(one)), 'outside transponder and ADS-B airspace']
    : told;
  return { purpose: limits('purpose'), words };
}

/** So many pairs of sets are remembered: a fleet has few that differ. */
const MOST_REMEMBERED = 2000;

/** What the aircraft is available for, by light and flight rules: 'Day VFR: all uses. Night VFR: private rental only.' Panes that say the same are told together. */
export const availabilityText = rememberedOfUses(availability, MOST_REMEMBERED);

function availability(open: UseSet, full: UseSet): string {
  const told = PANES.flatMap(([name, pane]) => {
    const text = openIn(pane, open, full);
    return text === null ? [] : [[name, text] as const];
  });
  if (told.every(([, text]) => text === 'none'))
    return overlaps(open, POSITIONING)
      ? 'Ferry flight to maintenance only.'
      : overlaps(open, MAINTENANCE_USES)
        ? 'Maintenance check flight only.'
        : 'Not available for any use.';
  const texts = [...new Set(told.map(([, text]) => text))];
  return texts
    .map((text) => `${list(told.filter(([, other]) => other === text).map(([name]) => name))}: ${text}.`)
    .join(' ');
}
