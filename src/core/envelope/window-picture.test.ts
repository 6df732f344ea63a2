import { describe, expect, it } from 'vitest';
import { ALL_USES, difference, NO_USES, usesIn, type UseSet } from './use-set';
import { windowParts, windowPicture as drawn } from './window-picture';

const windowPicture = (open: UseSet, full: UseSet) => drawn(open, windowParts(full));

const VFR_CLUB = usesIn({
  rules: ['vfr'],
  purpose: [
    'private-rental',
    'instruction-school-aircraft',
    'carriage-for-hire',
    'positioning-to-maintenance',
  ],
});

describe('the window picture', () => {
  it('shows everything open, and everything closed', () => {
    const open = windowPicture(ALL_USES, ALL_USES);
    expect([...Object.values(open.panes), ...Object.values(open.sills)]).toEqual(
      Array<string>(8).fill('open'),
    );
    const closed = windowPicture(NO_USES, ALL_USES);
    expect([...Object.values(closed.panes), ...Object.values(closed.sills)]).toEqual(
      Array<string>(8).fill('closed'),
    );
  });

  it('leaves out what the aircraft was never fitted or approved for', () => {
    expect(windowPicture(VFR_CLUB, VFR_CLUB)).toEqual({
      panes: { 'day-vfr': 'open', 'night-vfr': 'open', 'day-ifr': 'absent', 'night-ifr': 'absent' },
      sills: { rental: 'open', lesson: 'open', hire: 'open', tow: 'absent' },
    });
  });

  it('fills a pane only if every use behind it is open: a closed dusk alone makes the night pane partly open', () => {
    const { panes, sills } = windowPicture(difference(VFR_CLUB, usesIn({ light: ['dusk'] })), VFR_CLUB);
    expect(panes).toMatchObject({ 'day-vfr': 'open', 'night-vfr': 'partly' });
    expect(sills.rental).toBe('partly');
  });

  it('does not count maintenance flights as open: they are not ordinary uses', () => {
    const open = usesIn({ rules: ['vfr'], purpose: ['positioning-to-maintenance'] });
    expect(windowPicture(open, VFR_CLUB).panes['day-vfr']).toBe('closed');
  });
});
