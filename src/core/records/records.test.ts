import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hours } from '../quantities/hours';
import { addDays, civilDate } from '../time/civil-date';
import { addSeconds, instant } from '../time/instant';
import { zone } from '../time/zone';
import { mayBeSignedBy, signatureFaults, type Certificate, type Signature } from './club/certificate';
import {
  CLASSIFICATIONS,
  closingWork,
  rectificationFaults,
  strictest,
  type Discrepancy,
  type Rectification,
} from './findings/discrepancy';
import { latestDocumentCheck, type AircraftDocument } from './documents/document';
import { hourInterval } from './maintenance/hour-interval';
import {
  countingInspections,
  discountedEntries,
  inspectionFaults,
  refusal,
  type Inspection,
} from './maintenance/inspection';
import { standingsOf, type MeterReading, type MeterWitnesses } from './meters/meter-reading';

const HALIFAX = zone('America/Halifax');
const mechanic: Certificate = {
  kind: 'mechanic-airframe-powerplant',
  number: 'AP-1',
  validFrom: civilDate('2015-06-01'),
  validUntil: 'no-expiry',
};
const station: Certificate = {
  kind: 'repair-station',
  number: 'RS-1',
  validFrom: civilDate('2009-01-01'),
  validUntil: 'no-expiry',
};
const sign = (certificate: Certificate | null, name: string | null = 'Tomas Brandl'): Signature => ({
  name,
  certificate,
});

describe('signatures', () => {
  const day = civilDate('2026-03-31');
  it.each([
    ['complete', sign(mechanic), []],
    ['nobody', null, ['name-missing', 'certificate-missing']],
    ['no name', sign(mechanic, ' '), ['name-missing']],
    ['no certificate', sign(null), ['certificate-missing']],
    ['no number', sign({ ...mechanic, number: '' }), ['certificate-number-missing']],
    ['number not known', sign({ ...mechanic, number: null }), ['certificate-number-missing']],
    ['validity not known', sign({ ...mechanic, validUntil: null }), ['certificate-validity-unknown']],
    ['first day of validity', sign({ ...mechanic, validFrom: day }), []],
    [
      'day before validity',
      sign({ ...mechanic, validFrom: civilDate('2026-04-01') }),
      ['certificate-not-valid-then'],
    ],
    ['last day of validity', sign({ ...mechanic, validUntil: day }), []],
    [
      'day after validity',
      sign({ ...mechanic, validUntil: civilDate('2026-03-30') }),
      ['certificate-not-valid-then'],
    ],
    ['a pilot', sign({ ...mechanic, kind: 'pilot' }), ['certificate-kind-not-entitled']],
    ['a student pilot', sign({ ...mechanic, kind: 'student-pilot' }), ['certificate-kind-not-entitled']],
  ] as const)('%s', (_, signature, faults) => {
    expect(signatureFaults(signature, 'return-to-service', day, 'us')).toEqual(faults);
  });

  it('a mechanic without inspection authorisation signs no annual, but the hundred-hour', () => {
    expect(mayBeSignedBy('annual-inspection', 'us')).not.toContain('mechanic-airframe-powerplant');
    expect(mayBeSignedBy('hundred-hour-inspection', 'us')).toContain('mechanic-airframe-powerplant');
  });
});

