import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { guessMapping, IMPORT_LISTS, type ImportList } from '@/contracts/exchange/csv-lists';
import { knownAt, presentFor } from '@/core/records/facts';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { readHistory } from '@/db/kernel/ledger';
import { line } from '@/queries/aircraft/line';
import { listRows, LISTS } from '@/queries/exchange/lists';
import { waitingOfAircraft } from '@/db/documents/vouching';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { importRows } from './import-rows';
import { type FileRow, type ImportRequest } from './row-import';
import { vouch } from '../documents/vouch';

type Role = Parameters<typeof club.actor>[0];

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

async function* from(rows: readonly Readonly<Record<string, unknown>>[]): AsyncGenerator<readonly FileRow[]> {
  for (const [at, cells] of rows.entries()) {
    await Promise.resolve();
    yield [{ line: at + 2, cells }];
  }
}
const bring = (
  list: ImportList,
  rows: readonly Readonly<Record<string, unknown>>[],
  change: Partial<ImportRequest> = {},
  stopped = () => false,
  role: 'dispatcher' | 'mechanic' = 'dispatcher',
) =>
  importRows(
    club.ports,
    club.actor(role),
    {
      list,
      mapping: guessMapping(list, Object.keys(rows[0] ?? {})),
      commit: true,
      fileName: `${list}.csv`,
      ...change,
    },
    from(rows),
    () => undefined,
    stopped,
  );
const row = async () =>
  (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
const story = () => inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 20));
const written = (list: keyof typeof LISTS) =>
  inClub(club.ports.db, club.clubId, async (tx) => {
    const all = [];
    for await (const rows of listRows(tx, list, club.actor('dispatcher'), club.ports.now()))
      all.push(...rows);
    return all;
  });

const flight = (change: Readonly<Record<string, string>> = {}) => ({
  registration: 'N02TB',
  person: 'R. Dane',
  left_at: '2026-11-24T11:00:00Z',
  back_at: '2026-11-24T12:30:00Z',
  time_in_service_out: '4150.3',
  time_in_service_in: '4151.5',
  landings: '2',
  remarks: 'Nothing to report',
  ...change,
});
/** Flights of an hour, one every two hours. */
const manyFlights = (length: number) =>
  Array.from({ length }, (_, at) =>
    flight({
      left_at: new Date(Date.UTC(2020, 0, 1) + at * 7_200_000).toISOString(),
      back_at: new Date(Date.UTC(2020, 0, 1) + at * 7_200_000 + 3_600_000).toISOString(),
      time_in_service_out: '',
      time_in_service_in: '',
    }),
  );

