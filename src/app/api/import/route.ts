import type { ReadableStream as WebStream } from 'node:stream/web';
import { z } from 'zod';
import { problem, route } from '../answer';
import { importRows } from '@/commands/import-rows';
import { IMPORT_LIST_NAMES, type ImportList } from '@/contracts/csv-lists';
import { fileRows, Unreadable } from '@/server/file-rows';
import { runtime } from '@/server/runtime';
import { streamed } from '@/server/streamed';

const asked = z.object({
  list: z.enum(IMPORT_LIST_NAMES as unknown as [ImportList, ...ImportList[]]), format: z.enum(['csv', 'json']), commit: z.enum(['yes', 'no']), name: z.string().max(200),
  mapping: z.string().max(10_000).transform((text, context) => { try { return z.record(z.string(), z.string().nullable()).parse(JSON.parse(text)); } catch { context.issues.push({ code: 'custom', input: text, message: 'expected which header stands for which column' }); return z.NEVER; } }),
});

/** A line of the answer: how far it is, what came of it, or why not. */
const line = (value: unknown): string => `${JSON.stringify(value)}\n`;

export const POST = route(async (actor, request) => {
  const question = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!question.success) return problem(422, 'Say which list it is, its format, and which header stands for which column.');
  if (request.body === null) return problem(422, 'The file is empty.');
  const { list, format, commit, name, mapping } = question.data;
  const rows = fileRows(request.body as unknown as WebStream, format);
  const { ports, log } = runtime();
  return streamed(async (write) => {
    // Progress is told as it comes; nobody waits for it to be read.
    const told: Promise<void>[] = [];
    try {
      const outcome = await importRows(ports, actor, { list, mapping, commit: commit === 'yes', fileName: name }, rows, (read) => { told.push(write(line({ read })).catch(() => undefined)); }, () => request.signal.aborted);
      await write(line(outcome.ok ? { done: outcome.value } : { error: outcome.refusal }));
    } catch (error) {
      const message = error instanceof Unreadable ? error.message : 'Groval could not read that file just now. Nothing was written; try again.';
      if (!(error instanceof Unreadable)) log.error({ err: error }, 'an import failed');
      await write(line({ error: { code: 'invalid', message, problems: [] } }));
    }
    await Promise.all(told);
  }, { 'content-type': 'application/x-ndjson; charset=utf-8' });
});
