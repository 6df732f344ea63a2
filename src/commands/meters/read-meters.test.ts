import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { MetersRead } from '@/contracts/flights/dispatch';
import { hours } from '@/core/quantities/hours';
import { addSeconds } from '@/core/time/instant';
import { inClub } from '@/db/kernel/club-transaction';
import { latestReadings } from '@/db/meters/readings';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { bad, good, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { releaseAndLeave } from '@/testing/flight-release';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { addDial } from './dials';
import { readMeters } from './read-meters';

let club: Awaited<ReturnType<typeof testClub>>;
const dial = randomUUID();
beforeEach(async () => {
  club = await testClub();
});

const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const row = async () => (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
const later = (seconds: number) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const folderNow = () => inTx((tx) => folder(tx, club.actor('dispatcher'), 'N02TB', club.ports.now()));
const standing = async (meter: string) =>
  Math.max(
    ...(await inTx((tx) => latestReadings(tx, club.aircraftId, 40)))
      .filter((one) => one.meter === meter && !one.struck)
      .map(({ value }) => value),
  ) / 3600;
const enter = async (meter: 'time-in-service' | 'block', standsAt: string) =>
  good(
    await addDial(club.ports, club.actor('mechanic'), {
      dialId: dial,
      aircraftId: club.aircraftId,
      seenRevision: (await row())?.revision ?? 0,
      name: 'Panel meter',
      unit: 'h',
      bills: false,
      counts: [{ meter, standsAt }],
      shows: standsAt,
      wrapsAt: null,
    }),
  );
const reads = (
  shown: string | null,
  change: Partial<MetersRead> = {},
  who: Parameters<typeof club.actor>[0] = 'student',
) =>
  readMeters(club.ports, club.actor(who), {
    aircraftId: club.aircraftId,
    readings: shown === null ? [] : [{ dial, shown }],
    accepted: [],
    service: null,
    aboveMeter: false,
    ...change,
  });
const DAY = 86_400;

describe('reading the meters of an aircraft that stands', () => {
  it('that agree makes them fresh again: an aircraft that nobody flew for long opens', async () => {
    club = await testClub({
      packs: [
        { id: 'us-part91', parameters: { trainingUnder: 'part-61' } },
        { id: 'club-policy', parameters: { documentCheckDays: 400, readingDays: 5 } },
      ],
    });
    await enter('time-in-service', '4150.3');
    const closesFor = async () => ((await row())?.reasons ?? []).map(({ headline }) => headline);
    expect((await closesFor()).join()).not.toContain('meter was last read');
    later(6 * DAY);
    expect((await closesFor()).join()).toContain('meter was last read');
    good(await reads('4150.30'));
    expect((await closesFor()).join()).not.toContain('meter was last read');
    expect([await standing('time-in-service'), (await folderNow())?.unlogged]).toEqual([4150.3, []]);
  });
  it('that show more is asked, and is unlogged time: meters that nothing shows go on with it', async () => {
    await enter('time-in-service', '4150.3');
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
    expect(bad(await reads('4150.8'))).toMatchObject({
      code: 'invalid',
      problems: [{ path: `readings.${dial}` }],
    });
    expect(await standing('engine')).toBe(1000);
    good(await reads('4150.8', { accepted: [`gap/${dial}/4150.8`] }));
    expect([
      await standing('time-in-service'),
      await standing('engine'),
      (await folderNow())?.unlogged.map(({ length, from, to }) => [length, from, to]),
    ]).toEqual([4150.8, 1000.5, [['0.5 h', '4150.3 h', '4150.8 h']]]);
    expect(bad(await reads('4150.2', { accepted: [`below/${dial}/4150.2`] })).code).toBe('invalid');
  });
  it('that hang in the panel, and not the time in service: the logbook is read for that, and compared', async () => {
    await enter('block', '100');
    later(60);
    expect((await folderNow())?.panel).toMatchObject({
      service: '4150.3 h',
      dials: [{ lastText: '100.0 h' }],
    });
    good(await reads('100.0', { service: hours('4150.3') }));
    expect(bad(await reads('100.0', { service: hours('4150.2') }))).toMatchObject({
      problems: [{ path: 'service' }],
    });
    expect(bad(await reads('100.0', { service: hours('4151.3') }))).toMatchObject({
      problems: [{ path: 'aboveMeter' }],
    });
    expect([await standing('time-in-service'), (await folderNow())?.unlogged]).toEqual([4150.3, []]);
    later(60);
    good(await reads('100.0', { service: hours('4151.3'), aboveMeter: true }));
    expect([
      await standing('time-in-service'),
      (await folderNow())?.unlogged.map(({ name, length }) => [name, length]),
    ]).toEqual([4151.3, [['time in service, as the logbook has it', '1.0 h']]]);
    // Hours on the block meter moved the time in service already: they are not counted twice.
    later(60);
    good(await reads('100.4', { accepted: [`gap/${dial}/100.4`], service: hours('4151.7') }));
    expect([await standing('time-in-service'), (await folderNow())?.unlogged.length]).toEqual([4151.7, 2]);
  });
  it.each([
    ['there is no meter', false, null, null, 'readings'],
    ['a meter shows what the logbook would say', true, '4150.3', hours('4150.3'), 'service'],
  ] as const)('is refused where %s', async (_, has, shown, service, path) => {
    if (has) await enter('time-in-service', '4150.3');
    expect(bad(await reads(shown, { service }))).toMatchObject({ code: 'invalid', problems: [{ path }] });
  });
  it('is refused while it is out: its meters are read when it comes back', async () => {
    await enter('time-in-service', '4150.3');
    const [flightId, starts] = [randomUUID(), addSeconds(club.ports.now(), 600)];
    await plannedFlight(club, {}, { flightId: flightId, starts });
    good(
      await releaseAndLeave(club.ports, club.actor('dispatcher'), {
        flightId,
        aircraftId: club.aircraftId,
        seenRevision: (await row())?.revision ?? 0,
        readings: [{ dial, shown: '4150.3' }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    );
    expect(bad(await reads('4151.0', { accepted: [`gap/${dial}/4151.0`] }))).toMatchObject({
      message: expect.stringContaining('is out with R. Dane') as unknown,
    });
  });
  it('is anybody’s who has a role in the club', async () => {
    await enter('time-in-service', '4150.3');
    for (const who of ['student', 'renter', 'instructor', 'mechanic', 'dispatcher'] as const)
      good(await reads('4150.3', {}, who));
    expect(
      bad(
        await readMeters(
          club.ports,
          { ...club.actor('student'), roles: [] },
          {
            aircraftId: club.aircraftId,
            readings: [{ dial, shown: '4150.3' }],
            accepted: [],
            service: null,
            aboveMeter: false,
          },
        ),
      ).code,
    ).toBe('not-entitled');
  });
});
