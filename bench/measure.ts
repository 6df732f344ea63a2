/** How the browser is started: without what asks for the network, or for a screen. */
export const CHROMIUM_ARGUMENTS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** One line of the report. `met` is set where there is a budget. */
export interface Figure {
  readonly name: string;
  readonly value: string;
  readonly note?: string;
  readonly met?: boolean;
}

/** The value that `share` of the values do not exceed. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] ?? Number.NaN;
}

/** Runs of each work in one sample. */
const BATCH = 25;

/**
 * Runs several works in turn, round after round, so that whatever else the machine does hits them alike; a sample is a batch of
 * runs of one work. Answers each one's median. The first third of the rounds warms up and does not count.
 */
export async function medianMicroseconds(
  works: readonly (() => void | Promise<void>)[],
  rounds: number,
): Promise<readonly number[]> {
  const times = works.map((): number[] => []);
  for (let round = -Math.ceil(rounds / 3); round < rounds; round += 1) {
    for (const [at, work] of works.entries()) {
      const started = performance.now();
      for (let run = 0; run < BATCH; run += 1) {
        const going = work();
        if (going !== undefined) await going;
      }
      if (round >= 0) times[at]?.push(((performance.now() - started) * 1000) / BATCH);
    }
  }
  return times.map((values) => quantile(values, 0.5));
}
