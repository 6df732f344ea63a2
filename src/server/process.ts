import type { Ports } from '@/commands/kernel/command';
import { endStreams } from './streams';
import { closeRuntime, runtime } from './runtime';

type FoundingCode = (ports: Ports) => Promise<string | null>;
const TRY_AGAIN_MS = 10_000;

/** While nobody has an account, the person who started the server learns the one-time code that founds the club. Kept nowhere but as a hash. */
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
      void tellFoundingCode(foundingCode);
    }, TRY_AGAIN_MS).unref();
  }
}

/** Checks the environment, and has the framework's own orderly end take our connections with it. @param foundingCode makes the code where nobody has an account yet */
export function startProcess(foundingCode: FoundingCode): void {
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
  void tellFoundingCode(foundingCode);
  log.info({ url: env.GROVAL_URL, pinned: env.GROVAL_NOW !== undefined }, 'started');
}
