import { answer, body, refusal, route } from '../answer';
import { changeClub } from '@/commands/change-club';
import { clubChangeSchema } from '@/contracts/founding';
import { inClub } from '@/db/club-transaction';
import { clubPage } from '@/queries/club';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor) => Response.json(await inClub(runtime().db, actor.clubId, (tx) => clubPage(tx, actor.clubId))));

export const POST = route(async (actor, request) => {
  const entry = await body(request, clubChangeSchema);
  return entry.ok ? answer(await changeClub(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