describe('inspection entries', () => {
  const base: Inspection = {
    id: 'i',
    kind: 'hundred-hour',
    completedOn: civilDate('2026-03-12'),
    recordedAt: instant('2026-03-12T20:00:00Z'),
    timeInService: hours('1000'),
    outcome: 'approved',
    listCleared: null,
    signedBy: sign(mechanic),
    excess: null,
    testedToFeet: null,
  };
  it.each([
    ['complete', {}, []],
    ['no total time', { timeInService: null }, ['time-in-service-missing']],
    ['no outcome', { outcome: null }, ['outcome-missing']],
    ['unsigned', { signedBy: null }, ['name-missing', 'certificate-missing']],
    ['dated tomorrow', { completedOn: civilDate('2026-03-13') }, ['completed-after-recorded']],
    ['discrepancies listed', { outcome: 'discrepancies-listed' }, ['not-approved']],
    [
      'list cleared by a mechanic',
      { outcome: 'discrepancies-listed', listCleared: { on: civilDate('2026-03-12'), by: sign(mechanic) } },
      [],
    ],
    [
      'list cleared by a pilot',
      {
        outcome: 'discrepancies-listed',
        listCleared: { on: civilDate('2026-03-12'), by: sign({ ...mechanic, kind: 'pilot' }) },
      },
      ['certificate-kind-not-entitled'],
    ],
    [
      'list cleared before the inspection',
      { outcome: 'discrepancies-listed', listCleared: { on: civilDate('2026-03-11'), by: sign(mechanic) } },
      ['cleared-before-inspection'],
    ],
    [
      'list cleared after it was written',
      { outcome: 'discrepancies-listed', listCleared: { on: civilDate('2026-03-13'), by: sign(mechanic) } },
      ['completed-after-recorded'],
    ],
    ['annual by a mechanic', { kind: 'annual' }, ['certificate-kind-not-entitled']],
    ['annual by a repair station', { kind: 'annual', signedBy: sign(station) }, []],
  ] as const)('%s', (_, change, faults) => {
    expect(inspectionFaults({ ...base, ...change } as Inspection, HALIFAX, 'us')).toEqual(faults);
  });

  it('writes down the evening: 23:30 local is still the same day though UTC is not', () => {
    expect(inspectionFaults({ ...base, recordedAt: instant('2026-03-13T02:30:00Z') }, HALIFAX, 'us')).toEqual(
      [],
    );
  });

  it('orders what counts by day, and tells what does not', () => {
    const early = { ...base, id: 'a', completedOn: civilDate('2026-01-05') };
    const bad = { ...base, id: 'b', completedOn: civilDate('2026-02-05'), timeInService: null };
    expect(
      countingInspections([base, bad, early], ['hundred-hour'], HALIFAX, 'us').map(({ id }) => id),
    ).toEqual(['a', 'i']);
    expect(discountedEntries([base, bad, early], ['hundred-hour'], early, HALIFAX, 'us')).toEqual([
      {
        kind: 'hundred-hour',
        completedOn: '2026-02-05',
        timeInService: null,
        faults: ['time-in-service-missing'],
      },
    ]);
  });

  it('a refusal outweighs an earlier approval, and a later approval outweighs a refusal', () => {
    const refused = {
      ...base,
      id: 'r',
      completedOn: civilDate('2026-03-20'),
      recordedAt: instant('2026-03-20T20:00:00Z'),
      outcome: 'discrepancies-listed' as const,
    };
    const later = {
      ...base,
      id: 'l',
      completedOn: civilDate('2026-03-25'),
      recordedAt: instant('2026-03-25T20:00:00Z'),
    };
    expect(refusal([base, refused], 'hundred-hour', ['hundred-hour'], HALIFAX, 'us')?.id).toBe('r');
    expect(refusal([base, refused, later], 'hundred-hour', ['hundred-hour'], HALIFAX, 'us')).toBeNull();
    expect(refusal([base], 'hundred-hour', ['hundred-hour'], HALIFAX, 'us')).toBeNull();
  });
});

describe('hour intervals', () => {
  const at = (value: string, excess: Inspection['excess'] = null): Inspection => ({
    // A day of its own for each: of one day they would be one moment.
    id: value,
    kind: 'hundred-hour',
    completedOn: addDays(civilDate('2020-01-01'), Math.round(Number(value))),
    recordedAt: instant('2026-03-12T20:00:00Z'),
    timeInService: hours(value),
    outcome: 'approved',
    listCleared: null,
    signedBy: sign(mechanic),
    excess,
    testedToFeet: null,
  });
  it.each([
    ['in time', [at('1000'), at('1100')], '1200', '0'],
    ['early', [at('1000'), at('1092')], '1192', '0'],
    ['late en route', [at('1000'), at('1106.5', 'en-route-to-inspection')], '1200', '6.5'],
    ['late without a reason: the strict reading', [at('1000'), at('1106.5')], '1200', '6.5'],
    [
      'late on uses without the limit',
      [at('1000'), at('1106.5', 'flown-on-uses-without-the-limit')],
      '1206.5',
      '0',
    ],
    ['late twice: each time off what was due', [at('1000'), at('1106.5'), at('1205')], '1300', '5'],
  ] as const)('%s', (_, entries, due, off) => {
    expect(hourInterval(entries, hours('100'))).toMatchObject({ dueAt: hours(due), takenOff: hours(off) });
  });
  it('of one day the lowest reading counts, with a reason only where all of them give it', () => {
    const free = 'flown-on-uses-without-the-limit' as const;
    const state = (...entries: readonly Inspection[]) => {
      const { last, lastAt, dueAt } = hourInterval([at('1000'), ...entries], hours('100')) ?? {};
      return [last?.excess, lastAt, dueAt];
    };
    const day = (reading: string, excess: Inspection['excess'] = null): Inspection => ({
      ...at(reading, excess),
      completedOn: civilDate('2026-06-01'),
    });
    const low = [null, hours('1104'), hours('1200')];
    expect([state(day('1104'), day('1106')), state(day('1106'), day('1104'))]).toEqual([low, low]);
    expect([state(day('1104', free), day('1106')), state(day('1106', free), day('1104'))]).toEqual([
      low,
      low,
    ]);
    expect(state(day('1104', free), day('1104', free))).toEqual([free, hours('1104'), hours('1204')]);
  });
  it('knows nothing without an inspection, and takes none without its time', () => {
    expect(hourInterval([], hours('100'))).toBeNull();
    expect(() => hourInterval([{ ...at('1000'), timeInService: null }], hours('100'))).toThrow(
      'has no time in service',
    );
  });
});

