import { problem, route } from '../../answer';
import { inClub } from '@/db/club-transaction';
import { sightingList } from '@/queries/sighting';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor, _request, { params }: { params: Promise<{ registration: string }> }) => {
  const { registration } = await params;
  const list = await inClub(runtime().db, actor.clubId, (tx) => sightingList(tx, registration));
  return list === null ? problem(404, `The club has no aircraft ${registration.slice(0, 20)}. Choose one from the Line.`) : Response.json(list);
});
