import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { CheckOut } from '@/contracts/flights/dispatch';
import { hours } from '@/core/quantities/hours';
import { volume } from '@/core/quantities/volume';
import { addDays } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { othersOfKind } from '@/db/aircraft/other-records';
import { flightRows } from '@/db/exchange/lists';
import { findFlight } from '@/db/flights/flights';
import { latestReadings } from '@/db/meters/readings';
import { dayBefore } from '@/db/releases/day-before';
import { dispatchFlight, dispatchList } from '@/queries/flights/dispatch';
import { sheet } from '@/queries/flights/sheet';
import { bad, good, PASSWORD } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { correctReading } from '../meters/correct-reading';
import { checkIn } from './check-in';
import { releaseAndLeave } from '@/testing/flight-release';
import {
  planned,
  timeInService,
  leave,
  text,
  inTx,
  row,
  club,
  revision,
  block,
  start,
  later,
  comeBack,
  wall,
  freshDesk,
} from '@/testing/dispatch';
import { NOTHING_TO_REPORT } from '@/testing/entries';

beforeEach(freshDesk);

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
        await releaseAndLeave(club.ports, club.actor('renter'), {
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
          ...NOTHING_TO_REPORT,
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
      releaseAndLeave(club.ports, club.actor('instructor'), {
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
      revision: seenRevision + 2,
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