describe('bringing in flights', () => {
  it('tells first what would happen and writes nothing', async () => {
    const told = good(
      await bring(
        'flights',
        [
          flight(),
          flight({
            left_at: '2026-11-24T12:35:00Z',
            back_at: '2026-11-24T12:50:00Z',
            time_in_service_out: '4151.5',
            time_in_service_in: '4151.7',
          }),
        ],
        { commit: false },
      ),
    );
    expect(told).toMatchObject({
      rows: 2,
      added: 2,
      there: 0,
      rejected: 0,
      committed: false,
      byAircraft: [{ registration: 'N02TB', added: 2 }],
      sample: [
        { line: 2, outcome: 'new' },
        { line: 3, outcome: 'new' },
      ],
    });
    expect(await written('flights')).toEqual([]);
    expect(await story()).toHaveLength(1);
  });
  it('moves every limit, with one entry in the ledger that holds a digest; the same file twice changes nothing', async () => {
    const before = (await row())?.secondsLeft ?? 0;
    expect(good(await bring('flights', [flight()]))).toMatchObject({ added: 1, committed: true });
    expect((await row())?.secondsLeft).toBe(before - 4320);
    expect((await story())[0]).toMatchObject({
      act: 'import-rows',
      record: {
        list: 'flights',
        file: 'flights.csv',
        rows: 1,
        digest: expect.stringMatching(/^[0-9a-f]{64}$/) as string,
      },
    });
    const revision = (await row())?.revision;
    expect(good(await bring('flights', [flight()]))).toMatchObject({ added: 0, there: 1, committed: true });
    expect([(await row())?.revision, (await story()).length]).toEqual([revision, 2]);
  });
  it('what comes out goes in again without changing anything', async () => {
    good(
      await bring('flights', [
        flight({ person: '  O’Brien, "Bee"; jr  ', remarks: 'zwei\nZeilen', fuel_aboard: '007' }),
      ]),
    );
    const out = await written('flights');
    expect(out).toMatchObject([
      {
        person: 'O’Brien, "Bee"; jr',
        remarks: 'zwei\nZeilen',
        fuel_aboard: '007',
        time_in_service_in: '4151.50',
        back_at: '2026-11-24T12:30:00.000Z',
      },
    ]);
    for (const list of ['fleet', 'documents', 'inspections', 'meters', 'flights'] as const) {
      const rows = (await written(list)).map((one) =>
        Object.fromEntries(
          Object.entries(one).map(([name, value]) => [
            name,
            value === null ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value),
          ]),
        ),
      );
      expect([list, rows.length > 0, good(await bring(list, rows))]).toMatchObject([
        list,
        true,
        { added: 0, there: rows.length, rejected: 0 },
      ]);
    }
  });
  it.each([
    [
      'an aircraft that the club does not have',
      { registration: 'N0ZZZ' },
      'registration: the club has no aircraft N0ZZZ',
    ],
    [
      'back before it left',
      { back_at: '2026-11-20T09:00:00Z' },
      'back_at: it cannot have come back before it left',
    ],
    [
      'a meter that runs backwards',
      { time_in_service_in: '4150.2' },
      'time_in_service_in: is less than when it left',
    ],
    [
      'more hours than the clock',
      { time_in_service_in: '4158.3' },
      'time_in_service_in: more hours than passed by the clock',
    ],
    ['a third decimal', { time_in_service_in: '4151.555' }, 'expected hours such as 4150.3'],
    ['a day that does not exist', { left_at: '2026-02-30T10:00:00Z' }, 'left_at: expected a moment'],
    [
      'a return in the future',
      { back_at: '2026-11-24T23:30:00Z', time_in_service_in: '' },
      'lies in the future',
    ],
    ['an empty cell that is needed', { person: '' }, 'person: is empty: expected a name'],
    [
      'a wall clock that comes twice',
      { left_at: '2026-11-01 01:30', back_at: '2026-11-01 03:00' },
      'left_at: expected a moment',
    ],
  ])(
    'a row with %s is rejected with its reason, and then nothing at all is written',
    async (_, change, why) => {
      const told = good(
        await bring('flights', [
          flight(),
          flight({ left_at: '2026-11-20T10:00:00Z', back_at: '2026-11-20T11:30:00Z', ...change }),
        ]),
      );
      expect(told).toMatchObject({
        rejected: 1,
        committed: false,
        rejections: [{ line: 3, why: expect.stringContaining(why) as string }],
      });
      expect(await written('flights')).toEqual([]);
    },
  );
  it('a row that stands twice in the file is rejected once', async () => {
    expect(good(await bring('flights', [flight(), flight()], { commit: false }))).toMatchObject({
      added: 1,
      rejected: 1,
      rejections: [{ line: 3, why: 'the same as an earlier row of this file' }],
    });
  });
  it('the wall clock at the field is understood where it is one moment', async () => {
    good(await bring('flights', [flight({ left_at: '2026-11-24 07:00', back_at: '2026-11-24 08:30' })]));
    expect(await written('flights')).toMatchObject([{ left_at: '2026-11-24T11:00:00.000Z' }]);
  });
  it('columns are found under other headers where somebody says so', async () => {
    const rows = [
      {
        Kennzeichen: 'n02tb',
        Pilot: 'R. Dane',
        'Left at': '2026-11-24T11:00:00Z',
        BACK_AT: '2026-11-24T12:30:00Z',
      },
    ];
    expect(guessMapping('flights', Object.keys(rows[0] ?? {}))).toMatchObject({
      registration: null,
      person: null,
      left_at: 'Left at',
      back_at: 'BACK_AT',
    });
    expect(good(await bring('flights', rows, { commit: false }))).toMatchObject({ rejected: 1 });
    expect(
      good(
        await bring('flights', rows, {
          mapping: {
            ...guessMapping('flights', Object.keys(rows[0] ?? {})),
            registration: 'Kennzeichen',
            person: 'Pilot',
          },
        }),
      ),
    ).toMatchObject({ added: 1 });
  });
  it('cancelled in the middle nothing is written', async () => {
    const many = manyFlights(4100);
    let asked = 0;
    expect(
      bad(
        await bring('flights', many, {}, () => {
          asked += 1;
          return asked > 1;
        }),
      ),
    ).toMatchObject({ message: 'The import was cancelled. Nothing was written.' });
    expect(await written('flights')).toEqual([]);
    expect(good(await bring('flights', many))).toMatchObject({ rows: 4100, added: 4100 });
    expect(await written('flights')).toHaveLength(4100);
  });
  it('others have their turn all the while', async () => {
    let [turns, ended] = [0, false];
    const others = (): void => {
      turns += 1;
      if (!ended) setImmediate(others);
    };
    setImmediate(others);
    expect(good(await bring('flights', manyFlights(300), { commit: false }))).toMatchObject({ rows: 300 });
    ended = true;
    // One between any two pages, and here a page is one row.
    expect(turns).toBeGreaterThanOrEqual(300);
  });
  it('of two things that go wrong the first is told, also where the next rows are looked at meanwhile', async () => {
    good(await bring('fleet', [{ registration: 'N03TB', type: 'Quorin 160', category: 'standard' }]));
    const same = '00000000-0000-4000-8000-000000000001';
    const rows = [
      ...manyFlights(2000),
      ...manyFlights(2000).map((one) => ({ ...one, registration: 'N03TB' })),
    ];
    const ports = { ...club.ports, newId: () => same };
    await expect(
      importRows(
        ports,
        club.actor('dispatcher'),
        {
          list: 'flights',
          mapping: guessMapping('flights', Object.keys(rows[0] ?? {})),
          commit: true,
          fileName: 'x',
        },
        from(rows),
        () => undefined,
        () => false,
      ),
    ).resolves.toMatchObject({
      ok: false,
      refusal: { message: expect.stringContaining('has this id already') as string },
    });
    expect(await written('flights')).toEqual([]);
  });
  it('what all rows have in common is written to each of them, and what they have not to its own', async () => {
    const times = (hour: string) => ({
      left_at: `2026-11-23T${hour}:00:00Z`,
      back_at: `2026-11-23T${hour}:45:00Z`,
    });
    good(
      await bring('flights', [
        flight({
          ...times('10'),
          time_in_service_out: '4148.0',
          time_in_service_in: '4148.5',
          fuel_added: '',
        }),
        flight({
          ...times('12'),
          time_in_service_out: '4148.5',
          time_in_service_in: '4149.0',
          fuel_added: '12 US gal',
        }),
      ]),
    );
    const common = {
      registration: 'N02TB',
      person: 'R. Dane',
      purpose: null,
      landings: 2,
      tow_launches: null,
      remarks: 'Nothing to report',
    };
    expect(
      (await written('flights')).toSorted((a, b) => (String(a['left_at']) < String(b['left_at']) ? -1 : 1)),
    ).toMatchObject([
      { ...common, fuel_added: null, time_in_service_in: '4148.50' },
      { ...common, fuel_added: '12 US gal', time_in_service_in: '4149.00' },
    ]);
  });
  it('only a dispatcher brings in', async () => {
    expect(bad(await bring('flights', [flight()], {}, undefined, 'mechanic'))).toMatchObject({
      code: 'not-entitled',
    });
  });
});

