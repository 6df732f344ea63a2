import { afterEach, describe, expect, it, vi } from 'vitest';
import { clock, day } from './clock';
import { ask, NoSignal, Refusal, send } from './fetching';

const answer = (status: number, body: string) => {
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(new Response(body, { status }))),
  );
};
afterEach(() => {
  vi.unstubAllGlobals();
});

describe('asking the server', () => {
  it('gives what it answered', async () => {
    answer(200, '{"verdict":"Released"}');
    expect(await ask('/api/line')).toEqual({ verdict: 'Released' });
  });
  it('a refusal brings its words, its places and what changed', async () => {
    answer(
      409,
      JSON.stringify({
        error: {
          code: 'conflict',
          message: 'N02TB changed.',
          revision: 4,
          changes: [{ act: 'report-finding' }],
        },
      }),
    );
    await expect(send('/api/returns', {})).rejects.toMatchObject({
      status: 409,
      message: 'N02TB changed.',
      details: { code: 'conflict', revision: 4, changes: [{ act: 'report-finding' }] },
    });
  });
  it('an answer that is no JSON, such as a proxy’s page, is a refusal with words of ours', async () => {
    answer(502, '<html>bad gateway</html>');
    await expect(ask('/api/line')).rejects.toBeInstanceOf(Refusal);
    await expect(ask('/api/line')).rejects.toThrow('Groval could not do that just now');
  });
  it('no connection is told apart from a refusal: then what was typed waits on the phone', async () => {
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.reject(new TypeError('failed'))),
    );
    await expect(ask('/api/line')).rejects.toBeInstanceOf(NoSignal);
  });
});

describe('the clock of the field', () => {
  it.each([
    [Date.UTC(2026, 10, 24, 13, 42), 'America/Halifax', '09:42', 'Tue 24 Nov'],
    [Date.UTC(2026, 10, 25, 3, 59), 'America/Halifax', '23:59', 'Tue 24 Nov'],
    [Date.UTC(2026, 2, 8, 6, 0), 'America/Halifax', '03:00', 'Sun 8 Mar'],
  ])('%i in %s', (moment, zone, time, date) => {
    expect([clock(moment, zone), day(moment, zone)]).toEqual([time, date]);
  });
});
