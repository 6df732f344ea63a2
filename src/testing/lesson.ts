// A lesson on the clean trainer, and who may sign for it. For tests only.
import type { Json } from '@/contracts/kernel/merge-patch';
import { decideClean } from './clean-case';

export type Change = { readonly [key: string]: Json };

/** Two hours from ten in the morning at the field, an hour and a half of them in the air. */
export const LESSON: Change = {
  id: 'f',
  starts: '2026-11-24T14:00:00Z',
  ends: '2026-11-24T16:00:00Z',
  airborne: 1.5,
  purpose: 'instruction-school-aircraft',
  crew: 'dual',
  rules: 'vfr',
  range: 'local',
  transponderAirspace: false,
  adsbAirspace: false,
  beyondGlideOverWater: false,
  passengers: false,
};

export const MECHANIC = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'AP-2231',
    validFrom: '2015-06-01',
    validUntil: 'no-expiry',
  },
};

/** The answer for that lesson with some of it changed, on an aircraft with some of it changed. */
export function flyLesson(flight: Change, more: Change = {}) {
  const { flight: answer } = decideClean({ ...more, flight: { ...LESSON, ...flight } });
  if (answer === null) throw new Error('no flight');
  return answer;
}
