import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Attribution, CheckIn, CheckOut } from '@/contracts/flights/dispatch';
import type { Json } from '@/contracts/kernel/merge-patch';
import { hours } from '@/core/quantities/hours';
import { volume } from '@/core/quantities/volume';
import { knownAt, presentFor } from '@/core/records/facts';
import { addDays } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { civilDateAt, wallClock } from '@/core/time/zone';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { othersOfKind } from '@/db/aircraft/other-records';
import { flightRows } from '@/db/exchange/lists';
import { latestFlights, findFlight } from '@/db/flights/flights';
import { insertFlown } from '@/db/flights/insert-flights';
import { inClub } from '@/db/kernel/club-transaction';
import { appendToLedger, readHistory } from '@/db/kernel/ledger';
import { latestReadings } from '@/db/meters/readings';
import { dayBefore } from '@/db/releases/day-before';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { rampAircraft } from '@/queries/findings/ramp';
import { dispatchFlight, dispatchList } from '@/queries/flights/dispatch';
import { sheet } from '@/queries/flights/sheet';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import landingsCase from '../../../examples/cases/life-limit-landings.json';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { correctReading } from '../meters/correct-reading';
import { addDial, exchangeDial } from '../meters/dials';
import { attributeUnlogged } from '../meters/unlogged';
import { checkIn } from './check-in';
import { checkOut } from './check-out';

let club: Awaited<ReturnType<typeof testClub>>;
const block = randomUUID();

