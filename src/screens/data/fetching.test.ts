import { afterEach, describe, expect, it, vi } from 'vitest';
import { clock, day } from './clock';
import { addressOf, ask, NoSignal, Refusal, send } from './fetching';

const answer = (status: number, body: string) => {
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(new Response(body, { status }))),
  );
};
afterEach(() => {
  vi.unstubAllGlobals();
  vi.unstubAllEnvs();
});

describe('the address of a route', () => {
  it('has its names in it as an address writes them, and what is asked beyond them where there is something', () => {
    const sheet = (day: string | null) =>
      addressOf('GET /api/sheet/[registration]', { params: { registration: 'N02/TB' }, search: { day } });
    expect([sheet(null), sheet('2026-11-24')]).toEqual([
      '/api/sheet/N02%2FTB',
      '/api/sheet/N02%2FTB?day=2026-11-24',
    ]);
  });
});

describe('an answer of another program than the page was built with', () => {
  /** The page's program is read once: each test has modules of its own. */
  async function page(program: string, answered: string | null) {
    vi.resetModules();
    vi.stubEnv('GROVAL_PROGRAM', program);
    vi.stubGlobal(
      'fetch',
      vi.fn(() =>
        Promise.resolve(
          new Response('{"rows":[]}', { headers: answered === null ? {} : { 'x-groval-program': answered } }),
        ),
      ),
    );
    const own = { ...(await import('./fetching')), ...(await import('./program')) };
    return own;
  }
  it('is never shown, and the page knows from then on', async () => {
    const own = await page('a', 'b');
    expect(own.isOutdated()).toBe(false);
    await expect(own.ask('GET /api/line')).rejects.toThrow('Groval was updated');
    expect(own.isOutdated()).toBe(true);
  });
  it('is not shown either where the question was posted since it is long', async () => {
    const own = await page('a', 'b');
    const link = { club: '00000000-0000-4000-8000-000000000001', secret: 'x' };
    await expect(own.send('POST /api/join', link)).rejects.toThrow('Groval was updated');
  });
  it('still says that something was recorded: sending it again would be the greater harm', async () => {
    const own = await page('a', 'b');
    expect(await own.send('POST /api/feed', { name: 'Workshop' })).toEqual({ rows: [] });
    expect(own.isOutdated()).toBe(true);
  });
  it.each([
    ['a', 'a'],
    ['a', null],
    ['', 'b'],
  ])('a page of %j takes an answer of %j', async (program, answered) => {
    const own = await page(program, answered);
    expect(await own.ask('GET /api/line')).toEqual({ rows: [] });
    expect(own.isOutdated()).toBe(false);
  });
});

describe('asking the server', () => {
  it('gives what it answered', async () => {
    answer(200, '{"verdict":"Released"}');
    expect(await ask('GET /api/line')).toEqual({ verdict: 'Released' });
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
    await expect(send('POST /api/feed', { name: 'Workshop' })).rejects.toMatchObject({
      status: 409,
      message: 'N02TB changed.',
      details: { code: 'conflict', revision: 4, changes: [{ act: 'report-finding' }] },
    });
  });
  it('an answer that is no JSON, such as a proxy’s page, is a refusal with words of ours', async () => {
    answer(502, '<html>bad gateway</html>');
    await expect(ask('GET /api/line')).rejects.toBeInstanceOf(Refusal);
    await expect(ask('GET /api/line')).rejects.toThrow('Groval could not do that just now');
  });
  it('no connection is told apart from a refusal: then what was typed waits on the phone', async () => {
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.reject(new TypeError('failed'))),
    );
    await expect(ask('GET /api/line')).rejects.toBeInstanceOf(NoSignal);
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
