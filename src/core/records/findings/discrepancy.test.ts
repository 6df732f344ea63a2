import { describe, expect, it } from 'vitest';
import { civilDate } from '../../time/civil-date';
import { addSeconds, instant } from '../../time/instant';
import { zone } from '../../time/zone';
import type { Signature } from '../club/certificate';
import { PREVENTIVE_TASKS } from '../maintenance/preventive-maintenance';
import {
  CLASSIFICATIONS,
  closingWork,
  deferralFaults,
  isDeferrable,
  strictest,
  type Deferral,
  type DeferralFault,
  type Discrepancy,
} from './discrepancy';

const AT = zone('America/Halifax');
const FOUND = instant('2026-11-23T15:00:00Z');
const [DAY_FOUND, NEXT] = [civilDate('2026-11-23'), civilDate('2026-11-24')];
const pilot: Signature = {
  name: 'Sefa Lund',
  certificate: { kind: 'pilot', number: 'P-4', validFrom: civilDate('2015-01-01'), validUntil: 'no-expiry' },
};
const [task] = PREVENTIVE_TASKS;

describe('which work closes which finding', () => {
  // Rows in the order of the classifications, from the strictest on.
  it.each([
    [
      'repaired',
      null,
      [
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
      ],
    ],
    [
      'repaired',
      task,
      ['return-to-service', 'service', 'return-to-service', 'service', 'service', 'service'],
    ],
    [
      'no-fault-found',
      null,
      [
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
      ],
    ],
    [
      'no-fault-found',
      task,
      [
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
        'return-to-service',
      ],
    ],
    ['serviced', null, [null, 'service', null, null, 'service', 'service']],
    ['judged-acceptable', null, [null, null, 'judgement', null, 'judgement', 'judgement']],
  ] as const)('%s, as preventive maintenance %s', (work, preventive, signedAs) => {
    expect(
      CLASSIFICATIONS.map((classification) => closingWork(work, classification, preventive ?? null)),
    ).toEqual(signedAs);
  });
  it('of two classifications the stricter, and not known is the strictest', () => {
    for (const [at, a] of CLASSIFICATIONS.entries())
      for (const [where, b] of CLASSIFICATIONS.entries())
        expect([a, b, strictest(a, b)]).toEqual([a, b, CLASSIFICATIONS[Math.min(at, where)]]);
    expect([strictest(null, 'note'), strictest('note', null), strictest(null, null)]).toEqual(
      Array(3).fill('ground-until-mechanic'),
    );
  });
  it('may be deferred from the deferral path on', () => {
    expect(CLASSIFICATIONS.filter(isDeferrable)).toEqual(['deferral-path', 'watch', 'note']);
    expect(isDeferrable(null)).toBe(false);
  });
});

describe('why a deferral does not count', () => {
  const found: Discrepancy = {
    id: 'd',
    happenedAt: FOUND,
    recordedAt: FOUND,
    what: 'Clock stopped.',
    where: null,
    foundBy: null,
    classification: 'deferral-path',
    closesUses: [],
    rectification: null,
    equipment: ['clock'],
    deferral: null,
    watch: null,
    knownMark: null,
  };
  const deferral: Deferral = {
    id: 'x',
    recordedAt: addSeconds(FOUND, 3600),
    deferredOn: DAY_FOUND,
    action: 'deactivated',
    placarded: true,
    entered: true,
    noHazard: pilot,
    until: null,
    untilTimeInService: null,
    closes: [],
    cap: null,
    listed: null,
  };
  // 14 CFR 91.213(d)(3) and (4), 43.11(b) (from memory).
  it.each<[string, Partial<Deferral>, readonly DeferralFault[]]>([
    ['in order', {}, []],
    ['neither removed nor deactivated', { action: null }, ['action-missing']],
    ['not placarded', { placarded: false }, ['placard-missing']],
    ['not known to be placarded', { placarded: null }, ['placard-missing']],
    ['not entered', { entered: false }, ['record-missing']],
    ['not known to be entered', { entered: null }, ['record-missing']],
    ['deactivated, which was no maintenance', { entered: 'not-maintenance' }, []],
    [
      'removed, which is always maintenance',
      { entered: 'not-maintenance', action: 'removed' },
      ['record-missing'],
    ],
    ['removed and entered', { action: 'removed' }, []],
    ['without a day', { deferredOn: null }, ['date-missing']],
    ['of a day after it was written down', { deferredOn: NEXT }, ['completed-after-recorded']],
    ['of the day before it was found', { deferredOn: civilDate('2026-11-22') }, ['completed-before-found']],
    ['written down before it was found', { recordedAt: addSeconds(FOUND, -1) }, ['completed-before-found']],
    ['written down just when it was found', { recordedAt: FOUND }, []],
    ['that nobody determined to be no hazard', { noHazard: null }, ['name-missing', 'certificate-missing']],
  ])('%s', (_, change, faults) => {
    expect(deferralFaults(found, { ...deferral, ...change }, AT, 'us')).toEqual(faults);
  });
});
