import { describe, expect, it } from 'vitest';
import { Bounded, Shares, TooBusy, TransferShares } from './bounded';
import { StreamShares } from './streams';
import { readWithin, sendFile, spool, TooLarge, TooSlow } from './spool';
import { existsSync } from 'node:fs';

describe('dear work', () => {
  it('is done so many at once, waits so many, and more is refused', async () => {
    const work = new Bounded(2, 3);
    let running = 0;
    let most = 0;
    const release: (() => void)[] = [];
    const one = () =>
      work.run(async () => {
        running += 1;
        most = Math.max(most, running);
        await new Promise<void>((resolve) => {
          release.push(resolve);
        });
        running -= 1;
        return 'done';
      });
    const taken = Array.from({ length: 5 }, one);
    expect(work.full).toBe(true);
    await expect(one()).rejects.toBeInstanceOf(TooBusy);
    while (release.length > 0 || running > 0) {
      release.shift()?.();
      await new Promise((resolve) => {
        setTimeout(resolve, 1);
      });
    }
    expect([await Promise.all(taken), most]).toEqual([Array(5).fill('done'), 2]);
  });
});

describe('shares', () => {
  it('are so many for each and so many for all, and given back once', () => {
    const shares = new Shares(2, 3);
    const [first, second] = [shares.take('a'), shares.take('a')];
    expect([first === null, second === null, shares.take('a')]).toEqual([false, false, null]);
    expect(shares.take('b')).not.toBeNull();
    expect(shares.take('c')).toBeNull();
    first?.();
    first?.();
    expect([shares.take('c') === null, shares.take('d')]).toEqual([false, null]);
  });
  it('of a person and of their club are taken together or not at all', () => {
    const transfers = new TransferShares(new Shares(3, 99), new Shares(4, 99));
    const taken = ['a', 'a', 'a', 'b'].map((person) => transfers.take(person, 'club'));
    expect(taken.every((one) => one !== null)).toBe(true);
    expect([transfers.take('a', 'other'), transfers.take('b', 'club')]).toEqual([null, null]);
    // What was refused for the club was given back to the person.
    expect([transfers.take('b', 'other'), transfers.take('b', 'other')].every((one) => one !== null)).toBe(
      true,
    );
    taken[0]?.();
    expect(transfers.take('a', 'club')).not.toBeNull();
  });
  it('of streams: one too many ends the oldest of that person and of nobody else', () => {
    const streams = new StreamShares();
    const ended: string[] = [];
    streams.add('b', () => {
      ended.push('b');
    });
    const removers = Array.from({ length: 9 }, (_, at) =>
      streams.add('a', () => {
        ended.push(`a${at}`);
      }),
    );
    expect([ended, streams.count('a'), streams.count('b')]).toEqual([['a0'], 8, 1]);
    for (const remove of removers) remove();
    expect(streams.count('a')).toBe(0);
  });
});

describe('what is received', () => {
  const endless = (bytes: number, everyMs: number) =>
    new ReadableStream<Uint8Array>({
      async pull(controller) {
        await new Promise((resolve) => {
          setTimeout(resolve, everyMs);
        });
        controller.enqueue(new Uint8Array(bytes));
      },
    });
  const request = (body: ReadableStream<Uint8Array> | string, headers: Record<string, string> = {}) =>
    new Request('http://127.0.0.1/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);
  it('ends at its limit, whatever its length is said to be', async () => {
    expect(Buffer.from(await readWithin(request('abc'), 3)).toString()).toBe('abc');
    await expect(readWithin(request('abcd'), 3)).rejects.toBeInstanceOf(TooLarge);
    await expect(readWithin(request(endless(1000, 0)), 5000)).rejects.toBeInstanceOf(TooLarge);
    await expect(readWithin(request('ab', { 'content-length': '99999' }), 10)).rejects.toBeInstanceOf(
      TooLarge,
    );
  });
  it('ends in its time, however little comes', async () => {
    await expect(readWithin(request(endless(1, 20)), 5000, 0.1)).rejects.toBeInstanceOf(TooSlow);
  });
  it('a file is gone once it was read, given up, or not read on', async () => {
    const make = () => spool((write) => write('x'.repeat(200_000)));
    const whole = await make();
    let ended = 0;
    expect(
      (
        await new Response(
          sendFile(whole, 5, () => {
            ended += 1;
          }),
        ).text()
      ).length,
    ).toBe(200_000);
    const given = await make();
    await sendFile(given, 5, () => {
      ended += 1;
    }).cancel();
    const unread = await make();
    const reader = sendFile(unread, 0.05, () => {
      ended += 1;
    }).getReader();
    await reader.read();
    await expect
      .poll(() => [whole, given, unread].map(({ path }) => existsSync(path)))
      .toEqual([false, false, false]);
    expect(ended).toBe(3);
  });
});
