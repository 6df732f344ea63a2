import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Attribution } from '@/contracts/flights/dispatch';
import type { Json } from '@/contracts/kernel/merge-patch';
import { knownAt, presentFor } from '@/core/records/facts';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { othersOfKind } from '@/db/aircraft/other-records';
import { latestReadings } from '@/db/meters/readings';
import { folder } from '@/queries/aircraft/folder';
import { bad, good, PASSWORD } from '@/testing/database';
import landingsCase from '../../../examples/cases/life-limit-landings.json';
import { correctReading } from '../meters/correct-reading';
import { addDial, exchangeDial } from '../meters/dials';
import { attributeUnlogged } from '../meters/unlogged';
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
  fitBlock,
  freshDesk,
  useClub,
} from '@/testing/dispatch';

beforeEach(freshDesk);

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
    await useClub({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: 11_990 } },
    } as unknown as Json);
    await fitBlock();
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
    await useClub({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: 100 } },
    } as unknown as Json);
    await fitBlock();
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
    await useClub({
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
    await useClub();
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
    await useClub({
      ...landingsCase,
      extends: null,
      about: null,
      meterReadings: { landings: { ...landingsCase.meterReadings.landings, value: 100 } },
    } as unknown as Json);
    await fitBlock();
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
