import { beforeEach, describe, expect, it } from 'vitest';
import { type ImportList } from '@/contracts/exchange/csv-lists';
import { knownAt, presentFor } from '@/core/records/facts';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { good } from '@/testing/database';
import { bring, flight, row, club, freshClub } from '@/testing/import-rows';

beforeEach(freshClub);

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
