import { request, type ClientRequest } from 'node:http';
import { connect, type Socket } from 'node:net';
import { call, NOBODY, onLoopback, post, type Session } from './client';
import type { Tally } from './tally';

/** Somebody else has an answer within so long while the slow ones do what they do. Far more than it takes; a starved pool takes far longer. */
const HURT_MS = 5000;
const pause = (ms: number) =>
  new Promise<void>((resolve) => {
    setTimeout(resolve, ms);
  });

/** What others see meanwhile: health, signing in, the Line, and a change of an aircraft. */
async function othersAreServed(
  base: string,
  other: Session,
  aircraftId: string,
  newId: () => string,
  tally: Tally,
  while_: string,
): Promise<void> {
  const look = async (
    what: string,
    ask: () => Promise<{ readonly status: number; readonly text: string }>,
  ) => {
    const began = performance.now();
    const { status, text } = await ask();
    const took = performance.now() - began;
    tally.answer(status === 0 ? 500 : status, true, () => `${what} while ${while_}: ${text.slice(0, 200)}`);
    if (status !== 200 || took > HURT_MS)
      tally.hurt.push(`${what} while ${while_}: ${status} after ${Math.round(took)} ms`);
  };
  await look('health', () => call(base, NOBODY, { method: 'GET', path: '/api/health' }));
  await look('signing in', () => post(base, NOBODY, '/api/demo', { email: 'student@ternbay.example' }));
  await look('the Line', () => call(base, other, { method: 'GET', path: '/api/line' }));
  await look('a finding', () =>
    post(base, other, '/api/findings', {
      findingId: newId(),
      aircraftId,
      station: 'propeller',
      side: null,
      step: null,
      asListed: false,
      what: 'While others are slow',
      looks: 'cannot-tell',
      foundAt: '2026-11-28T12:00:00Z',
    }),
  );
}

/** Files that come a few bytes a second. */
export async function trickledImports(
  base: string,
  desk: Session,
  other: Session,
  aircraftId: string,
  newId: () => string,
  tally: Tally,
  seconds: number,
): Promise<void> {
  const { hostname, port, origin } = onLoopback(base);
  const query = new URLSearchParams({
    list: 'meters',
    format: 'csv',
    commit: 'yes',
    name: 'slow.csv',
    mapping: JSON.stringify({ registration: 'registration' }),
  });
  const open: ClientRequest[] = Array.from({ length: 3 }, () =>
    request({
      hostname,
      port,
      method: 'POST',
      path: `/api/import?${query.toString()}`,
      headers: { origin, cookie: desk.cookie, 'content-type': 'text/csv', 'transfer-encoding': 'chunked' },
    }).on('error', () => undefined),
  );
  for (let second = 0; second < seconds; second += 1) {
    for (const one of open) one.write(second === 0 ? 'registration\n' : 'x');
    if (second % 3 === 1) await othersAreServed(base, other, aircraftId, newId, tally, 'files trickle in');
    await pause(1000);
  }
  for (const one of open) one.destroy();
}

/** Downloads that nobody reads. */
export async function unreadDownloads(
  base: string,
  readers: readonly Session[],
  other: Session,
  aircraftId: string,
  newId: () => string,
  tally: Tally,
  seconds: number,
): Promise<void> {
  const { hostname, port } = onLoopback(base);
  const sockets: Socket[] = readers.flatMap((reader) =>
    Array.from({ length: 6 }, () => {
      const socket = connect({ host: hostname, port: Number(port) }).on('error', () => undefined);
      socket.pause();
      socket.write(
        `GET /api/export/meters.csv HTTP/1.1\r\nhost: ${hostname}\r\ncookie: ${reader.cookie}\r\n\r\n`,
      );
      return socket;
    }),
  );
  const until = Date.now() + seconds * 1000;
  while (Date.now() < until) {
    await pause(800);
    await othersAreServed(base, other, aircraftId, newId, tally, 'downloads are not read');
  }
  for (const socket of sockets) socket.destroy();
}

/** Many live streams of one person: a few stay, and those of others are untouched. */
export async function manyStreams(
  base: string,
  greedy: Session,
  other: Session,
  tally: Tally,
  count: number,
): Promise<void> {
  const { hostname, port } = onLoopback(base);
  const openStream = (session: Session) =>
    new Promise<{ readonly socket: Socket; ended: boolean }>((resolve) => {
      const socket = connect({ host: hostname, port: Number(port) });
      const stream = { socket, ended: false };
      socket
        .on('error', () => undefined)
        .on('close', () => {
          stream.ended = true;
        })
        .on('end', () => {
          stream.ended = true;
        });
      socket.once('data', () => {
        resolve(stream);
      });
      socket.write(`GET /api/events HTTP/1.1\r\nhost: ${hostname}\r\ncookie: ${session.cookie}\r\n\r\n`);
    });
  const theirs = await openStream(other);
  const ours = [];
  for (let at = 0; at < count; at += 1) ours.push(await openStream(greedy));
  await pause(500);
  const left = ours.filter(({ ended }) => !ended).length;
  tally.calls += count + 1;
  if (left > 8) tally.wronglyAccepted.push(`${left} of ${count} streams of one person stay open`);
  if (theirs.ended) tally.hurt.push('the stream of somebody else ended');
  for (const { socket } of [...ours, theirs]) socket.destroy();
}

/** A stream ends soon after its session has. */
export async function streamEndsWithSession(base: string, session: Session, tally: Tally): Promise<void> {
  const { hostname, port } = onLoopback(base);
  const socket = connect({ host: hostname, port: Number(port) });
  let ended = false;
  socket
    .on('error', () => undefined)
    .on('end', () => {
      ended = true;
    })
    .on('close', () => {
      ended = true;
    });
  await new Promise<void>((resolve) => {
    socket.once('data', () => {
      resolve();
    });
    socket.write(`GET /api/events HTTP/1.1\r\nhost: ${hostname}\r\ncookie: ${session.cookie}\r\n\r\n`);
  });
  const { status } = await call(base, session, { method: 'POST', path: '/api/auth/sign-out', body: '{}' });
  tally.answer(status, true, () => 'signing out');
  for (let turn = 0; turn < 30 && !(ended as boolean); turn += 1) await pause(500);
  if (!(ended as boolean)) tally.wronglyAccepted.push('a stream goes on 15 s after its session has ended');
  socket.destroy();
}
