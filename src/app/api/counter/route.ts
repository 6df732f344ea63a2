import { route } from '../answer';
import { inClub } from '@/db/club-transaction';
import { counterList } from '@/queries/counter';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor) => {
  const { db, ports } = runtime();
  return Response.json(await inClub(db, actor.clubId, (tx) => counterList(tx, actor.clubId, ports.now())));
});
