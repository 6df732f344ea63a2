import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { hours } from '@/core/quantities/hours';
import { volume } from '@/core/quantities/volume';
import { addSeconds } from '@/core/time/instant';
import { othersOfKind } from '@/db/aircraft/other-records';
import { latestFlights } from '@/db/flights/flights';
import { insertFlown } from '@/db/flights/insert-flights';
import { appendToLedger, readHistory } from '@/db/kernel/ledger';
import { rampAircraft } from '@/queries/findings/ramp';
import { dispatchFlight } from '@/queries/flights/dispatch';
import { bad, good } from '@/testing/database';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { addDial, exchangeDial } from '../meters/dials';
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

beforeEach(freshDesk);

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
      await releaseAndLeave(club.ports, club.actor('dispatcher'), {
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
      await releaseAndLeave(club.ports, club.actor('dispatcher'), {
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
