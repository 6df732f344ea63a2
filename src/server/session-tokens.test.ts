import { describe, expect, it } from 'vitest';
import { SessionTokens } from './session-tokens';

const TEN_MINUTES = 600_000;

function tokens(answers: Readonly<Record<string, string>>) {
  const looked: string[] = [];
  const clock = { now: 0 };
  const sessions = new SessionTokens(
    (headers) => {
      const cookie = headers.get('cookie') ?? '';
      looked.push(cookie);
      const token = answers[cookie];
      return Promise.resolve(token === undefined ? null : { session: { token } });
    },
    () => clock.now,
  );
  const ask = (cookie: string | null) => sessions.tokenOf(new Headers(cookie === null ? {} : { cookie }));
  return { ask, looked, clock };
}

describe('which session a cookie names', () => {
  it('is looked at once, and again after ten minutes', async () => {
    const { ask, looked, clock } = tokens({ a: 'token-a', b: 'token-b' });
    expect([await ask('a'), await ask('a'), await ask('b'), await ask('a')]).toEqual([
      'token-a',
      'token-a',
      'token-b',
      'token-a',
    ]);
    expect(looked).toEqual(['a', 'b']);
    clock.now = TEN_MINUTES - 1;
    await ask('a');
    expect(looked).toHaveLength(2);
    clock.now = TEN_MINUTES;
    expect(await ask('a')).toBe('token-a');
    expect(looked).toEqual(['a', 'b', 'a']);
  });
  it('no cookie asks nobody, and one that names no session is never remembered', async () => {
    const { ask, looked } = tokens({});
    expect([await ask(null), await ask('made up'), await ask('made up')]).toEqual([null, null, null]);
    expect(looked).toEqual(['made up', 'made up']);
  });
  it('differs by every character of what was sent', async () => {
    const { ask } = tokens({ 'groval=a': 'token-a' });
    expect([await ask('groval=a'), await ask('groval=a; x=1'), await ask('groval=A')]).toEqual([
      'token-a',
      null,
      null,
    ]);
  });
  it('a very long cookie is looked at each time', async () => {
    const long = 'a'.repeat(2049);
    const { ask, looked } = tokens({ [long]: 'token' });
    expect([await ask(long), await ask(long), looked.length]).toEqual(['token', 'token', 2]);
  });
});
