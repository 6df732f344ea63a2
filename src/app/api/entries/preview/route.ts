import { body, problem, refusal, route } from '../../answer';
import { entryPreviewSchema } from '@/contracts/new-entry';
import { inClub } from '@/db/club-transaction';
import { entryPreview } from '@/queries/entry-preview';
import { runtime } from '@/server/runtime';

export const POST = route(async (actor, request) => {
  const question = await body(request, entryPreviewSchema);
  if (!question.ok) return refusal(question.refusal);
  const { db, ports } = runtime();
  const preview = await inClub(db, actor.clubId, (tx) => entryPreview(tx, actor.clubId, question.value, ports.now()));
  return preview === null ? problem(404, 'The aircraft has no such item, directive or method. Open its folder again.') : Response.json(preview);
});