const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const row = async () => (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
const revision = async () => (await row())?.revision ?? 0;

const planned = (change: Parameters<typeof plannedFlight>[1] = {}, person = 'R. Dane') =>
  plannedFlight(club, { person, ...change });
const leave = async (flightId: string, shown: string, change: Partial<CheckOut> = {}) =>
  checkOut(club.ports, club.actor('dispatcher'), {
    flightId,
    aircraftId: club.aircraftId,
    seenRevision: await revision(),
    readings: [{ dial: block, shown }],
    accepted: [],
    fuelAboard: [],
    oilAboard: null,
    remarks: null,
    ...change,
  });
const comeBack = (flightId: string, shown: string, change: Partial<CheckIn> = {}) =>
  checkIn(club.ports, club.actor('dispatcher'), {
    flightId,
    aircraftId: club.aircraftId,
    at: wall(),
    readings: [{ dial: block, shown }],
    accepted: [],
    airborne: null,
    landings: 2,
    towLaunches: null,
    fuelAdded: null,
    oilAdded: null,
    remarks: 'nothing-to-report',
    defects: [],
    ...change,
  });
const wall = (by = 0) => {
  const { date, hour, minute } = wallClock(addSeconds(club.ports.now(), by), club.place.zone);
  return { date, clock: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` };
};
const later = (seconds: number) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const timeInService = async () =>
  (await inTx(
    async (tx) =>
      (
        await tx
          .selectFrom('meter_reading')
          .select((select) => select.fn.max('value_s').as('most'))
          .where('aircraft_id', '=', club.aircraftId)
          .where('meter', '=', 'time-in-service')
          .executeTakeFirstOrThrow()
      ).most,
  )) as unknown as number;

let start = 0;
beforeEach(async () => {
  club = await testClub();
  start = await timeInService();
  good(
    await addDial(club.ports, club.actor('mechanic'), {
      dialId: block,
      aircraftId: club.aircraftId,
      seenRevision: 1,
      name: 'Block meter',
      unit: 'h',
      bills: true,
      counts: [{ meter: 'time-in-service', standsAt: text(start) }],
      shows: text(start),
      wrapsAt: null,
    }),
  );
});
const text = (seconds: number) => (seconds / 3600).toFixed(2);

describe('a reading of a flight that was corrected', () => {
  it('counts everywhere: on the sheet, in the list, at the dispatch page, and in what the next daily inspection carries over', async () => {
    const flight = await planned();
    good(await leave(flight, text(start)));
    later(5400);
    good(await comeBack(flight, text(start + 5400)));
    const told = async () => {
      const rows = await inTx(async (tx) => {
        const lists = [];
        for await (const page of flightRows(tx)) lists.push(...page);
        return lists;
      });
      const day = addDays(civilDateAt(club.ports.now(), club.place.zone), 1);
      const carried = await inTx((tx) => dayBefore(tx, club.aircraftId, club.place.zone, day, null));
      const page = await inTx((tx) => sheet(tx, club.clubId, 'N02TB', null, club.ports.now()));
      const counter = await inTx((tx) => dispatchFlight(tx, club.clubId, flight, club.ports.now()));
      const [meter] = page?.flights[0]?.meters ?? [];
      return {
        list: [rows.at(-1)?.['time_in_service_out'], rows.at(-1)?.['time_in_service_in']],
        carried: carried?.flown,
        sheet: [meter?.in, meter?.corrected],
        counter: counter?.back?.readings[0]?.shown,
      };
    };
    expect(await told()).toEqual({
      list: [text(start), text(start + 5400)],
      carried: 5400,
      sheet: [text(start + 5400), false],
      counter: text(start + 5400),
    });
    const reading = (await inTx((tx) => latestReadings(tx, club.aircraftId, 9))).find(
      (one) => one.flightId === flight && one.value === start + 5400 && one.meter === 'time-in-service',
    );
    later(60);
    good(
      await correctReading(club.ports, club.actor('dispatcher'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readingId: reading?.id ?? '',
        shown: text(start + 3600),
        evenSo: false,
        why: 'Misread',
        password: PASSWORD,
      }),
    );
    expect(await told()).toEqual({
      list: [text(start), text(start + 3600)],
      carried: 3600,
      sheet: [text(start + 3600), true],
      counter: text(start + 3600),
    });
  });
});

describe('handing out and taking back', () => {
  it('a flight moves every limit by what the meter says, and is billed by its own meter', async () => {
    const before = (await row())?.secondsLeft ?? 0;
    const flight = await planned();
    good(await leave(flight, text(start)));
    expect(await inTx((tx) => dispatchList(tx, club.clubId, club.ports.now()))).toMatchObject({
      out: [{ flightId: flight, state: 'out', person: 'R. Dane' }],
      planned: [],
      back: [],
    });
    later(5000);
    expect(good(await comeBack(flight, text(start + 3960)))).toMatchObject({
      billing: { seconds: 3960, from: 'Block meter' },
    });
    expect((await row())?.secondsLeft).toBe(before - 3960);
    expect((await inTx((tx) => dispatchList(tx, club.clubId, club.ports.now()))).back).toMatchObject([
      { flightId: flight, words: 'Nothing to report' },
    ]);
  });
  it('only the desk checks out and takes back', async () => {
    const flight = await planned();
    expect(
      bad(
        await checkOut(club.ports, club.actor('renter'), {
          flightId: flight,
          aircraftId: club.aircraftId,
          seenRevision: 3,
          readings: [],
          accepted: [],
          fuelAboard: [],
          oilAboard: null,
          remarks: null,
        }),
      ),
    ).toMatchObject({ code: 'not-entitled' });
    good(await leave(flight, text(start)));
    later(3600);
    expect(
      bad(
        await checkIn(club.ports, club.actor('student'), {
          flightId: flight,
          aircraftId: club.aircraftId,
          at: wall(),
          readings: [],
          accepted: [],
          airborne: null,
          landings: 1,
          towLaunches: null,
          fuelAdded: null,
          oilAdded: null,
          remarks: 'nothing-to-report',
          defects: [],
        }),
      ),
    ).toMatchObject({ code: 'not-entitled' });
  });
  it('a flight that is not back keeps the aircraft, says who has it since when, and is chased once it is late', async () => {
    const flight = await planned();
    const next = await plannedFlight(
      club,
      { person: 'L. Brandt' },
      { starts: addSeconds(club.ports.now(), 7200) },
    );
    good(await leave(flight, text(start)));
    expect(bad(await leave(next, text(start)))).toMatchObject({
      code: 'invalid',
      message: expect.stringMatching(/is out with R\. Dane since .* Check that flight in first\./) as string,
    });
    later(4 * 3600);
    const { out, planned: plan } = await inTx((tx) => dispatchList(tx, club.clubId, club.ports.now()));
    expect([out[0]?.state, plan[0]?.answer]).toEqual(['overdue', 'no']);
    expect(plan[0]?.words).toContain('R. Dane');
    good(await comeBack(flight, text(start + 3600)));
    expect((await inTx((tx) => dispatchList(tx, club.clubId, club.ports.now()))).planned[0]?.answer).toBe(
      'yes',
    );
  });
  it('two desks at once: one checks it out, the other is shown what happened', async () => {
    const flight = await planned();
    const seenRevision = await revision();
    const answers = await Promise.all([
      leave(flight, text(start), { seenRevision }),
      checkOut(club.ports, club.actor('instructor'), {
        flightId: flight,
        aircraftId: club.aircraftId,
        seenRevision,
        readings: [{ dial: block, shown: text(start) }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    ]);
    expect(answers.filter(({ ok }) => ok)).toHaveLength(1);
    expect(answers.flatMap((answer) => (answer.ok ? [] : [answer.refusal.code]))).toEqual(['conflict']);
  });
  it('an answer that got lost is given again, and nothing counts twice', async () => {
    const flight = await planned();
    const seenRevision = await revision();
    good(await leave(flight, text(start), { seenRevision }));
    expect(good(await leave(flight, text(start), { seenRevision }))).toMatchObject({
      flightId: flight,
      revision: seenRevision + 1,
    });
    later(3600);
    const entry = { readings: [{ dial: block, shown: text(start + 3600) }], at: wall() };
    good(await comeBack(flight, '', entry));
    later(30);
    expect(good(await comeBack(flight, '', entry)).billing).toEqual({ seconds: 3600, from: 'Block meter' });
    expect(await timeInService()).toBe(start + 3600);
  });
  it('somebody else who takes it back a second time is told that it is back', async () => {
    const flight = await planned();
    good(await leave(flight, text(start)));
    later(3600);
    good(await comeBack(flight, text(start + 3600)));
    expect(
      bad(
        await checkIn(club.ports, club.actor('instructor'), {
          flightId: flight,
          aircraftId: club.aircraftId,
          at: wall(),
          readings: [{ dial: block, shown: text(start + 3600) }],
          accepted: [],
          airborne: null,
          landings: 2,
          towLaunches: null,
          fuelAdded: null,
          oilAdded: null,
          remarks: 'nothing-to-report',
          defects: [],
        }),
      ),
    ).toMatchObject({
      code: 'conflict',
      message: expect.stringContaining('was checked in already') as string,
    });
  });
  it('leaves only where the answer is a plain yes, with the readings just taken', async () => {
    const left = (await row())?.secondsLeft ?? 0;
    const flight = await planned({ airborne: hours('1.2') });
    // So much flown and not written down that this flight would cross the next limit in hours.
    const shown = text(start + left - 3600);
    const gap = bad(await leave(flight, shown));
    expect(gap).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('Unlogged time counts towards every limit at once') as string,
    });
    expect(await timeInService()).toBe(start);
    expect(bad(await leave(flight, shown, { accepted: [`gap/${block}/${shown}`] }))).toMatchObject({
      code: 'invalid',
      message: expect.stringMatching(/cannot leave for this flight.*The readings are on record/) as string,
    });
    // What somebody saw is never lost: the hours count, and the aircraft is here.
    expect(await timeInService()).toBe(start + left - 3600);
    expect(await inTx((tx) => dispatchList(tx, club.clubId, club.ports.now()))).toMatchObject({
      out: [],
      planned: [{ flightId: flight, answer: 'no' }],
    });
    expect(await inTx((tx) => othersOfKind(tx, club.aircraftId, 'unlogged'))).toHaveLength(1);
    expect(bad(await leave(flight, shown))).toMatchObject({
      code: 'invalid',
      message: expect.not.stringContaining('on record') as string,
    });
  });
});

describe('a gap', () => {
  it('counts at once, is listed with the last to fly, and may be attributed', async () => {
    const first = await planned();
    good(await leave(first, text(start)));
    later(3600);
    good(await comeBack(first, text(start + 3600)));
    const second = await planned({}, 'L. Brandt');
    const shown = text(start + 3600 + 1440);
    good(await leave(second, shown, { accepted: [`gap/${block}/${shown}`] }));
    expect(await timeInService()).toBe(start + 5040);
    const [stretch] = await inTx((tx) => othersOfKind(tx, club.aircraftId, 'unlogged'));
    expect(stretch).toMatchObject({
      name: 'Block meter',
      length: '0.4 h',
      lastBy: 'R. Dane',
      lastFlight: first,
      seenBy: 'L. Brandt',
    });
    expect(
      bad(
        await attributeUnlogged(club.ports, club.actor('mechanic'), {
          attributionId: randomUUID(),
          aircraftId: club.aircraftId,
          unlogged: stretch?.id ?? '',
          to: 'R. Dane',
          note: null,
          landings: null,
          towLaunches: null,
        }),
      ),
    ).toMatchObject({ code: 'not-entitled' });
    good(
      await attributeUnlogged(club.ports, club.actor('dispatcher'), {
        attributionId: randomUUID(),
        aircraftId: club.aircraftId,
        unlogged: stretch?.id ?? '',
        to: 'R. Dane',
        note: 'Taxied back after the check-in',
        landings: null,
        towLaunches: null,
      }),
    );
    expect(await inTx((tx) => othersOfKind(tx, club.aircraftId, 'attribution'))).toMatchObject([
      { to: 'R. Dane' },
    ]);
  });
  it('may have had landings that nobody counted: a part near its limit keeps the aircraft until somebody says how many', async () => {
    club = await testClub({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: 11_990 } },
    } as unknown as Json);
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: 1,
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: text(start) }],
        shows: text(start),
        wrapsAt: null,
      }),
    );
    const landings = async () => {
      const { facts } = (await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true)))[0] ?? {};
      return facts === undefined
        ? null
        : knownAt(facts, presentFor(facts, club.ports.now()), 'us').accounted.landings;
    };
    const gapIn = async () =>
      (await inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now())))?.unlogged[0];
    const flight = await planned({ landings: 1 });
    const shown = text(start + 1440);
    expect((await row())?.verdict).toBe('Released');
    expect(bad(await leave(flight, shown, { accepted: [`gap/${block}/${shown}`] }))).toMatchObject({
      message: expect.stringContaining('cannot leave for this flight') as string,
    });
    expect([(await row())?.verdict, await landings(), await gapIn()]).toMatchObject([
      'Grounded',
      { value: 11_990 },
      {
        asks: ['landings'],
        counts: expect.stringContaining('12 count against limits until somebody says') as string,
      },
    ]);
    const [stretch] = await inTx((tx) => othersOfKind(tx, club.aircraftId, 'unlogged'));
    const say = (change: Partial<Attribution>) =>
      attributeUnlogged(club.ports, club.actor('dispatcher'), {
        attributionId: randomUUID(),
        aircraftId: club.aircraftId,
        unlogged: stretch?.id ?? '',
        to: 'R. Dane',
        note: null,
        landings: null,
        towLaunches: null,
        ...change,
      });
    // Who it was opens nothing; how many landings there were does, and it is said once.
    good(await say({}));
    expect((await row())?.verdict).toBe('Grounded');
    expect(bad(await say({ to: 'L. Brandt' }))).toMatchObject({
      message: expect.stringContaining('Somebody said already that R. Dane flew it') as string,
    });
    const entry = { attributionId: randomUUID(), landings: 2 };
    good(await say(entry));
    good(await say(entry));
    expect([(await row())?.verdict, await landings(), await gapIn()]).toMatchObject([
      'Released',
      { value: 11_992 },
      { asks: [], counts: '', attributedTo: 'R. Dane' },
    ]);
    expect(bad(await say({ landings: 1 })).code).toBe('invalid');
    // The flights that follow count on from there, and nothing contradicts.
    later(60);
    good(await leave(flight, shown));
    later(5400);
    good(await comeBack(flight, text(start + 1440 + 4320), { landings: 3 }));
    expect([(await row())?.verdict, await landings()]).toMatchObject([
      'Released',
      { state: 'known', value: 11_995 },
    ]);
  });
  it('said while the next flight is out, contradicts nothing when that comes back earlier than it was said', async () => {
    club = await testClub({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: 100 } },
    } as unknown as Json);
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: 1,
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: text(start) }],
        shows: text(start),
        wrapsAt: null,
      }),
    );
    const [flight, shown] = [await planned({ landings: 1 }), text(start + 1440)];
    good(await leave(flight, shown, { accepted: [`gap/${block}/${shown}`] }));
    later(5400);
    const [stretch] = await inTx((tx) => othersOfKind(tx, club.aircraftId, 'unlogged'));
    good(
      await attributeUnlogged(club.ports, club.actor('dispatcher'), {
        attributionId: randomUUID(),
        aircraftId: club.aircraftId,
        unlogged: stretch?.id ?? '',
        to: 'R. Dane',
        note: null,
        landings: 4,
        towLaunches: null,
      }),
    );
    later(600);
    good(await comeBack(flight, text(start + 1440 + 3600), { at: wall(-1200), landings: 3 }));
    const { facts } = (await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true)))[0] ?? {};
    expect(
      facts === undefined ? null : knownAt(facts, presentFor(facts, club.ports.now()), 'us').meters.landings,
    ).toMatchObject({ state: 'known', value: 107 });
  });
  it('is as long as its readings say: corrected, it shrinks or never was, and the guess at its landings with it', async () => {
    club = await testClub({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: 100 } },
    } as unknown as Json);
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: 1,
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: text(start) }],
        shows: '12.00',
        wrapsAt: null,
      }),
    );
    const counted = async () => {
      const { facts } = (await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true)))[0] ?? {};
      const meters =
        facts === undefined ? null : knownAt(facts, presentFor(facts, club.ports.now()), 'us').meters;
      return meters?.landings.state === 'known' ? meters.landings.value : null;
    };
    const gaps = async () =>
      (await inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now())))?.unlogged.map(
        ({ length, from, to, struck }) => [length, from, to, struck === null],
      );
    later(60);
    const flight = await planned({ landings: 1 });
    good(await leave(flight, '12.40', { accepted: [`gap/${block}/12.40`] }));
    expect([await counted(), await gaps()]).toEqual([112, [['0.4 h', '12.0 h', '12.4 h', true]]]);
    const put = async (shown: string) => {
      const reading = (await inTx((tx) => latestReadings(tx, club.aircraftId, 9))).find(
        (one) => one.flightId === flight && one.meter === 'time-in-service' && !one.struck,
      );
      later(60);
      good(
        await correctReading(club.ports, club.actor('dispatcher'), {
          strikeId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: await revision(),
          readingId: reading?.id ?? '',
          shown,
          evenSo: false,
          why: 'Misread',
          password: PASSWORD,
        }),
      );
    };
    await put('12.10');
    expect([await counted(), await gaps()]).toEqual([
      103,
      [
        ['0.1 h', '12.0 h', '12.1 h', true],
        ['0.4 h', '12.0 h', '12.4 h', false],
      ],
    ]);
    await put('12.00');
    expect([await counted(), (await gaps())?.filter(([, , , counts]) => counts)]).toEqual([100, []]);
    expect(await timeInService()).toBeGreaterThanOrEqual(start);
  });
  it('is also what a meter shows beyond the record when it is taken out', async () => {
    const [before, gaps] = [
      await timeInService(),
      async () =>
        (await inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now())))?.unlogged.map(
          ({ name, length }) => [name, length],
        ),
    ];
    const exchange = async (lastShown: string, replaces: string) => {
      const dialId = randomUUID();
      good(
        await exchangeDial(club.ports, club.actor('mechanic'), {
          dialId,
          replaces,
          aircraftId: club.aircraftId,
          seenRevision: await revision(),
          name: 'Block meter',
          lastShown,
          firstShown: '0',
          wrapsAt: null,
          why: 'Stopped',
        }),
      );
      later(60);
      return dialId;
    };
    const second = await exchange(text(start), block);
    expect([await gaps(), await timeInService()]).toEqual([[], before]);
    await exchange('0.50', second);
    expect([await gaps(), await timeInService()]).toEqual([
      [['time in service, as the meter showed that was taken out', '0.5 h']],
      before + 1800,
    ]);
  });
  it('is also what a meter has run past its highest figure, before anybody wrote it down', async () => {
    club = await testClub();
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: 1,
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: text(start) }],
        shows: '9999.50',
        wrapsAt: '10000',
      }),
    );
    later(60);
    const flight = await planned();
    expect(bad(await leave(flight, '0.30'))).toMatchObject({ code: 'invalid' });
    good(await leave(flight, '0.30', { accepted: [`below/${block}/0.30`] }));
    expect([
      await timeInService(),
      (await inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now())))?.unlogged.map(
        ({ length, to }) => [length, to],
      ),
    ]).toEqual([start + 2880, [['0.8 h', '0.3 h']]]);
  });
  it('said after the clock was set back, is not a reading from the future', async () => {
    club = await testClub({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: 100 } },
    } as unknown as Json);
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: 1,
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: text(start) }],
        shows: text(start),
        wrapsAt: null,
      }),
    );
    const shown = text(start + 1440);
    const flight = await planned({ landings: 1 });
    good(await leave(flight, shown, { accepted: [`gap/${block}/${shown}`] }));
    later(5400);
    good(await comeBack(flight, text(start + 1440 + 3600), { landings: 2 }));
    const [stretch] = await inTx((tx) => othersOfKind(tx, club.aircraftId, 'unlogged'));
    later(-3600);
    good(
      await attributeUnlogged(club.ports, club.actor('dispatcher'), {
        attributionId: randomUUID(),
        aircraftId: club.aircraftId,
        unlogged: stretch?.id ?? '',
        to: 'R. Dane',
        note: null,
        landings: 3,
        towLaunches: null,
      }),
    );
    const { facts } = (await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true)))[0] ?? {};
    expect([
      facts === undefined ? null : knownAt(facts, presentFor(facts, club.ports.now()), 'us').meters.landings,
      (await row())?.verdict,
    ]).toMatchObject([{ state: 'known', value: 105 }, 'Released']);
  });
  it('an answer for another figure does not count', async () => {
    const flight = await planned();
    expect(
      bad(await leave(flight, text(start + 720), { accepted: [`gap/${block}/${text(start + 360)}`] })).code,
    ).toBe('invalid');
  });
});

describe('slips at check-in', () => {
  const out = async () => {
    const flight = await planned();
    good(await leave(flight, text(start)));
    later(5400);
    return flight;
  };
  it('more than the clock allows is asked again, and stands when it was read again', async () => {
    const flight = await out();
    const shown = text(start + 3 * 3600);
    expect(bad(await comeBack(flight, shown))).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('have passed by the clock') as string,
    });
    expect(
      good(await comeBack(flight, shown, { accepted: [`more-than-elapsed/${block}/${shown}`] })).billing
        ?.seconds,
    ).toBe(3 * 3600);
  });
  it('backwards never stands', async () => {
    const flight = await out();
    const shown = text(start - 36);
    expect(bad(await comeBack(flight, shown, { accepted: [`below/${block}/${shown}`] })).code).toBe(
      'invalid',
    );
    expect(await timeInService()).toBe(start);
  });
  it.each([
    ['before it left', -6000],
    ['in the future', 60],
  ])('a return %s is refused', async (_, by) => {
    const flight = await out();
    expect(bad(await comeBack(flight, text(start + 3600), { at: wall(by) }))).toMatchObject({
      code: 'invalid',
      problems: [{ path: 'at' }],
    });
  });
  it('fuel, oil and a defect found in flight go on record with it', async () => {
    const flight = await out();
    good(
      await comeBack(flight, text(start + 3600), {
        fuelAdded: { amount: '12.5', unit: 'US gal', grade: 'leaded', volume: volume('12.5', 'US gal') },
        oilAdded: { amount: '1', unit: 'US qt', grade: null, volume: volume('1', 'US qt') },
        remarks: { words: 'Runs rough below 2000', noDefect: false },
        defects: [{ findingId: randomUUID(), what: 'Engine runs rough' }],
      }),
    );
    // Both were written at the same moment, so that neither is the first.
    const added = [...(await inTx((tx) => othersOfKind(tx, club.aircraftId, 'uplift')))].sort((a, b) =>
      a.what.localeCompare(b.what),
    );
    expect(added).toMatchObject([
      { what: 'fuel', timeInService: start + 3600 },
      { what: 'oil', timeInService: start + 3600 },
    ]);
    expect(await row()).toMatchObject({
      verdict: 'Grounded',
      reasons: [{ headline: 'Engine runs rough (In flight).' }],
    });
    expect((await inTx((tx) => latestFlights(tx, club.aircraftId, 1)))[0]?.returned).toMatchObject({
      fuelAdded: '12.5 US gal, leaded',
      oilAdded: '1 US qt',
      report: { kind: 'words', words: 'Runs rough below 2000' },
    });
  });
  it('says when each document was looked at last, and by whom', async () => {
    const flight = await planned();
    const papers =
      (await inTx((tx) => dispatchFlight(tx, club.clubId, flight, club.ports.now())))?.papers ?? [];
    expect(papers.length).toBeGreaterThan(3);
    for (const { checked } of papers) expect(checked).toMatch(/^seen \d{1,2} \w{3} 2026 \d\d:\d\d/);
  });
  it('what the last pilot reported is there for the next one, at the dispatch page and on the ramp, until another flight came back', async () => {
    const [counter, ramp] = [
      async (flightId: string) =>
        (await inTx((tx) => dispatchFlight(tx, club.clubId, flightId, club.ports.now())))?.lastReport,
      async () => (await inTx((tx) => rampAircraft(tx, club.clubId, 'N02TB', club.ports.now())))?.lastReport,
    ];
    expect([await counter(await planned()), await ramp()]).toEqual([null, null]);
    good(
      await comeBack(await out(), text(start + 3600), {
        remarks: { words: 'Bumpy below 2000 ft', noDefect: true },
      }),
    );
    const second = await planned({}, 'J. Sol');
    const first = { by: 'R. Dane', words: 'Bumpy below 2000 ft', noted: true };
    expect([await counter(second), await ramp()]).toMatchObject([first, first]);
    good(await leave(second, text(start + 3600)));
    // While it is out, the last that came back still counts; the person who takes this one back is not asked about another.
    expect([await counter(second), await ramp()]).toMatchObject([null, first]);
    later(3600);
    good(await comeBack(second, text(start + 5400)));
    expect([await counter(await planned()), await ramp()]).toMatchObject([
      { by: 'J. Sol', words: null, noted: true },
      { by: 'J. Sol', words: null },
    ]);
    // Of one that a list brought in nobody noted anything: that is to be asked.
    later(3600);
    const third = {
      id: randomUUID(),
      aircraftId: club.aircraftId,
      personName: 'T. Arden',
      purpose: null,
      crew: null,
      readings: [],
      fuelAboard: null,
      oilAboard: null,
      remarks: null,
      leftAt: addSeconds(club.ports.now(), -1800),
      recordedAt: club.ports.now(),
    };
    await inTx(async (tx) => {
      await insertFlown(tx, club.clubId, club.aircraftId, 'test', [
        {
          ...third,
          returned: {
            readings: [],
            landings: 1,
            towLaunches: null,
            billed: null,
            billedFrom: null,
            fuelAdded: null,
            oilAdded: null,
            report: { kind: 'not-said' },
            at: club.ports.now(),
            recordedAt: club.ports.now(),
          },
        },
      ]);
      await appendToLedger(
        tx,
        {
          clubId: club.clubId,
          aircraftId: null,
          revision: null,
          act: 'load-records',
          actor: { personId: 'x', name: 'X' },
          recordedAt: club.ports.now(),
          record: {},
        },
        club.ports.sha256,
      );
    });
    expect(await ramp()).toMatchObject({ by: 'T. Arden', words: null, noted: false });
  });
});

describe('meters', () => {
  it('exchanged, the series goes on', async () => {
    const fresh = randomUUID();
    good(
      await exchangeDial(club.ports, club.actor('mechanic'), {
        dialId: fresh,
        replaces: block,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        name: 'Block meter',
        lastShown: text(start + 180),
        firstShown: '0.0',
        wrapsAt: '10000',
        why: 'Stopped on the last flight',
      }),
    );
    const flight = await planned();
    good(
      await checkOut(club.ports, club.actor('dispatcher'), {
        flightId: flight,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readings: [{ dial: fresh, shown: '0.0' }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    );
    later(3600);
    expect(
      good(await comeBack(flight, '', { readings: [{ dial: fresh, shown: '0.9' }] })).billing?.seconds,
    ).toBe(3240);
    expect(await timeInService()).toBe(start + 180 + 3240);
  });
  it('the old one cannot have shown less than is on record', async () => {
    expect(
      bad(
        await exchangeDial(club.ports, club.actor('mechanic'), {
          dialId: randomUUID(),
          replaces: block,
          aircraftId: club.aircraftId,
          seenRevision: await revision(),
          name: 'Block',
          lastShown: text(start - 36),
          firstShown: '0',
          wrapsAt: null,
          why: 'x',
        }),
      ),
    ).toMatchObject({ problems: [{ path: 'lastShown' }] });
  });
  it('past its highest figure it starts again from zero, and every limit moves on', async () => {
    const short = randomUUID();
    good(
      await exchangeDial(club.ports, club.actor('mechanic'), {
        dialId: short,
        replaces: block,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        name: 'Short meter',
        lastShown: text(start),
        firstShown: '999.5',
        wrapsAt: '1000',
        why: 'test',
      }),
    );
    const flight = await planned();
    good(
      await checkOut(club.ports, club.actor('dispatcher'), {
        flightId: flight,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readings: [{ dial: short, shown: '999.5' }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    );
    later(5400);
    const back = { readings: [{ dial: short, shown: '0.4' }] };
    expect(bad(await comeBack(flight, '', back))).toMatchObject({
      message: expect.stringContaining('If it passed its highest figure, it ran 0.9 h') as string,
    });
    expect(
      good(await comeBack(flight, '', { ...back, accepted: [`below/${short}/0.4`] })).billing?.seconds,
    ).toBe(3240);
    expect(await timeInService()).toBe(start + 3240);
    const dials = (await inTx((tx) => dispatchFlight(tx, club.clubId, flight, club.ports.now())))?.dials;
    expect(dials?.map(({ lastText }) => lastText)).toEqual(['0.4 h']);
  });
  it.each([
    [
      'a second one for the same',
      { counts: [{ meter: 'time-in-service' as const, standsAt: '5000' }] },
      'counts',
    ],
    ['a second one to bill by', { bills: true }, 'bills'],
    ['no figure', { shows: 'x' }, 'shows'],
    ['less than is on record', { counts: [{ meter: 'time-in-service' as const, standsAt: '1' }] }, 'counts'],
  ])('refuses %s', async (_, change, path) => {
    expect(
      bad(
        await addDial(club.ports, club.actor('mechanic'), {
          dialId: randomUUID(),
          aircraftId: club.aircraftId,
          seenRevision: await revision(),
          name: 'Another',
          unit: 'h',
          bills: false,
          counts: [{ meter: 'engine', standsAt: '100' }],
          shows: '100',
          wrapsAt: null,
          ...change,
        }),
      ),
    ).toMatchObject({ problems: [{ path }] });
  });
  it('a meter that no dial shows goes on with the flight anyway', async () => {
    const [landings, engine] = [randomUUID(), randomUUID()];
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [
          {
            id: landings,
            meter: 'landings',
            value: 500,
            happenedAt: club.ports.now(),
            recordedAt: club.ports.now(),
          },
          {
            id: engine,
            meter: 'engine',
            value: hours('100'),
            happenedAt: club.ports.now(),
            recordedAt: club.ports.now(),
          },
        ],
      }),
    );
    const flight = await planned();
    good(await leave(flight, text(start)));
    later(5400);
    good(await comeBack(flight, text(start + 3600), { landings: 6 }));
    const most = async (meter: string) =>
      await inTx(
        async (tx) =>
          (
            await tx
              .selectFrom('meter_reading')
              .select('value_s')
              .where('aircraft_id', '=', club.aircraftId)
              .where('meter', '=', meter)
              .orderBy('happened_at', 'desc')
              .executeTakeFirstOrThrow()
          ).value_s,
      );
    expect([await most('landings'), await most('engine')]).toEqual([506, hours('101')]);
    expect((await row())?.verdict).toBe('Released');
  });
  it('entered once, and told in the history', async () => {
    expect(await inTx((tx) => readHistory(tx, club.aircraftId, 1))).toMatchObject([
      { act: 'add-meter', record: { name: 'Block meter', shows: text(start) } },
    ]);
  });
});

describe('fuel and oil at check-out', () => {
  const gallons = (tank: string | null, amount: string): CheckOut['fuelAboard'][number] => ({
    tank,
    measured: { amount, unit: 'US gal', volume: volume(amount, 'US gal') },
  });
  const quarts = (amount: string): CheckOut['oilAboard'] => ({
    amount,
    unit: 'US qt',
    volume: volume(amount, 'US qt'),
  });
  it.each([
    ['too little fuel', { fuelAboard: [gallons('left', '5'), gallons('right', '4')] }, /fuel/i],
    ['too little oil', { oilAboard: quarts('3') }, /oil/i],
    ['a tank that it has not', { fuelAboard: [gallons('tip', '5')] }, /no tank 'tip'.*left, right/],
    ['only some of its tanks', { fuelAboard: [gallons('left', '18')] }, /every tank: right is missing/],
    ['a tank said twice', { fuelAboard: [gallons('left', '9'), gallons('left', '9')] }, /said twice/],
    ['tank by tank and together', { fuelAboard: [gallons('left', '9'), gallons(null, '9')] }, /not both/],
  ] satisfies readonly (readonly [string, Partial<CheckOut>, RegExp])[])(
    '%s keeps it here, and says why',
    async (_, measured, words) => {
      const flight = await planned();
      const shows = await timeInService();
      const refused = bad(await leave(flight, text(shows), measured));
      expect(refused.message).toMatch(words);
      expect(await inTx((tx) => findFlight(tx, flight))).toBeUndefined();
    },
  );
  it('enough of both is kept as it was said, and it leaves', async () => {
    const flight = await planned();
    good(
      await leave(flight, text(await timeInService()), {
        fuelAboard: [gallons('left', '14'), gallons('right', '12.5')],
        oilAboard: quarts('6'),
      }),
    );
    const flown = await inTx((tx) => findFlight(tx, flight));
    expect([flown?.fuelAboard, flown?.oilAboard]).toEqual(['left 14 US gal, right 12.5 US gal', '6 US qt']);
    // The Line shows it, and does not take off what the flight used.
    const measured = /^Fuel left 14 US gal, right 12\.5 US gal, oil 6 US qt, measured .* left\.$/;
    expect((await row())?.measured).toMatch(measured);
  });
});
