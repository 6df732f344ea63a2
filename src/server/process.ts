import type { Ports } from '@/commands/kernel/command';
import { startJobs, type NoticeWork } from './jobs';
import { endStreams } from './streams';
import { closeRuntime, OtherSchema, requireSchema, runtime } from './runtime';

type FoundingCode = (ports: Ports) => Promise<string | null>;
const TRY_AGAIN_MS = 10_000;

/**
 * While nobody has an account, the person who started the server learns the one-time code that founds the club. Kept nowhere but as a
 * hash.
 */
async function tellFoundingCode(foundingCode: FoundingCode): Promise<void> {
  const { env, log, ports } = runtime();
  try {
    const code = await foundingCode(ports);
    if (code !== null)
      process.stdout.write(
        `\nNobody has an account here yet. Open ${new URL('/founding', env.GROVAL_URL).toString()} and enter this one-time code:\n\n    ${code}\n\n`,
      );
  } catch (error) {
    log.warn({ err: error }, 'could not look whether anybody has an account; trying again');
    setTimeout(() => {
      void endWithOtherSchema().then(() => tellFoundingCode(foundingCode));
    }, TRY_AGAIN_MS).unref();
  }
}

/**
 * Ends a server whose database is of another version, once the database can be asked: deciding on tables that it does not know would be
 * guessing.
 */
async function endWithOtherSchema(): Promise<void> {
  const { db, log } = runtime();
  try {
    await requireSchema(db);
  } catch (error) {
    if (error instanceof OtherSchema) {
      process.stderr.write(`\n${error.message}\n\n`);
      process.exit(1);
    }
    log.warn({ err: error }, 'could not look of which version the database is; trying again');
    setTimeout(() => {
      void endWithOtherSchema();
    }, TRY_AGAIN_MS).unref();
  }
}

/** Starts the work behind the screens, and tries again until the database lets it: screens do not wait for it. */
async function keepJobs(work: NoticeWork, isEnding: () => boolean): Promise<void> {
  if (isEnding()) return;
  const open = runtime();
  try {
    const close = await startJobs(open, work);
    if (isEnding()) await close();
    else open.closers.push(close);
  } catch (error) {
    open.log.warn({ err: error }, 'notices and mail could not be started; trying again');
    setTimeout(() => {
      void keepJobs(work, isEnding);
    }, TRY_AGAIN_MS).unref();
  }
}

/**
 * Checks the environment, and has the framework's own orderly end take our connections with it.
 * @param foundingCode makes the code where nobody has an account yet
 * @param notices what the work behind the screens does
 */
export function startProcess(foundingCode: FoundingCode, notices: NoticeWork): void {
  const { env, log } = runtime();
  let ending = false;
  const end = (signal: string) => {
    if (ending) return;
    ending = true;
    log.info({ signal }, 'shutting down');
    // The framework waits for open requests; live streams never end by themselves.
    endStreams();
    void closeRuntime().catch((error: unknown) => {
      log.error({ err: error }, 'could not close everything');
    });
  };
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
  if (env.GROVAL_EXIT_WITH_PARENT === '1')
    process.stdin
      .on('end', () => {
        process.kill(process.pid, 'SIGTERM');
      })
      .resume();
  void endWithOtherSchema()
    .then(() => tellFoundingCode(foundingCode))
    .then(() => keepJobs(notices, () => ending));
  log.info({ url: env.GROVAL_URL, pinned: env.GROVAL_NOW !== undefined }, 'started');
}
