import { describe, expect, it } from 'vitest';
import { civilDate } from '../../time/civil-date';
import { instant } from '../../time/instant';
import { strictestList, type EquipmentItem, type EquipmentList } from './equipment';

const NOON = instant('2026-11-24T12:00:00Z');
const line = (change: Partial<EquipmentItem> = {}): EquipmentItem => ({
  kind: 'landing-light',
  fitted: true,
  typeCertification: true,
  equipmentList: 'no',
  kindsOfOperation: 'no',
  expiresOn: 'no-expiry',
  ...change,
});
const list = (
  id: string,
  items: readonly EquipmentItem[],
  approved: boolean | null = true,
): EquipmentList => ({
  id,
  happenedAt: NOON,
  recordedAt: NOON,
  approved,
  items,
});
/** What two lists of one moment come to for one line, in both orders. */
function both<K extends keyof EquipmentItem>(field: K, a: EquipmentItem[K], b: EquipmentItem[K]) {
  const [one, other] = [line({ [field]: a }), line({ [field]: b })];
  return [
    strictestList([list('a', [one]), list('b', [other])])?.items[0]?.[field],
    strictestList([list('b', [one]), list('a', [other])])?.items[0]?.[field],
  ];
}
const NIGHT = [{ light: ['night'] }] as unknown as EquipmentItem['equipmentList'];

describe('of two equipment lists of one moment the stricter holds, line by line', () => {
  it.each<[boolean | null, boolean | null, boolean | null]>([
    [true, true, true],
    [true, null, null],
    [null, true, null],
    [null, null, null],
    [true, false, false],
    [false, null, false],
    [null, false, false],
    [false, false, false],
  ])('fitted: %s and %s is %s', (a, b, is) => {
    expect(both('fitted', a, b)).toEqual([is, is]);
  });
  // Being part of the type certification asks for more: only where both say no it is not.
  it.each<[boolean | null, boolean | null, boolean | null]>([
    [true, true, true],
    [true, false, true],
    [false, true, true],
    [false, false, false],
    [true, null, null],
    [null, false, null],
    [null, null, null],
  ])('part of the type certification: %s and %s is %s', (a, b, is) => {
    expect(both('typeCertification', a, b)).toEqual([is, is]);
  });
  it.each<[EquipmentItem['equipmentList'], EquipmentItem['equipmentList'], EquipmentItem['equipmentList']]>([
    ['no', 'no', 'no'],
    ['no', 'always', 'always'],
    ['always', 'no', 'always'],
    ['always', NIGHT, 'always'],
    [NIGHT, 'always', 'always'],
    ['no', NIGHT, NIGHT],
    [NIGHT, 'no', NIGHT],
    ['no', null, null],
    [null, 'always', null],
    [null, null, null],
  ])('asked for: %j and %j is %j', (a, b, is) => {
    expect(both('equipmentList', a, b)).toEqual([is, is]);
    expect(both('kindsOfOperation', a, b)).toEqual([is, is]);
  });
  it('asked for by each for other uses, it is asked for by both', () => {
    expect(both('equipmentList', NIGHT, NIGHT)[0]).toHaveLength(2);
  });
  const [soon, late] = [civilDate('2026-12-01'), civilDate('2027-12-01')];
  it.each<[EquipmentItem['expiresOn'], EquipmentItem['expiresOn'], EquipmentItem['expiresOn']]>([
    ['no-expiry', 'no-expiry', 'no-expiry'],
    ['no-expiry', soon, soon],
    [soon, 'no-expiry', soon],
    [soon, late, soon],
    [late, soon, soon],
    [soon, soon, soon],
    [null, soon, null],
    ['no-expiry', null, null],
    [null, null, null],
  ])('expires: %s and %s is %s', (a, b, is) => {
    expect(both('expiresOn', a, b)).toEqual([is, is]);
  });
  it('what one of them does not name is not known', () => {
    const lists = [list('a', [line(), line({ kind: 'clock' })]), list('b', [line({ kind: 'clock' })])];
    expect(strictestList(lists)?.items.map(({ kind }) => kind)).toEqual(['clock']);
    expect(strictestList([...lists].reverse())?.items.map(({ kind }) => kind)).toEqual(['clock']);
  });
  it.each<[boolean | null, boolean | null, boolean]>([
    [true, true, true],
    [true, false, false],
    [false, true, false],
    [true, null, false],
    [null, true, false],
  ])('compared with an approved list: %s and %s is %s', (a, b, is) => {
    expect(strictestList([list('a', [], a), list('b', [], b)])?.approved).toBe(is);
  });
  it('one alone is itself, none is none, and of three each has its say', () => {
    const alone = list('a', [line()], null);
    expect([strictestList([alone]), strictestList([])]).toEqual([alone, null]);
    const three = [
      list('c', [line()]),
      list('a', [line({ fitted: null })]),
      list('b', [line({ fitted: false })]),
    ];
    expect(strictestList(three)).toMatchObject({ id: 'a', items: [{ fitted: false }] });
  });
});
