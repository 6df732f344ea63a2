import { problem, route } from '../../answer';
import { z } from 'zod';
import { inClub } from '@/db/club-transaction';
import { counterFlight } from '@/queries/counter';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor, _request, { params }: { params: Promise<{ flight: string }> }) => {
  const { db, ports } = runtime();
  const id = z.uuid().safeParse((await params).flight);
  const found = id.success ? await inClub(db, actor.clubId, (tx) => counterFlight(tx, actor.clubId, id.data, ports.now())) : null;
  return found === null ? problem(404, 'There is no such flight: it may have been moved or cancelled. Choose one from the Counter.') : Response.json(found);
});
