import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { hours } from '@/core/quantities/hours';
import { addSeconds } from '@/core/time/instant';
import { wallClock } from '@/core/time/zone';
import { inClub } from '@/db/kernel/club-transaction';
import { latestReadings } from '@/db/meters/readings';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { dispatchFlight } from '@/queries/flights/dispatch';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { checkIn } from '../flights/check-in';
import { releaseAndLeave } from '@/testing/flight-release';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { strikeEntry } from '../maintenance/corrections';
import { correctReading } from './correct-reading';
import { addDial, exchangeDial } from './dials';

let club: Awaited<ReturnType<typeof testClub>>;
const block = randomUUID();

const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const later = (seconds: number) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const revision = async () =>
  (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0]?.revision ?? 0;
const readings = async () =>
  (await inTx((tx) => latestReadings(tx, club.aircraftId, 40))).filter(({ struck }) => !struck);
const standing = async (meter: string) =>
  Math.max(...(await readings()).filter((one) => one.meter === meter).map(({ value }) => value)) / 3600;

async function planned(): Promise<string> {
  const flightId = randomUUID();
  const starts = addSeconds(club.ports.now(), 600);
  await plannedFlight(club, {}, { flightId: flightId, starts });
  return flightId;
}
const leave = async (flightId: string, shown: string, accepted: readonly string[] = []) =>
  releaseAndLeave(club.ports, club.actor('dispatcher'), {
    flightId,
    aircraftId: club.aircraftId,
    seenRevision: await revision(),
    readings: [{ dial: block, shown }],
    accepted: [...accepted],
    fuelAboard: [],
    oilAboard: null,
    remarks: null,
  });