describe('the meter', () => {
  const reading = (id: string, when: string, value: string, recorded = when): MeterReading => ({
    id,
    meter: 'time-in-service',
    value: hours(value),
    happenedAt: instant(when),
    recordedAt: instant(recorded),
  });
  const timeInService = (
    readings: readonly MeterReading[],
    inspections: MeterWitnesses['inspections'],
    zoneId: typeof HALIFAX,
  ) => standingsOf({ readings, inspections, items: null, ads: null, ramp: null }, zoneId)['time-in-service'];
  const morning = reading('a', '2026-11-20T12:00:00Z', '1000');
  it('takes the highest reading', () => {
    expect(timeInService([morning, reading('b', '2026-11-21T12:00:00Z', '1002')], [], HALIFAX)).toMatchObject(
      { state: 'known', value: hours('1002') },
    );
    expect(timeInService([morning, reading('b', '2026-11-21T12:00:00Z', '1000')], [], HALIFAX)).toMatchObject(
      { state: 'known', value: hours('1000') },
    );
  });
  it('knows nothing without a reading of its own', () => {
    expect(timeInService([], [], HALIFAX)).toEqual({ state: 'unknown' });
  });
  it('names both records of a contradiction', () => {
    expect(
      timeInService([morning, reading('b', '2026-11-21T12:00:00Z', '999.99')], [], HALIFAX),
    ).toMatchObject({ state: 'contradiction', earlier: 'a', later: 'b', highest: hours('1000') });
    // The most that any record says may come later than both.
    expect(
      timeInService(
        [
          morning,
          reading('b', '2026-11-21T12:00:00Z', '999.99'),
          reading('c', '2026-11-22T12:00:00Z', '1003'),
        ],
        [],
        HALIFAX,
      ),
    ).toMatchObject({ state: 'contradiction', earlier: 'a', later: 'b', highest: hours('1003') });
  });
  it('does not mind the order of entry: an old reading entered late is normal life', () => {
    expect(
      timeInService(
        [morning, reading('late', '2026-11-19T12:00:00Z', '998', '2026-11-22T12:00:00Z')],
        [],
        HALIFAX,
      ),
    ).toMatchObject({ state: 'known', value: hours('1000') });
  });
  it('does not believe a reading from the future', () => {
    expect(
      timeInService([reading('f', '2026-11-22T12:00:00Z', '1000', '2026-11-21T12:00:00Z')], [], HALIFAX),
    ).toEqual({ state: 'ahead-of-itself', record: 'f' });
  });
  describe('and what was done, which says at which reading', () => {
    const evening = reading('b', '2026-11-21T20:00:00Z', '1010');
    const doneAt = (day: string, value: string, meter: 'time-in-service' | 'engine' = 'time-in-service') => ({
      id: 'done',
      completedOn: civilDate(day),
      readings: [{ meter, value: hours(value) }],
    });
    const standing = (
      more: Partial<MeterWitnesses>,
      readings: readonly MeterReading[] = [morning, evening],
    ) =>
      standingsOf({ readings, inspections: [], items: null, ads: null, ramp: null, ...more }, HALIFAX)[
        'time-in-service'
      ];
    const item = (day: string, value: string) =>
      ({ items: [{ done: [doneAt(day, value)] }] }) as unknown as Partial<MeterWitnesses>;
    const ad = (day: string | null, value: string, done: unknown = []) =>
      ({
        ads: [
          {
            id: 'd',
            effectiveOn: day === null ? null : civilDate(day),
            readingsThen: [{ meter: 'time-in-service', value: hours(value) }],
            done,
          },
        ],
      }) as unknown as Partial<MeterWitnesses>;
    const uplift = (when: string, value: string) =>
      ({
        ramp: { uplifts: [{ id: 'u', happenedAt: instant(when), timeInService: hours(value) }] },
      }) as unknown as Partial<MeterWitnesses>;
    it.each([
      ['a service between the readings, as the meter stood', item('2026-11-20', '1005'), 'known'],
      [
        'a service before it, with more than it shows later: a slip that would carry the next one far away',
        item('2026-11-19', '10050'),
        'contradiction',
      ],
      [
        'a service between the readings, with more than the later one',
        item('2026-11-20', '1010.01'),
        'contradiction',
      ],
      ['a service on the day of a reading, in either order', item('2026-11-21', '1009'), 'known'],
      ['a service after the last reading, with less', item('2026-11-22', '1009'), 'contradiction'],
      [
        'an AD complied with beyond the meter',
        ad(null, '0', [doneAt('2026-11-19', '2000')]),
        'contradiction',
      ],
      [
        'an AD that took effect at more than the meter showed later',
        ad('2026-11-19', '1100'),
        'contradiction',
      ],
      ['the same without the day on which it took effect: nothing can be said', ad(null, '1100'), 'known'],
      [
        'oil put in at more than the meter showed later',
        uplift('2026-11-20T13:00:00Z', '1011'),
        'contradiction',
      ],
      ['oil put in between', uplift('2026-11-20T13:00:00Z', '1001'), 'known'],
      [
        'a service on another meter',
        { items: [{ done: [doneAt('2026-11-19', '9000', 'engine')] }] } as unknown as Partial<MeterWitnesses>,
        'known',
      ],
    ] as const)('%s', (_, more, state) => {
      expect(standing(more).state).toBe(state);
    });
    it('raises the meter where it is later and more: limits come nearer, never further', () => {
      expect(standing(item('2026-11-22', '1300'))).toMatchObject({ state: 'known', value: hours('1300') });
      expect(standing(item('2026-11-21', '1010.5'))).toMatchObject({
        state: 'known',
        value: hours('1010.5'),
      });
    });
    it('says nothing of a meter that nobody ever read', () => {
      expect(standing(item('2026-11-22', '1300'), [])).toEqual({ state: 'unknown' });
    });
    it('counts on the other meters too', () => {
      const engine: MeterReading = {
        id: 'e',
        meter: 'engine',
        value: hours('500'),
        happenedAt: instant('2026-11-21T20:00:00Z'),
        recordedAt: instant('2026-11-21T20:00:00Z'),
      };
      expect(
        standingsOf(
          {
            readings: [engine],
            inspections: [],
            items: [{ done: [doneAt('2026-11-19', '5000', 'engine')] }] as unknown as MeterWitnesses['items'],
            ads: null,
            ramp: null,
          },
          HALIFAX,
        ),
      ).toMatchObject({
        engine: { state: 'contradiction', earlier: 'done', later: 'e' },
        'time-in-service': { state: 'unknown' },
      });
    });
  });
  it('finds a contradiction exactly where comparing every pair finds one', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ hour: fc.integer({ min: 0, max: 30 }), value: fc.integer({ min: 0, max: 6 }) }),
          { minLength: 1, maxLength: 9 },
        ),
        (given) => {
          const readings = given.map(({ hour, value }, at): MeterReading => ({
            id: String(at),
            meter: 'time-in-service',
            value: hours(String(1000 + value)),
            happenedAt: addSeconds(morning.happenedAt, hour * 3600),
            recordedAt: addSeconds(morning.happenedAt, 200_000),
          }));
          const falls = readings.some((later) =>
            readings.some((earlier) => earlier.happenedAt < later.happenedAt && earlier.value > later.value),
          );
          const answer = timeInService(readings, [], HALIFAX);
          expect(answer.state).toBe(falls ? 'contradiction' : 'known');
          if (answer.state === 'known')
            expect(answer.value).toBe(Math.max(...readings.map(({ value }) => value)));
        },
      ),
      { numRuns: 500 },
    );
  });
  it('compares with inspections by the day', () => {
    const inspection = (value: string, on: string): Inspection => ({
      id: 'i',
      kind: 'annual',
      completedOn: civilDate(on),
      recordedAt: instant('2026-11-24T12:00:00Z'),
      timeInService: hours(value),
      outcome: 'approved',
      listCleared: null,
      signedBy: sign(station),
      excess: null,
      testedToFeet: null,
    });
    expect(timeInService([morning], [inspection('999', '2026-11-20')], HALIFAX).state).toBe('known');
    expect(timeInService([morning], [inspection('999', '2026-11-21')], HALIFAX).state).toBe('contradiction');
    expect(timeInService([morning], [inspection('1004', '2026-11-21')], HALIFAX)).toMatchObject({
      state: 'known',
      value: hours('1004'),
    });
  });
});

