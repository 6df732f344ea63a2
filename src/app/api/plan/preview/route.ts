import { body, refusal, route } from '../../answer';
import { planPreviewSchema } from '@/contracts/plan';
import { inClub } from '@/db/club-transaction';
import { draftAnswer } from '@/queries/plan';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const question = await body(request, planPreviewSchema);
  if (!question.ok) return refusal(question.refusal);
  const { db, ports } = runtime();
  return Response.json(await inClub(db, actor.clubId, (tx) => draftAnswer(tx, actor.clubId, question.value.flight, question.value.replaces, ports.now())));
});
