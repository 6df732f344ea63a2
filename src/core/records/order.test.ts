import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hours } from '../quantities/hours';
import { civilDate } from '../time/civil-date';
import { instant } from '../time/instant';
import { zone } from '../time/zone';
import { authorityFor, type Certificate, type Signature } from './club/certificate';
import {
  countingInspections,
  discountedEntries,
  refusal,
  undecided,
  unsignedSince,
  type Inspection,
} from './maintenance/inspection';
import { countingDone } from './maintenance/maintenance-item';
import { latestRelease, latestReleases, type MaintenanceRelease } from './maintenance/work-entry';

const HALIFAX = zone('America/Halifax');
const STATION: Certificate = {
  kind: 'repair-station',
  number: 'RS-1',
  validFrom: civilDate('2009-01-01'),
  validUntil: 'no-expiry',
};
const signed: Signature = { name: 'Cape Reach Workshop', certificate: STATION };
/** Every order in which a list can be given answers the same. */
function inEveryOrder<T, A>(list: readonly T[], ask: (shuffled: readonly T[]) => A, expected: A): void {
  fc.assert(
    fc.property(
      fc.shuffledSubarray([...list], { minLength: list.length, maxLength: list.length }),
      (shuffled) => {
        expect(ask(shuffled)).toEqual(expected);
      },
    ),
    { numRuns: 40 },
  );
}

describe('inspections in any order', () => {
  const entry = (id: string, day: string, change: Partial<Inspection> = {}): Inspection => ({
    id,
    kind: 'hundred-hour',
    completedOn: civilDate(day),
    recordedAt: instant('2026-11-01T12:00:00Z'),
    timeInService: hours('1000'),
    outcome: 'approved',
    listCleared: null,
    signedBy: signed,
    excess: null,
    testedToFeet: null,
    ...change,
  });
  const ids = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id);
  it('those that count stand by day, those of one day by their hours, those of one moment by their ids', () => {
    const list = [
      entry('z', '2026-01-05'),
      entry('y', '2026-03-05', { timeInService: hours('1200') }),
      entry('x', '2026-03-05', { timeInService: hours('1100') }),
      entry('b', '2026-05-05'),
      entry('a', '2026-05-05'),
    ];
    inEveryOrder(list, (given) => ids(countingInspections(given, ['hundred-hour'], HALIFAX, 'us')), [
      'z',
      'x',
      'y',
      'a',
      'b',
    ]);
  });
  it('those that do not are told newest first, from the day of the one that counts on, and none of another kind', () => {
    const lacks = { timeInService: null };
    const list = [
      entry('c', '2026-03-05'),
      entry('before', '2026-03-04', lacks),
      entry('same', '2026-03-05', lacks),
      entry('later', '2026-04-05', lacks),
      entry('other', '2026-05-05', { ...lacks, kind: 'annual' }),
    ];
    inEveryOrder(
      list,
      (given) =>
        discountedEntries(
          given,
          ['hundred-hour'],
          given.find(({ id }) => id === 'c') ?? null,
          HALIFAX,
          'us',
        ).map(({ completedOn }) => completedOn as string),
      ['2026-04-05', '2026-03-05'],
    );
    inEveryOrder(list, (given) => discountedEntries(given, ['hundred-hour'], null, HALIFAX, 'us').length, 3);
  });
  it('the newest refusal and the newest without an outcome are found wherever they stand', () => {
    const listed = { outcome: 'discrepancies-listed' } as const;
    const list = [
      entry('old', '2026-03-05', listed),
      entry('new', '2026-04-05', listed),
      entry('unsaid', '2026-04-01', { outcome: null }),
      entry('later unsaid', '2026-04-02', { outcome: null }),
      entry('annual', '2026-06-05', { ...listed, kind: 'annual' }),
      entry('good', '2026-02-05'),
    ];
    inEveryOrder(
      list,
      (given) => [
        refusal(given, 'hundred-hour', ['hundred-hour'], HALIFAX, 'us')?.id,
        undecided(given, 'hundred-hour', ['hundred-hour'], HALIFAX, 'us')?.id,
      ],
      ['new', 'later unsaid'],
    );
    // One that approved it the day after takes both away.
    const approved = [...list, entry('after', '2026-04-06')];
    inEveryOrder(
      approved,
      (given) => [
        refusal(given, 'hundred-hour', ['hundred-hour'], HALIFAX, 'us'),
        undecided(given, 'hundred-hour', ['hundred-hour'], HALIFAX, 'us'),
      ],
      [null, null],
    );
  });
  it('a copy from paper that waits for somebody to vouch for it was signed there; one that says no certificate was not', () => {
    const list = [
      entry('good', '2026-02-05'),
      entry('new', '2026-04-05', { signedBy: null }),
      entry('newer', '2026-05-05', { signedBy: { ...signed, vouched: 'nobody' } }),
    ];
    const asked = (given: readonly Inspection[]) => {
      const found = unsignedSince(given, 'hundred-hour', ['hundred-hour'], HALIFAX, 'us');
      return found === null ? null : [found.entry.id, found.faults];
    };
    inEveryOrder(
      [list[0], list[2]].flatMap((one) => (one === undefined ? [] : [one])),
      asked,
      null,
    );
    // Nor does it hide one before it that nobody signed.
    inEveryOrder(list, asked, ['new', ['name-missing', 'certificate-missing']]);
    inEveryOrder(
      [
        entry('good', '2026-02-05'),
        entry('copy', '2026-05-05', {
          signedBy: { name: 'Ida Quell', certificate: null, vouched: 'nobody' },
        }),
      ],
      asked,
      ['copy', ['certificate-missing']],
    );
    // Nothing that counts before it: the rule of its own says so.
    inEveryOrder(list.slice(1), asked, null);
  });
});