describe('meters that a list does not show', () => {
  const at = (minutes: number) => new Date(club.ports.now() + minutes * 60_000).toISOString();
  const stands = async () => {
    const facts = (
      await inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, club.aircraftId, true))
    )[0]?.facts;
    const known = facts === undefined ? null : knownAt(facts, presentFor(facts, club.ports.now()), 'us');
    const value = (meter: 'time-in-service' | 'engine' | 'landings' | 'tow-launches') => {
      const standing = known?.accounted[meter];
      return standing?.state === 'known' ? standing.value : (standing?.state ?? null);
    };
    return {
      service: value('time-in-service'),
      engine: value('engine'),
      landings: value('landings'),
      launches: value('tow-launches'),
      most: known?.meters.landings.state === 'known' ? known.meters.landings.value : null,
    };
  };
  beforeEach(async () => {
    good(
      await bring('meters', [
        { registration: 'N02TB', meter: 'engine', read_at: at(-600), value: '1000' },
        { registration: 'N02TB', meter: 'landings', read_at: at(-600), value: '500' },
      ]),
    );
    club.ports.at = addSeconds(club.ports.at, 60);
  });
  it('go on with the flights: hours as the time in service did, landings as the flights say, one where a flight does not say', async () => {
    const before = await stands();
    good(
      await bring('flights', [
        flight({
          left_at: at(-300),
          back_at: at(-240),
          time_in_service_out: '4150.3',
          time_in_service_in: '4151.3',
          landings: '4',
        }),
        flight({
          left_at: at(-120),
          back_at: at(-60),
          time_in_service_out: '4151.3',
          time_in_service_in: '4152.1',
          landings: '',
        }),
        // Long before the meters were read: they have it already.
        flight({
          left_at: '2026-10-01T12:00:00Z',
          back_at: '2026-10-01T13:00:00Z',
          time_in_service_out: '4100.0',
          time_in_service_in: '4101.0',
          landings: '3',
        }),
      ]),
    );
    expect(await stands()).toEqual({
      ...before,
      service: Number(before.service) + 6480,
      engine: 3_600_000 + 6480,
      landings: 505,
      most: 505,
    });
    expect(
      good(
        await bring('flights', [
          flight({
            left_at: at(-300),
            back_at: at(-240),
            time_in_service_out: '4150.3',
            time_in_service_in: '4151.3',
            landings: '4',
          }),
        ]),
      ),
    ).toMatchObject({ there: 1 });
    expect((await stands()).landings).toBe(505);
  });
  it.each<[string, ImportList, () => Record<string, string>]>([
    [
      'a reading',
      'meters',
      () => ({ registration: 'N02TB', meter: 'time-in-service', read_at: at(-5), value: '4151.3' }),
    ],
    [
      'an inspection',
      'inspections',
      () => ({
        registration: 'N02TB',
        kind: 'hundred-hour',
        completed: '2026-11-24',
        time_in_service: '4151.3',
        outcome: 'approved',
        signed_by: 'T. Brandl',
        certificate_kind: 'mechanic-airframe-powerplant',
        certificate_number: '0042',
        valid_from: '2015-06-01',
        valid_until: 'no-expiry',
      }),
    ],
  ])(
    'go on with hours of which only %s tells, and those hours may have had landings',
    async (_, list, row) => {
      const before = await stands();
      good(await bring(list, [row()]));
      expect(await stands()).toEqual({
        ...before,
        service: Number(before.service) + 3600,
        engine: 3_603_600,
        landings: 500,
        most: 530,
      });
    },
  );
  it('the time in service, too, goes on with flights that do not say it: by the block meter, or by the clock', async () => {
    const before = await stands();
    good(
      await bring('flights', [
        flight({
          left_at: at(-300),
          back_at: at(-240),
          time_in_service_out: '',
          time_in_service_in: '',
          block_out: '10.0',
          block_in: '10.8',
          landings: '1',
        }),
        flight({
          left_at: at(-200),
          back_at: at(-170),
          time_in_service_out: '',
          time_in_service_in: '',
          landings: '1',
        }),
      ]),
    );
    expect(await stands()).toEqual({
      ...before,
      service: Number(before.service) + 2880 + 1800,
      engine: 3_600_000 + 4680,
      landings: 502,
      most: 502,
    });
    // One that came back before a reading which is in the list is in that reading.
    good(
      await bring('flights', [
        flight({
          left_at: at(-150),
          back_at: at(-120),
          time_in_service_out: '',
          time_in_service_in: '',
          landings: '1',
        }),
        flight({
          left_at: at(-110),
          back_at: at(-60),
          time_in_service_out: '',
          time_in_service_in: '4153.0',
          landings: '1',
        }),
      ]),
    );
    expect(await stands()).toMatchObject({ service: 14_950_800, landings: 504 });
  });
  it('were only calculated, so that a lower figure which somebody read later stands', async () => {
    good(
      await bring('flights', [
        flight({
          left_at: at(-300),
          back_at: at(-240),
          time_in_service_out: '4150.3',
          time_in_service_in: '4151.3',
        }),
      ]),
    );
    expect((await stands()).engine).toBe(3_603_600);
    club.ports.at = addSeconds(club.ports.at, 60);
    good(
      await bring('meters', [{ registration: 'N02TB', meter: 'engine', read_at: at(-5), value: '1000.7' }]),
    );
    expect([(await stands()).engine, (await row())?.verdict]).toEqual([3_602_520, 'Released']);
    // One that was read is not taken back by another that was read.
    club.ports.at = addSeconds(club.ports.at, 60);
    good(
      await bring('meters', [{ registration: 'N02TB', meter: 'engine', read_at: at(-2), value: '1000.2' }]),
    );
    expect((await stands()).engine).toBe('contradiction');
  });
  it('stand as the list says where it says so', async () => {
    const before = await stands();
    good(
      await bring('meters', [
        { registration: 'N02TB', meter: 'time-in-service', read_at: at(-5), value: '4151.3' },
        { registration: 'N02TB', meter: 'engine', read_at: at(-5), value: '1000.8' },
        { registration: 'N02TB', meter: 'landings', read_at: at(-5), value: '502' },
      ]),
    );
    expect(await stands()).toEqual({
      ...before,
      service: Number(before.service) + 3600,
      engine: 3_602_880,
      landings: 502,
      most: 502,
    });
  });
});

