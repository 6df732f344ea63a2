import type { Box } from './dimensions';
import { ORDINARY_USES } from './ordinary';
import { howMuchOf, intersection, isEmpty, stretchOf, usesIn, type Stretch, type UseSet } from './use-set';

/** How one pane or sill is drawn. `absent`: the aircraft was never fitted or approved for any use behind it. */
export type PaneState = 'open' | 'partly' | 'closed' | 'absent';

/**
 * The panes and sills, in drawing order, each with the uses behind it.
 * The night panes take dusk with them: position lights are needed in both, so 'night' never looks open in a dusk that is closed.
 */
const PARTS = {
  panes: {
    'day-vfr': { light: ['day'], rules: ['vfr'] },
    'night-vfr': { light: ['dusk', 'night'], rules: ['vfr'] },
    'day-ifr': { light: ['day'], rules: ['ifr'] },
    'night-ifr': { light: ['dusk', 'night'], rules: ['ifr'] },
  },
  sills: {
    rental: { purpose: ['private-rental'] },
    lesson: { purpose: ['instruction-school-aircraft', 'instruction-own-aircraft'] },
    hire: { purpose: ['carriage-for-hire'] },
    tow: { purpose: ['glider-towing'] },
  },
} as const satisfies Record<string, Record<string, Box>>;

export type Pane = keyof typeof PARTS.panes;
export type Sill = keyof typeof PARTS.sills;

/** The model of the small picture that shows what an aircraft is open for. */
export interface WindowPicture {
  readonly panes: Readonly<Record<Pane, PaneState>>;
  readonly sills: Readonly<Record<Sill, PaneState>>;
}

const behind = (box: Box): UseSet => intersection(usesIn(box), ORDINARY_USES);
const BEHIND = [
  ...Object.entries(PARTS.panes).map(([name, box]) => ({ group: 'panes', name, uses: behind(box) }) as const),
  ...Object.entries(PARTS.sills).map(([name, box]) => ({ group: 'sills', name, uses: behind(box) }) as const),
];

/** A pane or sill with the uses behind it that one aircraft has; null when it has none. */
export interface WindowPart {
  readonly group: 'panes' | 'sills';
  readonly name: string;
  readonly has: Stretch | null;
}

/** The parts of the picture for an aircraft that has `full`: the same until its approvals change. */
export function windowParts(full: UseSet): readonly WindowPart[] {
  return BEHIND.map(({ group, name, uses }) => {
    const has = intersection(uses, full);
    return { group, name, has: isEmpty(has) ? null : stretchOf(has) };
  });
}

/** The picture of `open`. A part is open only if every use behind it that the aircraft has is open. */
export function windowPicture(open: UseSet, parts: readonly WindowPart[]): WindowPicture {
  const picture: Record<'panes' | 'sills', Record<string, PaneState>> = { panes: {}, sills: {} };
  for (const { group, name, has } of parts)
    picture[group][name] =
      has === null
        ? 'absent'
        : ({ all: 'open', some: 'partly', none: 'closed' } as const)[howMuchOf(has, open)];
  return picture as unknown as WindowPicture;
}
