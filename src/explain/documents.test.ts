import { describe, expect, it } from 'vitest';
import { cleanCase, deferredLamp } from '@/testing/clean-case';
import type { Json } from '@/contracts/kernel/merge-patch';
import { diffSchema, timelineSchema, decisionSchema } from '@/contracts/exchange/decision-file';
import { decidePrepared } from '../core/decision/decide';
import { diffDecisions } from '../core/decision/diff';
import { plansForFlight, plansForWanted, plansToRelease } from '../core/decision/in-the-way';
import { prepare } from '../core/decision/prepare';
import { timeline } from '../core/decision/timeline';
import { hoursFromSeconds } from '../core/quantities/hours';
import { UNSAID } from '../core/records/flights/planned-flight';
import { addSeconds } from '../core/time/instant';
import { decisionDocument } from './decision-document';
import { durationText, moneyText } from './formats';
import { leftText, limitName } from './limits';
import { diffDocument, timelineDocument } from './timeline-document';
import { explain, sentences } from './tree';

function asked(change: Json) {
  const { facts, packs, flight, wanted, asOf } = cleanCase(change);
  const prepared = prepare(facts, packs, asOf);
  const decision = decidePrepared(prepared, flight, asOf, undefined, wanted);
  const plans = {
    flight: plansForFlight(prepared, decision, flight),
    wanted: plansForWanted(prepared, decision),
    release: plansToRelease(prepared, decision),
  };
  return { facts, packs, asOf, prepared, decision, plans, zone: facts.place.zone };
}

const lamp = deferredLamp('lamp', 'Lamp dark', ['night']);
const night = {
  flight: {
    starts: '2026-11-24T22:00:00Z',
    ends: '2026-11-24T23:00:00Z',
    airborne: 0.8,
    purpose: 'private-rental',
    crew: 'rated-pilot',
    rules: 'vfr',
    range: 'local',
    transponderAirspace: false,
    adsbAirspace: false,
    beyondGlideOverWater: false,
    passengers: false,
  },
};

describe('the explanation', () => {
  const { decision, plans, zone } = asked({
    ...lamp,
    ...night,
    wanted: [{ light: ['night'], rules: ['vfr'], purpose: ['private-rental'], overWater: ['within-glide'] }],
  } as Json);
  const tree = explain(decision, zone, plans);
  const lines = sentences(tree);
  it('goes from the verdict down to the records', () => {
    expect(tree.text).toBe('N02TB is Restricted as of 24 Nov 2026 09:00.');
    expect(lines).toEqual(
      expect.arrayContaining([
        '  The flight: No. Lamp dark: deferred.',
        '    Lamp dark: deferred.',
        '      Rests on record lamp.',
        '  The wanted uses: No.',
        '  To clear it:',
      ]),
    );
    expect(
      lines.some((line) =>
        /Rule: inoperative-equipment of us-part91; source: 14 CFR 91\.213\(d\)\./.test(line),
      ),
    ).toBe(true);
  });
  it('shows the light with its times, the remedies, and what was not looked at', () => {
    const text = lines.join('\n');
    expect(text).toContain(
      'Light at Tern Bay: night; sunset 24 Nov 2026 16:41, night from 24 Nov 2026 17:13.',
    );
    expect(text).toContain(
      'Shortest: Repair and return to service – A&P mechanic, IA or repair station. Estimated: out of service 24 h, cost 400.00.',
    );
    expect(text).toContain('Not checked: the pilot’s licence');
    expect(lines.at(-1)).toContain('Groval advises.');
  });
  it('is the same each time, and says where nothing stands against it', () => {
    expect(sentences(explain(decision, zone, plans))).toEqual(lines);
    const clean = asked({});
    expect(sentences(explain(clean.decision, clean.zone, clean.plans)).join('\n')).toContain(
      'No reason on record keeps it from flying.',
    );
  });
  it('says what no act clears', () => {
    const experimental = asked({
      aircraft: { category: 'light-sport' },
      wanted: [
        { purpose: ['carriage-for-hire'], light: ['day'], rules: ['vfr'], overWater: ['within-glide'] },
      ],
    } as Json);
    expect(
      sentences(explain(experimental.decision, experimental.zone, experimental.plans)).join('\n'),
    ).toContain(
      'To make them available: not possible.\n      Permanent limitation of its light-sport certificate: no carriage for hire.',
    );
  });
});

