// Bringing in 100,000 flights from a CSV file: read as it comes, judged, written in one transaction.
import { createHash, randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { importRows } from '../src/commands/exchange/import-rows';
import { guessMapping } from '../src/contracts/exchange/csv-lists';
import type { Instant } from '../src/core/time/instant';
import type { Ports } from '../src/commands/kernel/command';
import type { Database } from '../src/db/kernel/connection';
import { fileRows } from '../src/server/file-rows';
import type { Figure } from './measure';

const ROWS = 100_000;
const HEADERS = [
  'registration',
  'person',
  'left_at',
  'back_at',
  'time_in_service_out',
  'time_in_service_in',
  'landings',
  'remarks',
];
const MOST_SECONDS = 20;
const MOST_MB = 300;
const PIECE = 65_536;

/** Flights of ten years on ten aircraft, long before the club's other records. */
function* csv(): Generator<string> {
  yield `${HEADERS.join(',')}\r\n`;
  for (let n = 0; n < ROWS; n += 1) {
    const aircraft = (n % 10) + 100;
    const at = Date.UTC(2008, 0, 1) + Math.floor(n / 10) * 30_000_000;
    const hours = (Math.floor(n / 10) * 0.02).toFixed(2);
    yield `N0${aircraft},"R. Dane, ${n}",${new Date(at).toISOString()},${new Date(at + 3_600_000).toISOString()},${hours},${hours},2,Nothing to report\r\n`;
  }
}

/** The same in pieces as large as those in which a file comes over the network. */
function* pieces(): Generator<Buffer> {
  let piece = '';
  for (const line of csv()) {
    piece += line;
    if (piece.length < PIECE) continue;
    yield Buffer.from(piece);
    piece = '';
  }
  yield Buffer.from(piece);
}

export async function benchImport(db: Database, clubId: string, now: Instant): Promise<readonly Figure[]> {
  const ports = {
    db,
    now: () => now,
    newId: randomUUID,
    sha256: (bytes: Uint8Array) => createHash('sha256').update(bytes).digest(),
  } as Pick<Ports, 'db' | 'now' | 'newId' | 'sha256'> as Ports;
  const file = [...pieces()];
  let peak = 0;
  globalThis.gc?.();
  const before = process.memoryUsage().rss;
  const timer = setInterval(() => {
    peak = Math.max(peak, process.memoryUsage().rss);
  }, 20);
  const started = performance.now();
  const outcome = await importRows(
    ports,
    { personId: 'bench', name: 'The bench', clubId, roles: ['dispatcher'] },
    { list: 'flights', mapping: guessMapping('flights', HEADERS), commit: true, fileName: 'bench.csv' },
    fileRows(Readable.toWeb(Readable.from(file)) as WebStream, 'csv'),
    () => undefined,
    () => false,
  );
  const seconds = (performance.now() - started) / 1000;
  clearInterval(timer);
  if (!outcome.ok || outcome.value.added !== ROWS)
    throw new Error(`the import did not go through: ${JSON.stringify(outcome).slice(0, 400)}`);
  const megabytes = (peak - before) / 1e6;
  return [
    {
      name: `bringing in ${ROWS} flights from CSV`,
      value: `${seconds.toFixed(1)} s`,
      note: `wanted at most ${MOST_SECONDS} s`,
      met: seconds <= MOST_SECONDS,
    },
    {
      name: 'memory that it took at its highest, beyond the process itself',
      value: `${megabytes.toFixed(0)} MB`,
      note: `wanted at most ${MOST_MB} MB`,
      met: megabytes <= MOST_MB,
    },
  ];
}
