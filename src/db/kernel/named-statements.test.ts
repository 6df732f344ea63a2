import { describe, expect, it } from 'vitest';
import { given } from '@/testing/database';
import { openPool } from './connection';
import { StatementNames } from './named-statements';

describe('which statements have a name', () => {
  const sent = (names: StatementNames, text: string, times: number) =>
    Array.from({ length: times }, () => names.nameOf(text));
  it('those that came three times, each its own and always the same', () => {
    const names = new StatementNames();
    expect(sent(names, 'a', 4)).toEqual([null, null, 'groval_1', 'groval_1']);
    expect(sent(names, 'b', 3)).toEqual([null, null, 'groval_2']);
    expect(sent(names, 'a', 1)).toEqual(['groval_1']);
  });
  it('no more than a hundred and fifty, and the first keep theirs', () => {
    const names = new StatementNames();
    const last = Array.from({ length: 151 }, (_, at) => sent(names, `text ${at}`, 3).at(-1));
    expect(last.slice(148)).toEqual(['groval_149', 'groval_150', null]);
    expect(sent(names, 'text 0', 1)).toEqual(['groval_1']);
  });
});

describe('a connection', () => {
  it('keeps prepared what it is asked often, and answers each time for the values that are sent', async () => {
    const pool = openPool(given('DATABASE_URL'), 1);
    const one = await pool.connect();
    try {
      const asked = [];
      for (let at = 0; at < 6; at += 1)
        asked.push(
          (await one.query<{ twice: number }>('select $1::integer * 2 as twice', [at])).rows[0]?.twice,
        );
      expect(asked).toEqual([0, 2, 4, 6, 8, 10]);
      const { rows } = await one.query<{ statement: string }>(
        'select statement from pg_prepared_statements where name like $1',
        ['groval%'],
      );
      expect(rows.map(({ statement }) => statement)).toContain('select $1::integer * 2 as twice');
      // One that goes wrong is no worse off than before.
      for (let at = 0; at < 4; at += 1)
        await expect(one.query('select 1 / $1::integer', [0])).rejects.toThrow('division by zero');
      expect((await one.query<{ half: number }>('select 8 / $1::integer as half', [2])).rows[0]?.half).toBe(
        4,
      );
    } finally {
      one.release();
      await pool.end();
    }
  });
});
