import { problem, route } from '../../answer';
import { inClub } from '@/db/club-transaction';
import { rampAircraft } from '@/queries/ramp';
import { runtime } from '@/server/runtime';

export const GET = route(async ({ clubId }, _request, { params }: { params: Promise<{ registration: string }> }) => {
  const { registration } = await params;
  const found = await inClub(runtime().db, clubId, (tx) => rampAircraft(tx, clubId, registration, runtime().ports.now()));
  return found === null ? problem(404, `The club has no aircraft ${registration.slice(0, 20)}. Choose one from the list.`) : Response.json(found);
});
