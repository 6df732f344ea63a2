import { setImmediate as others } from 'node:timers/promises';
import type { ImportSummary } from '@/contracts/exchange/csv-lists';
import { lockFleet, readFleet } from '@/db/kernel/bulk';
import { inClub } from '@/db/kernel/club-transaction';
import { readClub } from '@/db/club/clubs';
import { type Actor, type Outcome, type Ports, refused, runCommand } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { type FileRow, type ImportRequest, RowImport } from './row-import';

/** Thrown to leave the transaction with what was found out. */
class Told extends Error {
  constructor(readonly summary: ImportSummary) {
    super('told');
  }
}
/** The person who asked for it has stopped it. */
export class Stopped extends Error {
  constructor() {
    super('the import was stopped; nothing was written');
  }
}

/**
 * Brings the rows of a file in: all of them or none. What is there already stays as it is, so that the same file twice changes nothing.
 * Without `commit` it tells row by row what would happen. Rows are read as they come and never all held at once.
 * @param pages the rows, some at a time: between two pages others have their turn, so a page is a few milliseconds of work
 * @param progress hears how many rows were read so far; @param stopped says whether somebody has cancelled it
 */
export async function importRows(
  ports: Ports,
  actor: Actor,
  request: ImportRequest,
  pages: AsyncIterable<readonly FileRow[]>,
  progress: (rows: number) => void,
  stopped: () => boolean,
): Promise<Outcome<ImportSummary>> {
  const denied = denial(actor, 'import-rows');
  if (denied !== null) return refused(denied);
  const recordedAt = ports.now();
  try {
    return await runCommand(
      () =>
        inClub(ports.db, actor.clubId, async (tx) => {
          const fleet = await (request.commit ? lockFleet(tx) : readFleet(tx));
          const work = new RowImport(
            ports,
            actor,
            tx,
            request,
            await readClub(tx, actor.clubId),
            fleet,
            recordedAt,
          );
          let read = 0;
          let writing: Promise<void> = Promise.resolve();
          for await (const some of pages) {
            for (const row of some) work.take(row);
            read += some.length;
            // A file that is there already would otherwise be read without a pause: the database, and everybody else whom this process serves, would wait.
            await others();
            if (!work.full) continue;
            if (stopped()) throw new Stopped();
            // The database writes one page while the next is read and made ready.
            // Where the one failed, the other may have failed for that alone: the first word counts.
            const write = await work.ready().catch(async (error: unknown) => {
              await writing;
              throw error;
            });
            await writing;
            writing = write();
            writing.catch(() => undefined);
            progress(read);
          }
          if (stopped()) throw new Stopped();
          const write = await work.ready().catch(async (error: unknown) => {
            await writing;
            throw error;
          });
          await writing;
          await write();
          progress(read);
          // Nothing is written unless all of it is in order; leaving the transaction undoes what was.
          if (!request.commit || work.rejected > 0) throw new Told(work.summary(false));
          await work.finish();
          return work.summary(true);
        }),
      1,
    );
  } catch (error) {
    if (error instanceof Told) return { ok: true, value: error.summary };
    if (error instanceof Stopped)
      return refused({
        code: 'invalid',
        message: 'The import was cancelled. Nothing was written.',
        problems: [],
      });
    throw error;
  }
}
