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

/** An AD that is due at the later of thirty hours after a reading and the end of November 2026. @param then the reading, in hours */
export const seatRail = (then: number): Change => ({
  recordedAt: '2026-10-24T12:00:00Z',
  number: '2026-18-04',
  title: 'Seat rail, looked at',
  applies: true,
  effectiveOn: '2026-10-24',
  noFerry: false,
  equipment: [],
  methods: { look: { name: 'Look at it' } },
  initial: { months: 1, hours: [{ meter: 'time-in-service', every: 30 }], whichever: 'later' },
  readingsThen: { hours: { 'time-in-service': then } },
});

/** The answer for that lesson with some of it changed, on an aircraft with some of it changed. */
export function flyLesson(flight: Change, more: Change = {}) {
  const { flight: answer } = decideClean({ ...more, flight: { ...LESSON, ...flight } });
  if (answer === null) throw new Error('no flight');
  return answer;
}
