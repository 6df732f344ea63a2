import { memberRoute } from '../answer';
import { inClub } from '@/db/kernel/club-transaction';
import { lineRowOf } from '@/queries/aircraft/line';
import { liveEvents, runtime } from '@/server/runtime';
import { rememberStream } from '@/server/streams';

const BEAT_MS = 10_000;

/**
 * Changes of the club's aircraft as they happen: `change` brings the row, `resync` asks to load again, `beat` says that the line is open. It
 * ends with the session or the membership; one screen too many of a person ends their oldest.
 */
export const GET = memberRoute('GET /api/events', ({ actor: { clubId, personId }, sessionId, request }) => {
  const { db, ports, streams, watch } = runtime();
  const live = liveEvents(async ({ club, aircraft }) =>
    JSON.stringify(await inClub(db, club, (tx) => lineRowOf(tx, club, aircraft, ports.now()))),
  );
  const encoder = new TextEncoder();
  let stop = () => {
    /* replaced once the stream is open */
  };
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const write = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const remove = await live.add(clubId, (event, data) => {
        write(`event: ${event}\ndata: ${data}\n\n`);
      });
      const beat = setInterval(() => {
        write('event: beat\ndata: {}\n\n');
      }, BEAT_MS);
      const ends: (() => void)[] = [];
      stop = () => {
        stop = () => {
          /* ended */
        };
        clearInterval(beat);
        remove();
        for (const end of ends) end();
        try {
          controller.close();
        } catch {
          /* the other side closed it first */
        }
      };
      const end = () => {
        stop();
      };
      ends.push(
        rememberStream(end),
        streams.add(personId, end),
        watch.add({ sessionId, personId, clubId, end }),
      );
      request.signal.addEventListener('abort', end);
      if (request.signal.aborted) {
        stop();
        return;
      }
      write('retry: 1000\nevent: beat\ndata: {}\n\n');
    },
    cancel() {
      stop();
    },
  });
  // The connection goes with the stream: a server that is ending waits for idle connections, and screens would come back on them.
  return Promise.resolve(
    new Response(stream, {
      headers: {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store, no-transform',
        'x-accel-buffering': 'no',
        connection: 'close',
      },
    }),
  );
});