describe('documents', () => {
  const seen = (id: string, happened: string, recorded: string): AircraftDocument => ({
    id,
    kind: 'weight-and-balance',
    happenedAt: instant(happened),
    recordedAt: instant(recorded),
    aboard: true,
    legible: true,
    datedOn: null,
  });
  it('the latest document check counts, by when it happened and not by when it was entered', () => {
    const first = seen('first', '2026-11-20T12:00:00Z', '2026-11-24T12:00:00Z');
    const second = seen('second', '2026-11-21T12:00:00Z', '2026-11-21T12:00:00Z');
    expect(latestDocumentCheck([first, second], 'weight-and-balance')?.id).toBe('second');
    expect(latestDocumentCheck([first, second], 'radio-licence')).toBeNull();
  });
});

describe('discrepancies', () => {
  const open: Discrepancy = {
    id: 'd',
    happenedAt: instant('2026-11-20T12:00:00Z'),
    recordedAt: instant('2026-11-20T12:05:00Z'),
    what: 'nick',
    where: null,
    foundBy: 'Pia Okoro',
    classification: 'ground-until-mechanic',
    closesUses: [],
    rectification: null,
    equipment: [],
    deferral: null,
    watch: null,
    knownMark: null,
  };
  const repair: Rectification = {
    id: 'r',
    recordedAt: instant('2026-11-21T20:00:00Z'),
    work: 'repaired',
    description: 'Blended.',
    completedOn: civilDate('2026-11-21'),
    signedBy: sign(mechanic),
  };
  it.each([
    ['complete', {}, {}, []],
    ['no description', {}, { description: ' ' }, ['description-missing']],
    ['no date', {}, { completedOn: null }, ['date-missing']],
    ['no work', {}, { work: null }, ['work-missing']],
    ['before it was found', {}, { completedOn: civilDate('2026-11-19') }, ['completed-before-found']],
    ['on the day of the find', {}, { completedOn: civilDate('2026-11-20') }, []],
    ['after it was written', {}, { completedOn: civilDate('2026-11-22') }, ['completed-after-recorded']],
    ['only serviced', {}, { work: 'serviced' }, ['work-does-not-fit']],
    ['only judged', {}, { work: 'judged-acceptable' }, ['work-does-not-fit']],
    [
      'signed by a pilot',
      {},
      { signedBy: sign({ ...mechanic, kind: 'pilot' }) },
      ['certificate-kind-not-entitled'],
    ],
    [
      'a low tyre pumped up by a pilot',
      { classification: 'service-before-flight' },
      { work: 'serviced', signedBy: sign({ ...mechanic, kind: 'pilot' }) },
      [],
    ],
    [
      'an instructor’s judgement on what instructors judge',
      { classification: 'tell-instructor' },
      { work: 'judged-acceptable', signedBy: sign({ ...mechanic, kind: 'flight-instructor' }) },
      [],
    ],
    [
      'a student’s judgement',
      { classification: 'tell-instructor' },
      { work: 'judged-acceptable', signedBy: sign({ ...mechanic, kind: 'student-pilot' }) },
      ['certificate-kind-not-entitled'],
    ],
    [
      'not classified: judged as the strictest',
      { classification: null },
      { work: 'judged-acceptable' },
      ['work-does-not-fit'],
    ],
  ] as const)('%s', (_, found, done, faults) => {
    expect(
      rectificationFaults({ ...open, ...found }, { ...repair, ...done } as Rectification, HALIFAX, 'us'),
    ).toEqual(faults);
  });

  it('no judgement ever closes what grounds an aircraft', () => {
    for (const work of ['serviced', 'judged-acceptable'] as const)
      expect(closingWork(work, 'ground-until-mechanic')).toBeNull();
    expect(
      CLASSIFICATIONS.every(
        (classification) => closingWork('repaired', classification) === 'return-to-service',
      ),
    ).toBe(true);
  });

  it('takes the stricter of two classes, and the strictest for none', () => {
    expect(strictest('note', 'tell-instructor')).toBe('tell-instructor');
    expect(strictest(null, 'note')).toBe('ground-until-mechanic');
    for (const a of CLASSIFICATIONS)
      for (const b of CLASSIFICATIONS)
        expect(CLASSIFICATIONS.indexOf(strictest(a, b))).toBe(
          Math.min(CLASSIFICATIONS.indexOf(a), CLASSIFICATIONS.indexOf(b)),
        );
  });
});