describe('bringing in the other lists', () => {
  it('an aircraft that is new is closed until what matters about it is known', async () => {
    expect(
      good(
        await bring('fleet', [
          {
            registration: 'N09TB',
            type: 'Luvane D',
            category: 'glider',
            first_flown: '1993-08-01',
            serial_number: '0042',
            seats: '2',
          },
        ]),
      ),
    ).toMatchObject({ added: 1, committed: true });
    const fresh = (
      await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))
    ).rows.find(({ registration }) => registration === 'N09TB');
    expect(fresh).toMatchObject({ verdict: 'Grounded', revision: 1 });
    expect(fresh?.reasons.length).toBeGreaterThan(3);
    expect(
      (await written('fleet')).map(({ registration, serial_number: serial }) => [registration, serial]),
    ).toEqual([
      ['N02TB', 'TB-0217'],
      ['N09TB', '0042'],
    ]);
  });
  it('a document that was missing closes, an inspection counts with its signature and not without', async () => {
    good(
      await bring('documents', [
        { registration: 'N02TB', kind: 'weight-and-balance', seen_at: '2026-11-24T12:00:00Z', aboard: 'no' },
      ]),
    );
    expect((await row())?.verdict).toBe('Grounded');
    good(
      await bring('documents', [
        {
          registration: 'N02TB',
          kind: 'weight-and-balance',
          seen_at: '2026-11-24T12:30:00Z',
          aboard: 'yes',
          legible: 'yes',
          dated: '2022-06-09',
        },
      ]),
    );
    expect((await row())?.verdict).toBe('Released');
    const left = (await row())?.secondsLeft ?? 0;
    const inspection = {
      registration: 'N02TB',
      kind: 'hundred-hour',
      completed: '2026-11-24',
      time_in_service: '4150.3',
      outcome: 'approved',
      description: 'Inspected',
    };
    good(await bring('inspections', [inspection]));
    expect((await row())?.secondsLeft).toBe(left);
    good(
      await bring('inspections', [
        {
          ...inspection,
          completed: '2026-11-23',
          signed_by: 'T. Brandl',
          certificate_kind: 'mechanic-airframe-powerplant',
          certificate_number: '0042',
          valid_from: '2015-06-01',
          valid_until: 'no-expiry',
        },
      ]),
    );
    // A signed entry among them is a copy: it counts once somebody has compared it with the document.
    expect((await row())?.secondsLeft).toBe(left);
    const copies = [
      ...(await inClub(club.ports.db, club.clubId, (tx) => waitingOfAircraft(tx, club.aircraftId))).values(),
    ];
    expect(copies.map(({ kind, vouched }) => [kind, vouched])).toEqual([['hundred-hour', null]]);
    const revision = (
      await inClub(club.ports.db, club.clubId, (tx) =>
        tx.selectFrom('aircraft').select('revision').executeTakeFirstOrThrow(),
      )
    ).revision;
    const entry = (by: Role) =>
      vouch(club.ports, club.actor(by), {
        aircraftId: club.aircraftId,
        seenRevision: revision,
        records: copies.map(({ recordId }) => ({ vouchId: randomUUID(), recordId })),
        note: null,
        password: PASSWORD,
      });
    expect(bad(await entry('dispatcher')).code).toBe('not-entitled');
    good(await entry('mechanic'));
    expect((await row())?.secondsLeft).toBe(360_000);
  });
  it('a reading of a counter is a whole number', async () => {
    expect(
      good(
        await bring(
          'meters',
          [{ registration: 'N02TB', meter: 'landings', read_at: '2026-11-24T12:00:00Z', value: '12.5' }],
          { commit: false },
        ),
      ),
    ).toMatchObject({ rejected: 1 });
    expect(
      good(
        await bring('meters', [
          { registration: 'N02TB', meter: 'landings', read_at: '2026-11-24T12:00:00Z', value: '1290' },
        ]),
      ),
    ).toMatchObject({ added: 1 });
  });
  it('every list that comes in can go out with the same columns', () => {
    for (const [list, columns] of Object.entries(IMPORT_LISTS))
      expect([list, LISTS[list as ImportList]]).toEqual([list, columns.map(({ name }) => name)]);
  });
  it('what is due and what was found go out too', async () => {
    expect((await written('due')).find(({ what }) => what === '100-hour')).toMatchObject({
      registration: 'N02TB',
      next_due: '4208.7 h',
      hours_left: 58.4,
    });
    expect(await written('findings')).toEqual([]);
    expect(await written('plan')).toEqual([]);
  });
});
