import { beforeEach, describe, expect, it } from 'vitest';
import { guessMapping } from '@/contracts/exchange/csv-lists';
import { inClub } from '@/db/kernel/club-transaction';
import { readHistory } from '@/db/kernel/ledger';
import { bad, good } from '@/testing/database';
import { importRows } from './import-rows';
import { bring, flight, written, row, club, from, freshClub } from '@/testing/import-rows';

const story = () => inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 20));
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
beforeEach(freshClub);

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
  it('keeps every text as it stands, whatever means something to the database, beside cells that are empty', async () => {
    const texts = [
      'NULL',
      'null',
      '{a,b}',
      '{}',
      '\\',
      '\\N',
      '"',
      'a,"b",',
      "O'Brien",
      'ü 🛩',
      'x\ny\tz',
      '[1]',
    ];
    const rows = manyFlights(texts.length * 2).map((one, at) => ({
      ...one,
      person: texts[at % texts.length] ?? '',
      remarks: at < texts.length ? (texts[at] ?? '') : '',
    }));
    expect(good(await bring('flights', rows))).toMatchObject({ added: rows.length, committed: true });
    const kept = [...(await written('flights'))].sort((a, b) =>
      String(a['left_at']) < String(b['left_at']) ? -1 : 1,
    );
    expect(kept.map(({ person }) => person)).toEqual([...texts, ...texts]);
    expect(kept.map(({ remarks }) => remarks)).toEqual([...texts, ...texts.map(() => 'not said')]);
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
