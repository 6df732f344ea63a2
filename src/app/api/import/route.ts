import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { z } from 'zod';
import { memberRoute } from '../answer';
import { problem, refusal } from '../refusals';
import { databaseCode } from '@/commands/kernel/command';
import { importRows } from '@/commands/exchange/import-rows';
import { IMPORT_LIST_NAMES, type ImportList } from '@/contracts/exchange/csv-lists';
import { isText } from '@/contracts/kernel/plain-text';
import { ROUTES } from '@/contracts/kernel/routes';
import { fileRows, Unreadable } from '@/server/file-rows';
import { runtime } from '@/server/runtime';
import { receive } from '@/server/spool';
import { streamed } from '@/server/streamed';

const asked = z.object({
  list: z.enum(IMPORT_LIST_NAMES as unknown as [ImportList, ...ImportList[]]),
  format: z.enum(['csv', 'json']),
  commit: z.enum(['yes', 'no']),
  name: z.string().max(200).refine(isText),
  mapping: z
    .string()
    .max(10_000)
    .transform((text, context) => {
      try {
        return z.record(z.string(), z.string().nullable()).parse(JSON.parse(text));
      } catch {
        context.issues.push({
          code: 'custom',
          input: text,
          message: 'expected which header stands for which column',
        });
        return z.NEVER;
      }
    }),
});

/** Receiving a file takes at most so long. */
const MAX_SECONDS = 600;

/** A line of the answer: how far it is, what came of it, or why not. */
const line = (value: unknown): string => `${JSON.stringify(value)}\n`;

/** Reads a file in. It is received whole before any aircraft is locked, and written on connections of its own. */
export const POST = memberRoute('POST /api/import', async ({ actor, request }) => {
  const question = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!question.success)
    return problem(422, 'Say which list it is, its format, and which header stands for which column.');
  if (request.body === null) return problem(422, 'The file is empty.');
  const { list, format, commit, name, mapping } = question.data;
  const { ports, log, bulk, transfers, imports } = runtime();
  const giveBack = transfers.take(actor.personId, actor.clubId);
  if (giveBack === null)
    return refusal({
      code: 'too-many-tries',
      message: 'You have several imports or downloads running. Wait until one has ended.',
    });
  const file = await receive(request, ROUTES['POST /api/import'].body.maxBytes, MAX_SECONDS).catch(
    (error: unknown) => {
      giveBack();
      throw error;
    },
  );
  const turn = imports.take(actor.clubId);
  if (turn === null) {
    giveBack();
    await file.remove();
    return refusal({
      code: 'busy',
      message:
        'Somebody in your club is importing a file just now. Wait until it has ended, then choose yours again.',
    });
  }
  return streamed(
    async (write) => {
      // Progress is told as it comes; nobody waits for it to be read.
      const told: Promise<void>[] = [];
      let last: unknown;
      try {
        const rows = fileRows(Readable.toWeb(createReadStream(file.path)) as WebStream, format);
        const outcome = await importRows(
          { ...ports, db: bulk },
          actor,
          { list, mapping, commit: commit === 'yes', fileName: name },
          rows,
          (read) => {
            told.push(write(line({ read })).catch(() => undefined));
          },
          () => request.signal.aborted,
        );
        last = outcome.ok ? { done: outcome.value } : { error: outcome.refusal };
      } catch (error) {
        const message =
          error instanceof Unreadable
            ? error.message
            : 'Groval could not read that file just now. Nothing was written; try again.';
        if (!(error instanceof Unreadable))
          log.error({ err: error, code: databaseCode(error) }, 'an import failed');
        last = { error: { code: 'invalid', message, problems: [] } };
      } finally {
        turn();
        giveBack();
        await file.remove();
      }
      // Somebody who does not read the answer holds up nobody: all is given back by now.
      await Promise.all(told);
      await write(line(last));
    },
    { 'content-type': 'application/x-ndjson; charset=utf-8' },
  );
});
