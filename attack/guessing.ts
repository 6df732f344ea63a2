import { call, NOBODY, post } from './client';
import type { Tally } from './tally';

const pause = (ms: number) =>
  new Promise<void>((resolve) => {
    setTimeout(resolve, ms);
  });

/** Guessing a password from made-up addresses, and hashing for strangers: the right password gets in within half a minute, and nobody waits for the guesser. */
export async function guess(base: string, tally: Tally, password: string): Promise<void> {
  const email = 'safety-officer@ternbay.example';
  const attempt = (word: string, at: number) =>
    call(base, NOBODY, {
      method: 'POST',
      path: '/api/auth/sign-in/email',
      body: JSON.stringify({ email, password: word }),
      headers: {
        'x-forwarded-for': `10.9.8.${at % 250}`,
        forwarded: `for=10.9.8.${at % 250}`,
        'x-groval-address': `10.9.8.${at % 250}`,
      },
    });
  const guesses = await Promise.all(Array.from({ length: 30 }, (_, at) => attempt(`wrong-${at}`, at)));
  for (const { status, text } of guesses)
    tally.answer(status, false, () => `guessing: ${text.slice(0, 200)}`);
  const looked = guesses.filter(({ status }) => status === 401).length;
  if (looked > 7)
    tally.wronglyAccepted.push(`${looked} of 30 guesses were looked at, from made-up addresses`);
  const until = Date.now() + 40_000;
  let entered = false;
  while (!entered && Date.now() < until) {
    entered = (await attempt(password, 0)).status === 200;
    if (!entered) await pause(1000);
  }
  if (!entered) tally.hurt.push('the right password was locked out by strangers for 40 s');
  // Links and codes that are none: nothing is hashed for them, so a hundred of them take no time that anybody would notice.
  const began = performance.now();
  const links = await Promise.all(
    Array.from({ length: 100 }, () =>
      post(base, NOBODY, '/api/join/take-up', {
        club: '3d76d536-8374-4ed5-8b8f-4c75b0751ff7',
        secret: '0'.repeat(64),
        password: 'long-enough-1',
      }),
    ),
  );
  for (const { status, text } of links)
    tally.answer(status, false, () => `a link that is none: ${text.slice(0, 200)}`);
  const took = performance.now() - began;
  if (took > 10_000) tally.hurt.push(`a hundred made-up links took ${Math.round(took)} ms`);
}
