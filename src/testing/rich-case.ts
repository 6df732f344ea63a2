// Much that an aircraft can run into, for tests of how a decision goes on in time: limits of every currency,
// the later of two, caps, a permit.
import type { Json } from '@/contracts/kernel/merge-patch';

/** A change of the clean trainer. */
export const RICH: Json = {
  aircraft: { registration: 'N02TB' },
  meterReadings: {
    landings: {
      meter: 'landings',
      happenedAt: '2026-11-23T21:10:00Z',
      recordedAt: '2026-11-23T21:12:00Z',
      value: 11_900,
    },
    engine: {
      meter: 'engine',
      happenedAt: '2026-11-23T21:10:00Z',
      recordedAt: '2026-11-23T21:12:00Z',
      value: 1054,
    },
  },
  // Of one the reading is reached before its day, of the other the day is over first.
  ads: Object.fromEntries(
    (
      [
        ['reading-first', 30, 3],
        ['day-first', 80, 2],
      ] as const
    ).map(([id, every, months]) => [
      id,
      {
        recordedAt: '2026-11-02T12:00:00Z',
        number: id,
        title: 'Later of the two',
        applies: true,
        effectiveOn: '2026-11-01',
        noFerry: false,
        equipment: [],
        methods: { look: { name: 'Look' } },
        initial: { months, hours: [{ meter: 'time-in-service', every }], whichever: 'later' },
        readingsThen: { hours: { 'time-in-service': 4140 } },
      },
    ]),
  ),
  items: {
    gear: {
      recordedAt: '2020-01-01T00:00:00Z',
      name: 'Gear bolt',
      kind: 'life-limit',
      interval: { counts: [{ meter: 'landings', every: 12_000 }] },
      done: {
        a: {
          recordedAt: '2020-01-01T20:00:00Z',
          completedOn: '2020-01-01',
          readings: { counts: { landings: 0 } },
          signedBy: {
            name: 'W',
            certificate: {
              kind: 'repair-station',
              number: 'R',
              validFrom: '2000-01-01',
              validUntil: 'no-expiry',
            },
          },
        },
      },
    },
    service: {
      recordedAt: '2020-01-01T00:00:00Z',
      name: 'Service',
      kind: 'service',
      interval: { months: 4, hours: [{ meter: 'engine', every: 50 }] },
      overrun: { meter: 'engine', by: 5 },
      uses: [{ range: ['abroad', 'cross-country'] }],
      done: {
        a: {
          recordedAt: '2026-10-02T20:00:00Z',
          completedOn: '2026-10-02',
          readings: { hours: { engine: 1040 } },
          signedBy: {
            name: 'W',
            certificate: {
              kind: 'repair-station',
              number: 'R',
              validFrom: '2000-01-01',
              validUntil: 'no-expiry',
            },
          },
        },
      },
    },
  },
  dispatchRestrictions: {
    wind: {
      happenedAt: '2026-11-24T10:00:00Z',
      recordedAt: '2026-11-24T10:01:00Z',
      by: 'M',
      why: 'wind',
      uses: [{ crew: ['student-solo'] }],
      until: '2026-12-03T12:00:00Z',
    },
    two: {
      happenedAt: '2026-11-24T10:00:00Z',
      recordedAt: '2026-11-24T10:01:00Z',
      by: 'M',
      why: 'soft grass',
      cap: { quantity: 'persons', bound: 'at-most', value: 3 },
      until: '2026-12-05T12:00:00Z',
    },
  },
  permits: {
    p: {
      recordedAt: '2026-11-24T10:00:00Z',
      number: 'P',
      registrationShown: 'N02TB',
      validFrom: '2027-03-20',
      validUntil: '2027-04-20',
      aboard: true,
      untilTimeInService: 4300,
      safeForFlight: {
        on: '2026-11-24',
        by: {
          name: 'T',
          certificate: {
            kind: 'mechanic-airframe-powerplant',
            number: 'A',
            validFrom: '2000-01-01',
            validUntil: 'no-expiry',
          },
        },
      },
    },
  },
};
