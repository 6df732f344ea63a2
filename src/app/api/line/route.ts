import { queryRoute } from '../answer';
import { line } from '@/queries/aircraft/line';
import { runtime } from '@/server/runtime';

export const GET = queryRoute('GET /api/line', ({ tx, actor, now }) =>
  line(tx, actor.clubId, now, runtime().pinned),
);
