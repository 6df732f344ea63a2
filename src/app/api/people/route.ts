import { answer, body, refusal, route } from '../answer';
import { admit } from '@/commands/people';
import { admitSchema } from '@/contracts/people';
import { inClub } from '@/db/club-transaction';
import { people } from '@/queries/people';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor) => {
  const { db, ports } = runtime();
  return Response.json(await inClub(db, actor.clubId, (tx) => people(tx, actor, ports.now())));
});

export const POST = route(async (actor, request) => {
  const entry = await body(request, admitSchema);
  return entry.ok ? answer(await admit(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
