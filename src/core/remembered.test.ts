import { describe, expect, it } from 'vitest';
import { remembered } from './remembered';

describe('remembered answers', () => {
  it('are computed once, an undefined one too', () => {
    let asked = 0;
    const half = remembered((value: number) => {
      asked += 1;
      return value % 2 === 0 ? value / 2 : undefined;
    }, 10);
    expect([half(4), half(4), half(3), half(3), asked]).toEqual([2, 2, undefined, undefined, 2]);
  });
  it('start again when there are too many, so that memory stays bounded', () => {
    const asked: number[] = [];
    const same = remembered((value: number) => {
      asked.push(value);
      return value;
    }, 2);
    for (const value of [1, 2, 1, 2, 3, 3, 1]) same(value);
    expect(asked).toEqual([1, 2, 3, 1]);
  });
});
