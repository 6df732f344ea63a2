import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { listWantedOf } from '@/contracts/aircraft/list-wanted';
import { correctReading } from '@/commands/meters/correct-reading';
import { good, PASSWORD } from '@/testing/database';
import {
  club,
  comeBack,
  freshDesk,
  inTx,
  later,
  leave,
  planned,
  revision,
  start,
  text,
} from '@/testing/dispatch';
import { longList } from './long-list';

beforeEach(freshDesk);

const read = (list: string, search = '', registration = 'N02TB', names = true) => {
  const wanted = listWantedOf(list, new URLSearchParams(search));
  if (wanted === null) throw new Error('asks for what there is not');
  return inTx((tx) => longList(tx, club.clubId, registration, wanted, { numbers: true, names }));
};
/** Flies three times, half an hour each. */
async function fly(): Promise<void> {
  for (const [at, [person, landings, words]] of (
    [
      ['R. Dane', 1, null],
      ['P. Okoro', 7, 'Bumpy at 100%_of the way'],
      ['R. Dane', 3, null],
    ] as const
  ).entries()) {
    const flight = await planned({}, person);
    good(await leave(flight, text(start + at * 1800)));
    later(3600);
    good(
      await comeBack(flight, text(start + (at + 1) * 1800), {
        landings,
        remarks: words === null ? 'nothing-to-report' : { words, noDefect: true },
      }),
    );
    later(3600);
  }
}
const column = async (list: string, search: string, name: string) => {
  const page = await read(list, search);
  return { total: page?.total, texts: page?.rows.map((row) => row[name]) };
};

describe('the flights of an aircraft', () => {
  beforeEach(fly);
  it('are all there, the newest first', async () => {
    const page = await read('flights');
    expect(page).toMatchObject({ registration: 'N02TB', total: 3 });
    expect(page?.rows.map(({ person, landings, purpose }) => [person, landings, purpose])).toEqual([
      ['R. Dane', '3', 'rental'],
      ['P. Okoro', '7', 'rental'],
      ['R. Dane', '1', 'rental'],
    ]);
    expect(page?.rows[1]?.figures).toBe(`Block meter ${text(start + 1800)} → ${text(start + 3600)}`);
  });
  it.each<[search: string, landings: readonly string[]]>([
    ['sort=landings', ['7', '3', '1']],
    ['sort=landings&order=asc', ['1', '3', '7']],
    ['sort=person&order=asc', ['7']],
    ['order=asc', ['1', '7', '3']],
  ])('stand in the order of %s', async (search, landings) => {
    const { texts } = await column('flights', search, 'landings');
    expect(texts?.slice(0, landings.length)).toEqual(landings);
  });
  it.each<[search: string, total: number, landings: readonly string[]]>([
    ['column=person&text=dane', 2, ['3', '1']],
    ['column=report&text=BUMPY', 1, ['7']],
    // By what stands on the screen, not by what is stored.
    ['column=purpose&text=RENTAL', 3, ['3', '7', '1']],
    ['column=purpose&text=private', 0, []],
    // No sign of a search stands for another.
    ['column=report&text=%25_of', 1, ['7']],
    ['column=report&text=Bum%25', 0, []],
    ['column=left&text=24 Nov 2026', 3, ['3', '7', '1']],
    ['column=left&text=23 Nov', 0, []],
    ['column=person&text=dane&order=asc', 2, ['1', '3']],
  ])('of %s are %i', async (search, total, landings) => {
    expect(await column('flights', search, 'landings')).toEqual({ total, texts: landings });
  });
  it('come a page at a time, each once', async () => {
    const texts = [];
    for (const page of [0, 1, 2]) {
      const part = await inTx((tx) =>
        longList(
          tx,
          club.clubId,
          'N02TB',
          { list: 'flights', wanted: { page, size: 1, sort: 'left', order: 'asc', search: null } },
          { numbers: true, names: true },
        ),
      );
      expect([part?.total, part?.rows.length]).toEqual([3, 1]);
      texts.push(part?.rows[0]?.landings);
    }
    expect(texts).toEqual(['1', '7', '3']);
  });
  it('are nobody else’s: an aircraft that the club has not has none', async () => {
    expect(await read('flights', '', 'N99ZZ')).toBeNull();
  });
});

describe('the readings of an aircraft', () => {
  it('are all there, with whose flight it was and what was struck out', async () => {
    await fly();
    const flown = () => read('readings', 'sort=stands&column=whose&text=okoro');
    expect((await flown())?.rows.map(({ meter, shown, whose }) => [meter, shown, whose])).toEqual([
      ['Block meter', text(start + 3600), 'P. Okoro'],
      ['Block meter', text(start + 1800), 'P. Okoro'],
    ]);
    // Those who may have no list of who flew have the readings without.
    expect((await read('readings', 'sort=stands', 'N02TB', false))?.rows[0]).toMatchObject({
      shown: text(start + 5400),
      whose: '',
    });
    const last = await read('readings', 'sort=stands');
    good(
      await correctReading(club.ports, club.actor('dispatcher'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readingId: last?.rows[0]?.id ?? '',
        shown: text(start + 5436),
        evenSo: false,
        why: 'A digit mistaken',
        password: PASSWORD,
      }),
    );
    const after = await read('readings', 'sort=stands');
    expect(after?.total).toBe((last?.total ?? 0) + 1);
    expect(after?.rows.slice(0, 2).map(({ shown, struck }) => [shown, struck === ''])).toEqual([
      [text(start + 5436), true],
      [text(start + 5400), false],
    ]);
    // What it is billed follows its meters.
    expect((await read('flights'))?.rows[0]).toMatchObject({
      figures: `Block meter ${text(start + 3600)} → ${text(start + 5436)}`,
      billed: '0.51 h',
    });
    expect(after?.rows[1]?.struck).toMatch(/^by The dispatcher, 24 Nov 2026 .*: A digit mistaken$/);
  });
});

describe('the maintenance record of an aircraft', () => {
  it('is sorted by date or time in service and searched by what stands in it', async () => {
    const all = await read('work');
    expect(all?.total).toBeGreaterThan(1);
    const [dates, oldest] = [await column('work', '', 'on'), await column('work', 'order=asc', 'on')];
    expect(oldest.texts).toEqual(dates.texts?.toReversed());
    const annual = await read('work', 'column=title&text=ANNUAL');
    expect(annual?.rows.map(({ title }) => title)).toEqual(['Annual inspection']);
    const figures = (await column('work', 'sort=reading&order=asc', 'reading')).texts
      ?.filter((shown) => shown !== '')
      .map((shown) => Number.parseFloat(shown ?? ''));
    expect(figures).toEqual(figures?.toSorted((a, b) => a - b));
  });
});
