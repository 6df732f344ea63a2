import { problem, route } from '../../answer';
import { inClub } from '@/db/club-transaction';
import { facts } from '@/queries/facts';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor, _request, { params }: { params: Promise<{ registration: string }> }) => {
  const { registration } = await params;
  const found = await inClub(runtime().db, actor.clubId, (tx) => facts(tx, actor, registration, runtime().ports.now()));
  return found === null ? problem(404, `The club has no aircraft ${registration}. Choose one from the Line.`) : Response.json(found);
});