describe('the documents', () => {
  it('fit their published forms', () => {
    const { decision, plans, zone, prepared, asOf } = asked({ ...lamp, ...night } as Json);
    expect(decisionSchema.safeParse(decisionDocument(decision, zone, plans, 'abc')).success).toBe(true);
    const flight = {
      id: 'a',
      starts: addSeconds(asOf, 3600),
      ends: addSeconds(asOf, 10_800),
      airborne: hoursFromSeconds(7200),
      purpose: 'private-rental' as const,
      crew: 'rated-pilot' as const,
      rules: 'vfr' as const,
      range: 'local' as const,
      light: null,
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlideOverWater: false,
      passengers: false,
      ...UNSAID,
    };
    const flights = Array.from({ length: 40 }, (_, at) => ({
      ...flight,
      id: `f${at}`,
      starts: addSeconds(flight.starts, at * 86_400),
      ends: addSeconds(flight.ends, at * 86_400),
    }));
    const going = timelineDocument(
      timeline(prepared, flights, asOf, addSeconds(asOf, 400 * 86_400)),
      decision.registration,
      prepared.constraints.map(({ constraint }) => constraint),
      zone,
    );
    expect(timelineSchema.safeParse(going).success).toBe(true);
    expect(going.changes[0]?.words).toMatch(
      /^23 Dec 2026 .*, after flight f29: Grounded\. 100-hour inspection overdue since 4208\.7 h: no private rental, lessons or carriage for hire\.$/,
    );
    expect(
      going.flights
        .filter(({ exceedances }) => exceedances.length > 0)
        .map(({ flight: id, exceedances }) => [id, exceedances[0]?.words]),
    ).toEqual([['f29', 'Exceeds the 100-hour limit by 1.6 h (due 4208.7 h, lands at 4210.3 h).']]);
    const diff = diffDocument(diffDecisions(asked({}).decision, decision));
    expect(diffSchema.safeParse(diff).success).toBe(true);
    expect(diff.words).toEqual(['Released before, Restricted now.', 'New: Lamp dark: deferred.']);
  });
  it('name every limit ahead', () => {
    const { decision } = asked({
      meterReadings: {
        landings: {
          meter: 'landings',
          happenedAt: '2026-11-23T12:00:00Z',
          recordedAt: '2026-11-23T12:00:00Z',
          value: 10,
        },
      },
      items: {
        gear: {
          recordedAt: '2020-01-01T00:00:00Z',
          name: 'Gear bolt',
          kind: 'life-limit',
          interval: { counts: [{ meter: 'landings', every: 100 }] },
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
      },
    } as Json);
    for (const limit of decision.limits)
      expect([limit.constraint.id, limitName(limit.constraint)]).not.toContain('limit');
    const count = decision.limits.find(({ currency }) => currency === 'count');
    expect(count === undefined ? '' : `${leftText(count)} to ${limitName(count.constraint)}`).toBe(
      '90 landings to Gear bolt',
    );
    expect(decision.firstLimit.landings).toBe(count);
  });
});

describe('how long and how much', () => {
  it.each([
    [15, '15 min'],
    [119, '119 min'],
    [120, '2 h'],
    [121, '3 h'],
    [1440, '24 h'],
    [2880, '2 days'],
    [2881, '2 days 1 h'],
    [4320, '3 days'],
  ] as const)('%s minutes: %s', (minutes, expected) => {
    expect(durationText(minutes)).toBe(expected);
  });
  it.each([
    [0, '0.00'],
    [5, '0.05'],
    [185_000, '1850.00'],
  ] as const)('%s cents: %s', (cents, expected) => {
    expect(moneyText(cents)).toBe(expected);
  });
});
