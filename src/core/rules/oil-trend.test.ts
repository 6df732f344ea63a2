import { describe, expect, it } from 'vitest';
import { decideBy, said } from '@/testing/clean-case';
import type { Change } from '@/testing/lesson';
import { engineer, student } from '@/testing/rules/maintenance';

const mechanic = {
  ...engineer,
  certificate: { ...engineer.certificate, kind: 'mechanic-airframe-powerplant', number: 'AP-1' },
};
/** A quart added at a day of November and a time in service. */
const quart = (day: string, timeInService: number, change: Change = {}) => ({
  happenedAt: `2026-11-${day}T12:00:00Z`,
  recordedAt: `2026-11-${day}T12:00:00Z`,
  what: 'oil',
  added: { amount: 1, unit: 'US qt' },
  timeInService,
  ...change,
});
/** Looked at on the 20th, as a mechanic signs it. */
const looked = (change: Change = {}) => ({
  cleared: { recordedAt: '2026-11-20T18:00:00Z', on: '2026-11-20', by: mechanic, ...change },
});
const HIGH = ['use: oil-use-high~ [a,b,c,d] have-trend-looked-at(oil)'];
const ask = (uplifts: Change) => said(decideBy(['oil-trend'], { ramp: { measurements: {}, uplifts } }));
/** Four quarts in three hours: a quart an hour, above the half that the club takes. */
const four = (change: Change = {}) => ({
  a: quart('17', 4101, change),
  b: quart('18', 4102, change),
  c: quart('19', 4103, change),
  d: quart('20', 4104, change),
});

describe('oil consumption', () => {
  it('above the club’s limit a mechanic looks', () => {
    expect(ask(four())).toEqual(HIGH);
    expect(ask({ ...four(), a: quart('17', 4095), b: quart('18', 4098), c: quart('19', 4101) })).toEqual([]);
  });
  it('once one has, what was put in before no longer speaks, and what is put in after it does', () => {
    expect(ask(four(looked()))).toEqual([]);
    // One judged by name is enough: what came before it was there to be seen.
    expect(ask({ ...four(), d: quart('20', 4104, looked()) })).toEqual([]);
    const since = { e: quart('21', 4105), f: quart('22', 4106), g: quart('23', 4107) };
    expect(ask({ ...four(looked()), ...since })).toEqual([]);
    expect(ask({ ...four(looked()), ...since, h: quart('24', 4108) })).toEqual([
      'use: oil-use-high~ [e,f,g,h] have-trend-looked-at(oil)',
    ]);
  });
  it('a reading that was typed too low hides nothing that was put in after the look', () => {
    const since = { e: quart('21', 4101), f: quart('22', 4102), g: quart('23', 4103), h: quart('24', 4104) };
    expect(ask({ ...four(looked()), ...since })).toEqual([
      'use: oil-use-high~ [e,f,g,h] have-trend-looked-at(oil)',
    ]);
  });
  it.each([
    ['signed by a student', { by: student }],
    ['before the last was put in', { on: '2026-11-19' }],
    ['for a day that had not come', { on: '2026-11-21' }],
    ['written down before it', { recordedAt: '2026-11-16T18:00:00Z' }],
    ['not yet written down', { recordedAt: '2026-11-24T18:00:00Z', on: '2026-11-24' }],
  ])('a look that does not count: %s', (_, change) => {
    expect(ask({ ...four(), d: quart('20', 4104, looked(change)) })).toEqual(HIGH);
  });
  it('a look at fuel is none at the oil', () => {
    const fuel = quart('20', 4104, { what: 'fuel', added: { amount: 5, unit: 'US gal' }, ...looked() });
    expect(ask({ ...four(), f: fuel })).toEqual(HIGH);
  });
});
