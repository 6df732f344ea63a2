import type { Box } from './dimensions';
import { ORDINARY_USES } from './ordinary';
import { intersection, isEmpty, isWithin, overlaps, usesIn, type UseSet } from './use-set';

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
const PANES = Object.entries(PARTS.panes).map(([name, box]) => [name, behind(box)] as const);
const SILLS = Object.entries(PARTS.sills).map(([name, box]) => [name, behind(box)] as const);

/**
 * The picture of `open`, for an aircraft that has `full`.
 * A part is open only if every use behind it that the aircraft has is open.
 */
export function windowPicture(open: UseSet, full: UseSet): WindowPicture {
  const state = (uses: UseSet): PaneState => {
    const has = intersection(uses, full);
    if (isEmpty(has)) return 'absent';
    if (isWithin(has, open)) return 'open';
    return overlaps(has, open) ? 'partly' : 'closed';
  };
  return {
    panes: Object.fromEntries(PANES.map(([name, uses]) => [name, state(uses)])) as Record<Pane, PaneState>,
    sills: Object.fromEntries(SILLS.map(([name, uses]) => [name, state(uses)])) as Record<Sill, PaneState>,
  };
}
