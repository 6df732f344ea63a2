import { DIMENSIONS, type Box, type Purpose } from '../core/envelope/dimensions';
import { MAINTENANCE_USES, ORDINARY_USES, POSITIONING } from '../core/envelope/ordinary';
import { intersection, isEmpty, isWithin, overlaps, usesIn, type UseSet } from '../core/envelope/use-set';
import type { Pane, PaneState, Sill, WindowPicture } from '../core/envelope/window-picture';
import { list } from './formats';

const PANE_NAMES: Readonly<Record<Pane, string>> = { 'day-vfr': 'day VFR', 'night-vfr': 'dusk and night VFR', 'day-ifr': 'day IFR', 'night-ifr': 'dusk and night IFR' };
const SILL_NAMES: Readonly<Record<Sill, string>> = { rental: 'rental', lesson: 'lessons', hire: 'hire', tow: 'towing' };

function withState(window: WindowPicture, state: PaneState): readonly string[] {
  return [
    ...(Object.keys(PANE_NAMES) as Pane[]).filter((pane) => window.panes[pane] === state).map((pane) => PANE_NAMES[pane]),
    ...(Object.keys(SILL_NAMES) as Sill[]).filter((sill) => window.sills[sill] === state).map((sill) => SILL_NAMES[sill]),
  ];
}

/** The text equivalent of the window picture: what is open, partly open, closed, and what the aircraft never had. */
export function windowText(window: WindowPicture): string {
  const parts: readonly (readonly [string, PaneState])[] = [['open', 'open'], ['partly open', 'partly'], ['closed', 'closed'], ['not fitted or approved', 'absent']];
  return parts.map(([word, state]) => [word, withState(window, state)] as const).filter(([, names]) => names.length > 0)
    .map(([word, names]) => `${word}: ${list(names)}`).join('; ');
}

const PANES: readonly (readonly [string, Box])[] = [['Day VFR', { light: ['day'], rules: ['vfr'] }], ['Night VFR', { light: ['dusk', 'night'], rules: ['vfr'] }], ['Day IFR', { light: ['day'], rules: ['ifr'] }], ['Night IFR', { light: ['dusk', 'night'], rules: ['ifr'] }]];
const USE_NAMES: Readonly<Record<Purpose, string>> = {
  'private-rental': 'private rental', 'instruction-school-aircraft': 'lessons', 'instruction-own-aircraft': 'lessons for its owner', 'carriage-for-hire': 'carriage for hire', 'glider-towing': 'towing', 'positioning-to-maintenance': '', 'maintenance-check-flight': '',
};

/** What of a pane is open, in words: all uses, some purposes only, or none; null where the aircraft has nothing there. */
function openIn(pane: Box, open: UseSet, full: UseSet): string | null {
  const has = intersection(intersection(full, ORDINARY_USES), usesIn(pane));
  if (isEmpty(has)) return null;
  if (isWithin(has, open)) return 'all uses';
  if (!overlaps(has, open)) return 'none';
  const names = DIMENSIONS.purpose.flatMap((purpose) => {
    const own = intersection(has, usesIn({ purpose: [purpose] }));
    return isEmpty(own) || !overlaps(own, open) ? [] : [isWithin(own, open) ? USE_NAMES[purpose] : `some ${USE_NAMES[purpose]}`];
  });
  return `${list(names)} only`;
}

/** What the aircraft is available for, by light and flight rules: 'Day VFR: all uses. Night VFR: private rental only.' Panes that say the same are told together. */
export function availabilityText(open: UseSet, full: UseSet): string {
  const told = PANES.flatMap(([name, pane]) => { const text = openIn(pane, open, full); return text === null ? [] : [[name, text] as const]; });
  if (told.every(([, text]) => text === 'none')) return overlaps(open, POSITIONING) ? 'Ferry flight to maintenance only.' : overlaps(open, MAINTENANCE_USES) ? 'Maintenance check flight only.' : 'Not available for any use.';
  const texts = [...new Set(told.map(([, text]) => text))];
  return texts.map((text) => `${list(told.filter(([, other]) => other === text).map(([name]) => name))}: ${text}.`).join(' ');
}
