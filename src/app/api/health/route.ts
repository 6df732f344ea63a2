import { sql } from 'kysely';
import { runtime } from '@/server/runtime';

/** Whether this process can answer: 200 when the database does, 503 when not. */
export async function GET(): Promise<Response> {
  try {
    await sql`select 1`.execute(runtime().db);
    return Response.json({ ok: true, database: 'answers' });
  } catch {
    return Response.json({ ok: false, database: 'does not answer' }, { status: 503 });
  }
}

export const dynamic = 'force-dynamic';
