import { body, refusal, route } from '../../answer';
import { clubTrialSchema } from '@/contracts/founding';
import { inClub } from '@/db/club-transaction';
import { clubTrial } from '@/queries/club';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const entry = await body(request, clubTrialSchema);
  if (!entry.ok) return refusal(entry.refusal);
  const { db, ports } = runtime();
  return Response.json(await inClub(db, actor.clubId, (tx) => clubTrial(tx, actor.clubId, entry.value.club, ports.now())));
});
