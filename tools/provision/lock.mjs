// One start at a time in one state folder: a second one would stop the first one's database.
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Explained } from './steps.mjs';

/** When a process started, so that a recycled process id is not taken for the one that wrote the lock. */
function startTicks(pid) {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8')
      .replace(/^.*\) /s, '')
      .split(' ')[19];
  } catch {
    return undefined;
  }
}

/**
 * Takes the lock of a state folder, or says who holds it.
 * @param {string} folder from stateFolder()
 * @param {string} what what is being started, for the message
 * @returns {() => void} gives the lock back
 */
export function takeLock(folder, what) {
  const path = join(folder, 'running');
  const mine = `${process.pid} ${startTicks(process.pid) ?? ''}`;
  for (let tries = 0; ; tries += 1) {
    try {
      writeFileSync(path, mine, { flag: 'wx' });
      return () => {
        if (existsSync(path) && readFileSync(path, 'utf8') === mine) rmSync(path);
      };
    } catch (error) {
      if (error.code !== 'EEXIST' || tries > 2) throw error;
      const [pid = '', ticks = ''] = readFileSync(path, 'utf8').split(' ');
      if (pid !== '' && startTicks(pid) === ticks)
        throw new Explained(
          `${what} of this checkout is running already, as process ${pid}. End it there with Ctrl-C first, or use it.`,
        );
      rmSync(path, { force: true });
    }
  }
}
