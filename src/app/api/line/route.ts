import { route } from '../answer';
import { inClub } from '@/db/club-transaction';
import { line } from '@/queries/line';
import { runtime } from '@/server/runtime';

export const GET = route(async ({ clubId }) => {
  const { db, ports, pinned } = runtime();
  return Response.json(await inClub(db, clubId, (tx) => line(tx, clubId, ports.now(), pinned)));
});
