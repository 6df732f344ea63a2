import { describe, expect, it } from 'vitest';
import type { Json } from '@/contracts/merge-patch';
import { decideBy } from '@/testing/clean-case';
import { source } from './source';

const shop = { name: 'Cape Reach Workshop', certificate: { kind: 'repair-station', number: 'RS-1', validFrom: '2000-01-01', validUntil: 'no-expiry' } };
const mechanic = { name: 'Tomas Brandl', certificate: { kind: 'mechanic-airframe-powerplant', number: 'AP-1', validFrom: '2000-01-01', validUntil: 'no-expiry' } };
const ask = (kind: 'altimeter-static' | 'transponder', completedOn: string, asOf: string, signedBy: Json = shop, work: Json = null) => decideBy(['altimeter-static', 'transponder-test', 'approved-uses'], {
  asOf: `${asOf}T16:00:00Z`, packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }], aircraft: { approvedFor: 'all' }, work,
  inspections: { 'transponder-2026': { completedOn: kind === 'transponder' ? completedOn : asOf, recordedAt: `${kind === 'transponder' ? completedOn : asOf}T15:00:00Z`, signedBy: kind === 'transponder' ? signedBy : shop }, 'altimeter-2026': { completedOn: kind === 'transponder' ? asOf : completedOn, recordedAt: `${kind === 'transponder' ? asOf : completedOn}T15:00:00Z`, signedBy: kind === 'transponder' ? shop : signedBy } },
});
const work = (change: { readonly [key: string]: Json }): Json => ({ w: { recordedAt: '2023-06-10T20:00:00Z', completedOn: '2023-06-10', description: 'Panel work', signedBy: mechanic, mayChangeFlight: false, staticOpened: false, altitudeReportingTouched: false, ...change } });

describe(source.section, () => {
  it.each([['2024-02-29', 'open'], ['2024-03-01', 'closed']] as const)('91.411: tested 2022-02-28, asked on %s: instrument flight %s, visual flight open', (day, state) => {
    const { window } = ask('altimeter-static', '2022-02-28', day);
    expect([window.panes['day-ifr'], window.panes['day-vfr']]).toEqual([state, 'open']);
  });
  it('91.411(a)(2): opened static system needs its test again', () => { expect(ask('altimeter-static', '2023-01-10', '2023-07-01', shop, work({ staticOpened: true })).window.panes['day-ifr']).toBe('closed'); });
  it('91.411(b): a mechanic’s own certificate signs no altimeter test', () => { expect(ask('altimeter-static', '2023-01-10', '2023-07-01', mechanic).window.panes['day-ifr']).toBe('closed'); });
  it.each([['2024-02-29', 'Released'], ['2024-03-01', 'Restricted']] as const)('91.413: tested 2022-02-28, asked on %s: %s', (day, verdict) => { expect(ask('transponder', '2022-02-28', day).verdict).toBe(verdict); });
  it('91.413(a): expired, visual flight outside the airspace that needs it goes with the transponder off', () => {
    const wanted = (inside: 'inside' | 'outside') => decideBy(['transponder-test', 'approved-uses'], { packs: [{ id: 'us-part91', parameters: { trainingUnder: 'part-61' } }], inspections: { 'transponder-2026': { completedOn: '2022-02-28', recordedAt: '2022-02-28T20:00:00Z' } }, wanted: [{ transponderAirspace: [inside], broadcastAirspace: ['outside'], purpose: ['private-rental'], rules: ['vfr'], overWater: ['within-glide'] }] }).wanted?.answer;
    expect([wanted('outside'), wanted('inside')]).toEqual(['yes', 'no']);
  });
  it('91.413(b): tested again after work that could make it report a wrong altitude', () => { expect(ask('transponder', '2023-01-10', '2023-07-01', shop, work({ altitudeReportingTouched: true })).verdict).toBe('Restricted'); });
});
