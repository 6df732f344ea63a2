import { openRoute } from '../answer';
import { OtherSchema, runtime } from '@/server/runtime';

/** Whether this process can answer: 200 when the database answers and takes what is written, 503 when not. */
export const GET = openRoute('GET /api/health', async () => {
  const { probe, log } = runtime();
  try {
    await probe();
    return Response.json({ ok: true, database: 'answers' });
  } catch (error) {
    log.warn({ err: error }, 'the database is not well');
    if (error instanceof OtherSchema)
      return Response.json({ ok: false, database: 'is of another version' }, { status: 503 });
    const refuses =
      typeof error === 'object' && error !== null && 'code' in error && /^(25|53)/.test(String(error.code));
    return Response.json(
      { ok: false, database: refuses ? 'takes nothing that is written' : 'does not answer' },
      { status: 503 },
    );
  }
});

export const dynamic = 'force-dynamic';