describe('completions in any order', () => {
  it('stand by day, then by what the meter showed, then by their ids', () => {
    const done = (id: string, day: string, value: number | null) => ({
      id,
      recordedAt: instant('2026-11-01T12:00:00Z'),
      completedOn: civilDate(day),
      readings: value === null ? [] : [{ meter: 'time-in-service' as const, value }],
      signedBy: signed,
    });
    const list = [
      done('z', '2026-01-05', 10),
      done('y', '2026-03-05', 30),
      done('x', '2026-03-05', 20),
      done('w', '2026-03-05', null),
      done('b', '2026-05-05', 40),
      done('a', '2026-05-05', 40),
      { ...done('unsigned', '2026-02-01', 1), signedBy: null },
    ];
    inEveryOrder(
      list,
      (given) => countingDone(given, 'return-to-service', HALIFAX, 'us').map(({ id }) => id),
      ['z', 'w', 'x', 'y', 'a', 'b'],
    );
  });
});

describe('maintenance releases in any order', () => {
  const release = (id: string, change: Partial<MaintenanceRelease> = {}): MaintenanceRelease =>
    ({
      id,
      recordedAt: instant('2026-03-10T12:00:00Z'),
      issuedOn: civilDate('2026-03-10'),
      ...change,
    }) as MaintenanceRelease;
  const asked = (given: readonly MaintenanceRelease[]) => [
    latestRelease(given, HALIFAX)?.id,
    latestReleases(given, HALIFAX)
      .map(({ id }) => id)
      .sort(),
  ];
  it('the one issued last counts, whatever was written down last', () => {
    inEveryOrder(
      [
        release('old', { issuedOn: civilDate('2026-01-01'), recordedAt: instant('2026-06-01T12:00:00Z') }),
        release('new'),
      ],
      asked,
      ['new', ['new']],
    );
  });
  it('of one day the one written down last; of one moment both, and the one without a day first', () => {
    inEveryOrder(
      [release('early', { recordedAt: instant('2026-03-10T11:00:00Z') }), release('late')],
      asked,
      ['late', ['late']],
    );
    inEveryOrder([release('b'), release('a')], asked, ['a', ['a', 'b']]);
    inEveryOrder([release('a'), release('undated', { issuedOn: null })], asked, [
      'undated',
      ['a', 'undated'],
    ]);
    inEveryOrder([release('other day', { issuedOn: civilDate('2026-03-09') }), release('a')], asked, [
      'a',
      ['a'],
    ]);
  });
  it('of none there is none', () => {
    expect(asked([])).toEqual([undefined, []]);
  });
});

describe('who signed', () => {
  it('goes by the category in the United States, and by none elsewhere', () => {
    expect(
      (['standard', 'light-sport', 'experimental', 'glider', null] as const).map((category) => [
        authorityFor('us', { category }),
        authorityFor('au', { category }),
      ]),
    ).toEqual([
      ['us', 'au'],
      ['us-light-sport', 'au'],
      ['us-experimental', 'au'],
      ['us', 'au'],
      ['us', 'au'],
    ]);
  });
});
