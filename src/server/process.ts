import { endStreams } from './streams';
import { closeRuntime, runtime } from './runtime';

/** Checks the environment, and has the framework's own orderly end take our connections with it. */
export function startProcess(): void {
  const { env, log } = runtime();
  let ending = false;
  const end = (signal: string) => {
    if (ending) return;
    ending = true;
    log.info({ signal }, 'shutting down');
    // The framework waits for open requests; live streams never end by themselves.
    endStreams();
    void closeRuntime().catch((error: unknown) => { log.error({ err: error }, 'could not close everything'); });
  };
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
  if (env.GROVAL_EXIT_WITH_PARENT === '1') process.stdin.on('end', () => { process.kill(process.pid, 'SIGTERM'); }).resume();
  log.info({ url: env.GROVAL_URL, pinned: env.GROVAL_NOW !== undefined }, 'started');
}
