// Prints one short line a step with its time; the long output goes to a log file and is shown only on failure.
import { spawn } from 'node:child_process';
import { createWriteStream, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** An error that the person at the keyboard can act on; printed without a stack. */
export class Explained extends Error {}

/**
 * Runs one named step and prints `name … 1.2 s`, with the step's own short remark if it returns one.
 * @param {string} name what the person reads
 * @param {() => Promise<string | void> | string | void} work
 */
export async function step(name, work) {
  const started = performance.now();
  process.stdout.write(`  ${name.padEnd(34, ' ')}`);
  try {
    const remark = await work();
    const seconds = ((performance.now() - started) / 1000).toFixed(1);
    process.stdout.write(`${seconds.padStart(7)} s${remark ? `   ${remark}` : ''}\n`);
  } catch (error) {
    process.stdout.write(' failed\n');
    throw error;
  }
}

/**
 * Runs a command with its output in a log file.
 * @param {string} command
 * @param {string[]} args
 * @param {{ log: string, cwd?: string, env?: NodeJS.ProcessEnv, uid?: number, gid?: number, echo?: boolean }} options `log` is a path; `echo` shows the output too
 * @returns {Promise<string>} what it printed on standard output and error
 */
export function run(command, args, options) {
  mkdirSync(join(options.log, '..'), { recursive: true });
  return new Promise((resolve, reject) => {
    const file = createWriteStream(options.log);
    const child = spawn(command, args, {
      cwd: options.cwd,
      env: options.env ?? process.env,
      stdio: ['ignore', 'pipe', 'pipe'],
      ...(options.uid === undefined ? {} : { uid: options.uid, gid: options.gid }),
    });
    const parts = [];
    const take = (chunk) => {
      parts.push(chunk);
      file.write(chunk);
      if (options.echo) process.stdout.write(chunk);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', (error) => reject(new Explained(`${command} could not be started: ${error.message}`)));
    child.on('close', (code, signal) => {
      file.end();
      const text = Buffer.concat(parts).toString('utf8');
      if (code === 0) return resolve(text);
      const tail = options.echo ? '' : `\n${text.split('\n').slice(-25).join('\n')}`;
      const error = new Explained(
        `${command} ${args.join(' ')} ended with ${signal ?? code}. The whole output is in ${options.log}${tail}`,
      );
      error.output = text;
      reject(error);
    });
  });
}

/** Reads a JSON file, or answers undefined where there is none yet. A damaged file is an error, not an absence. */
export function readJson(path) {
  let text;
  try {
    text = readFileSync(path, 'utf8');
  } catch (error) {
    if (error.code === 'ENOENT') return undefined;
    throw error;
  }
  try {
    return JSON.parse(text);
  } catch {
    throw new Explained(`${path} is damaged: it is not JSON. Delete it, or start over with --reset.`);
  }
}
