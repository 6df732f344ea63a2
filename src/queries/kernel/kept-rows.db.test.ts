// What is kept beside facts is never older than the records, and what a page says never lags behind what was done.
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { addPhoto } from '@/commands/findings/add-photo';
import { reportFinding } from '@/commands/findings/report-finding';
import { loadFolder } from '@/commands/kernel/load-folder';
import { NO_RECORDS } from '@/commands/kernel/load-records';
import { readClub } from '@/db/club/clubs';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import { cleanCase } from '@/testing/clean-case';
import { good, testClub } from '@/testing/database';
import { plannedFlight } from '@/testing/planned-flight';
import { aircraftPage } from '../aircraft/aircraft-page';
import { folder } from '../aircraft/folder';
import { line } from '../aircraft/line';
import { keptFacts } from './kept-facts';
import { byAircraft, keptFleetRows, keptRows } from './kept-rows';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const { aircraft } = cleanCase().facts;

const inTx = <T>(work: (tx: ClubTransaction) => Promise<T>) => inClub(club.ports.db, club.clubId, work);
const fleet = (tx: ClubTransaction) => readClub(tx, club.clubId).then((place) => keptFacts(tx, place, null));
const finding = (what: string) => ({
  findingId: randomUUID(),
  aircraftId: club.aircraftId,
  station: 'propeller' as const,
  side: null,
  step: null,
  asListed: false,
  what,
  looks: 'not-right' as const,
  foundAt: club.ports.now(),
});
const second = async () => {
  const aircraftId = randomUUID();
  good(
    await loadFolder(club.ports, club.actor('dispatcher'), {
      aircraftId,
      registration: 'N09TB',
      typeName: 'Quorin 160',
      category: 'standard',
      firstFlownOn: null,
      approvedFor: null,
      features: null,
      particulars: aircraft.particulars,
      ...NO_RECORDS,
      documents: [],
      inspections: [],
      readings: [],
      others: [],
    }),
  );
  return aircraftId;
};

describe('rows that are kept beside facts', () => {
  it('are read once, and again after any change of that aircraft', async () => {
    let reads = 0;
    const rows = keptRows((_, aircraftId) => Promise.resolve(`${aircraftId} ${(reads += 1)}`));
    const ask = () =>
      inTx(async (tx) => {
        const [stored] = await fleet(tx);
        return stored === undefined ? null : rows(tx, stored);
      });
    expect([await ask(), await ask()]).toEqual([`${club.aircraftId} 1`, `${club.aircraftId} 1`]);
    good(await reportFinding(club.ports, club.actor('student'), finding('Nick')));
    expect(await ask()).toBe(`${club.aircraftId} 2`);
  });
  it('of a fleet are read for those alone of which nothing is kept', async () => {
    await second();
    const asked: (string | null)[] = [];
    const rows = keptFleetRows((_, aircraftId) => {
      asked.push(aircraftId);
      return Promise.resolve([{ aircraftId: club.aircraftId, at: asked.length }]);
    });
    const ask = () => inTx(async (tx) => rows(tx, await fleet(tx)));
    expect([...(await ask()).values()].flat()).toEqual([{ aircraftId: club.aircraftId, at: 1 }]);
    expect([(await ask()).size, asked]).toEqual([2, [null]]);
    good(await reportFinding(club.ports, club.actor('student'), finding('Nick')));
    expect((await ask()).get(club.aircraftId)).toEqual([{ aircraftId: club.aircraftId, at: 2 }]);
    expect(asked).toEqual([null, club.aircraftId]);
  });
  it('stand together by aircraft, in their order', () => {
    expect(
      [
        ...byAircraft([
          { aircraftId: 'a', at: 1 },
          { aircraftId: 'b', at: 2 },
          { aircraftId: 'a', at: 3 },
        ]),
      ].map(([id, rows]) => [id, rows.map(({ at }) => at)]),
    ).toEqual([
      ['a', [1, 3]],
      ['b', [2]],
    ]);
  });
});

describe('pages that were looked at before', () => {
  const page = () =>
    inTx((tx) => aircraftPage(tx, club.actor('dispatcher'), aircraft.registration, club.ports.now()));
  const papers = () =>
    inTx((tx) => folder(tx, club.actor('dispatcher'), aircraft.registration, club.ports.now()));

  it('show a finding with its photo, and the line of history of each', async () => {
    const before = await page();
    await papers();
    const nick = finding('Nick in the leading edge');
    good(await reportFinding(club.ports, club.actor('student'), nick));
    expect((await page())?.findings.map(({ what }) => what)).toEqual(['Nick in the leading edge']);
    const photoId = randomUUID();
    good(
      await addPhoto(club.ports, club.actor('student'), {
        photoId,
        of: nick.findingId,
        bytes: new Uint8Array([1]),
      }),
    );
    const after = await page();
    expect(after?.findings[0]?.photos).toEqual([photoId]);
    expect((after?.story.length ?? 0) - (before?.story.length ?? 0)).toBe(2);
  });

  it('a flight that was moved to another aircraft stands there alone', async () => {
    const other = await second();
    const flown = () =>
      inTx(async (tx) => {
        const { rows } = await line(tx, club.clubId, club.ports.now(), true);
        return Object.fromEntries(rows.map(({ aircraftId, flights }) => [aircraftId, flights.length]));
      });
    const flightId = await plannedFlight(club);
    expect(await flown()).toEqual({ [club.aircraftId]: 1, [other]: 0 });
    await plannedFlight(club, { aircraftId: other }, { replaces: flightId });
    expect(await flown()).toEqual({ [club.aircraftId]: 0, [other]: 1 });
  });
});
