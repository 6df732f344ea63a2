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

/** The short form for a row: only what is open, or 'nothing'. */
export function openForText(window: WindowPicture): string {
  const open = withState(window, 'open');
  const partly = withState(window, 'partly');
  if (open.length + partly.length === 0) return 'open for nothing';
  return `open for ${list([...open, ...partly.map((name) => `part of ${name}`)])}`;
}
