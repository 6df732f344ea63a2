// What every start of an installation on this machine has in common: its port, and ending what it started in order.
import { freePort } from './cluster.mjs';
import { Explained } from './steps.mjs';

const USUAL_PORT = 3600;

/** The port that somebody asked for, or null where they did not. @param {string | undefined} text */
export function wantedPort(text) {
  if (text === undefined) return null;
  const port = Number(text);
  if (!/^\d+$/.test(text) || port < 1 || port > 65_535)
    throw new Explained(`--port ${text}: expected a whole number from 1 to 65535`);
  return port;
}

/**
 * The port to listen on: the wanted one or an error; without a wish the usual one or the next free.
 * @param {string} host @param {number | null} wanted @param {string} command how it is started, for the message
 */
export async function choosePort(host, wanted, command) {
  for (let port = wanted ?? USUAL_PORT; ; port += 1) {
    try {
      return await freePort(host, port);
    } catch (error) {
      if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND')
        throw new Explained(`--host ${host}: this machine has no such address`);
      if (error.code === 'EACCES')
        throw new Explained(
          `Port ${port} is reserved for the administrator. Choose one from 1024 on: ${command} --port 3600`,
        );
      if (wanted !== null || port > USUAL_PORT + 50)
        throw new Explained(`Port ${port} is taken. Choose another: ${command} --port ${port + 1}`);
    }
  }
}

/** True for an address that only this machine reaches. @param {string} host */
export const isLoopback = (host) => host === 'localhost' || host === '::1' || /^127\./.test(host);

/**
 * Ends whatever was started, last first, once, on a signal or when asked.
 * @returns {{ later: (close: () => unknown) => void, end: (code: number) => Promise<void>, isEnding: () => boolean }}
 */
export function ending() {
  const closers = [];
  let over = null;
  const end = (code) => {
    over ??= (async () => {
      for (const close of closers.reverse())
        await Promise.resolve(close()).catch((error) => {
          process.stderr.write(`${error.message}\n`);
        });
      process.exit(code);
    })();
    return over;
  };
  for (const [signal, code] of [
    ['SIGINT', 130],
    ['SIGTERM', 143],
    ['SIGHUP', 129],
  ])
    process.on(signal, () => {
      process.stdout.write('\n  ending …\n');
      void end(code);
    });
  return { later: (close) => closers.push(close), end, isEnding: () => over !== null };
}
