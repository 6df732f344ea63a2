import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { PaneState, WindowPicture } from '@/core/envelope/window-picture';
import { GateMark } from './gate-mark';
import { WindowMark } from './window-mark';

const VERDICTS = ['Released', 'Restricted', 'Grounded'] as const;
const STATES: readonly PaneState[] = ['open', 'partly', 'closed', 'absent'];
const picture = (state: PaneState): WindowPicture => ({
  panes: { 'day-vfr': state, 'night-vfr': state, 'day-ifr': state, 'night-ifr': state },
  sills: { rental: state, lesson: state, hire: state, tow: state },
});
/** The drawing without its tones: what somebody sees who sees no colour. */
const shape = (markup: string) => markup.replaceAll(/var\(--[a-z-]+\)/g, 'tone');

describe('the gate mark', () => {
  it('has a shape of its own for each verdict, not only a tone', () => {
    expect(
      new Set(VERDICTS.map((verdict) => shape(renderToStaticMarkup(<GateMark verdict={verdict} />)))).size,
    ).toBe(3);
  });
  it('stands beside its word, so readers of the screen skip it', () => {
    for (const verdict of VERDICTS)
      expect(renderToStaticMarkup(<GateMark verdict={verdict} />)).toContain('aria-hidden="true"');
  });
});

describe('the window picture', () => {
  it('draws each state in a shape of its own', () => {
    expect(
      new Set(
        STATES.map((state) => shape(renderToStaticMarkup(<WindowMark window={picture(state)} text="" />))),
      ).size,
    ).toBe(4);
  });
  it('says the same in words', () => {
    const markup = renderToStaticMarkup(<WindowMark window={picture('open')} text="open: day VFR" />);
    expect(markup).toContain('role="img" aria-label="open: day VFR"');
    expect(markup).toContain('<title>open: day VFR</title>');
  });
  it('has four panes and four sills, whatever their state', () => {
    for (const state of STATES)
      expect(
        renderToStaticMarkup(<WindowMark window={picture(state)} text="" />).match(/<rect/g),
      ).toHaveLength(8);
  });
});
