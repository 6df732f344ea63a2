import { problem, route } from '../../../answer';
import { inClub } from '@/db/club-transaction';
import { folder } from '@/queries/folder';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor, _request, { params }: { params: Promise<{ registration: string }> }) => {
  const { db, ports } = runtime();
  const { registration } = await params;
  const found = await inClub(db, actor.clubId, (tx) => folder(tx, actor, registration, ports.now()));
  return found === null ? problem(404, `The club has no aircraft ${registration.slice(0, 20)}. Choose one from the Line.`) : Response.json(found);
});