const comeBack = (flightId: string, shown: string) => {
  const { date, hour, minute } = wallClock(club.ports.now(), club.place.zone);
  return checkIn(club.ports, club.actor('dispatcher'), {
    flightId,
    aircraftId: club.aircraftId,
    at: { date, clock: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` },
    readings: [{ dial: block, shown }],
    accepted: [],
    airborne: hours('0.8'),
    landings: 1,
    towLaunches: null,
    fuelAdded: null,
    oilAdded: null,
    remarks: 'nothing-to-report',
    defects: [],
  });
};
const correct = async (readingId: string | undefined, shown: string, evenSo: boolean) =>
  correctReading(club.ports, club.actor('dispatcher'), {
    strikeId: randomUUID(),
    aircraftId: club.aircraftId,
    seenRevision: await revision(),
    readingId: readingId ?? '',
    shown,
    evenSo,
    why: 'Misread',
    password: PASSWORD,
  });
const backReading = async (flightId: string) =>
  (await readings())
    .filter((one) => one.flightId === flightId && one.meter === 'block')
    .sort((a, b) => b.happenedAt - a.happenedAt)[0]?.id;

async function flown(from: string, to: string): Promise<string> {
  const flightId = await planned();
  good(await leave(flightId, from));
  later(5400);
  good(await comeBack(flightId, to));
  later(600);
  return flightId;
}

/** Its only meter is that of the block time, on which no limit counts: nothing closes the aircraft when that one is disputed. */
beforeEach(async () => {
  club = await testClub();
  good(
    await addDial(club.ports, club.actor('mechanic'), {
      dialId: block,
      aircraftId: club.aircraftId,
      seenRevision: 1,
      name: 'Block meter',
      unit: 'h',
      bills: true,
      counts: [{ meter: 'block', standsAt: '100' }],
      shows: '100',
      wrapsAt: null,
    }),
  );
  good(
    await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
      ...NO_RECORDS,
      readings: [
        {
          id: randomUUID(),
          meter: 'engine',
          value: hours('1000'),
          happenedAt: club.ports.now(),
          recordedAt: club.ports.now(),
        },
      ],
    }),
  );
  later(60);
});

describe('a correction after which a meter would run backwards', () => {
  it('is asked about, and written where it is meant; corrected in turn, everything is as before', async () => {
    const first = await flown('100.0', '101.0');
    await flown('101.0', '102.0');
    const reading = await backReading(first);
    expect(bad(await correct(reading, '110.0', false))).toMatchObject({
      code: 'invalid',
      problems: [{ path: 'evenSo' }],
    });
    expect([await standing('block'), await backReading(first)]).toEqual([102, reading]);
    good(await correct(reading, '110.0', true));
    expect(
      (await inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now())))?.dials,
    ).toMatchObject([{ shows: 'two readings contradict each other' }]);
    good(await correct(await backReading(first), '101.0', false));
    expect(
      (await inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now())))?.dials,
    ).toMatchObject([{ shows: '102.0 h' }]);
  });
  it('is none where it only grows, or falls no further than the reading before', async () => {
    await flown('100.0', '101.0');
    const last = await flown('101.0', '102.0');
    for (const shown of ['101.00', '103.00']) good(await correct(await backReading(last), shown, false));
  });
});

describe('while two readings of a meter contradict each other', () => {
  const dispute = async (): Promise<string> => {
    const first = await flown('100.0', '101.0');
    const second = await flown('101.0', '102.0');
    good(await correct(await backReading(first), '110.0', true));
    return second;
  };
  it('nobody takes the aircraft: hours that somebody flew and did not write down would go unseen', async () => {
    await dispute();
    const flight = await planned();
    for (const shown of ['102.0', '110.0', '115.0'])
      expect(
        bad(await leave(flight, shown, [`gap/${block}/${shown}`, `disputed/${block}/${shown}`])),
      ).toMatchObject({
        code: 'invalid',
        message: expect.stringContaining(
          '110.0 h and later 101.0 h are on record, and one of them is wrong',
        ) as unknown,
      });
    expect(await inTx((tx) => dispatchFlight(tx, club.clubId, flight, club.ports.now()))).toMatchObject({
      out: null,
      dials: [{ last: null, lastText: 'two readings contradict each other' }],
    });
    expect(await standing('time-in-service')).toBe(4151.9);
  });
  it('the meter is not exchanged, and no other is entered that counts towards the same', async () => {
    await dispute();
    expect(
      bad(
        await exchangeDial(club.ports, club.actor('mechanic'), {
          dialId: randomUUID(),
          replaces: block,
          aircraftId: club.aircraftId,
          seenRevision: await revision(),
          name: 'New',
          lastShown: '115.0',
          firstShown: '0',
          wrapsAt: null,
          why: 'Stopped',
        }),
      ),
    ).toMatchObject({ problems: [{ path: 'lastShown' }] });
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [
          {
            id: randomUUID(),
            meter: 'engine',
            value: hours('2000'),
            happenedAt: addSeconds(club.ports.now(), -86_400),
            recordedAt: club.ports.now(),
          },
        ],
      }),
    );
    expect(
      bad(
        await addDial(club.ports, club.actor('mechanic'), {
          dialId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: await revision(),
          name: 'Engine meter',
          unit: 'h',
          bills: false,
          counts: [{ meter: 'engine', standsAt: '2500' }],
          shows: '2500',
          wrapsAt: null,
        }),
      ),
    ).toMatchObject({ problems: [{ path: 'counts' }] });
  });
  it('a flight that is out comes back anyway, and what it ran counts from where it left', async () => {
    const first = await flown('100.0', '101.0');
    const second = await planned();
    good(await leave(second, '101.0'));
    const engine = await standing('engine');
    later(5400);
    good(await correct(await backReading(first), '110.0', true));
    expect(await inTx((tx) => dispatchFlight(tx, club.clubId, second, club.ports.now()))).toMatchObject({
      dials: [{ lastText: '101.0 h' }],
    });
    expect(good(await comeBack(second, '102.2')).billing).toEqual({ seconds: 4320, from: 'Block meter' });
    // The correction moved the engine's hours by nine; the flight adds what the meter ran.
    expect(await standing('engine')).toBeCloseTo(engine + 9 + 1.2, 6);
  });
  it('a meter without a face of its own goes on from the most that any record says', async () => {
    const flight = await planned();
    good(await leave(flight, '100.0'));
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [
          {
            id: randomUUID(),
            meter: 'engine',
            value: hours('1500'),
            happenedAt: addSeconds(club.ports.now(), -86_400),
            recordedAt: club.ports.now(),
          },
        ],
      }),
    );
    later(5400);
    good(await comeBack(flight, '101.0'));
    expect(await standing('engine')).toBe(1501);
  });
});

describe('all that is on record of a meter', () => {
  const strike = async (recordId: string | undefined) =>
    strikeEntry(club.ports, club.actor('dispatcher'), {
      strikeId: randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      kind: 'reading',
      recordId: recordId ?? '',
      why: 'Slip',
      password: PASSWORD,
    });
  it('is never struck out without another in its place: the next reading could be compared with nothing', async () => {
    const [only] = (await readings()).filter(({ meter }) => meter === 'block');
    expect(bad(await strike(only?.id))).toMatchObject({ code: 'invalid', problems: [{ path: 'recordId' }] });
    const flight = await planned();
    good(await leave(flight, '100.0'));
    good(await strike(only?.id));
    expect(bad(await strike((await readings()).find(({ meter }) => meter === 'block')?.id))).toMatchObject({
      code: 'invalid',
    });
    expect(await standing('block')).toBe(100);
  });
});

describe('meters that no dial shows', () => {
  const outReading = async (flightId: string) =>
    (await readings()).filter((one) => one.flightId === flightId && one.meter === 'block').at(-1)?.id;
  const gaps = async () =>
    (await inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now())))?.unlogged
      .filter(({ struck }) => struck === null)
      .map(({ name, from, to, length }) => [name, from, to, length]);
  const all = async () => [
    await standing('block'),
    await standing('engine'),
    await standing('time-in-service'),
  ];
  it.each([
    ['103.00', 1003],
    ['100.90', 1000.9],
    ['100.50', 1000.8],
    ['100.00', 1000.8],
  ])(
    'after a return put to %s h the engine ran as far as the meter, never less than was flown; the time in service stays the pilot’s',
    async (shown, engine) => {
      const flight = await flown('100.0', '101.0');
      expect(await all()).toEqual([101, 1001, 4151.1]);
      good(await correct(await backReading(flight), shown, false));
      expect(await all()).toEqual([Number(shown), engine, 4151.1]);
      // Corrected twice it is as if it had been right at once.
      good(await correct(await backReading(flight), '101.00', false));
      expect(await all()).toEqual([101, 1001, 4151.1]);
    },
  );
  it('of hours that turn up when a reading on leaving is put up go on, and are unlogged time; put down again, there never was one', async () => {
    const flight = await planned();
    good(await leave(flight, '100.0'));
    later(60);
    good(await correct(await outReading(flight), '100.40', false));
    expect([await all(), await gaps()]).toEqual([
      [100.4, 1000.4, 4150.7],
      [['Block meter, as it was corrected', '100.0 h', '100.4 h', '0.4 h']],
    ]);
    later(60);
    good(await correct(await outReading(flight), '100.00', false));
    expect([await all(), await gaps()]).toEqual([[100, 1000, 4150.3], []]);
    later(5280);
    good(await comeBack(flight, '101.0'));
    expect(await all()).toEqual([101, 1001, 4151.1]);
  });
  it('of a stretch that is put down go down with it, and up where it is put up', async () => {
    const flight = await planned();
    good(await leave(flight, '100.5', [`gap/${block}/100.5`]));
    expect(await all()).toEqual([100.5, 1000.5, 4150.8]);
    for (const [shown, hoursMore] of [
      ['100.2', 0.2],
      ['100.7', 0.7],
    ] as const) {
      later(60);
      good(await correct(await outReading(flight), shown, false));
      const [, engine, service] = await all();
      expect([engine, service, (await gaps())?.map(([, , , length]) => length)]).toEqual([
        expect.closeTo(1000 + hoursMore, 6),
        expect.closeTo(4150.3 + hoursMore, 6),
        [`${hoursMore.toFixed(1)} h`],
      ]);
    }
  });
  it('count once where the aircraft came back since: what it ran after leaving is as much less', async () => {
    const flight = await flown('100.0', '101.0');
    good(await correct(await outReading(flight), '100.30', false));
    // The engine ran 1.0 h in all, of which 0.3 h were not this flight; the pilot's 0.8 h in the air were.
    expect([await all(), await gaps()]).toEqual([
      [101, 1001, 4151.4],
      [['Block meter, as it was corrected', '100.0 h', '100.3 h', '0.3 h']],
    ]);
  });
  it('and that are corrected themselves carry on: put up, what was calculated from them since goes up too; put down, it stays too high', async () => {
    const first = await flown('100.0', '101.0');
    await flown('101.0', '102.0');
    const own = async (flightId: string, meter: string) =>
      (await readings()).filter((one) => one.flightId === flightId && one.meter === meter)[0]?.id;
    // The pilot was in the air for 1.2 h, not 0.8 h: the next flight's 0.8 h come on top of that.
    good(await correct(await own(first, 'time-in-service'), '4151.50', false));
    expect(await all()).toEqual([102, 1002, 4152.3]);
    good(await correct(await own(first, 'engine'), '1001.50', false));
    expect(await all()).toEqual([102, 1002.5, 4152.3]);
    good(await correct(await own(first, 'time-in-service'), '4151.00', false));
    expect(await all()).toEqual([102, 1002.5, 4152.3]);
    // The last of all is simply what it is put to.
    const last = await flown('102.0', '103.0');
    good(await correct(await own(last, 'time-in-service'), '4153.00', false));
    expect(await standing('time-in-service')).toBe(4153);
  });
});
