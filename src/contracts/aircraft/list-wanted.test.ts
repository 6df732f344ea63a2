import { describe, expect, it } from 'vitest';
import { asksForNames, listWantedOf } from './list-wanted';
import { LONG_LISTS, LONG_LIST_NAMES } from './long-lists';

const read = (list: string, search: string) => listWantedOf(list, new URLSearchParams(search));

describe('which part of a list an address asks for', () => {
  it('is the first page of the newest where it does not say', () => {
    expect(read('flights', '')).toEqual({
      list: 'flights',
      wanted: { page: 0, size: 25, sort: 'left', order: 'desc', search: null },
    });
  });
  it('is what it says', () => {
    expect(read('work', 'page=2&size=50&sort=reading&order=asc&column=title&text=%20annual%20')).toEqual({
      list: 'work',
      wanted: {
        page: 2,
        size: 50,
        sort: 'reading',
        order: 'asc',
        search: { column: 'title', text: 'annual' },
      },
    });
  });
  it.each([
    ['a list that there is not', 'people', ''],
    ['a name of every object', 'constructor', ''],
    ['a page before the first', 'flights', 'page=-1'],
    ['a part of a page', 'flights', 'page=0.5'],
    ['a page beyond all', 'flights', 'page=100001'],
    ['a size that is not offered', 'flights', 'size=1000'],
    ['an order that is none', 'flights', 'order=up'],
    ['a column that is not there', 'flights', 'sort=password'],
    ['a column that has no order', 'flights', 'sort=figures'],
    ['a name of every object as a column', 'flights', 'sort=constructor'],
    ['a search in a column that is not searched', 'flights', 'column=landings&text=1'],
    ['a search for more than anybody types', 'flights', `column=person&text=${'a'.repeat(101)}`],
  ])('is nothing for %s', (_, list, search) => {
    expect(read(list, search)).toBeNull();
  });
  it('takes a column that is chosen and a text that is still empty for no search', () => {
    expect(read('flights', 'column=landings&text=')?.wanted.search).toBeNull();
  });
  it('has its order by a column that the list can be sorted by', () => {
    for (const list of LONG_LIST_NAMES) {
      const [first = ''] = Object.keys(LONG_LISTS[list]);
      expect([list, read(list, `sort=${first}`) === null]).toEqual([list, false]);
    }
  });
  it.each<[list: string, search: string, names: boolean]>([
    ['flights', '', true],
    ['readings', '', false],
    ['readings', 'column=whose&text=dane', true],
    ['readings', 'column=shown&text=41', false],
    ['work', 'column=signed&text=brandl', false],
  ])('of %s with %j asks for who flew: %j', (list, search, names) => {
    const wanted = read(list, search);
    expect(wanted === null ? null : asksForNames(wanted)).toBe(names);
  });
});
