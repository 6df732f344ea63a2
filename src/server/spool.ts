import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { finished } from 'node:stream/promises';
import type { ReadableStream as WebStream } from 'node:stream/web';

/** More came than may be sent. */
export class TooLarge extends Error {
  constructor(readonly maxBytes: number) {
    super(`more than ${maxBytes} bytes`);
  }
}
/** Nothing came, or nobody read, for too long. */
export class TooSlow extends Error {
  constructor() {
    super('took too long');
  }
}

/** A file beside the memory, and what removes it. */
export interface Spooled {
  readonly path: string;
  readonly remove: () => Promise<void>;
}

async function emptyFile(): Promise<Spooled> {
  const folder = await mkdtemp(join(tmpdir(), 'groval-'));
  return { path: join(folder, 'spool'), remove: () => rm(folder, { recursive: true, force: true }) };
}

/** The pieces of a body up to a limit, in a time. @throws TooLarge @throws TooSlow */
async function* within(
  body: WebStream<Uint8Array>,
  maxBytes: number,
  maxSeconds: number,
): AsyncGenerator<Uint8Array> {
  const until = Date.now() + maxSeconds * 1000;
  const reader = body.getReader();
  let length = 0;
  try {
    for (;;) {
      let timer: NodeJS.Timeout | undefined;
      const tooSlow = new Promise<never>((_, reject) => {
        timer = setTimeout(
          () => {
            reject(new TooSlow());
          },
          Math.max(0, until - Date.now()),
        );
      });
      const { done, value } = await Promise.race([reader.read(), tooSlow]).finally(() => {
        clearTimeout(timer);
      });
      if (done) return;
      length += value.byteLength;
      if (length > maxBytes) throw new TooLarge(maxBytes);
      yield value;
    }
  } finally {
    await reader.cancel().catch(() => undefined);
  }
}

/** Reads a body whole, up to a limit, and stops reading there. @throws TooLarge @throws TooSlow */
export async function readWithin(request: Request, maxBytes: number, maxSeconds = 60): Promise<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? '0') > maxBytes) throw new TooLarge(maxBytes);
  if (request.body === null) return new Uint8Array();
  const pieces: Uint8Array[] = [];
  for await (const piece of within(request.body as unknown as WebStream<Uint8Array>, maxBytes, maxSeconds))
    pieces.push(piece);
  return Buffer.concat(pieces);
}

/** Receives a body into a file before anything is done with it: the person who sends slowly holds a file, and nobody's records. @throws TooLarge @throws TooSlow */
export async function receive(request: Request, maxBytes: number, maxSeconds: number): Promise<Spooled> {
  if (Number(request.headers.get('content-length') ?? '0') > maxBytes) throw new TooLarge(maxBytes);
  const file = await emptyFile();
  try {
    const pieces =
      request.body === null
        ? []
        : within(request.body as unknown as WebStream<Uint8Array>, maxBytes, maxSeconds);
    const out = createWriteStream(file.path, { mode: 0o600 });
    Readable.from(pieces)
      .on('error', (error) => {
        out.destroy(error);
      })
      .pipe(out);
    await finished(out);
    return file;
  } catch (error) {
    await file.remove();
    throw error;
  }
}

/** Writes a file from what is made for it. */
export async function spool(
  make: (write: (text: string) => Promise<void>) => Promise<void>,
): Promise<Spooled> {
  const file = await emptyFile();
  const out = createWriteStream(file.path, { mode: 0o600 });
  try {
    await make(
      (text) =>
        new Promise((resolve, reject) => {
          out.write(text, (error) => {
            if (error == null) resolve();
            else reject(error);
          });
        }),
    );
    out.end();
    await finished(out);
    return file;
  } catch (error) {
    out.destroy();
    await file.remove();
    throw error;
  }
}

/**
 * Sends a file and removes it, however that ends: read to its end, given up, or not read on for so long.
 * @param ended is called once when it is over
 */
export function sendFile(
  file: Spooled,
  maxIdleSeconds: number,
  ended: () => void,
): ReadableStream<Uint8Array> {
  const source = createReadStream(file.path, { highWaterMark: 64 * 1024 });
  const pieces = source[Symbol.asyncIterator]() as AsyncIterator<Uint8Array>;
  let timer: NodeJS.Timeout | undefined;
  let open = true;
  const end = () => {
    if (!open) return;
    open = false;
    clearTimeout(timer);
    source.destroy();
    void file.remove();
    ended();
  };
  return new ReadableStream<Uint8Array>(
    {
      async pull(controller) {
        clearTimeout(timer);
        const { done, value } = await pieces.next();
        if (done === true) {
          controller.close();
          end();
          return;
        }
        controller.enqueue(value);
        timer = setTimeout(() => {
          controller.error(new TooSlow());
          end();
        }, maxIdleSeconds * 1000);
        timer.unref();
      },
      cancel() {
        end();
      },
    },
    { highWaterMark: 0 },
  );
}
